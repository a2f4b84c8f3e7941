package yendrik.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.PersonId;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institution;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Accounts.What;

@RestController
@RequestMapping("/api/session")
class SessionController {
  private final People people;
  private final SecurityContextRepository contexts;
  private final CsrfTokenRepository tokens;
  private final Institutions institutions;
  private final Accounts accounts;

  SessionController(
      People people,
      SecurityContextRepository contexts,
      CsrfTokenRepository tokens,
      Institutions institutions,
      Accounts accounts) {
    this.accounts = accounts;
    this.institutions = institutions;
    this.people = people;
    this.contexts = contexts;
    this.tokens = tokens;
  }

  record SignIn(
      @NotBlank @Size(max = 200) String email, @NotBlank @Size(max = 200) String password) {}

  /**
   * @param institution in whose name, colours and words everything is shown
   */
  record Me(Institution institution, Optional<Person> person, List<People.MyCourse> courses) {}

  /**
   * @param makesCourses whether they may make courses, as administrators always may
   */
  record Person(
      PersonId id, String name, String email, boolean administrator, boolean makesCourses) {}

  /** Who is signed in, with their courses; nobody at first. Also hands out the forgery token. */
  @GetMapping
  @Needs(Right.ANYBODY)
  Me me(CsrfToken token) {
    token.getToken();
    return Gatekeeper.signedIn()
        .map(this::me)
        .orElseGet(() -> new Me(institutions.now(), Optional.empty(), List.of()));
  }

  private Me me(SignedIn person) {
    var shown =
        new Person(
            person.id(),
            person.name(),
            person.email(),
            person.administrator(),
            people.makesCourses(person));
    return new Me(institutions.now(), Optional.of(shown), people.coursesOf(person));
  }

  @PostMapping
  @Needs(Right.ANYBODY)
  Me signIn(
      @Valid @RequestBody SignIn signIn,
      Whence whence,
      HttpServletRequest request,
      HttpServletResponse response) {
    if (people.mustWait(signIn.email(), whence.address())) {
      refused(signIn, whence, "too many tries");
      throw Problem.tooMany(Optional.of(People.PAUSE.toSeconds()), "too-many-tries");
    }
    SignedIn person =
        people
            .signIn(signIn.email(), signIn.password(), whence.address())
            .orElseThrow(() -> {
              refused(signIn, whence, "");
              return Problem.unauthorized("wrong-password");
            });
    HttpSession old = request.getSession(false);
    if (old != null) old.invalidate();
    var context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(RequestContexts.signedIn(person));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
    tokens.saveToken(tokens.generateToken(request), request, response);
    accounts.note(What.SIGNED_IN, person, whence.with(request.getSession().getId()), "");
    return me(person);
  }

  private void refused(SignIn signIn, Whence whence, String why) {
    accounts.note(What.REFUSED, Optional.empty(), signIn.email(), whence, why);
  }

  @DeleteMapping
  @Needs(Right.ANYBODY)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(HttpServletRequest request, HttpServletResponse response, Whence whence) {
    Gatekeeper.signedIn().ifPresent(p -> accounts.note(What.SIGNED_OUT, p, whence, ""));
    // What a browser has kept of this person's pages goes with them.
    response.setHeader("Clear-Site-Data", "\"cache\"");
    HttpSession session = request.getSession(false);
    if (session != null) session.invalidate();
    SecurityContextHolder.clearContext();
  }
}
