package yendrik.server.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Does an act once, however often its request comes: a request with {@code Act-Key} (a UUID of the
 * client's) that was answered before is answered the same again, and nothing is done. A request
 * that was refused or failed changed nothing and gives its key back.
 */
@Component
@Order(OnceFilter.AFTER_SECURITY)
class OnceFilter extends OncePerRequestFilter {
  static final int AFTER_SECURITY = 10;
  static final String KEY = "Act-Key";
  private static final int LARGEST = 200_000;
  private final ActKeys keys;
  private final JsonMapper json;

  OnceFilter(ActKeys keys, JsonMapper json) {
    this.keys = keys;
    this.json = json;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return request.getHeader(KEY) == null || request.getMethod().equals("GET");
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    Optional<SignedIn> person = Gatekeeper.signedIn();
    if (person.isEmpty()) {
      chain.doFilter(request, response);
      return;
    }
    Optional<UUID> key = key(request.getHeader(KEY));
    if (key.isEmpty()) {
      refuse(response, HttpStatus.BAD_REQUEST, "The key of an act must be a UUID.");
      return;
    }
    String asked = request.getMethod() + " " + request.getRequestURI();
    if (keys.claim(person.get().id(), key.get(), asked))
      first(request, response, chain, person.get().id(), key.get(), asked);
    else again(response, keys.answer(person.get().id(), key.get()), asked);
  }

  private static Optional<UUID> key(String text) {
    try {
      return Optional.of(UUID.fromString(text));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  private void first(
      HttpServletRequest request,
      HttpServletResponse response,
      FilterChain chain,
      long person,
      UUID key,
      String asked)
      throws ServletException, IOException {
    var kept = new RememberedResponse(response, LARGEST);
    boolean done = false;
    try {
      chain.doFilter(request, kept);
      done = kept.getStatus() < HttpStatus.BAD_REQUEST.value();
    } finally {
      if (!done) keys.release(person, key);
    }
    Optional<String> body = kept.body();
    if (done && body.isPresent()) {
      var status = Optional.of(kept.getStatus());
      var type = Optional.ofNullable(kept.getContentType());
      keys.keep(person, key, new ActKeys.Answer(asked, status, type, body.get()));
    }
  }

  private void again(HttpServletResponse response, Optional<ActKeys.Answer> answer, String asked)
      throws IOException {
    if (answer.filter(a -> a.request().equals(asked)).isEmpty())
      refuse(response, HttpStatus.CONFLICT, "This key belongs to another act.");
    else if (answer.get().status().isEmpty())
      refuse(
          response,
          HttpStatus.CONFLICT,
          "This was begun already. Look whether it is done before you try again.");
    else {
      response.setStatus(answer.get().status().get());
      answer.get().mediaType().ifPresent(response::setContentType);
      response.getOutputStream().write(answer.get().body().getBytes(StandardCharsets.UTF_8));
    }
  }

  private void refuse(HttpServletResponse response, HttpStatus status, String detail)
      throws IOException {
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
    problem.setTitle(status == HttpStatus.CONFLICT ? "Does not fit" : "Not understood");
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.getOutputStream().write(json.writeValueAsBytes(problem));
  }
}
