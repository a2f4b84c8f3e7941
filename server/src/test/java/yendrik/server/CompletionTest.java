package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.people.StaffKind;
import yendrik.formats.json.CoreJson;
import yendrik.server.people.People;
import yendrik.server.way.Walks;

/** When a course is complete: the rule, the learner's own word, and who of the staff approves. */
@ServerTest
class CompletionTest extends SchoolTest {
  private static final String EDDA = "edda@hollowlane.example";
  @Autowired Walks walks;
  @Autowired People people;
  private Caller sefa;
  private Caller edda;
  private NewCourse course;
  private long page;

  @BeforeEach
  void aCourseWithOnePage() {
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    course = new NewCourse(sefa, "Completion " + System.nanoTime());
    page = course.step(course.module("Tubes"), "PAGE", "Where the air goes");
  }

  private static ObjectNode leaf(String is) {
    ObjectNode ask = CoreJson.mapper().createObjectNode().put("is", "ask").put("id", is);
    ask.putObject("leaf").put("is", is);
    return ask;
  }

  private static ObjectNode approved(String by) {
    ObjectNode ask = leaf("approved").put("id", "approved-" + by);
    ((ObjectNode) ask.path("leaf")).put("by", by);
    return ask;
  }

  private static ObjectNode joint(String is, ObjectNode... parts) {
    ObjectNode joint = CoreJson.mapper().createObjectNode().put("is", is).put("id", is);
    joint.putArray("parts").addAll(List.of(parts));
    return joint;
  }

  private int completeWhen(Optional<JsonNode> was, ObjectNode rule) {
    ObjectNode edit = CoreJson.mapper().createObjectNode();
    ObjectNode from = edit.putObject("from");
    was.ifPresent(w -> from.set("completeWhen", w));
    edit.putObject("to").set("completeWhen", rule);
    return sefa.call("PATCH", course.path + "/design/course", edit.toString()).getStatus();
  }

  private void begins(ObjectNode rule) {
    assertThat(completeWhen(Optional.empty(), rule)).isEqualTo(200);
    course.publish();
    course.enrol(EDDA);
  }

  private JsonNode route() {
    return edda.get(course.path + "/walks/mine/route");
  }

  private int says(boolean said) {
    return edda.call("PUT", course.path + "/walks/mine/own-word", "{\"said\": " + said + "}")
        .getStatus();
  }

  private JsonNode queue() {
    return sefa.get(course.path + "/approvals");
  }

  private int approve(EnrolmentId learner) {
    String body = "{\"learners\": [" + learner + "], \"note\": \"Seen in the workshop\"}";
    return sefa.call("POST", course.path + "/approvals", body).getStatus();
  }

  private void agrees() {
    for (EnrolmentId enrolment : walks.learners(course.id))
      assertThat(walks.compare(enrolment)).isEmpty();
  }

  @Test
  void a_course_completes_by_the_learners_own_word_which_can_be_taken_back() {
    begins(leaf("own-word"));
    assertThat(route().path("ownWord").asBoolean()).isFalse();
    assertThat(route().at("/completion/says").asString())
        .isEqualTo("say that you have completed the course");
    assertThat(says(true)).isEqualTo(200);
    assertThat(says(true)).as("said twice is said once").isEqualTo(200);
    assertThat(route().path("complete").asBoolean()).isTrue();
    assertThat(says(false)).isEqualTo(200);
    assertThat(route().path("complete").asBoolean()).isFalse();
    agrees();
  }

  @Test
  void nobodys_word_is_taken_where_nobody_asks_for_it() {
    course.publish();
    course.enrol(EDDA);
    assertThat(route().has("ownWord")).isFalse();
    assertThat(route().has("completion")).as("the usual needs no words").isFalse();
    assertThat(says(true)).isEqualTo(409);
    assertThat(approve(course.enrolment("Edda Marsh"))).isEqualTo(409);
    assertThat(queue().path("asked").asBoolean()).isFalse();
  }

  @Test
  void whoever_has_done_all_else_waits_for_approval_and_completes_by_it() {
    begins(joint("all", course.ask("step-done", page), approved("DESIGNER")));
    assertThat(queue().path("asked").asBoolean()).isTrue();
    assertThat(queue().path("waiting").isEmpty()).as("something is left to do").isTrue();
    edda.post(course.walk(page) + "/visits", "");
    JsonNode waiting = queue().path("waiting").path(0);
    assertThat(waiting.path("name").asString()).isEqualTo("Edda Marsh");
    EnrolmentId learner = course.enrolment("Edda Marsh");
    assertThat(approve(learner)).isEqualTo(204);
    assertThat(approve(learner)).as("a double click approves once").isEqualTo(204);
    assertThat(route().path("complete").asBoolean()).isTrue();
    assertThat(queue().path("waiting").isEmpty()).isTrue();
    assertThat(queue().path("given").size()).isOne();
    agrees();
    String back = course.path + "/approvals/" + learner + "/taking-back";
    assertThat(sefa.call("POST", back, "{\"reason\": \"\"}").getStatus()).isEqualTo(422);
    assertThat(sefa.call("POST", back, "{\"reason\": \"Not seen after all\"}").getStatus())
        .isEqualTo(204);
    assertThat(route().path("complete").asBoolean()).isFalse();
    assertThat(queue().path("waiting").size()).isOne();
    assertThat(sefa.call("POST", back, "{\"reason\": \"Once more\"}").getStatus()).isEqualTo(409);
    agrees();
  }

  @Test
  void a_report_says_who_has_completed_what_and_who_is_one_step_short() {
    long second = course.step(course.module("Valves"), "PAGE", "Two kinds");
    course.publish();
    course.enrol(EDDA);
    edda.post(course.walk(page) + "/visits", "");
    JsonNode report = sefa.get(course.path + "/reports/completion");
    JsonNode row = report.path("learners").path(0);
    String tubes = report.at("/modules/0/id").asString();
    String valves = report.at("/modules/1/id").asString();
    assertThat(row.path("missing").asInt()).as("one step short").isOne();
    assertThat(row.path("modules").path(tubes).has("at")).isTrue();
    assertThat(row.path("modules").path(valves).path("done").asInt()).isZero();
    assertThat(row.path("modules").path(valves).path("of").asInt()).isOne();
    assertThat(row.has("completedAt")).isFalse();
    edda.post(course.walk(second) + "/visits", "");
    row = sefa.get(course.path + "/reports/completion").path("learners").path(0);
    assertThat(row.has("completedAt")).isTrue();
    assertThat(row.path("missing").asInt()).isZero();
    String csv =
        new String(
            sefa.call("GET", course.path + "/reports/completion/csv", "").getContentAsByteArray(),
            StandardCharsets.UTF_8);
    assertThat(csv).contains("Still missing", "Valves", "Edda Marsh");
    var paper = sefa.call("GET", course.path + "/reports/completion/pdf", "");
    assertThat(paper.getContentType()).isEqualTo("application/pdf");
    assertThat(new String(paper.getContentAsByteArray(), 0, 5, StandardCharsets.US_ASCII))
        .isEqualTo("%PDF-");
    agrees();
  }

  @Test
  void a_support_teacher_sees_and_approves_those_of_the_group_only() {
    assertThat(completeWhen(Optional.empty(), approved("SUPPORT"))).isEqualTo(200);
    course.publish();
    course.enrol(EDDA, "ruben@hollowlane.example");
    EnrolmentId hers = course.enrolment("Edda Marsh");
    EnrolmentId other = course.enrolment("Ruben Sato");
    String evening = "{\"name\": \"Evening\", \"learners\": [" + hers + "]}";
    long group = sefa.post(course.path + "/groups", evening).path("id").asLong();
    people.addStaff(
        course.id,
        signedIn("Priya Nakamura").id(),
        StaffKind.SUPPORT,
        Optional.of(new GroupId(group)));
    Caller priya = as("Priya Nakamura");
    JsonNode waiting = priya.get(course.path + "/approvals").path("waiting");
    assertThat(waiting.toString()).contains("Edda Marsh").doesNotContain("Ruben Sato");
    String both = "{\"learners\": [" + hers + ", " + other + "], \"note\": \"\"}";
    assertThat(priya.call("POST", course.path + "/approvals", both).getStatus()).isEqualTo(404);
    assertThat(priya.get(course.path + "/approvals").path("given").isEmpty())
        .as("all of them or none")
        .isTrue();
    String one = "{\"learners\": [" + hers + "], \"note\": \"\"}";
    assertThat(priya.call("POST", course.path + "/approvals", one).getStatus()).isEqualTo(204);
  }

  @Test
  void only_the_kind_of_staff_that_is_asked_approves() {
    begins(joint("any", approved("FACILITATOR"), leaf("has-left")));
    assertThat(queue().path("waiting").isEmpty()).isTrue();
    assertThat(approve(course.enrolment("Edda Marsh"))).isEqualTo(409);
    String body = "{\"learners\": [" + course.enrolment("Edda Marsh") + "], \"note\": \"\"}";
    assertThat(edda.call("POST", course.path + "/approvals", body).getStatus()).isEqualTo(403);
  }

  @Test
  void a_rule_seen_otherwise_is_not_written_over_and_a_faulty_one_is_named() {
    assertThat(completeWhen(Optional.empty(), leaf("own-word"))).isEqualTo(200);
    assertThat(completeWhen(Optional.empty(), leaf("has-left"))).isEqualTo(409);
    ObjectNode signal = leaf("overdue");
    ((ObjectNode) signal.path("leaf")).put("steps", 2);
    assertThat(completeWhen(Optional.of(leaf("own-word")), signal)).isEqualTo(200);
    assertThat(course.design().path("faults").toString()).contains("Complete when");
  }

  @Test
  void a_framework_is_never_complete_and_flags_nobody() {
    String name = "{\"name\": \"Trade %d\"}".formatted(System.nanoTime());
    long framework = sefa.post("/api/frameworks", name).path("id").asLong();
    String design = "/api/courses/" + framework + "/design";
    String rule = "{\"from\": {}, \"to\": {\"completeWhen\": " + leaf("own-word") + "}}";
    assertThat(sefa.call("PATCH", design + "/course", rule).getStatus()).isEqualTo(409);
    String flag = "{\"name\": \"Away\", \"flagWhen\": " + leaf("own-word") + "}";
    assertThat(sefa.call("POST", design + "/flags", flag).getStatus()).isEqualTo(409);
  }

  @Test
  void publishing_says_that_it_changes_when_the_course_is_complete() {
    course.publish();
    String draft = course.impact().path("draft").asString();
    assertThat(completeWhen(Optional.empty(), leaf("own-word"))).isEqualTo(200);
    var late = sefa.call("POST", course.path + "/publications", "{\"draft\": \"" + draft + "\"}");
    assertThat(late.getStatus()).isEqualTo(409);
    assertThat(Caller.json(late).toString())
        .contains("when the course is complete")
        .doesNotContain("the flags");
  }

  @Test
  void flags_are_added_changed_taken_away_and_come_along_with_a_copy() {
    ObjectNode flag = CoreJson.mapper().createObjectNode().put("name", "Nothing read");
    flag.set("flagWhen", joint("none", course.ask("step-done", page)));
    JsonNode made = sefa.post(course.path + "/design/flags", flag.toString());
    assertThat(made.at("/flagWhen/line").asString()).contains("Where the air goes");
    String change = "{\"from\": {\"name\": \"Nothing read\"}, \"to\": {\"name\": \"Unread\"}}";
    String at = course.path + "/design/flags/" + made.path("id");
    assertThat(sefa.call("PATCH", at, change).getStatus()).isEqualTo(200);
    course.publish();
    course.enrol(EDDA);
    assertThat(course.row("Edda Marsh").path("flags").toString()).contains("Unread");
    assertThat(completeWhen(Optional.empty(), course.ask("step-done", page))).isEqualTo(200);
    String copy =
        "{\"name\": \"Copy %d\", \"cohort\": \"\", \"starts\": \"2027-01-04\", \"weeks\": 6, \"zone\": \"Europe/Berlin\", \"practice\": false, \"from\": %s}"
            .formatted(System.nanoTime(), course.id);
    long there = sefa.post("/api/courses", copy).path("id").asLong();
    JsonNode design = sefa.get("/api/courses/" + there + "/design");
    assertThat(design.path("faults").isEmpty()).isTrue();
    assertThat(design.path("flags").toString()).contains("Unread");
    assertThat(design.at("/rules/completeWhen/line").asString()).contains("Where the air goes");
    assertThat(sefa.call("DELETE", at, "").getStatus()).isEqualTo(204);
    assertThat(course.design().path("flags").toString()).doesNotContain("Unread");
    assertThat(sefa.call("POST", at + "/restoration", "").getStatus()).isEqualTo(204);
    assertThat(course.design().path("flags").toString()).contains("Unread");
  }
}
