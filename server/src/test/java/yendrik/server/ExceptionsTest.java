package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What staff may do for one learner against the rules, and what it leaves behind. */
@ServerTest
class ExceptionsTest extends SchoolTest {
  private NewCourse course;
  private long page;
  private long work;
  private Caller ruben;
  private Caller sefa;

  @BeforeEach
  void aCourseWithAClosedAssignment() {
    sefa = as("Sefa Dunmore");
    ruben = as("Ruben Sato");
    course = new NewCourse(sefa, "Exceptions " + System.nanoTime());
    long module = course.module("Tubes");
    page = course.step(module, "PAGE", "How a patch holds");
    work = course.step(module, "ASSIGNMENT", "Your first patch");
    course.change(work, e -> e.set("opensWhen", course.ask("seen", page)));
    course.publish();
    course.enrol("ruben@hollowlane.example");
  }

  private int except(String kind, long step, String more) {
    long enrolment = course.row("Ruben Sato").path("enrolment").asLong();
    String body =
        "{\"kind\":\"" + kind + "\",\"step\":" + step + ",\"reason\":\"seen\"" + more + "}";
    return sefa.call("POST", course.path + "/learners/" + enrolment + "/exceptions", body)
        .getStatus();
  }

  @Test
  void an_opened_step_is_open_whatever_its_rule_says() {
    assertThat(ruben.call("POST", course.walk(work) + "/visits", "").getStatus()).isEqualTo(403);
    assertThat(except("OPEN", work, "")).isEqualTo(204);
    assertThat(ruben.call("POST", course.walk(work) + "/visits", "").getStatus()).isEqualTo(200);
    JsonNode bead = course.bead("Ruben Sato", work);
    assertThat(bead.path("happened").toString()).contains("Sefa Dunmore");
  }

  @Test
  void an_excused_step_neither_counts_nor_holds_anything_shut() {
    long before = course.row("Ruben Sato").path("share").asLong();
    assertThat(before).isZero();
    assertThat(except("EXCUSE", page, "")).isEqualTo(204);
    assertThat(course.bead("Ruben Sato", page).path("state").asString()).isEqualTo("EXCUSED");
    assertThat(course.bead("Ruben Sato", page).path("turn").asString())
        .isEqualTo("Nothing is left to do.");
    assertThat(course.bead("Ruben Sato", work).path("state").asString()).isEqualTo("OPEN");
  }

  @Test
  void a_moved_due_date_is_the_learners_own() {
    assertThat(except("MOVE_DUE", work, "")).as("no date given").isEqualTo(422);
    assertThat(except("MOVE_DUE", work, ",\"due\":\"2026-12-24T17:00:00Z\"")).isEqualTo(204);
    assertThat(course.bead("Ruben Sato", work).path("due").asString())
        .isEqualTo("2026-12-24T17:00:00Z");
  }

  @Test
  void an_exception_at_no_step_or_of_no_learner_is_refused() {
    assertThat(except("OPEN", 999_999, "")).isEqualTo(422);
    String body = "{\"kind\":\"OPEN\",\"step\":" + work + ",\"reason\":\"\"}";
    assertThat(sefa.call("POST", course.path + "/learners/999999/exceptions", body).getStatus())
        .isEqualTo(404);
    assertThat(
            sefa.call(
                    "POST",
                    course.path + "/learners/" + enrolment("Edda Marsh") + "/exceptions",
                    body)
                .getStatus())
        .as("a learner of another course")
        .isEqualTo(404);
  }

  @Test
  void a_badge_given_by_hand_needs_a_reason_and_shows_it() {
    long badge =
        sefa.post(
                course.path + "/design/badges",
                "{\"name\":\"Patch Hand\",\"description\":\"\",\"picture\":{\"shape\":\"hexagon\",\"sign\":\"star\",\"colour\":\"lagoon\"},\"surprise\":false}")
            .path("id")
            .asLong();
    course.publish();
    long enrolment = course.row("Ruben Sato").path("enrolment").asLong();
    String path = course.path + "/learners/" + enrolment + "/badges";
    assertThat(sefa.call("POST", path, "{\"badge\":" + badge + ",\"reason\":\"\"}").getStatus())
        .isEqualTo(422);
    assertThat(
            sefa.call("POST", path, "{\"badge\":" + badge + ",\"reason\":\"Helped all week\"}")
                .getStatus())
        .isEqualTo(204);
    var held = ruben.get(course.path + "/walks/mine/route").path("badges").path(0);
    assertThat(held.path("earned").asBoolean()).isTrue();
    assertThat(sefa.get(course.path + "/learners/" + enrolment).path("happened").toString())
        .contains("Helped all week");
  }
}
