package yendrik.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Says what went wrong in other filters, such as finding out who it is. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class Failures extends OncePerRequestFilter {
  private final Refusals refusals;

  Failures(Refusals refusals) {
    this.refusals = refusals;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    try {
      chain.doFilter(request, response);
    } catch (RuntimeException e) {
      if (response.isCommitted()) throw e;
      response.reset();
      refusals.write(response, e);
    }
  }
}
