package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.FACT;
import static yendrik.schema.Tables.HANDED_IN;

import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.StepId;
import yendrik.core.strand.work.Judgement;

class LearningTest extends BenchTest {
  @Test
  void a_closed_step_keeps_its_content_and_says_what_is_missing() {
    var response = as("Ruben Sato").call("POST", bench.walk(bench.practical) + "/visits", "");
    assertThat(response.getStatus()).isEqualTo(403);
    var body = Caller.json(response);
    assertThat(body.path("missing").toString()).contains("read “Rim brake anatomy”");
    assertThat(body.toString()).doesNotContain("Set up one rim brake");
  }

  @Test
  void right_answers_do_not_leave_the_server_before_the_attempt_is_marked() {
    JsonNode page = bench.visit("Bashir Colm", bench.quiz);
    assertThat(page.toString()).doesNotContain("\"right\"").doesNotContain("A setter");
    JsonNode attempt = as("Bashir Colm").post(bench.walk(bench.quiz) + "/attempts", "");
    assertThat(attempt.path("questions").size()).isEqualTo(3);
    assertThat(attempt.toString()).doesNotContain("\"right\"");
  }

  @Test
  void a_quiz_is_marked_at_once_and_opens_what_waits_for_it() {
    var ruben = as("Ruben Sato");
    bench.visit("Ruben Sato", bench.page);
    String path = bench.walk(bench.quiz);
    JsonNode attempt = ruben.post(path + "/attempts", "");
    int number = attempt.path("number").asInt();
    String answers = Caller.answers(attempt, "A setter", "A breaker", "A hammer");
    var result = ruben.post(path + "/attempts/" + number + "/result", answers);
    assertThat(result.path("points").asDouble()).isEqualTo(2);
    assertThat(result.path("passed").asBoolean()).isTrue();
    assertThat(result.path("opened").toString()).contains("Rim brake anatomy");
    assertThat(ruben.post(path + "/attempts/" + number + "/result", answers).path("points").asInt())
        .as("the same answers again give the same result")
        .isEqualTo(2);
    var again =
        ruben.call(
            "POST",
            path + "/attempts/" + number + "/result",
            "{\"answers\":{},\"back\":[" + attempt.at("/questions/0/id") + "]}");
    assertThat(again.getStatus()).isEqualTo(409);
  }

  @Test
  void used_up_attempts_are_refused_until_staff_give_another() {
    var juno = as("Juno Abara");
    String attempts = bench.walk(bench.quiz) + "/attempts";
    assertThat(juno.call("POST", attempts, "").getStatus()).isEqualTo(409);
    var edit = new Sent.Exception("ADD_ATTEMPTS", bench.quiz, "");
    String exceptions = path() + "/learners/" + enrolment("Juno Abara") + "/exceptions";
    assertThat(as("Tomas Weir").call("POST", exceptions, edit).getStatus()).isEqualTo(204);
    assertThat(juno.call("POST", attempts, "").getStatus()).isEqualTo(200);
  }

  @Test
  void walking_as_a_made_up_learner_leaves_no_trace_in_the_records() {
    var odalys = as("Odalys Brandt");
    int facts = db.fetchCount(FACT, FACT.COURSE_ID.eq(bench.id));
    var route = odalys.get(path() + "/walks/practice/route");
    assertThat(route.path("modules").size()).isEqualTo(2);
    String quiz = path() + "/walks/practice/steps/" + bench.quiz + "/visits";
    assertThat(odalys.call("POST", quiz, "").getStatus())
        .as("the made-up learner has not been through the page")
        .isEqualTo(403);
    assertThat(as("Tomas Weir").get(path() + "/reports/progress").path("learners").size())
        .isEqualTo(Bench.LEARNERS);
    walks.startOver(bench.id, signedIn("Odalys Brandt").id());
    assertThat(db.fetchCount(FACT, FACT.COURSE_ID.eq(bench.id))).isEqualTo(facts);
    var practice = ENROLMENT.COURSE_ID.eq(bench.id).and(ENROLMENT.PRACTICE.isTrue());
    assertThat(db.fetchCount(ENROLMENT, practice)).isZero();
  }

  @Test
  void work_handed_in_waits_and_what_staff_say_comes_back() {
    var learner = as("Edda Marsh");
    var tomas = as("Tomas Weir");
    var card = new StepId(bench.card);
    EnrolmentId edda = enrolment("Edda Marsh");
    String marking = path() + "/marking/" + edda + "/";
    assertThat(
            tomas
                .call(
                    "POST",
                    marking + bench.practical + "/sign-offs",
                    new Sent.SignOff("Clean", Map.of()))
                .getStatus())
        .isEqualTo(204);
    assertThat(
            learner
                .call("POST", bench.walk(bench.card) + "/versions", new Sent.Text(" "))
                .getStatus())
        .isEqualTo(422);
    var page = learner.post(bench.walk(bench.card) + "/versions", new Sent.Text("Two pads, 5 Nm."));
    assertThat(page.path("state").asString()).isEqualTo("WAITING");
    assertThat(tomas.get(path() + "/marking").path("handedIn").toString()).contains("Edda Marsh");
    var stale =
        tomas.call("POST", marking + card + "/marks", new Sent.Mark(2, 1, Judgement.PASSED));
    assertThat(stale.getStatus()).isEqualTo(409);
    var tooMany =
        tomas.call("POST", marking + card + "/marks", new Sent.Mark(1, 99, Judgement.PASSED));
    assertThat(Caller.json(tooMany).path("fields").has("points")).isTrue();
    var marked =
        tomas.call(
            "POST",
            marking + card + "/marks",
            new Sent.Mark(1, 18, Judgement.PASSED, "Clear.", Map.of(bench.brake, 2)));
    assertThat(marked.getStatus()).isEqualTo(204);
    var back = learner.post(bench.walk(bench.card) + "/visits", "");
    assertThat(back.path("state").asString()).isEqualTo("DONE");
    assertThat(back.path("part").path("versions").path(0).path("mark").path("comment").asString())
        .isEqualTo("Clear.");
    var badges = learner.get(path() + "/walks/mine/route").path("badges");
    assertThat(
            badges
                .valueStream()
                .filter(b -> b.path("name").asString().equals("Brake Hand"))
                .findFirst()
                .orElseThrow()
                .path("earned")
                .asBoolean())
        .isTrue();
    assertThat(
            db.fetchCount(
                HANDED_IN, HANDED_IN.ENROLMENT_ID.eq(edda).and(HANDED_IN.STEP_ID.eq(card))))
        .isEqualTo(1);
  }

  @Test
  void a_support_teacher_sees_her_group_and_nobody_else() {
    var priya = as("Priya Nakamura");
    assertThat(priya.get(path() + "/reports/progress").path("learners").size()).isEqualTo(1);
    String learners = path() + "/learners/";
    assertThat(priya.call("GET", learners + enrolment("Bashir Colm"), "").getStatus())
        .isEqualTo(404);
    assertThat(priya.call("GET", learners + enrolment("Juno Abara"), "").getStatus())
        .isEqualTo(200);
  }
}
