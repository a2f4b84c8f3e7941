package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The same step again, with other dates, as often as wanted. */
@ServerTest
class SameAgainTest extends SchoolTest {
  private NewCourse course;
  private Caller sefa;
  private long module;
  private long quiz;

  private record Again(
      int every, String unit, int times, Set<DayOfWeek> weekdaysOut, Set<LocalDate> daysOut) {
    Again(int every, String unit, int times) {
      this(every, unit, times, Set.of(), Set.of());
    }
  }

  @BeforeEach
  void aQuizBetweenTwoPages() {
    sefa = as("Sefa Dunmore");
    course = newCourse("Again");
    module = course.module("Tubes");
    course.step(module, "PAGE", "Before");
    quiz = course.step(module, "QUIZ", "Weekly quiz");
    course.step(module, "PAGE", "After");
    course.change(
        quiz,
        e ->
            e.put("opensAt", "2026-11-30T08:00:00Z")
                .put("dueAt", "2026-12-04T17:00:00Z")
                .put("minutes", 25));
  }

  private String copies(long step) {
    return course.path + "/design/steps/" + step + "/copies";
  }

  private List<JsonNode> steps() {
    return course.design().path("modules").path(0).path("steps").valueStream().toList();
  }

  private List<String> names() {
    return steps().stream().map(s -> s.path("name").asString()).toList();
  }

  @Test
  void they_stand_one_after_the_other_behind_it_with_all_that_it_is() {
    var made = sefa.post(copies(quiz), new Again(1, "WEEKS", 2));
    assertThat(made).hasSize(2);
    assertThat(names())
        .containsExactly("Before", "Weekly quiz", "Weekly quiz 2", "Weekly quiz 3", "After");
    JsonNode last = steps().get(3);
    assertThat(last.path("opensAt").asString()).isEqualTo("2026-12-14T08:00:00Z");
    assertThat(last.path("dueAt").asString()).isEqualTo("2026-12-18T17:00:00Z");
    assertThat(last.path("minutes").asInt()).isEqualTo(25);
    assertThat(last.path("kind").asString()).isEqualTo("QUIZ");
  }

  @Test
  void each_is_done_by_itself_and_not_by_the_first_one() {
    long copy = sefa.post(copies(quiz), new Again(1, "WEEKS", 1)).path(0).path("id").asLong();
    String rule = course.seen(copy).path("doneWhen").toString();
    assertThat(rule).contains("\"step\":" + copy).doesNotContain("\"step\":" + quiz);
    assertThat(course.seen(quiz).path("doneWhen").toString()).contains("\"step\":" + quiz);
    NewCourse pages = newCourse("Pages");
    long page = pages.step(pages.module("Tubes"), "PAGE", "How a patch holds");
    sefa.post(pages.path + "/design/steps/" + page + "/copies", new Again(0, "DAYS", 2));
    pages.publish();
  }

  @Test
  void what_it_would_be_is_shown_before_and_makes_nothing() {
    var weekdays = new Again(1, "DAYS", 3, Set.of(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY), Set.of());
    JsonNode shown = sefa.post(copies(quiz) + "/preview", weekdays);
    assertThat(shown)
        .extracting(c -> c.path("dueAt").asString().substring(0, 10))
        .containsExactly("2026-12-07", "2026-12-08", "2026-12-09");
    assertThat(names()).hasSize(3);
  }

  @Test
  void what_cannot_be_is_refused_in_a_sentence_and_makes_nothing() {
    var never = new Again(1, "WEEKS", 2, Set.of(DayOfWeek.FRIDAY), Set.of());
    var refused = sefa.call("POST", copies(quiz), never);
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(Caller.json(refused).path("detail").asString()).contains("leave out fewer");
    assertThat(sefa.call("POST", copies(quiz), new Again(1, "WEEKS", 61)).getStatus())
        .isEqualTo(422);
    assertThat(sefa.call("POST", copies(99_999_999), new Again(1, "WEEKS", 1)).getStatus())
        .isEqualTo(404);
    NewCourse other = newCourse("Other");
    assertThat(
            sefa.call(
                    "POST",
                    other.path + "/design/steps/" + quiz + "/copies",
                    new Again(1, "WEEKS", 1))
                .getStatus())
        .isEqualTo(404);
    assertThat(names()).hasSize(3);
  }
}
