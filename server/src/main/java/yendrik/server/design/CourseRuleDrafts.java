package yendrik.server.design;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.FLAG;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Prerequisites;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.id.FlagId;
import yendrik.core.rule.copy.Usual;
import yendrik.schema.tables.records.CourseRecord;
import yendrik.schema.tables.records.FlagRecord;
import yendrik.server.design.DesignViews.CourseRulesView;
import yendrik.server.design.DesignViews.FlagView;
import yendrik.server.design.DesignViews.UsualView;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.Problem;

/**
 * Changes to the rules of a draft as a whole: its order, when it is complete, what is usual, its
 * flags.
 */
@Service
@Transactional
public class CourseRuleDrafts {
  private final DSLContext db;
  private final Drafting drafting;
  private final DraftTables tables;
  private final FieldChanges changes;
  private final Usuals usuals;

  CourseRuleDrafts(
      DSLContext db, Drafting drafting, DraftTables tables, FieldChanges changes, Usuals usuals) {
    this.usuals = usuals;
    this.db = db;
    this.drafting = drafting;
    this.tables = tables;
    this.changes = changes;
  }

  private CourseRecord locked(CourseId course) {
    CourseRecord row = db.selectFrom(COURSE).where(COURSE.ID.eq(course)).forUpdate().fetchSingle();
    if (row.getFramework()) throw Problem.conflict("framework-without-modules");
    return row;
  }

  /** Changes some of them; a 409 carries what they are now. */
  public CourseRulesView change(CourseId course, FieldsEdit fields) {
    CourseRecord row = locked(course);
    var present =
        new DesignEdits.CourseRulesEdit(
            row.getStrictOrder(),
            Optional.ofNullable(row.getCompleteWhen()).map(Json::map),
            DesignEdits.PrerequisitesForm.of(row.getPrerequisites()));
    var edit = changes.apply(present, fields, () -> drafting.view(course).rules());
    Prerequisites prerequisites = edit.prerequisites().prerequisites();
    if (!prerequisites.equals(row.getPrerequisites())) checked(course, prerequisites);
    db.update(COURSE)
        .set(COURSE.PREREQUISITES, prerequisites)
        .set(COURSE.STRICT_ORDER, edit.strictOrder())
        .set(COURSE.COMPLETE_WHEN, Json.column("completeWhen", edit.completeWhen()))
        .set(COURSE.RULES_VERSION, COURSE.RULES_VERSION.plus(1))
        .where(COURSE.ID.eq(course))
        .execute();
    return drafting.view(course).rules();
  }

  /** Nobody could ever be enrolled in courses that ask for each other. */
  private void checked(CourseId course, Prerequisites asked) {
    Map<CourseId, Prerequisites> all =
        db.select(COURSE.ID, COURSE.PREREQUISITES)
            .from(COURSE)
            .where(COURSE.FRAMEWORK.isFalse(), COURSE.SHELF.isFalse())
            .fetchMap(r -> r.value1(), r -> r.value2());
    if (!all.keySet().containsAll(asked.courses()))
      throw Problem.field("prerequisites", "no-such-course");
    Set<CourseId> seen = new HashSet<>();
    Deque<CourseId> next = new ArrayDeque<>(asked.courses());
    while (!next.isEmpty()) {
      CourseId one = next.pop();
      if (one.equals(course)) throw Problem.field("prerequisites", "courses-ask-for-each-other");
      if (seen.add(one)) next.addAll(all.getOrDefault(one, Prerequisites.NONE).courses());
    }
  }

  /** Changes what is usual for new steps of a kind; a 409 carries what it is now. */
  public UsualView changeUsual(CourseId course, StepKind kind, FieldsEdit fields) {
    Usual now = usuals.of(locked(course), kind);
    var present =
        new DesignEdits.UsualEdit(now.opensWhen().map(Json::map), Json.map(now.doneWhen()));
    var edit = changes.apply(present, fields, () -> usual(course, kind));
    usuals.put(
        course,
        kind,
        new Usual(
            edit.opensWhen().map(rule -> Json.condition("opensWhen", rule)),
            Json.condition("doneWhen", edit.doneWhen())));
    return usual(course, kind);
  }

  private UsualView usual(CourseId course, StepKind kind) {
    return drafting.view(course).usual().stream()
        .filter(u -> u.kind() == kind)
        .findFirst()
        .orElseThrow();
  }

  FlagView addFlag(CourseId course, DesignEdits.FlagEdit edit) {
    if (db.fetchExists(COURSE, COURSE.ID.eq(course), COURSE.FRAMEWORK.isTrue()))
      throw Problem.conflict("framework-without-modules");
    return view(
        course, tables.flags.add(course, columns(edit), FLAG.POSITION, FLAG.COURSE_ID.eq(course)));
  }

  /** Changes some fields; a 409 carries what it is now. */
  FlagView changeFlag(CourseId course, FlagId id, FieldsEdit fields) {
    FlagRecord row = tables.flags.locked(course, id);
    var present = new DesignEdits.FlagEdit(row.getName(), Json.map(row.getFlagWhen()));
    var edit = changes.apply(present, fields, () -> view(course, id));
    boolean done = tables.flags.change(course, id, row.getVersion(), columns(edit));
    FlagView now = view(course, id);
    if (!done) throw Problem.changed(now);
    return now;
  }

  private FlagRecord columns(DesignEdits.FlagEdit edit) {
    FlagRecord row = tables.flags.fresh();
    row.setName(edit.name().strip());
    row.setFlagWhen(Json.column("flagWhen", Optional.of(edit.flagWhen())));
    return row;
  }

  private FlagView view(CourseId course, FlagId id) {
    return drafting.view(course).flags().stream()
        .filter(f -> f.id().equals(id))
        .findFirst()
        .orElseThrow(() -> Problem.notFound("flag"));
  }
}
