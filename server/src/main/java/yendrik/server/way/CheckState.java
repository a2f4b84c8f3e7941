package yendrik.server.way;

import static yendrik.schema.Tables.STATE_CHECK;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.EnrolmentId;

/**
 * Works every learner out anew from the facts and compares that with what is kept. Reads only,
 * unless it is asked to repair; learners and other servers go on meanwhile.
 */
@Component
public class CheckState {
  private static final Logger LOG = LoggerFactory.getLogger(CheckState.class);
  private static final int AT_ONCE = 100;
  private final DSLContext db;
  private final Walks walks;
  private final Clock clock;

  CheckState(DSLContext db, Walks walks, Clock clock) {
    this.db = db;
    this.walks = walks;
    this.clock = clock;
  }

  /** How many learners were looked at, how many differ and how many of these were repaired. */
  public record Found(int learners, int differing, int repaired) {}

  /** Hears of what is found while it is found. */
  public interface Listener {
    void differs(EnrolmentId enrolment, List<String> how);

    void checked(int learners);
  }

  public Found all(boolean repair, Listener listener) {
    int learners = 0;
    int differing = 0;
    int repaired = 0;
    List<EnrolmentId> some = walks.learnersAfter(Optional.empty(), AT_ONCE);
    while (!some.isEmpty()) {
      Map<EnrolmentId, List<String>> found = walks.compareAll(some);
      found.forEach(listener::differs);
      differing += found.size();
      if (repair)
        for (EnrolmentId enrolment : found.keySet()) if (repaired(enrolment, listener)) repaired++;
      learners += some.size();
      listener.checked(learners);
      some = walks.learnersAfter(Optional.of(some.getLast()), AT_ONCE);
    }
    return new Found(learners, differing, repaired);
  }

  private boolean repaired(EnrolmentId enrolment, Listener listener) {
    try {
      walks.repair(enrolment);
      List<String> rest = walks.compare(enrolment);
      if (!rest.isEmpty()) listener.differs(enrolment, rest);
      return rest.isEmpty();
    } catch (RuntimeException e) {
      LOG.error("enrolment {} could not be repaired", enrolment, e);
      return false;
    }
  }

  /** The check of a night, by whichever server begins it first; what it found is kept. */
  public void nightly() {
    LocalDate night = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
    if (!claim(night)) return;
    Found found =
        all(
            /* repair= */ false,
            new Listener() {
              @Override
              public void differs(EnrolmentId enrolment, List<String> how) {
                LOG.error("enrolment {} differs from its facts: {}", enrolment, how);
              }

              @Override
              public void checked(int learners) {}
            });
    db.update(STATE_CHECK)
        .set(STATE_CHECK.FINISHED_AT, clock.instant())
        .set(STATE_CHECK.LEARNERS, found.learners())
        .set(STATE_CHECK.DIFFERING, found.differing())
        .where(STATE_CHECK.NIGHT.eq(night))
        .execute();
    LOG.info("state check: {} learners, {} differ", found.learners(), found.differing());
  }

  private boolean claim(LocalDate night) {
    return db.insertInto(STATE_CHECK)
            .set(STATE_CHECK.NIGHT, night)
            .set(STATE_CHECK.BEGAN_AT, clock.instant())
            .onConflictDoNothing()
            .execute()
        == 1;
  }

  /** What the last check of a night found. */
  public record Last(Instant at, int learners, int differing) {}

  @Transactional(readOnly = true)
  public Optional<Last> last() {
    return db.selectFrom(STATE_CHECK)
        .where(STATE_CHECK.FINISHED_AT.isNotNull())
        .orderBy(STATE_CHECK.NIGHT.desc())
        .limit(1)
        .fetchOptional(r -> new Last(r.getFinishedAt(), r.getLearners(), r.getDiffering()));
  }
}
