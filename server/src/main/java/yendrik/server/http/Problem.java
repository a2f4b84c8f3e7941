package yendrik.server.http;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.ErrorResponseException;

/** What went wrong, for the person who asked: what, where, and what to do. */
public final class Problem extends ErrorResponseException {

  private Problem(HttpStatus status, String title, String detail, Map<String, Object> more) {
    super(status, body(status, title, detail, more), null);
  }

  private static ProblemDetail body(
      HttpStatus status, String title, String detail, Map<String, Object> more) {
    ProblemDetail body = ProblemDetail.forStatusAndDetail(status, detail);
    body.setTitle(title);
    more.forEach(body::setProperty);
    return body;
  }

  /** Nothing here, or nothing that this person may know of. */
  public static Problem notFound(String what) {
    return new Problem(
        HttpStatus.NOT_FOUND, "Not found", "There is no such " + what + ".", Map.of());
  }

  public static Problem forbidden(String why) {
    return new Problem(HttpStatus.FORBIDDEN, "Not allowed", why, Map.of());
  }

  public static Problem unauthorized(String why) {
    return new Problem(HttpStatus.UNAUTHORIZED, "Not signed in", why, Map.of());
  }

  /** One field is not as it must be. */
  public static Problem field(String field, String detail) {
    return new Problem(
        HttpStatus.UNPROCESSABLE_ENTITY,
        "Cannot be taken",
        detail,
        Map.of("fields", Map.of(field, detail)));
  }

  /** The thing asked for is closed; {@code missing} says what opens it. */
  public static Problem closed(String detail, Object missing) {
    return new Problem(HttpStatus.FORBIDDEN, "Closed", detail, Map.of("missing", missing));
  }

  /** It does not fit the state that things are in. */
  public static Problem conflict(String detail) {
    return new Problem(HttpStatus.CONFLICT, "Does not fit", detail, Map.of());
  }

  /** Somebody else changed the same thing; {@code current} is what they made of it. */
  public static Problem changed(Object current) {
    return new Problem(
        HttpStatus.CONFLICT,
        "Changed meanwhile",
        "Somebody else has changed this since you opened it.",
        Map.of("current", current));
  }

  /** Somebody else changed what one is about to act on; {@code what} names it. */
  public static Problem changedSince(String detail, Object what) {
    return new Problem(HttpStatus.CONFLICT, "Changed meanwhile", detail, Map.of("changed", what));
  }

  public static Problem tooMany(String detail, Optional<Long> seconds) {
    Map<String, Object> more = new LinkedHashMap<>();
    seconds.ifPresent(s -> more.put("seconds", s));
    return new Problem(HttpStatus.TOO_MANY_REQUESTS, "Too many tries", detail, more);
  }

  public static Problem faults(String detail, Object findings) {
    return new Problem(
        HttpStatus.UNPROCESSABLE_ENTITY, "Has faults", detail, Map.of("findings", findings));
  }
}
