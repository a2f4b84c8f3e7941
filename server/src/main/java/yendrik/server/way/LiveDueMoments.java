package yendrik.server.way;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Lets the clock do its part for learners who are not there. */
@Component
@ConditionalOnProperty(name = "yendrik.timers", havingValue = "true", matchIfMissing = true)
class LiveDueMoments {
  private static final Logger LOG = LoggerFactory.getLogger(LiveDueMoments.class);
  private static final int BATCH = 50;
  private final Walks walks;

  LiveDueMoments(Walks walks) {
    this.walks = walks;
  }

  @Scheduled(fixedDelay = 5_000)
  void live() {
    try {
      int seen = BATCH;
      while (seen == BATCH) seen = walks.liveDueMoments(BATCH);
    } catch (RuntimeException e) {
      LOG.error("moments that have come could not be lived through; trying again", e);
    }
  }
}
