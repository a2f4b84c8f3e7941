package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.zaxxer.hikari.HikariDataSource;
import jakarta.servlet.http.Cookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import javax.sql.DataSource;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.strand.time.TimeFact;
import yendrik.server.jobs.Jobs;
import yendrik.server.jobs.Work;
import yendrik.server.way.Walks;

/** Two servers on one database: what one does the other knows. */
class SeveralServersTest extends BenchTest {
  @Autowired DataSource source;
  private ConfigurableApplicationContext other;

  @BeforeEach
  void startTheOther() {
    other =
        new SpringApplication(YendrikServer.class)
            .run(
                "--server.port=0",
                "--spring.datasource.url=" + ((HikariDataSource) source).getJdbcUrl(),
                "--spring.datasource.password=yendrik",
                "--yendrik.timers=false",
                "--logging.level.yendrik=warn");
  }

  @AfterEach
  void stopTheOther() {
    other.close();
  }

  @Test
  void an_act_on_one_server_is_told_to_listeners_of_the_other() throws Exception {
    var token =
        UsernamePasswordAuthenticationToken.authenticated(signedIn("Tomas Weir"), null, List.of());
    var listening =
        http.perform(get(path() + "/events").with(authentication(token))).andReturn().getResponse();
    other
        .getBean(Walks.class)
        .act(enrolment("Edda Marsh"), Optional.empty(), _ -> List.of(new Fact.WasHere()));
    String said = "data:.*\\b" + signedIn("Edda Marsh").id() + "\\b.*";
    await()
        .atMost(Duration.ofSeconds(20))
        .untilAsserted(() ->
            assertThat(listening.getContentAsString().lines())
                .anyMatch(line -> line.matches(said)));
  }

  @Test
  void acts_on_one_learner_from_both_servers_at_once_are_all_kept_and_agree() throws Exception {
    EnrolmentId enrolment = enrolment("Edda Marsh");
    var step = new StepId(bench.page);
    long before = seconds(enrolment);
    List<Callable<Void>> acts = new ArrayList<>();
    for (int n = 0; n < 20; n++) {
      Walks server = n % 2 == 0 ? walks : other.getBean(Walks.class);
      acts.add(() -> {
        server.act(enrolment, Optional.empty(), _ -> List.of(new TimeFact.SpentTime(step, 7)));
        return null;
      });
    }
    try (var threads = Executors.newFixedThreadPool(8)) {
      for (Future<Void> done : threads.invokeAll(acts)) done.get();
    }
    assertThat(seconds(enrolment) - before).isEqualTo(140);
    assertThat(walks.compare(enrolment)).isEmpty();
  }

  private long seconds(EnrolmentId enrolment) {
    return walks.see(enrolment).facts().stream()
        .mapToLong(f -> f.what() instanceof TimeFact.SpentTime spent ? spent.seconds() : 0)
        .sum();
  }

  @Test
  void who_signed_in_at_one_server_is_signed_in_at_the_other() throws Exception {
    Cookie session = session("ilse@hollowlane.example");
    String port = other.getEnvironment().getProperty("local.server.port");
    var request =
        HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/session"))
            .header("Cookie", "yendrik=" + session.getValue())
            .build();
    try (var client = HttpClient.newHttpClient()) {
      assertThat(client.send(request, BodyHandlers.ofString()).body()).contains("Ilse Tran");
    }
  }

  @Test
  void long_work_is_stopped_from_the_other_server_and_lost_when_its_own_ends() {
    Caller sefa = as("Sefa Dunmore");
    var seat = people.seat(bench.id, signedIn("Sefa Dunmore"));
    var work =
        new Work(
            "counting",
            /* whole= */ true,
            meter -> {
              while (true) {
                meter.done(1, 10);
                Thread.onSpinWait();
              }
            });
    Jobs jobs = other.getBean(Jobs.class);
    String stopped = path() + "/jobs/" + jobs.begin(seat, work).id();
    await().until(() -> sefa.get(stopped).path("done").asInt() == 1);
    sefa.call("DELETE", stopped, "");
    await().until(() -> sefa.get(stopped).path("state").asString().equals("STOPPED"));
    String lost = path() + "/jobs/" + jobs.begin(seat, work).id();
    await().until(() -> sefa.get(lost).path("done").asInt() == 1);
    other.close();
    assertThat(sefa.get(lost).path("state").asString()).isEqualTo("LOST");
  }
}
