package yendrik.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpRequestResponseHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.stereotype.Component;
import yendrik.core.id.CourseId;
import yendrik.server.http.Failures;

/**
 * Who is behind a request: found with their place in the course of its address by one statement,
 * and anew for every request, so that what an administrator changes holds at once. Signing in and
 * out go through the session itself.
 */
@Component
class RequestContexts implements SecurityContextRepository {
  private static final Pattern COURSE = Pattern.compile("/api/courses/([1-9][0-9]{0,17})(/.*)?");
  private static final String PLACE = RequestContexts.class.getName() + ".place";
  private static final String SESSION = RequestContexts.class.getName() + ".session";
  private final HttpSessionSecurityContextRepository sessions =
      new HttpSessionSecurityContextRepository();
  private final CookieSerializer cookies;
  private final OpenSessions open;

  RequestContexts(CookieSerializer cookies, OpenSessions open) {
    this.cookies = cookies;
    this.open = open;
  }

  /** The place of whoever sent a request in a course, if it has been found out already. */
  static Optional<Seat> seat(HttpServletRequest request, CourseId course) {
    return request.getAttribute(PLACE) instanceof Seat seat && seat.course().equals(course)
        ? Optional.of(seat)
        : Optional.empty();
  }

  /** The session that a request belongs to, if it does to one that is open. */
  static Optional<String> session(HttpServletRequest request) {
    return Optional.ofNullable(request.getAttribute(SESSION)).map(String::valueOf);
  }

  @Override
  @SuppressWarnings("deprecation") // what loads on demand is made from this by the interface
  public SecurityContext loadContext(HttpRequestResponseHolder holder) {
    HttpServletRequest request = holder.getRequest();
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    Optional<CourseId> course = course(request.getRequestURI());
    sessionOf(request)
        .flatMap(session -> {
          var found = open.find(session, course);
          found.ifPresent(_ -> request.setAttribute(SESSION, session));
          return found;
        })
        .ifPresent(found -> {
          found.seat().ifPresent(seat -> request.setAttribute(PLACE, seat));
          request.setAttribute(Failures.PERSON, found.person().id());
          context.setAuthentication(signedIn(found.person()));
        });
    return context;
  }

  static UsernamePasswordAuthenticationToken signedIn(SignedIn person) {
    return UsernamePasswordAuthenticationToken.authenticated(person, null, List.of());
  }

  private static Optional<CourseId> course(String path) {
    Matcher matcher = COURSE.matcher(path);
    return matcher.matches()
        ? Optional.of(new CourseId(Long.parseLong(matcher.group(1))))
        : Optional.empty();
  }

  private Optional<UUID> sessionOf(HttpServletRequest request) {
    return cookies.readCookieValues(request).stream().findFirst().flatMap(RequestContexts::uuid);
  }

  private static Optional<UUID> uuid(String text) {
    try {
      return Optional.of(UUID.fromString(text));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  @Override
  public void saveContext(
      SecurityContext context, HttpServletRequest request, HttpServletResponse response) {
    sessions.saveContext(context, request, response);
  }

  @Override
  public boolean containsContext(HttpServletRequest request) {
    return sessions.containsContext(request);
  }
}
