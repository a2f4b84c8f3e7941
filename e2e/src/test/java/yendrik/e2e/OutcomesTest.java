package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Outcomes of a course: what assesses them, their scales, and those of a framework. */
class OutcomesTest extends BrowserTest {
  private static Course course;
  private static long brake;

  @BeforeAll
  static void aCourseWithARatedOutcome() {
    course = school.course("Outcomes");
    long module = course.module("Tubes");
    brake = course.outcome("BRAKE", "Set up a rim brake");
    course.outcome("TUBE", "Patch a tube");
    course.step(module, "ASSIGNMENT", "Your first patch");
    course.publish();
    course.enrol("ilse");
    course.rate("Ilse Tran", brake, 2);
  }

  private record Framework(String name) {}

  @Test
  void coverage_shows_gaps_and_ties_with_a_key() {
    Page page = school.signedIn("odalys");
    go(page, course.view("plan/outcomes"));
    button(page, "Coverage").click();
    Locator row =
        page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("BRAKE")));
    assertThat(row.getByText("nowhere assessed")).isVisible();
    page.getByRole(AriaRole.GRID).focus();
    page.keyboard().press("Space");
    assertThat(row.getByText("assessed 1")).isVisible();
    assertThat(page.getByRole(AriaRole.STATUS).getByText("BRAKE")).isVisible();
  }

  @Test
  void a_scale_gains_a_level_after_saying_what_that_does() {
    Page page = school.signedIn("odalys");
    go(page, course.view("plan/outcomes"));
    button(page, "Scales").click();
    Locator third = page.getByLabel("Level 3", new Page.GetByLabelOptions().setExact(true));
    third.fill("Alone");
    button(page, "Add a level above").click();
    button(page, "Save scale").click();
    assertThat(page.getByText(Pattern.compile("will read “Alone”"))).isVisible();
    assertThat(page.getByText(Pattern.compile("Nobody is at “Level 4” yet"))).isVisible();
    button(page, "Close").click();
    go(page, course.view("plan/outcomes"));
    button(page, "Scales").click();
    assertThat(page.getByLabel("Level 3", new Page.GetByLabelOptions().setExact(true)))
        .hasValue("Can do it");
  }

  @Test
  void a_course_adopts_an_outcome_and_takes_the_framework_s_new_words() {
    Api sefa = school.as("sefa");
    String framework =
        "/api/courses/" + sefa.post("/api/frameworks", new Framework("Core")).path("id").asLong();
    JsonNode order = Course.outcome(sefa, framework, "ORDER", "Leave a bench as it was found");
    Page page = school.signedIn("odalys");
    go(page, course.view("plan/outcomes"));
    button(page, "Adopt").click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.getByLabel("ORDER Leave a bench as it was found").check();
    dialog.getByText("Adopt 1").click();
    assertThat(page.locator("main").getByText("Leave a bench as it was found")).isVisible();
    ObjectNode seen = Api.object().put("name", order.path("name").asString());
    ObjectNode edit = Api.object().put("name", "Leave every bench as you would find it");
    sefa.change(framework + "/design/outcomes/" + order.path("id").asLong(), seen, edit);
    go(page, course.view("plan/outcomes"));
    button(page, "See and decide").click();
    assertThat(dialog.getByText("Leave every bench as you would find it")).isVisible();
    dialog.getByText("Take the new words").click();
    assertThat(dialog.getByText("Everything is decided.")).isVisible();
    dialog.getByText("Close").click();
    assertThat(page.locator("main").getByText("Leave every bench as you would find it"))
        .isVisible();
  }
}
