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
import yendrik.core.people.StaffKind;
import yendrik.server.demo.DemoClock;
import yendrik.server.people.People;

/** Staff look through a learner's eyes and do nothing there, or walk as a made-up learner. */
@ServerTest
class EyesTest extends SchoolTest {
  @Autowired DemoClock clock;
  @Autowired People people;
  private NewCourse course;
  private Caller sefa;
  private Caller edda;
  private long module;
  private long work;
  private String eyes;

  private record Work(String text) {}

  private record Group(String name, List<EnrolmentId> learners) {}

  private record Groups(List<GroupId> groups) {}

  private record Clock(long ahead) {}

  @BeforeEach
  void aCourseWithEdda() {
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    course = newCourse("Eyes");
    module = course.module("Brakes");
    work = course.step(module, "ASSIGNMENT", "Job card");
    course.publish();
    course.enrol("edda@hollowlane.example", "ruben@hollowlane.example");
    eyes = course.path + "/walks/as-" + course.enrolment("Edda Marsh");
  }

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  private GroupId group(String name, EnrolmentId... learners) {
    return new GroupId(
        sefa.post(course.path + "/groups", new Group(name, List.of(learners))).path("id").asLong());
  }

  @Test
  void what_a_learner_sees_is_seen_and_nothing_is_left_by_it() {
    JsonNode before = sefa.get(course.path + "/learners/" + course.enrolment("Edda Marsh"));
    JsonNode hers = edda.get(course.path + "/walks/mine/route");
    JsonNode seen = sefa.get(eyes + "/route");
    assertThat(seen.path("modules")).isEqualTo(hers.path("modules"));
    assertThat(sefa.get(eyes + "/steps/" + work).path("name").asString()).isEqualTo("Job card");
    assertThat(sefa.get(eyes + "/eyes").path("learner").asString()).isEqualTo("Edda Marsh");
    assertThat(sefa.get(course.path + "/learners/" + course.enrolment("Edda Marsh")))
        .isEqualTo(before);
  }

  @Test
  void nothing_can_be_done_for_a_learner() {
    for (String act : List.of("/visits", "/steps/" + work + "/visits", "/fresh-start"))
      assertThat(sefa.call("POST", eyes + act, "").getStatus()).as(act).isIn(403, 404);
    var handIn = sefa.call("POST", eyes + "/steps/" + work + "/versions", new Work("Mine"));
    assertThat(handIn.getStatus()).isEqualTo(403);
    assertThat(Caller.json(handIn).path("code").asString()).isEqualTo("problem.only-looking");
    assertThat(sefa.call("PUT", eyes + "/clock", new Clock(60)).getStatus()).isEqualTo(404);
    assertThat(sefa.get(eyes + "/steps/" + work).path("part").path("canHandIn").asBoolean())
        .isFalse();
  }

  private record Said(String so) {}

  private int asIf(Caller who, String walk, long step, String so) {
    String at = course.path + "/walks/" + walk + "/steps/" + step + "/as-if";
    return who.call("POST", at, new Said(so)).getStatus();
  }

  private JsonNode line(long step) {
    for (JsonNode m : sefa.get(course.path + "/walks/practice/route").path("modules"))
      for (JsonNode s : m.path("steps")) if (s.path("id").asLong() == step) return s;
    throw new AssertionError("no line");
  }

  @Test
  void a_step_is_walked_to_as_if_all_that_it_waits_for_were_so() {
    long next = course.step(module, "PAGE", "After the card");
    long last = course.step(module, "PAGE", "Days later");
    course.change(next, e -> e.set("opensWhen", course.ask("passed", work)));
    course.change(
        last,
        e -> {
          var when = course.ask("days-since-done", next);
          ((tools.jackson.databind.node.ObjectNode) when.path("leaf")).put("days", 3);
          e.set("opensWhen", when);
        });
    assertThat(line(last).path("state").asString()).isEqualTo("CLOSED");
    assertThat(asIf(sefa, "practice", last, "OPEN")).isEqualTo(200);
    assertThat(line(last).path("state").asString()).isEqualTo("OPEN");
    assertThat(line(next).path("state").asString()).isEqualTo("DONE");
    assertThat(line(work).path("state").asString()).isEqualTo("DONE");
    assertThat(sefa.get(course.path + "/walks/practice/eyes").path("ahead").asLong())
        .isBetween(3 * 86_400L, 3 * 86_400L + 600);
    assertThat(asIf(sefa, "practice", last, "DONE")).isEqualTo(200);
    assertThat(line(last).path("state").asString()).isEqualTo("DONE");
  }

  @Test
  void nothing_is_as_if_where_it_cannot_be_or_for_real_learners() {
    long stuck = course.step(module, "PAGE", "Stuck");
    course.change(stuck, e -> e.set("opensWhen", course.ask("step-done", stuck)));
    assertThat(asIf(sefa, "practice", stuck, "OPEN")).isEqualTo(409);
    assertThat(line(work).path("state").asString()).as("nothing happened").isEqualTo("OPEN");
    assertThat(asIf(sefa, "practice", 99_999_999, "DONE")).isEqualTo(409);
    assertThat(asIf(sefa, "as-" + course.enrolment("Edda Marsh"), work, "DONE")).isEqualTo(404);
    assertThat(asIf(edda, "mine", work, "DONE")).isEqualTo(403);
  }

  @Test
  void what_is_begun_and_not_sent_is_for_the_learner_alone() {
    edda.call("PUT", course.walk(work) + "/draft", new Work("Half a sentence"));
    assertThat(edda.post(course.walk(work) + "/visits", "").toString()).contains("Half a sentence");
    assertThat(sefa.get(eyes + "/steps/" + work).toString()).doesNotContain("Half a sentence");
  }

  @Test
  void learners_made_up_ones_and_those_of_other_courses_have_no_eyes_for_others() {
    assertThat(edda.call("GET", eyes + "/route", "").getStatus()).isEqualTo(403);
    sefa.get(course.path + "/walks/practice/route");
    NewCourse other = newCourse("Elsewhere");
    other.step(other.module("One"), "PAGE", "A page");
    other.publish();
    other.enrol("ruben@hollowlane.example");
    for (String name :
        List.of("as-0", "as-999999", "as-" + other.enrolment("Ruben Sato"), "as-x", "as-1-at-"))
      assertThat(sefa.call("GET", course.path + "/walks/" + name + "/route", "").getStatus())
          .as(name)
          .isEqualTo(404);
  }

  @Test
  void a_learner_opens_a_step_and_does_not_only_look_at_it() {
    assertThat(edda.call("GET", course.walk(work), "").getStatus()).isEqualTo(404);
    assertThat(edda.call("GET", eyes + "/steps/" + work, "").getStatus()).isEqualTo(403);
  }

  @Test
  void the_clock_is_wound_forward_for_whoever_looks() {
    Instant due = clock.instant().plus(Duration.ofDays(3));
    long later = course.step(module, "PAGE", "Later");
    course.change(later, e -> e.put("opensAt", due.toString()));
    course.publish();
    String ahead = eyes + "-at-" + due.plusSeconds(3600).getEpochSecond();
    assertThat(sefa.call("GET", eyes + "/steps/" + later, "").getStatus()).isEqualTo(403);
    assertThat(sefa.get(ahead + "/steps/" + later).path("name").asString()).isEqualTo("Later");
    assertThat(sefa.get(ahead + "/eyes").path("ahead").asLong())
        .isBetween(3 * 86_400L, 3 * 86_400L + 3601);
    assertThat(edda.call("POST", course.walk(later) + "/visits", "").getStatus()).isEqualTo(403);
    String never = eyes + "-at-" + clock.instant().plus(Duration.ofDays(800)).getEpochSecond();
    assertThat(sefa.call("GET", never + "/route", "").getStatus()).isEqualTo(409);
    assertThat(sefa.call("GET", eyes + "-at-99999999999/route", "").getStatus()).isEqualTo(409);
  }

  @Test
  void a_made_up_learner_is_of_any_group_and_lives_in_the_future_until_it_starts_over() {
    GroupId tuesday = group("Tuesday", course.enrolment("Ruben Sato"));
    long theirs = course.step(module, "PAGE", "Tuesday's page");
    Instant opens = clock.instant().plus(Duration.ofDays(3));
    course.change(
        theirs,
        e -> {
          e.put("opensAt", opens.toString());
          e.putArray("groups").add(tuesday.value());
        });
    String walk = course.path + "/walks/practice";
    assertThat(sefa.get(walk + "/route").toString()).doesNotContain("Tuesday's page");
    assertThat(put(walk + "/groups", new Groups(List.of(tuesday))).path("groups").path(0).asLong())
        .isEqualTo(tuesday.value());
    assertThat(sefa.get(walk + "/route").toString()).contains("Tuesday's page");
    assertThat(sefa.call("POST", walk + "/steps/" + theirs + "/visits", "").getStatus())
        .isEqualTo(403);
    put(walk + "/clock", new Clock(4 * 86_400));
    assertThat(sefa.call("POST", walk + "/steps/" + theirs + "/visits", "").getStatus())
        .isEqualTo(200);
    assertThat(sefa.call("PUT", walk + "/clock", new Clock(60)).getStatus()).isEqualTo(409);
    sefa.post(walk + "/fresh-start", "");
    assertThat(sefa.get(walk + "/eyes").path("ahead").asLong()).isZero();
    assertThat(sefa.get(walk + "/route").toString()).doesNotContain("Tuesday's page");
    assertThat(
            put(walk + "/groups", new Groups(List.of(new GroupId(999_999)))).path("status").asInt())
        .isEqualTo(422);
  }

  private JsonNode put(String path, Record body) {
    return Caller.json(sefa.call("PUT", path, body));
  }

  @Test
  void a_made_up_learner_gets_past_any_rule_by_a_click_and_a_real_one_does_not() {
    long closed = course.step(module, "PAGE", "Behind a rule");
    course.change(closed, e -> e.set("opensWhen", course.ask("passed", work)));
    course.publish();
    String walk = course.path + "/walks/practice";
    sefa.get(walk + "/route");
    String step = "/steps/" + closed;
    assertThat(sefa.call("POST", walk + step + "/visits", "").getStatus()).isEqualTo(403);
    assertThat(sefa.post(walk + step + "/opening", "").path("state").asString()).isEqualTo("DONE");
    for (String real : List.of(eyes, course.path + "/walks/mine"))
      assertThat(sefa.call("POST", real + step + "/opening", "").getStatus()).isIn(403, 404);
    assertThat(edda.call("POST", course.path + "/walks/mine" + step + "/opening", "").getStatus())
        .isEqualTo(403);
  }

  @Test
  void a_made_up_learner_begins_with_whatever_is_done_first() {
    GroupId tuesday = group("Tuesday", course.enrolment("Ruben Sato"));
    long closed = course.step(module, "PAGE", "Behind a rule");
    course.change(closed, e -> e.set("opensWhen", course.ask("passed", work)));
    course.publish();
    String walk = course.path + "/walks/practice";
    assertThat(sefa.call("POST", walk + "/steps/" + closed + "/visits", "").getStatus())
        .isEqualTo(403);
    assertThat(sefa.post(walk + "/steps/" + closed + "/opening", "").path("state").asString())
        .isEqualTo("DONE");
    Caller tomas = as("Tomas Weir");
    staff(course, "Tomas Weir", StaffKind.FACILITATOR);
    assertThat(tomas.call("PUT", walk + "/groups", new Groups(List.of(tuesday))).getStatus())
        .isEqualTo(200);
    sefa.post(walk + "/fresh-start", "");
    assertThat(put(walk + "/clock", new Clock(86_400)).path("ahead").asLong()).isEqualTo(86_400);
  }

  @Test
  void a_made_up_learner_gets_to_a_closing_note_and_to_what_is_for_a_group_of_theirs() {
    GroupId tuesday = group("Tuesday", course.enrolment("Ruben Sato"));
    long closing = course.step(module, "CLOSING", "The end");
    long others = course.step(module, "PAGE", "For Tuesday");
    course.change(others, e -> e.putArray("groups").add(tuesday.value()));
    long unpublished = course.step(module, "PAGE", "Not yet");
    course.change(unpublished, e -> e.put("published", false));
    course.publish();
    String walk = course.path + "/walks/practice";
    sefa.get(walk + "/route");
    assertThat(sefa.call("POST", walk + "/steps/" + closing + "/visits", "").getStatus())
        .isEqualTo(404);
    JsonNode seen = sefa.post(walk + "/steps/" + closing + "/opening", "");
    assertThat(seen.path("name").asString()).isEqualTo("The end");
    assertThat(sefa.post(walk + "/steps/" + others + "/opening", "").path("code").asString())
        .isEqualTo("problem.step-for-others");
    put(walk + "/groups", new Groups(List.of(tuesday)));
    assertThat(sefa.post(walk + "/steps/" + others + "/opening", "").path("state").asString())
        .isEqualTo("DONE");
    assertThat(sefa.post(walk + "/steps/" + unpublished + "/opening", "").path("code").asString())
        .isEqualTo("problem.step-not-published");
  }

  @Test
  void the_made_up_learner_is_in_no_group_list_and_no_statistic() {
    GroupId tuesday = group("Tuesday", course.enrolment("Ruben Sato"));
    JsonNode before = sefa.get(course.path + "/groups");
    String walk = course.path + "/walks/practice";
    sefa.get(walk + "/route");
    put(walk + "/groups", new Groups(List.of(tuesday)));
    put(walk + "/clock", new Clock(400 * 86_400L));
    sefa.post(walk + "/steps/" + work + "/visits", "");
    assertThat(sefa.get(course.path + "/groups")).isEqualTo(before);
    assertThat(course.progress().toString()).doesNotContain("Sefa");
    course.publish();
    assertThat(course.thread("Edda Marsh")).isNotEmpty();
  }

  @Test
  void a_support_teacher_looks_through_the_eyes_of_hers_and_reads_what_hers_and_staff_wrote() {
    EnrolmentId ruben = course.enrolment("Ruben Sato");
    GroupId seven = group("Seven", course.enrolment("Edda Marsh"));
    people.addStaff(
        course.id, signedIn("Priya Nakamura").id(), StaffKind.SUPPORT, Optional.of(seven));
    Caller priya = as("Priya Nakamura");
    assertThat(priya.call("GET", eyes + "/route", "").getStatus()).isEqualTo(200);
    assertThat(priya.call("GET", course.path + "/walks/as-" + ruben + "/route", "").getStatus())
        .isEqualTo(404);
    long talk = course.step(module, "DISCUSSION", "Sounds");
    course.publish();
    as("Ruben Sato").post(course.walk(talk) + "/posts", post("It squeals"));
    edda.post(course.walk(talk) + "/posts", post("It hums"));
    assertThat(edda.get(course.walk(talk) + "/posts").toString()).contains("squeals", "hums");
    assertThat(sefa.get(eyes + "/steps/" + talk + "/posts").toString()).contains("squeals", "hums");
    assertThat(priya.get(eyes + "/steps/" + talk + "/posts").toString())
        .contains("hums")
        .doesNotContain("squeals");
    priya.get(course.path + "/walks/practice/route");
    assertThat(priya.get(course.path + "/walks/practice/steps/" + talk + "/posts").toString())
        .as("nor as a made-up learner")
        .contains("hums")
        .doesNotContain("squeals");
  }

  private static Record post(String text) {
    return new PostOf(Map.of("text", "<p>" + text + "</p>", "files", List.of()));
  }

  private record PostOf(Map<String, Object> post) {}

  @Test
  void that_somebody_looked_is_among_what_happened_to_accounts_once_an_hour() {
    sefa.get(eyes + "/route");
    sefa.get(eyes + "/route");
    assertThat(
            sefa.get("/api/account-events")
                .valueStream()
                .filter(e -> e.path("what").asString().equals("LOOKED_AS_LEARNER"))
                .filter(e -> e.path("detail").asString().contains("course " + course.id + ","))
                .count())
        .isEqualTo(1);
  }
}
