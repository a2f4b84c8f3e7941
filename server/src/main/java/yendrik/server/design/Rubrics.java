package yendrik.server.design;

import static yendrik.schema.Tables.FACT;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.RUBRIC;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.RubricId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Outcome;
import yendrik.core.rubric.Rubric;
import yendrik.core.strand.work.WorkFact;
import yendrik.formats.framework.Framework;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.RubricRecord;
import yendrik.server.design.RubricForms.RubricEdit;
import yendrik.server.design.RubricForms.RubricView;
import yendrik.server.design.RubricForms.ShelfView;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.Problem;
import yendrik.server.people.SignedIn;

/**
 * Rubrics of courses, and the institution's shelf of rubrics to copy from. What was assessed with a
 * rubric keeps the words it had then, since every publication holds its rubrics.
 */
@Service
@Transactional
public class Rubrics {
  private final DSLContext db;
  private final DraftStore drafts;
  private final DraftTables tables;
  private final FieldChanges changes;
  private final ObjectProvider<AlsoAssesses> others;
  private final ObjectProvider<UsesRubrics> users;
  private final Clock clock;

  Rubrics(
      DSLContext db,
      DraftStore drafts,
      DraftTables tables,
      FieldChanges changes,
      ObjectProvider<AlsoAssesses> others,
      ObjectProvider<UsesRubrics> users,
      Clock clock) {
    this.changes = changes;
    this.others = others;
    this.users = users;
    this.db = db;
    this.drafts = drafts;
    this.tables = tables;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public List<RubricView> of(CourseId course) {
    Document draft = drafts.document(course);
    return drafts.rubrics(course).stream().map(r -> view(r, draft)).toList();
  }

  private RubricView view(RubricRecord row, Document draft) {
    Rubric rubric = DraftStore.rubric(row);
    List<Step> steps =
        draft
            .design()
            .steps()
            .filter(s -> draft.content(s.id()).rubrics().contains(rubric.id()))
            .toList();
    return new RubricView(
        row.getId(),
        row.getVersion(),
        rubric.name(),
        RubricForms.criteria(rubric, draft.design()),
        rubric.of(),
        steps.stream().map(Step::name).toList(),
        assessed(row, steps));
  }

  private int assessed(RubricRecord row, List<Step> steps) {
    int work =
        db.fetchCount(
            FACT,
            FACT.COURSE_ID.eq(row.getCourseId()),
            FACT.KIND.eq(CoreJson.name(WorkFact.Assessed.class)),
            DSL.jsonbGetAttributeAsText(FACT.BODY, DSL.inline("rubric"))
                .cast(RUBRIC.ID)
                .eq(row.getId()));
    Set<StepId> at = steps.stream().map(Step::id).collect(Collectors.toSet());
    return work + others.stream().mapToInt(other -> other.withRubric(at)).sum();
  }

  private RubricView view(CourseId course, RubricId id) {
    return view(tables.rubrics.one(course, id), drafts.document(course));
  }

  public RubricView add(CourseId course, RubricEdit edit) {
    var keys = new Keys(0);
    List<Rubric.Criterion> criteria = criteria(course, edit, keys);
    return insert(course, edit.name(), criteria, keys.last);
  }

  private RubricView insert(
      CourseId course, String name, List<Rubric.Criterion> criteria, int lastKey) {
    return view(course, tables.rubrics.add(course, columns(name, criteria, lastKey)));
  }

  private RubricRecord columns(String name, List<Rubric.Criterion> criteria, int lastKey) {
    RubricRecord row = tables.rubrics.fresh();
    row.setName(name.strip());
    row.setCriteria(criteria);
    row.setLastKey(lastKey);
    return row;
  }

  /** Changes some fields; a 409 carries what it is now. */
  RubricView change(CourseId course, RubricId id, FieldsEdit fields) {
    RubricRecord row = tables.rubrics.locked(course, id);
    var edit = changes.apply(edit(row), fields, () -> view(course, id));
    return change(course, id, row.getVersion(), edit);
  }

  private static RubricEdit edit(RubricRecord row) {
    return new RubricEdit(
        row.getName(), row.getCriteria().stream().map(RubricForms::edit).toList());
  }

  RubricView change(CourseId course, RubricId id, int version, RubricEdit edit) {
    RubricRecord row = tables.rubrics.one(course, id);
    var keys = new Keys(row.getLastKey());
    List<Rubric.Criterion> criteria = criteria(course, edit, keys);
    boolean done =
        tables.rubrics.change(course, id, version, columns(edit.name(), criteria, keys.last));
    RubricView now = view(course, id);
    if (!done) throw Problem.changed(now);
    return now;
  }

  /** The keys of one rubric: new ones were never given before, and old ones may come back. */
  private static final class Keys {
    private final int known;
    private final Set<Integer> taken = new HashSet<>();
    private int last;

    Keys(int last) {
      known = last;
      this.last = last;
    }

    /**
     * The key that was sent, or a new one.
     *
     * @throws Problem when it was never given in this rubric, or is used twice
     */
    int of(Optional<Integer> sent, String name, String at) {
      int key = sent.orElse(last + 1);
      boolean mayBe = sent.isEmpty() || (key >= 1 && key <= known);
      if (!mayBe || !taken.add(key)) throw Problem.field(at, "not-of-rubric", "name", name);
      last = Math.max(last, key);
      return key;
    }
  }

  private List<Rubric.Criterion> criteria(CourseId course, RubricEdit edit, Keys keys) {
    CourseDesign design = drafts.document(course).design();
    List<Rubric.Criterion> criteria = new ArrayList<>();
    for (int n = 0; n < edit.criteria().size(); n++) {
      RubricForms.CriterionEdit c = edit.criteria().get(n);
      String at = "criteria[" + n + "]";
      Optional<Outcome> outcome = c.outcome().map(o -> outcome(design, o, at));
      criteria.add(
          new Rubric.Criterion(
              keys.of(c.key(), c.name(), at),
              c.name().strip(),
              c.description().strip(),
              c.counts(),
              outcome.map(Outcome::id),
              levels(c, outcome, at, keys)));
    }
    return criteria;
  }

  private static Outcome outcome(CourseDesign design, OutcomeId id, String at) {
    Outcome outcome = design.outcome(id).orElseThrow(() -> Problem.field(at, "no-such-outcome"));
    if (outcome.madeOf().isPresent())
      throw Problem.field(at, "choose-a-part", "outcome", outcome.code());
    return outcome;
  }

  private static List<Rubric.Level> levels(
      RubricForms.CriterionEdit c, Optional<Outcome> outcome, String at, Keys keys) {
    List<Rubric.Level> levels = new ArrayList<>();
    for (RubricForms.LevelEdit l : c.levels()) {
      if (l.standsFor().isPresent()
          && outcome.filter(o -> o.scale().at(l.standsFor().get()) >= 0).isEmpty())
        throw Problem.field(at, "stands-for-no-level", "level", l.name());
      levels.add(
          new Rubric.Level(
              keys.of(l.key(), l.name(), at),
              l.name().strip(),
              l.description().strip(),
              l.points(),
              l.standsFor()));
    }
    return levels;
  }

  /** Takes a rubric away unless something uses it. */
  void remove(CourseId course, RubricId id) {
    List<String> names = new ArrayList<>(view(course, id).steps());
    if (names.isEmpty()) users.stream().forEach(user -> names.addAll(user.using(course, id)));
    if (!names.isEmpty())
      throw Problem.conflict(
          "rubric-in-use",
          "steps",
          String.join(", ", names.stream().map(s -> "“" + s + "”").toList()));
    db.update(RUBRIC).set(RUBRIC.DELETED_AT, clock.instant()).where(RUBRIC.ID.eq(id)).execute();
  }

  // --- files ------------------------------------------------------------------------------------
  /** A course's rubrics as they are exchanged. */
  @Transactional(readOnly = true)
  List<Framework.Sheet> sheets(CourseId course) {
    CourseDesign design = drafts.document(course).design();
    return drafts.rubrics(course).stream()
        .map(row ->
            new Framework.Sheet(
                row.getIdentifier(),
                row.getName(),
                DraftStore.rubric(row).criteria().stream().map(c -> sheet(c, design)).toList()))
        .toList();
  }

  private static Framework.Criterion sheet(Rubric.Criterion c, CourseDesign design) {
    Optional<Outcome> outcome = c.outcome().flatMap(design::outcome);
    return new Framework.Criterion(
        c.name(),
        c.description(),
        c.counts(),
        outcome.map(Outcome::code),
        c.levels().stream()
            .map(l ->
                new Framework.Level(
                    l.name(),
                    l.description(),
                    l.points(),
                    l.standsFor().flatMap(key -> levelName(outcome, key))))
            .toList());
  }

  private static Optional<String> levelName(Optional<Outcome> outcome, int key) {
    return outcome
        .map(Outcome::scale)
        .filter(s -> s.at(key) >= 0)
        .map(s -> s.levels().get(s.at(key)).name());
  }

  /** Those of some rubrics that the course does not have, by their identifiers. */
  @Transactional(readOnly = true)
  List<Framework.Sheet> fresh(CourseId course, List<Framework.Sheet> sheets) {
    Set<UUID> here =
        drafts.rubrics(course).stream()
            .map(RubricRecord::getIdentifier)
            .collect(Collectors.toSet());
    return sheets.stream().filter(s -> !here.contains(s.identifier())).toList();
  }

  /** Brings those rubrics of a file that the course does not have. */
  void bring(CourseId course, List<Framework.Sheet> sheets) {
    List<Framework.Sheet> fresh = fresh(course, sheets);
    if (fresh.isEmpty()) return;
    CourseDesign design = drafts.document(course).design();
    for (Framework.Sheet sheet : fresh) {
      var keys = new Keys(0);
      List<Rubric.Criterion> criteria =
          sheet.criteria().stream().map(c -> criterion(c, design, keys)).toList();
      db.insertInto(RUBRIC)
          .set(RUBRIC.COURSE_ID, course)
          .set(RUBRIC.NAME, sheet.title())
          .set(RUBRIC.CRITERIA, criteria)
          .set(RUBRIC.LAST_KEY, keys.last)
          .set(RUBRIC.IDENTIFIER, sheet.identifier())
          .execute();
    }
  }

  private static Rubric.Criterion criterion(Framework.Criterion c, CourseDesign design, Keys keys) {
    Optional<Outcome> outcome = c.outcome().flatMap(code -> byCode(code, design));
    int key = keys.of(Optional.empty(), c.name(), "criteria");
    List<Rubric.Level> levels =
        c.levels().stream()
            .map(l ->
                new Rubric.Level(
                    keys.of(Optional.empty(), l.name(), "criteria"),
                    l.name(),
                    l.description(),
                    l.points(),
                    l.standsFor().flatMap(name -> levelKey(outcome, name))))
            .toList();
    return new Rubric.Criterion(
        key, c.name(), c.description(), c.counts(), outcome.map(Outcome::id), levels);
  }

  private static Optional<Integer> levelKey(Optional<Outcome> outcome, String name) {
    return outcome.stream()
        .flatMap(o -> o.scale().levels().stream())
        .filter(l -> l.name().equals(name))
        .map(l -> l.key())
        .findFirst();
  }

  private static Optional<Outcome> byCode(String code, CourseDesign design) {
    return design.outcomes().stream()
        .filter(o -> o.code().equals(code) && o.madeOf().isEmpty())
        .findFirst();
  }

  // --- the shelf --------------------------------------------------------------------------------
  @Transactional(readOnly = true)
  List<ShelfView> shelf(SignedIn person) {
    return db.select()
        .from(RUBRIC)
        .join(PERSON)
        .on(PERSON.ID.eq(RUBRIC.SHELVED_BY))
        .where(RUBRIC.COURSE_ID.isNull(), RUBRIC.DELETED_AT.isNull())
        .orderBy(RUBRIC.NAME, RUBRIC.ID)
        .fetch(r -> {
          RubricRecord row = r.into(RUBRIC);
          Rubric rubric = DraftStore.rubric(row);
          return new ShelfView(
              row.getId(),
              rubric.name(),
              rubric.criteria().size(),
              rubric.of(),
              r.get(PERSON.NAME),
              row.getShelvedAt(),
              mayRemove(row, person));
        });
  }

  private static boolean mayRemove(RubricRecord row, SignedIn person) {
    return person.administrator() || person.id().equals(row.getShelvedBy());
  }

  /** Copies a course's rubric to the shelf. */
  void shelve(CourseId course, RubricId id, SignedIn person) {
    RubricRecord row = tables.rubrics.one(course, id);
    db.insertInto(RUBRIC)
        .set(RUBRIC.NAME, row.getName())
        .set(RUBRIC.CRITERIA, row.getCriteria())
        .set(RUBRIC.LAST_KEY, row.getLastKey())
        .set(RUBRIC.SHELVED_BY, person.id())
        .set(RUBRIC.SHELVED_AT, clock.instant())
        .execute();
  }

  private RubricRecord onShelf(RubricId id) {
    return db.selectFrom(RUBRIC)
        .where(RUBRIC.ID.eq(id), RUBRIC.COURSE_ID.isNull(), RUBRIC.DELETED_AT.isNull())
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("rubric on the shelf"));
  }

  /**
   * Copies a rubric from the shelf into a course. Outcomes are found again by their codes; a
   * criterion whose outcome the course does not have gives no evidence there.
   */
  RubricView take(CourseId course, RubricId id) {
    RubricRecord row = onShelf(id);
    CourseDesign design = drafts.document(course).design();
    List<Rubric.Criterion> criteria =
        DraftStore.rubric(row).criteria().stream()
            .map(c -> c.evidenceOf(c.outcome().flatMap(o -> sameCode(o, design))))
            .toList();
    return insert(course, row.getName(), criteria, row.getLastKey());
  }

  private Optional<Outcome> sameCode(OutcomeId elsewhere, CourseDesign design) {
    return db.select(OUTCOME.CODE)
        .from(OUTCOME)
        .where(OUTCOME.ID.eq(elsewhere))
        .fetchOptional(OUTCOME.CODE)
        .flatMap(code -> byCode(code, design));
  }

  /** Takes a rubric from the shelf; courses that copied it keep their copies. */
  void unshelve(RubricId id, SignedIn person) {
    if (!mayRemove(onShelf(id), person)) throw Problem.forbidden("not-yours-on-shelf");
    db.update(RUBRIC).set(RUBRIC.DELETED_AT, clock.instant()).where(RUBRIC.ID.eq(id)).execute();
  }
}
