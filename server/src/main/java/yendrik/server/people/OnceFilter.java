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
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import yendrik.core.id.PersonId;
import yendrik.server.http.Problem;
import yendrik.server.http.Refusals;

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
  private final Refusals refusals;

  OnceFilter(ActKeys keys, Refusals refusals) {
    this.keys = keys;
    this.refusals = refusals;
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
      refusals.write(response, Problem.notUnderstood("act-key-form"));
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
      PersonId person,
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
      refusals.write(response, Problem.conflict("act-key-taken"));
    else if (answer.get().status().isEmpty())
      refusals.write(response, Problem.conflict("begun-already"));
    else {
      response.setStatus(answer.get().status().get());
      answer.get().mediaType().ifPresent(response::setContentType);
      response.getOutputStream().write(answer.get().body().getBytes(StandardCharsets.UTF_8));
    }
  }
}
