package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Dates are typed as they are spoken, or chosen; today is a Monday, the 23rd of November. */
class DatesTest extends BrowserTest {
  private static Locator field(Page page, String name) {
    return page.getByRole(
        AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  @Test
  void a_due_date_is_typed_refused_chosen_and_reaches_its_learner() {
    Course course = school.course("Dates of pads");
    long step = course.step(course.module("Brakes"), "ASSIGNMENT", "What wears a pad");
    Page page = school.signedIn("odalys");
    go(page, course.view("plan/route?sel=step-" + step));
    button(page, "Settings").click();
    Locator due = field(page, "Due");
    due.fill("fri 18:30");
    assertThat(page.getByRole(AriaRole.STATUS).getByText("Fri 27 Nov 2026, 18:30")).isVisible();
    due.press("Tab");
    assertThat(due).hasValue("Fri 27 Nov 2026, 18:30");
    assertThat(buttonLike(page, "^Undo: due date")).isVisible();

    Locator late = field(page, "Late work until");
    late.fill("someday");
    late.press("Tab");
    assertThat(page.getByText(Pattern.compile("This is no date"))).isVisible();
    late.fill("wed 8:00");
    late.press("Enter");
    assertThat(late).hasAccessibleDescription("Late work cannot end before it is due.");
    late.press("Escape");
    assertThat(late).hasValue("");

    due.press("Alt+ArrowDown");
    assertThat(buttonLike(page, "November 27th")).isFocused();
    page.keyboard().press("ArrowDown");
    page.keyboard().press("Enter");
    assertThat(due).hasValue("Fri 4 Dec 2026, 18:30");
    page.keyboard().insertText("19:00");
    page.waitForResponse(r -> r.request().method().equals("PATCH"), () -> due.press("Enter"));
    assertThat(due).hasValue("Fri 4 Dec 2026, 19:00");

    course.publish();
    course.enrol("celeste");
    Page learner = school.signedIn("celeste");
    go(learner, course.view("my/steps/" + step));
    assertThat(learner.getByText(Pattern.compile("due Fri 4 Dec")).first()).isVisible();
  }
}
