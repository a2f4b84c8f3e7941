package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A closing note is not there until its rule is met, and says what was reached. */
@ServerTest
class ClosingNoteTest extends SchoolTest {
  private NewCourse course;
  private Caller edda;
  private long page;
  private long closing;

  @BeforeEach
  void aPageAndANoteForTheEnd() {
    edda = as("Edda Marsh");
    course = newCourse("Closing");
    long module = course.module("Tubes");
    course.outcome("PATCH", "Mends a tube", List.of());
    page = course.step(module, "PAGE", "How a patch holds");
    course.badge("Patcher", Optional.of(course.ask("seen", page)));
    closing = course.step(module, "CLOSING", "Zinnober");
    course.change(closing, e -> e.put("body", "<p>You can mend what rolls.</p>"));
    course.publish();
    course.enrol("edda@hollowlane.example");
  }

  private JsonNode route() {
    return edda.get(course.path + "/walks/mine/route");
  }

  @Test
  void it_opens_with_completion_and_nobody_hears_of_it_before() {
    var before = edda.call("GET", course.path + "/walks/mine/route", "");
    assertThat(new String(before.getContentAsByteArray(), UTF_8)).doesNotContain("Zinnober");
    assertThat(edda.call("POST", course.walk(closing) + "/visits", "").getStatus()).isEqualTo(404);
    assertThat(route().path("steps").asInt()).as("it does not count").isEqualTo(1);
    JsonNode read = edda.post(course.walk(page) + "/visits", "");
    assertThat(read.path("opened").toString()).contains("Zinnober");
    assertThat(route().path("complete").asBoolean()).isTrue();
    JsonNode note = edda.post(course.walk(closing) + "/visits", "");
    assertThat(note.path("body").asString()).contains("mend what rolls");
    JsonNode part = note.path("part");
    assertThat(part.path("done").asInt()).isEqualTo(1);
    assertThat(part.path("steps").asInt()).isEqualTo(1);
    assertThat(part.path("badges").path(0).asString()).isEqualTo("Patcher");
    assertThat(part.path("outcomes").path(0).path("name").asString()).isEqualTo("Mends a tube");
    assertThat(part.path("outcomes").path(0).path("mastered").asBoolean()).isFalse();
  }

  @Test
  void it_follows_another_rule_where_its_designer_says_so() {
    course.change(closing, e -> e.set("opensWhen", course.ask("passed", page)));
    course.publish();
    edda.post(course.walk(page) + "/visits", "");
    assertThat(edda.call("POST", course.walk(closing) + "/visits", "").getStatus()).isEqualTo(404);
  }
}
