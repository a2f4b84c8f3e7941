package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The register of a session, taken by keys. */
class RegisterTest extends BrowserTest {
  private static final int ABSENT = 5;
  private static Course course;

  @BeforeAll
  static void fiveSessionsOfWhichTheLastIsNotTaken() {
    course = school.course("Registers");
    course.step(course.module("Bench"), "PAGE", "Your bench");
    course.publish();
    school.daysAgo(40, () -> course.enrol("aiko", "bashir", "edda", "gwen", "ruben"));
    var series =
        new Series(
            "Saturday bench", List.of("SATURDAY"), "10:00", 120, 1, "2026-10-24", "2026-11-21");
    JsonNode sessions = school.as("tomas").post(course.path + "/sessions", series);
    for (JsonNode session : sessions)
      if (!session.equals(sessions.get(sessions.size() - 1)))
        school
            .as("tomas")
            .put(
                course.path + "/sessions/" + session.path("id").asLong() + "/register",
                new Marks(List.of(new Mark(course.enrolment("Ruben Sato"), ABSENT))));
  }

  private record Series(
      String name,
      List<String> days,
      String time,
      int minutes,
      int everyWeeks,
      String from,
      String until) {}

  private record Mark(long learner, int status) {}

  private record Marks(List<Mark> marks) {}

  @Test
  void the_register_is_taken_by_keys_and_absence_shows_in_follow_up() {
    Page page = school.signedIn("tomas");
    go(page, course.view("teach/register"));
    Locator sheet = page.getByRole(AriaRole.GRID, new Page.GetByRoleOptions().setName("Register"));
    Locator edda =
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Edda Marsh"));
    var late = new Locator.GetByRoleOptions().setName("Late").setExact(true);
    edda.getByRole(AriaRole.BUTTON, late).click();
    assertThat(edda.getByRole(AriaRole.BUTTON, late)).hasAttribute("aria-pressed", "true");
    sheet.focus();
    sheet.press("j");
    sheet.press("5");
    sheet.press("k");
    sheet.press("Backspace");
    assertThat(page.getByText("1 late, 4 not marked")).isVisible();
    go(page, course.view("teach/register"));
    assertThat(
            page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Edda Marsh"))
                .getByRole(AriaRole.BUTTON, late))
        .hasAttribute("aria-pressed", "true");
    go(page, course.view("reach/follow-up"));
    assertThat(page.getByText("At 0 of 4 sessions, 0 %.")).isVisible();
  }
}
