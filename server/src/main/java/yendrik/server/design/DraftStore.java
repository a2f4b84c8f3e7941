package yendrik.server.design;

import static java.util.Objects.requireNonNull;
import static org.jooq.impl.DSL.select;
import static yendrik.schema.Tables.ATTENDANCE_STATUS;
import static yendrik.schema.Tables.BADGE;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.FLAG;
import static yendrik.schema.Tables.LEARNER_GROUP;
import static yendrik.schema.Tables.MODULE;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.RUBRIC;
import static yendrik.schema.Tables.SCALE;
import static yendrik.schema.Tables.STEP;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Flag;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.RubricId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.LevelRule;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.rubric.Rubric;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.BadgeRecord;
import yendrik.schema.tables.records.ModuleRecord;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.schema.tables.records.RubricRecord;
import yendrik.schema.tables.records.ScaleRecord;
import yendrik.schema.tables.records.StepRecord;

/** Reads the rows that designers edit as one design. */
@Repository
class DraftStore {
  private final DSLContext db;
  private final StepAuthors rooms;

  DraftStore(DSLContext db, StepAuthors rooms) {
    this.db = db;
    this.rooms = rooms;
  }

  static StepKind kind(StepRecord row) {
    return CoreJson.word(StepKind.class, row.getKind());
  }

  Content content(StepRecord row) {
    return rooms.read(kind(row), row.getContent());
  }

  List<ScaleRecord> scales(CourseId course) {
    return db.selectFrom(SCALE)
        .where(SCALE.COURSE_ID.eq(course), SCALE.DELETED_AT.isNull())
        .orderBy(SCALE.ID)
        .fetch();
  }

  List<OutcomeRecord> outcomes(CourseId course) {
    return db.selectFrom(OUTCOME)
        .where(OUTCOME.COURSE_ID.eq(course), OUTCOME.DELETED_AT.isNull())
        .orderBy(OUTCOME.POSITION, OUTCOME.ID)
        .fetch();
  }

  List<ModuleRecord> modules(CourseId course) {
    return db.selectFrom(MODULE)
        .where(MODULE.COURSE_ID.eq(course), MODULE.DELETED_AT.isNull())
        .orderBy(MODULE.POSITION, MODULE.ID)
        .fetch();
  }

  /** A step goes with its module, and comes back with it. */
  static final Condition IN_A_MODULE =
      STEP.MODULE_ID.in(select(MODULE.ID).from(MODULE).where(MODULE.DELETED_AT.isNull()));

  List<StepRecord> steps(CourseId course) {
    return db.selectFrom(STEP)
        .where(STEP.COURSE_ID.eq(course), STEP.DELETED_AT.isNull(), IN_A_MODULE)
        .orderBy(STEP.POSITION, STEP.ID)
        .fetch();
  }

  List<BadgeRecord> badges(CourseId course) {
    return db.selectFrom(BADGE)
        .where(BADGE.COURSE_ID.eq(course), BADGE.DELETED_AT.isNull())
        .orderBy(BADGE.POSITION, BADGE.ID)
        .fetch();
  }

  List<RubricRecord> rubrics(CourseId course) {
    return db.selectFrom(RUBRIC)
        .where(RUBRIC.COURSE_ID.eq(course), RUBRIC.DELETED_AT.isNull())
        .orderBy(RUBRIC.ID)
        .fetch();
  }

  Map<GroupId, String> groups(CourseId course) {
    Map<GroupId, String> groups = new LinkedHashMap<>();
    db.selectFrom(LEARNER_GROUP)
        .where(LEARNER_GROUP.COURSE_ID.eq(course))
        .orderBy(LEARNER_GROUP.NAME)
        .forEach(g -> groups.put(g.getId(), g.getName()));
    return groups;
  }

  /** The whole draft; its version is one above the newest publication. */
  Document document(CourseId id) {
    var course = db.selectFrom(COURSE).where(COURSE.ID.eq(id)).fetchSingle();
    Map<ScaleId, Scale> scales =
        scales(id).stream().collect(Collectors.toMap(ScaleRecord::getId, DraftStore::scale));
    Map<ModuleId, List<StepRecord>> steps =
        steps(id).stream().collect(Collectors.groupingBy(StepRecord::getModuleId));
    List<CourseModule> modules = new ArrayList<>();
    Map<StepId, Content> contents = new HashMap<>();
    Map<StepId, Integer> minutes = new HashMap<>();
    for (ModuleRecord module : modules(id)) {
      List<StepRecord> own = steps.getOrDefault(module.getId(), List.of());
      modules.add(module(module, own.stream().map(DraftStore::step).toList()));
      for (StepRecord step : own) {
        contents.put(step.getId(), content(step));
        minutes.put(step.getId(), step.getMinutes());
      }
    }
    List<BadgeRecord> badges = badges(id);
    Map<BadgeId, BadgePicture> pictures = new HashMap<>();
    for (BadgeRecord badge : badges)
      pictures.put(badge.getId(), Json.read(badge.getPicture(), BadgePicture.class));
    var design =
        new CourseDesign(
            id,
            course.getPublishedVersion() + 1,
            course.getName(),
            ZoneId.of(course.getZone()),
            course.getStartsAt(),
            outcomes(id).stream().map(o -> outcome(o, scales)).toList(),
            modules,
            badges.stream().map(DraftStore::badge).toList(),
            flags(id),
            statuses(id),
            Optional.empty(),
            groups(id),
            otherCourses(id));
    return new Document(design, contents, minutes, pictures, rubrics(id, contents.values()));
  }

  /** The rubrics that steps use; a step whose rubric is gone has none. */
  private Map<RubricId, Rubric> rubrics(CourseId course, Collection<Content> contents) {
    Set<RubricId> used = new HashSet<>();
    contents.forEach(c -> c.rubric().ifPresent(used::add));
    Map<RubricId, Rubric> rubrics = new HashMap<>();
    for (RubricRecord row : rubrics(course)) {
      Rubric rubric = rubric(row);
      if (used.contains(rubric.id())) rubrics.put(rubric.id(), rubric);
    }
    return rubrics;
  }

  private List<Flag> flags(CourseId course) {
    return db.selectFrom(FLAG)
        .where(FLAG.COURSE_ID.eq(course))
        .orderBy(FLAG.POSITION, FLAG.ID)
        .fetch(f -> new Flag(f.getId(), f.getName(), Json.rule(f.getFlagWhen()).orElseThrow()));
  }

  List<AttendanceStatus> statuses(CourseId course) {
    return db.selectFrom(ATTENDANCE_STATUS)
        .where(ATTENDANCE_STATUS.COURSE_ID.eq(course))
        .orderBy(ATTENDANCE_STATUS.POSITION, ATTENDANCE_STATUS.NUMBER)
        .fetch(s ->
            new AttendanceStatus(
                new StatusId(s.getNumber()), s.getName(), s.getThere(), s.getCounts()));
  }

  private Map<CourseId, String> otherCourses(CourseId id) {
    return db.select(COURSE.ID, COURSE.NAME)
        .from(COURSE)
        .where(COURSE.ID.ne(id), COURSE.FRAMEWORK.isFalse())
        .fetchMap(r -> r.value1(), r -> r.value2());
  }

  static Scale scale(ScaleRecord s) {
    return new Scale(
        s.getId(), s.getName(), Json.list(s.getLevels(), Scale.Level.class), s.getMastery());
  }

  static Rubric rubric(RubricRecord r) {
    return new Rubric(r.getId(), r.getName(), Json.list(r.getCriteria(), Rubric.Criterion.class));
  }

  static Outcome outcome(OutcomeRecord o, Map<ScaleId, Scale> scales) {
    return new Outcome(
        o.getId(),
        o.getCode(),
        o.getName(),
        o.getDescription(),
        requireNonNull(scales.get(o.getScaleId())),
        Json.read(o.getLevelRule(), LevelRule.class),
        Optional.ofNullable(o.getMadeOf()).map(m -> Json.read(m, Composition.class)));
  }

  static CourseModule module(ModuleRecord m, List<Step> steps) {
    return new CourseModule(
        m.getId(),
        m.getName(),
        m.getPublished(),
        m.getStrictOrder(),
        Json.rule(m.getOpensWhen()),
        Json.rule(m.getDoneWhen()),
        new Step.Gate(m.getListed(), m.getStaysOpen()),
        steps);
  }

  static Step step(StepRecord s) {
    return new Step(
        s.getId(),
        s.getName(),
        kind(s),
        s.getRequired(),
        s.getPublished(),
        Json.rule(s.getOpensWhen()),
        Json.rule(s.getDoneWhen()).orElseThrow(),
        new Step.Gate(s.getListed(), s.getStaysOpen()),
        new Step.Window(
            Optional.ofNullable(s.getOpensAt()),
            Optional.ofNullable(s.getDueAt()),
            Optional.ofNullable(s.getClosesAt())),
        new Step.Scoring(s.getPoints(), s.getPassMark(), s.getAttempts()),
        Json.list(s.getTies(), Step.Tie.class),
        Json.read(s.getAudience(), Step.Audience.class));
  }

  static Badge badge(BadgeRecord b) {
    return new Badge(
        b.getId(),
        b.getName(),
        b.getDescription(),
        Optional.ofNullable(b.getModuleId()),
        Json.rule(b.getEarnedWhen()),
        b.getSurprise());
  }
}
