package yendrik.server.kinds.quiz;

import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yendrik.server.rounds.OwnThread;
import yendrik.server.rounds.Timed;

/** Finishes attempts whose time is up, whether or not anybody looks at them. */
@Component
public class AttemptTimer {
  private static final Logger LOG = LoggerFactory.getLogger(AttemptTimer.class);
  private final Attempts attempts;

  AttemptTimer(Attempts attempts) {
    this.attempts = attempts;
  }

  /**
   * Finishes all whose time is up.
   *
   * @return how many were looked at
   */
  public int all() {
    int seen = 0;
    List<Attempts.Overdue> round = attempts.overdue();
    while (!round.isEmpty()) {
      round.forEach(this::finish);
      seen += round.size();
      round = attempts.overdue();
    }
    return seen;
  }

  private void finish(Attempts.Overdue one) {
    try {
      attempts.timeIsUp(one);
    } catch (RuntimeException e) {
      LOG.error("{} could not be finished; it is set aside", one, e);
      attempts.setAside(one);
    }
  }

  /** Every few seconds, unless timers are switched off. */
  @Timed
  static class Rounds {
    private final OwnThread rounds;

    Rounds(AttemptTimer timer) {
      rounds = new OwnThread("attempts", timer::all);
    }

    @Scheduled(fixedDelay = 5_000)
    void run() {
      rounds.begin();
    }
  }
}
