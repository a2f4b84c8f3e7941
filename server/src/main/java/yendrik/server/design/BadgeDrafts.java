package yendrik.server.design;

import static yendrik.schema.Tables.BADGE;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.schema.tables.records.BadgeRecord;
import yendrik.server.design.DesignViews.BadgeView;
import yendrik.server.http.Problem;

/** Changes to the badges of a draft. */
@Service
@Transactional
public class BadgeDrafts {
  private final Drafting drafting;
  private final DraftTables tables;

  BadgeDrafts(Drafting drafting, DraftTables tables) {
    this.drafting = drafting;
    this.tables = tables;
  }

  public BadgeView add(CourseId course, DesignEdits.BadgeEdit edit) {
    long id =
        tables.badges.add(
            course, columns(course, edit), BADGE.POSITION, BADGE.COURSE_ID.eq(course.value()));
    return view(course, id);
  }

  public BadgeView change(CourseId course, long id, int version, DesignEdits.BadgeEdit edit) {
    boolean done = tables.badges.change(course, id, version, columns(course, edit));
    BadgeView now = view(course, id);
    if (!done) throw Problem.changed(now);
    return now;
  }

  private BadgeRecord columns(CourseId course, DesignEdits.BadgeEdit edit) {
    edit.module()
        .filter(id -> tables.modules.find(course, id).isEmpty())
        .ifPresent(_ -> {
          throw Problem.field("module", "there-is-no-such-module");
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

  private BadgeView view(CourseId course, long id) {
    return drafting.view(course).badges().stream()
        .filter(b -> b.id() == id)
        .findFirst()
        .orElseThrow(() -> Problem.notFound("badge"));
  }
}
