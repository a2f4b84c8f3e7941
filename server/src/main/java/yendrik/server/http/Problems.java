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
class Problems extends ResponseEntityExceptionHandler {
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
        ProblemDetail.forStatusAndDetail(
            HttpStatus.BAD_REQUEST, "The request is not in the form that is expected.");
    body.setTitle("Not understood");
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
    ProblemDetail body =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.BAD_REQUEST, "The address is not in the form that is expected.");
    body.setTitle("Not understood");
    return ResponseEntity.badRequest().body(body);
  }

  /** Core refuses a value and names it. */
  @ExceptionHandler
  ResponseEntity<ProblemDetail> refused(Refusal e) {
    return ResponseEntity.unprocessableEntity().body(unprocessable(String.valueOf(e.getMessage())));
  }

  /** A row like it is there already, and no check has said so before. */
  @ExceptionHandler
  ResponseEntity<ProblemDetail> twice(DuplicateKeyException e) {
    ProblemDetail body =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.CONFLICT, "Something with the same code or name is there already.");
    body.setTitle("Does not fit");
    return ResponseEntity.status(HttpStatus.CONFLICT).body(body);
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> failed(Exception e) {
    LOG.error("a request failed", e);
    ProblemDetail body =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.INTERNAL_SERVER_ERROR,
            "Something went wrong here. Nothing was changed. Try again.");
    body.setTitle("Failed");
    return ResponseEntity.internalServerError().body(body);
  }

  private static ProblemDetail unprocessable(String detail) {
    ProblemDetail body = ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_ENTITY, detail);
    body.setTitle("Cannot be taken");
    return body;
  }
}
