package yendrik.server.certificate;

import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yendrik.server.rounds.OwnThread;
import yendrik.server.rounds.Timed;

/** Numbers awards when they are due, and forgets what was printed. */
@Component
public class CertificateRounds {
  private final CertificateRegister register;
  private final Prints prints;

  CertificateRounds(CertificateRegister register, Prints prints) {
    this.register = register;
    this.prints = prints;
  }

  /** Numbers all that is due. */
  public void numberDue() {
    register.numberDue();
  }

  /** Does so again and again. */
  @Timed
  static class Rounds {
    private final CertificateRounds rounds;
    private final OwnThread thread;

    Rounds(CertificateRounds rounds) {
      this.rounds = rounds;
      thread = new OwnThread("certificates", rounds::numberDue);
    }

    @Scheduled(fixedDelay = 2_000)
    void round() {
      thread.begin();
    }

    @Scheduled(fixedDelay = 3_600_000)
    void forget() {
      rounds.prints.forget();
    }
  }
}
