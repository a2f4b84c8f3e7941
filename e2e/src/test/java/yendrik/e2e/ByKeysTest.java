package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A quiz that is taken without a mouse. */
class ByKeysTest extends BrowserTest {
  private static final int MOST_TABS = 60;
  private static Course course;
  private static long quiz;

  @BeforeAll
  static void aQuizWithAPicture() {
    course = school.course("By keys");
    quiz = course.step(course.module("Pads"), "QUIZ", "Hand off the mouse");
    byte[] picture = DOT.buffer;
    long file =
        school.as("sefa").keep(course.path, "pad.png", picture, "PICTURE").path("id").asLong();
    course.ask(quiz, "Which thread has the left pedal?", "Left-hand", "Right-hand");
    course.change(
        quiz,
        e -> {
          ObjectNode part = (ObjectNode) e.path("part");
          ((ObjectNode) part.path("taking")).put("choicesMixed", false);
          ArrayNode questions = part.withArray("questions");
          ObjectNode place = questions.addObject();
          place.put("id", "q2").put("text", "Where does the pad touch first?");
          place.put("points", 1).put("feedback", "");
          ObjectNode picked = place.putObject("part").put("is", "place").put("picture", file);
          picked.put("described", "A pad beside a rim, seen from above");
          ObjectNode area = picked.putArray("areas").addObject();
          area.put("id", "a1").put("called", "The right end").put("round", false);
          area.put("left", 0.51).put("top", 0).put("width", 0.49).put("height", 1);
        });
    course.publish();
    course.enrol("gwen");
  }

  /** Goes on with the Tab key until what is called so has the focus. */
  private static void tabTo(Page page, String called) {
    for (int n = 0; n < MOST_TABS; n++) {
      page.keyboard().press("Tab");
      Object here =
          page.evaluate(
              """
              () => {
                const at = document.activeElement;
                if (at.matches('body, main')) return '';
                const by = at.getAttribute('aria-labelledby');
                const named = by && by.split(' ').map(id => document.getElementById(id)?.innerText ?? '').join(' ');
                return at.getAttribute('aria-label') ?? named ?? at.closest('label')?.innerText ?? at.innerText;
              }
              """);
      if (String.valueOf(here).contains(called)) return;
    }
    Assertions.fail("the Tab key never came to “" + called + "”");
  }

  @Test
  void a_quiz_is_begun_answered_pointed_at_and_handed_in_by_keys_alone() {
    Page page = school.signedIn("gwen");
    go(page, course.view("my/steps/" + quiz));
    assertThat(button(page, "Start attempt 1")).isVisible();
    tabTo(page, "Start attempt 1");
    page.keyboard().press("Enter");
    assertThat(page.getByText("Which thread has the left pedal?")).isVisible();

    tabTo(page, "Left-hand");
    page.keyboard().press("Space");
    assertThat(page.getByLabel("Left-hand")).isChecked();
    page.keyboard().press("Enter");
    assertThat(button(page, "Hand in answers")).isVisible();
    assertThat(page.getByText("Which thread has the left pedal?")).isVisible();

    tabTo(page, "Where does the pad touch first?");
    page.keyboard().press("ArrowRight");
    page.keyboard().press("ArrowRight");
    assertThat(page.getByText("from the left and 50 % from the top")).isVisible();

    tabTo(page, "Hand in answers");
    page.keyboard().press("Enter");
    if (page.getByRole(com.microsoft.playwright.options.AriaRole.DIALOG).count() > 0) {
      tabTo(page, "Hand in answers");
      page.keyboard().press("Enter");
    }
    assertThat(page.getByText("100 %").first()).isVisible();
  }
}
