package yendrik.server.design.copying;

import static yendrik.schema.Tables.BADGE;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.FLAG;
import static yendrik.schema.Tables.MODULE;
import static yendrik.schema.Tables.SESSION;
import static yendrik.schema.Tables.STEP;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.Table;
import org.jooq.TableField;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import yendrik.core.Years;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Flag;
import yendrik.core.course.Prerequisites;
import yendrik.core.course.Step;
import yendrik.core.course.Validity;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.QuestionId;
import yendrik.core.id.RubricId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kinds;
import yendrik.core.outcome.Outcome;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.copy.CopiedRule;
import yendrik.core.rule.copy.NewNames;
import yendrik.core.rule.words.Wording;
import yendrik.core.words.Phrase;
import yendrik.schema.tables.records.BadgeRecord;
import yendrik.schema.tables.records.ModuleRecord;
import yendrik.schema.tables.records.StepRecord;
import yendrik.server.design.BadgeFace;
import yendrik.server.design.Carrying;
import yendrik.server.design.Content;
import yendrik.server.design.Json;
import yendrik.server.design.StepDrafts;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;

/** One copy while it is made: the steps, what they need there, and rules that ask about it. */
final class OneCopy implements Carrying {
  /** No module: that of steps which are copied without theirs. */
  private static final ModuleId ALONE = new ModuleId(Long.MAX_VALUE);

  private final DSLContext db;
  private final Copying.With with;
  private final CourseId from;
  private final CourseId to;
  private final Copying.Selection what;
  private final Copying.Dates dates;
  private final CourseDesign source;
  private final CourseDesign target;
  private final Wording wording;
  private final NewNames names;
  private final CopiedOutcomes outcomes;
  private final CopiedRubrics rubrics;
  private final List<ModuleRecord> modules;
  private final Map<ModuleId, List<StepRecord>> steps;
  private final List<BadgeRecord> badges;
  private final Map<Long, Optional<Long>> fileIds = new HashMap<>();
  private final Map<QuestionId, Optional<QuestionId>> questionIds = new HashMap<>();
  private final List<String> left = new ArrayList<>();
  private final List<ModuleId> madeModules = new ArrayList<>();
  private final Map<StepId, StepRecord> originals = new LinkedHashMap<>();
  private final List<BadgeId> madeBadges = new ArrayList<>();

  OneCopy(
      Copying.With with, CourseId from, CourseId to, Copying.Selection what, Copying.Dates dates) {
    this.with = with;
    db = with.db();
    this.from = from;
    this.to = to;
    this.what = what;
    this.dates = dates;
    source = with.designs().draft(from).design();
    target = with.designs().draft(to).design();
    wording =
        new Wording(source, with.institutions().writing(source.zone(), with.clock().instant()));
    names = new NewNames(from, to, at -> Years.later(at, days(), target.zone()));
    modules = chosenModules();
    steps = chosenSteps();
    badges = chosenBadges();
    steps.values().stream().flatMap(List::stream).forEach(s -> originals.put(s.getId(), s));
    outcomes = new CopiedOutcomes(db, with.clock(), from, to);
    Set<RubricId> used = new HashSet<>();
    originals.values().forEach(s -> used.addAll(content(s).rubrics()));
    rubrics = new CopiedRubrics(db, from, to, Optional.of(used).filter(_ -> !what.everything()));
  }

  /** By how many days dates move. */
  private long days() {
    if (dates != Copying.Dates.WITH_COURSE) return 0;
    return ChronoUnit.DAYS.between(day(source), day(target));
  }

  private static LocalDate day(CourseDesign design) {
    return design.startsAt().atZone(design.zone()).toLocalDate();
  }

  Copying.Report make() {
    outcomes.bring(neededOutcomes());
    outcomes.said().forEach(this::say);
    CourseDesign now = with.designs().draft(to).design();
    outcomes.ids().forEach((their, id) -> now.outcome(id).ifPresent(o -> names.put(their, o)));
    rubrics.bring(names::outcome);
    if (what.everything()) with.questions().all(from).forEach(this::question);
    addModules();
    addBadges();
    rules();
    whatStays();
    return new Copying.Report(
        List.copyOf(madeModules),
        originals.keySet().stream().map(this::step).toList(),
        List.copyOf(madeBadges),
        outcomes.came(),
        rubrics.came(),
        (int) fileIds.values().stream().filter(Optional::isPresent).count(),
        List.copyOf(left));
  }

  private Set<OutcomeId> neededOutcomes() {
    Set<OutcomeId> needed = new HashSet<>(rubrics.outcomes());
    if (what.everything()) source.outcomes().forEach(o -> needed.add(o.id()));
    for (StepRecord s : originals.values()) {
      s.getTies().forEach(t -> needed.add(t.outcome()));
      asked(s.getOpensWhen(), needed);
      asked(s.getDoneWhen(), needed);
    }
    for (ModuleRecord m : modules) {
      asked(m.getOpensWhen(), needed);
      asked(m.getDoneWhen(), needed);
    }
    for (BadgeRecord b : badges) {
      asked(b.getEarnedWhen(), needed);
      b.getValidity()
          .renewal()
          .flatMap(Validity.Renewal::when)
          .ifPresent(rule -> asked(rule, needed));
      needed.addAll(Json.read(b.getFace(), BadgeFace.class).outcomes());
    }
    return needed;
  }

  private static void asked(@Nullable Condition rule, Set<OutcomeId> needed) {
    if (rule == null) return;
    rule.nodes()
        .forEach(n -> {
          if (n instanceof Condition.Ask(var _, Leaf.OfOutcome o)) needed.add(o.outcome());
        });
  }

  /** What belongs to the people of a course, and to its days. */
  private void whatStays() {
    if (!what.everything()) return;
    int sessions = db.fetchCount(SESSION, SESSION.COURSE_ID.eq(from), SESSION.DELETED_AT.isNull());
    if (sessions > 0) say(Phrase.of("copied.sessions", "n", sessions));
    if (!source.groups().isEmpty()) say(Phrase.of("copied.groups", "n", source.groups().size()));
  }

  private StepId step(StepId original) {
    return names.step(original).orElseThrow();
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
  private Map<ModuleId, List<StepRecord>> chosenSteps() {
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

  private List<BadgeRecord> chosenBadges() {
    Set<ModuleId> whole = new HashSet<>(modules.stream().map(ModuleRecord::getId).toList());
    List<BadgeRecord> all =
        db.selectFrom(BADGE)
            .where(BADGE.COURSE_ID.eq(from), BADGE.DELETED_AT.isNull())
            .orderBy(BADGE.POSITION, BADGE.ID)
            .fetch();
    if (!all.stream().map(BadgeRecord::getId).toList().containsAll(what.badges()))
      throw Problem.field("badges", "no-such-badge");
    return all.stream()
        .filter(b ->
            what.everything()
                || what.badges().contains(b.getId())
                || b.getModuleId() != null && whole.contains(b.getModuleId()))
        .toList();
  }

  // --- files --------------------------------------------------------------------------------

  @Override
  public Optional<Long> file(long file) {
    return fileIds.computeIfAbsent(file, f -> with.files().copy(from, f, to).map(Files.Kept::id));
  }

  @Override
  public Optional<RubricId> rubric(RubricId rubric) {
    return rubrics.of(rubric);
  }

  @Override
  public Optional<OutcomeId> outcome(OutcomeId outcome) {
    return Optional.ofNullable(outcomes.ids().get(outcome));
  }

  @Override
  public Optional<QuestionId> question(QuestionId question) {
    return questionIds.computeIfAbsent(question, q -> with.questions().copy(from, q, to, this));
  }

  private Content content(StepRecord s) {
    Content kept = with.rooms().read(s.getKind(), s.getContent());
    return with.rooms().whole(from, s.getId(), s.getKind(), kept);
  }

  // --- modules, steps and badges --------------------------------------------------------------

  private void addModules() {
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
      names.put(m.getId(), row.getId());
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
      row.setContent(Json.of(with.rooms().carried(s.getKind(), content(s), this)));
      row.setTies(s.getTies().stream().flatMap(t -> tie(s, t).stream()).toList());
      if (!s.getAudience().everyone())
        say(Phrase.of("copied.audience", "step", quoted(s.getName())));
      row.setAudience(Step.Audience.EVERYONE);
      if (!s.getAllowances().isEmpty())
        say(Phrase.of("copied.allowances", "step", quoted(s.getName())));
      row.setAllowances(List.of());
      Step.Window window = StepDrafts.window(s);
      StepDrafts.dates(
          row,
          dates == Copying.Dates.NONE ? Step.Window.ALWAYS : window.later(days(), target.zone()));
      row.setVersion(1);
      row.insert();
      names.put(s.getId(), row.getId());
    }
  }

  private Optional<Step.Tie> tie(StepRecord s, Step.Tie tie) {
    Optional<Outcome> outcome = names.outcome(tie.outcome());
    if (outcome.filter(o -> o.madeOf().isEmpty()).isEmpty()) {
      say(Phrase.of("copied.tie", "step", quoted(s.getName())));
      return Optional.empty();
    }
    Optional<List<Double>> cuts = tie.cuts().filter(c -> c.size() <= outcome.get().scale().top());
    return Optional.of(new Step.Tie(outcome.get().id(), tie.weight(), cuts));
  }

  private void addBadges() {
    int position = next(BADGE.POSITION, BADGE.COURSE_ID.eq(to), BADGE);
    for (BadgeRecord b : badges) {
      BadgeRecord row = b.copy();
      row.attach(db.configuration());
      row.setCourseId(to);
      row.setModuleId(Optional.ofNullable(b.getModuleId()).flatMap(names::module).orElse(null));
      row.setEarnedWhen(null);
      row.setFace(Json.of(face(b)));
      row.setValidity(Validity.FOREVER);
      row.setPosition(position++);
      row.setVersion(1);
      row.insert();
      names.put(b.getId(), row.getId());
      madeBadges.add(row.getId());
    }
  }

  /** What a badge stands for comes along with it. */
  private BadgeFace face(BadgeRecord b) {
    BadgeFace face = Json.read(b.getFace(), BadgeFace.class);
    return new BadgeFace(
        face.picture(),
        face.outcomes().stream().flatMap(o -> names.outcome(o).stream()).map(Outcome::id).toList(),
        face.tags(),
        face.criteria(),
        face.sheet());
  }

  private Validity validity(BadgeRecord b) {
    Validity validity = b.getValidity();
    boolean allCame =
        validity.renewal().map(Validity.Renewal::anew).orElse(List.of()).stream()
            .allMatch(s -> names.step(s).isPresent());
    if (!allCame) say(Phrase.of("copied.anew", "badge", quoted(b.getName())));
    return new Validity(
        validity.lasting(),
        validity.soonDays(),
        validity
            .renewal()
            .map(r ->
                new Validity.Renewal(
                    r.anew().stream().flatMap(s -> names.step(s).stream()).toList(),
                    r.when()
                        .flatMap(
                            when -> rule(when, new RuleAt.BadgeRenewed(b.getId()), b.getName())))));
  }

  // --- rules ----------------------------------------------------------------------------------

  private void rules() {
    for (ModuleRecord m : modules)
      db.update(MODULE)
          .set(
              MODULE.OPENS_WHEN,
              rule(m.getOpensWhen(), new RuleAt.ModuleOpens(m.getId()), m.getName()).orElse(null))
          .set(
              MODULE.DONE_WHEN,
              rule(m.getDoneWhen(), new RuleAt.ModuleDone(m.getId()), m.getName()).orElse(null))
          .where(MODULE.ID.eq(names.module(m.getId()).orElseThrow()))
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
              rule(b.getEarnedWhen(), new RuleAt.BadgeEarned(b.getId()), b.getName()).orElse(null))
          .set(BADGE.VALIDITY, validity(b))
          .where(BADGE.ID.eq(names.badge(b.getId()).orElseThrow()))
          .execute();
    if (what.everything()) rulesOfTheCourse();
  }

  private Prerequisites prerequisites() {
    return db.select(COURSE.PREREQUISITES)
        .from(COURSE)
        .where(COURSE.ID.eq(from))
        .fetchSingle()
        .value1();
  }

  /** A course that is made from another completes like it, and has its flags. */
  private void rulesOfTheCourse() {
    db.update(COURSE)
        .set(
            COURSE.COMPLETE_WHEN,
            rule(source.completeWhen().orElse(null), new RuleAt.CourseComplete(), source.name())
                .orElse(null))
        .set(COURSE.PREREQUISITES, prerequisites())
        .set(COURSE.STRICT_ORDER, source.order() == CourseDesign.Order.STRICT)
        .where(COURSE.ID.eq(to))
        .execute();
    with.usuals().copy(from, to, (rule, at) -> rule(rule, at, source.name()));
    db.deleteFrom(FLAG).where(FLAG.COURSE_ID.eq(to)).execute();
    int position = 0;
    for (Flag flag : source.flags()) {
      Optional<Condition> rule =
          rule(flag.flagWhen(), new RuleAt.FlagRaised(flag.id()), flag.name());
      if (rule.isEmpty()) continue;
      db.insertInto(FLAG)
          .set(FLAG.COURSE_ID, to)
          .set(FLAG.NAME, flag.name())
          .set(FLAG.FLAG_WHEN, rule.get())
          .set(FLAG.POSITION, position++)
          .execute();
    }
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
          Phrase.of(
              "copied.condition",
              "name",
              quoted(name),
              "condition",
              wording.sentence(leaf, at).line()));
    return copied.rule();
  }

  private static Phrase quoted(String name) {
    return Phrase.quoted(name);
  }

  private void say(Phrase what) {
    String said = with.institutions().say(what);
    if (!left.contains(said)) left.add(said);
  }
}
