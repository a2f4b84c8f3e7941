package yendrik.server.design;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.MODULE;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.ModuleId;
import yendrik.schema.tables.records.ModuleRecord;
import yendrik.server.design.DesignViews.ModuleView;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.Problem;

/** Changes to the modules of a draft. */
@Service
@Transactional
public class ModuleDrafts {
  private final DSLContext db;
  private final Drafting drafting;
  private final DraftTables tables;
  private final FieldChanges changes;

  ModuleDrafts(DSLContext db, Drafting drafting, DraftTables tables, FieldChanges changes) {
    this.changes = changes;
    this.db = db;
    this.drafting = drafting;
    this.tables = tables;
  }

  public ModuleView add(CourseId course, DesignEdits.NewModule edit) {
    if (db.fetchExists(COURSE, COURSE.ID.eq(course).and(COURSE.FRAMEWORK.isTrue())))
      throw Problem.conflict("framework-without-modules");
    ModuleRecord row = tables.modules.fresh();
    row.setName(edit.name().strip());
    return view(
        course, tables.modules.add(course, row, MODULE.POSITION, MODULE.COURSE_ID.eq(course)));
  }

  /** Changes some fields; a 409 carries what it is now. */
  ModuleView change(CourseId course, ModuleId id, FieldsEdit fields) {
    ModuleRecord row = tables.modules.locked(course, id);
    var edit = changes.apply(edit(row), fields, () -> view(course, id));
    return change(course, id, row.getVersion(), edit);
  }

  private static DesignEdits.ModuleEdit edit(ModuleRecord row) {
    return new DesignEdits.ModuleEdit(
        row.getName(),
        row.getPublished(),
        row.getStrictOrder(),
        Optional.ofNullable(row.getOpensWhen()).map(Json::map),
        Optional.ofNullable(row.getDoneWhen()).map(Json::map),
        row.getListed(),
        row.getTells(),
        row.getStaysOpen());
  }

  public ModuleView change(CourseId course, ModuleId id, int version, DesignEdits.ModuleEdit edit) {
    ModuleRecord row = tables.modules.fresh();
    row.setName(edit.name().strip());
    row.setPublished(edit.published());
    row.setStrictOrder(edit.strictOrder());
    row.setOpensWhen(Json.column("opensWhen", edit.opensWhen()));
    row.setDoneWhen(Json.column("doneWhen", edit.doneWhen()));
    row.setListed(edit.listed());
    row.setTells(edit.tells());
    row.setStaysOpen(edit.staysOpen());
    boolean done = tables.modules.change(course, id, version, row);
    ModuleView now = view(course, id);
    if (!done) throw Problem.changed(now);
    return now;
  }

  private ModuleView view(CourseId course, ModuleId id) {
    return drafting.view(course).modules().stream()
        .filter(m -> m.id().equals(id))
        .findFirst()
        .orElseThrow(() -> Problem.notFound("module"));
  }
}
