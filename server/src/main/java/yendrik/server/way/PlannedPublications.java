package yendrik.server.way;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yendrik.core.id.CourseId;
import yendrik.server.rounds.OwnThread;
import yendrik.server.rounds.Timed;

/** Publishes what was planned when its moment has come, each course by itself. */
@Component
public class PlannedPublications {
  private static final Logger LOG = LoggerFactory.getLogger(PlannedPublications.class);
  private final Publishing publishing;

  PlannedPublications(Publishing publishing) {
    this.publishing = publishing;
  }

  /** Publishes all that has come due; learners come under it as under any publication. */
  public void all() {
    for (CourseId course : publishing.due()) {
      try {
        publishing.publishPlanned(course);
      } catch (RuntimeException e) {
        LOG.error("what was planned for course {} could not be published", course, e);
      }
    }
  }

  /** Every few seconds, unless timers are switched off. */
  @Timed
  static class Timer {
    private final OwnThread rounds;

    Timer(PlannedPublications planned) {
      rounds = new OwnThread("planned-publications", planned::all);
    }

    @Scheduled(fixedDelay = 5_000)
    void run() {
      rounds.begin();
    }
  }
}
