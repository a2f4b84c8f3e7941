package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** At the bench: practicals without a connection, and a look through a learner's eyes. */
class AtTheBenchTest extends BrowserTest {
  private static Course course;
  private static long bench;

  @BeforeAll
  static void aPracticalForTwo() {
    course = school.course("At the bench");
    bench = course.step(course.module("Wheels"), "PRACTICAL", "True it");
    course.publish();
    course.enrol("edda", "juno");
  }

  @Test
  void two_are_signed_off_without_a_connection_and_sent_once_it_is_back() {
    Page page = school.signedIn("odalys");
    go(page, course.view("teach/practicals?sel=" + bench));
    for (String name : new String[] {"Edda Marsh", "Juno"})
      page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(Pattern.compile(name)))
          .check();
    page.context().setOffline(true);
    button(page, "Sign off 2 learners").click();
    assertThat(page.getByText("2 sign-offs are not sent yet")).isVisible();
    assertThat(page.getByText("not sent yet", new Page.GetByTextOptions().setExact(true)))
        .hasCount(2);
    page.context().setOffline(false);
    assertThat(page.getByText("signed off", new Page.GetByTextOptions().setExact(true)))
        .hasCount(2);
    assertThat(page.getByText("2 sign-offs are not sent yet")).isHidden();
  }

  @Test
  void staff_see_what_a_learner_sees_and_can_do_nothing_there() {
    Page page = school.signedIn("odalys");
    go(page, course.view("plan/route?sel=step-" + bench));
    button(page, "See as learner").click();
    page.getByLabel("As a learner of this course").fill("Edda");
    page.keyboard().press("Enter");
    assertThat(page.getByText("You see what Edda Marsh sees.")).isVisible();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("True it")))
        .isVisible();
    assertThat(button(page, "Ask staff …")).isHidden();
    button(page, "+ 1 week").click();
    assertThat(button(page, "Back to now")).isVisible();
    assertThat(page.getByText("You see what Edda Marsh sees.")).isVisible();
  }
}
