package yendrik.server.work;

import static yendrik.schema.Tables.HANDED_IN;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.StepId;

/** What was handed in, version by version. */
@Repository
public class Versions {
  private final DSLContext db;
  private final Clock clock;

  Versions(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
  }

  /** One handing-in. */
  public record Version(int version, Instant at, String text) {}

  /** Where work is handed in. */
  public record Place(EnrolmentId enrolment, StepId step) {}

  /** The newest handing-in, without what was handed in. */
  public record Newest(int version, Instant at) {}

  /** All versions of a learner's work at a step, oldest first. */
  public List<Version> of(EnrolmentId enrolment, StepId step) {
    return db.selectFrom(HANDED_IN)
        .where(HANDED_IN.ENROLMENT_ID.eq(enrolment), HANDED_IN.STEP_ID.eq(step))
        .orderBy(HANDED_IN.VERSION)
        .fetch(h -> new Version(h.getVersion(), h.getAt(), h.getBody()));
  }

  /** The newest of everything that these learners handed in. */
  public Map<Place, Newest> newest(Collection<EnrolmentId> enrolments) {
    Map<Place, Newest> newest = new HashMap<>();
    db.select(HANDED_IN.ENROLMENT_ID, HANDED_IN.STEP_ID, HANDED_IN.VERSION, HANDED_IN.AT)
        .from(HANDED_IN)
        .where(HANDED_IN.ENROLMENT_ID.in(enrolments))
        .orderBy(HANDED_IN.VERSION)
        .forEach(
            r -> newest.put(new Place(r.value1(), r.value2()), new Newest(r.value3(), r.value4())));
    return newest;
  }

  /** Keeps another version. */
  public void add(EnrolmentId enrolment, StepId step, int version, String text) {
    db.insertInto(HANDED_IN)
        .set(HANDED_IN.ENROLMENT_ID, enrolment)
        .set(HANDED_IN.STEP_ID, step)
        .set(HANDED_IN.VERSION, version)
        .set(HANDED_IN.BODY, text)
        .set(HANDED_IN.AT, clock.instant())
        .execute();
  }
}
