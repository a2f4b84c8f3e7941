package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.server.demo.DemoClock;
import yendrik.server.way.CatchUp;
import yendrik.server.way.PlannedPublications;

/**
 * Publications for everybody, for those who come later, for a moment to come, and their history.
 */
@ServerTest
class PublicationsTest extends SchoolTest {
  private static final String RULE = "/rules/0";
  @Autowired PlannedPublications planned;
  @Autowired CatchUp catchUp;
  @Autowired DemoClock clock;
  private NewCourse course;
  private long first;
  private long second;
  private Instant began = Instant.EPOCH;

  @BeforeEach
  void aCourseThatSomebodyHas() {
    began = clock.instant();
    course = newCourse("In turn");
    long module = course.module("Tubes");
    first = course.step(module, "PAGE", "How a patch holds");
    second = course.step(module, "PAGE", "Where it leaks");
    course.publish();
    course.enrol("ruben@hollowlane.example");
  }

  @AfterEach
  void itIsNowAgain() {
    clock.run();
  }

  private void askForTheFirst() {
    course.change(second, e -> e.set("opensWhen", course.ask("seen", first)));
  }

  private void askForNothing() {
    course.change(second, e -> e.putNull("opensWhen"));
  }

  private int publish(boolean later) {
    var edit = new Sent.Publication(course.impact().path("draft").asString(), later);
    int status = as("Sefa Dunmore").call("POST", course.path + "/publications", edit).getStatus();
    catchUp.all();
    return status;
  }

  private int plan(boolean later, Instant at) {
    var edit = new Sent.Plan(course.impact().path("draft").asString(), later, at);
    return as("Sefa Dunmore").call("PUT", course.path + "/publications/planned", edit).getStatus();
  }

  private void moment(Duration ahead) {
    clock.putTo(began.plus(ahead));
    planned.all();
    catchUp.all();
  }

  private String state(String learner) {
    return course.bead(learner, second).path("state").asString();
  }

  private JsonNode changes(String of) {
    return as("Sefa Dunmore").get(course.path + "/publications/" + of + "/changes");
  }

  @Test
  void for_those_who_come_later_leave_the_others_what_they_have_until_one_is_for_everybody() {
    askForTheFirst();
    assertThat(publish(true)).isEqualTo(202);
    course.enrol("juno@hollowlane.example");
    assertThat(state("Ruben Sato")).isEqualTo("OPEN");
    assertThat(state("Juno Abara")).isEqualTo("CLOSED");
    assertThat(course.impact().path("earlier").asInt()).isEqualTo(1);
    assertThat(publish(true)).as("the same again for those who come later").isEqualTo(409);
    assertThat(publish(false)).as("the same for everybody").isEqualTo(202);
    assertThat(state("Ruben Sato")).as("what is open stays open").isEqualTo("OPEN");
    assertThat(course.impact().path("earlier").asInt()).isZero();
    assertThat(publish(false)).as("everybody has it").isEqualTo(409);
  }

  @Test
  void the_first_of_all_is_for_everybody() {
    var fresh = newCourse("Fresh");
    fresh.step(fresh.module("Tubes"), "PAGE", "How a patch holds");
    var edit = new Sent.Publication(fresh.impact().path("draft").asString(), true);
    as("Sefa Dunmore").call("POST", fresh.path + "/publications", edit);
    fresh.enrol("ruben@hollowlane.example");
    assertThat(fresh.impact().path("earlier").asInt()).isZero();
    assertThat(fresh.row("Ruben Sato").path("enrolment").asLong()).isPositive();
  }

  @Test
  void at_a_moment_to_come_bring_what_the_draft_was_when_they_were_planned() {
    assertThat(plan(false, clock.instant().plusSeconds(60))).as("nothing changed").isEqualTo(409);
    askForTheFirst();
    assertThat(plan(false, clock.instant().minusSeconds(60))).as("past").isEqualTo(422);
    assertThat(plan(false, clock.instant().plus(Duration.ofHours(2)))).isEqualTo(204);
    assertThat(course.impact().at("/planned/later").asBoolean()).isFalse();
    askForNothing();
    moment(Duration.ofHours(1));
    course.enrol("juno@hollowlane.example");
    assertThat(state("Juno Abara")).as("before it").isEqualTo("OPEN");
    moment(Duration.ofHours(3));
    course.enrol("aiko@hollowlane.example");
    assertThat(state("Aiko Brenner")).as("after it").isEqualTo("CLOSED");
    assertThat(course.impact().path("planned").isMissingNode()).isTrue();
    assertThat(course.impact().path("changed")).as("what came meanwhile is left").isNotEmpty();
    planned.all();
    assertThat(as("Sefa Dunmore").get(course.path + "/publications")).as("once").hasSize(2);
  }

  @Test
  void that_are_planned_are_dropped_by_hand_and_by_another_publication() {
    askForTheFirst();
    assertThat(plan(true, clock.instant().plusSeconds(60))).isEqualTo(204);
    as("Sefa Dunmore").call("DELETE", course.path + "/publications/planned", "");
    assertThat(course.impact().path("planned").isMissingNode()).isTrue();
    assertThat(plan(true, clock.instant().plusSeconds(60))).isEqualTo(204);
    assertThat(publish(false)).isEqualTo(202);
    moment(Duration.ofHours(1));
    assertThat(as("Sefa Dunmore").get(course.path + "/publications")).hasSize(2);
  }

  @Test
  void stand_in_the_history_as_sentences_before_and_after() {
    askForTheFirst();
    assertThat(changes("next").at(RULE + "/before").isMissingNode()).isTrue();
    assertThat(changes("next").at(RULE + "/after").asString()).isEqualTo("How a patch holds read");
    assertThat(changes("next").at(RULE + "/back/field").asString()).isEqualTo("OPENS_WHEN");
    course.publish();
    assertThat(changes("next").path("rules")).isEmpty();
    assertThat(changes("2").at(RULE + "/place").asString())
        .isEqualTo("Opens when of “Where it leaks”");
    assertThat(changes("2").path("names").toString()).contains("Where it leaks");
    assertThat(changes("2").at(RULE + "/back").isMissingNode()).isFalse();
    askForNothing();
    assertThat(changes("2").at(RULE + "/back").isMissingNode()).as("it is back").isTrue();
    assertThat(changes("1").path("rules")).as("all is new").isEmpty();
    assertThat(
            as("Sefa Dunmore").call("GET", course.path + "/publications/9/changes", "").getStatus())
        .isEqualTo(404);
  }
}
