package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.people.StaffKind;
import yendrik.formats.json.CoreJson;
import yendrik.server.people.People;

/** Settings of quizzes that are kept to be used again. */
@ServerTest
class KeptSettingsTest extends SchoolTest {
  @Autowired People people;
  private NewCourse course;
  private Caller sefa;
  private JsonNode taking;

  @BeforeEach
  void aQuiz() {
    sefa = as("Sefa Dunmore");
    course = newCourse("Kept");
    long quiz = course.step(course.module("Work"), "QUIZ", "Threads");
    taking = course.seen(quiz).at("/part/taking");
    for (JsonNode kept : sefa.get(at())) remove(sefa, kept.path("name").asString());
  }

  private String at() {
    return course.path + "/design/quiz-settings";
  }

  private ObjectNode set(String name, String word) {
    ObjectNode set = CoreJson.mapper().createObjectNode().put("name", name);
    set.set("taking", ((ObjectNode) taking).deepCopy().put("mixed", true).put("word", word));
    return set.put("attempts", 2).put("counts", "LATEST").put("passMark", 0.7);
  }

  private int keep(Caller who, ObjectNode set) {
    return who.call("PUT", at(), set.toString()).getStatus();
  }

  private int remove(Caller who, String name) {
    String named = CoreJson.mapper().createObjectNode().put("name", name).toString();
    return who.call("POST", at() + "/removal", named).getStatus();
  }

  @Test
  void a_set_is_kept_without_the_word_said_in_the_room_and_used_in_other_courses() {
    assertThat(keep(sefa, set(" Bench test ", "brass bell"))).isEqualTo(204);
    NewCourse other = newCourse("Kept elsewhere");
    JsonNode kept = sefa.get(other.path + "/design/quiz-settings").path(0);
    assertThat(kept.path("name").asString()).isEqualTo("Bench test");
    assertThat(kept.at("/taking/mixed").asBoolean()).isTrue();
    assertThat(kept.at("/taking/word").asString()).isEmpty();
    assertThat(kept.path("attempts").asInt()).isEqualTo(2);
    assertThat(kept.path("counts").asString()).isEqualTo("LATEST");
    assertThat(kept.path("passMark").asDouble()).isEqualTo(0.7);
  }

  @Test
  void a_set_of_the_same_name_takes_its_place_and_one_taken_away_is_gone() {
    keep(sefa, set("Bench test", ""));
    keep(sefa, set("Bench test", "").put("attempts", 5));
    assertThat(sefa.get(at())).hasSize(1);
    assertThat(sefa.get(at()).path(0).path("attempts").asInt()).isEqualTo(5);
    assertThat(remove(sefa, "Bench test")).isEqualTo(204);
    assertThat(remove(sefa, "Bench test")).as("twice").isEqualTo(404);
    assertThat(sefa.get(at())).isEmpty();
  }

  @Test
  void sets_are_seen_by_nobody_else_and_are_for_those_who_plan() {
    keep(sefa, set("Bench test", ""));
    people.addStaff(
        course.id, signedIn("Odalys Brandt").id(), StaffKind.DESIGNER, Optional.empty());
    people.addStaff(
        course.id, signedIn("Tomas Weir").id(), StaffKind.FACILITATOR, Optional.empty());
    assertThat(as("Odalys Brandt").get(at())).isEmpty();
    assertThat(remove(as("Odalys Brandt"), "Bench test")).isEqualTo(404);
    assertThat(keep(as("Tomas Weir"), set("Mine", ""))).isEqualTo(403);
  }

  @Test
  void what_is_sent_is_checked_and_not_more_than_enough_are_kept() {
    assertThat(keep(sefa, set(" ", ""))).isEqualTo(422);
    assertThat(keep(sefa, set("Bench test", "").put("passMark", 1.2))).isEqualTo(422);
    assertThat(keep(sefa, set("Bench test", "").putNull("taking"))).isEqualTo(422);
    for (int n = 0; n < 50; n++) assertThat(keep(sefa, set("Set " + n, ""))).isEqualTo(204);
    assertThat(keep(sefa, set("One more", ""))).isEqualTo(422);
    assertThat(keep(sefa, set("Set 7", "").put("attempts", 9))).as("in its place").isEqualTo(204);
  }
}
