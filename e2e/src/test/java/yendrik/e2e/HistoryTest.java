package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A rule is published for those who come later, told in the history, and taken back from there. */
class HistoryTest extends BrowserTest {
  private static void radio(Page page, String name) {
    page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(name)).click();
  }

  @Test
  void a_rule_is_for_later_learners_only_and_then_taken_back() {
    Course course = school.course("Later");
    long module = course.module("Threads");
    course.step(module, "PAGE", "Two threads");
    course.step(module, "PAGE", "Left pedal");
    course.publish();
    course.enrol("ruben");
    Page designer = school.signedIn("odalys");
    go(designer, course.view("plan/route"));
    button(designer, "Left pedal").click();
    asks(designer, "Opens when", "two threads done", "Two threads");

    go(designer, course.view("plan/history"));
    assertThat(designer.getByText("Opens when of “Left pedal”")).isVisible();
    button(designer, "Publish").click();
    assertThat(designer.getByText("Learners lose")).isHidden();
    radio(designer, "Only who enrols from then on");
    button(designer, "Publish for later learners").click();
    assertThat(buttonLike(designer, "^Publication 2")).isVisible();
    course.enrol("juno");
    Page before = school.signedIn("ruben");
    go(before, course.view("my/route"));
    assertThat(before.getByText(Pattern.compile("Opens when you"))).isHidden();
    Page after = school.signedIn("juno");
    go(after, course.view("my/route"));
    assertThat(after.getByText(Pattern.compile("Opens when you finish “?Two threads"))).isVisible();

    buttonLike(designer, "^Publication 2").click();
    assertThat(designer.getByText("Two threads is done")).isVisible();
    button(designer, "Take back: Opens when of “Left pedal”").click();
    assertThat(buttonLike(designer, "^Not published yet")).isVisible();
    designer.keyboard().press("Control+z");
    assertThat(buttonLike(designer, "^Not published yet")).isHidden();
  }
}
