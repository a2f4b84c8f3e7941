package yendrik.server.http;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.validation.ConstraintViolation;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.concurrent.ThreadLocalRandom;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.exception.DataChangedException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.security.web.firewall.RequestRejectedException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.validation.FieldError;
import yendrik.core.Plain;
import yendrik.core.Refusal;
import yendrik.core.words.Phrase;
import yendrik.server.institution.Institutions;

/** Says what went wrong as a Problem Detail (RFC 9457), in the institution's words. */
@Component
public class Answers {
  private static final Logger LOG = LoggerFactory.getLogger(Answers.class);

  /**
   * Connection exceptions, and a server that is shutting down or starting (SQL states of
   * PostgreSQL).
   */
  private static final Pattern AWAY = Pattern.compile("08...|57P0.|53300");

  /** Attributes that every constraint has and nobody wants to read. */
  private static final List<String> COMMON = List.of("message", "groups", "payload");

  /** What is answered, and with which code, while it is under way. */
  static final String REQUEST = "request";

  static final String CODE = "code";
  private static final int LONGEST_LINE = 1_000;
  private final Cache<String, String> traced =
      Caffeine.newBuilder().expireAfterWrite(Duration.ofHours(1)).maximumSize(1_000).build();
  private final Institutions institutions;

  Answers(Institutions institutions) {
    this.institutions = institutions;
  }

  /** What is said of something that went wrong; faults of ours are in the log. */
  public ProblemDetail to(Exception wrong) {
    return switch (wrong) {
      case Problem problem -> of(problem);
      case Refusal refusal ->
          body(HttpStatus.UNPROCESSABLE_ENTITY, Problem.Title.CANNOT_BE_TAKEN, refusal.reason());
      case InvalidFields invalid -> to(invalid.errors());
      case DataChangedException _ -> of(Problem.conflict("changed"));
      case DuplicateKeyException _ -> of(Problem.conflict("there-already"));
      case Exception away when isAway(away) -> {
        LOG.warn("away request=\"{}\": {}", MDC.get(REQUEST), inALine(away));
        yield of(Problem.away());
      }
      case RequestRejectedException _ -> of(Problem.notUnderstood("address-form"));
      default -> {
        String number = number();
        LOG.error("fault {} request=\"{}\": {}", number, MDC.get(REQUEST), inALine(wrong));
        if (traced.asMap().putIfAbsent(place(wrong), number) == null)
          LOG.error("fault {} in full, for the first time in an hour:{}", number, inFull(wrong));
        yield body(
            HttpStatus.INTERNAL_SERVER_ERROR,
            Problem.Title.FAILED,
            Phrase.of("problem.fault-of-ours", "number", number));
      }
    };
  }

  /** Whether the database cannot be reached, or went away in between. */
  private static boolean isAway(Exception wrong) {
    // What failed first is hidden where its rollback failed too.
    if (wrong instanceof TransactionSystemException rolled
        && rolled.getApplicationException() instanceof Exception first
        && isAway(first)) return true;
    for (Throwable at = wrong; at != null; at = at.getCause())
      if (at instanceof SQLTransientConnectionException
          || at instanceof DataAccessResourceFailureException
          || (at instanceof SQLException sql
              && sql.getSQLState() != null
              && AWAY.matcher(sql.getSQLState()).matches())) return true;
    return false;
  }

  /** What went wrong and because of what, in one line. */
  private static String inALine(Exception wrong) {
    String why =
        Stream.iterate((Throwable) wrong, Objects::nonNull, Throwable::getCause)
            .map(t -> t.getClass().getSimpleName() + ": " + t.getMessage())
            .collect(Collectors.joining(", because of "));
    String plain = Plain.cleaned(why);
    return plain.length() <= LONGEST_LINE ? plain : plain.substring(0, LONGEST_LINE);
  }

  /** Every line is indented, so that none that is made by somebody looks like one of the log. */
  private static String inFull(Exception wrong) {
    var trace = new StringWriter();
    wrong.printStackTrace(new PrintWriter(trace));
    return trace
        .toString()
        .lines()
        .map(line -> "\n  " + Plain.cleaned(line))
        .collect(Collectors.joining());
  }

  /** Where it went wrong; the same place is described in full once an hour. */
  private static String place(Exception wrong) {
    StackTraceElement[] trace = wrong.getStackTrace();
    return wrong.getClass().getName() + (trace.length == 0 ? "" : trace[0]);
  }

  /** By which a fault is found in the log: short enough to be said on the telephone. */
  private static String number() {
    return "%06d".formatted(ThreadLocalRandom.current().nextInt(1_000_000));
  }

  private ProblemDetail of(Problem problem) {
    ProblemDetail body = body(problem.status(), problem.title(), problem.says());
    problem
        .field()
        .ifPresent(field -> body.setProperty("fields", Map.of(field, beside(problem.says()))));
    if (!problem.findings().isEmpty())
      body.setProperty("findings", problem.findings().stream().map(institutions::say).toList());
    problem.more().forEach(body::setProperty);
    return body;
  }

  /** What is said at the field itself: there its name need not be said again. */
  private String beside(Phrase says) {
    return institutions.say(says.with().get("why") instanceof Phrase why ? why : says);
  }

  private ProblemDetail body(HttpStatus status, Problem.Title title, Phrase says) {
    ProblemDetail body = ProblemDetail.forStatusAndDetail(status, institutions.say(says));
    body.setTitle(institutions.say(title.says()));
    body.setProperty("code", says.key());
    MDC.put(CODE, says.key());
    Map<String, Object> arguments = new LinkedHashMap<>();
    says.with()
        .forEach((name, value) ->
            arguments.put(
                name,
                value instanceof Number
                    ? value
                    : institutions.say(Phrase.of("text", "text", value))));
    if (!arguments.isEmpty()) body.setProperty("arguments", arguments);
    return body;
  }

  /** Fields that break a constraint, each with what is wrong with it. */
  ProblemDetail to(List<FieldError> errors) {
    Map<String, Object> fields = new TreeMap<>();
    List<Phrase> all = new ArrayList<>();
    for (FieldError error : errors) {
      Phrase why = why(error);
      fields.put(error.getField(), institutions.say(why));
      all.add(Phrase.of("problem.of-field", "field", error.getField(), "why", why));
    }
    Phrase says = Phrase.of("problem.fields", "fields", new Phrase.Listed(all));
    ProblemDetail body = body(HttpStatus.UNPROCESSABLE_ENTITY, Problem.Title.CANNOT_BE_TAKEN, says);
    body.setProperty("fields", fields);
    return body;
  }

  /**
   * A constraint says by its own message why, as a code of {@code valid.}, or by what it is called,
   * with its attributes.
   */
  private static Phrase why(FieldError error) {
    if (!error.contains(ConstraintViolation.class)) return Phrase.of(Problem.VALID + "form");
    ConstraintViolation<?> violation = error.unwrap(ConstraintViolation.class);
    String message = violation.getMessageTemplate();
    if (!message.startsWith("{")) return Phrase.of(Problem.VALID + message);
    Phrase why = Phrase.of(Problem.VALID + error.getCode());
    for (var attribute : violation.getConstraintDescriptor().getAttributes().entrySet())
      if (!COMMON.contains(attribute.getKey()))
        why = why.and(attribute.getKey(), attribute.getValue());
    return why;
  }
}
