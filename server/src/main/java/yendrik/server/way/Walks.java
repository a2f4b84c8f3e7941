package yendrik.server.way;

import static yendrik.schema.Tables.ATTEMPT;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.HANDED_IN;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.FactId;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Decision;
import yendrik.core.progress.Latches;
import yendrik.core.progress.Progress;
import yendrik.core.progress.Replay;
import yendrik.core.progress.StepState;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.record.LearnerRecord;
import yendrik.schema.tables.records.EnrolmentRecord;
import yendrik.server.design.Designs;
import yendrik.server.design.Json;
import yendrik.server.http.Problem;
import yendrik.server.live.Events;

/**
 * The way of every act: lock the enrolment, append facts, let core work out what follows, write the
 * snapshot and tell who watches, all in one transaction.
 */
@Service
@Transactional
public class Walks {
  private final DSLContext db;
  private final FactStore facts;
  private final Designs designs;
  private final Events events;
  private final Clock clock;

  Walks(DSLContext db, FactStore facts, Designs designs, Events events, Clock clock) {
    this.db = db;
    this.facts = facts;
    this.designs = designs;
    this.events = events;
    this.clock = clock;
  }

  /** What an act adds: decided from the way so far, so that checking and acting see the same. */
  public interface Act extends Function<Walk, List<Fact.What>> {}

  /** Enrols somebody; if they are enrolled already, nothing happens. */
  public long enrol(CourseId course, long person, Optional<Long> by) {
    Optional<Long> known = enrolment(course, person);
    if (known.isPresent()) return known.get();
    designs
        .published(course)
        .orElseThrow(() -> Problem.conflict("Publish the course before enrolling learners."));
    long id = begin(course, person, by, /* practice= */ false);
    completedElsewhere(person, course)
        .forEach(c -> act(id, Optional.empty(), _ -> List.of(new Fact.CompletedCourse(c))));
    return id;
  }

  private List<CourseId> completedElsewhere(long person, CourseId course) {
    return db.select(ENROLMENT.COURSE_ID)
        .from(ENROLMENT)
        .where(
            ENROLMENT.PERSON_ID.eq(person),
            ENROLMENT.COURSE_ID.ne(course.value()),
            ENROLMENT.COMPLETED_AT.isNotNull(),
            ENROLMENT.PRACTICE.isFalse())
        .fetch(r -> new CourseId(r.value1()));
  }

  /** The row and the first fact are of one moment, since everything follows from the facts. */
  private long begin(CourseId course, long person, Optional<Long> by, boolean practice) {
    Instant now = clock.instant();
    long id = insert(course, person, practice, now);
    change(id, by, _ -> List.of(new Fact.Enrolled()), Optional.empty(), now);
    return id;
  }

  private long insert(CourseId course, long person, boolean practice, Instant now) {
    return db.insertInto(ENROLMENT)
        .set(ENROLMENT.COURSE_ID, course.value())
        .set(ENROLMENT.PERSON_ID, person)
        .set(ENROLMENT.PRACTICE, practice)
        .set(ENROLMENT.ENROLLED_AT, now)
        .set(ENROLMENT.DESIGN_VERSION, 0)
        .set(ENROLMENT.AS_OF, now)
        .set(ENROLMENT.LATCHES, Json.of(Latches.none(now.toEpochMilli())))
        .set(ENROLMENT.SUMMARY, Json.of(Summary.EMPTY))
        .returning(ENROLMENT.ID)
        .fetchSingle(ENROLMENT.ID);
  }

  @Transactional(readOnly = true)
  public Optional<Long> enrolment(CourseId course, long person) {
    return find(course, person, /* practice= */ false);
  }

  private Optional<Long> find(CourseId course, long person, boolean practice) {
    return db.select(ENROLMENT.ID)
        .from(ENROLMENT)
        .where(
            ENROLMENT.COURSE_ID.eq(course.value()),
            ENROLMENT.PERSON_ID.eq(person),
            ENROLMENT.PRACTICE.eq(practice))
        .fetchOptional(ENROLMENT.ID);
  }

  /** The made-up learner of a member of staff, who walks the draft; made on first use. */
  public long practice(CourseId course, long staff) {
    return find(course, staff, true)
        .orElseGet(() -> {
          designs.readyDraft(course);
          return begin(course, staff, Optional.of(staff), /* practice= */ true);
        });
  }

  /** Takes a made-up learner away with all their facts, the only ones that are ever deleted. */
  public void startOver(CourseId course, long staff) {
    find(course, staff, true)
        .ifPresent(id -> {
          facts.deleteAll(id);
          db.deleteFrom(HANDED_IN).where(HANDED_IN.ENROLMENT_ID.eq(id)).execute();
          db.deleteFrom(ATTEMPT).where(ATTEMPT.ENROLMENT_ID.eq(id)).execute();
          db.deleteFrom(ENROLMENT).where(ENROLMENT.ID.eq(id)).execute();
        });
  }

  /** Adds facts and works out what follows. */
  public Walk act(long enrolment, Optional<Long> by, Act act) {
    return change(enrolment, by, act, Optional.empty(), clock.instant());
  }

  /** Puts a fact in the place of an earlier one and works everything out anew. */
  public Walk correct(long enrolment, Optional<Long> by, FactId replaced, Fact.What what) {
    return change(enrolment, by, _ -> List.of(what), Optional.of(replaced), clock.instant());
  }

  private Walk change(
      long id, Optional<Long> by, Act act, Optional<FactId> replaces, Instant moment) {
    EnrolmentRecord row =
        db.selectFrom(ENROLMENT).where(ENROLMENT.ID.eq(id)).forUpdate().fetchSingle();
    Walk walk = load(row);
    List<Decision> decisions = new ArrayList<>(walk.progress().advance(moment));
    Instant at = walk.progress().asOf();
    List<Fact.What> whats = act.apply(walk);
    List<Fact> added = new ArrayList<>();
    for (Fact.What what : whats) {
      Fact fact = new Fact(facts.nextId(), at, by.map(PersonId::new), what, replaces);
      added.add(fact);
      if (replaces.isEmpty()) decisions.addAll(walk.progress().take(fact));
    }
    List<Fact> all = new ArrayList<>(walk.facts());
    all.addAll(added);
    Progress progress = walk.progress();
    if (replaces.isPresent()) {
      progress = anew(row, all, at);
      decisions.addAll(progress.advance(at));
    }
    List<Fact> followed = follow(progress, decisions, at);
    added.addAll(followed);
    all.addAll(followed);
    facts.append(walk.course(), id, added);
    Walk now =
        new Walk(id, walk.course(), walk.person(), walk.practice(), progress, all, walk.ready());
    store(row, now);
    if (!walk.practice() && decisions.stream().anyMatch(d -> d instanceof Decision.CourseCompleted))
      tellOtherCourses(walk);
    return now;
  }

  /** Decisions that become facts of their own. */
  private List<Fact> follow(Progress progress, List<Decision> decisions, Instant at) {
    List<Fact> followed = new ArrayList<>();
    for (Decision decision : decisions)
      if (decision instanceof Decision.BadgeEarned earned) {
        var issued = new Fact.BadgeIssued(earned.badge(), "");
        Fact fact = new Fact(facts.nextId(), at, Optional.empty(), issued, Optional.empty());
        progress.take(fact);
        followed.add(fact);
      }
    return followed;
  }

  private void tellOtherCourses(Walk walk) {
    db.select(ENROLMENT.ID)
        .from(ENROLMENT)
        .where(
            ENROLMENT.PERSON_ID.eq(walk.person()),
            ENROLMENT.COURSE_ID.ne(walk.course().value()),
            ENROLMENT.PRACTICE.isFalse())
        .orderBy(ENROLMENT.ID)
        .forEach(r ->
            act(
                r.value1(),
                Optional.empty(),
                _ -> List.of(new Fact.CompletedCourse(walk.course()))));
  }

  /** A learner's way, worked out up to now; nothing is written. */
  @Transactional(readOnly = true)
  public Walk see(long enrolment) {
    return asOfNow(load(db.selectFrom(ENROLMENT).where(ENROLMENT.ID.eq(enrolment)).fetchSingle()));
  }

  /** The ways of several learners, worked out up to now; nothing is written. */
  @Transactional(readOnly = true)
  public List<Walk> seeAll(List<Long> enrolments) {
    Map<Long, List<Fact>> known = facts.ofAll(enrolments);
    return db.selectFrom(ENROLMENT).where(ENROLMENT.ID.in(enrolments)).fetch().stream()
        .map(row -> asOfNow(load(row, known.getOrDefault(row.getId(), List.of()))))
        .toList();
  }

  private Walk load(EnrolmentRecord row) {
    return load(row, facts.of(row.getId()));
  }

  private Walk load(EnrolmentRecord row, List<Fact> all) {
    var course = new CourseId(row.getCourseId());
    Designs.Ready ready = ready(row, course);
    Latches latches = Json.read(row.getLatches(), Latches.class);
    var person = new PersonId(row.getPersonId());
    Progress progress = Progress.resume(ready.compiled(), person, Facts.standing(all), latches);
    return new Walk(
        row.getId(), course, row.getPersonId(), row.getPractice(), progress, all, ready);
  }

  private Walk asOfNow(Walk walk) {
    walk.progress().advance(clock.instant());
    return walk;
  }

  private Designs.Ready ready(EnrolmentRecord row, CourseId course) {
    return row.getPractice()
        ? designs.readyDraft(course)
        : designs.version(
            course,
            row.getDesignVersion() == 0
                ? designs.published(course).orElseThrow().version()
                : row.getDesignVersion());
  }

  /** Everything from the facts, with nothing taken from the snapshot. */
  private Progress anew(EnrolmentRecord row, List<Fact> all, Instant until) {
    var course = new CourseId(row.getCourseId());
    List<Replay.InForce> history =
        row.getPractice()
            ? List.of(new Replay.InForce(designs.readyDraft(course).compiled(), Instant.EPOCH))
            : designs.history(course);
    return Replay.run(history, new PersonId(row.getPersonId()), all, until);
  }

  private void store(EnrolmentRecord row, Walk walk) {
    Progress progress = walk.progress();
    LearnerRecord record = progress.record();
    row.setDesignVersion(walk.practice() ? 0 : walk.ready().version());
    row.setAsOf(progress.asOf());
    row.setNextAt(
        progress.nextMoment() == Long.MAX_VALUE
            ? null
            : Instant.ofEpochMilli(progress.nextMoment()));
    row.setThread(progress.thread());
    row.setShare(progress.share());
    row.setLastHere(
        record.lastHere() == LearnerRecord.NEVER ? null : Instant.ofEpochMilli(record.lastHere()));
    row.setCompletedAt(progress.completedAt().orElse(null));
    row.setWaiting(waiting(progress));
    row.setLatches(Json.of(progress.latches()));
    Summary summary = summary(progress);
    row.setSummary(Json.of(summary));
    row.setTrend(Json.of(Trend.of(record)));
    row.update();
    if (!walk.practice()) events.changed(walk.course(), walk.person(), summary.groups());
  }

  private static int waiting(Progress progress) {
    int n = 0;
    for (int s = 0; s < progress.course().index().steps(); s++)
      if (progress.bead(s).state() == StepState.WAITING) n++;
    return n;
  }

  static Summary summary(Progress progress) {
    var index = progress.course().index();
    List<Summary.Raised> flags = new ArrayList<>();
    for (int f = 0; f < progress.course().flags(); f++) {
      var flag = index.design().flags().get(f);
      progress
          .flaggedAt(f)
          .ifPresent(at -> flags.add(new Summary.Raised(flag.id().value(), flag.name(), at)));
    }
    Map<Long, Integer> levels = new HashMap<>();
    for (int o = 0; o < index.outcomes(); o++) {
      long id = index.outcome(o).id().value();
      progress.record().level(o).ifPresent(level -> levels.put(id, level));
    }
    List<Long> badges = new ArrayList<>();
    for (int b = 0; b < index.badges(); b++)
      if (progress.sight().holds(b)) badges.add(index.badge(b).id().value());
    List<Long> groups = progress.record().groups().stream().map(g -> g.value()).sorted().toList();
    Map<Long, Fact.Presence> sessions = new HashMap<>();
    progress.record().sessions().forEach((id, mark) -> sessions.put(id.value(), mark));
    Map<Long, Double> scores = new HashMap<>();
    for (int s = 0; s < index.steps(); s++)
      if (progress.record().scored(s))
        scores.put(index.step(s).id().value(), Math.min(1, progress.record().score(s)));
    return new Summary(flags, levels, groups, badges, sessions, scores);
  }

  /** Brings a learner under a new publication. */
  void moveTo(long enrolment, Designs.Ready next, Instant at) {
    EnrolmentRecord row =
        db.selectFrom(ENROLMENT).where(ENROLMENT.ID.eq(enrolment)).forUpdate().fetchSingle();
    Walk walk = load(row);
    Progress moved = walk.progress().under(next.compiled(), Facts.standing(walk.facts()), at);
    List<Fact> followed = follow(moved, moved.advance(at), at);
    facts.append(walk.course(), enrolment, followed);
    List<Fact> all = new ArrayList<>(walk.facts());
    all.addAll(followed);
    store(row, new Walk(enrolment, walk.course(), walk.person(), false, moved, all, next));
  }

  /**
   * Works a learner's state out from the facts alone and compares it with what is stored.
   *
   * @return what differs, in words; empty when nothing does
   */
  public Optional<String> rebuild(long enrolment) {
    EnrolmentRecord row =
        db.selectFrom(ENROLMENT).where(ENROLMENT.ID.eq(enrolment)).forUpdate().fetchSingle();
    Progress anew = anew(row, facts.of(enrolment), row.getAsOf());
    Latches stored = Json.read(row.getLatches(), Latches.class);
    if (stored.equals(anew.latches()) && row.getThread().equals(anew.thread()))
      return Optional.empty();
    return Optional.of(
        "stored "
            + stored
            + " "
            + row.getThread()
            + ", from facts "
            + anew.latches()
            + " "
            + anew.thread());
  }

  /**
   * Lives through moments that have come for up to {@code most} learners, skipping those that
   * another server has in hand.
   *
   * @return how many learners were looked at
   */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public int liveDueMoments(int most) {
    List<Long> due =
        db.select(ENROLMENT.ID)
            .from(ENROLMENT)
            .where(ENROLMENT.NEXT_AT.le(clock.instant()), ENROLMENT.PRACTICE.isFalse())
            .orderBy(ENROLMENT.NEXT_AT)
            .limit(most)
            .forUpdate()
            .skipLocked()
            .fetch(ENROLMENT.ID);
    due.forEach(id -> act(id, Optional.empty(), _ -> List.of()));
    return due.size();
  }

  /** Enrolments of real learners in a course. */
  @Transactional(readOnly = true)
  public List<Long> learners(CourseId course) {
    return db.select(ENROLMENT.ID)
        .from(ENROLMENT)
        .where(ENROLMENT.COURSE_ID.eq(course.value()), ENROLMENT.PRACTICE.isFalse())
        .orderBy(ENROLMENT.ID)
        .fetch(ENROLMENT.ID);
  }

  /** Whether the course is there at all. */
  @Transactional(readOnly = true)
  public boolean exists(CourseId course) {
    return db.fetchExists(COURSE, COURSE.ID.eq(course.value()));
  }
}
