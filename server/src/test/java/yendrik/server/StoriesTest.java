package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.zaxxer.hikari.HikariDataSource;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.assertj.core.api.SoftAssertions;
import org.jooq.impl.DSL;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.StatusId;
import yendrik.core.progress.Bead;
import yendrik.core.progress.StepState;
import yendrik.schema.Public;
import yendrik.server.demo.DemoClock;
import yendrik.server.demo.DemoSchool;
import yendrik.server.design.Json;
import yendrik.server.way.CatchUp;
import yendrik.server.way.Summary;
import yendrik.server.way.Walks;

/** The demo holds every story of the scenario, whatever the day on which it is filled. */
@DemoTest
@TestPropertySource(properties = "spring.application.name=stories")
class StoriesTest extends DemoSchoolTest {
  @Autowired DemoSchool school;
  @Autowired DemoClock clock;
  @Autowired Walks walks;
  @Autowired CatchUp catchUp;
  @Autowired DataSource source;

  /** Every weekday, around midnight, the end of a year, both changes of clocks, 29 February. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "2026-12-31T22:30:00Z",
        "2027-01-01T00:10:00Z",
        "2027-03-28T01:30:00Z",
        "2026-10-25T00:59:00Z",
        "2028-02-29T12:00:00Z",
        "2026-11-22T23:05:00Z",
        "2026-11-25T22:58:00Z",
        "2026-11-28T08:00:00Z"
      })
  void every_story_is_told_on_this_day(String day) {
    Instant today = Instant.parse(day);
    empty();
    clock.putTo(today);
    school.fill(today);
    clock.putTo(today);
    catchUp.all();
    tell();
  }

  private void empty() {
    String url = ((HikariDataSource) source).getJdbcUrl();
    try (var owner = DSL.using(url, "yendrik_owner", "yendrik")) {
      Public.PUBLIC.getTables().stream()
          .filter(t -> !t.getName().equals("institution"))
          .forEach(t -> owner.truncate(t).cascade().execute());
    }
  }

  private void tell() {
    var all = new SoftAssertions();
    JsonNode progress = as("Tomas Weir").get(foundations() + "/reports/progress");
    all.assertThat(progress.path("learners").size()).isEqualTo(36);
    all.assertThat(flags(progress, "Ruben Sato")).contains("Not started");
    all.assertThat(flags(progress, "Bashir Colm")).contains("Quiet");
    all.assertThat(flags(progress, "Wren Castellane")).contains("Quiet");
    all.assertThat(flags(progress, "Juno Abara")).contains("Stuck");
    all.assertThat(beads(progress, "Juno Abara").filter(Bead::outOfReach).count())
        .as("steps that Juno is shut out of, with the quiz itself")
        .isBetween(14L, 20L);
    all.assertThat(flags(progress, "Edda Marsh")).contains("Behind");
    all.assertThat(beads(progress, "Edda Marsh").filter(Bead::overdue).count())
        .as("steps that Edda is behind")
        .isEqualTo(2);
    all.assertThat(states(progress, "Celeste Adeyo")).contains(StepState.WAITING);
    all.assertThat(states(progress, "Dov Halloran")).contains(StepState.WAITING);
    all.assertThat(states(progress, "Lena Okoro")).contains(StepState.EXCUSED);
    all.assertThat(flags(progress, "Ilse Tran")).isEmpty();
    double most =
        progress.path("learners").valueStream().mapToDouble(l -> share(l)).max().orElseThrow();
    all.assertThat(share(row(progress, "Ilse Tran"))).as("Ilse is ahead").isEqualTo(most);
    all.assertThat(as("Aiko Brenner").get(foundations() + "/walks/mine/route").toString())
        .contains("41 % watched");
    all.assertThat(happened("Ilse Tran")).contains("At the bench on all five Saturdays so far");
    all.assertThat(happened("Dov Halloran")).contains("Needs another go");
    all.assertThat(statuses()).extracting(StatusId::value).contains(1L, 2L, 3L, 4L, 5L);
    all.assertThat(as("Tomas Weir").get(foundations() + "/messages").toString())
        .contains("Wren Castellane", "Bashir Colm");
    all.assertThat(wheelbuilders()).isEqualTo(2);
    for (String course :
        List.of("Cycle Mechanic Foundations", "Workshop Safety Induction", "Wheelbuilding"))
      for (EnrolmentId enrolment : walks.learners(course(course)))
        all.assertThat(walks.compare(enrolment)).as("enrolment " + enrolment).isEmpty();
    all.assertAll();
    assertThat(db.fetchExists(yendrik.schema.Tables.FACT, futureFact())).isFalse();
  }

  private org.jooq.Condition futureFact() {
    return yendrik.schema.Tables.FACT.AT.gt(clock.instant());
  }

  private static JsonNode row(JsonNode progress, String learner) {
    return progress
        .path("learners")
        .valueStream()
        .filter(l -> l.path("name").asString().equals(learner))
        .findFirst()
        .orElseThrow();
  }

  private static double share(JsonNode row) {
    return row.path("share").asDouble();
  }

  private static List<String> flags(JsonNode progress, String learner) {
    return row(progress, learner)
        .path("flags")
        .valueStream()
        .map(f -> f.path("name").asString())
        .toList();
  }

  private static Stream<Bead> beads(JsonNode progress, String learner) {
    return row(progress, learner)
        .path("thread")
        .asString()
        .chars()
        .mapToObj(c -> Bead.of((char) c));
  }

  private static List<StepState> states(JsonNode progress, String learner) {
    return beads(progress, learner).map(Bead::state).toList();
  }

  private String happened(String learner) {
    return as("Tomas Weir").get(foundations() + "/learners/" + enrolment(learner)).toString();
  }

  private Set<StatusId> statuses() {
    return db
        .select(yendrik.schema.Tables.ENROLMENT.SUMMARY)
        .from(yendrik.schema.Tables.ENROLMENT)
        .fetch(r -> Json.read(r.value1(), Summary.class))
        .stream()
        .flatMap(s -> s.marks().values().stream())
        .collect(Collectors.toSet());
  }

  private long wheelbuilders() {
    return walks.learners(course("Wheelbuilding")).size();
  }
}
