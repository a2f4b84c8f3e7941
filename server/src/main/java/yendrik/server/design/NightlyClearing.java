package yendrik.server.design;

import org.springframework.scheduling.annotation.Scheduled;
import yendrik.server.rounds.OwnThread;
import yendrik.server.rounds.Timed;

/** Takes unused files away every night. */
@Timed
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
