package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A crowd walks through a draft, and through what learners have, and shows where it piles up. */
class CrowdTest extends BrowserTest {
  @Test
  void a_crowd_shows_what_a_rule_would_cost() {
    Course course = school.course("Crowded");
    long module = course.module("Threads");
    course.step(module, "PAGE", "Two threads");
    course.step(module, "PAGE", "Left pedal");
    course.publish();
    Page designer = school.signedIn("odalys");
    go(designer, course.view("plan/check?show=crowd"));
    assertThat(designer.getByText("No crowd has walked here yet")).isVisible();
    designer.getByLabel("Stop in a week, in %").fill("0");
    button(designer, "Let them walk").click();
    assertThat(designer.getByText("200 of 200 finish")).isVisible();

    go(designer, course.view("plan/route"));
    button(designer, "Left pedal").click();
    asks(designer, "Opens when", "enrolled 400 days", "400 days");
    go(designer, course.view("plan/check?show=crowd"));
    assertThat(designer.getByText(Pattern.compile("draft has changed since"))).isVisible();
    designer.getByLabel("Learners").fill("40");
    button(designer, "Let them walk").click();
    assertThat(designer.getByText("0 of 40 finish")).isVisible();
    assertThat(designer.getByText(Pattern.compile("today 40 would: the draft costs 40")))
        .isVisible();
    Page.GetByRoleOptions left = new Page.GetByRoleOptions().setName(Pattern.compile("Left pedal"));
    assertThat(designer.getByRole(AriaRole.ROW, left)).containsText("40 (today 0)");
  }
}
