package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/** The whole story once, in the order in which people live it. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class FromOutcomeToBadgeTest extends BrowserTest {
  private static Course course;

  @BeforeAll
  static void anEmptyCourse() {
    course = school.course("Tubes");
  }

  private static void take(Page page, String field, String typed, String proposal) {
    Locator section = page.locator("section[aria-label='" + field + "']");
    section.getByRole(AriaRole.COMBOBOX).fill(typed);
    page.getByRole(AriaRole.OPTION)
        .filter(new Locator.FilterOptions().setHasText(proposal))
        .first()
        .click();
    assertThat(section.getByText(proposal.substring(proposal.indexOf('|') + 1)).first())
        .isVisible();
  }

  private static Locator textbox(Page page, String name) {
    return page.getByRole(
        AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  @Test
  @Order(1)
  void a_designer_plans_a_course_from_an_outcome_to_a_badge_and_publishes_it() {
    Page page = school.signedIn("odalys");
    go(page, course.view("plan/outcomes"));
    button(page, "Add outcome").first().click();
    page.keyboard().type("Patch a tube\n");
    page.getByLabel("Code").fill("TUBE");
    page.getByLabel("Code").press("Enter");
    assertThat(
            page.locator("main").getByText("TUBE", new Locator.GetByTextOptions().setExact(true)))
        .isVisible();

    go(page, course.view("plan/route"));
    button(page, "Add module").first().click();
    page.keyboard().type("Tubes\n");
    assertThat(page.getByText("1. Tubes")).isVisible();
    addStep(page, "Page", "How a patch holds");
    addStep(page, "Quiz", "Rubber and glue");
    button(page, "Content").click();
    button(page, "Add question").click();
    textbox(page, "Question 1").fill("What has to dry before the patch goes on?");
    textbox(page, "Choice 1").fill("The glue");
    textbox(page, "Choice 2").fill("The tyre");
    textbox(page, "Choice 2").blur();
    assertThat(page.getByText("1 point in 1 question")).isVisible();
    button(page, "Rules").click();
    take(page, "Opens when", "patch holds", "How a patch holds is done");
    addStep(page, "Assignment", "Your first patch");
    take(page, "Opens when", "rubber passed", "Rubber and glue passed");

    go(page, course.view("plan/badges"));
    button(page, "Add badge").first().click();
    take(page, "Earned when", "module tubes", "Tubes is done");
    go(page, course.view("plan/route"));
    button(page, "Publish").click();
    assertThat(page.getByText("No learners are enrolled yet.")).isVisible();
    button(page, "Publish for everyone").click();
    assertThat(page.getByText("Published, version 1")).isVisible();
  }

  private static void addStep(Page page, String kind, String name) {
    button(page, "Add step").first().click();
    button(page, kind).last().click();
    page.getByLabel("Name of the step").fill(name);
    page.getByLabel("Name of the step").press("Enter");
    assertThat(page.getByText("“" + name + "” added.")).isVisible();
    page.getByLabel("Name of the step").press("Escape");
    assertThat(
            page.locator("main")
                .getByRole(
                    AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true)))
        .isVisible();
    assertThat(page.getByLabel("Inspector").getByLabel("Name")).hasValue(name);
  }

  @Test
  @Order(2)
  void a_change_can_be_taken_back_with_a_key() {
    Page page = school.signedIn("odalys");
    go(page, course.view("plan/route"));
    button(page, "How a patch holds").click();
    page.getByLabel("Name").fill("Why a patch holds");
    page.getByLabel("Name").press("Enter");
    Locator changed =
        page.locator("main")
            .getByText("Why a patch holds", new Locator.GetByTextOptions().setExact(true));
    assertThat(changed).isVisible();
    page.locator("main").click(new Locator.ClickOptions().setPosition(5, 5));
    page.keyboard().press("Control+z");
    assertThat(changed).isHidden();
  }

  @Test
  @Order(3)
  void the_designer_walks_it_as_a_made_up_learner_and_back() {
    Page page = school.signedIn("odalys");
    go(page, course.view("plan/route"));
    button(page, "See as learner").click();
    button(page, "As a made-up learner").click();
    assertThat(page.getByText("You walk the draft as a made-up learner.")).isVisible();
    assertThat(page.getByText("Opens when you finish “How a patch holds”.")).isVisible();
    link(page, "Read").click();
    link(page, "Next: Rubber and glue").click();
    button(page, "Start attempt 1").click();
    page.getByLabel("The glue").check();
    button(page, "Hand in answers").click();
    assertThat(page.getByText("100 %, Passed")).isVisible();
    link(page, "Next: Your first patch").click();
    page.getByLabel("Your work").fill("Roughened, glued, waited, pressed.");
    button(page, "Hand in").click();
    button(page, "As staff: mark it passed").click();
    link(page, "My badges").click();
    assertThat(page.getByText(Pattern.compile("^earned "))).isVisible();
    button(page, "Start over").click();
    assertThat(page.getByText("0 of 3 steps done")).isVisible();
    link(page, "Back to Plan").click();
    assertThat(page).hasURL(Pattern.compile(".*/plan/route"));
  }

  @Test
  @Order(4)
  void a_learner_takes_the_quiz_and_the_next_step_opens_without_reloading() {
    course.enrol("bashir");
    Page page = school.signedIn("bashir");
    go(page, course.view("my/route"));
    assertThat(
            page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName("How a patch holds")))
        .isVisible();
    assertThat(page.getByText("Opens when you finish “How a patch holds”.")).isVisible();
    link(page, "Read").click();
    link(page, "Next: Rubber and glue").click();
    button(page, "Start attempt 1").click();
    page.getByLabel("The glue").check();
    button(page, "Hand in answers").click();
    assertThat(page.getByText("100 %, Passed")).isVisible();
    assertThat(page.getByText("Now open: Your first patch")).isVisible();
    link(page, "Next: Your first patch").click();
    page.getByLabel("Your work").fill("Roughened, glued, waited, pressed.");
    button(page, "Hand in").click();
    assertThat(page.getByText(Pattern.compile("Staff mark it next"))).isVisible();
  }

  @Test
  @Order(5)
  void a_facilitator_marks_it_and_the_learner_holds_the_badge_at_once() {
    Page learner = school.signedIn("bashir");
    go(learner, course.view("my/badges"));
    Page page = school.signedIn("tomas");
    go(page, course.view("teach/marking"));
    page.getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Bashir Colm")))
        .click();
    button(page, "Passed").click();
    page.getByLabel("Points of 20").fill("18");
    button(page, "Send to Bashir Colm").click();
    assertThat(page.getByText("Sent to Bashir Colm.")).isVisible();
    assertThat(learner.getByText(Pattern.compile("^earned "))).isVisible();
  }

  @Test
  @Order(6)
  void what_is_changed_without_a_connection_waits_and_is_saved_when_it_is_back() {
    Page page = school.signedIn("odalys");
    go(page, course.view("plan/route"));
    button(page, "How a patch holds").click();
    page.context().setOffline(true);
    page.getByLabel("Name").fill("How patches hold");
    page.getByLabel("Name").press("Enter");
    assertThat(page.getByText("1 change waits")).isVisible();
    page.context().setOffline(false);
    assertThat(page.getByText("Saved", new Page.GetByTextOptions().setExact(true))).isVisible();
    assertThat(button(page, "How patches hold")).isVisible();
  }
}
