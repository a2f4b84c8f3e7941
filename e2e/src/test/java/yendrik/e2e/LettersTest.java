package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import yendrik.standins.mailroom.Letter;

/** Letters to learners who fall behind, and their answers. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class LettersTest extends BrowserTest {
  private static Course course;

  @BeforeAll
  static void aCourseThatTwoDoNotBegin() {
    course = school.course("Letters");
    course.step(course.module("Bench"), "PAGE", "Your bench and the stand");
    course.publish();
    school.daysAgo(20, () -> course.enrol("ruben", "edda"));
  }

  @Test
  @Order(1)
  void ticked_learners_each_get_a_letter_and_it_stays_with_their_history() {
    Page page = school.signedIn("tomas");
    go(page, course.view("reach/follow-up"));
    page.getByLabel("Tick Ruben Sato").check();
    page.getByLabel("Tick Edda Marsh").check();
    button(page, "Write to 2 learners").click();
    button(page, "Send 2 letters").click();
    assertThat(page.getByText("2 letters on their way.")).isVisible();
    page.waitForCondition(() ->
        school.mailroom.letters().stream()
                .filter(l -> l.subject().startsWith("How is it going"))
                .count()
            == 2);
    assertThat(school.mailroom.letters())
        .extracting(Letter::to)
        .contains("ruben@hollowlane.example", "edda@hollowlane.example");
    Letter toRuben =
        school.mailroom.letters().stream()
            .filter(l -> l.to().startsWith("ruben"))
            .findFirst()
            .orElseThrow();
    assertThat(toRuben.body()).startsWith("Hello Ruben,").contains("- Your bench and the stand");
    button(page, "Ruben Sato").click();
    assertThat(page.getByLabel("Inspector").getByText(Pattern.compile("How is it going, Ruben")))
        .isVisible();
  }

  @Test
  @Order(2)
  void an_answer_reaches_whoever_wrote_in_the_application_and_by_mail() {
    Page staff = school.signedIn("tomas");
    go(staff, course.view("reach/messages"));
    staff
        .getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Edda Marsh")))
        .click();
    assertThat(staff.locator("main h2").first()).hasText("Edda Marsh");
    Page ruben = school.signedIn("ruben");
    go(ruben, course.view("my/route"));
    ruben.getByText("Messages (1)").click();
    assertThat(ruben.locator("main").getByText(Pattern.compile("Hello Ruben,"))).isVisible();
    ruben.getByLabel("Write to Tomas Weir").fill("I begin on Saturday.");
    button(ruben, "Send to Tomas").click();
    assertThat(link(ruben, "Messages")).isVisible();
    Locator line =
        staff.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("Ruben Sato.*1 new letter")));
    assertThat(line).isVisible();
    line.click();
    assertThat(staff.locator("#main").getByText("I begin on Saturday.")).isVisible();
    ruben.waitForCondition(() ->
        school.mailroom.letters().stream()
            .anyMatch(
                l -> l.to().startsWith("tomas") && l.subject().startsWith("Re: How is it going")));
  }
}
