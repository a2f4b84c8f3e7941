package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A draft is checked, mended, and rehearsed with what is expected of it. */
class CheckTest extends BrowserTest {
  private static void opens(Page designer, String step, String typed, String proposal) {
    button(designer, step).click();
    asks(designer, "Opens when", typed, proposal);
  }

  private static Locator next(Page designer) {
    return designer.getByRole(
        AriaRole.COMBOBOX,
        new Page.GetByRoleOptions().setName(Pattern.compile("What happens (next|after)")));
  }

  @Test
  void two_steps_that_wait_for_each_other_are_found_mended_and_rehearsed() {
    Course course = school.course("Checked");
    long module = course.module("Threads");
    course.step(module, "PAGE", "Two threads");
    course.step(module, "PAGE", "Left pedal");
    Page designer = school.signedIn("odalys");
    go(designer, course.view("plan/route"));
    opens(designer, "Left pedal", "two threads done", "Two threads");
    opens(designer, "Two threads", "left pedal done", "Left pedal");
    assertThat(designer.getByText(Pattern.compile("waits for itself in the end"))).isVisible();

    go(designer, course.view("plan/check"));
    Locator nobody =
        designer.getByRole(
            AriaRole.REGION, new Page.GetByRoleOptions().setName("Nobody gets there"));
    assertThat(nobody).isVisible();
    buttonLike(designer, "waits for itself").click();
    assertThat(link(designer, "Left pedal").first())
        .hasAttribute("href", Pattern.compile("/plan/route\\?sel=step-\\d+$"));
    Locator mend = buttonLike(designer, "^Take “Left pedal is done” out of what opens");
    mend.click();
    assertThat(nobody).isHidden();
    designer.keyboard().press("Control+z");
    assertThat(nobody).isVisible();
    mend.click();
    assertThat(nobody).isHidden();

    buttonLike(designer, "^Rehearsals").click();
    button(designer, "Rehearse something").click();
    next(designer).fill("two threads read");
    designer.getByRole(AriaRole.OPTION).first().click();
    assertThat(designer.getByText(Pattern.compile("opens: “Left pedal”"))).isVisible();
    Locator thread = designer.getByRole(AriaRole.SLIDER).first();
    thread.focus();
    thread.press("ArrowRight");
    thread.press("ArrowRight");
    assertThat(
            designer.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Left pedal")))
        .isVisible();
    button(designer, "is open").click();
    assertThat(designer.getByText("“Left pedal” is open")).isVisible();
    assertThat(designer.getByText("One holds, 0 broken")).isVisible();

    go(designer, course.view("plan/route"));
    opens(designer, "Left pedal", "enrolled 9", "9 days");
    go(designer, course.view("plan/check?show=rehearsals"));
    assertThat(designer.getByText("None holds, 1 broken")).isVisible();
    assertThat(designer.getByText(Pattern.compile("^Line 2: “Left pedal” is open"))).isVisible();
  }
}
