package yendrik.server.design;

import static yendrik.schema.Tables.STEP;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Again;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kind;
import yendrik.core.kind.Kinds;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.copy.Usual;
import yendrik.core.rule.words.Wording;
import yendrik.core.words.Moment;
import yendrik.core.words.OwnWords;
import yendrik.schema.tables.records.StepRecord;
import yendrik.server.design.DesignViews.StepView;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.Problem;
import yendrik.server.http.SafeHtml;
import yendrik.server.institution.Institutions;

/** Changes to the steps of a draft. */
@Service
@Transactional
public class StepDrafts {
  /** A rule stands in the row from the first; the usual one of its kind names the step's id. */
  private static final yendrik.core.rule.Condition NOT_YET =
      new yendrik.core.rule.Condition.None(new NodeId("none"), List.of());

  private final DSLContext db;
  private final DraftStore drafts;
  private final DraftTables tables;
  private final FieldChanges changes;
  private final StepAuthors rooms;
  private final Clock clock;
  private final Institutions institutions;
  private final Usuals usuals;

  StepDrafts(
      DSLContext db,
      DraftStore drafts,
      DraftTables tables,
      FieldChanges changes,
      StepAuthors rooms,
      Usuals usuals,
      Institutions institutions,
      Clock clock) {
    this.usuals = usuals;
    this.changes = changes;
    this.institutions = institutions;
    this.db = db;
    this.drafts = drafts;
    this.tables = tables;
    this.rooms = rooms;
    this.clock = clock;
  }

  public StepView add(CourseId course, DesignEdits.NewStep edit) {
    tables.modules.one(course, edit.module());
    Kind kind = Kinds.of(edit.kind());
    Step.Scoring usual = kind.usualScoring();
    StepRecord row = tables.steps.fresh();
    row.setModuleId(edit.module());
    row.setKind(edit.kind());
    row.setName(edit.name().strip());
    row.setPosition(place(edit));
    row.setDoneWhen(NOT_YET);
    row.setContent(Json.of(rooms.fresh(edit.kind())));
    row.setPassMark(usual.passMark());
    row.setPoints(usual.points());
    row.setAttempts(usual.attempts());
    row.setCounts(usual.counts());
    if (kind.closes()) {
      row.setRequired(false);
      row.setListed(false);
    }
    StepId id = tables.steps.add(course, row);
    Usual rules = usuals.of(course, edit.kind()).about(edit.kind(), id);
    db.update(STEP)
        .set(STEP.OPENS_WHEN, rules.opensWhen().orElse(null))
        .set(STEP.DONE_WHEN, rules.doneWhen())
        .where(STEP.ID.eq(id))
        .execute();
    return view(course, id);
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
    if (after.isEmpty()) return tables.steps.next(STEP.POSITION, inModule);
    makeRoom(edit.module(), after.get(), 1);
    return after.get() + 1;
  }

  private void makeRoom(ModuleId module, int after, int steps) {
    db.update(STEP)
        .set(STEP.POSITION, STEP.POSITION.plus(steps))
        .where(STEP.MODULE_ID.eq(module), STEP.POSITION.gt(after))
        .execute();
  }

  /** What one of the same steps is called, and when. */
  @Schema(name = "StepCopy")
  record Copy(
      String name,
      Optional<Instant> opensAt,
      Optional<Instant> dueAt,
      Optional<Instant> lateUntil,
      Optional<Instant> closesAt) {
    Step.Window window() {
      return new Step.Window(opensAt, dueAt, lateUntil, closesAt);
    }
  }

  /** What the same step would be again. */
  List<Copy> copies(CourseId course, StepId id, DesignEdits.SameAgain edit) {
    StepRecord first = row(course, id);
    List<Step.Window> windows =
        edit.again()
            .after(DraftStore.step(first).window(), drafts.document(course).design().zone());
    List<Copy> all = new ArrayList<>();
    for (Step.Window w : windows)
      all.add(
          new Copy(
              Again.name(first.getName(), all.size() + 1), w.from(), w.due(), w.late(), w.until()));
    return all;
  }

  /** Makes the same step again: all that it is, with other dates, one after the other behind it. */
  List<StepView> copy(CourseId course, StepId id, DesignEdits.SameAgain edit) {
    StepRecord first = tables.steps.locked(course, id);
    List<Copy> copies = copies(course, id, edit);
    ZoneId zone = drafts.document(course).design().zone();
    makeRoom(first.getModuleId(), first.getPosition(), copies.size());
    List<StepId> made = new ArrayList<>();
    for (Copy copy : copies) {
      StepRecord row = first.copy();
      row.setName(copy.name());
      moved(row, first, copy.window(), zone);
      row.setPosition(first.getPosition() + 1 + made.size());
      row.setVersion(1);
      StepId step = tables.steps.add(course, row);
      // What it asks about itself, it asks about itself.
      db.update(STEP)
          .set(STEP.DONE_WHEN, first.getDoneWhen().about(id, step))
          .where(STEP.ID.eq(step))
          .execute();
      made.add(step);
    }
    return made.stream().map(step -> view(course, step)).toList();
  }

  /** Changes some fields; a 409 carries what it is now. */
  StepView change(CourseId course, StepId id, FieldsEdit fields) {
    write(course, id, fields);
    return view(course, id);
  }

  /** The same, and nothing is shown. */
  void write(CourseId course, StepId id, FieldsEdit fields) {
    StepRecord row = tables.steps.locked(course, id);
    var edit = changes.apply(edit(row), fields, () -> view(course, id));
    write(course, id, row.getVersion(), edit);
  }

  private DesignEdits.StepEdit edit(StepRecord row) {
    Step s = DraftStore.step(row);
    Content content = rooms.read(s.kind(), row.getContent());
    return new DesignEdits.StepEdit(
        s.name(),
        s.required(),
        s.published(),
        Optional.ofNullable(row.getOpensWhen()).map(Json::map),
        Json.map(s.doneWhen()),
        s.gate().listed(),
        s.gate().missing().told(),
        s.gate().staysOpen(),
        s.window().from(),
        s.window().due(),
        s.window().late(),
        s.window().until(),
        row.getMinutes(),
        s.scoring().points(),
        s.scoring().passMark(),
        s.scoring().attempts(),
        s.scoring().counts(),
        content.body(),
        rooms.edit(s.kind(), content),
        s.evidenceFor().stream()
            .map(t -> new DesignEdits.TieEdit(t.outcome(), t.weight(), t.cuts()))
            .toList(),
        s.audience().groups().stream().sorted().toList(),
        DesignViews.sorted(s.audience().people()),
        s.allowances().stream().map(DesignEdits.AllowanceEdit::of).toList(),
        row.getOwnWords().texts());
  }

  public StepView change(CourseId course, StepId id, int version, DesignEdits.StepEdit edit) {
    write(course, id, version, edit);
    return view(course, id);
  }

  private void write(CourseId course, StepId id, int version, DesignEdits.StepEdit edit) {
    StepRecord before = row(course, id);
    checkStep(edit);
    checkEvidence(course, edit);
    StepKind kind = before.getKind();
    Content content =
        rooms.checked(kind, place(course, edit), SafeHtml.of(edit.body()), edit.part());
    checkAudience(course, edit);
    boolean done = tables.steps.change(course, id, version, columns(edit, kind, content));
    if (!done) throw Problem.changed(view(course, id));
  }

  private StepRecord columns(DesignEdits.StepEdit edit, StepKind kind, Content content) {
    StepRecord row = tables.steps.fresh();
    row.setName(edit.name().strip());
    row.setRequired(edit.required());
    row.setPublished(edit.published());
    row.setOpensWhen(Json.column("opensWhen", edit.opensWhen()));
    row.setDoneWhen(Json.column("doneWhen", Optional.of(edit.doneWhen())));
    row.setListed(edit.listed());
    row.setTells(edit.tells());
    row.setStaysOpen(edit.staysOpen());
    dates(row, window(edit));
    row.setMinutes(edit.minutes());
    row.setPoints(rooms.points(kind, content, edit.points()));
    row.setPassMark(edit.passMark());
    row.setAttempts(edit.attempts());
    row.setCounts(edit.counts());
    row.setOwnWords(words(edit));
    row.setContent(Json.of(content));
    row.setTies(
        edit.evidenceFor().stream()
            .map(t -> new Step.Tie(t.outcome(), t.weight(), t.cuts()))
            .toList());
    row.setAudience(new Step.Audience(Set.copyOf(edit.groups()), Set.copyOf(edit.people())));
    row.setAllowances(allowances(edit));
    return row;
  }

  /**
   * @throws Problem if a group stands there twice
   */
  private static List<Step.Allowance> allowances(DesignEdits.StepEdit edit) {
    Map<GroupId, Step.Allowance> ofGroups = new LinkedHashMap<>();
    for (DesignEdits.AllowanceEdit a : edit.allowances())
      if (ofGroups.put(a.group(), a.allowance()) != null)
        throw Problem.field("allowances", "group-allowed-twice");
    return List.copyOf(ofGroups.values());
  }

  private static OwnWords words(DesignEdits.StepEdit edit) {
    if (edit.ownWords().containsKey(Moment.COMPLETED))
      throw Problem.field("ownWords", "not-of-a-step");
    return new OwnWords(edit.ownWords()).checked();
  }

  private static Step.Window window(DesignEdits.StepEdit edit) {
    return new Step.Window(edit.opensAt(), edit.dueAt(), edit.lateUntil(), edit.closesAt());
  }

  /** The dates of a step as its row has them. */
  public static Step.Window window(StepRecord row) {
    return new Step.Window(
        Optional.ofNullable(row.getOpensAt()),
        Optional.ofNullable(row.getDueAt()),
        Optional.ofNullable(row.getLateUntil()),
        Optional.ofNullable(row.getClosesAt()));
  }

  /** Writes the dates of a step that was another one's; those of groups move along. */
  static void moved(StepRecord row, StepRecord from, Step.Window window, ZoneId zone) {
    dates(row, window);
    days(window(from), window, zone)
        .ifPresent(days ->
            row.setAllowances(
                from.getAllowances().stream().map(a -> a.later(days, zone)).toList()));
  }

  /** Writes the dates of a step into its row. */
  public static void dates(StepRecord row, Step.Window window) {
    row.setOpensAt(window.from().orElse(null));
    row.setDueAt(window.due().orElse(null));
    row.setLateUntil(window.late().orElse(null));
    row.setClosesAt(window.until().orElse(null));
  }

  /** By how many days one date and with it the others have moved; none where there is no date. */
  private static Optional<Long> days(Step.Window was, Step.Window is, ZoneId zone) {
    return Stream.<Function<Step.Window, Optional<Instant>>>of(
            Step.Window::due, Step.Window::until, Step.Window::late, Step.Window::from)
        .flatMap(date ->
            date
                .apply(was)
                .flatMap(before -> date.apply(is).map(after -> days(before, after, zone)))
                .stream())
        .findFirst();
  }

  private static long days(Instant before, Instant after, ZoneId zone) {
    return ChronoUnit.DAYS.between(
        before.atZone(zone).toLocalDate(), after.atZone(zone).toLocalDate());
  }

  private void checkAudience(CourseId course, DesignEdits.StepEdit edit) {
    if (!drafts.hold(course, edit.groups())) throw Problem.field("groups", "no-such-group");
    if (!drafts.hold(
        course, edit.allowances().stream().map(DesignEdits.AllowanceEdit::group).toList()))
      throw Problem.field("allowances", "no-such-group");
    if (!drafts.enrolled(course, edit.people())) throw Problem.field("people", "not-on-roster");
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

  private static void checkCuts(CourseDesign design, OutcomeId outcome, List<Double> cuts) {
    var tied = design.outcome(outcome);
    if (tied.isEmpty()) return;
    int most = tied.get().scale().top();
    if (cuts.isEmpty() || cuts.size() > most)
      throw Problem.field(
          "evidenceFor", "too-many-cut-points", "outcome", tied.get().code(), "most", most);
    double least = 0;
    for (double cut : cuts) {
      if (!(cut >= least && cut <= 1))
        throw Problem.field("evidenceFor", "cut-points-must-rise", "outcome", tied.get().code());
      least = cut;
    }
  }

  private static void inOrder(
      Optional<Instant> first, Optional<Instant> then, String field, String code) {
    if (first.isPresent() && then.isPresent() && then.get().isBefore(first.get()))
      throw Problem.field(field, code);
  }

  private static void checkStep(DesignEdits.StepEdit edit) {
    inOrder(edit.opensAt(), edit.dueAt(), "dueAt", "due-before-opening");
    inOrder(edit.dueAt(), edit.lateUntil(), "lateUntil", "late-before-due");
    inOrder(edit.lateUntil(), edit.closesAt(), "closesAt", "closes-before-late");
    if (edit.opensAt().isPresent() && edit.opensAt().equals(edit.closesAt()))
      throw Problem.field("closesAt", "closes-before-opening");
    inOrder(edit.opensAt(), edit.closesAt(), "closesAt", "closes-before-opening");
    inOrder(edit.opensAt(), edit.lateUntil(), "lateUntil", "late-before-opening");
    for (DesignEdits.TieEdit tie : edit.evidenceFor())
      if (!(tie.weight() > 0)) throw Problem.field("evidenceFor", "weight-not-above-0");
  }

  /** A step goes with its module. */
  private StepRecord row(CourseId course, StepId id) {
    StepRecord row = tables.steps.one(course, id);
    if (tables.modules.find(course, row.getModuleId()).isEmpty()) throw Problem.notFound("step");
    return row;
  }

  private StepView view(CourseId course, StepId id) {
    return view(row(course, id), wording(course));
  }

  Wording wording(CourseId course) {
    CourseDesign design = drafts.document(course).design();
    return new Wording(design, institutions.writing(design.zone(), clock.instant()));
  }

  StepView view(StepRecord row, Wording wording) {
    return view(row, drafts.content(row), wording);
  }

  /**
   * @param content whole
   */
  StepView view(StepRecord row, Content content, Wording wording) {
    List<String> lacks =
        rooms.faults(row.getKind(), row.getName(), content).stream()
            .map(institutions::say)
            .toList();
    return DesignViews.step(
        row, content.body(), rooms.part(row.getKind(), content), lacks, wording);
  }
}
