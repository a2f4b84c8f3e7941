package yendrik.server.jobs;

import static yendrik.schema.Tables.JOB;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;
import yendrik.schema.tables.records.JobRecord;
import yendrik.server.jobs.JobView.State;
import yendrik.server.people.Seat;

/** Jobs as rows, so that every server knows how far each is. */
@Repository
class JobRows {
  private static final Duration KEPT = Duration.ofDays(1);

  /** A server that has said nothing of a job for so long is gone. */
  private static final Duration SILENCE = Duration.ofMinutes(1);

  private static final int SHOWN = 20;
  private static final List<String> UNDER_WAY = List.of(State.WAITING.name(), State.RUNNING.name());
  private final DSLContext db;
  private final JsonMapper json;
  private final Clock clock;

  JobRows(DSLContext db, JsonMapper json, Clock clock) {
    this.db = db;
    this.json = json;
    this.clock = clock;
  }

  JobView begin(Seat seat, Work work) {
    JobRecord row = db.newRecord(JOB);
    row.setCourseId(seat.course());
    row.setPersonId(seat.person().id());
    row.setWhat(work.what());
    row.setState(State.WAITING.name());
    row.setStoppable(work.whole());
    row.setBegunAt(clock.instant());
    row.setHeardAt(clock.instant());
    row.store();
    row.refresh();
    return view(row);
  }

  /** What this person has begun in a course within a day, newest first. */
  List<JobView> of(Seat seat) {
    return db.selectFrom(JOB)
        .where(mine(seat))
        .orderBy(JOB.ID.desc())
        .limit(SHOWN)
        .fetch(this::view);
  }

  Optional<JobView> one(Seat seat, long id) {
    return db.selectFrom(JOB).where(mine(seat), JOB.ID.eq(id)).fetchOptional(this::view);
  }

  private static Condition mine(Seat seat) {
    return JOB.PERSON_ID.eq(seat.person().id()).and(JOB.COURSE_ID.eq(seat.course()));
  }

  private JobView view(JobRecord row) {
    State state = State.valueOf(row.getState());
    boolean silent = row.getHeardAt().isBefore(clock.instant().minus(SILENCE));
    return new JobView(
        row.getId(),
        row.getWhat(),
        !state.ended() && silent ? State.LOST : state,
        row.getDone(),
        row.getTotal(),
        row.getStoppable(),
        Optional.ofNullable(row.getResult()).map(r -> json.readValue(r.data(), JobResult.class)),
        Optional.ofNullable(row.getProblem())
            .map(p -> json.readValue(p.data(), JobView.Trouble.class)));
  }

  /** Asks for the end of what can be stopped, at whichever server it runs. */
  void askToStop(Seat seat, long id) {
    db.update(JOB)
        .set(JOB.STOP_ASKED, true)
        .where(mine(seat), JOB.ID.eq(id), JOB.STOPPABLE.isTrue(), JOB.STATE.in(UNDER_WAY))
        .execute();
  }

  /** Which of these are to be stopped. */
  Set<Long> toBeStopped(Collection<Long> jobs) {
    return db.select(JOB.ID)
        .from(JOB)
        .where(JOB.ID.in(jobs), JOB.STOP_ASKED.isTrue())
        .fetchSet(JOB.ID);
  }

  /** Says that a job is under way and how far. One that has ended stays as it is. */
  void tell(long id, State state, int done, int of) {
    db.update(JOB)
        .set(JOB.STATE, state.name())
        .set(JOB.DONE, done)
        .set(JOB.TOTAL, of)
        .set(JOB.HEARD_AT, clock.instant())
        .where(JOB.ID.eq(id), JOB.STATE.in(UNDER_WAY))
        .execute();
  }

  /** It is done, all of it. */
  void done(long id, JobResult result, int all) {
    db.update(JOB)
        .set(JOB.STATE, State.DONE.name())
        .set(JOB.DONE, all)
        .set(JOB.TOTAL, all)
        .set(JOB.RESULT, JSONB.valueOf(json.writerFor(JobResult.class).writeValueAsString(result)))
        .where(JOB.ID.eq(id))
        .execute();
  }

  void refused(long id, JobView.Trouble why) {
    db.update(JOB)
        .set(JOB.STATE, State.REFUSED.name())
        .set(JOB.PROBLEM, JSONB.valueOf(json.writeValueAsString(why)))
        .where(JOB.ID.eq(id))
        .execute();
  }

  void ended(long id, State state) {
    db.update(JOB).set(JOB.STATE, state.name()).where(JOB.ID.eq(id)).execute();
  }

  @Scheduled(fixedDelay = 3_600_000)
  void forget() {
    Instant before = clock.instant().minus(KEPT);
    db.deleteFrom(JOB).where(JOB.BEGUN_AT.lt(before)).execute();
  }
}
