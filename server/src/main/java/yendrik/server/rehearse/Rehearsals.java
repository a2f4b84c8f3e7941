package yendrik.server.rehearse;

import static yendrik.schema.Tables.REHEARSAL;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.CourseId;
import yendrik.core.id.RehearsalId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Progress;
import yendrik.core.rehearse.Line;
import yendrik.core.rehearse.Played;
import yendrik.core.rehearse.Rehearsing;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.words.Writing;
import yendrik.schema.tables.records.RehearsalRecord;
import yendrik.server.design.Designs;
import yendrik.server.design.DraftTables;
import yendrik.server.design.Json;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.rehearse.RehearsalViews.LineView;
import yendrik.server.rehearse.RehearsalViews.RehearsalEdit;
import yendrik.server.rehearse.RehearsalViews.RehearsalView;
import yendrik.server.rehearse.RehearsalViews.StepThen;
import yendrik.server.way.Explaining;

/** Rehearsals of drafts: kept, and played anew whenever somebody looks. */
@Service
@Transactional
public class Rehearsals {
  /** How many a course keeps. */
  private static final int MOST = 200;

  private final DSLContext db;
  private final Designs designs;
  private final DraftTables tables;
  private final FieldChanges changes;
  private final Institutions institutions;
  private final Clock clock;

  Rehearsals(
      DSLContext db,
      Designs designs,
      DraftTables tables,
      FieldChanges changes,
      Institutions institutions,
      Clock clock) {
    this.db = db;
    this.designs = designs;
    this.tables = tables;
    this.changes = changes;
    this.institutions = institutions;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  List<RehearsalView> all(CourseId course) {
    List<RehearsalRecord> rows =
        db.selectFrom(REHEARSAL)
            .where(REHEARSAL.COURSE_ID.eq(course), REHEARSAL.DELETED_AT.isNull())
            .orderBy(REHEARSAL.POSITION, REHEARSAL.ID)
            .fetch();
    if (rows.isEmpty()) return List.of();
    CompiledCourse draft = designs.readyDraft(course).compiled();
    Optional<CompiledCourse> published = designs.published(course).map(Designs.Ready::compiled);
    return rows.stream().map(row -> view(row, draft, published)).toList();
  }

  private RehearsalView view(
      RehearsalRecord row, CompiledCourse draft, Optional<CompiledCourse> published) {
    List<Played> played = Rehearsing.play(draft, row.getLines());
    LineWords words = words(draft.design());
    int wrong = 0;
    while (wrong < played.size() && played.get(wrong).fine()) wrong++;
    boolean holds = wrong == played.size();
    return new RehearsalView(
        row.getId(),
        row.getVersion(),
        row.getName(),
        holds,
        holds ? Optional.empty() : Optional.of(words.difference(wrong + 1, played.get(wrong))),
        published.map(p -> Rehearsing.play(p, row.getLines()).stream().allMatch(Played::fine)),
        played.stream().map(p -> view(p, words)).toList());
  }

  private static LineView view(Played played, LineWords words) {
    return new LineView(
        Json.map(played.line()),
        words.says(played.line()),
        played.at(),
        played.thread(),
        played.cannot().map(_ -> words.cannot(played)),
        words.came(played),
        played.holds());
  }

  private LineWords words(CourseDesign design) {
    return new LineWords(design, writing(design));
  }

  private Writing writing(CourseDesign design) {
    return institutions.writing(design.zone(), clock.instant());
  }

  private static List<Line> lines(List<Map<String, Object>> sent) {
    List<Line> lines = new ArrayList<>();
    for (Map<String, Object> line : sent) lines.add(Json.line("lines", line));
    return lines;
  }

  RehearsalView add(CourseId course, RehearsalEdit edit) {
    int kept =
        db.fetchCount(REHEARSAL, REHEARSAL.COURSE_ID.eq(course), REHEARSAL.DELETED_AT.isNull());
    if (kept >= MOST) throw Problem.field("name", "rehearsals-enough", "n", MOST);
    RehearsalId id =
        tables
            .rehearsals()
            .add(course, columns(edit), REHEARSAL.POSITION, REHEARSAL.COURSE_ID.eq(course));
    return one(course, id);
  }

  /** Keeps a rehearsal of these lines. */
  public void keep(CourseId course, String name, List<Line> lines) {
    add(course, new RehearsalEdit(name, lines.stream().map(Json::map).toList()));
  }

  /** Changes some fields; a 409 carries what it is now. */
  RehearsalView change(CourseId course, RehearsalId id, FieldsEdit fields) {
    RehearsalRecord row = tables.rehearsals().locked(course, id);
    var present = new RehearsalEdit(row.getName(), row.getLines().stream().map(Json::map).toList());
    var edit = changes.apply(present, fields, () -> one(course, id));
    boolean done = tables.rehearsals().change(course, id, row.getVersion(), columns(edit));
    RehearsalView now = one(course, id);
    if (!done) throw Problem.changed(now);
    return now;
  }

  private RehearsalRecord columns(RehearsalEdit edit) {
    RehearsalRecord row = tables.rehearsals().fresh();
    row.setName(edit.name().strip());
    row.setLines(lines(edit.lines()));
    return row;
  }

  private RehearsalView one(CourseId course, RehearsalId id) {
    RehearsalRecord row = tables.rehearsals().one(course, id);
    return view(
        row,
        designs.readyDraft(course).compiled(),
        designs.published(course).map(Designs.Ready::compiled));
  }

  /** Why a step stands as it does behind these lines. */
  @Transactional(readOnly = true)
  StepThen why(CourseId course, List<Map<String, Object>> sent, StepId step) {
    CompiledCourse draft = designs.readyDraft(course).compiled();
    Progress then = Rehearsing.behind(draft, lines(sent));
    int s = draft.index().number(step);
    if (s == CourseIndex.UNKNOWN) throw Problem.notFound("step");
    var explaining = Explaining.madeUp(then, writing(draft.design()));
    return new StepThen(
        draft.index().step(s).name(),
        then.sight().open(s),
        explaining.whatIsMissing(s),
        explaining.rule(new RuleAt.StepDone(step)));
  }
}
