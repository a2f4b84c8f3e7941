package yendrik.server.design;

import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yendrik.server.rounds.OwnThread;

/** Takes unused files away every night. */
@Component
@ConditionalOnProperty(name = "yendrik.timers", havingValue = "true", matchIfMissing = true)
class NightlyClearing {
  private final OwnThread rounds;

  NightlyClearing(UnusedFiles files) {
    rounds = new OwnThread("clearing", files::clear);
  }

  @Scheduled(cron = "${yendrik.clearing:0 47 3 * * *}", zone = "UTC")
  void run() {
    rounds.begin();
  }
}
