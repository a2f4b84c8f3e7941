package yendrik.server.way;

import org.springframework.scheduling.annotation.Scheduled;
import yendrik.server.rounds.OwnThread;
import yendrik.server.rounds.Timed;

/** Looks every night whether state still follows from facts. */
@Timed
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
