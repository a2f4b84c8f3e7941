package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

/** Work that is handed in and marked. */
class AssignmentTest extends BrowserTest {
  private static Course course;

  @BeforeAll
  static void workWithARubric() {
    course = school.course("Assignments");
    long module = course.module("Brakes");
    long brake = course.outcome("BRAKE", "Set up a rim brake");
    long card = course.step(module, "ASSIGNMENT", "Brake job card");
    long next = course.step(course.module("Drivetrain"), "PAGE", "Limits, cable tension, indexing");
    long rubric =
        course.rubric("Job card", brake, "What was done to the brakes", "A sentence for the rider");
    course.change(
        card,
        e -> {
          e.put("points", 20);
          Course.tie(e, brake);
          ((ObjectNode) e.path("part")).put("rubric", rubric);
        });
    course.change(next, e -> e.set("opensWhen", course.ask("passed", "step", card)));
    course.badge("Brake Hand", course.ask("module-done", "module", module));
    course.publish();
    course.enrol("celeste");
    course.handIn("celeste", card, "Two pads, 5 Nm.");
  }

  /** A level of one criterion of the rubric that is gone through. */
  private static Locator met(Page page, String criterion, String level) {
    return page.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName(criterion))
        .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName(Pattern.compile(level)));
  }

  @Test
  void what_is_written_is_there_again_after_the_page_went_and_goes_in_with_its_picture() {
    Course own = school.course("Formatted work");
    long step = own.step(own.module("Brakes"), "ASSIGNMENT", "What wears a pad");
    own.publish();
    own.enrol("celeste");
    Page page = school.signedIn("celeste");
    go(page, own.view("my/steps/" + step));
    Locator work =
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Your work"));
    page.route("**/draft", r -> r.abort("connectionreset"));
    work.pressSequentially("Grit in the rubber.");
    page.reload();
    page.unroute("**/draft");
    assertThat(work).containsText("Grit in the rubber.");
    work.click();
    page.keyboard().press("Control+End");
    page.keyboard().press("Enter");
    button(page, "Insert ▾").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Picture …")).click();
    page.locator("input[type=file]").last().setInputFiles(DOT);
    page.getByLabel("What it shows, in words").fill("A stone in a pad");
    button(page, "Put in").click();
    Locator shown = page.getByAltText("A stone in a pad");
    assertThat(shown).hasJSProperty("naturalWidth", 1);
    assertThat(page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Film …")))
        .hasCount(0);
    button(page, "Hand in").click();
    assertThat(page.getByText(Pattern.compile("Staff mark it next"))).isVisible();
    assertThat(shown).hasJSProperty("naturalWidth", 1);
    Page tomas = school.signedIn("tomas");
    go(tomas, own.view("teach/marking"));
    tomas
        .getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Celeste Adeyo")))
        .click();
    assertThat(tomas.getByText("Grit in the rubber.")).isVisible();
    assertThat(tomas.getByAltText("A stone in a pad")).hasJSProperty("naturalWidth", 1);
  }

  @Test
  void a_facilitator_marks_it_while_the_learner_watches_and_both_see_it_at_once() {
    Page learner = school.signedIn("celeste");
    go(learner, course.view("my/route"));
    assertThat(learner.getByText(Pattern.compile("staff mark it next")).first()).isVisible();
    Page page = school.signedIn("tomas");
    go(page, course.view("teach/marking"));
    page.getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Celeste Adeyo")))
        .click();
    met(page, "What was done to the brakes", "All").click();
    Locator sentence = met(page, "A sentence for the rider", "Nothing");
    sentence.focus();
    sentence.press("2");
    assertThat(page.getByLabel("Points of 20")).hasValue("15");
    page.getByLabel("Comment on “A sentence for the rider”").fill("Short and right.");
    button(page, "Passed").click();
    page.getByLabel("Points of 20").fill("17");
    page.getByLabel("Comment", new Page.GetByLabelOptions().setExact(true))
        .fill("Every bolt has its number.");
    button(page, "Send to Celeste Adeyo").click();
    assertThat(page.getByText("Sent to Celeste Adeyo.")).isVisible();
    assertThat(learner.locator("main h1").first()).hasText("Limits, cable tension, indexing");
    learner.getByText("Brakes", new Page.GetByTextOptions().setExact(true)).click();
    link(learner, "Brake job card").click();
    assertThat(learner.getByText("Every bolt has its number.")).isVisible();
    assertThat(learner.getByText("Short and right.")).isVisible();
    link(learner, "My badges").click();
    assertThat(learner.getByText(Pattern.compile("^earned "))).isVisible();
  }
}
