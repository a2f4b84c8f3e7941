package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.InputStream;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

/** A film that counts by the seconds played. */
class VideoTest extends BrowserTest {
  private static final int SECONDS = 46;
  private static Course course;

  @BeforeAll
  static void aFilmThatSomethingWaitsFor() throws IOException {
    course = school.course("Films");
    long module = course.module("Brakes");
    long film = course.step(module, "VIDEO", "Toe-in, and why pads squeal");
    long next = course.step(module, "PAGE", "Limits, cable tension, indexing");
    byte[] file;
    try (InputStream in = VideoTest.class.getResourceAsStream("/demo/films/toe-in.webm")) {
      file = in.readAllBytes();
    }
    Api odalys = school.as("odalys");
    long kept = odalys.keep(course.path, "toe-in.webm", file, "FILM").path("id").asLong();
    course.change(
        film,
        e ->
            ((ObjectNode) e.path("part"))
                .putObject("film")
                .put("file", kept)
                .put("seconds", SECONDS));
    course.change(next, e -> e.set("opensWhen", course.ask("step-done", "step", film)));
    course.publish();
    school.daysAgo(
        1,
        () -> {
          course.enrol("aiko");
          course.visit("aiko", film);
        });
    school.as("aiko").post(course.walk(film) + "/played", new Played(0, 19));
  }

  private record Played(int from, int to) {}

  @Test
  void a_film_counts_by_the_seconds_played_and_opens_what_waited_for_it() {
    Page page = school.signedIn("aiko");
    go(page, course.view("my/route"));
    assertThat(page.getByText(Pattern.compile("41 % watched"))).isVisible();
    page.locator("main").getByText("Watch", new Locator.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("41 % of 0:46 watched")).isVisible();
    page.evaluate(
        "() => { const film = document.querySelector('video'); film.muted = true;"
            + " film.currentTime = 30; film.playbackRate = 2; return film.play(); }");
    assertThat(page.getByText(Pattern.compile("^7[5-7] % of 0:46 watched"))).isVisible();
    button(page, "Go on at 0:19").click();
    page.evaluate("() => { document.querySelector('video').playbackRate = 2; }");
    assertThat(page.getByText("100 % of 0:46 watched")).isVisible();
    assertThat(page.getByText("Done", new Page.GetByTextOptions().setExact(true))).isVisible();
    go(page, course.view("my/route"));
    assertThat(page.getByText("Limits, cable tension, indexing").first()).isVisible();
    assertThat(page.locator("main h1").first()).hasText("Limits, cable tension, indexing");
  }

  @Test
  void a_film_elsewhere_is_taken_by_its_address_and_from_no_other_host() {
    long step = course.step(course.module("Elsewhere"), "VIDEO", "One click");
    Page page = school.signedIn("odalys");
    go(page, course.view("plan/route?sel=step-" + step));
    button(page, "Content").click();
    Locator address = page.getByLabel("Address of a film elsewhere");
    address.fill(School.FILMS_ELSEWHERE.address() + "/films/none.webm");
    button(page, "Take it").click();
    assertThat(page.getByText("No film can be read at this address.")).isVisible();
    address.fill(School.FILMS_ELSEWHERE.address() + "/films/one-click.webm");
    button(page, "Take it").click();
    assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Film")))
        .isVisible();
    assertThat(page.getByText(Pattern.compile("^0:00 / 0:[1-9]"))).isVisible();
  }
}
