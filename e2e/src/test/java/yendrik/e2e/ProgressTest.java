package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Where each learner stands, why, and what staff can do about it. */
class ProgressTest extends BrowserTest {
  private static Course course;

  @BeforeAll
  static void somebodyIsShutOut() {
    course = school.course("Progress");
    long feet = course.module("Find your feet");
    long quiz = course.step(feet, "QUIZ", "Pads, cables, levers");
    course.ask(quiz, "What squeals?", "A pad", "A lever");
    course.change(quiz, e -> e.put("attempts", 2));
    long brakes = course.module("Brakes");
    for (String name : List.of("Rim brake anatomy", "Toe-in")) {
      long page = course.step(brakes, "PAGE", name);
      course.change(page, e -> e.set("opensWhen", course.ask("passed", "step", quiz)));
    }
    course.publish();
    course.enrol("juno");
    for (int n = 0; n < 2; n++) course.attempt("juno", quiz, 1);
  }

  @Test
  void a_learner_and_a_single_bead_are_explained_and_staff_can_act() {
    Page page = school.signedIn("odalys");
    go(page, course.view("watch/progress"));
    page.getByText("Juno Abara").click();
    Locator inspector = page.getByLabel("Inspector");
    assertThat(inspector.getByText(Pattern.compile("All 2 attempts used, best 0 %"))).isVisible();
    assertThat(inspector.getByText(Pattern.compile("It holds 2 later steps shut"))).isVisible();
    Locator thread =
        page.getByRole(
            AriaRole.SLIDER, new Page.GetByRoleOptions().setName(Pattern.compile("^Juno Abara")));
    thread.focus();
    page.keyboard().press("ArrowRight");
    assertThat(inspector.locator("h2").first()).hasText("Pads, cables, levers");
    assertThat(inspector.getByText("Staff must act: it is out of reach otherwise")).isVisible();
    inspector.getByText("Give an attempt").click();
    assertThat(inspector.getByText("It is Juno Abara’s turn")).isVisible();
  }
}
