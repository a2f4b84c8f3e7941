package yendrik.server.people;

import jakarta.validation.Validator;
import jakarta.validation.constraints.NotNull;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.ExitCodeGenerator;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import yendrik.core.id.PersonId;
import yendrik.server.http.EmailAddress;
import yendrik.server.people.Accounts.What;

/**
 * {@code ./yendrik admin E-MAIL}: makes whoever has the address an administrator, with an account
 * if there is none, and prints a link by which they set a password.
 */
@Component
@ConditionalOnProperty("yendrik.admin")
class AdminCommand implements ApplicationRunner, ExitCodeGenerator {
  private final People people;
  private final Passwords passwords;
  private final Accounts accounts;
  private final Validator validator;
  private final String email;
  private int exitCode;

  AdminCommand(
      People people,
      Passwords passwords,
      Accounts accounts,
      Validator validator,
      @Value("${yendrik.admin}") String email) {
    this.people = people;
    this.passwords = passwords;
    this.accounts = accounts;
    this.validator = validator;
    this.email = email;
  }

  private record Whose(@NotNull @EmailAddress String email) {}

  @Override
  public int getExitCode() {
    return exitCode;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    if (!validator.validate(new Whose(email)).isEmpty()) {
      System.err.println("yendrik: " + email + " is no e-mail address; nobody was added.");
      exitCode = 1;
      return;
    }
    PersonId id = people.administrator(email);
    accounts.note(What.MADE_ADMINISTRATOR, Optional.of(id), email, Whence.HERE, "");
    String link = passwords.toSetPassword(id);
    accounts.note(What.LINK_MADE, Optional.of(id), email, Whence.HERE, "");
    System.out.println(link);
  }
}
