package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import org.junit.jupiter.api.Test;

/** Rules laid out in the route itself: in their rows, by dropping, and for all of the course. */
class RouteRulesTest extends BrowserTest {
  private static final Mouse.MoveOptions SLOWLY = new Mouse.MoveOptions().setSteps(8);

  /** Rows that still move are missed by the hand: then it is taken once more, as somebody would. */
  private static void drag(Page page, Locator from, Locator to) {
    Locator taken = to.filter(new Locator.FilterOptions().setHasText("and this one is done"));
    for (int tries = 0; tries < 6; tries++) {
      from.scrollIntoViewIfNeeded();
      from.hover();
      BoundingBox start = from.boundingBox();
      page.mouse().move(start.x + start.width / 2, start.y + start.height / 2);
      page.mouse().down();
      page.mouse().move(start.x + 30, start.y + 12, SLOWLY);
      for (int i = 0; i < 15 && taken.count() == 0; i++) {
        BoundingBox end = to.boundingBox();
        page.mouse().move(end.x + end.width / 2 + i % 2, end.y + end.height / 2, SLOWLY);
        page.waitForTimeout(100);
      }
      boolean over = taken.count() > 0;
      page.mouse().up();
      if (over) return;
    }
    throw new AssertionError("the step was never over the rule");
  }

  @Test
  void rules_are_typed_in_their_row_dropped_and_set_for_the_whole_course() {
    Course course = school.course("Laid out");
    long module = course.module("Threads");
    course.step(module, "PAGE", "Two threads");
    course.step(module, "PAGE", "Left pedal");
    course.step(module, "QUIZ", "Name that thread");
    Page designer = school.signedIn("odalys");
    go(designer, course.view("plan/route"));

    button(designer, "Opens when at once, of Left pedal").click();
    designer.keyboard().type("two threads");
    designer
        .getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Two threads read"))
        .click();
    designer.keyboard().press("Escape");
    assertThat(designer.getByRole(AriaRole.DIALOG)).isHidden();
    Locator cell = buttonLike(designer, "^Opens when Two threads read.*, of Left pedal$");
    assertThat(cell).isVisible();

    Locator quiz = buttonLike(designer, "^Opens when .*, of Name that thread$");
    drag(designer, designer.getByLabel("Move Left pedal").first(), quiz);
    assertThat(buttonLike(designer, "^Opens when Left pedal is done.*, of Name that thread$"))
        .isVisible();
    button(designer, "Undo").click();
    assertThat(button(designer, "Opens when at once, of Name that thread")).isVisible();

    button(designer, "The whole course").click();
    designer
        .getByRole(
            AriaRole.SWITCH, new Page.GetByRoleOptions().setName("Strict order for the whole"))
        .click();
    assertThat(designer.getByText("Strict order · ")).isVisible();
    button(designer, "Page read").click();
    Locator usual =
        designer.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Done when"));
    usual.getByRole(AriaRole.COMBOBOX).fill("confirmed");
    designer
        .getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("confirmed by the learner"))
        .first()
        .click();
    buttonLike(designer, "^Also give it to the 2 steps").click();
    assertThat(buttonLike(designer, "^Done when read and confirmed.*, of Two threads")).isVisible();
  }
}
