package yendrik.server.way;

import java.time.Clock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import yendrik.core.id.EnrolmentId;

/** Tells the other courses of a person that one was completed, or is not any more. */
@Component
public class TellCourses {
  private static final Logger LOG = LoggerFactory.getLogger(TellCourses.class);
  private static final int BATCH = 50;
  private final Completions completions;
  private final Walks walks;
  private final TransactionTemplate transaction;
  private final Clock clock;

  TellCourses(Completions completions, Walks walks, TransactionTemplate transaction, Clock clock) {
    this.completions = completions;
    this.walks = walks;
    this.transaction = transaction;
    this.clock = clock;
  }

  /**
   * Tells all news that is due. What is told twice, by two servers or after a failure, counts once,
   * since each course compares the news with its own facts.
   */
  public void tellAll() {
    int told = BATCH;
    while (told == BATCH) {
      told = 0;
      for (Completions.News news : completions.due(clock.instant(), BATCH)) if (tell(news)) told++;
    }
  }

  private boolean tell(Completions.News news) {
    try {
      for (EnrolmentId enrolment : completions.others(news))
        walks.learn(enrolment, news.course(), completions.completedAt(news));
      transaction.executeWithoutResult(_ -> completions.told(news));
      return true;
    } catch (RuntimeException e) {
      LOG.error(
          "person {} has completed course {}; it could not be told",
          news.person(),
          news.course(),
          e);
      transaction.executeWithoutResult(_ -> completions.later(news, clock.instant()));
      return false;
    }
  }
}
