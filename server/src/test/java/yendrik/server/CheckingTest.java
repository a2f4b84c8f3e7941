package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What checking a draft finds, mends, and keeps as meant. */
@ServerTest
class CheckingTest extends SchoolTest {
  private record Named(String finding) {}

  private record Group(String name, List<Long> learners) {}

  private Caller sefa;
  private NewCourse course;
  private long first;
  private long second;

  @BeforeEach
  void twoStepsThatWaitForEachOther() {
    sefa = as("Sefa Dunmore");
    course = newCourse("Checked");
    long module = course.module("Tubes");
    first = course.step(module, "PAGE", "Before");
    second = course.step(module, "PAGE", "After");
    course.change(first, e -> e.set("opensWhen", course.ask("step-done", second)));
    course.change(second, e -> e.set("opensWhen", course.ask("seen", first)));
  }

  private JsonNode check() {
    return sefa.get(course.path + "/design/check");
  }

  private static List<JsonNode> of(JsonNode check, String code) {
    return StreamSupport.stream(check.path("findings").spliterator(), false)
        .filter(f -> f.path("code").asString().equals(code))
        .toList();
  }

  private JsonNode circle() {
    return of(check(), "CIRCLE").getFirst();
  }

  private int mean(Caller who, String finding, String reason) {
    return who.call(
            "PUT",
            course.path + "/design/check/meant",
            course.ask("x", 1).removeAll().put("finding", finding).put("reason", reason).toString())
        .getStatus();
  }

  @Test
  void a_circle_is_found_and_gone_once_its_mend_is_taken() {
    JsonNode circle = circle();
    assertThat(circle.path("weight").asString()).isEqualTo("NOBODY");
    assertThat(circle.at("/place/name").asString()).isEqualTo("Before");
    assertThat(circle.path("chain")).hasSize(2);
    JsonNode mend = circle.at("/mends/0");
    assertThat(mend.at("/thing/id").asLong()).isEqualTo(first);
    assertThat(mend.path("field").asString()).isEqualTo("OPENS_WHEN");
    assertThat(mend.has("rule")).isFalse();
    course.change(first, e -> e.remove("opensWhen"));
    assertThat(of(check(), "CIRCLE")).isEmpty();
  }

  @Test
  void what_is_meant_keeps_its_reason_until_that_is_taken_back() {
    String key = circle().path("key").asString();
    assertThat(mean(sefa, key, "  The bench opens both by hand ")).isEqualTo(200);
    assertThat(circle().at("/meant/reason").asString()).isEqualTo("The bench opens both by hand");
    assertThat(circle().at("/meant/by").asString()).isEqualTo("Sefa Dunmore");
    assertThat(mean(sefa, key, "Another word")).isEqualTo(200);
    assertThat(circle().at("/meant/reason").asString()).isEqualTo("Another word");
    sefa.post(course.path + "/design/check/meant/removal", new Named(key));
    assertThat(circle().has("meant")).isFalse();
  }

  @Test
  void what_the_draft_does_not_have_or_cannot_be_published_with_is_not_meant() {
    assertThat(mean(sefa, "CIRCLE step-opens 99999999", "Why not")).isEqualTo(409);
    assertThat(mean(sefa, circle().path("key").asString(), " ")).isEqualTo(422);
    ObjectNode gone = course.ask("step-done", second);
    course.change(first, e -> e.set("opensWhen", gone));
    sefa.call("DELETE", course.path + "/design/steps/" + second, "");
    JsonNode fault = of(check(), "FAULT").getFirst();
    assertThat(fault.path("weight").asString()).isEqualTo("FAULT");
    assertThat(fault.path("mends")).hasSize(1);
    assertThat(mean(sefa, fault.path("key").asString(), "It is fine")).isEqualTo(409);
  }

  @Test
  void a_group_in_which_nobody_is_is_told_once_somebody_learns() {
    long group =
        sefa.post(course.path + "/groups", new Group("Evening", List.of())).path("id").asLong();
    course.change(second, e -> e.remove("opensWhen"));
    ObjectNode asked = course.ask("in-group", 1);
    ((ObjectNode) asked.path("leaf")).remove("step");
    ((ObjectNode) asked.path("leaf")).put("group", group);
    course.change(first, e -> e.set("opensWhen", asked));
    assertThat(of(check(), "EMPTY_GROUP")).isEmpty();
    course.publish();
    course.enrol("edda@hollowlane.example");
    assertThat(of(check(), "EMPTY_GROUP")).hasSize(1);
  }

  @Test
  void courses_that_wait_for_each_other_are_found_in_either() {
    NewCourse other = newCourse("Checked against");
    other.step(other.module("Rims"), "PAGE", "Spokes");
    waitFor(other, course);
    course.change(second, e -> e.remove("opensWhen"));
    course.publish();
    other.publish();
    assertThat(of(check(), "CIRCLE")).isEmpty();
    waitFor(course, other);
    assertThat(of(check(), "CIRCLE")).hasSize(1);
  }

  private void waitFor(NewCourse one, NewCourse other) {
    ObjectNode rule = one.ask("course-complete", 1);
    ((ObjectNode) rule.path("leaf")).remove("step");
    ((ObjectNode) rule.path("leaf")).put("course", other.id.value());
    ObjectNode edit = rule.objectNode();
    edit.putObject("from");
    edit.putObject("to").set("completeWhen", rule);
    assertThat(sefa.call("PATCH", one.path + "/design/course", edit.toString()).getStatus())
        .isEqualTo(200);
  }
}
