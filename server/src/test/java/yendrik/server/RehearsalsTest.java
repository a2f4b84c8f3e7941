package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.json.CoreJson;

/** Rehearsals are kept, played with the draft whenever somebody looks, and say what breaks them. */
@ServerTest
class RehearsalsTest extends SchoolTest {
  private Caller sefa;
  private NewCourse course;
  private long first;
  private long second;

  @BeforeEach
  void aStepThatWaitsForAnother() {
    sefa = as("Sefa Dunmore");
    course = newCourse("Rehearsed");
    long module = course.module("Tubes");
    first = course.step(module, "PAGE", "Before");
    second = course.step(module, "PAGE", "After");
    course.change(second, e -> e.set("opensWhen", course.ask("seen", first)));
  }

  private String at() {
    return course.path + "/design/rehearsals";
  }

  private static ObjectNode object() {
    return CoreJson.mapper().createObjectNode();
  }

  private ObjectNode reads(long step) {
    ObjectNode line = object().put("is", "as-if");
    line.putObject("leaf").put("is", "seen").put("step", step);
    return line;
  }

  private ObjectNode open(long step, boolean so) {
    ObjectNode line = object().put("is", "expect").put("so", so);
    line.putObject("at").put("is", "step-opens").put("step", step);
    return line;
  }

  private static ObjectNode rehearsal(String name, ObjectNode... lines) {
    ObjectNode edit = object().put("name", name);
    edit.putArray("lines").addAll(List.of(lines));
    return edit;
  }

  private JsonNode keep(ObjectNode rehearsal) {
    JsonNode made = sefa.post(at(), rehearsal.toString());
    assertThat(made.path("id").asLong()).as(made.toString()).isPositive();
    return made;
  }

  private JsonNode kept() {
    return sefa.get(at()).path(0);
  }

  @Test
  void a_rehearsal_holds_until_a_change_breaks_it_and_says_where() {
    course.publish();
    keep(rehearsal("Goes on", open(second, false), reads(first), open(second, true)));
    assertThat(kept().path("holds").asBoolean()).isTrue();
    assertThat(kept().at("/lines/1/says").asString()).isEqualTo("Before read");
    assertThat(kept().at("/lines/1/came/0").asString()).isEqualTo("done: “Before”");
    assertThat(kept().at("/lines/1/came/1").asString()).isEqualTo("opens: “After”");
    course.change(second, e -> e.set("opensWhen", course.ask("confirmed", first)));
    assertThat(kept().path("holds").asBoolean()).isFalse();
    assertThat(kept().path("difference").asString())
        .isEqualTo("Line 3: “After” is open, which is not so");
    assertThat(kept().path("heldBefore").asBoolean()).as("with what learners have").isTrue();
  }

  @Test
  void lines_are_changed_as_they_were_seen_taken_away_and_brought_back() {
    JsonNode made = keep(rehearsal("Goes on", reads(first)));
    String one = at() + "/" + made.path("id").asLong();
    ObjectNode seen = rehearsal("Goes on", reads(first));
    ObjectNode longer = rehearsal("Goes on", reads(first), open(second, true));
    assertThat(sefa.change(one, seen, longer).getStatus()).isEqualTo(200);
    assertThat(kept().path("lines")).hasSize(2);
    ObjectNode other = rehearsal("Goes on", open(second, true));
    assertThat(sefa.change(one, seen, other).getStatus()).as("seen as it was").isEqualTo(409);
    sefa.call("DELETE", one, "");
    assertThat(sefa.get(at())).isEmpty();
    assertThat(sefa.change(one, seen, longer).getStatus()).as("taken away").isEqualTo(404);
    sefa.call("POST", one + "/restoration", "");
    assertThat(sefa.get(at())).hasSize(1);
  }

  @Test
  void a_step_says_why_it_stands_so_behind_some_lines_and_what_cannot_happen_is_said() {
    keep(rehearsal("Too soon", reads(second), reads(first)));
    assertThat(kept().at("/lines/0/cannot").asString()).isEqualTo("cannot be: it is closed then");
    assertThat(kept().at("/lines/1/thread").asString()).hasSize(2);
    ObjectNode why = object().put("step", second);
    why.putArray("lines");
    JsonNode then = sefa.post(at() + "/why", why.toString());
    assertThat(then.path("open").asBoolean()).isFalse();
    assertThat(then.at("/opens/0/says").asString()).isEqualTo("read");
    assertThat(then.at("/opens/0/verdict").asString()).isEqualTo("NOT_YET");
  }

  @Test
  void what_a_line_speaks_of_and_is_gone_is_said() {
    keep(rehearsal("Goes on", reads(second), open(second, true)));
    sefa.call("DELETE", course.path + "/design/steps/" + second, "");
    assertThat(kept().path("difference").asString()).endsWith("is about something that is gone");
  }

  @Test
  void lines_that_cannot_be_read_are_refused_with_the_reason() {
    for (String line :
        List.of(
            "{\"is\": \"as-if\"}",
            "{\"is\": \"later\", \"days\": 0}",
            "{\"is\": \"later\", \"days\": 100000}",
            "{\"is\": \"given\", \"step\": 1, \"grant\": \"TIME\"}",
            "{\"is\": \"nonsense\"}")) {
      String body = "{\"name\": \"Odd\", \"lines\": [" + line + "]}";
      assertThat(sefa.call("POST", at(), body).getStatus()).as(line).isEqualTo(422);
    }
    assertThat(sefa.get(at())).isEmpty();
  }

  @Test
  void a_draft_with_faults_says_so_instead() {
    keep(rehearsal("Goes on", reads(first)));
    sefa.call("DELETE", course.path + "/design/steps/" + first, "");
    assertThat(sefa.call("GET", at(), "").getStatus()).isEqualTo(422);
  }
}
