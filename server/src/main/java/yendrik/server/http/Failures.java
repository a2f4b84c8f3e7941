package yendrik.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Says what went wrong in other filters, such as finding out who it is; and leaves a line in the
 * log for each request that was refused or failed.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class Failures extends OncePerRequestFilter {
  /** Under this name a request knows who sent it, once that is found out. */
  public static final String PERSON = Failures.class.getName() + ".person";

  private static final Logger LOG = LoggerFactory.getLogger(Failures.class);
  private static final int LONGEST = 200;
  private final Refusals refusals;

  Failures(Refusals refusals) {
    this.refusals = refusals;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    MDC.put(Answers.REQUEST, request.getMethod() + " " + cut(request.getRequestURI()));
    try {
      chain.doFilter(request, response);
    } catch (RuntimeException e) {
      if (response.isCommitted()) throw e;
      response.reset();
      refusals.write(response, e);
    } finally {
      if (response.getStatus() >= HttpStatus.BAD_REQUEST.value())
        LOG.info(
            "refused status={} code={} request=\"{}\" person={} address={}",
            response.getStatus(),
            MDC.get(Answers.CODE),
            MDC.get(Answers.REQUEST),
            request.getAttribute(PERSON),
            request.getRemoteAddr());
      MDC.remove(Answers.REQUEST);
      MDC.remove(Answers.CODE);
    }
  }

  private static String cut(String address) {
    return address.length() <= LONGEST ? address : address.substring(0, LONGEST);
  }
}
