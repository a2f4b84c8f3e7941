package yendrik.server.design;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.FLAG;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.FlagId;
import yendrik.schema.tables.records.CourseRecord;
import yendrik.schema.tables.records.FlagRecord;
import yendrik.server.design.DesignViews.CompletionView;
import yendrik.server.design.DesignViews.FlagView;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.Problem;

/** Changes to the rules of a draft as a whole: when the course is complete, and its flags. */
@Service
@Transactional
public class CompletionDrafts {
  private final DSLContext db;
  private final Drafting drafting;
  private final DraftTables tables;
  private final FieldChanges changes;

  CompletionDrafts(DSLContext db, Drafting drafting, DraftTables tables, FieldChanges changes) {
    this.db = db;
    this.drafting = drafting;
    this.tables = tables;
    this.changes = changes;
  }

  /** Changes when the course is complete; a 409 carries what it is now. */
  public CompletionView change(CourseId course, FieldsEdit fields) {
    CourseRecord row = db.selectFrom(COURSE).where(COURSE.ID.eq(course)).forUpdate().fetchSingle();
    if (row.getFramework()) throw Problem.conflict("framework-without-modules");
    var present =
        new DesignEdits.CompletionEdit(Optional.ofNullable(row.getCompleteWhen()).map(Json::map));
    var edit = changes.apply(present, fields, () -> drafting.view(course).completion());
    db.update(COURSE)
        .set(COURSE.COMPLETE_WHEN, Json.column("completeWhen", edit.completeWhen()))
        .set(COURSE.COMPLETION_VERSION, COURSE.COMPLETION_VERSION.plus(1))
        .where(COURSE.ID.eq(course))
        .execute();
    return drafting.view(course).completion();
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
