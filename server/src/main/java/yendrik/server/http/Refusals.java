package yendrik.server.http;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
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
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.getOutputStream().write(json.writeValueAsBytes(problem));
  }
}
