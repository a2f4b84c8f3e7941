package yendrik.server.design;

import static yendrik.schema.Tables.BADGE;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.MODULE;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.RUBRIC;
import static yendrik.schema.Tables.SCALE;
import static yendrik.schema.Tables.STEP;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.Table;
import org.jooq.UpdateSetMoreStep;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kind;
import yendrik.core.kind.Kinds;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.check.References;
import yendrik.core.rule.words.Dates;
import yendrik.core.rule.words.Wording;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.schema.tables.records.StepRecord;
import yendrik.server.design.DesignViews.BadgeView;
import yendrik.server.design.DesignViews.DesignView;
import yendrik.server.design.DesignViews.ModuleView;
import yendrik.server.design.DesignViews.OutcomeView;
import yendrik.server.design.DesignViews.StepView;
import yendrik.server.http.Problem;
import yendrik.server.http.SafeHtml;

/**
 * Changes to a draft, each in a transaction of its own. Whoever changes something says which
 * version they saw; if it is no longer that, nothing is written and they are shown what it is now.
 */
@Service
@Transactional
public class Drafting {
  private final DSLContext db;
  private final DraftStore drafts;
  private final Designs designs;
  private final Adoption adoption;
  private final Scales scales;
  private final StepAuthors rooms;
  private final Clock clock;

  Drafting(
      DSLContext db,
      DraftStore drafts,
      Designs designs,
      Adoption adoption,
      Scales scales,
      StepAuthors rooms,
      Clock clock) {
    this.db = db;
    this.drafts = drafts;
    this.designs = designs;
    this.adoption = adoption;
    this.scales = scales;
    this.rooms = rooms;
    this.clock = clock;
  }

  private Wording wording(CourseDesign design) {
    return new Wording(design, Dates.of(design, clock.instant()));
  }

  @Transactional(readOnly = true)
  DesignView view(CourseId id) {
    var course = db.selectFrom(COURSE).where(COURSE.ID.eq(id.value())).fetchSingle();
    Document draft = drafts.document(id);
    var wording = wording(draft.design());
    Map<Long, List<StepView>> steps =
        drafts.steps(id).stream()
            .map(s -> stepView(s, wording))
            .collect(Collectors.groupingBy(StepView::module));
    List<OutcomeRecord> outcomes = drafts.outcomes(id);
    Map<Long, DesignViews.Adopted> adopted = adoption.of(outcomes);
    boolean changed = !designs.changed(id, draft).isEmpty();
    return new DesignView(
        id.value(),
        course.getName(),
        course.getCohort(),
        course.getZone(),
        course.getStartsAt(),
        course.getWeeks(),
        course.getPublishedVersion(),
        changed,
        db.fetchCount(
            ENROLMENT, ENROLMENT.COURSE_ID.eq(id.value()).and(ENROLMENT.PRACTICE.isFalse())),
        adoption.scales(id),
        outcomes.stream().map(o -> DesignViews.outcome(o, adopted)).toList(),
        drafts.modules(id).stream()
            .map(m -> DesignViews.module(m, steps.getOrDefault(m.getId(), List.of()), wording))
            .toList(),
        drafts.badges(id).stream().map(b -> DesignViews.badge(b, wording)).toList(),
        draft.design().groups().entrySet().stream()
            .map(g -> new DesignViews.Named(g.getKey().value(), g.getValue()))
            .sorted(java.util.Comparator.comparing(DesignViews.Named::name))
            .toList(),
        Designs.words(draft.design(), References.check(draft.design())));
  }

  // --- outcomes ---------------------------------------------------------------------------------
  public OutcomeView addOutcome(CourseId course, DesignEdits.OutcomeEdit edit) {
    checkOutcome(course, edit, 0);
    long id =
        db.insertInto(OUTCOME)
            .set(OUTCOME.COURSE_ID, course.value())
            .set(OUTCOME.SCALE_ID, edit.scale())
            .set(OUTCOME.CODE, edit.code().strip())
            .set(OUTCOME.NAME, edit.name().strip())
            .set(OUTCOME.DESCRIPTION, edit.description())
            .set(OUTCOME.LEVEL_RULE, Json.of(edit.levelRule().rule()))
            .set(OUTCOME.MADE_OF, madeOf(edit))
            .set(OUTCOME.GROUP_PATH, group(edit))
            .set(OUTCOME.RETIRED, edit.retired().orElse(false))
            .set(
                OUTCOME.POSITION,
                next(OUTCOME, OUTCOME.POSITION, OUTCOME.COURSE_ID.eq(course.value())))
            .returning(OUTCOME.ID)
            .fetchSingle(OUTCOME.ID);
    return outcome(course, id);
  }

  public OutcomeView changeOutcome(
      CourseId course, long id, int version, DesignEdits.OutcomeEdit edit) {
    checkOutcome(course, edit, id);
    OutcomeRecord row = outcomeRow(course, id);
    checkWords(row, edit);
    scales.checkMove(course, row, edit.scale());
    int rows =
        db.update(OUTCOME)
            .set(OUTCOME.SCALE_ID, edit.scale())
            .set(OUTCOME.CODE, edit.code().strip())
            .set(OUTCOME.NAME, edit.name().strip())
            .set(OUTCOME.DESCRIPTION, edit.description())
            .set(OUTCOME.LEVEL_RULE, Json.of(edit.levelRule().rule()))
            .set(OUTCOME.MADE_OF, madeOf(edit))
            .set(OUTCOME.GROUP_PATH, group(edit))
            .set(OUTCOME.RETIRED, edit.retired().orElse(false))
            .set(OUTCOME.VERSION, version + 1)
            .set(OUTCOME.CHANGED_AT, clock.instant())
            .where(
                OUTCOME.ID.eq(id),
                OUTCOME.COURSE_ID.eq(course.value()),
                OUTCOME.VERSION.eq(version),
                OUTCOME.DELETED_AT.isNull())
            .execute();
    OutcomeView now = outcome(course, id);
    if (rows == 0) throw Problem.changed(now);
    return now;
  }

  private void checkOutcome(CourseId course, DesignEdits.OutcomeEdit edit, long self) {
    boolean scale =
        db.fetchExists(
            SCALE,
            SCALE
                .ID
                .eq(edit.scale())
                .and(SCALE.COURSE_ID.eq(course.value()))
                .and(SCALE.DELETED_AT.isNull()));
    if (!scale) throw Problem.field("scale", "Choose one of the course's scales.");
    boolean taken =
        db.fetchExists(
            OUTCOME,
            OUTCOME
                .COURSE_ID
                .eq(course.value())
                .and(OUTCOME.CODE.eq(edit.code().strip()))
                .and(OUTCOME.ID.ne(self))
                .and(OUTCOME.DELETED_AT.isNull()));
    if (taken)
      throw Problem.field("code", "Another outcome has the code " + edit.code() + " already.");
  }

  private static void checkWords(OutcomeRecord row, DesignEdits.OutcomeEdit edit) {
    boolean same =
        row.getCode().equals(edit.code().strip())
            && row.getName().equals(edit.name().strip())
            && row.getDescription().equals(edit.description());
    if (row.getAdoptedFrom() != null && !same)
      throw Problem.field(
          "name",
          "The words of "
              + row.getCode()
              + " belong to a framework. Make the outcome the course’s own to change them.");
  }

  private static @Nullable JSONB madeOf(DesignEdits.OutcomeEdit edit) {
    return edit.madeOf().map(m -> Json.of(m.composition())).orElse(null);
  }

  private static JSONB group(DesignEdits.OutcomeEdit edit) {
    return Json.of(edit.group().stream().flatMap(List::stream).map(String::strip).toList());
  }

  /** Puts the outcomes in another order; all of them must be named. */
  DesignView orderOutcomes(CourseId course, DesignEdits.OutcomeOrder edit) {
    List<Long> order = edit.outcomes();
    lock(course);
    List<Long> now = drafts.outcomes(course).stream().map(OutcomeRecord::getId).toList();
    boolean all = order.size() == now.size() && Set.copyOf(now).equals(Set.copyOf(order));
    if (!all || !edit.was().map(now::equals).orElse(true)) throw Problem.changed(view(course));
    for (int n = 0; n < order.size(); n++)
      db.update(OUTCOME).set(OUTCOME.POSITION, n).where(OUTCOME.ID.eq(order.get(n))).execute();
    return view(course);
  }

  /** Outcomes that are gone from choices. */
  @Transactional(readOnly = true)
  Set<OutcomeId> retired(CourseId course) {
    return drafts.outcomes(course).stream()
        .filter(OutcomeRecord::getRetired)
        .map(o -> new OutcomeId(o.getId()))
        .collect(Collectors.toSet());
  }

  private OutcomeView outcome(CourseId course, long id) {
    OutcomeRecord row = outcomeRow(course, id);
    return DesignViews.outcome(row, adoption.of(List.of(row)));
  }

  private OutcomeRecord outcomeRow(CourseId course, long id) {
    return db.selectFrom(OUTCOME)
        .where(OUTCOME.ID.eq(id), OUTCOME.COURSE_ID.eq(course.value()), OUTCOME.DELETED_AT.isNull())
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("outcome"));
  }

  // --- modules ----------------------------------------------------------------------------------
  public ModuleView addModule(CourseId course, DesignEdits.NewModule edit) {
    if (db.fetchExists(COURSE, COURSE.ID.eq(course.value()).and(COURSE.FRAMEWORK.isTrue())))
      throw Problem.conflict("A framework has outcomes and scales only. Modules are in courses.");
    long id =
        db.insertInto(MODULE)
            .set(MODULE.COURSE_ID, course.value())
            .set(MODULE.NAME, edit.name().strip())
            .set(
                MODULE.POSITION, next(MODULE, MODULE.POSITION, MODULE.COURSE_ID.eq(course.value())))
            .returning(MODULE.ID)
            .fetchSingle(MODULE.ID);
    return module(course, id);
  }

  public ModuleView changeModule(
      CourseId course, long id, int version, DesignEdits.ModuleEdit edit) {
    int rows =
        db.update(MODULE)
            .set(MODULE.NAME, edit.name().strip())
            .set(MODULE.PUBLISHED, edit.published())
            .set(MODULE.STRICT_ORDER, edit.strictOrder())
            .set(MODULE.OPENS_WHEN, rule("opensWhen", edit.opensWhen()))
            .set(MODULE.DONE_WHEN, rule("doneWhen", edit.doneWhen()))
            .set(MODULE.LISTED, edit.listed())
            .set(MODULE.STAYS_OPEN, edit.staysOpen())
            .set(MODULE.VERSION, version + 1)
            .where(
                MODULE.ID.eq(id),
                MODULE.COURSE_ID.eq(course.value()),
                MODULE.VERSION.eq(version),
                MODULE.DELETED_AT.isNull())
            .execute();
    ModuleView now = module(course, id);
    if (rows == 0) throw Problem.changed(now);
    return now;
  }

  private ModuleView module(CourseId course, long id) {
    return view(course).modules().stream()
        .filter(m -> m.id() == id)
        .findFirst()
        .orElseThrow(() -> Problem.notFound("module"));
  }

  // --- steps ------------------------------------------------------------------------------------
  public StepView addStep(CourseId course, DesignEdits.NewStep edit) {
    if (drafts.modules(course).stream().noneMatch(m -> m.getId() == edit.module()))
      throw Problem.notFound("module");
    Kind kind = Kinds.of(edit.kind());
    Step.Scoring usual = kind.usualScoring();
    long id =
        db.insertInto(STEP)
            .set(STEP.COURSE_ID, course.value())
            .set(STEP.MODULE_ID, edit.module())
            .set(STEP.KIND, CoreJson.name(edit.kind()))
            .set(STEP.NAME, edit.name().strip())
            .set(STEP.POSITION, place(edit))
            .set(STEP.DONE_WHEN, JSONB.valueOf("{}"))
            .set(STEP.CONTENT, Json.of(rooms.fresh(edit.kind())))
            .set(STEP.PASS_MARK, usual.passMark())
            .set(STEP.POINTS, usual.points())
            .set(STEP.ATTEMPTS, usual.attempts())
            .returning(STEP.ID)
            .fetchSingle(STEP.ID);
    db.update(STEP)
        .set(STEP.DONE_WHEN, Json.of(usualDone(kind, new StepId(id))))
        .where(STEP.ID.eq(id))
        .execute();
    return step(course, id);
  }

  /** Makes room after the step that is named; one that has gone meanwhile is no place. */
  private int place(DesignEdits.NewStep edit) {
    Condition inModule = STEP.MODULE_ID.eq(edit.module());
    Optional<Integer> after =
        edit.after()
            .flatMap(id ->
                db.select(STEP.POSITION)
                    .from(STEP)
                    .where(STEP.ID.eq(id), inModule, STEP.DELETED_AT.isNull())
                    .fetchOptional(STEP.POSITION));
    if (after.isEmpty()) return next(STEP, STEP.POSITION, inModule);
    db.update(STEP)
        .set(STEP.POSITION, STEP.POSITION.plus(1))
        .where(inModule, STEP.POSITION.gt(after.get()))
        .execute();
    return after.get() + 1;
  }

  private static yendrik.core.rule.Condition usualDone(Kind kind, StepId id) {
    var node = new NodeId(UUID.randomUUID().toString().substring(0, 8));
    return new yendrik.core.rule.Condition.Ask(node, kind.usualDoneWhen(id));
  }

  public StepView changeStep(CourseId course, long id, int version, DesignEdits.StepEdit edit) {
    StepRecord row = stepRow(course, id);
    checkStep(edit);
    checkEvidence(course, edit);
    StepKind kind = DraftStore.kind(row);
    Content content =
        rooms.checked(kind, place(course, edit), SafeHtml.of(edit.body()), edit.part());
    checkGroups(course, edit);
    var audience =
        new Step.Audience(
            edit.groups().stream().map(GroupId::new).collect(Collectors.toSet()), Set.of());
    List<Step.Tie> ties =
        edit.evidenceFor().stream()
            .map(t -> new Step.Tie(new OutcomeId(t.outcome()), t.weight(), t.cuts()))
            .toList();
    int rows =
        db.update(STEP)
            .set(STEP.NAME, edit.name().strip())
            .set(STEP.REQUIRED, edit.required())
            .set(STEP.PUBLISHED, edit.published())
            .set(STEP.OPENS_WHEN, rule("opensWhen", edit.opensWhen()))
            .set(STEP.DONE_WHEN, rule("doneWhen", Optional.of(edit.doneWhen())))
            .set(STEP.LISTED, edit.listed())
            .set(STEP.STAYS_OPEN, edit.staysOpen())
            .set(STEP.OPENS_AT, edit.opensAt().orElse(null))
            .set(STEP.DUE_AT, edit.dueAt().orElse(null))
            .set(STEP.CLOSES_AT, edit.closesAt().orElse(null))
            .set(STEP.MINUTES, edit.minutes())
            .set(STEP.POINTS, rooms.points(kind, content, edit.points()))
            .set(STEP.PASS_MARK, edit.passMark())
            .set(STEP.ATTEMPTS, edit.attempts())
            .set(STEP.CONTENT, Json.of(content))
            .set(STEP.TIES, Json.of(ties))
            .set(STEP.AUDIENCE, Json.of(audience))
            .set(STEP.VERSION, version + 1)
            .where(
                STEP.ID.eq(id),
                STEP.COURSE_ID.eq(course.value()),
                STEP.VERSION.eq(version),
                STEP.DELETED_AT.isNull())
            .execute();
    StepView now = step(course, id);
    if (rows == 0) throw Problem.changed(now);
    return now;
  }

  private void checkGroups(CourseId course, DesignEdits.StepEdit edit) {
    Set<GroupId> known = drafts.groups(course).keySet();
    for (long group : edit.groups())
      if (group <= 0 || !known.contains(new GroupId(group)))
        throw Problem.field("groups", "There is no such group in this course.");
  }

  private StepAuthor.Place place(CourseId course, DesignEdits.StepEdit edit) {
    return new StepAuthor.Place(
        course,
        edit.evidenceFor().stream().map(DesignEdits.TieEdit::outcome).collect(Collectors.toSet()),
        drafts.rubrics(course).stream().map(r -> r.getId()).collect(Collectors.toSet()));
  }

  /** Cut points fit the scale. */
  private void checkEvidence(CourseId course, DesignEdits.StepEdit edit) {
    if (edit.evidenceFor().stream().allMatch(t -> t.cuts().isEmpty())) return;
    CourseDesign design = drafts.document(course).design();
    for (DesignEdits.TieEdit tie : edit.evidenceFor())
      tie.cuts().ifPresent(cuts -> checkCuts(design, tie.outcome(), cuts));
  }

  private static void checkCuts(CourseDesign design, long outcome, List<Double> cuts) {
    var tied = design.outcome(new OutcomeId(outcome));
    if (tied.isEmpty()) return;
    int most = tied.get().scale().top();
    if (cuts.isEmpty() || cuts.size() > most)
      throw Problem.field(
          "evidenceFor",
          tied.get().code()
              + " takes 1 to "
              + most
              + " cut points, one for each level above the lowest.");
    double least = 0;
    for (double cut : cuts) {
      if (!(cut >= least && cut <= 1))
        throw Problem.field(
            "evidenceFor",
            "The cut points of " + tied.get().code() + " must rise from 0 to 100 %.");
      least = cut;
    }
  }

  private static void checkStep(DesignEdits.StepEdit edit) {
    var opens = edit.opensAt();
    var closes = edit.closesAt();
    if (opens.isPresent() && closes.isPresent() && !opens.get().isBefore(closes.get()))
      throw Problem.field("closesAt", "It must close after it opens.");
    if (edit.dueAt().isPresent() && opens.isPresent() && edit.dueAt().get().isBefore(opens.get()))
      throw Problem.field("dueAt", "It cannot be due before it opens.");
    for (DesignEdits.TieEdit tie : edit.evidenceFor())
      if (!(tie.weight() > 0)) throw Problem.field("evidenceFor", "A weight must be above 0.");
  }

  private StepRecord stepRow(CourseId course, long id) {
    return db.selectFrom(STEP)
        .where(
            STEP.ID.eq(id),
            STEP.COURSE_ID.eq(course.value()),
            STEP.DELETED_AT.isNull(),
            DraftStore.IN_A_MODULE)
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("step"));
  }

  private StepView step(CourseId course, long id) {
    return stepView(stepRow(course, id), wording(drafts.document(course).design()));
  }

  private StepView stepView(StepRecord row, Wording wording) {
    Content content = drafts.content(row);
    return DesignViews.step(
        row, content.body(), rooms.part(DraftStore.kind(row), content), wording);
  }

  // --- badges -----------------------------------------------------------------------------------
  public BadgeView addBadge(CourseId course, DesignEdits.BadgeEdit edit) {
    checkModule(course, edit);
    long id =
        db.insertInto(BADGE)
            .set(BADGE.COURSE_ID, course.value())
            .set(BADGE.NAME, edit.name().strip())
            .set(BADGE.DESCRIPTION, edit.description())
            .set(BADGE.MODULE_ID, edit.module().orElse(null))
            .set(BADGE.PICTURE, Json.of(picture(edit)))
            .set(BADGE.EARNED_WHEN, rule("earnedWhen", edit.earnedWhen()))
            .set(BADGE.SURPRISE, edit.surprise())
            .set(BADGE.POSITION, next(BADGE, BADGE.POSITION, BADGE.COURSE_ID.eq(course.value())))
            .returning(BADGE.ID)
            .fetchSingle(BADGE.ID);
    return badge(course, id);
  }

  private void checkModule(CourseId course, DesignEdits.BadgeEdit edit) {
    boolean known =
        edit.module()
            .map(id -> drafts.modules(course).stream().anyMatch(m -> m.getId().equals(id)))
            .orElse(true);
    if (!known) throw Problem.field("module", "There is no such module in this course.");
  }

  BadgeView changeBadge(CourseId course, long id, int version, DesignEdits.BadgeEdit edit) {
    checkModule(course, edit);
    int rows =
        db.update(BADGE)
            .set(BADGE.NAME, edit.name().strip())
            .set(BADGE.DESCRIPTION, edit.description())
            .set(BADGE.MODULE_ID, edit.module().orElse(null))
            .set(BADGE.PICTURE, Json.of(picture(edit)))
            .set(BADGE.EARNED_WHEN, rule("earnedWhen", edit.earnedWhen()))
            .set(BADGE.SURPRISE, edit.surprise())
            .set(BADGE.VERSION, version + 1)
            .where(
                BADGE.ID.eq(id),
                BADGE.COURSE_ID.eq(course.value()),
                BADGE.VERSION.eq(version),
                BADGE.DELETED_AT.isNull())
            .execute();
    BadgeView now = badge(course, id);
    if (rows == 0) throw Problem.changed(now);
    return now;
  }

  private static BadgePicture picture(DesignEdits.BadgeEdit edit) {
    var p = edit.picture();
    return new BadgePicture(p.shape(), p.sign(), p.colour());
  }

  private BadgeView badge(CourseId course, long id) {
    return view(course).badges().stream()
        .filter(b -> b.id() == id)
        .findFirst()
        .orElseThrow(() -> Problem.notFound("badge"));
  }

  // --- order, taking away, bringing back --------------------------------------------------------
  DesignView order(CourseId course, DesignEdits.OrderEdit order) {
    lock(course);
    List<DesignEdits.ModuleOrder> now = orderNow(course);
    List<Long> modules = now.stream().map(DesignEdits.ModuleOrder::id).toList();
    List<Long> steps = now.stream().flatMap(m -> m.steps().stream()).toList();
    List<Long> sent = order.modules().stream().map(DesignEdits.ModuleOrder::id).toList();
    List<Long> sentSteps = order.modules().stream().flatMap(m -> m.steps().stream()).toList();
    boolean all = sorted(sent).equals(sorted(modules)) && sorted(sentSteps).equals(sorted(steps));
    if (!all || !order.was().map(now::equals).orElse(true)) throw Problem.changed(view(course));
    for (int m = 0; m < order.modules().size(); m++) {
      var module = order.modules().get(m);
      db.update(MODULE).set(MODULE.POSITION, m).where(MODULE.ID.eq(module.id())).execute();
      for (int s = 0; s < module.steps().size(); s++)
        db.update(STEP)
            .set(STEP.POSITION, s)
            .set(STEP.MODULE_ID, module.id())
            .where(STEP.ID.eq(module.steps().get(s)))
            .execute();
    }
    return view(course);
  }

  private static List<Long> sorted(List<Long> ids) {
    return ids.stream().sorted().toList();
  }

  private List<DesignEdits.ModuleOrder> orderNow(CourseId course) {
    Map<Long, List<Long>> steps = new HashMap<>();
    for (StepRecord step : drafts.steps(course))
      steps.computeIfAbsent(step.getModuleId(), _ -> new ArrayList<>()).add(step.getId());
    return drafts.modules(course).stream()
        .map(m -> new DesignEdits.ModuleOrder(m.getId(), steps.getOrDefault(m.getId(), List.of())))
        .toList();
  }

  /** Whoever puts things in order is alone with it. */
  private void lock(CourseId course) {
    db.select(COURSE.ID).from(COURSE).where(COURSE.ID.eq(course.value())).forUpdate().fetch();
  }

  /** Kinds of things that can be taken away and brought back. */
  public enum Part {
    outcomes,
    modules,
    steps,
    badges,
    rubrics
  }

  /**
   * Takes something away.
   *
   * @param version as it must stand for that, so that what others have added to it is not lost
   */
  void remove(CourseId course, Part part, long id, Optional<Integer> version) {
    version.ifPresent(seen -> checkUntouched(course, part, id, seen));
    mark(course, part, id, /* gone= */ true);
  }

  private void checkUntouched(CourseId course, Part part, long id, int seen) {
    lock(course);
    Optional<Integer> now =
        switch (part) {
          case outcomes -> version(OUTCOME, OUTCOME.ID.eq(id), OUTCOME.VERSION);
          case modules -> version(MODULE, MODULE.ID.eq(id), MODULE.VERSION);
          case steps -> version(STEP, STEP.ID.eq(id), STEP.VERSION);
          case badges -> version(BADGE, BADGE.ID.eq(id), BADGE.VERSION);
          case rubrics -> version(RUBRIC, RUBRIC.ID.eq(id), RUBRIC.VERSION);
        };
    boolean holds =
        part == Part.modules && drafts.steps(course).stream().anyMatch(s -> s.getModuleId() == id);
    if (now.filter(v -> v != seen).isPresent() || holds)
      throw Problem.conflict(
          "Somebody has worked on it since. It stays; take it away yourself if it shall go.");
  }

  private Optional<Integer> version(Table<?> table, Condition which, Field<Integer> version) {
    return db.select(version).from(table).where(which).fetchOptional(version);
  }

  void restore(CourseId course, Part part, long id) {
    mark(course, part, id, /* gone= */ false);
  }

  private void mark(CourseId course, Part part, long id, boolean gone) {
    if (part == Part.steps && !gone)
      db.select(MODULE.NAME)
          .from(STEP)
          .join(MODULE)
          .on(MODULE.ID.eq(STEP.MODULE_ID))
          .where(STEP.ID.eq(id), STEP.COURSE_ID.eq(course.value()), MODULE.DELETED_AT.isNotNull())
          .fetchOptional(MODULE.NAME)
          .ifPresent(name -> {
            throw Problem.conflict(
                "Its module “" + name + "” was taken away. Bring that back first.");
          });
    java.time.@Nullable Instant at = gone ? clock.instant() : null;
    UpdateSetMoreStep<?> update =
        switch (part) {
          case outcomes -> db.update(OUTCOME).set(OUTCOME.DELETED_AT, at);
          case modules -> db.update(MODULE).set(MODULE.DELETED_AT, at);
          case steps -> db.update(STEP).set(STEP.DELETED_AT, at);
          case badges -> db.update(BADGE).set(BADGE.DELETED_AT, at);
          case rubrics -> db.update(RUBRIC).set(RUBRIC.DELETED_AT, at);
        };
    Condition which =
        switch (part) {
          case outcomes -> OUTCOME.ID.eq(id).and(OUTCOME.COURSE_ID.eq(course.value()));
          case modules -> MODULE.ID.eq(id).and(MODULE.COURSE_ID.eq(course.value()));
          case steps -> STEP.ID.eq(id).and(STEP.COURSE_ID.eq(course.value()));
          case badges -> BADGE.ID.eq(id).and(BADGE.COURSE_ID.eq(course.value()));
          case rubrics -> RUBRIC.ID.eq(id).and(RUBRIC.COURSE_ID.eq(course.value()));
        };
    if (update.where(which).execute() == 0) throw Problem.notFound("part of this course");
  }

  private int next(Table<?> table, Field<Integer> position, Condition within) {
    return db.select(DSL.coalesce(DSL.max(position), -1).plus(1))
        .from(table)
        .where(within)
        .fetchSingle()
        .value1();
  }

  private static @Nullable JSONB rule(String field, Optional<Map<String, Object>> sent) {
    return sent.map(s -> Json.of(Json.condition(field, s))).orElse(null);
  }
}
