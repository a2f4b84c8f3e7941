package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.json.CoreJson;

/** What is closed, listed, and does not tell a learner what it waits for. */
@ServerTest
class UntoldTest extends SchoolTest {
  private static final String WAITS_FOR = "How a patch holds";
  private NewCourse course;
  private long page;
  private long work;
  private Caller ruben;

  @BeforeEach
  void aStepThatIsClosed() {
    course = newCourse("Told or not");
    long module = course.module("Tubes");
    page = course.step(module, "PAGE", WAITS_FOR);
    work = course.step(module, "ASSIGNMENT", "Your first patch");
    course.change(work, e -> e.set("opensWhen", course.ask("seen", page)));
    course.publish();
    course.enrol("ruben@hollowlane.example");
    ruben = as("Ruben Sato");
  }

  private void tellNothing() {
    course.change(work, e -> e.put("tells", false));
    course.publish();
  }

  private JsonNode route() {
    return ruben.get(course.path + "/walks/mine/route");
  }

  @Test
  void says_on_the_route_only_that_it_is_closed() {
    assertThat(route().at("/modules/0/steps/1/missing").toString()).contains(WAITS_FOR);
    assertThat(route().at("/next/opens").toString()).contains("Your first patch");
    tellNothing();
    JsonNode route = route();
    assertThat(route.at("/modules/0/steps/1/state").asString()).isEqualTo("CLOSED");
    assertThat(route.at("/modules/0/steps/1/missing")).isEmpty();
    assertThat(route.at("/next/opens")).isEmpty();
  }

  @Test
  void says_at_its_door_only_that_it_is_closed() {
    tellNothing();
    var door = ruben.call("POST", course.walk(work) + "/visits", "");
    assertThat(door.getStatus()).isEqualTo(403);
    assertThat(Caller.json(door).toString()).doesNotContain(WAITS_FOR);
  }

  @Test
  void does_not_say_at_an_outcome_that_it_waits_for_it() {
    var outcome = course.outcome("PATCH", "Patch a tube", List.of());
    ObjectNode mastery = CoreJson.mapper().createObjectNode().put("is", "ask").put("id", "m");
    mastery.putObject("leaf").put("is", "at-mastery").put("outcome", outcome.value());
    course.change(work, e -> e.set("opensWhen", mastery));
    course.publish();
    assertThat(route().path("outcomes").toString()).contains("Your first patch");
    tellNothing();
    assertThat(route().path("outcomes").toString()).doesNotContain("Your first patch");
  }

  @Test
  void tells_staff_all_the_same() {
    tellNothing();
    assertThat(course.bead("Ruben Sato", work).path("opens").toString()).contains(WAITS_FOR);
  }

  @Test
  void opens_as_before() {
    tellNothing();
    ruben.post(course.walk(page) + "/visits", "");
    assertThat(route().at("/modules/0/steps/1/state").asString()).isEqualTo("OPEN");
  }
}
