package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;

/** A whole class over time, and its grades. */
class StandingsTest extends BenchTest {
  private JsonNode outcome(JsonNode view, String code) {
    return view.path("outcomes")
        .valueStream()
        .filter(o -> o.path("code").asString().equals(code))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void the_trend_ends_with_what_the_grid_of_mastery_shows_now() {
    Caller tomas = as("Tomas Weir");
    JsonNode trend = tomas.get(path() + "/mastery/trend");
    JsonNode grid = tomas.get(path() + "/reports/mastery");
    int weeks = trend.path("moments").size();
    assertThat(weeks).as("the weeks of the course so far").isBetween(40, 50);
    int learners = grid.path("learners").size();
    assertThat(trend.path("learners").path(weeks - 1).asInt()).isEqualTo(learners);
    for (JsonNode head : grid.path("outcomes")) {
      long at =
          grid.path("learners")
              .valueStream()
              .filter(l ->
                  l.path("levels").path(head.path("id").asString()).asInt(-1)
                      >= head.path("mastery").asInt())
              .count();
      double now =
          outcome(trend, head.path("code").asString()).path("mastery").path(weeks - 1).asDouble();
      assertThat(Math.round(now * learners)).as(head.path("code").asString()).isEqualTo(at);
    }
  }

  @Test
  void the_trend_of_a_group_counts_its_learners_only_and_support_see_theirs() {
    JsonNode groups = as("Tomas Weir").get(path() + "/reports/mastery").path("groups");
    long tuesday =
        groups
            .valueStream()
            .filter(g -> g.path("name").asString().equals(Bench.JUNOS_GROUP))
            .findFirst()
            .orElseThrow()
            .path("id")
            .asLong();
    JsonNode of = as("Tomas Weir").get(path() + "/mastery/trend?group=" + tuesday);
    assertThat(of.path("learners").valueStream().mapToInt(JsonNode::asInt).max()).hasValue(1);
    JsonNode theirs = as("Priya Nakamura").get(path() + "/mastery/trend");
    assertThat(theirs.path("learners").valueStream().mapToInt(JsonNode::asInt).max()).hasValue(1);
  }

  @Test
  void a_cell_tells_how_its_level_moved_up_to_the_level_of_today() {
    JsonNode grid = as("Tomas Weir").get(path() + "/reports/mastery");
    EnrolmentId ilse = enrolment("Ilse Tran");
    JsonNode levels =
        grid.path("learners")
            .valueStream()
            .filter(l -> l.path("enrolment").asLong() == ilse.value())
            .findFirst()
            .orElseThrow()
            .path("levels");
    assertThat(levels.isEmpty()).isFalse();
    levels
        .propertyStream()
        .forEach(level -> {
          JsonNode cell =
              as("Tomas Weir").get(path() + "/learners/" + ilse + "/outcomes/" + level.getKey());
          JsonNode moves = cell.path("moves");
          assertThat(moves.path(moves.size() - 1).path("level").asInt())
              .isEqualTo(level.getValue().asInt());
        });
  }

  @Test
  void grades_are_shares_of_points_with_a_total_of_what_is_scored() {
    JsonNode grades = as("Tomas Weir").get(path() + "/reports/grades");
    JsonNode ilse =
        grades
            .path("learners")
            .valueStream()
            .filter(l -> l.path("name").asString().equals("Ilse Tran"))
            .findFirst()
            .orElseThrow();
    double points = 0;
    double of = 0;
    for (JsonNode step : grades.path("steps")) {
      assertThat(step.path("points").asDouble()).isPositive();
      JsonNode share = ilse.path("scores").path(step.path("id").asString());
      if (share.isMissingNode()) continue;
      points += share.asDouble() * step.path("points").asDouble();
      of += step.path("points").asDouble();
    }
    assertThat(of).isPositive();
    assertThat(ilse.path("total").asDouble())
        .isCloseTo(points / of, org.assertj.core.api.Assertions.within(1e-9));
    JsonNode ruben =
        grades
            .path("learners")
            .valueStream()
            .filter(l -> l.path("name").asString().equals("Ruben Sato"))
            .findFirst()
            .orElseThrow();
    assertThat(ruben.has("total")).as("who never started has none").isFalse();
  }

  @Test
  void the_export_has_points_of_steps_and_of_levels() {
    var file = as("Tomas Weir").call("GET", path() + "/reports/grades/csv", "");
    List<String> lines =
        new String(file.getContentAsByteArray(), StandardCharsets.UTF_8).lines().toList();
    assertThat(lines.getFirst()).contains("Learner,Total %,").contains("BRAKE");
    assertThat(lines.get(1)).startsWith("Most,100,");
    assertThat(lines).hasSize(Bench.LEARNERS + 2);
    assertThat(lines).allSatisfy(l -> assertThat(l).doesNotContain("null"));
    var book = as("Tomas Weir").call("GET", path() + "/reports/grades/xlsx", "");
    assertThat(book.getContentAsByteArray()).startsWith((byte) 'P', (byte) 'K');
  }

  @Test
  void a_course_without_a_publication_has_neither_trend_nor_grades() {
    var empty = new NewCourse(as("Sefa Dunmore"), "No publication " + System.nanoTime());
    assertThat(as("Sefa Dunmore").get(empty.path + "/mastery/trend").path("moments").isEmpty())
        .isTrue();
    assertThat(as("Sefa Dunmore").get(empty.path + "/reports/grades").path("steps").isEmpty())
        .isTrue();
  }
}
