package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Mastery and grades: what a level rests on, ratings of many. */
class MasteryTest extends BrowserTest {
  private static Course course;
  private static long brake;

  @BeforeAll
  static void aCourseWithAnOutcome() {
    course = school.course("Mastery");
    long module = course.module("Brakes");
    brake = course.outcome("BRAKE", "Set up a rim brake");
    long quiz = course.step(module, "QUIZ", "Name that tool");
    course.ask(quiz, "What sets a crown race?", "A setter", "A punch");
    course.change(quiz, e -> Course.tie(e, brake));
    course.publish();
    course.enrol("ilse", "gwen", "ruben");
    course.attempt("ilse", quiz, 0);
  }

  @Test
  void a_cell_shows_the_evidence_behind_it() {
    Page page = school.signedIn("tomas");
    go(page, course.view("watch/mastery"));
    page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("Ilse Tran")))
        .getByRole(AriaRole.GRIDCELL)
        .nth(1)
        .click();
    Locator inspector = page.getByLabel("Inspector");
    assertThat(inspector.getByText("The best piece of evidence counts.")).isVisible();
    assertThat(inspector.getByText(Pattern.compile("Name that tool")).first()).isVisible();
  }

  @Test
  void grades_and_mastery_are_one_key_apart_with_the_same_learners() {
    Page page = school.signedIn("tomas");
    go(page, course.view("watch/mastery"));
    page.getByLabel("Find a learner").fill("ilse");
    assertThat(page.getByText("1 learner", new Page.GetByTextOptions().setExact(true))).isVisible();
    Locator grid = page.getByRole(AriaRole.GRID);
    grid.focus();
    page.keyboard().press("ArrowDown");
    page.keyboard().press("g");
    assertThat(
            page.getByRole(
                AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Name that tool")))
        .isVisible();
    assertThat(page.getByText("1 learner", new Page.GetByTextOptions().setExact(true))).isVisible();
    page.keyboard().press("g");
    assertThat(button(page, "Set up a rim brake")).isVisible();
    button(page, "Over time").click();
    assertThat(page.getByLabel("Inspector").getByText("Share at mastery over time")).isVisible();
  }

  @Test
  void learners_are_rated_in_one_go_and_it_can_be_taken_back() {
    Page page = school.signedIn("tomas");
    go(page, course.view("watch/mastery"));
    Locator find = page.getByLabel("Find a learner");
    for (String name : List.of("Gwen Takeda", "Ruben Sato")) {
      find.fill(name);
      page.getByLabel("Tick " + name).check();
    }
    button(page, "Rate 2 learners").first().click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.getByText("Can do it").click();
    dialog.getByLabel("What you saw (learners read it)").fill("At the open evening");
    dialog
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Rate 2 learners"))
        .click();
    assertThat(page.getByText("2 learners rated on BRAKE.")).isVisible();
    Locator rated =
        page.getByRole(
                AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("Ruben Sato")))
            .getByRole(AriaRole.IMG, new Locator.GetByRoleOptions().setName("BRAKE: Can do it"));
    assertThat(rated).isVisible();
    button(page, "Undo").click();
    assertThat(rated).isHidden();
  }
}
