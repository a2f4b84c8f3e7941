package yendrik.server.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.server.http.EmailAddress;
import yendrik.server.http.Problem;
import yendrik.server.people.Accounts.What;

/** One's own password and sessions, and what happened to accounts. */
@RestController
class AccountController {
  private final People people;
  private final Passwords passwords;
  private final OpenSessions sessions;
  private final Accounts accounts;
  private final LinkLetters letters;

  AccountController(
      People people,
      Passwords passwords,
      OpenSessions sessions,
      Accounts accounts,
      LinkLetters letters) {
    this.people = people;
    this.passwords = passwords;
    this.sessions = sessions;
    this.accounts = accounts;
    this.letters = letters;
  }

  record PasswordEdit(
      @NotBlank @Size(max = 200) String now, @NotBlank @Size(max = 200) String next) {}

  /** Changes one's own password; one's other sessions end. */
  @PutMapping("/api/account/password")
  @Needs(Right.SIGNED_IN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void change(SignedIn person, Whence whence, @Valid @RequestBody PasswordEdit edit) {
    if (people.mustWait(person.email(), whence.address()))
      throw Problem.tooMany(Optional.of(People.PAUSE.toSeconds()), "too-many-tries");
    if (people.signIn(person.email(), edit.now(), whence.address()).isEmpty())
      throw Problem.field("now", "not-your-password");
    passwords.set(person, edit.next(), "next", whence.session());
    accounts.note(What.PASSWORD_CHANGED, person, whence, "");
  }

  record NewPassword(
      @NotBlank @Size(max = 200) String token, @NotBlank @Size(max = 200) String password) {}

  record Owner(String email) {}

  /** Sets a password through a link, which is used up by it. */
  @PostMapping("/api/passwords")
  @Needs(Right.ANYBODY)
  Owner set(Whence whence, @Valid @RequestBody NewPassword edit) {
    SignedIn person = passwords.setByLink(edit.token(), edit.password());
    accounts.note(What.PASSWORD_SET_BY_LINK, person, whence, "");
    return new Owner(person.email());
  }

  record Forgotten(@NotNull @EmailAddress String email) {}

  /** Has a letter written to whoever has this address, by which they set a new password. */
  @PostMapping("/api/passwords/links")
  @Needs(Right.ANYBODY)
  @ResponseStatus(HttpStatus.ACCEPTED)
  void forgotten(Whence whence, @Valid @RequestBody Forgotten forgotten) {
    letters.forgotten(forgotten.email(), whence);
  }

  /** The sessions that one has open, the newest first. */
  @GetMapping("/api/account/sessions")
  @Needs(Right.SIGNED_IN)
  List<OpenSessions.Own> sessions(SignedIn person, Whence whence) {
    return sessions.of(person, whence.session());
  }

  /** Ends one of one's own sessions. */
  @DeleteMapping("/api/account/sessions/{session}")
  @Needs(Right.SIGNED_IN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(SignedIn person, Whence whence, @PathVariable UUID session) {
    sessions.end(person, session);
    accounts.note(What.SESSIONS_ENDED, person, whence, "one");
  }

  /** Ends all of one's sessions but this one. */
  @DeleteMapping("/api/account/sessions")
  @Needs(Right.SIGNED_IN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void endOthers(SignedIn person, Whence whence) {
    int ended = passwords.endOthers(person, whence.session());
    accounts.note(What.SESSIONS_ENDED, person, whence, "" + ended);
  }

  /** What happened to accounts, the newest first. */
  @GetMapping("/api/account-events")
  @Needs(Right.ADMINISTER)
  List<Accounts.Event> events() {
    return accounts.newest();
  }
}
