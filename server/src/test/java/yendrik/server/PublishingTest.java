package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.function.BiFunction;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.server.design.Designs;
import yendrik.server.way.Walks;

/** What becomes of learners when the design changes under them. */
@ServerTest
class PublishingTest extends SchoolTest {
  private static final String EDDA = "edda@hollowlane.example";
  @Autowired Walks walks;
  @Autowired Designs designs;
  private NewCourse course;
  private long module;
  private long first;
  private long second;
  private Caller edda;

  @BeforeEach
  void aCourseOfTwoPages() {
    course = new NewCourse(as("Sefa Dunmore"), "Patching " + System.nanoTime());
    module = course.module("Tubes");
    first = course.step(module, "PAGE", "How a patch holds");
    second = course.step(module, "PAGE", "Where it leaks");
    edda = as("Edda Marsh");
  }

  @Test
  void an_empty_course_cannot_be_published_and_says_what_is_missing() {
    var empty = new NewCourse(as("Sefa Dunmore"), "Nothing yet");
    var response = as("Sefa Dunmore").publish(empty.path);
    assertThat(response.getStatus()).isEqualTo(409);
    assertThat(Caller.json(response).path("detail").asString()).contains("Add a module");
  }

  @Test
  void learners_keep_what_is_published_until_the_change_is_published_too() {
    course.publish();
    course.enrol(EDDA);
    course.change(second, e -> e.set("opensWhen", course.ask("seen", first)));
    assertThat(edda.call("POST", course.walk(second) + "/visits", "").getStatus()).isEqualTo(200);
    assertThat(course.design().path("changed").asBoolean()).isTrue();
    course.publish();
    assertThat(course.design().path("changed").asBoolean()).isFalse();
  }

  @Test
  void a_mark_that_no_draft_has_is_an_older_draft() {
    for (String mark : List.of("9999-12-31T23:59:59Z", "group-4:1;", "step-x:1", ":", ""))
      assertThat(
              as("Sefa Dunmore")
                  .call("POST", course.path + "/publications", new Sent.Publication(mark))
                  .getStatus())
          .as(mark)
          .isEqualTo(409);
  }

  @Test
  void a_publication_names_no_other_courses_than_its_rules_do() {
    var other = new NewCourse(as("Sefa Dunmore"), "Other " + System.nanoTime());
    var id = course.id;
    course.publish();
    assertThat(designs.version(id, 1).document().design().otherCourses()).isEmpty();
    ObjectNode asks = course.ask("course-complete", first);
    asks.putObject("leaf").put("is", "course-complete").put("course", other.id.value());
    course.change(second, e -> e.set("opensWhen", asks));
    course.publish();
    assertThat(designs.version(id, 2).document().design().otherCourses())
        .containsOnlyKeys(other.id);
  }

  @Test
  void before_publishing_one_is_told_who_gains_and_who_loses() {
    course.change(second, e -> e.set("opensWhen", course.ask("seen", first)));
    course.publish();
    course.enrol(EDDA, "ruben@hollowlane.example");
    edda.post(course.walk(first) + "/visits", "");
    course.change(second, e -> e.remove("opensWhen"));
    var impact = course.impact();
    assertThat(impact.path("learners").asInt()).isEqualTo(2);
    assertThat(impact.path("changes").size()).isEqualTo(1);
    var change = impact.path("changes").path(0);
    assertThat(change.path("what").asString()).isEqualTo("“Where it leaks” opens");
    assertThat(change.path("learners").valueStream().map(n -> n.asString()))
        .as("it is open for Edda already")
        .containsExactly("Ruben Sato");
  }

  @Test
  void what_learners_lose_is_said_first_with_badges_and_work_that_waits() {
    long work = course.step(module, "ASSIGNMENT", "Your first patch");
    course.publish();
    course.enrol(EDDA);
    edda.post(course.walk(first) + "/visits", "");
    edda.post(course.walk(work) + "/versions", new Sent.Text("Two patches."));
    as("Sefa Dunmore").call("DELETE", course.path + "/design/steps/" + first, "");
    course.change(work, e -> e.put("published", false));
    JsonNode changes = course.impact().path("changes");
    assertThat(
            changes.valueStream().filter(c -> c.path("loss").asBoolean()).map(PublishingTest::what))
        .containsExactlyInAnyOrder(
            "“How a patch holds”, which was done, is taken away",
            "“Your first patch” closes",
            "work at “Your first patch” that waits for marking leaves the list");
    assertThat(course.impact().path("changed").toString())
        .contains("Your first patch", "“How a patch holds” (taken away)");
  }

  private static String what(JsonNode change) {
    return change.path("what").asString();
  }

  @Test
  void only_the_draft_that_was_looked_at_is_published() {
    String seen = course.impact().path("draft").asString();
    course.change(second, e -> e.put("name", "Where it really leaks"));
    var refused =
        as("Sefa Dunmore").call("POST", course.path + "/publications", new Sent.Publication(seen));
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("changed").toString()).contains("Where it really leaks");
    course.publish();
    assertThat(course.impact().path("changed").size()).isZero();
    assertThat(as("Sefa Dunmore").publish(course.path).getStatus())
        .as("there is nothing to publish")
        .isEqualTo(409);
    assertThat(as("Sefa Dunmore").call("POST", course.path + "/publications", "{}").getStatus())
        .isEqualTo(422);
  }

  @Test
  void what_was_open_stays_open_under_a_stricter_rule_unless_the_step_says_otherwise() {
    course.publish();
    course.enrol(EDDA);
    course.change(second, e -> e.set("opensWhen", course.ask("seen", first)));
    course.publish();
    assertThat(edda.call("POST", course.walk(second) + "/visits", "").getStatus()).isEqualTo(200);
    course.enrol("ruben@hollowlane.example");
    assertThat(as("Ruben Sato").call("POST", course.walk(second) + "/visits", "").getStatus())
        .as("who comes later has the stricter rule")
        .isEqualTo(403);
    course.change(second, e -> e.put("staysOpen", false));
    course.publish();
    assertThat(course.bead("Ruben Sato", second).path("state").asString()).isEqualTo("CLOSED");
  }

  @Test
  void a_step_taken_out_of_the_course_leaves_the_records_of_what_was_done_there() {
    course.publish();
    course.enrol(EDDA);
    edda.post(course.walk(first) + "/visits", "");
    as("Sefa Dunmore").call("DELETE", course.path + "/design/steps/" + first, "");
    course.publish();
    assertThat(course.thread("Edda Marsh")).hasSize(1);
    assertThat(edda.call("POST", course.walk(first) + "/visits", "").getStatus()).isEqualTo(404);
    as("Sefa Dunmore").call("POST", course.path + "/design/steps/" + first + "/restoration", "");
    course.publish();
    assertThat(course.bead("Edda Marsh", first).path("state").asString()).isEqualTo("DONE");
  }

  @Test
  void the_state_after_many_publications_follows_from_the_facts() {
    course.publish();
    course.enrol(EDDA, "ruben@hollowlane.example");
    edda.post(course.walk(second) + "/visits", "");
    course.change(second, e -> e.set("opensWhen", course.ask("seen", first)));
    course.publish();
    as("Ruben Sato").post(course.walk(first) + "/visits", "");
    course.change(first, e -> e.set("doneWhen", course.ask("confirmed", first)));
    course.publish();
    edda.post(course.walk(first) + "/visits", "");
    edda.post(course.walk(first) + "/confirmation", "");
    for (EnrolmentId enrolment : walks.learners(course.id))
      assertThat(walks.compare(enrolment)).isEmpty();
  }

  @Test
  void an_attempt_is_marked_by_the_questions_under_which_it_was_begun() {
    long quiz = course.step(module, "QUIZ", "Rubber and glue");
    course.ask(quiz, NewCourse.question("q1", "What dries first?", "The glue", "The tyre"));
    course.publish();
    course.enrol(EDDA);
    JsonNode attempt = edda.post(course.walk(quiz) + "/attempts", "");
    long number = attempt.path("number").asLong();
    course.ask(quiz, NewCourse.question("q1", "What dries first?", "The tyre", "The glue"));
    course.publish();
    var result =
        edda.post(
            course.walk(quiz) + "/attempts/" + number + "/result",
            Caller.answers(attempt, "The glue"));
    JsonNode answer = result.path("answers").path(0);
    assertThat(answer.at("/part/chosen/text").asString()).isEqualTo("The glue");
    assertThat(answer.path("verdict").asString()).isEqualTo("RIGHT");
  }

  @Test
  void an_attempt_at_a_step_that_is_gone_meanwhile_is_answered_as_such() {
    Caller sefa = as("Sefa Dunmore");
    long quiz = course.step(module, "QUIZ", "Rubber and glue");
    course.ask(quiz, NewCourse.question("q1", "What dries first?", "The glue", "The tyre"));
    course.publish();
    course.enrol(EDDA);
    JsonNode attempt = edda.post(course.walk(quiz) + "/attempts", "");
    String at = course.walk(quiz) + "/attempts/" + attempt.path("number").asLong();
    String answers = Caller.answers(attempt, "The glue");
    edda.post(at + "/result", answers);
    sefa.get(course.path + "/walks/practice/route");
    sefa.post(course.path + "/walks/practice/steps/" + quiz + "/attempts", "");
    String practice = course.path + "/walks/practice/steps/" + quiz + "/attempts/1";
    sefa.call("DELETE", course.path + "/design/steps/" + quiz, "");
    course.publish();
    assertThat(edda.call("POST", at + "/result", answers).getStatus()).isEqualTo(404);
    assertThat(edda.call("GET", at + "/result", "").getStatus()).isEqualTo(404);
    assertThat(edda.call("PUT", at, answers).getStatus()).isEqualTo(404);
    assertThat(sefa.call("POST", practice + "/result", answers).getStatus()).isEqualTo(404);
    assertThat(sefa.call("PUT", practice, answers).getStatus()).isEqualTo(404);
  }

  @Test
  void only_administrators_make_courses_and_bad_values_are_named() {
    BiFunction<Integer, String, Record> body =
        (weeks, zone) -> new Sent.Course("x", "", LocalDate.of(2026, 1, 5), weeks, zone);
    assertThat(
            as("Odalys Brandt")
                .call("POST", "/api/courses", body.apply(4, "Europe/Berlin"))
                .getStatus())
        .isEqualTo(403);
    var weeks = as("Sefa Dunmore").call("POST", "/api/courses", body.apply(0, "Europe/Berlin"));
    assertThat(Caller.json(weeks).path("fields").has("weeks")).isTrue();
    var zone = as("Sefa Dunmore").call("POST", "/api/courses", body.apply(4, "Mars/Olympus"));
    assertThat(Caller.json(zone).path("fields").has("zone")).isTrue();
  }
}
