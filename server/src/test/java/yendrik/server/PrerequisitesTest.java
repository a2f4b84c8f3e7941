package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.core.people.StaffKind;
import yendrik.formats.json.CoreJson;
import yendrik.server.people.People;
import yendrik.server.way.CatchUp;

/** What must be complete before somebody can be enrolled. */
@ServerTest
class PrerequisitesTest extends SchoolTest {
  private static final String EDDA = "edda@hollowlane.example";
  @Autowired CatchUp catchUp;
  @Autowired People people;
  private Caller sefa;
  private NewCourse first;
  private NewCourse second;
  private long page;

  private record Emails(List<String> emails, Optional<Boolean> anyway) {}

  @BeforeEach
  void twoCourses() {
    sefa = as("Sefa Dunmore");
    first = newCourse("First steps");
    page = first.step(first.module("Tubes"), "PAGE", "Where the air goes");
    first.publish();
    second = newCourse("Second steps");
    second.step(second.module("Chains"), "PAGE", "Why it stretches");
    second.publish();
  }

  private int asks(NewCourse course, boolean hold, CourseId... others) {
    ObjectNode to = CoreJson.mapper().createObjectNode();
    ObjectNode asked = to.putObject("prerequisites").put("all", true).put("hold", hold);
    var ids = asked.putArray("courses");
    for (CourseId other : others) ids.add(other.value());
    ObjectNode from = CoreJson.mapper().createObjectNode();
    from.set("prerequisites", course.design().at("/rules/prerequisites"));
    return sefa.change(course.path + "/design/course", from, to).getStatus();
  }

  private JsonNode enrol(boolean anyway) {
    return sefa.post(second.path + "/roster", new Emails(List.of(EDDA), Optional.of(anyway)));
  }

  @Test
  void people_who_could_be_enrolled_are_found_by_part_of_a_name_as_long_as_they_are_not() {
    String found = second.path + "/roster/candidates?text=edd";
    assertThat(sefa.get(found).toString()).contains(EDDA);
    assertThat(sefa.get(second.path + "/roster/candidates?text=e")).isEmpty();
    people.add("Aaron Ledden", "aaron.ledden@hollowlane.example", "hollow-lane", false);
    assertThat(sefa.get(found).path(0).path("email").asString())
        .as("whose name begins so comes first")
        .isEqualTo(EDDA);
    enrol(true);
    assertThat(sefa.get(found).toString()).doesNotContain(EDDA);
    assertThat(as("Edda Marsh").call("GET", found, "").getStatus()).isEqualTo(403);
  }

  private boolean learnsThere() {
    return sefa.get(second.path + "/roster").toString().contains(EDDA);
  }

  private void completesTheFirst() {
    first.enrol(EDDA);
    as("Edda Marsh").post(first.walk(page) + "/visits", "");
  }

  @Test
  void an_enrolment_is_refused_with_what_is_missing_until_it_is_complete() {
    assertThat(asks(second, false, first.id)).isEqualTo(200);
    JsonNode refused = enrol(false);
    assertThat(refused.path("enrolled").asInt()).isZero();
    assertThat(refused.at("/refused/0/missing/0").asString()).startsWith("First steps");
    assertThat(learnsThere()).isFalse();
    completesTheFirst();
    assertThat(enrol(false).path("enrolled").asInt()).isEqualTo(1);
    assertThat(enrol(false).path("there")).hasSize(1);
  }

  @Test
  void whoever_may_enrol_can_do_so_anyway() {
    asks(second, false, first.id);
    assertThat(enrol(true).path("enrolled").asInt()).isEqualTo(1);
    assertThat(learnsThere()).isTrue();
  }

  @Test
  void an_enrolment_that_is_held_comes_once_and_by_itself() throws Exception {
    asks(second, true, first.id);
    assertThat(enrol(false).path("held")).hasSize(1);
    assertThat(enrol(false).path("held")).as("asked twice, held once").hasSize(1);
    JsonNode held = sefa.get(second.path + "/roster/held");
    assertThat(held).hasSize(1);
    assertThat(held.at("/0/name").asString()).isEqualTo("Edda Marsh");
    catchUp.all();
    assertThat(learnsThere()).isFalse();
    completesTheFirst();
    List<Thread> servers =
        IntStream.range(0, 2).mapToObj(_ -> Thread.ofPlatform().start(catchUp::all)).toList();
    for (Thread server : servers) server.join();
    catchUp.all();
    assertThat(learnsThere()).isTrue();
    assertThat(sefa.get(second.path + "/roster/held")).isEmpty();
    assertThat(as("Edda Marsh").get(second.path + "/messages").toString())
        .containsOnlyOnce("You are enrolled in");
  }

  @Test
  void who_is_held_can_be_let_in_or_dropped_and_is_when_nothing_is_asked_any_more() {
    PersonId edda = people.withEmail(EDDA).orElseThrow();
    asks(second, true, first.id);
    enrol(false);
    String one = second.path + "/roster/held/" + edda;
    assertThat(sefa.call("DELETE", one, "").getStatus()).isEqualTo(204);
    assertThat(sefa.get(second.path + "/roster/held")).isEmpty();
    assertThat(sefa.call("POST", one + "/admission", "").getStatus()).isEqualTo(404);
    enrol(false);
    assertThat(as("Edda Marsh").call("POST", one + "/admission", "").getStatus()).isIn(403, 404);
    people.addStaff(
        second.id,
        people.withEmail("tomas@hollowlane.example").orElseThrow(),
        StaffKind.FACILITATOR,
        Optional.empty());
    assertThat(as("Tomas Weir").call("GET", second.path + "/roster/held", "").getStatus())
        .as("enrolling is the designers'")
        .isEqualTo(403);
    asks(second, false);
    catchUp.all();
    assertThat(learnsThere()).as("nothing keeps them out").isTrue();
  }

  @Test
  void courses_that_would_ask_for_each_other_or_are_not_there_are_refused() {
    assertThat(asks(second, true, first.id)).isEqualTo(200);
    assertThat(asks(first, true, second.id)).isEqualTo(422);
    assertThat(asks(first, true, first.id)).isEqualTo(422);
    assertThat(asks(first, true, new CourseId(987_654))).isEqualTo(422);
    assertThat(first.design().at("/rules/prerequisites/courses")).isEmpty();
  }

  @Test
  void a_change_that_says_nothing_of_them_leaves_them_as_they_are() {
    asks(second, true, first.id);
    ObjectNode from = CoreJson.mapper().createObjectNode().put("strictOrder", false);
    ObjectNode to = CoreJson.mapper().createObjectNode().put("strictOrder", true);
    assertThat(sefa.change(second.path + "/design/course", from, to).getStatus()).isEqualTo(200);
    assertThat(second.design().at("/rules/prerequisites/courses")).hasSize(1);
  }
}
