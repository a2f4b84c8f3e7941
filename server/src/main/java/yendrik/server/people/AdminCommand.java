package yendrik.server.people;

import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import yendrik.core.id.PersonId;
import yendrik.server.people.Accounts.What;

/**
 * {@code ./yendrik admin E-MAIL}: makes whoever has the address an administrator, with an account
 * if there is none, and prints a link by which they set a password.
 */
@Component
@ConditionalOnProperty("yendrik.admin")
class AdminCommand implements ApplicationRunner {
  private final People people;
  private final Passwords passwords;
  private final Accounts accounts;
  private final String email;

  AdminCommand(
      People people,
      Passwords passwords,
      Accounts accounts,
      @Value("${yendrik.admin}") String email) {
    this.people = people;
    this.passwords = passwords;
    this.accounts = accounts;
    this.email = email;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    PersonId id = people.administrator(email);
    accounts.note(What.MADE_ADMINISTRATOR, Optional.of(id), email, Whence.HERE, "");
    String link = passwords.toSetPassword(id);
    accounts.note(What.LINK_MADE, Optional.of(id), email, Whence.HERE, "");
    System.out.println(link);
  }
}
