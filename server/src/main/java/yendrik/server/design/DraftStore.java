package yendrik.server.design;

import static java.util.Objects.requireNonNull;
import static org.jooq.impl.DSL.multiset;
import static org.jooq.impl.DSL.selectFrom;
import static yendrik.schema.Tables.ATTENDANCE_STATUS;
import static yendrik.schema.Tables.BADGE;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.FLAG;
import static yendrik.schema.Tables.LEARNER_GROUP;
import static yendrik.schema.Tables.MODULE;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.RUBRIC;
import static yendrik.schema.Tables.SCALE;
import static yendrik.schema.Tables.SESSION;
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
import yendrik.core.id.PersonId;
import yendrik.core.id.RubricId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.rubric.Rubric;
import yendrik.core.words.OwnWords;
import yendrik.schema.tables.records.BadgeRecord;
import yendrik.schema.tables.records.FlagRecord;
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

  Content content(StepRecord row) {
    Content kept = rooms.read(row.getKind(), row.getContent());
    return rooms.whole(row.getCourseId(), row.getId(), row.getKind(), kept);
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

  /** A module with its steps. */
  record ModuleRows(ModuleRecord module, List<StepRecord> steps) {}

  /** The modules in order, each with its steps in order; a step goes with its module. */
  List<ModuleRows> modules(CourseId course) {
    var steps =
        multiset(
                selectFrom(STEP)
                    .where(STEP.MODULE_ID.eq(MODULE.ID), STEP.DELETED_AT.isNull())
                    .orderBy(STEP.POSITION, STEP.ID))
            .convertFrom(rows -> rows.into(STEP));
    return db.select(MODULE.fields())
        .select(steps)
        .from(MODULE)
        .where(MODULE.COURSE_ID.eq(course), MODULE.DELETED_AT.isNull())
        .orderBy(MODULE.POSITION, MODULE.ID)
        .fetch(row -> new ModuleRows(row.into(MODULE), row.get(steps)));
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
    return groups(LEARNER_GROUP.COURSE_ID.eq(course).and(LEARNER_GROUP.OVER_AT.isNull()));
  }

  Map<GroupId, String> groupNames(CourseId course) {
    return groups(LEARNER_GROUP.COURSE_ID.eq(course));
  }

  private Map<SessionId, String> sessions(CourseId course) {
    Map<SessionId, String> sessions = new LinkedHashMap<>();
    db.selectFrom(SESSION)
        .where(SESSION.COURSE_ID.eq(course), SESSION.DELETED_AT.isNull())
        .orderBy(SESSION.STARTS_AT, SESSION.ID)
        .forEach(s -> sessions.put(s.getId(), s.getName()));
    return sessions;
  }

  private Map<GroupId, String> groups(Condition which) {
    Map<GroupId, String> groups = new LinkedHashMap<>();
    db.selectFrom(LEARNER_GROUP)
        .where(which)
        .orderBy(LEARNER_GROUP.NAME)
        .forEach(g -> groups.put(g.getId(), g.getName()));
    return groups;
  }

  /** Whether all of these learn in the course. */
  boolean enrolled(CourseId course, Collection<PersonId> people) {
    return db.fetchCount(
            ENROLMENT,
            ENROLMENT.COURSE_ID.eq(course),
            ENROLMENT.PRACTICE.isFalse(),
            ENROLMENT.PERSON_ID.in(people))
        == Set.copyOf(people).size();
  }

  /** Whether all of these are groups of the course; until the act is over none of them ends. */
  boolean hold(CourseId course, Collection<GroupId> groups) {
    return db.select(LEARNER_GROUP.ID)
            .from(LEARNER_GROUP)
            .where(
                LEARNER_GROUP.COURSE_ID.eq(course),
                LEARNER_GROUP.ID.in(groups),
                LEARNER_GROUP.OVER_AT.isNull())
            .orderBy(LEARNER_GROUP.ID)
            .forShare()
            .fetch()
            .size()
        == Set.copyOf(groups).size();
  }

  /** The whole draft; its version is one above the newest publication. */
  Document document(CourseId id) {
    var course = db.selectFrom(COURSE).where(COURSE.ID.eq(id)).fetchSingle();
    Map<ScaleId, Scale> scales =
        scales(id).stream().collect(Collectors.toMap(ScaleRecord::getId, DraftStore::scale));
    List<CourseModule> modules = new ArrayList<>();
    Map<StepId, Content> kept = new HashMap<>();
    Map<StepId, StepKind> kinds = new HashMap<>();
    Map<StepId, Integer> minutes = new HashMap<>();
    Map<StepId, OwnWords> words = new HashMap<>();
    for (ModuleRows rows : modules(id)) {
      modules.add(module(rows.module, rows.steps.stream().map(DraftStore::step).toList()));
      for (StepRecord step : rows.steps) {
        kept.put(step.getId(), rooms.read(step.getKind(), step.getContent()));
        kinds.put(step.getId(), step.getKind());
        minutes.put(step.getId(), step.getMinutes());
        if (!step.getOwnWords().equals(OwnWords.NONE)) words.put(step.getId(), step.getOwnWords());
      }
    }
    Map<StepId, Content> contents = rooms.whole(id, kept, kinds);
    List<BadgeRecord> badges = badges(id);
    Map<BadgeId, BadgeFace> faces = new HashMap<>();
    for (BadgeRecord badge : badges)
      faces.put(badge.getId(), Json.read(badge.getFace(), BadgeFace.class));
    var design =
        new CourseDesign(
            id,
            course.getPublishedVersion() + 1,
            course.getName(),
            ZoneId.of(course.getZone()),
            course.getStartsAt(),
            course.getStrictOrder() ? CourseDesign.Order.STRICT : CourseDesign.Order.FREE,
            outcomes(id).stream().map(o -> outcome(o, scales)).toList(),
            modules,
            badges.stream().map(DraftStore::badge).toList(),
            flags(id),
            statuses(id),
            Optional.ofNullable(course.getCompleteWhen()),
            groups(id),
            sessions(id),
            otherCourses(id));
    return new Document(design, contents, minutes, words, faces, rubrics(id, contents.values()));
  }

  /** The rubrics that steps use; a step whose rubric is gone has none. */
  private Map<RubricId, Rubric> rubrics(CourseId course, Collection<Content> contents) {
    Set<RubricId> used = new HashSet<>();
    contents.forEach(c -> used.addAll(c.rubrics()));
    Map<RubricId, Rubric> rubrics = new HashMap<>();
    for (RubricRecord row : rubrics(course)) {
      Rubric rubric = rubric(row);
      if (used.contains(rubric.id())) rubrics.put(rubric.id(), rubric);
    }
    return rubrics;
  }

  List<FlagRecord> flagRows(CourseId course) {
    return db.selectFrom(FLAG)
        .where(FLAG.COURSE_ID.eq(course), FLAG.DELETED_AT.isNull())
        .orderBy(FLAG.POSITION, FLAG.ID)
        .fetch();
  }

  private List<Flag> flags(CourseId course) {
    return flagRows(course).stream()
        .map(f -> new Flag(f.getId(), f.getName(), f.getFlagWhen()))
        .toList();
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
        .where(COURSE.ID.ne(id), COURSE.FRAMEWORK.isFalse(), COURSE.SHELF.isFalse())
        .fetchMap(r -> r.value1(), r -> r.value2());
  }

  static Scale scale(ScaleRecord s) {
    return new Scale(s.getId(), s.getName(), s.getLevels(), s.getMastery());
  }

  static Rubric rubric(RubricRecord r) {
    return new Rubric(r.getId(), r.getName(), r.getCriteria());
  }

  static Outcome outcome(OutcomeRecord o, Map<ScaleId, Scale> scales) {
    return new Outcome(
        o.getId(),
        o.getCode(),
        o.getName(),
        o.getDescription(),
        requireNonNull(scales.get(o.getScaleId())),
        o.getLevelRule(),
        Optional.ofNullable(o.getMadeOf()));
  }

  static CourseModule module(ModuleRecord m, List<Step> steps) {
    return new CourseModule(
        m.getId(),
        m.getName(),
        m.getPublished(),
        m.getStrictOrder(),
        Optional.ofNullable(m.getOpensWhen()),
        Optional.ofNullable(m.getDoneWhen()),
        new Step.Gate(m.getListed(), m.getStaysOpen(), Step.Missing.of(m.getTells())),
        steps);
  }

  static Step step(StepRecord s) {
    return new Step(
        s.getId(),
        s.getName(),
        s.getKind(),
        s.getRequired(),
        s.getPublished(),
        Optional.ofNullable(s.getOpensWhen()),
        s.getDoneWhen(),
        new Step.Gate(s.getListed(), s.getStaysOpen(), Step.Missing.of(s.getTells())),
        StepDrafts.window(s),
        Step.Scoring.counting(s.getPoints(), s.getPassMark(), s.getAttempts(), s.getCounts()),
        s.getTies(),
        s.getAudience(),
        s.getAllowances());
  }

  static Badge badge(BadgeRecord b) {
    return new Badge(
        b.getId(),
        b.getName(),
        b.getDescription(),
        Optional.ofNullable(b.getModuleId()),
        Optional.ofNullable(b.getEarnedWhen()),
        b.getSurprise(),
        b.getValidity());
  }
}
