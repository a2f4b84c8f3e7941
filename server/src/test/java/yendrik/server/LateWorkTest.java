package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Work that comes late is taken until a date and marked as late; afterwards the step is read. */
@ServerTest
class LateWorkTest extends SchoolTest {
  private NewCourse course;
  private Caller sefa;
  private Caller edda;
  private long work;

  @BeforeEach
  void anAssignmentThatWasDueOnFriday() {
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    course = newCourse("Late");
    work = course.step(course.module("Tubes"), "ASSIGNMENT", "A patch");
    course.change(work, e -> e.put("dueAt", "2026-11-20T17:00:00Z").put("published", true));
  }

  private void takenUntil(String moment) {
    course.change(work, e -> e.put("lateUntil", moment));
    course.publish();
    course.enrol("edda@hollowlane.example");
  }

  private JsonNode open() {
    return edda.post(course.walk(work) + "/visits", "");
  }

  @Test
  void it_is_taken_and_says_that_it_is_late_to_learner_and_staff() {
    takenUntil("2026-11-25T17:00:00Z");
    assertThat(open().path("takesUntil").asString()).isEqualTo("2026-11-25T17:00:00Z");
    JsonNode after = edda.post(course.walk(work) + "/versions", new Sent.Text("My patch."));
    assertThat(after.path("part").path("versions").path(0).path("late").asBoolean()).isTrue();
    JsonNode waiting = sefa.get(course.path + "/marking").path("handedIn").path(0);
    assertThat(waiting.path("late").asBoolean()).isTrue();
    String one = "/marking/" + waiting.path("enrolment") + "/" + work;
    assertThat(sefa.get(course.path + one).path("versions").path(0).path("late").asBoolean())
        .isTrue();
  }

  @Test
  void nothing_is_taken_after_its_date_and_the_task_can_still_be_read() {
    takenUntil("2026-11-22T17:00:00Z");
    JsonNode page = open();
    assertThat(page.path("state").asString()).isEqualTo("MISSED");
    assertThat(page.path("part").path("canHandIn").asBoolean()).isFalse();
    var refused = edda.call("POST", course.walk(work) + "/versions", new Sent.Text("My patch."));
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("detail").asString()).contains("late work");
  }

  @Test
  void dates_out_of_order_are_refused_at_their_field() {
    var early = course.save(course.seen(work), e -> e.put("lateUntil", "2026-11-19T17:00:00Z"));
    assertThat(Caller.json(early).path("fields").has("lateUntil")).isTrue();
    course.change(work, e -> e.put("lateUntil", "2026-11-25T17:00:00Z"));
    var closed = course.save(course.seen(work), e -> e.put("closesAt", "2026-11-24T17:00:00Z"));
    assertThat(Caller.json(closed).path("fields").has("closesAt")).isTrue();
  }

  @Test
  void a_quiz_is_not_begun_a_page_not_confirmed_and_a_film_not_counted_after_its_date() {
    long module = course.module("More");
    long quiz = course.step(module, "QUIZ", "Name that patch");
    course.ask(quiz, NewCourse.question("q1", "What holds?", "Vulcanising", "Glue"));
    long page = course.step(module, "PAGE", "Shop rules");
    course.change(page, e -> e.set("doneWhen", course.ask("confirmed", page)));
    for (long step : new long[] {quiz, page})
      course.change(
          step,
          e -> e.put("dueAt", "2026-11-20T17:00:00Z").put("lateUntil", "2026-11-22T17:00:00Z"));
    takenUntil("2026-11-22T17:00:00Z");
    JsonNode shown = edda.post(course.walk(page) + "/visits", "");
    assertThat(shown.path("state").asString()).isEqualTo("MISSED");
    assertThat(shown.path("confirmable").asBoolean()).isFalse();
    assertThat(edda.call("POST", course.walk(page) + "/confirmation", "").getStatus())
        .isEqualTo(409);
    edda.post(course.walk(quiz) + "/visits", "");
    assertThat(edda.call("POST", course.walk(quiz) + "/attempts", "").getStatus()).isEqualTo(409);
  }
}
