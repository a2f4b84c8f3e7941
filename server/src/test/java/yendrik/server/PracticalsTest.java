package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.people.StaffKind;
import yendrik.server.demo.DemoClock;
import yendrik.server.people.People;

/** Practicals are signed off for many, also later than they were seen, and taken back. */
@ServerTest
class PracticalsTest extends SchoolTest {
  @Autowired DemoClock clock;
  @Autowired People people;
  private NewCourse course;
  private Caller tomas;
  private long bench;
  private OutcomeId torque;
  private EnrolmentId edda;
  private EnrolmentId ruben;

  private record SignOff(String comment, Map<String, Integer> levels, Optional<Instant> seen) {}

  private record Group(String name, List<EnrolmentId> learners) {}

  @BeforeEach
  void aPracticalForTwo() {
    clock.putTo(clock.instant());
    course = newCourse("Bench");
    torque = course.outcome("TORQ", "Uses torque values", List.of());
    bench = course.step(course.module("Wheels"), "PRACTICAL", "True it");
    course.change(
        bench,
        e -> e.putArray("evidenceFor").addObject().put("outcome", torque.value()).put("weight", 1));
    course.publish();
    course.enrol("edda@hollowlane.example", "ruben@hollowlane.example");
    people.addStaff(
        course.id, signedIn("Tomas Weir").id(), StaffKind.FACILITATOR, Optional.empty());
    tomas = as("Tomas Weir");
    edda = course.enrolment("Edda Marsh");
    ruben = course.enrolment("Ruben Sato");
  }

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  private int signOff(EnrolmentId who, String comment, Optional<Instant> seen) {
    return tomas
        .call("POST", at(who), new SignOff(comment, Map.of(torque.toString(), 1), seen))
        .getStatus();
  }

  private String at(EnrolmentId who) {
    return course.path + "/marking/" + who + "/" + bench + "/sign-offs";
  }

  private JsonNode line() {
    return tomas.get(course.path + "/practicals").path(0);
  }

  private String state(String learner) {
    return tomas
        .get(course.path + "/practicals/" + bench)
        .path("learners")
        .valueStream()
        .filter(l -> l.path("name").asString().equals(learner))
        .findFirst()
        .orElseThrow()
        .path("state")
        .asString();
  }

  @Test
  void it_is_signed_off_for_one_after_the_other_with_a_level() {
    assertThat(line().path("open").asInt()).isEqualTo(2);
    assertThat(signOff(edda, "Within half a millimetre", Optional.empty())).isEqualTo(204);
    assertThat(signOff(ruben, "", Optional.empty())).isEqualTo(204);
    assertThat(line().path("open").asInt()).isZero();
    assertThat(line().path("done").asInt()).isEqualTo(2);
    assertThat(state("Edda Marsh")).isEqualTo("DONE");
    assertThat(tomas.get(course.path + "/learners/" + edda).path("levels").path(0).path("level"))
        .hasToString("1");
  }

  @Test
  void what_waited_for_a_connection_counts_from_when_it_was_seen() {
    Instant seen = clock.instant();
    course.change(bench, e -> e.put("dueAt", seen.plus(Duration.ofHours(1)).toString()));
    course.publish();
    clock.putTo(seen.plus(Duration.ofHours(3)));
    assertThat(signOff(edda, "", Optional.of(seen.plusSeconds(60)))).isEqualTo(204);
    JsonNode bead = tomas.get(course.path + "/learners/" + edda + "/steps/" + bench);
    assertThat(bead.toString()).contains(seen.plusSeconds(60).toString().substring(0, 16));
    assertThat(signOff(ruben, "", Optional.of(clock.instant().minus(Duration.ofDays(8)))))
        .isEqualTo(422);
    assertThat(signOff(ruben, "", Optional.of(clock.instant().plus(Duration.ofDays(8)))))
        .as("a tablet whose clock is ahead")
        .isEqualTo(204);
  }

  @Test
  void sent_twice_it_is_signed_off_once_and_by_two_of_staff_it_is_said() {
    assertThat(signOff(edda, "Fine", Optional.empty())).isEqualTo(204);
    assertThat(signOff(edda, "Fine", Optional.empty())).isEqualTo(204);
    assertThat(
            as("Sefa Dunmore")
                .call("POST", at(edda), new SignOff("Good", Map.of(), Optional.empty()))
                .getStatus())
        .isEqualTo(409);
  }

  @Test
  void a_sign_off_for_the_wrong_one_is_taken_back_with_its_level() {
    signOff(edda, "Fine", Optional.empty());
    for (int twice = 0; twice < 2; twice++)
      assertThat(tomas.call("DELETE", at(edda), "").getStatus()).isEqualTo(204);
    assertThat(state("Edda Marsh")).isEqualTo("OPEN");
    assertThat(tomas.get(course.path + "/learners/" + edda).path("levels").path(0).path("level"))
        .hasToString("-1");
    assertThat(signOff(edda, "Now really", Optional.empty())).isEqualTo(204);
    assertThat(as("Edda Marsh").call("DELETE", at(edda), "").getStatus()).isEqualTo(403);
  }

  @Test
  void a_support_teacher_counts_and_signs_off_hers_only() {
    GroupId hers =
        new GroupId(
            as("Sefa Dunmore")
                .post(course.path + "/groups", new Group("Hers", List.of(edda)))
                .path("id")
                .asLong());
    people.addStaff(
        course.id, signedIn("Priya Nakamura").id(), StaffKind.SUPPORT, Optional.of(hers));
    Caller priya = as("Priya Nakamura");
    assertThat(priya.get(course.path + "/practicals").path(0).path("open").asInt()).isEqualTo(1);
    JsonNode sheet = priya.get(course.path + "/practicals/" + bench);
    assertThat(sheet.toString()).contains("Edda").doesNotContain("Ruben");
    assertThat(priya.call("DELETE", at(ruben), "").getStatus()).isEqualTo(404);
    long page = course.step(course.module("Pages"), "PAGE", "Read");
    course.publish();
    assertThat(priya.call("GET", course.path + "/practicals/" + page, "").getStatus())
        .isEqualTo(404);
  }
}
