package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.course.StepKind;
import yendrik.core.id.EnrolmentId;
import yendrik.core.rule.copy.Usual;
import yendrik.formats.json.CoreJson;
import yendrik.server.way.Walks;

/** The rules of a course as a whole: a strict order, and what is usual for steps of each kind. */
@ServerTest
class CourseRulesTest extends SchoolTest {
  private static final String EDDA = "edda@hollowlane.example";
  private static final long SAMPLE = Usual.sample(StepKind.PAGE).value();
  @Autowired Walks walks;
  private Caller sefa;
  private NewCourse course;
  private long tubes;
  private long page;

  private record RuleText(String place, long id, String text) {}

  private record Made(
      String name,
      String cohort,
      LocalDate starts,
      int weeks,
      String zone,
      long from,
      boolean practice) {}

  private record ForSteps(boolean done, long from, Map<String, Object> rule, List<Long> steps) {}

  @BeforeEach
  void twoModules() {
    sefa = as("Sefa Dunmore");
    course = newCourse("Ruled");
    tubes = course.module("Tubes");
    page = course.step(tubes, "PAGE", "Where the air goes");
  }

  private static ObjectNode edit() {
    return CoreJson.mapper().createObjectNode();
  }

  private int strict(boolean was, boolean is) {
    return sefa.change(
            course.path + "/design/course",
            edit().put("strictOrder", was),
            edit().put("strictOrder", is))
        .getStatus();
  }

  private static JsonNode usual(JsonNode design) {
    return design
        .path("usual")
        .valueStream()
        .filter(u -> u.path("kind").asString().equals("PAGE"))
        .findFirst()
        .orElseThrow();
  }

  private int pagesAre(Optional<JsonNode> seen, ObjectNode is) {
    ObjectNode was = edit();
    was.set(
        "doneWhen",
        seen.orElseGet(() -> NewCourse.plain(usual(course.design()).at("/doneWhen/root"))));
    return sefa.change(course.path + "/design/usual/" + SAMPLE, was, is).getStatus();
  }

  private ObjectNode confirmed() {
    ObjectNode rules = edit();
    rules.set("doneWhen", course.ask("confirmed", SAMPLE));
    rules.set("opensWhen", course.ask("seen", page));
    return rules;
  }

  @Test
  void a_strict_order_holds_over_modules_and_is_told_and_taken_away() {
    long later = course.step(course.module("Chains"), "PAGE", "Why it stretches");
    assertThat(strict(false, true)).isEqualTo(200);
    assertThat(course.design().at("/rules/strictOrder").asBoolean()).isTrue();
    course.publish();
    course.enrol(EDDA);
    Caller edda = as("Edda Marsh");
    String address = course.path + "/walks/mine/steps/" + later + "/visits";
    assertThat(edda.call("POST", address, "").getStatus()).isEqualTo(403);
    JsonNode route = edda.get(course.path + "/walks/mine/route");
    assertThat(route.toString()).contains("finish “Where the air goes”");
    assertThat(strict(true, false)).isEqualTo(200);
    assertThat(course.impact().toString()).contains("the strict order of the course");
    course.publish();
    assertThat(edda.call("POST", address, "").getStatus()).isEqualTo(200);
    for (EnrolmentId enrolment : walks.learners(course.id))
      assertThat(walks.compare(enrolment)).isEmpty();
  }

  @Test
  void new_steps_have_the_usual_rules_of_the_course_about_themselves() {
    assertThat(usual(course.design()).has("shipped")).as("nobody has changed anything").isFalse();
    assertThat(pagesAre(Optional.empty(), confirmed())).isEqualTo(200);
    assertThat(usual(course.design()).at("/doneWhen/line").asString())
        .isEqualTo("confirmed by the learner");
    assertThat(usual(course.design()).at("/shipped/doneWhen/text").asString())
        .isEqualTo("this step read");
    JsonNode made = course.seen(course.step(tubes, "PAGE", "Valves"));
    assertThat(made.at("/doneWhen/text").asString()).isEqualTo("this step confirmed");
    assertThat(made.at("/doneWhen/text")).isEqualTo(usual(course.design()).at("/doneWhen/text"));
    assertThat(made.at("/opensWhen/text")).isEqualTo(usual(course.design()).at("/opensWhen/text"));
    assertThat(made.at("/doneWhen/root/leaf/step")).isEqualTo(made.path("id"));
    assertThat(course.seen(page).at("/doneWhen/text").asString()).isEqualTo("this step read");
    JsonNode quiz = course.seen(course.step(tubes, "QUIZ", "Valves, asked"));
    assertThat(quiz.has("opensWhen")).as("another kind").isFalse();
  }

  @Test
  void what_is_usual_is_proposed_written_and_given_to_steps_like_any_rule() {
    JsonNode proposals =
        sefa.get(course.path + "/design/proposals?text=confirmed&place=step-done&id=" + SAMPLE);
    assertThat(proposals.at("/0/leaf/step").asLong()).isEqualTo(SAMPLE);
    assertThat(proposals.at("/0/subject").asString()).isEmpty();
    JsonNode read =
        sefa.post(
            course.path + "/design/rules/read",
            new RuleText("step-done", SAMPLE, "this step confirmed"));
    assertThat(read.at("/rule/root/leaf/step").asLong()).isEqualTo(SAMPLE);
    Map<String, Object> rule =
        Map.of("is", "ask", "id", "x", "leaf", Map.of("is", "confirmed", "step", SAMPLE));
    JsonNode given =
        sefa.post(
            course.path + "/design/rules/for-steps",
            new ForSteps(true, SAMPLE, rule, List.of(page)));
    assertThat(given.at("/0/rule/root/leaf/step").asLong()).isEqualTo(page);
  }

  @Test
  void a_change_of_what_is_usual_that_saw_something_else_or_says_nothing_is_refused() {
    JsonNode seen = NewCourse.plain(usual(course.design()).at("/doneWhen/root"));
    assertThat(pagesAre(Optional.of(seen), confirmed())).isEqualTo(200);
    assertThat(pagesAre(Optional.of(seen), confirmed())).isEqualTo(409);
    ObjectNode odd = edit();
    odd.putObject("doneWhen").put("is", "ask").put("id", "x").putObject("leaf").put("is", "odd");
    assertThat(pagesAre(Optional.empty(), odd)).isEqualTo(422);
    assertThat(
            as("Edda Marsh")
                .change(course.path + "/design/usual/" + SAMPLE, edit(), confirmed())
                .getStatus())
        .isIn(403, 404);
    assertThat(sefa.change(course.path + "/design/usual/" + page, edit(), confirmed()).getStatus())
        .as("that is no sample")
        .isEqualTo(404);
  }

  @Test
  void a_course_made_from_another_has_its_order_and_what_is_usual_there() {
    strict(false, true);
    pagesAre(Optional.empty(), confirmed());
    var again =
        new Made(
            "Ruled again",
            "",
            LocalDate.of(2026, 3, 2),
            10,
            "Europe/Berlin",
            course.id.value(),
            false);
    long made = sefa.post("/api/courses", again).path("id").asLong();
    JsonNode next = sefa.get("/api/courses/" + made + "/design");
    assertThat(next.at("/rules/strictOrder").asBoolean()).isTrue();
    JsonNode there = usual(next);
    assertThat(there.at("/doneWhen/text").asString()).isEqualTo("this step confirmed");
    assertThat(there.at("/opensWhen/root/leaf/step")).isEqualTo(next.at("/modules/0/steps/0/id"));
  }
}
