package yendrik.server.way;

import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yendrik.core.id.EnrolmentId;
import yendrik.server.rounds.OwnThread;
import yendrik.server.rounds.Timed;

/**
 * Lets the clock do its part for learners who are not there, one learner a transaction. One who
 * fails is set aside for a while and is in nobody's way.
 */
@Component
public class CatchUp {
  private static final Logger LOG = LoggerFactory.getLogger(CatchUp.class);
  private static final int BATCH = 200;
  private final Walks walks;
  private final TellCourses courses;
  private final Enrolling enrolling;
  private final ExceptionEnds ends;

  CatchUp(Walks walks, TellCourses courses, Enrolling enrolling, ExceptionEnds ends) {
    this.ends = ends;
    this.walks = walks;
    this.enrolling = enrolling;
    this.courses = courses;
  }

  /**
   * Brings everybody up to now.
   *
   * @return how many learners were looked at
   */
  public int all() {
    int seen = 0;
    List<EnrolmentId> due = walks.toCatchUp(BATCH);
    while (!due.isEmpty()) {
      int before = seen;
      for (EnrolmentId enrolment : due) if (one(enrolment)) seen++;
      courses.tellAll();
      if (seen == before) break;
      due = walks.toCatchUp(BATCH);
    }
    courses.tellAll();
    enrolling.letIn();
    ends.endDue();
    return seen;
  }

  /** Tells other courses what has become of completions. */
  void tell() {
    courses.tellAll();
  }

  /** Brings one learner up to now; says whether they were free for it. */
  boolean one(EnrolmentId enrolment) {
    try {
      return walks.catchUp(enrolment);
    } catch (RuntimeException e) {
      LOG.error("enrolment {} could not be brought up to now; it is set aside", enrolment, e);
      walks.setAside(enrolment);
      return true;
    }
  }

  /** Every few seconds, unless timers are switched off. */
  @Timed
  static class Timer {
    private final OwnThread rounds;

    Timer(CatchUp catchUp) {
      rounds = new OwnThread("catch-up", catchUp::all);
    }

    @Scheduled(fixedDelay = 5_000)
    void run() {
      rounds.begin();
    }
  }
}
