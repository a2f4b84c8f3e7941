package yendrik.server.design;

import static yendrik.schema.Tables.BADGE;

import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.schema.tables.records.BadgeRecord;
import yendrik.server.design.DesignViews.BadgeView;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.Problem;

/** Changes to the badges of a draft. */
@Service
@Transactional
public class BadgeDrafts {
  private final Drafting drafting;
  private final DraftTables tables;
  private final FieldChanges changes;

  BadgeDrafts(Drafting drafting, DraftTables tables, FieldChanges changes) {
    this.changes = changes;
    this.drafting = drafting;
    this.tables = tables;
  }

  public BadgeView add(CourseId course, DesignEdits.BadgeEdit edit) {
    BadgeId id =
        tables.badges.add(
            course, columns(course, edit), BADGE.POSITION, BADGE.COURSE_ID.eq(course));
    return view(course, id);
  }

  /** Changes some fields; a 409 carries what it is now. */
  BadgeView change(CourseId course, BadgeId id, FieldsEdit fields) {
    BadgeRecord row = tables.badges.locked(course, id);
    var edit = changes.apply(edit(row), fields, () -> view(course, id));
    return change(course, id, row.getVersion(), edit);
  }

  private static DesignEdits.BadgeEdit edit(BadgeRecord row) {
    BadgePicture picture = Json.read(row.getPicture(), BadgePicture.class);
    return new DesignEdits.BadgeEdit(
        row.getName(),
        row.getDescription(),
        Optional.ofNullable(row.getModuleId()),
        new DesignEdits.PictureEdit(picture.shape(), picture.sign(), picture.colour()),
        Optional.ofNullable(row.getEarnedWhen()).map(Json::map),
        row.getSurprise());
  }

  public BadgeView change(CourseId course, BadgeId id, int version, DesignEdits.BadgeEdit edit) {
    boolean done = tables.badges.change(course, id, version, columns(course, edit));
    BadgeView now = view(course, id);
    if (!done) throw Problem.changed(now);
    return now;
  }

  private BadgeRecord columns(CourseId course, DesignEdits.BadgeEdit edit) {
    edit.module()
        .filter(id -> tables.modules.find(course, id).isEmpty())
        .ifPresent(_ -> {
          throw Problem.field("module", "no-such-module");
        });
    BadgeRecord row = tables.badges.fresh();
    row.setName(edit.name().strip());
    row.setDescription(edit.description());
    row.setModuleId(edit.module().orElse(null));
    row.setPicture(
        Json.of(
            new BadgePicture(
                edit.picture().shape(), edit.picture().sign(), edit.picture().colour())));
    row.setEarnedWhen(Json.column("earnedWhen", edit.earnedWhen()));
    row.setSurprise(edit.surprise());
    return row;
  }

  private BadgeView view(CourseId course, BadgeId id) {
    return drafting.view(course).badges().stream()
        .filter(b -> b.id().equals(id))
        .findFirst()
        .orElseThrow(() -> Problem.notFound("badge"));
  }
}
