package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.record.Fact;
import yendrik.server.demo.DemoClock;
import yendrik.server.way.CatchUp;
import yendrik.server.way.Walks;

/** What the clock does to learners who are not there, in a school of its own. */
@DemoTest
@TestPropertySource(properties = "spring.application.name=passing-time")
class PassingTimeTest extends DemoSchoolTest {
  @Autowired Walks walks;
  @Autowired CatchUp catchUp;
  @Autowired DemoClock clock;

  private void live() {
    catchUp.all();
  }

  private List<String> flags(String learner) {
    for (JsonNode row : as("Tomas Weir").get(foundations() + "/reports/progress").path("learners"))
      if (row.path("name").asString().equals(learner))
        return row.path("flags").valueStream().map(f -> f.path("name").asString()).toList();
    throw new AssertionError(learner);
  }

  @Test
  void flags_go_up_by_the_clock_alone_and_go_down_when_the_learner_comes_back() {
    Instant today = clock.instant();
    try {
      assertThat(flags("Ilse Tran")).isEmpty();
      clock.putTo(today.plus(Duration.ofDays(10)));
      live();
      assertThat(flags("Ilse Tran")).contains("Quiet");
      walks.act(enrolment("Ilse Tran"), Optional.empty(), _ -> List.of(new Fact.WasHere()));
      assertThat(flags("Ilse Tran")).doesNotContain("Quiet");

      clock.putTo(today.plus(Duration.ofDays(40)));
      try (var servers = Executors.newFixedThreadPool(3)) {
        Callable<Integer> live = () -> catchUp.all();
        int seen = 0;
        for (int round = 0; round < 40; round++)
          for (Future<Integer> done : servers.invokeAll(List.of(live, live, live)))
            seen += done.get();
        assertThat(seen).isPositive();
      } catch (Exception e) {
        throw new AssertionError(e);
      }
      live();
      assertThat(flags("Edda Marsh")).contains("Behind", "Quiet");
      for (EnrolmentId enrolment : walks.learners(course("Cycle Mechanic Foundations")))
        assertThat(walks.compare(enrolment)).as("enrolment " + enrolment).isEmpty();
    } finally {
      clock.run();
    }
  }
}
