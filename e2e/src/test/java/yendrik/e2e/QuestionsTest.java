package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** From a pasted question to a mark that was put right. */
class QuestionsTest extends BrowserTest {
  private static Course course;
  private static long quiz;

  @BeforeAll
  static void aCourseWithAnEmptyQuiz() {
    course = school.course("Questions");
    quiz = course.step(course.module("Threads"), "QUIZ", "Left or right");
  }

  @Test
  void a_question_is_pasted_asked_answered_with_help_and_put_right() {
    Page designer = school.signedIn("odalys");
    go(designer, course.view("plan/questions"));
    button(designer, "Paste many").first().click();
    button(designer, "Show an example").click();
    button(designer, "Add 3 questions").click();
    assertThat(designer.getByText("3 questions added.")).isVisible();

    go(designer, course.view("plan/route"));
    button(designer, "Left or right").click();
    button(designer, "Content").click();
    assertThat(designer.getByText("“Left or right” has no questions yet.")).isVisible();
    button(designer, "Choose from Questions").click();
    designer
        .getByRole(
            AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(Pattern.compile("Which thread")))
        .check();
    button(designer, "Ask this question").click();
    assertThat(designer.getByText("2 points in 1 question")).isVisible();
    assertThat(designer.getByText("“Left or right” has no questions yet.")).isHidden();
    button(designer, "Publish").click();
    button(designer, "Publish for everyone").click();
    assertThat(designer.getByText("Published, version 1")).isVisible();

    course.enrol("gwen");
    Page learner = school.signedIn("gwen");
    go(learner, course.view("my/steps/" + quiz));
    button(learner, "Start attempt 1").click();
    assertThat(learner.getByText("It takes 25 % of the points.")).isVisible();
    button(learner, "Show a hint").click();
    assertThat(learner.getByText("Think of how the crank turns.")).isVisible();
    learner.getByLabel("Right-hand").check();
    button(learner, "Hand in answers").click();
    assertThat(learner.getByText("One hint used")).isVisible();

    go(designer, course.view("watch/quizzes"));
    designer
        .getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Which thread")))
        .click();
    button(designer, "Put this question right").click();
    Locator dialog = designer.getByRole(AriaRole.DIALOG);
    assertThat(dialog.getByText("Gwen Takeda, attempt 1: 0 % becomes 100 %")).isVisible();
    dialog.getByLabel("Why").fill("Asked before threads were taught.");
    dialog
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Mark one attempt anew"))
        .click();
    assertThat(designer.getByText("Asked before threads were taught.")).isVisible();

    go(learner, course.view("my/steps/" + quiz));
    assertThat(learner.getByText("100 %").first()).isVisible();
    button(learner, "Look at it").first().click();
    assertThat(learner.getByText("Everybody has the full mark for this question.")).isVisible();
  }

  @Test
  void questions_go_out_as_a_package_and_into_another_course_where_they_are_looked_at_first() {
    Course from = school.course("Questions out");
    Course to = school.course("Questions in");
    Page designer = school.signedIn("odalys");
    go(designer, from.view("plan/questions"));
    button(designer, "Paste many").first().click();
    button(designer, "Show an example").click();
    button(designer, "Add 3 questions").click();
    assertThat(designer.getByText("3 questions added.")).isVisible();
    button(designer, "Exchange").click();
    Download out = designer.waitForDownload(() -> link(designer, "QTI 3.0").click());

    go(designer, to.view("plan/questions"));
    button(designer, "Exchange").first().click();
    designer.getByLabel("Choose a file").setInputFiles(out.path());
    Locator dialog = designer.getByRole(AriaRole.DIALOG);
    assertThat(dialog.getByText("Which thread does a left pedal have?")).isVisible();
    dialog
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add 3 questions"))
        .click();
    assertThat(designer.getByText("3 questions added.")).isVisible();
    assertThat(dialog).isHidden();
    assertThat(designer.getByText("Which thread does a left pedal have?")).isVisible();
  }
}
