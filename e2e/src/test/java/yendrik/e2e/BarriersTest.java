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
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;

/**
 * Every view of the demo, with its many learners, before somebody who needs more than eyes and a
 * mouse.
 */
class BarriersTest extends BrowserTest {
  @Test
  void no_view_has_barriers_and_none_asks_another_machine() throws IOException {
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
            "practice/route")) visit(barriers, staff, axe, "/c/3/" + view);
    Page administrator = school.signedIn("sefa");
    for (String view :
        List.of("/institution/people?sel=2", "/institution/look", "/institution/accounts"))
      visit(barriers, administrator, axe, view);
    Page learner = school.signedIn("ilse");
    for (String view :
        List.of("my/route", "my/outcomes", "my/badges", "my/calendar", "my/messages"))
      visit(barriers, learner, axe, "/c/3/" + view);
    for (String step : steps(learner)) visit(barriers, learner, axe, step);
    for (String open : List.of("/check", "/certificate")) visit(barriers, learner, axe, open);
    Page dark = school.signedIn("ilse", 390, ColorScheme.DARK);
    for (String view : List.of("my/route", "my/outcomes", "my/badges", "my/calendar"))
      visit(barriers, dark, axe, "/c/3/" + view);
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

  /** A view with something of it chosen, ticked or open. */
  private record Scene(String view, Consumer<Page> open) {}

  private static Scene pressing(String view, String name) {
    return new Scene(view, page -> buttonLike(page, name).first().click());
  }

  private static Scene choosing(String view, String... parts) {
    return new Scene(
        view, page -> Stream.of(parts).forEach(part -> page.locator(part).first().click()));
  }

  private static final List<Scene> SCENES =
      List.of(
          new Scene("plan/outcomes?sel=1", _ -> {}),
          pressing("plan/outcomes", "^Coverage"),
          pressing("plan/outcomes", "^Scales"),
          pressing("plan/outcomes", "^Add outcome"),
          pressing("plan/outcomes", "^Exchange"),
          new Scene("plan/route?sel=step-10", _ -> {}),
          pressing("plan/route?sel=step-10", "^Settings"),
          pressing("plan/route?sel=step-10", "^Content"),
          new Scene("plan/route?sel=module-2", _ -> {}),
          new Scene("plan/route?sel=course", _ -> {}),
          pressing("plan/route", "^Add step"),
          pressing("plan/route", "^Add module"),
          choosing("plan/route", "main [role=listitem] input[type=checkbox]"),
          choosing("teach/marking", "[data-list] button"),
          choosing("teach/practicals", "main input[type=checkbox]"),
          choosing("watch/progress", "[aria-rowindex='3'] input", "[aria-rowindex='4']"),
          pressing("watch/progress", "^Enrol learners"),
          choosing("watch/mastery", "[aria-rowindex='4'] [role=gridcell].cell"),
          choosing("reach/follow-up", "li input", "li button"),
          new Scene(
              "reach/follow-up",
              page -> {
                page.locator("li input").first().click();
                buttonLike(page, "^Write to").click();
              }));

  @Test
  void nothing_that_opens_or_is_chosen_has_barriers() throws IOException {
    String axe = Files.readString(Path.of("../web/node_modules/axe-core/axe.min.js"));
    var barriers = new SoftAssertions();
    for (Page page :
        List.of(school.signedIn("odalys"), school.signedIn("odalys", 320, ColorScheme.DARK)))
      for (Scene scene : SCENES) {
        go(page, "/c/3/" + scene.view);
        page.locator("main").waitFor();
        scene.open.accept(page);
        check(barriers, page, axe, scene.view + " with something open");
        Object width = page.evaluate("document.documentElement.scrollWidth - innerWidth");
        barriers
            .assertThat(((Number) width).intValue())
            .as(scene.view + " scrolls in one direction")
            .isLessThanOrEqualTo(0);
      }
    barriers.assertAll();
  }

  private static void visit(SoftAssertions barriers, Page page, String axe, String view) {
    go(page, view);
    page.locator("main").waitFor();
    check(barriers, page, axe, view);
  }

  @SuppressWarnings("unchecked") // axe answers with plain maps
  private static void check(SoftAssertions barriers, Page page, String axe, String view) {
    page.waitForTimeout(700);
    page.evaluate(axe + "; undefined");
    var found =
        (List<Map<String, Object>>)
            page.evaluate(
                "axe.run(document, {resultTypes: ['violations'], runOnly: ['wcag2a', 'wcag2aa',"
                    + " 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']}).then(r => r.violations"
                    + ".map(v => ({id: v.id, help: v.help, nodes: v.nodes.slice(0, 3).map(n => n.html).join(' | ')})))");
    barriers.assertThat(found).as(view).isEmpty();
  }
}
