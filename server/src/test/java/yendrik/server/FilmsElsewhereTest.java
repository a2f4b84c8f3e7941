package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.URI;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import tools.jackson.databind.JsonNode;
import yendrik.server.http.FilmHosts;

/**
 * Films elsewhere come from hosts that the institution names, and count like those that lie here.
 */
@ServerTest
@TestPropertySource(properties = "yendrik.film-hosts=https://films.hollowlane.example")
class FilmsElsewhereTest extends SchoolTest {
  private static final String ADDRESS = "https://films.hollowlane.example/toe-in.webm";
  private NewCourse course;
  private long film;

  private record Played(int from, int to) {}

  @BeforeEach
  void aVideo() {
    course = newCourse("Films elsewhere");
    film = course.step(course.module("Brakes"), "VIDEO", "Toe-in");
  }

  private MockHttpServletResponse at(String address) {
    return course.save(
        course.seen(film),
        e -> NewCourse.part(e).putObject("elsewhere").put("address", address).put("seconds", 46));
  }

  @Test
  void its_seconds_count_and_its_address_is_given_to_whoever_may_see_the_step() {
    assertThat(at(ADDRESS).getStatus()).isEqualTo(200);
    course.publish();
    course.enrol("edda@hollowlane.example");
    Caller edda = as("Edda Marsh");
    JsonNode shown = edda.post(course.walk(film) + "/visits", "").path("part").path("film");
    assertThat(shown.path("address").asString()).isEqualTo(ADDRESS);
    assertThat(edda.call("POST", course.walk(film) + "/played", new Played(0, 47)).getStatus())
        .as("beyond its end")
        .isEqualTo(422);
    assertThat(edda.call("POST", course.walk(film) + "/played", new Played(0, 2)).getStatus())
        .isEqualTo(200);
    assertThat(edda.call("GET", course.walk(film) + "/film", "").getStatus()).isEqualTo(409);
  }

  @Test
  void other_hosts_scripts_and_what_is_no_address_are_refused() {
    for (String address :
        List.of(
            "https://elsewhere.example/toe-in.webm",
            "http://films.hollowlane.example/toe-in.webm",
            "https://films.hollowlane.example@evil.example/x.webm",
            "https://films.hollowlane.example.evil.example/x.webm",
            "javascript:alert(1)",
            "not an address")) assertThat(at(address).getStatus()).as(address).isEqualTo(422);
  }

  @Test
  void the_browser_may_load_films_from_there_and_nothing_else() {
    String policy =
        String.valueOf(
            as("Edda Marsh").call("GET", "/api/session", "").getHeader("Content-Security-Policy"));
    assertThat(policy)
        .contains("media-src 'self' blob: https://films.hollowlane.example;")
        .contains("connect-src 'self';");
  }

  @Test
  void what_is_no_host_is_known_at_the_start() {
    assertThatThrownBy(() -> new FilmHosts(List.of("films.example; script-src *")))
        .isInstanceOf(IllegalArgumentException.class);
    assertThat(new FilmHosts(List.of("")).has(URI.create("https://a.example"))).isFalse();
  }
}
