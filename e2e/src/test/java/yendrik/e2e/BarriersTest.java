package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;

/**
 * Every view of the demo, with its many learners, before somebody who needs more than eyes and a
 * mouse.
 */
class BarriersTest extends BrowserTest {
  @Test
  void no_view_has_serious_barriers_and_none_asks_another_machine() throws IOException {
    String axe = Files.readString(Path.of("../web/node_modules/axe-core/axe.min.js"));
    var barriers = new SoftAssertions();
    Page staff = school.signedIn("odalys");
    staff.onRequest(request -> assertThat(request.url()).startsWith(school.address));
    for (String view :
        List.of(
            "plan/outcomes",
            "plan/rubrics",
            "plan/route",
            "plan/questions?sel=7",
            "plan/badges",
            "plan/badges?sel=8&draw=1",
            "plan/badges?sel=8&paper=1",
            "plan/check?sel=DEAD_END%20step-done%2024",
            "plan/check?show=rehearsals&sel=1.5.18",
            "plan/check?show=crowd",
            "plan/history",
            "teach/marking",
            "teach/practicals",
            "teach/discussions",
            "teach/register",
            "teach/exceptions",
            "plan/route?as=map",
            "reach/messages",
            "watch/progress",
            "watch/mastery",
            "watch/mastery?sel=class",
            "watch/grades",
            "watch/badges",
            "watch/badges?sel=8",
            "watch/badges?register=1",
            "watch/quizzes",
            "reach/follow-up",
            "course/roster",
            "course/wording",
            "as-40/route",
            "practice/route")) check(barriers, staff, axe, "/c/3/" + view);
    Page administrator = school.signedIn("sefa");
    for (String view :
        List.of("/institution/people?sel=2", "/institution/look", "/institution/accounts"))
      check(barriers, administrator, axe, view);
    Page learner = school.signedIn("ilse");
    for (String view :
        List.of("my/route", "my/outcomes", "my/badges", "my/calendar", "my/messages"))
      check(barriers, learner, axe, "/c/3/" + view);
    for (String step : steps(learner)) check(barriers, learner, axe, step);
    for (String open : List.of("/check", "/certificate")) check(barriers, learner, axe, open);
    Page dark = school.signedIn("ilse", 390, ColorScheme.DARK);
    for (String view : List.of("my/route", "my/outcomes", "my/badges", "my/calendar"))
      check(barriers, dark, axe, "/c/3/" + view);
    barriers.assertAll();
    Object width = dark.evaluate("document.documentElement.scrollWidth");
    assertThat(((Number) width).intValue())
        .as("nothing sticks out on a phone")
        .isLessThanOrEqualTo(390);
  }

  /** The addresses of one open step of each kind, as the route links them. */
  private static List<String> steps(Page page) {
    go(page, "/c/3/my/route");
    page.locator("main h1").first().waitFor();
    page.locator("summary").all().forEach(Locator::click);
    return List.of(
            "Your bench and the stand",
            "Name that tool",
            "Toe-in, and why pads squeal",
            "Brake set-up practical",
            "Brake job card",
            "What does it sound like?",
            "Bench journal")
        .stream()
        .map(name -> page.locator("a", new Page.LocatorOptions().setHasText(name)).first())
        .map(a -> a.getAttribute("href"))
        .toList();
  }

  @SuppressWarnings("unchecked") // axe answers with plain maps
  private static void check(SoftAssertions barriers, Page page, String axe, String view) {
    go(page, view);
    page.locator("main").waitFor();
    page.waitForTimeout(700);
    page.evaluate(axe + "; undefined");
    var found =
        (List<Map<String, Object>>)
            page.evaluate(
                "axe.run(document, {resultTypes: ['violations']}).then(r => r.violations"
                    + ".filter(v => v.impact === 'serious' || v.impact === 'critical')"
                    + ".map(v => ({id: v.id, help: v.help, nodes: v.nodes.slice(0, 3).map(n => n.html).join(' | ')})))");
    barriers.assertThat(found).as(view).isEmpty();
  }
}
