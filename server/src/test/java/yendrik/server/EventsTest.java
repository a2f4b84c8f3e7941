package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import yendrik.core.id.EnrolmentId;
import yendrik.core.record.Fact;

/** Who hears of a change, without asking again and again. */
class EventsTest extends BenchTest {
  private static final Duration SOON = Duration.ofSeconds(20);

  private MockHttpServletResponse listening(String name) throws Exception {
    var token = UsernamePasswordAuthenticationToken.authenticated(signedIn(name), null, List.of());
    var response =
        http.perform(get(path() + "/events").with(authentication(token))).andReturn().getResponse();
    assertThat(response.getContentType()).startsWith("text/event-stream");
    return response;
  }

  /** The ids that a listener has heard of, however they were gathered. */
  private static List<Long> heard(MockHttpServletResponse response) throws Exception {
    return response
        .getContentAsString()
        .lines()
        .filter(line -> line.matches("data:[\\d ]+"))
        .flatMap(line -> Stream.of(line.substring("data:".length()).split(" ")))
        .map(Long::valueOf)
        .toList();
  }

  private long changed(String learner) {
    return signedIn(learner).id().value();
  }

  private void comesIn(String learner) {
    walks.act(enrolment(learner), Optional.empty(), _ -> List.of(new Fact.WasHere()));
  }

  @Test
  void staff_hear_of_every_learner_and_a_learner_of_nobody_else() throws Exception {
    var tomas = listening("Tomas Weir");
    var ilse = listening("Ilse Tran");
    comesIn("Bashir Colm");
    comesIn("Ilse Tran");
    await()
        .atMost(SOON)
        .untilAsserted(
            () -> assertThat(heard(tomas)).contains(changed("Bashir Colm"), changed("Ilse Tran")));
    await()
        .atMost(SOON)
        .untilAsserted(() -> assertThat(heard(ilse)).contains(changed("Ilse Tran")));
    assertThat(heard(ilse)).doesNotContain(changed("Bashir Colm"));
  }

  @Test
  void a_support_teacher_hears_of_her_group_only() throws Exception {
    var priya = listening("Priya Nakamura");
    comesIn("Bashir Colm");
    comesIn("Juno Abara");
    await()
        .atMost(SOON)
        .untilAsserted(() -> assertThat(heard(priya)).contains(changed("Juno Abara")));
    assertThat(heard(priya)).doesNotContain(changed("Bashir Colm"));
  }

  @Test
  void an_act_that_fails_is_not_told() throws Exception {
    var tomas = listening("Tomas Weir");
    EnrolmentId edda = enrolment("Edda Marsh");
    assertThat(
            org.assertj.core.api.Assertions.catchThrowable(() ->
                walks.act(
                    edda,
                    Optional.empty(),
                    _ -> {
                      throw new IllegalStateException("broken");
                    })))
        .hasMessage("broken");
    comesIn("Bashir Colm");
    await()
        .atMost(SOON)
        .untilAsserted(() -> assertThat(heard(tomas)).contains(changed("Bashir Colm")));
    assertThat(heard(tomas)).doesNotContain(changed("Edda Marsh"));
  }

  @Test
  void what_happens_in_a_moment_is_told_once() throws Exception {
    var tomas = listening("Tomas Weir");
    for (int n = 0; n < 20; n++) comesIn("Edda Marsh");
    comesIn("Bashir Colm");
    await()
        .atMost(SOON)
        .untilAsserted(() -> assertThat(heard(tomas)).contains(changed("Bashir Colm")));
    assertThat(heard(tomas).stream().filter(id -> id == changed("Edda Marsh")).count())
        .as("twenty acts in far less than twenty moments")
        .isLessThan(15);
  }
}
