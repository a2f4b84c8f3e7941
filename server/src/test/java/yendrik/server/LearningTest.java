package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.FACT;
import static yendrik.schema.Tables.HANDED_IN;

import java.time.Clock;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.server.way.Walks;

@ServerTest
class LearningTest extends SchoolTest {
  @Autowired Walks walks;
  @Autowired Clock clock;

  private String steps(String walk) {
    return foundations() + "/walks/" + walk + "/steps/";
  }

  @Test
  void an_outcome_says_what_comes_next_and_where_it_can_be_shown() {
    JsonNode outcomes = as("Edda Marsh").get(foundations() + "/walks/mine/route").path("outcomes");
    for (JsonNode o : outcomes) {
      int level = o.path("level").asInt();
      boolean top = level == o.path("levels").asInt() - 1;
      assertThat(o.has("next")).as(o.path("code").asString()).isEqualTo(!top);
      assertThat(o.path("change").isEmpty())
          .as(o.path("code").asString())
          .isEqualTo(level >= o.path("mastery").asInt());
    }
    JsonNode wheel =
        outcomes
            .valueStream()
            .filter(o -> o.path("code").asString().equals("WHEEL"))
            .findFirst()
            .orElseThrow();
    assertThat(wheel.path("shownIn").path(0).path("name").asString())
        .isEqualTo("True within half a millimetre");
    assertThat(wheel.path("shownIn").size()).isBetween(1, 3);
    JsonNode bike =
        outcomes
            .valueStream()
            .filter(o -> o.path("code").asString().equals("BIKE"))
            .findFirst()
            .orElseThrow();
    assertThat(bike.path("shownIn").isEmpty()).as("in the steps of its parts").isFalse();
  }

  @Test
  void nothing_of_the_demo_lies_in_the_future() {
    assertThat(db.fetchExists(FACT, FACT.AT.gt(clock.instant()))).isFalse();
  }

  @Test
  void a_closed_step_keeps_its_content_and_says_what_is_missing() {
    var response =
        as("Juno Abara")
            .call("POST", steps("mine") + step("Brake set-up practical") + "/visits", "");
    assertThat(response.getStatus()).isEqualTo(403);
    var body = Caller.json(response);
    assertThat(body.path("missing").toString())
        .contains("score 60 % or more in “Pads, cables, levers”");
    assertThat(body.toString()).doesNotContain("Set up one rim brake");
  }

  @Test
  void help_that_a_learner_does_not_need_is_not_held_before_them() {
    assertThat(as("Ilse Tran").get(foundations() + "/walks/mine/route").toString())
        .doesNotContain("Second look");
    assertThat(as("Juno Abara").get(foundations() + "/walks/mine/route").toString())
        .contains("Second look");
  }

  @Test
  void right_answers_do_not_leave_the_server_before_the_attempt_is_marked() {
    var ruben = as("Ruben Sato");
    StepId quiz = step("Are you ready for the floor");
    String path =
        "/api/courses/" + course("Workshop Safety Induction") + "/walks/mine/steps/" + quiz;
    var page = ruben.post(path + "/visits", "");
    assertThat(page.toString()).doesNotContain("\"right\"").doesNotContain("lidded steel bin");
    var attempt = ruben.post(path + "/attempts", "");
    assertThat(attempt.path("questions").size()).isEqualTo(3);
    assertThat(attempt.toString()).doesNotContain("\"right\"");
  }

  @Test
  void a_quiz_is_marked_at_once_and_opens_what_waits_for_it() {
    var edda = as("Bashir Colm");
    String path = steps("mine") + step("Name the fault");
    edda.post(path + "/visits", "");
    JsonNode attempt = edda.post(path + "/attempts", "");
    int number = attempt.path("number").asInt();
    String answers =
        Caller.answers(
            attempt, "The headset", "The bottom bracket", "The same way", "Out of round");
    var result = edda.post(path + "/attempts/" + number + "/result", answers);
    assertThat(result.path("points").asDouble()).isEqualTo(3);
    assertThat(result.path("passed").asBoolean()).isTrue();
    assertThat(result.path("opened").toString()).contains("Fault report for a rider");
    assertThat(edda.post(path + "/attempts/" + number + "/result", answers).path("points").asInt())
        .as("the same answers again give the same result")
        .isEqualTo(3);
    var again = edda.call("POST", path + "/attempts/" + number + "/result", "{\"answers\":{}}");
    assertThat(again.getStatus()).isEqualTo(409);
  }

  @Test
  void used_up_attempts_are_refused_until_staff_give_another() {
    var juno = as("Juno Abara");
    String path = steps("mine") + step("Pads, cables, levers");
    assertThat(juno.call("POST", path + "/attempts", "").getStatus()).isEqualTo(409);
    String edit =
        "{\"kind\":\"ADD_ATTEMPTS\",\"step\":" + step("Pads, cables, levers") + ",\"reason\":\"\"}";
    var given =
        as("Tomas Weir")
            .call(
                "POST",
                foundations() + "/learners/" + enrolment("Juno Abara") + "/exceptions",
                edit);
    assertThat(given.getStatus()).isEqualTo(204);
    assertThat(juno.call("POST", path + "/attempts", "").getStatus()).isEqualTo(200);
  }

  @Test
  void walking_as_a_made_up_learner_leaves_no_trace_in_the_records() {
    var odalys = as("Odalys Brandt");
    int learners =
        as("Tomas Weir").get(foundations() + "/reports/progress").path("learners").size();
    int facts = db.fetchCount(FACT);
    var route = odalys.get(foundations() + "/walks/practice/route");
    assertThat(route.path("modules").size()).isEqualTo(8);
    var closed =
        odalys.call("POST", steps("practice") + step("Your bench and the stand") + "/visits", "");
    assertThat(closed.getStatus())
        .as("the made-up learner has not done the induction")
        .isEqualTo(403);
    assertThat(as("Tomas Weir").get(foundations() + "/reports/progress").path("learners").size())
        .isEqualTo(learners);
    walks.startOver(course("Cycle Mechanic Foundations"), personId("Odalys Brandt"));
    assertThat(db.fetchCount(FACT)).isEqualTo(facts);
    assertThat(db.fetchCount(ENROLMENT, ENROLMENT.PRACTICE.isTrue())).isZero();
  }

  private PersonId personId(String name) {
    return db.select(yendrik.schema.Tables.PERSON.ID)
        .from(yendrik.schema.Tables.PERSON)
        .where(yendrik.schema.Tables.PERSON.NAME.eq(name))
        .fetchSingle()
        .value1();
  }

  @Test
  void work_handed_in_waits_and_what_staff_say_comes_back() {
    var aiko = as("Edda Marsh");
    var tomas = as("Tomas Weir");
    StepId practical = step("Brake set-up practical");
    StepId card = step("Brake job card");
    EnrolmentId edda = enrolment("Edda Marsh");
    String marking = foundations() + "/marking/" + edda + "/";
    assertThat(
            tomas
                .call(
                    "POST",
                    marking + practical + "/sign-offs",
                    "{\"comment\":\"Clean\",\"levels\":{}}")
                .getStatus())
        .isEqualTo(204);
    assertThat(
            aiko.call("POST", steps("mine") + card + "/versions", "{\"text\":\" \"}").getStatus())
        .isEqualTo(422);
    var page = aiko.post(steps("mine") + card + "/versions", "{\"text\":\"Two pads, 5 Nm.\"}");
    assertThat(page.path("state").asString()).isEqualTo("WAITING");
    assertThat(tomas.get(foundations() + "/marking").path("handedIn").toString())
        .contains("Edda Marsh");
    String levels = "{\"" + outcome(tomas, edda, "BRAKE") + "\":2}";
    var stale =
        tomas.call(
            "POST",
            marking + card + "/marks",
            "{\"version\":2,\"points\":1,\"judgement\":\"PASSED\",\"comment\":\"\",\"levels\":{}}");
    assertThat(stale.getStatus()).isEqualTo(409);
    var tooMany =
        tomas.call(
            "POST",
            marking + card + "/marks",
            "{\"version\":1,\"points\":99,\"judgement\":\"PASSED\",\"comment\":\"\",\"levels\":{}}");
    assertThat(Caller.json(tooMany).path("fields").has("points")).isTrue();
    var marked =
        tomas.call(
            "POST",
            marking + card + "/marks",
            "{\"version\":1,\"points\":18,\"judgement\":\"PASSED\",\"comment\":\"Clear.\",\"levels\":"
                + levels
                + "}");
    assertThat(marked.getStatus()).isEqualTo(204);
    var back = aiko.post(steps("mine") + card + "/visits", "");
    assertThat(back.path("state").asString()).isEqualTo("DONE");
    assertThat(back.path("part").path("versions").path(0).path("mark").path("comment").asString())
        .isEqualTo("Clear.");
    var badges = aiko.get(foundations() + "/walks/mine/route").path("badges");
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

  private long outcome(Caller tomas, EnrolmentId enrolment, String code) {
    return tomas
        .get(foundations() + "/learners/" + enrolment)
        .path("levels")
        .valueStream()
        .filter(l -> l.path("code").asString().equals(code))
        .findFirst()
        .orElseThrow()
        .path("outcome")
        .asLong();
  }

  @Test
  void a_support_teacher_sees_her_group_and_nobody_else() {
    var priya = as("Priya Nakamura");
    assertThat(priya.get(foundations() + "/reports/progress").path("learners").size()).isEqualTo(7);
    assertThat(
            priya
                .call("GET", foundations() + "/learners/" + enrolment("Bashir Colm"), "")
                .getStatus())
        .isEqualTo(404);
    assertThat(
            priya
                .call("GET", foundations() + "/learners/" + enrolment("Juno Abara"), "")
                .getStatus())
        .isEqualTo(200);
  }

  @Test
  void the_state_of_every_learner_follows_from_the_facts_alone() {
    for (String course :
        new String[] {"Cycle Mechanic Foundations", "Workshop Safety Induction", "Wheelbuilding"})
      for (EnrolmentId enrolment : walks.learners(course(course)))
        assertThat(walks.compare(enrolment)).as("enrolment " + enrolment).isEmpty();
  }
}
