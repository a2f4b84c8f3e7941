package yendrik.server.way;

import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yendrik.server.rounds.OwnThread;

/** Looks every night whether state still follows from facts. */
@Component
@ConditionalOnProperty(name = "yendrik.timers", havingValue = "true", matchIfMissing = true)
class NightlyCheck {
  private final OwnThread rounds;

  NightlyCheck(CheckState check) {
    rounds = new OwnThread("nightly-check", check::nightly);
  }

  @Scheduled(cron = "${yendrik.nightly:0 17 3 * * *}", zone = "UTC")
  void run() {
    rounds.begin();
  }
}
