package yendrik.server.http;

import jakarta.validation.ConstraintViolation;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ThreadLocalRandom;
import java.util.regex.Pattern;
import org.jooq.exception.DataChangedException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.security.web.firewall.RequestRejectedException;
import org.springframework.stereotype.Component;
import org.springframework.validation.FieldError;
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
        LOG.warn("the database is away: {}", away.getMessage());
        yield of(Problem.away());
      }
      case RequestRejectedException _ -> of(Problem.notUnderstood("address-form"));
      default -> {
        String number = number();
        LOG.error("fault {}", number, wrong);
        yield body(
            HttpStatus.INTERNAL_SERVER_ERROR,
            Problem.Title.FAILED,
            Phrase.of("problem.fault-of-ours", "number", number));
      }
    };
  }

  /** Whether the database cannot be reached, or went away in between. */
  private static boolean isAway(Exception wrong) {
    for (Throwable at = wrong; at != null; at = at.getCause())
      if (at instanceof SQLTransientConnectionException
          || at instanceof DataAccessResourceFailureException
          || (at instanceof SQLException sql
              && sql.getSQLState() != null
              && AWAY.matcher(sql.getSQLState()).matches())) return true;
    return false;
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
