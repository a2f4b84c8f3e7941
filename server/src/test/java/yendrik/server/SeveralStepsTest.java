package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;

/** Several steps are changed, moved in time, taken away and brought back at once, or none is. */
@ServerTest
class SeveralStepsTest extends SchoolTest {
  private NewCourse course;
  private Caller sefa;
  private long first;
  private long second;
  private long third;

  private record Fields(Map<String, Object> from, Map<String, Object> to) {}

  private record StepFields(long id, Fields fields) {}

  private record Changes(List<StepFields> steps) {}

  private record Later(List<Long> steps, int days) {}

  private record Seen(long id, Optional<Integer> version) {}

  private record Taken(List<Seen> steps) {}

  private record Back(List<Long> steps) {}

  @BeforeEach
  void aModuleOfThree() {
    sefa = as("Sefa Dunmore");
    course = newCourse("Several");
    long module = course.module("Tubes");
    first = course.step(module, "PAGE", "Before");
    second = course.step(module, "ASSIGNMENT", "A patch");
    third = course.step(module, "PAGE", "After");
  }

  private MockHttpServletResponse send(String what, Record body) {
    return sefa.call("POST", course.path + "/design/steps/" + what, body);
  }

  private static StepFields field(long step, String name, Object from, Object to) {
    return new StepFields(step, new Fields(Map.of(name, from), Map.of(name, to)));
  }

  private static Changes all(StepFields... steps) {
    return new Changes(Arrays.asList(steps));
  }

  private List<String> names() {
    return course
        .design()
        .path("modules")
        .path(0)
        .path("steps")
        .valueStream()
        .map(s -> s.path("name").asString())
        .toList();
  }

  @Test
  void all_of_them_are_changed_and_the_same_turned_around_undoes_it() {
    Changes hidden =
        all(field(first, "published", true, false), field(third, "published", true, false));
    var now = Caller.json(send("changes", hidden));
    assertThat(now).hasSize(2).noneMatch(s -> s.path("published").asBoolean());
    assertThat(course.seen(second).path("published").asBoolean()).isTrue();
    Changes back =
        all(field(third, "published", false, true), field(first, "published", false, true));
    assertThat(send("changes", back).getStatus()).isEqualTo(200);
    assertThat(course.seen(first).path("published").asBoolean()).isTrue();
  }

  @Test
  void none_is_changed_when_one_is_not_as_it_was_seen_and_that_one_is_shown() {
    course.change(third, e -> e.put("name", "Afterwards"));
    JsonNode before = course.design();
    var refused =
        send(
            "changes",
            all(field(first, "name", "Before", "A"), field(third, "name", "After", "B")));
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("current").path("name").asString())
        .isEqualTo("Afterwards");
    assertThat(course.design()).isEqualTo(before);
  }

  @Test
  void dates_move_together_and_keep_their_time_of_day() {
    course.change(
        second,
        e ->
            e.put("opensAt", "2026-12-01T08:00:00Z")
                .put("dueAt", "2026-12-04T17:00:00Z")
                .put("lateUntil", "2026-12-08T17:00:00Z")
                .put("closesAt", "2027-01-08T17:00:00Z"));
    assertThat(send("dates", new Later(List.of(first, second, second), 7)).getStatus())
        .isEqualTo(200);
    JsonNode moved = course.seen(second);
    assertThat(
            List.of("opensAt", "dueAt", "lateUntil", "closesAt").stream()
                .map(d -> moved.path(d).asString().substring(0, 16))
                .toList())
        .containsExactly(
            "2026-12-08T08:00", "2026-12-11T17:00", "2026-12-15T17:00", "2027-01-15T17:00");
    assertThat(course.seen(first).has("dueAt")).isFalse();
  }

  private record NewGroup(String name, List<Long> learners) {}

  @Test
  void a_later_date_of_a_group_moves_along_and_keeps_its_own_time_of_day() {
    long group =
        sefa.post(course.path + "/groups", new NewGroup("Tuesday", List.of())).path("id").asLong();
    course.change(
        second,
        e -> {
          e.put("dueAt", "2026-10-20T15:00:00Z");
          e.putArray("allowances")
              .addObject()
              .put("group", group)
              .put("minutes", 0)
              .put("attempts", 0)
              .put("due", "2026-10-27T16:00:00Z");
        });
    assertThat(send("dates", new Later(List.of(second), 7)).getStatus()).isEqualTo(200);
    var moved = course.seen(second);
    assertThat(moved.path("dueAt").asString())
        .as("the clocks were put back between the two")
        .isEqualTo("2026-10-27T16:00:00Z");
    assertThat(moved.at("/allowances/0/due").asString()).isEqualTo("2026-11-03T16:00:00Z");
  }

  @Test
  void they_are_taken_away_and_come_back_in_their_places() {
    int version = course.seen(third).path("version").asInt();
    var taken =
        new Taken(
            List.of(new Seen(first, Optional.empty()), new Seen(third, Optional.of(version))));
    assertThat(send("removal", taken).getStatus()).isEqualTo(204);
    assertThat(names()).containsExactly("A patch");
    assertThat(send("restoration", new Back(List.of(first, third))).getStatus()).isEqualTo(204);
    assertThat(names()).containsExactly("Before", "A patch", "After");
    course.change(third, e -> e.put("name", "Afterwards"));
    assertThat(send("removal", taken).getStatus())
        .as("what a colleague has worked on stays, and so does the rest")
        .isEqualTo(409);
    assertThat(names()).containsExactly("Before", "A patch", "Afterwards");
  }

  @Test
  void a_step_of_another_course_is_not_there_and_nothing_happens_to_the_others() {
    NewCourse other = newCourse("Other");
    long theirs = other.step(other.module("Brakes"), "PAGE", "Theirs");
    List<MockHttpServletResponse> refused = new ArrayList<>();
    refused.add(
        send(
            "changes",
            all(field(first, "name", "Before", "A"), field(theirs, "name", "Theirs", "B"))));
    refused.add(send("dates", new Later(List.of(first, theirs), 1)));
    refused.add(
        send(
            "removal",
            new Taken(
                List.of(new Seen(first, Optional.empty()), new Seen(theirs, Optional.empty())))));
    refused.add(send("restoration", new Back(List.of(theirs))));
    assertThat(refused).allMatch(r -> r.getStatus() == 404 || r.getStatus() == 422);
    assertThat(names()).containsExactly("Before", "A patch", "After");
    assertThat(other.seen(theirs).path("name").asString()).isEqualTo("Theirs");
  }

  @Test
  void two_who_take_the_same_away_in_opposite_order_do_not_wait_for_each_other_for_ever()
      throws Exception {
    var seen = new ArrayList<>(List.of(first, second, third));
    for (int round = 0; round < 5; round++) {
      List<Callable<Integer>> acts = new ArrayList<>();
      for (int n = 0; n < 6; n++) {
        var steps = List.copyOf(n % 2 == 0 ? seen : seen.reversed());
        acts.add(() -> send("dates", new Later(steps, 1)).getStatus());
        acts.add(() ->
            send(
                    "removal",
                    new Taken(steps.stream().map(s -> new Seen(s, Optional.empty())).toList()))
                .getStatus());
        acts.add(() -> send("restoration", new Back(steps)).getStatus());
      }
      try (var threads = Executors.newFixedThreadPool(6)) {
        for (Future<Integer> done : threads.invokeAll(acts)) assertThat(done.get()).isLessThan(500);
      }
    }
    send("restoration", new Back(seen));
    assertThat(names()).containsExactly("Before", "A patch", "After");
  }
}
