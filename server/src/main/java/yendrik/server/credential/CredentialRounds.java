package yendrik.server.credential;

import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yendrik.server.rounds.OwnThread;
import yendrik.server.rounds.Timed;

/** Signs awards when they are due. */
@Component
public class CredentialRounds {
  private final Signing signing;

  CredentialRounds(Signing signing) {
    this.signing = signing;
  }

  /** Signs all that is due. */
  public void signDue() {
    signing.signDue();
  }

  /** Does so again and again. */
  @Timed
  static class Rounds {
    private final OwnThread thread;

    Rounds(CredentialRounds rounds) {
      thread = new OwnThread("signing", rounds::signDue);
    }

    @Scheduled(fixedDelay = 2_000)
    void round() {
      thread.begin();
    }
  }
}
