package yendrik.server.design.copying;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.BADGE;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.MODULE;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.RUBRIC;
import static yendrik.schema.Tables.SCALE;
import static yendrik.schema.Tables.STEP;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.jooq.DSLContext;
import org.jooq.Table;
import org.jooq.TableField;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.RubricId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kinds;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.Outcome;
import yendrik.core.rubric.Rubric;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.words.Wording;
import yendrik.core.words.Phrase;
import yendrik.schema.tables.records.BadgeRecord;
import yendrik.schema.tables.records.ModuleRecord;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.schema.tables.records.RubricRecord;
import yendrik.schema.tables.records.ScaleRecord;
import yendrik.schema.tables.records.StepRecord;
import yendrik.server.design.Carrying;
import yendrik.server.design.Content;
import yendrik.server.design.Designs;
import yendrik.server.design.Json;
import yendrik.server.design.StepAuthors;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;

/**
 * Copies modules and steps from one course to another with all that they need there: outcomes with
 * their scales, rubrics, badges, files. Rules follow as far as what they ask about is there; what
 * could not follow is said.
 */
@Service
@Transactional
public class Copying {
  /** What becomes of dates. */
  public enum Dates {
    /** As long after the start of the course as before. */
    WITH_COURSE,
    AS_THEY_ARE,
    NONE
  }

  /**
   * What is copied.
   *
   * @param steps single ones, of modules that are not copied whole
   * @param into where single steps go; without it they make a module of their own
   * @param everything all there is in the course, whatever is named
   */
  record Selection(
      Set<ModuleId> modules, Set<StepId> steps, Optional<ModuleId> into, boolean everything) {}

  /**
   * What came of it.
   *
   * @param left what could not follow, in sentences
   */
  @Schema(name = "CopyReport")
  record Report(
      List<ModuleId> modules,
      List<StepId> steps,
      List<BadgeId> badges,
      int outcomes,
      int rubrics,
      int files,
      List<String> left) {}

  private final DSLContext db;
  private final Designs designs;
  private final StepAuthors rooms;
  private final Files files;
  private final Institutions institutions;
  private final Clock clock;

  Copying(
      DSLContext db,
      Designs designs,
      StepAuthors rooms,
      Files files,
      Institutions institutions,
      Clock clock) {
    this.db = db;
    this.designs = designs;
    this.rooms = rooms;
    this.files = files;
    this.institutions = institutions;
    this.clock = clock;
  }

  Report copy(CourseId from, CourseId to, Selection what, Dates dates) {
    // Always the same one first, so that two who copy to and fro wait and do not block.
    db.select(COURSE.ID)
        .from(COURSE)
        .where(COURSE.ID.in(from, to))
        .orderBy(COURSE.ID)
        .forUpdate()
        .fetch();
    if (db.fetchExists(COURSE, COURSE.ID.eq(to), COURSE.FRAMEWORK.isTrue()))
      throw Problem.conflict("framework-without-modules");
    return new OneCopy(from, to, what, dates).make();
  }

  /** One copy while it is made. */
  private final class OneCopy implements Carrying {
    private final CourseId from;
    private final CourseId to;
    private final Selection what;
    private final Dates dates;
    private final CourseDesign source;
    private final CourseDesign target;
    private final Wording wording;
    private final CopiedRule.Names names;
    private final Map<RubricId, RubricId> rubrics = new HashMap<>();
    private final Map<Long, Optional<Long>> fileIds = new HashMap<>();
    private final List<String> left = new ArrayList<>();
    private final List<ModuleId> madeModules = new ArrayList<>();
    private final Map<StepId, StepRecord> originals = new LinkedHashMap<>();
    private final List<BadgeId> madeBadges = new ArrayList<>();
    private int madeOutcomes;
    private int madeRubrics;

    OneCopy(CourseId from, CourseId to, Selection what, Dates dates) {
      this.from = from;
      this.to = to;
      this.what = what;
      this.dates = dates;
      source = designs.draft(from).design();
      target = designs.draft(to).design();
      wording = new Wording(source, institutions.writing(source.zone(), clock.instant()));
      long days =
          ChronoUnit.DAYS.between(day(source), day(target)) * (dates == Dates.WITH_COURSE ? 1 : 0);
      ZoneId zone = target.zone();
      names = new CopiedRule.Names(from, to, at -> later(at, days, zone));
    }

    private static LocalDate day(CourseDesign design) {
      return design.startsAt().atZone(design.zone()).toLocalDate();
    }

    private static Instant later(Instant at, long days, ZoneId zone) {
      return at.atZone(zone).plusDays(days).toInstant();
    }

    Report make() {
      List<ModuleRecord> modules = chosenModules();
      Map<ModuleId, List<StepRecord>> steps = chosenSteps(modules);
      List<BadgeRecord> badges = chosenBadges(modules);
      steps.values().stream().flatMap(List::stream).forEach(s -> originals.put(s.getId(), s));
      outcomes(modules, badges);
      rubrics();
      addModules(modules, steps);
      addBadges(badges);
      rules(modules, badges);
      return new Report(
          List.copyOf(madeModules),
          originals.keySet().stream().map(this::step).toList(),
          List.copyOf(madeBadges),
          madeOutcomes,
          madeRubrics,
          (int) fileIds.values().stream().filter(Optional::isPresent).count(),
          List.copyOf(left));
    }

    private StepId step(StepId original) {
      return requireNonNull(names.steps.get(original));
    }

    // --- what is copied -------------------------------------------------------------------------

    private List<ModuleRecord> chosenModules() {
      List<ModuleRecord> all =
          db.selectFrom(MODULE)
              .where(MODULE.COURSE_ID.eq(from), MODULE.DELETED_AT.isNull())
              .orderBy(MODULE.POSITION, MODULE.ID)
              .fetch();
      if (what.everything()) return all;
      List<ModuleRecord> chosen =
          all.stream().filter(m -> what.modules().contains(m.getId())).toList();
      if (chosen.size() < what.modules().size()) throw Problem.field("modules", "no-such-module");
      return chosen;
    }

    /** Steps by the module that they are copied with; single ones under no module. */
    private Map<ModuleId, List<StepRecord>> chosenSteps(List<ModuleRecord> modules) {
      Set<ModuleId> whole = new HashSet<>(modules.stream().map(ModuleRecord::getId).toList());
      Map<ModuleId, List<StepRecord>> chosen = new LinkedHashMap<>();
      int single = 0;
      for (StepRecord s :
          db.select(STEP.fields())
              .from(STEP)
              .join(MODULE)
              .on(MODULE.ID.eq(STEP.MODULE_ID))
              .where(STEP.COURSE_ID.eq(from), STEP.DELETED_AT.isNull(), MODULE.DELETED_AT.isNull())
              .orderBy(MODULE.POSITION, MODULE.ID, STEP.POSITION, STEP.ID)
              .fetchInto(STEP)) {
        boolean alone = what.steps().contains(s.getId());
        if (alone) single++;
        if (whole.contains(s.getModuleId()))
          chosen.computeIfAbsent(s.getModuleId(), _ -> new ArrayList<>()).add(s);
        else if (alone) chosen.computeIfAbsent(ALONE, _ -> new ArrayList<>()).add(s);
      }
      if (single < what.steps().size()) throw Problem.field("steps", "no-such-step");
      return chosen;
    }

    private List<BadgeRecord> chosenBadges(List<ModuleRecord> modules) {
      Set<ModuleId> whole = new HashSet<>(modules.stream().map(ModuleRecord::getId).toList());
      return db
          .selectFrom(BADGE)
          .where(BADGE.COURSE_ID.eq(from), BADGE.DELETED_AT.isNull())
          .orderBy(BADGE.POSITION, BADGE.ID)
          .fetch()
          .stream()
          .filter(
              b -> what.everything() || b.getModuleId() != null && whole.contains(b.getModuleId()))
          .toList();
    }

    // --- outcomes and scales --------------------------------------------------------------------

    private void outcomes(List<ModuleRecord> modules, List<BadgeRecord> badges) {
      Set<OutcomeId> needed = new HashSet<>();
      if (what.everything()) source.outcomes().forEach(o -> needed.add(o.id()));
      for (StepRecord s : originals.values()) {
        s.getTies().forEach(t -> needed.add(t.outcome()));
        asked(s.getOpensWhen(), needed);
        asked(s.getDoneWhen(), needed);
        content(s)
            .rubric()
            .flatMap(r -> Optional.ofNullable(designs.draft(from).rubrics().get(r)))
            .ifPresent(r -> r.criteria().forEach(c -> c.outcome().ifPresent(needed::add)));
      }
      for (ModuleRecord m : modules) {
        asked(m.getOpensWhen(), needed);
        asked(m.getDoneWhen(), needed);
      }
      for (BadgeRecord b : badges) asked(b.getEarnedWhen(), needed);
      Map<OutcomeId, OutcomeRecord> theirs = new LinkedHashMap<>();
      for (OutcomeRecord o : outcomeRows(from)) theirs.put(o.getId(), o);
      List<OutcomeId> wanted = new ArrayList<>();
      for (OutcomeRecord o : theirs.values())
        if (needed.contains(o.getId())) withParts(o.getId(), theirs, wanted, new HashSet<>());
      wanted.forEach(id -> bring(requireNonNull(theirs.get(id))));
      for (OutcomeId id : wanted) compose(requireNonNull(theirs.get(id)));
      CourseDesign now = designs.draft(to).design();
      for (OutcomeId id : wanted)
        now.outcome(requireNonNull(outcomeIds.get(id))).ifPresent(o -> names.outcomes.put(id, o));
    }

    private final Map<OutcomeId, OutcomeId> outcomeIds = new HashMap<>();
    private final Set<OutcomeId> fresh = new HashSet<>();

    private List<OutcomeRecord> outcomeRows(CourseId course) {
      return db.selectFrom(OUTCOME)
          .where(OUTCOME.COURSE_ID.eq(course), OUTCOME.DELETED_AT.isNull())
          .orderBy(OUTCOME.POSITION, OUTCOME.ID)
          .fetch();
    }

    private static void asked(@Nullable Condition rule, Set<OutcomeId> needed) {
      if (rule == null) return;
      rule.nodes()
          .forEach(n -> {
            if (n instanceof Condition.Ask(var _, Leaf.OfOutcome o)) needed.add(o.outcome());
          });
    }

    private static void withParts(
        OutcomeId id,
        Map<OutcomeId, OutcomeRecord> theirs,
        List<OutcomeId> wanted,
        Set<OutcomeId> met) {
      OutcomeRecord row = theirs.get(id);
      if (row == null || wanted.contains(id) || !met.add(id)) return;
      Optional.ofNullable(row.getMadeOf()).stream()
          .flatMap(m -> m.parts().stream())
          .forEach(p -> withParts(p, theirs, wanted, met));
      wanted.add(id);
    }

    /** The same outcome in the target: by its identifier, by code and name, or brought along. */
    private void bring(OutcomeRecord theirs) {
      List<OutcomeRecord> here = outcomeRows(to);
      Optional<OutcomeRecord> same =
          here.stream()
              .filter(o ->
                  o.getIdentifier().equals(theirs.getIdentifier())
                      || o.getCode().equals(theirs.getCode())
                          && o.getName().equals(theirs.getName()))
              .findFirst();
      if (same.isPresent()) {
        outcomeIds.put(theirs.getId(), same.get().getId());
        return;
      }
      Set<String> codes = new HashSet<>(here.stream().map(OutcomeRecord::getCode).toList());
      String code = theirs.getCode();
      for (int n = 2; codes.contains(code); n++)
        code = theirs.getCode().substring(0, Math.min(17, theirs.getCode().length())) + n;
      if (!code.equals(theirs.getCode())) say("copied.code", "code", theirs.getCode(), "now", code);
      OutcomeRecord row = theirs.copy();
      row.attach(db.configuration());
      row.setCourseId(to);
      row.setCode(code);
      row.setScaleId(scale(theirs.getScaleId()));
      row.setMadeOf(null);
      row.setPosition(here.stream().mapToInt(OutcomeRecord::getPosition).max().orElse(-1) + 1);
      row.setChangedAt(clock.instant());
      row.setVersion(1);
      row.insert();
      outcomeIds.put(theirs.getId(), row.getId());
      fresh.add(theirs.getId());
      madeOutcomes++;
    }

    private void compose(OutcomeRecord theirs) {
      if (theirs.getMadeOf() == null || !fresh.contains(theirs.getId())) return;
      Composition made = theirs.getMadeOf();
      List<OutcomeId> parts =
          made.parts().stream()
              .filter(outcomeIds::containsKey)
              .map(p -> requireNonNull(outcomeIds.get(p)))
              .toList();
      db.update(OUTCOME)
          .set(OUTCOME.MADE_OF, new Composition(parts, made.how()))
          .where(OUTCOME.ID.eq(outcomeIds.get(theirs.getId())))
          .execute();
    }

    private ScaleId scale(ScaleId id) {
      ScaleRecord theirs = db.selectFrom(SCALE).where(SCALE.ID.eq(id)).fetchSingle();
      for (ScaleRecord s :
          db.selectFrom(SCALE)
              .where(SCALE.COURSE_ID.eq(to), SCALE.DELETED_AT.isNull())
              .orderBy(SCALE.ID)
              .fetch())
        if (s.getName().equals(theirs.getName())
            && s.getLevels().equals(theirs.getLevels())
            && Objects.equals(s.getMastery(), theirs.getMastery())) return s.getId();
      ScaleRecord row = theirs.copy();
      row.attach(db.configuration());
      row.setCourseId(to);
      row.setVersion(1);
      row.insert();
      return row.getId();
    }

    // --- rubrics and files ----------------------------------------------------------------------

    private void rubrics() {
      Set<RubricId> needed = new HashSet<>();
      originals.values().forEach(s -> content(s).rubric().ifPresent(needed::add));
      for (RubricRecord theirs :
          db.selectFrom(RUBRIC)
              .where(RUBRIC.COURSE_ID.eq(from), RUBRIC.DELETED_AT.isNull())
              .orderBy(RUBRIC.ID)
              .fetch())
        if (what.everything() || needed.contains(theirs.getId()))
          rubrics.put(theirs.getId(), rubric(theirs));
    }

    private RubricId rubric(RubricRecord theirs) {
      Optional<RubricId> same =
          db.select(RUBRIC.ID)
              .from(RUBRIC)
              .where(
                  RUBRIC.COURSE_ID.eq(to),
                  RUBRIC.DELETED_AT.isNull(),
                  RUBRIC.IDENTIFIER.eq(theirs.getIdentifier()))
              .fetchOptional(RUBRIC.ID);
      if (same.isPresent()) return same.get();
      RubricRecord row = theirs.copy();
      row.attach(db.configuration());
      row.setCourseId(to);
      row.setCriteria(theirs.getCriteria().stream().map(this::criterion).toList());
      row.setVersion(1);
      row.insert();
      madeRubrics++;
      return row.getId();
    }

    private Rubric.Criterion criterion(Rubric.Criterion c) {
      Optional<Outcome> outcome =
          c.outcome().flatMap(o -> Optional.ofNullable(names.outcomes.get(o)));
      List<Rubric.Level> levels =
          c.levels().stream()
              .map(l ->
                  new Rubric.Level(
                      l.key(),
                      l.name(),
                      l.description(),
                      l.points(),
                      l.standsFor()
                          .filter(s -> outcome.filter(o -> o.scale().at(s) >= 0).isPresent())))
              .toList();
      return new Rubric.Criterion(
          c.key(), c.name(), c.description(), c.counts(), outcome.map(Outcome::id), levels);
    }

    @Override
    public Optional<Long> file(long file) {
      return fileIds.computeIfAbsent(file, f -> files.copy(from, f, to).map(Files.Kept::id));
    }

    @Override
    public Optional<RubricId> rubric(RubricId rubric) {
      return Optional.ofNullable(rubrics.get(rubric));
    }

    @Override
    public Optional<OutcomeId> outcome(OutcomeId outcome) {
      return Optional.ofNullable(outcomeIds.get(outcome));
    }

    private Content content(StepRecord s) {
      return rooms.read(s.getKind(), s.getContent());
    }

    // --- modules, steps and badges --------------------------------------------------------------

    private void addModules(List<ModuleRecord> modules, Map<ModuleId, List<StepRecord>> steps) {
      int position = next(MODULE.POSITION, MODULE.COURSE_ID.eq(to), MODULE);
      for (ModuleRecord m : modules) {
        ModuleRecord row = m.copy();
        row.attach(db.configuration());
        row.setCourseId(to);
        row.setPosition(position++);
        row.setOpensWhen(null);
        row.setDoneWhen(null);
        row.setVersion(1);
        row.insert();
        names.modules.put(m.getId(), row.getId());
        madeModules.add(row.getId());
        addSteps(row.getId(), 0, steps.getOrDefault(m.getId(), List.of()));
      }
      List<StepRecord> alone = steps.getOrDefault(ALONE, List.of());
      if (alone.isEmpty()) return;
      ModuleId into = what.into().orElseGet(() -> ownModule(alone));
      if (!db.fetchExists(
          MODULE, MODULE.ID.eq(into), MODULE.COURSE_ID.eq(to), MODULE.DELETED_AT.isNull()))
        throw Problem.field("into", "no-such-module");
      addSteps(into, next(STEP.POSITION, STEP.MODULE_ID.eq(into), STEP), alone);
    }

    private ModuleId ownModule(List<StepRecord> alone) {
      ModuleRecord row = db.newRecord(MODULE);
      row.setCourseId(to);
      row.setName(alone.getFirst().getName());
      row.setPosition(next(MODULE.POSITION, MODULE.COURSE_ID.eq(to), MODULE));
      row.insert();
      madeModules.add(row.getId());
      return row.getId();
    }

    private int next(TableField<?, Integer> position, org.jooq.Condition within, Table<?> table) {
      return db.select(DSL.coalesce(DSL.max(position), -1).plus(1))
          .from(table)
          .where(within)
          .fetchSingle()
          .value1();
    }

    private void addSteps(ModuleId module, int first, List<StepRecord> steps) {
      int position = first;
      for (StepRecord s : steps) {
        StepRecord row = s.copy();
        row.attach(db.configuration());
        row.setCourseId(to);
        row.setModuleId(module);
        row.setPosition(position++);
        row.setOpensWhen(null);
        row.setContent(Json.of(rooms.carried(s.getKind(), content(s), this)));
        row.setTies(s.getTies().stream().flatMap(t -> tie(s, t).stream()).toList());
        if (!s.getAudience().everyone()) say("copied.audience", "step", quoted(s.getName()));
        row.setAudience(Step.Audience.EVERYONE);
        window(row, s);
        row.setVersion(1);
        row.insert();
        names.steps.put(s.getId(), row.getId());
      }
    }

    private void window(StepRecord row, StepRecord s) {
      boolean none = dates == Dates.NONE;
      UnaryOperator<Instant> moved = names.moved();
      row.setOpensAt(none || s.getOpensAt() == null ? null : moved.apply(s.getOpensAt()));
      row.setDueAt(none || s.getDueAt() == null ? null : moved.apply(s.getDueAt()));
      row.setLateUntil(none || s.getLateUntil() == null ? null : moved.apply(s.getLateUntil()));
      row.setClosesAt(none || s.getClosesAt() == null ? null : moved.apply(s.getClosesAt()));
    }

    private Optional<Step.Tie> tie(StepRecord s, Step.Tie tie) {
      Optional<Outcome> outcome = Optional.ofNullable(names.outcomes.get(tie.outcome()));
      if (outcome.filter(o -> o.madeOf().isEmpty()).isEmpty()) {
        say("copied.tie", "step", quoted(s.getName()));
        return Optional.empty();
      }
      Optional<List<Double>> cuts = tie.cuts().filter(c -> c.size() <= outcome.get().scale().top());
      return Optional.of(new Step.Tie(outcome.get().id(), tie.weight(), cuts));
    }

    private void addBadges(List<BadgeRecord> badges) {
      int position = next(BADGE.POSITION, BADGE.COURSE_ID.eq(to), BADGE);
      for (BadgeRecord b : badges) {
        BadgeRecord row = b.copy();
        row.attach(db.configuration());
        row.setCourseId(to);
        row.setModuleId(Optional.ofNullable(b.getModuleId()).map(names.modules::get).orElse(null));
        row.setEarnedWhen(null);
        row.setPosition(position++);
        row.setVersion(1);
        row.insert();
        names.badges.put(b.getId(), row.getId());
        madeBadges.add(row.getId());
      }
    }

    // --- rules ----------------------------------------------------------------------------------

    private void rules(List<ModuleRecord> modules, List<BadgeRecord> badges) {
      for (ModuleRecord m : modules)
        db.update(MODULE)
            .set(
                MODULE.OPENS_WHEN,
                rule(m.getOpensWhen(), new RuleAt.ModuleOpens(m.getId()), m.getName()).orElse(null))
            .set(
                MODULE.DONE_WHEN,
                rule(m.getDoneWhen(), new RuleAt.ModuleDone(m.getId()), m.getName()).orElse(null))
            .where(MODULE.ID.eq(names.modules.get(m.getId())))
            .execute();
      for (StepRecord s : originals.values()) {
        StepId made = step(s.getId());
        db.update(STEP)
            .set(
                STEP.OPENS_WHEN,
                rule(s.getOpensWhen(), new RuleAt.StepOpens(s.getId()), s.getName()).orElse(null))
            .set(
                STEP.DONE_WHEN,
                rule(s.getDoneWhen(), new RuleAt.StepDone(s.getId()), s.getName())
                    .orElseGet(() -> usual(s, made)))
            .where(STEP.ID.eq(made))
            .execute();
      }
      for (BadgeRecord b : badges)
        db.update(BADGE)
            .set(
                BADGE.EARNED_WHEN,
                rule(b.getEarnedWhen(), new RuleAt.BadgeEarned(b.getId()), b.getName())
                    .orElse(null))
            .where(BADGE.ID.eq(names.badges.get(b.getId())))
            .execute();
    }

    private static Condition usual(StepRecord s, StepId made) {
      var node = new NodeId(UUID.randomUUID().toString().substring(0, 8));
      return new Condition.Ask(node, Kinds.of(s.getKind()).usualDoneWhen(made));
    }

    private Optional<Condition> rule(@Nullable Condition rule, RuleAt at, String name) {
      if (rule == null) return Optional.empty();
      CopiedRule copied = CopiedRule.of(rule, names);
      for (Leaf leaf : copied.left())
        say(
            "copied.condition",
            "name",
            quoted(name),
            "condition",
            wording.sentence(leaf, at).line());
      return copied.rule();
    }

    private static Phrase quoted(String name) {
      return Phrase.quoted(name);
    }

    private void say(String key, Object... with) {
      String said = institutions.say(Phrase.of(key, with));
      if (!left.contains(said)) left.add(said);
    }
  }

  /** No module: that of steps which are copied without theirs. */
  private static final ModuleId ALONE = new ModuleId(Long.MAX_VALUE);
}
