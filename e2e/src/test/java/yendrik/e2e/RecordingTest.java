package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

/** Work is recorded in the browser, looked at, handed in, and played by whoever marks it. */
class RecordingTest extends BrowserTest {
  private static Course course;
  private static long step;

  @BeforeAll
  static void aStepThatTakesFilms() {
    course = school.course("Recordings");
    step = course.step(course.module("Brakes"), "ASSIGNMENT", "Show the set-up");
    course.change(
        step,
        e -> {
          ObjectNode takes = ((ObjectNode) e.path("part")).putObject("takes");
          takes.put("text", false).put("link", false);
          takes
              .putObject("files")
              .put("number", 1)
              .put("megabytes", 50)
              .putArray("sorts")
              .add("FILM");
        });
    course.publish();
    course.enrol("aiko");
  }

  @Test
  void a_film_is_recorded_again_and_handed_in_and_marked() {
    Page page = school.signedIn("aiko");
    go(page, course.view("my/steps/" + step));
    button(page, "Record film …").click();
    button(page, "Begin").click();
    record(page);
    button(page, "Again").click();
    record(page);
    Locator look = page.getByLabel("Your recording");
    Number seconds = (Number) look.evaluate("v => v.duration");
    Assertions.assertThat(seconds.doubleValue()).isBetween(0.5, 30.0);
    button(page, "Use it").click();
    Locator film =
        page.getByRole(AriaRole.LINK).filter(new Locator.FilterOptions().setHasText("film-"));
    assertThat(film).isVisible();
    button(page, "Hand in").click();
    assertThat(page.locator("main video")).isVisible();

    Page staff = school.signedIn("odalys");
    go(staff, course.view("teach/marking"));
    staff.getByText("Show the set-up").first().click();
    Locator played = staff.locator("main video");
    assertThat(played).isVisible();
    staff.waitForCondition(() -> ((Number) played.evaluate("v => v.readyState")).intValue() >= 1);
    Number width = (Number) played.evaluate("v => v.videoWidth");
    Assertions.assertThat(width.intValue()).isPositive();
  }

  private static void record(Page page) {
    Locator stop = button(page, "Stop");
    stop.waitFor();
    page.waitForTimeout(1500);
    stop.click();
    page.getByLabel("Your recording").waitFor();
  }
}
