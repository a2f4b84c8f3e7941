package yendrik.server.post;

import org.springframework.scheduling.annotation.Scheduled;
import yendrik.server.rounds.OwnThread;
import yendrik.server.rounds.Timed;

/** Sends what waits in the outbox, so many letters a round. */
@Timed
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
