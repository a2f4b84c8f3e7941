package yendrik.server.post;

import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yendrik.server.rounds.OwnThread;

/** Sends what waits in the outbox, so many letters a round. */
@Component
@ConditionalOnProperty(name = "yendrik.timers", havingValue = "true", matchIfMissing = true)
class SendLetters {
  private static final int A_ROUND = 200;
  private final OwnThread rounds;

  SendLetters(Outbox outbox) {
    rounds =
        new OwnThread(
            "letters",
            () -> {
              int sent = 0;
              while (sent < A_ROUND && outbox.sendNext()) sent++;
            });
  }

  @Scheduled(fixedDelay = 1_000)
  void send() {
    rounds.begin();
  }
}
