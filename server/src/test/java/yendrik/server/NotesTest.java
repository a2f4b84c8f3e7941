package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Notes among the steps. */
@ServerTest
class NotesTest extends SchoolTest {
  private NewCourse course;
  private long note;

  @BeforeEach
  void aCourseWithANote() {
    course = new NewCourse(as("Sefa Dunmore"), "Notes " + System.nanoTime());
    note = course.step(course.module("Before we start"), "NOTE", "What to bring");
  }

  @Test
  void a_note_is_done_when_it_was_read() {
    course.change(note, edit -> edit.put("body", "<p>Bring gloves.</p>"));
    course.publish();
    course.enrol("edda@hollowlane.example");
    Caller edda = as("Edda Marsh");
    var read = edda.post(course.walk(note) + "/visits", "");
    assertThat(read.path("body").asString()).contains("Bring gloves.");
    assertThat(read.path("state").asString()).isEqualTo("DONE");
  }

  @Test
  void a_long_text_is_refused_with_what_to_do() {
    var saved = course.save(course.seen(note), edit -> edit.put("body", "<p>" + "x".repeat(6_000)));
    assertThat(saved.getStatus()).isEqualTo(422);
    assertThat(Caller.json(saved).path("fields").path("body").asString())
        .contains("make it a page");
  }
}
