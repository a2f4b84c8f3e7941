package yendrik.server.design;

import static yendrik.schema.Tables.BADGE;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Validity;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.formats.certificate.Sheet;
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
  private final BadgeSigns signs;
  private final BadgePictures pictures;

  BadgeDrafts(
      Drafting drafting,
      DraftTables tables,
      FieldChanges changes,
      BadgeSigns signs,
      BadgePictures pictures) {
    this.signs = signs;
    this.pictures = pictures;
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
    BadgeFace face = Json.read(row.getFace(), BadgeFace.class);
    BadgePicture picture = face.picture();
    Validity validity = row.getValidity();
    return new DesignEdits.BadgeEdit(
        row.getName(),
        row.getDescription(),
        Optional.ofNullable(row.getModuleId()),
        new DesignEdits.PictureEdit(picture.art(), picture.own(), picture.alt()),
        Optional.ofNullable(row.getEarnedWhen()).map(Json::map),
        row.getSurprise(),
        Optional.of(lasting(validity)),
        Optional.of(validity.soonDays()),
        validity.renewal().map(r -> new DesignEdits.RenewalEdit(r.anew(), r.when().map(Json::map))),
        Optional.of(face.outcomes()),
        Optional.of(face.tags()),
        face.criteria(),
        face.sheet().map(BadgeDrafts::edit));
  }

  /** A sheet as it is sent. */
  public static DesignEdits.SheetEdit edit(Sheet sheet) {
    return new DesignEdits.SheetEdit(
        sheet.template(),
        sheet.paper(),
        sheet.upright(),
        sheet.colour(),
        sheet.heading(),
        sheet.opening(),
        sheet.closing(),
        sheet.hours(),
        sheet.fields(),
        sheet.signatures().stream()
            .map(s -> new DesignEdits.SignatureEdit(s.name(), s.office(), s.picture()))
            .toList());
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
    row.setFace(Json.of(face(course, edit)));
    row.setValidity(validity(course, edit));
    row.setEarnedWhen(Json.column("earnedWhen", edit.earnedWhen()));
    row.setSurprise(edit.surprise());
    return row;
  }

  private BadgeFace face(CourseId course, DesignEdits.BadgeEdit edit) {
    var art = edit.picture().art();
    if (!art.sign().isEmpty() && signs.get().sign(art.sign()).isEmpty())
      throw Problem.field("picture", "no-such-sign", "sign", art.sign());
    edit.picture()
        .own()
        .filter(hash -> !pictures.has(hash))
        .ifPresent(_ -> {
          throw Problem.field("picture", "no-such-picture");
        });
    List<OutcomeId> outcomes = edit.outcomes().orElse(List.of());
    for (OutcomeId outcome : outcomes)
      if (tables.outcomes.find(course, outcome).isEmpty())
        throw Problem.field("outcomes", "no-such-outcome");
    return new BadgeFace(
        new BadgePicture(art, edit.picture().own(), edit.picture().alt().strip()),
        outcomes.stream().distinct().toList(),
        edit.tags().orElse(List.of()).stream().map(String::strip).distinct().toList(),
        edit.criteria(),
        edit.sheet().map(this::sheet));
  }

  private Sheet sheet(DesignEdits.SheetEdit edit) {
    for (DesignEdits.SignatureEdit signature : edit.signatures())
      signature
          .picture()
          .filter(hash -> !pictures.has(hash))
          .ifPresent(_ -> {
            throw Problem.field("sheet", "no-such-picture");
          });
    return new Sheet(
        edit.template(),
        edit.paper(),
        edit.upright(),
        edit.colour(),
        edit.heading().strip(),
        edit.opening().strip(),
        edit.closing().strip(),
        edit.hours(),
        edit.fields(),
        edit.signatures().stream()
            .map(s -> new Sheet.Signature(s.name().strip(), s.office().strip(), s.picture()))
            .toList());
  }

  private Validity validity(CourseId course, DesignEdits.BadgeEdit edit) {
    Validity.Lasting lasting =
        edit.lasting().map(BadgeDrafts::lasting).orElse(Validity.FOREVER.lasting());
    for (StepId step : edit.renewal().stream().flatMap(r -> r.anew().stream()).toList())
      if (tables.steps.find(course, step).isEmpty()) throw Problem.field("renewal", "no-such-step");
    return new Validity(
        lasting,
        edit.soonDays().orElse(Validity.FOREVER.soonDays()),
        edit.renewal()
            .map(r ->
                new Validity.Renewal(
                    r.anew().stream().distinct().toList(),
                    Optional.ofNullable(Json.column("renewal", r.when())))));
  }

  private static Validity.Lasting lasting(DesignEdits.LastingEdit edit) {
    return switch (edit.is()) {
      case ALWAYS -> new Validity.Lasting.Always();
      case MONTHS ->
          new Validity.Lasting.Months(
              edit.months().orElseThrow(() -> Problem.field("lasting", "months-missing")));
      case UNTIL ->
          new Validity.Lasting.Until(
              edit.day().orElseThrow(() -> Problem.field("lasting", "day-missing")));
    };
  }

  static DesignEdits.LastingEdit lasting(Validity validity) {
    return switch (validity.lasting()) {
      case Validity.Lasting.Always _ ->
          new DesignEdits.LastingEdit(
              DesignEdits.LastingKind.ALWAYS, Optional.empty(), Optional.empty());
      case Validity.Lasting.Months m ->
          new DesignEdits.LastingEdit(
              DesignEdits.LastingKind.MONTHS, Optional.of(m.months()), Optional.empty());
      case Validity.Lasting.Until u ->
          new DesignEdits.LastingEdit(
              DesignEdits.LastingKind.UNTIL, Optional.empty(), Optional.of(u.day()));
    };
  }

  private BadgeView view(CourseId course, BadgeId id) {
    return drafting.view(course).badges().stream()
        .filter(b -> b.id().equals(id))
        .findFirst()
        .orElseThrow(() -> Problem.notFound("badge"));
  }
}
