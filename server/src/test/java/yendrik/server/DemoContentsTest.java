package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.FACT;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.core.progress.Bead;
import yendrik.core.progress.StepState;
import yendrik.server.demo.DemoClock;

/** What there is to see in the demo, besides the stories of its learners. */
@DemoTest
class DemoContentsTest extends DemoSchoolTest {
  @Autowired DemoClock clock;

  @Test
  void an_outcome_says_what_comes_next_and_where_it_can_be_shown() {
    JsonNode outcomes = as("Edda Marsh").get(foundations() + "/walks/mine/route").path("outcomes");
    for (JsonNode o : outcomes) {
      int level = o.path("level").asInt();
      boolean top = level == o.path("levels").asInt() - 1;
      assertThat(o.has("next")).as(o.path("code").asString()).isEqualTo(!top);
      assertThat(o.path("change").isEmpty())
          .as(o.path("code").asString())
          .isEqualTo(level >= o.path("mastery").asInt());
    }
    JsonNode wheel =
        outcomes
            .valueStream()
            .filter(o -> o.path("code").asString().equals("WHEEL"))
            .findFirst()
            .orElseThrow();
    assertThat(wheel.path("shownIn").path(0).path("name").asString())
        .isEqualTo("True within half a millimetre");
    assertThat(wheel.path("shownIn").size()).isBetween(1, 3);
    JsonNode bike =
        outcomes
            .valueStream()
            .filter(o -> o.path("code").asString().equals("BIKE"))
            .findFirst()
            .orElseThrow();
    assertThat(bike.path("shownIn").isEmpty()).as("in the steps of its parts").isFalse();
  }

  @Test
  void nothing_of_the_demo_lies_in_the_future() {
    assertThat(db.fetchExists(FACT, FACT.AT.gt(clock.instant()))).isFalse();
  }

  @Test
  void help_that_a_learner_does_not_need_is_not_held_before_them() {
    assertThat(as("Ilse Tran").get(foundations() + "/walks/mine/route").toString())
        .doesNotContain("Second look");
    assertThat(as("Juno Abara").get(foundations() + "/walks/mine/route").toString())
        .contains("Second look");
  }

  @Test
  void in_the_demo_one_of_those_who_went_quiet_has_answered() {
    JsonNode inbox = as("Tomas Weir").get(foundations() + "/messages");
    assertThat(inbox.path("unread").asInt()).isEqualTo(1);
    assertThat(inbox.path("conversations").path(0).path("name").asString())
        .isEqualTo("Wren Castellane");
    assertThat(inbox.path("conversations").size()).isEqualTo(2);
  }

  @Test
  void the_demo_has_rubrics_on_four_steps_and_work_assessed_with_each() {
    JsonNode rubrics = as("Odalys Brandt").get(foundations() + "/design/rubrics");
    assertThat(rubrics.size()).isEqualTo(4);
    for (JsonNode rubric : rubrics) {
      assertThat(rubric.path("steps").size()).as(rubric.path("name").asString()).isEqualTo(1);
      assertThat(rubric.path("assessed").asInt()).isPositive();
    }
  }

  @Test
  void the_demo_has_work_in_every_state_a_recording_and_films_of_both_sorts_with_words() {
    JsonNode progress = as("Tomas Weir").get(foundations() + "/reports/progress");
    List<Integer> work = new ArrayList<>();
    Map<String, Long> steps = new HashMap<>();
    for (int s = 0; s < progress.path("steps").size(); s++) {
      JsonNode step = progress.path("steps").path(s);
      steps.put(step.path("name").asString(), step.path("id").asLong());
      if (step.path("kind").asString().equals("ASSIGNMENT")) work.add(s);
    }
    Set<StepState> states = EnumSet.noneOf(StepState.class);
    for (JsonNode learner : progress.path("learners"))
      for (int s : work) states.add(Bead.of(learner.path("thread").asString().charAt(s)).state());
    assertThat(states)
        .contains(
            StepState.CLOSED,
            StepState.OPEN,
            StepState.BEGUN,
            StepState.WAITING,
            StepState.AGAIN,
            StepState.DONE);
    Caller femi = as("Femi Strand");
    String walk = foundations() + "/walks/mine/steps/";
    JsonNode log = femi.post(walk + steps.get("Wheel log") + "/visits", "");
    JsonNode file = log.path("part").path("versions").path(0).path("files").path(0);
    assertThat(file.path("name").asString()).isEqualTo("wheel-log.webm");
    for (String film : List.of("Toe-in, and why pads squeal", "One click at a time"))
      assertThat(
              femi.post(walk + steps.get(film) + "/visits", "")
                  .path("part")
                  .path("film")
                  .path("captions"))
          .as(film)
          .isNotEmpty();
  }

  @Test
  void the_demo_has_every_kind_of_mark_and_learners_see_only_their_own_groups_sessions() {
    JsonNode calendar = as("Tomas Weir").get(foundations() + "/sessions");
    List<String> kinds = new ArrayList<>();
    for (JsonNode session : calendar.path("sessions"))
      session.path("counts").propertyNames().forEach(kinds::add);
    assertThat(kinds).contains("1", "2", "3", "4", "5");
    String coming =
        as("Ilse Tran").get(foundations() + "/walks/mine/route").path("coming").toString();
    assertThat(coming).contains("Saturday bench").doesNotContain("Tuesday evening");
  }
}
