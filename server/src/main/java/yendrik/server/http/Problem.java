package yendrik.server.http;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.http.HttpStatus;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.exc.InvalidNullException;
import yendrik.core.Refusal;
import yendrik.core.words.Phrase;

/**
 * What went wrong, for the person who asked: what, where, and what to do. It is a code with
 * arguments ({@code problem.} and the code in the catalogue) and becomes a sentence where it is
 * answered.
 */
public final class Problem extends RuntimeException {
  private static final long serialVersionUID = 1;

  /** After how many seconds it can be tried again. */
  static final String SECONDS = "seconds";

  private static final long AGAIN_AFTER_SECONDS = 5;

  /** What the keys of sentences about a field begin with. */
  static final String VALID = "valid.";

  private static final Set<String> FIELDS_OF_A_CHANGE = Set.of("from", "to");
  private final HttpStatus status;
  private final transient Title title;
  private final transient Phrase says;
  private final transient Optional<String> field;
  private final transient List<Phrase> findings;
  private final transient Map<String, Object> more;

  /** The kinds of problems, each with its title in the catalogue. */
  enum Title {
    NOT_FOUND,
    NOT_ALLOWED,
    NOT_SIGNED_IN,
    NOT_UNDERSTOOD,
    CANNOT_BE_TAKEN,
    CLOSED,
    DOES_NOT_FIT,
    CHANGED_MEANWHILE,
    TOO_MANY_TRIES,
    HAS_FAULTS,
    AWAY,
    FAILED;

    Phrase says() {
      return Phrase.of("problem.title." + name().toLowerCase(Locale.ROOT).replace('_', '-'));
    }
  }

  private Problem(
      HttpStatus status,
      Title title,
      Phrase says,
      Optional<String> field,
      List<Phrase> findings,
      Map<String, Object> more) {
    super(says.toString(), null, /* enableSuppression= */ false, /* writableStackTrace= */ false);
    this.status = status;
    this.title = title;
    this.says = says;
    this.field = field;
    this.findings = List.copyOf(findings);
    this.more = Map.copyOf(more);
  }

  private static Problem of(HttpStatus status, Title title, Phrase says, Map<String, Object> more) {
    return new Problem(status, title, says, Optional.empty(), List.of(), more);
  }

  private static Phrase says(String code, Object... with) {
    return Phrase.of("problem." + code, with);
  }

  /** Nothing here, or nothing that this person may know of. */
  public static Problem notFound(String what) {
    Phrase says = Phrase.of("problem.not-found." + what.replace(' ', '-'));
    return of(HttpStatus.NOT_FOUND, Title.NOT_FOUND, says, Map.of());
  }

  /**
   * @param with what stands in the sentence, names and values in turn; so everywhere here
   */
  public static Problem forbidden(String code, Object... with) {
    return of(HttpStatus.FORBIDDEN, Title.NOT_ALLOWED, says(code, with), Map.of());
  }

  public static Problem unauthorized(String code, Object... with) {
    return of(HttpStatus.UNAUTHORIZED, Title.NOT_SIGNED_IN, says(code, with), Map.of());
  }

  /** The request itself is not in the form that is expected. */
  public static Problem notUnderstood(String code, Object... with) {
    return of(HttpStatus.BAD_REQUEST, Title.NOT_UNDERSTOOD, says(code, with), Map.of());
  }

  /** What a status says that the web server answers by itself. */
  static Problem ofStatus(int status) {
    return switch (HttpStatus.resolve(status)) {
      case NOT_FOUND -> notFound("page");
      case CONTENT_TOO_LARGE -> of(HttpStatus.CONTENT_TOO_LARGE, "request-too-large");
      case REQUEST_HEADER_FIELDS_TOO_LARGE ->
          of(HttpStatus.REQUEST_HEADER_FIELDS_TOO_LARGE, "headers-too-large");
      case HttpStatus other when other.is4xxClientError() -> of(other, "request-form");
      case null, default -> notUnderstood("request-form");
    };
  }

  /** A part of a file that is not there. */
  public static Problem noSuchRange() {
    return of(HttpStatus.REQUESTED_RANGE_NOT_SATISFIABLE, "no-such-range");
  }

  private static Problem of(HttpStatus status, String code) {
    return of(status, Title.NOT_UNDERSTOOD, says(code), Map.of());
  }

  /** One field is not as it must be. */
  public static Problem field(String field, String code, Object... with) {
    return field(field, says(code, with));
  }

  /** The same, in words that come from elsewhere. */
  public static Problem field(String field, Phrase says) {
    return new Problem(
        HttpStatus.UNPROCESSABLE_ENTITY,
        Title.CANNOT_BE_TAKEN,
        says,
        Optional.of(field),
        List.of(),
        Map.of());
  }

  /** The place in a body that is not as it must be, and why where that can be said. */
  public static Problem unreadable(JacksonException place) {
    List<String> path =
        place.getPath().stream()
            .map(r -> r.getPropertyName() == null ? r.getIndex() + "" : r.getPropertyName())
            .toList();
    // The fields of a change stand in what they were and what they are to be.
    boolean change = path.size() > 1 && FIELDS_OF_A_CHANGE.contains(path.getFirst());
    String field = String.join(".", change ? path.subList(1, path.size()) : path);
    return field(field, Phrase.of("problem.of-field", "field", field, "why", why(place)));
  }

  /** A parameter of an address that cannot be read. */
  public static Problem unreadable(String parameter) {
    Phrase why = Phrase.of(VALID + "form");
    return field(parameter, Phrase.of("problem.of-field", "field", parameter, "why", why));
  }

  private static Phrase why(JacksonException place) {
    String said = String.valueOf(place.getOriginalMessage());
    if (said.startsWith(VALID)) return Phrase.of(said);
    if (place.getCause() instanceof Refusal refusal) return refusal.reason();
    return Phrase.of(VALID + (place instanceof InvalidNullException ? "missing" : "form"));
  }

  /** The thing asked for is closed; {@code missing} says what opens it. */
  public static Problem closed(Object missing, String code, Object... with) {
    return of(HttpStatus.FORBIDDEN, Title.CLOSED, says(code, with), Map.of("missing", missing));
  }

  /** It does not fit the state that things are in. */
  public static Problem conflict(String code, Object... with) {
    return conflict(says(code, with));
  }

  /** The same, in words that come from elsewhere. */
  public static Problem conflict(Phrase says) {
    return of(HttpStatus.CONFLICT, Title.DOES_NOT_FIT, says, Map.of());
  }

  /** Somebody else changed the same thing; {@code current} is what they made of it. */
  public static Problem changed(Object current) {
    return of(
        HttpStatus.CONFLICT, Title.CHANGED_MEANWHILE, says("changed"), Map.of("current", current));
  }

  /** Somebody else changed what one is about to act on; {@code what} names it. */
  public static Problem changedSince(List<String> what) {
    var listed = new Phrase.Listed(what.stream().map(Phrase::text).toList());
    return of(
        HttpStatus.CONFLICT,
        Title.CHANGED_MEANWHILE,
        says("draft-changed", "what", listed),
        Map.of("changed", what));
  }

  /** The server cannot reach what it needs; in a moment it may. */
  static Problem away() {
    return later("away");
  }

  /** Something that is needed cannot be reached; in a moment it may. */
  public static Problem later(String code) {
    return of(
        HttpStatus.SERVICE_UNAVAILABLE,
        Title.AWAY,
        says(code),
        Map.of(SECONDS, AGAIN_AFTER_SECONDS));
  }

  public static Problem tooMany(Optional<Long> seconds, String code, Object... with) {
    Map<String, Object> more = new TreeMap<>();
    seconds.ifPresent(s -> more.put(SECONDS, s));
    return of(HttpStatus.TOO_MANY_REQUESTS, Title.TOO_MANY_TRIES, says(code, with), more);
  }

  /** Several things are wrong; each has a sentence of its own. */
  public static Problem faults(List<Phrase> findings, String code, Object... with) {
    return new Problem(
        HttpStatus.UNPROCESSABLE_ENTITY,
        Title.HAS_FAULTS,
        says(code, with),
        Optional.empty(),
        findings,
        Map.of());
  }

  /** Why something does not fit the state that things are in; empty for any other problem. */
  public Optional<Phrase> conflict() {
    return status == HttpStatus.CONFLICT ? Optional.of(says) : Optional.empty();
  }

  HttpStatus status() {
    return status;
  }

  Title title() {
    return title;
  }

  Phrase says() {
    return says;
  }

  Optional<String> field() {
    return field;
  }

  List<Phrase> findings() {
    return findings;
  }

  /** What goes with the sentence, by name. */
  Map<String, Object> more() {
    return more;
  }
}
