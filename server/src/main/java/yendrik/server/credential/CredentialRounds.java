package yendrik.server.credential;

import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yendrik.server.rounds.OwnThread;

/** Lets awards be signed when they are due. */
@Component
public class CredentialRounds {
  private final Signing signing;
  private final OwnThread thread;

  CredentialRounds(Signing signing) {
    this.signing = signing;
    thread = new OwnThread("signing", signing::signDue);
  }

  @Scheduled(fixedDelay = 2_000)
  void round() {
    thread.begin();
  }

  /** Signs all that is due. */
  public void signDue() {
    signing.signDue();
  }
}
