package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A course that is complete once its only page is read and a designer approves. */
class CompletionTest extends BrowserTest {
  @Test
  void a_course_is_completed_by_an_approval_which_is_taken_back() {
    Course course = school.course("Approved");
    long page = course.step(course.module("Threads"), "PAGE", "Two threads");
    Page designer = school.signedIn("odalys");
    go(designer, course.view("plan/route"));
    button(designer, "The whole course").click();
    asks(designer, "Complete when", "threads done", "Threads");
    asks(designer, "Complete when", "approved designer", "approved by a designer");
    // what is published is what was saved
    assertThat(designer.getByText(Pattern.compile("^Complete when .* approved by a designer")))
        .isVisible();
    button(designer, "Publish").click();
    button(designer, "Publish for everyone").click();
    assertThat(designer.getByText("Published, version 1")).isVisible();

    course.enrol("gwen");
    Page learner = school.signedIn("gwen");
    go(learner, course.view("my/route"));
    assertThat(learner.getByText(Pattern.compile("are approved by a designer"))).isVisible();
    go(designer, course.view("teach/approvals"));
    assertThat(designer.getByText("Nobody waits for you")).isVisible();
    go(learner, course.view("my/steps/" + page));
    assertThat(learner.getByText("Two threads").first()).isVisible();

    Locator gwen =
        designer.getByRole(
            AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Approve Gwen Takeda"));
    assertThat(gwen).isVisible();
    gwen.check();
    designer.getByLabel("What you say about it").fill("Clean work.");
    button(designer, "Approve 1 learner").click();
    assertThat(designer.getByText("1 learner is approved.")).isVisible();
    go(designer, course.view("watch/completion"));
    assertThat(designer.getByText("1 of 1 have completed it.")).isVisible();
    go(learner, course.view("my/route"));
    assertThat(learner.getByText("You have completed it.")).isVisible();

    go(designer, course.view("teach/approvals"));
    button(designer, "Take back the approval of Gwen Takeda").click();
    Locator dialog = designer.getByRole(AriaRole.DIALOG);
    dialog.getByLabel("Why").fill("It was another Gwen.");
    dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take back")).click();
    assertThat(gwen).isVisible();
    go(learner, course.view("my/route"));
    assertThat(learner.getByText("You have completed it.")).isHidden();
    assertThat(learner.getByText(Pattern.compile("are approved by a designer"))).isVisible();
  }
}
