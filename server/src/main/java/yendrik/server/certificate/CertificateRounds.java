package yendrik.server.certificate;

import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yendrik.server.rounds.OwnThread;

/** Lets awards be numbered when they are due. */
@Component
public class CertificateRounds {
  private final CertificateRegister register;
  private final Prints prints;
  private final OwnThread thread;

  CertificateRounds(CertificateRegister register, Prints prints) {
    this.register = register;
    this.prints = prints;
    thread = new OwnThread("certificates", register::numberDue);
  }

  @Scheduled(fixedDelay = 2_000)
  void round() {
    thread.begin();
  }

  @Scheduled(fixedDelay = 3_600_000)
  void forget() {
    prints.forget();
  }

  /** Numbers all that is due. */
  public void numberDue() {
    register.numberDue();
  }
}
