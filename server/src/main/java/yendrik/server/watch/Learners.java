package yendrik.server.watch;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.PERSON;

import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Bead;
import yendrik.core.progress.StepState;
import yendrik.server.design.Designs;
import yendrik.server.design.Json;
import yendrik.server.http.Problem;
import yendrik.server.people.Seat;
import yendrik.server.way.Summary;
import yendrik.server.way.Trend;

/** Snapshots of the learners that a member of staff may see; no facts are read for these. */
@Service
@Transactional(readOnly = true)
public class Learners {
  private static final char NOT_THERE =
      new Bead(StepState.NOT_FOR_THEM, /* overdue= */ false, /* outOfReach= */ false).letter();

  private final DSLContext db;
  private final Designs designs;

  Learners(DSLContext db, Designs designs) {
    this.db = db;
    this.designs = designs;
  }

  /**
   * One learner's snapshot.
   *
   * @param thread a bead for each step of what is published, in its order, also where the learner
   *     has an earlier publication
   */
  public record Snapshot(
      EnrolmentId enrolment,
      PersonId person,
      String name,
      String email,
      Instant enrolledAt,
      Optional<Instant> lastHere,
      double share,
      String thread,
      int waiting,
      Optional<Instant> completedAt,
      Summary summary) {}

  /** All of them, by name. */
  public List<Snapshot> of(Seat seat) {
    return where(seat, DSL.noCondition());
  }

  /** Those of some people, or all of them where nobody is named; by name. */
  public List<Snapshot> of(Seat seat, Set<PersonId> people) {
    return where(seat, among(people));
  }

  private static Condition among(Set<PersonId> people) {
    return people.isEmpty() ? DSL.noCondition() : ENROLMENT.PERSON_ID.in(people);
  }

  /** Whether somebody sees a learner of their course. */
  public boolean sees(Seat seat, EnrolmentId learner) {
    return where(seat, ENROLMENT.ID.eq(learner)).stream()
        .anyMatch(s -> s.enrolment().equals(learner));
  }

  /**
   * Makes sure that somebody sees all of these learners.
   *
   * @throws Problem if not, as if they were not there
   */
  public void seesAll(Seat seat, Collection<EnrolmentId> all) {
    Set<EnrolmentId> seen = new HashSet<>();
    where(seat, ENROLMENT.ID.in(all)).forEach(s -> seen.add(s.enrolment()));
    if (!seen.containsAll(all)) throw Problem.notFound("learner");
  }

  /** How a learner's levels moved since they were enrolled. */
  record Moved(Instant enrolledAt, Trend trend) {}

  /** How the levels of each learner moved; of those of one group only, if any is named. */
  List<Moved> moved(Seat seat, Optional<GroupId> group) {
    Field<JSONB> groups = DSL.jsonbGetAttribute(ENROLMENT.SUMMARY, DSL.inline("groups"));
    return db
        .select(ENROLMENT.ENROLLED_AT, groups, ENROLMENT.TREND)
        .from(ENROLMENT)
        .where(ENROLMENT.COURSE_ID.eq(seat.course()), ENROLMENT.PRACTICE.isFalse())
        .fetch()
        .stream()
        .filter(r -> {
          List<GroupId> own = Json.list(r.value2(), GroupId.class);
          return seat.sees(own) && (group.isEmpty() || own.contains(group.get()));
        })
        .map(r -> new Moved(r.value1(), Json.read(r.value3(), Trend.class)))
        .toList();
  }

  /** When each of some people had done which modules, or everybody where nobody is named. */
  public Map<EnrolmentId, Map<ModuleId, Instant>> modulesDone(
      CourseId course, Set<PersonId> people) {
    Field<JSONB> done = DSL.jsonbGetAttribute(ENROLMENT.LATCHES, DSL.inline("moduleDone"));
    Map<EnrolmentId, Map<ModuleId, Instant>> all = new HashMap<>();
    db.select(ENROLMENT.ID, done)
        .from(ENROLMENT)
        .where(ENROLMENT.COURSE_ID.eq(course), ENROLMENT.PRACTICE.isFalse(), among(people))
        .forEach(r -> all.put(r.value1(), moments(r.value2())));
    return all;
  }

  private static Map<ModuleId, Instant> moments(JSONB kept) {
    Map<ModuleId, Instant> moments = new HashMap<>();
    Json.read(kept, ObjectNode.class)
        .properties()
        .forEach(done ->
            moments.put(
                new ModuleId(Long.parseLong(done.getKey())),
                Instant.ofEpochMilli(done.getValue().asLong())));
    return moments;
  }

  /** What is published last, and the threads of those who have another publication in its order. */
  private final class Threads {
    private final CourseId course;
    private final Map<Integer, int[]> places = new HashMap<>();

    Threads(CourseId course) {
      this.course = course;
    }

    String of(String thread, int has, int published) {
      if (has == published) return thread;
      StringBuilder strung = new StringBuilder();
      for (int place : places.computeIfAbsent(has, _ -> places(has, published)))
        strung.append(
            place == CourseIndex.UNKNOWN || place >= thread.length()
                ? NOT_THERE
                : thread.charAt(place));
      return strung.toString();
    }

    private int[] places(int has, int published) {
      CourseIndex own = designs.version(course, has).compiled().index();
      CourseIndex now = designs.version(course, published).compiled().index();
      return IntStream.range(0, now.steps()).map(s -> own.number(now.step(s).id())).toArray();
    }
  }

  private List<Snapshot> where(Seat seat, Condition which) {
    Threads threads = new Threads(seat.course());
    return db
        .select(
            ENROLMENT.ID,
            ENROLMENT.PERSON_ID,
            PERSON.NAME,
            PERSON.EMAIL,
            ENROLMENT.ENROLLED_AT,
            ENROLMENT.LAST_HERE,
            ENROLMENT.SHARE,
            ENROLMENT.THREAD,
            ENROLMENT.WAITING,
            ENROLMENT.COMPLETED_AT,
            ENROLMENT.SUMMARY,
            ENROLMENT.DESIGN_VERSION,
            COURSE.PUBLISHED_VERSION)
        .from(ENROLMENT)
        .join(COURSE)
        .on(COURSE.ID.eq(ENROLMENT.COURSE_ID))
        .join(PERSON)
        .on(PERSON.ID.eq(ENROLMENT.PERSON_ID))
        .where(ENROLMENT.COURSE_ID.eq(seat.course()), ENROLMENT.PRACTICE.isFalse(), which)
        .orderBy(PERSON.NAME, ENROLMENT.ID)
        .fetch(r ->
            new Snapshot(
                r.value1(),
                r.value2(),
                r.value3(),
                r.value4(),
                r.value5(),
                Optional.ofNullable(r.value6()),
                r.value7(),
                threads.of(r.value8(), r.value12(), r.value13()),
                r.value9(),
                Optional.ofNullable(r.value10()),
                Json.read(r.value11(), Summary.class)))
        .stream()
        .filter(s -> seat.sees(s.summary().groups()))
        .toList();
  }

  /** One learner, or a Problem as if there were none. */
  public Snapshot one(Seat seat, EnrolmentId enrolment) {
    return where(seat, ENROLMENT.ID.eq(enrolment)).stream()
        .findFirst()
        .orElseThrow(() -> Problem.notFound("learner"));
  }
}
