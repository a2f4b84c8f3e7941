package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Who may be enrolled, and what becomes of a step that is started anew. */
class EnrollingTest extends BrowserTest {
  @Test
  void a_course_that_asks_for_another_holds_an_enrolment_until_somebody_lets_it_in() {
    Course first = school.course("First steps");
    first.step(first.module("Threads"), "PAGE", "Two threads");
    first.publish();
    Course second = school.course("Second steps");
    long page = second.step(second.module("Chains"), "PAGE", "Why it stretches");
    second.publish();
    Page designer = school.signedIn("odalys");
    go(designer, second.view("plan/route"));
    button(designer, "The whole course").click();
    designer.getByLabel("Courses to be complete").fill("First steps");
    designer.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("First steps")).click();
    button(designer, "is refused").click();
    assertThat(button(designer, "waits")).isVisible();

    go(designer, second.view("course/roster"));
    buttonLike(designer, "^Enrol learners").click();
    Locator dialog = designer.getByRole(AriaRole.DIALOG);
    dialog.getByRole(AriaRole.TEXTBOX).fill("gwen@hollowlane.example");
    button(designer, "Enrol 1 learner").click();
    assertThat(dialog.getByRole(AriaRole.ALERT)).containsText("First steps");
    button(designer, "Close").click();
    button(designer, "Enrol Gwen Takeda now").click();
    assertThat(designer.getByText("Gwen Takeda is enrolled.")).isVisible();
    assertThat(designer.getByText("Waiting to be enrolled")).isHidden();

    Page learner = school.signedIn("gwen");
    go(learner, second.view("my/steps/" + page));
    assertThat(learner.getByText("Why it stretches").first()).isVisible();
    go(designer, second.view("watch/progress?sel=" + second.enrolment("Gwen Takeda") + "-" + page));
    button(designer, "Start anew …").click();
    dialog.getByLabel("Reason").fill("Somebody else read it");
    button(designer, "Allow it").click();
    assertThat(designer.getByText(Pattern.compile("started anew: Somebody else"))).isVisible();
    assertThat(buttonLike(designer, "^Excuse")).isVisible();
    button(designer, "Take back").click();
    assertThat(button(designer, "Start anew …")).isVisible();
  }
}
