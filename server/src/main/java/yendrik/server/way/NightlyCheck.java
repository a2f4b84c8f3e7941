package yendrik.server.way;

import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Looks every night whether state still follows from facts. */
@Component
@ConditionalOnProperty(name = "yendrik.timers", havingValue = "true", matchIfMissing = true)
class NightlyCheck {
  private final CheckState check;

  NightlyCheck(CheckState check) {
    this.check = check;
  }

  @Scheduled(cron = "${yendrik.nightly:0 17 3 * * *}", zone = "UTC")
  void run() {
    check.nightly();
  }
}
