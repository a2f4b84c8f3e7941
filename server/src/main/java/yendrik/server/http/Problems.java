package yendrik.server.http;

import java.util.Optional;
import org.apache.catalina.connector.ClientAbortException;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.TypeMismatchException;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.MissingRequestHeaderException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;

/** Answers every failure with a Problem Detail. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
  private final Answers answers;

  Problems(Answers answers) {
    this.answers = answers;
  }

  @Override
  protected @Nullable ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    return handleExceptionInternal(
        e, answers.to(e.getFieldErrors()), headers, HttpStatus.UNPROCESSABLE_ENTITY, request);
  }

  @Override
  protected @Nullable ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    ProblemDetail body = answers.to(unread(e));
    return handleExceptionInternal(
        e, body, headers, HttpStatusCode.valueOf(body.getStatus()), request);
  }

  private static Problem unread(HttpMessageNotReadableException e) {
    if (NestedExceptionUtils.getMostSpecificCause(e) instanceof Problem problem) return problem;
    return e.getCause() instanceof JacksonException at && !at.getPath().isEmpty()
        ? Problem.unreadable(at)
        : Problem.notUnderstood("request-form");
  }

  /** In an address what cannot be read names nothing; elsewhere the parameter is named. */
  @Override
  protected @Nullable ResponseEntity<Object> handleTypeMismatch(
      TypeMismatchException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
    ProblemDetail body =
        answers.to(
            e instanceof MethodArgumentTypeMismatchException at
                    && !at.getParameter().hasParameterAnnotation(PathVariable.class)
                ? Problem.unreadable(at.getName())
                : Problem.notFound("page"));
    return handleExceptionInternal(
        e, body, headers, HttpStatusCode.valueOf(body.getStatus()), request);
  }

  /** What the framework refuses is said in our words, with its status. */
  @Override
  protected @Nullable ResponseEntity<Object> handleExceptionInternal(
      Exception e,
      @Nullable Object body,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    ProblemDetail said =
        body instanceof ProblemDetail ours && ours.getProperties() != null
            ? ours
            : answers.to(inOurWords(e, status));
    var answered = HttpStatusCode.valueOf(said.getStatus());
    return super.handleExceptionInternal(e, said, headers, answered, request);
  }

  private static Exception inOurWords(Exception e, HttpStatusCode status) {
    return switch (e) {
      case MissingServletRequestParameterException missing ->
          Problem.unreadable(missing.getParameterName());
      case MissingRequestHeaderException missing -> Problem.unreadable(missing.getHeaderName());
      case HandlerMethodValidationException invalid when !invalid.isForReturnValue() ->
          Problem.unreadable(
              invalid.getParameterValidationResults().stream()
                  .map(r -> String.valueOf(r.getMethodParameter().getParameterName()))
                  .findFirst()
                  .orElse(""));
      default -> status.is5xxServerError() ? e : Problem.ofStatus(status.value());
    };
  }

  /** Whoever went away before the answer came is told nothing, and it is no fault of ours. */
  @ExceptionHandler
  @Nullable ResponseEntity<ProblemDetail> failed(Exception e) {
    if (left(e)) return null;
    ProblemDetail body = answers.to(e);
    var headers = new HttpHeaders();
    again(body).ifPresent(seconds -> headers.set(HttpHeaders.RETRY_AFTER, seconds));
    return ResponseEntity.status(body.getStatus()).headers(headers).body(body);
  }

  /**
   * Whether the one who asked cannot be answered any more. Only the server's own words for it
   * count: a connection to the database or elsewhere breaks off with the same causes and is a
   * fault.
   */
  private static boolean left(Exception e) {
    for (Throwable at = e; at != null; at = at.getCause())
      if (at instanceof ClientAbortException || at instanceof AsyncRequestNotUsableException)
        return true;
    return false;
  }

  /** After how many seconds a problem says that it can be tried again. */
  static Optional<String> again(ProblemDetail problem) {
    return Optional.ofNullable(problem.getProperties())
        .map(more -> more.get(Problem.SECONDS))
        .map(String::valueOf);
  }
}
