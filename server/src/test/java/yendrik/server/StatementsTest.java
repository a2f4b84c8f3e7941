package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import jakarta.servlet.http.Cookie;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javax.sql.DataSource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.strand.work.Judgement;

/** How many statements and transactions the commonest acts take, from the request to its answer. */
@ServerTest
@Import(StatementsTest.Counting.class)
class StatementsTest extends SchoolTest {
  private static final int MOST_STATEMENTS = 6;

  /** Who it is, with their place in the course, is one, of one statement; the act is the other. */
  private static final int MOST_TRANSACTIONS = 2;

  @TestConfiguration
  static class Counting {
    @Bean
    static Statements statements() {
      return new Statements();
    }

    @Bean
    static BeanPostProcessor counted(
        org.springframework.beans.factory.ObjectProvider<Statements> statements) {
      return new BeanPostProcessor() {
        @Override
        public Object postProcessAfterInitialization(Object bean, String name) {
          return bean instanceof DataSource source ? statements.getObject().counting(source) : bean;
        }
      };
    }
  }

  @Autowired Statements statements;
  private NewCourse course;
  private long page;
  private long quiz;
  private long work;
  private long practical;
  private Cookie edda;
  private Cookie sefa;
  private final List<String> found = new ArrayList<>();

  @BeforeEach
  void aCourse() throws Exception {
    course = new NewCourse(as("Sefa Dunmore"), "Counted " + System.nanoTime());
    long module = course.module("Tubes");
    page = course.step(module, "PAGE", "How a patch holds");
    quiz = course.step(module, "QUIZ", "Rubber and glue");
    work = course.step(module, "ASSIGNMENT", "Your first patch");
    practical = course.step(module, "PRACTICAL", "Patch it");
    course.change(page, e -> e.set("doneWhen", course.ask("confirmed", page)));
    course.ask(quiz, NewCourse.question("q1", "What dries?", "Glue", "Rubber"));
    course.publish();
    course.enrol("edda@hollowlane.example");
    edda = session("edda@hollowlane.example");
    sefa = session("sefa@hollowlane.example");
  }

  private JsonNode act(String name, Cookie who, String path, String body) throws Exception {
    statements.forget();
    MockHttpServletResponse response =
        http.perform(
                post(path)
                    .with(csrf())
                    .cookie(who)
                    .contentType(MediaType.APPLICATION_JSON)
                    .content(body))
            .andReturn()
            .getResponse();
    assertThat(response.getStatus()).as(name + response.getContentAsString()).isBetween(200, 204);
    String counted =
        "%s: %s statements, %s transactions"
            .formatted(name, statements.said().size(), statements.transactions());
    System.out.println(counted);
    if (statements.said().size() > MOST_STATEMENTS
        || statements.transactions() > MOST_TRANSACTIONS) {
      found.add(counted + "\n  " + String.join("\n  ", statements.said()));
    }
    return Caller.json(response);
  }

  @Test
  void the_commonest_acts_take_few_statements() throws Exception {
    act("visit", edda, course.walk(page) + "/visits", "");
    act("heartbeat", edda, course.walk(page) + "/time", Caller.text(new Sent.Seconds(15)));
    act("confirm", edda, course.walk(page) + "/confirmation", "");
    act("in the course", edda, course.path + "/walks/mine/visits", "");
    JsonNode attempt = act("begin", edda, course.walk(quiz) + "/attempts", "");
    act("finish", edda, course.walk(quiz) + "/attempts/1/result", Caller.answers(attempt, "Glue"));
    act(
        "hand in",
        edda,
        course.walk(work) + "/versions",
        Caller.text(new Sent.Text("Two patches.")));
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    String marking = course.path + "/marking/" + enrolment + "/";
    act(
        "mark",
        sefa,
        marking + work + "/marks",
        Caller.text(new Sent.Mark(1, 20, Judgement.PASSED)));
    act(
        "sign off",
        sefa,
        marking + practical + "/sign-offs",
        Caller.text(new Sent.SignOff("", Map.of())));
    act(
        "exception",
        sefa,
        course.path + "/learners/" + enrolment + "/exceptions",
        Caller.text(new Sent.Exception("MOVE_DUE", work, "").due("2026-12-24T17:00:00Z")));
    assertThat(found).isEmpty();
  }
}
