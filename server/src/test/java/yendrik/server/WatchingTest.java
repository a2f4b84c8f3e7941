package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What staff see of learners, and what learners see of themselves. */
class WatchingTest extends BenchTest {
  private JsonNode learner(String name) {
    return as("Tomas Weir").get(path() + "/learners/" + enrolment(name));
  }

  @Test
  void every_thread_has_a_bead_for_every_step_and_every_flag_a_reason() {
    JsonNode progress = as("Tomas Weir").get(path() + "/reports/progress");
    int steps = progress.path("steps").size();
    assertThat(progress.path("learners").size()).isEqualTo(Bench.LEARNERS);
    for (JsonNode row : progress.path("learners"))
      assertThat(row.path("thread").asString()).as(row.path("name").asString()).hasSize(steps);
    for (JsonNode follow : as("Tomas Weir").get(path() + "/follow-up"))
      for (JsonNode flag : follow.path("flags"))
        assertThat(flag.path("reasons").size())
            .as(follow.path("name").asString() + " " + flag.path("name"))
            .isPositive();
  }

  @Test
  void the_rows_of_some_people_are_those_of_the_whole_grid_and_only_who_may_be_seen() {
    for (String grid : List.of("/reports/progress", "/reports/mastery", "/reports/grades")) {
      JsonNode whole = as("Tomas Weir").get(path() + grid);
      List<JsonNode> some =
          whole
              .path("learners")
              .valueStream()
              .filter(l -> List.of("Bashir Colm", "Juno Abara").contains(name(l)))
              .toList();
      String people =
          "?people=" + some.get(0).path("person") + "&people=" + some.get(1).path("person");
      JsonNode part = as("Tomas Weir").get(path() + grid + people);
      assertThat(part.path("learners").valueStream()).as(grid).containsExactlyElementsOf(some);
      assertThat(part.path("version")).isEqualTo(whole.path("version"));
      JsonNode seen = as("Priya Nakamura").get(path() + grid + people);
      assertThat(seen.path("learners").valueStream().map(WatchingTest::name))
          .as(grid)
          .containsExactly("Juno Abara");
    }
  }

  private static String name(JsonNode row) {
    return row.path("name").asString();
  }

  @Test
  void follow_up_is_exactly_the_flagged_learners_of_progress() {
    List<String> flagged =
        as("Tomas Weir")
            .get(path() + "/reports/progress")
            .path("learners")
            .valueStream()
            .filter(l -> l.path("flags").size() > 0)
            .map(l -> l.path("name").asString())
            .toList();
    assertThat(
            as("Tomas Weir")
                .get(path() + "/follow-up")
                .valueStream()
                .map(l -> l.path("name").asString()))
        .containsExactlyInAnyOrderElementsOf(flagged);
  }

  @Test
  void a_closed_bead_says_what_keeps_it_closed_and_whose_turn_it_is() {
    JsonNode bead =
        as("Tomas Weir")
            .get(path() + "/learners/" + enrolment("Bashir Colm") + "/steps/" + bench.anatomy);
    assertThat(bead.path("state").asString()).isEqualTo("CLOSED");
    assertThat(bead.path("opens").toString()).contains("Find your feet");
    assertThat(bead.path("turn").asString()).isNotBlank();
  }

  @Test
  void the_file_of_progress_has_a_row_for_each_learner_and_words_for_each_bead() {
    var response = as("Tomas Weir").call("GET", path() + "/reports/progress/csv", "");
    String file = new String(response.getContentAsByteArray(), StandardCharsets.UTF_8);
    String[] lines = file.split("\r?\n");
    assertThat(response.getHeader("Content-Disposition")).contains("progress.csv");
    assertThat(lines).hasSize(Bench.LEARNERS + 1);
    assertThat(lines[0]).contains("Learner", "Done %", "Brake job card");
    assertThat(file).contains("done").contains("closed");
  }

  @Test
  void a_cell_of_mastery_shows_the_evidence_from_which_its_level_follows() {
    JsonNode grid = as("Tomas Weir").get(path() + "/reports/mastery");
    int looked = 0;
    for (JsonNode row : grid.path("learners")) {
      looked++;
      for (JsonNode outcome : grid.path("outcomes")) {
        String id = outcome.path("id").asString();
        JsonNode cell =
            as("Tomas Weir")
                .get(path() + "/learners/" + row.path("enrolment").asLong() + "/outcomes/" + id);
        assertThat(cell.path("level").asInt())
            .as(row.path("name").asString() + " " + outcome.path("code"))
            .isEqualTo(row.path("levels").path(id).asInt(-1));
        if (cell.path("level").asInt() >= 0)
          assertThat(cell.path("evidence").size() + cell.path("parts").size()).isPositive();
        assertThat(cell.path("method").asString()).isNotBlank();
        assertThat(cell.path("change").size()).isPositive();
      }
    }
    assertThat(looked).isEqualTo(Bench.LEARNERS);
  }

  @Test
  void the_file_of_mastery_says_levels_by_name() {
    var response = as("Tomas Weir").call("GET", path() + "/reports/mastery/csv", "");
    String file = new String(response.getContentAsByteArray(), StandardCharsets.UTF_8);
    String[] lines = file.split("\r?\n");
    assertThat(lines).hasSize(Bench.LEARNERS + 1);
    assertThat(lines[0]).contains("BRAKE", "TORQ", "BIKE");
    assertThat(file).contains("Can do it");
    assertThat(as("Priya Nakamura").call("GET", path() + "/reports/mastery/csv", "").getStatus())
        .isEqualTo(200);
  }

  @Test
  void mastery_comes_as_a_workbook_too() {
    var response = as("Tomas Weir").call("GET", path() + "/reports/mastery/xlsx", "");
    assertThat(response.getStatus()).isEqualTo(200);
    assertThat(response.getContentType()).contains("spreadsheetml");
    assertThat(response.getContentAsByteArray()).as("a zip file").startsWith('P', 'K');
  }

  @Test
  void a_learners_page_agrees_with_the_learners_own_route() {
    JsonNode seen = learner("Ilse Tran");
    JsonNode own = as("Ilse Tran").get(path() + "/walks/mine/route");
    assertThat(seen.path("done").asInt()).isEqualTo(own.path("done").asInt());
    assertThat(seen.path("badges").valueStream().map(b -> b.path("name").asString()))
        .containsExactlyInAnyOrderElementsOf(
            own.path("badges")
                .valueStream()
                .filter(b -> b.path("earned").asBoolean())
                .map(b -> b.path("name").asString())
                .toList());
  }

  @Test
  void next_is_something_that_the_learner_can_do_now() {
    for (String name : List.of("Edda Marsh", "Ruben Sato", "Bashir Colm")) {
      JsonNode next = as(name).get(path() + "/walks/mine/route").path("next");
      assertThat(
              as(name)
                  .call(
                      "POST",
                      path() + "/walks/mine/steps/" + next.path("step").asLong() + "/visits",
                      "")
                  .getStatus())
          .as(name + ": " + next.path("name"))
          .isEqualTo(200);
    }
  }

  @Test
  void a_learner_asks_for_nobody_elses_way() {
    var juno = as("Juno Abara");
    assertThat(juno.call("GET", path() + "/reports/progress", "").getStatus()).isEqualTo(403);
    assertThat(juno.call("GET", path() + "/walks/practice/route", "").getStatus()).isEqualTo(403);
    assertThat(
            juno.call("GET", path() + "/walks/" + enrolment("Ilse Tran") + "/route", "")
                .getStatus())
        .isEqualTo(404);
  }
}
