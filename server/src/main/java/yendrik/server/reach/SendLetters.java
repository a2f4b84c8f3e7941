package yendrik.server.reach;

import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Sends what waits in the outbox. */
@Component
@ConditionalOnProperty(name = "yendrik.timers", havingValue = "true", matchIfMissing = true)
class SendLetters {
  private final Letters letters;

  SendLetters(Letters letters) {
    this.letters = letters;
  }

  @Scheduled(fixedDelay = 1_000)
  void send() {
    boolean more = true;
    while (more) more = letters.sendNext();
  }
}
