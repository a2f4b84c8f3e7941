package yendrik.server.http;

import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.web.firewall.RequestRejectedException;
import org.springframework.validation.FieldError;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.InvalidNullException;
import tools.jackson.databind.exc.MismatchedInputException;
import yendrik.core.Refusal;

/** Turns every failure into a Problem Detail (RFC 9457). */
@RestControllerAdvice
public class Problems extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

  @Override
  protected @Nullable ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    var fields = new TreeMap<String, String>();
    for (FieldError error : e.getFieldErrors())
      fields.put(error.getField(), String.valueOf(error.getDefaultMessage()));
    ProblemDetail body =
        unprocessable(
            String.join(
                "; ",
                fields.entrySet().stream().map(f -> f.getKey() + " " + f.getValue()).toList()));
    body.setProperty("fields", fields);
    return handleExceptionInternal(e, body, headers, HttpStatus.UNPROCESSABLE_ENTITY, request);
  }

  @Override
  protected @Nullable ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    if (e.getCause() instanceof DatabindException at && !at.getPath().isEmpty())
      return handleExceptionInternal(
          e, named(at), headers, HttpStatus.UNPROCESSABLE_ENTITY, request);
    ProblemDetail body =
        titled(
            HttpStatus.BAD_REQUEST,
            "Not understood",
            "The request is not in the form that is expected.");
    return handleExceptionInternal(e, body, headers, HttpStatus.BAD_REQUEST, request);
  }

  /** The place in the body that is not as it must be, and why where that can be said. */
  private static ProblemDetail named(DatabindException at) {
    String field =
        at.getPath().stream()
            .map(r -> r.getPropertyName() == null ? r.getIndex() + "" : r.getPropertyName())
            .collect(Collectors.joining("."));
    String why =
        switch (at) {
          case InvalidNullException _ -> "something must stand there";
          case InvalidFormatException _ -> "it is not in the form that is expected";
          case MismatchedInputException _ -> at.getOriginalMessage();
          default -> "it is not in the form that is expected";
        };
    ProblemDetail body = unprocessable(field + ": " + why + ".");
    body.setProperty("fields", Map.of(field, why));
    return body;
  }

  /** A character that no address or parameter can hold. */
  @ExceptionHandler
  ResponseEntity<ProblemDetail> refused(RequestRejectedException e) {
    return ResponseEntity.badRequest()
        .body(
            titled(
                HttpStatus.BAD_REQUEST,
                "Not understood",
                "The address is not in the form that is expected."));
  }

  /** Core refuses a value, a row is there already, or something is wrong here. */
  @ExceptionHandler
  ResponseEntity<ProblemDetail> failed(Exception e) {
    ProblemDetail body = answerTo(e);
    return ResponseEntity.status(body.getStatus()).body(body);
  }

  /** What is said of something that went wrong; faults of ours are in the log. */
  public static ProblemDetail answerTo(Exception wrong) {
    return switch (wrong) {
      case Problem problem -> problem.getBody();
      case Refusal refusal -> unprocessable(String.valueOf(refusal.getMessage()));
      case DuplicateKeyException _ ->
          titled(
              HttpStatus.CONFLICT,
              "Does not fit",
              "Something with the same code or name is there already.");
      default -> {
        LOG.error("a request failed", wrong);
        yield titled(
            HttpStatus.INTERNAL_SERVER_ERROR,
            "Failed",
            "Something went wrong here. Nothing was changed. Try again.");
      }
    };
  }

  private static ProblemDetail titled(HttpStatus status, String title, String detail) {
    ProblemDetail body = ProblemDetail.forStatusAndDetail(status, detail);
    body.setTitle(title);
    return body;
  }

  private static ProblemDetail unprocessable(String detail) {
    return titled(HttpStatus.UNPROCESSABLE_ENTITY, "Cannot be taken", detail);
  }
}
