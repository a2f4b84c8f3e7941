package yendrik.server.http;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Writes a Problem Detail where no controller is asked any more. */
@Component
public class Refusals {
  private final Answers answers;
  private final JsonMapper json;

  Refusals(Answers answers, JsonMapper json) {
    this.answers = answers;
    this.json = json;
  }

  /** Answers with what went wrong. */
  public void write(HttpServletResponse response, Exception why) throws IOException {
    ProblemDetail problem = answers.to(why);
    response.setStatus(problem.getStatus());
    Problems.again(problem)
        .ifPresent(seconds -> response.setHeader(HttpHeaders.RETRY_AFTER, seconds));
    // What the filters set elsewhere: this may be said before they are asked.
    response.setHeader("Content-Security-Policy", "default-src 'none'; frame-ancestors 'none'");
    response.setHeader("X-Content-Type-Options", "nosniff");
    response.setHeader("X-Frame-Options", "DENY");
    response.setHeader("Referrer-Policy", "same-origin");
    response.setHeader("Cache-Control", "no-store");
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.getOutputStream().write(json.writeValueAsBytes(problem));
  }
}
