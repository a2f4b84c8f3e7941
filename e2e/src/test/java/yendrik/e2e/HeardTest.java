package yendrik.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * What a screen reader is told in each view, and where the Tab key stops in it, kept as text beside
 * this test. {@code -Dyendrik.heard.write=true} writes it anew.
 */
class HeardTest extends BrowserTest {
  private static final Path KEPT = Path.of("src/test/resources/heard");
  private static final boolean WRITES = Boolean.getBoolean("yendrik.heard.write");
  private static final int MOST_STOPS = 150;
  private static final int MOST_LOOKS = 40;

  private static final List<String> STAFF =
      List.of(
          "plan/outcomes",
          "plan/rubrics",
          "plan/route",
          "plan/questions",
          "plan/badges",
          "plan/check",
          "plan/history",
          "teach/marking",
          "teach/practicals",
          "teach/discussions",
          "teach/approvals",
          "teach/register",
          "teach/exceptions",
          "watch/progress",
          "watch/completion",
          "watch/mastery",
          "watch/grades",
          "watch/badges",
          "watch/quizzes",
          "reach/follow-up",
          "reach/messages",
          "course/roster",
          "course/wording");

  private static final List<String> LEARNER =
      List.of("my/route", "my/outcomes", "my/badges", "my/calendar", "my/messages");

  private static Course course;
  private static final Map<String, Long> OPENED = new LinkedHashMap<>();

  @BeforeAll
  static void aSmallCourseInWhichSomethingHappened() {
    course = school.course("Brakes by ear");
    long module = course.module("Brakes");
    long outcome = course.outcome("BR1", "Adjusts brakes");
    long page = course.step(module, "PAGE", "How a rim brake works");
    long quiz = course.step(module, "QUIZ", "Brakes quiz");
    course.ask(quiz, "What squeals?", "The pad", "The rim");
    course.change(quiz, e -> Course.tie(e, outcome));
    long task = course.step(module, "ASSIGNMENT", "Brake job card");
    course.change(
        task,
        e -> {
          Course.tie(e, outcome);
          e.put("dueAt", "2026-11-20T17:00:00Z");
        });
    course.rubric("Job card", outcome, "Legible", "Complete");
    course.badge("Brake Hand", course.ask("step-done", "step", task));
    course.publish();
    course.enrol("gwen", "ilse");
    course.visit("gwen", page);
    course.attempt("gwen", quiz, 0);
    course.handIn("gwen", task, "Cable, pads, toe-in.");
    course.rate("Gwen Takeda", outcome, 1);
    OPENED.put("module", module);
    OPENED.put("outcome", outcome);
    OPENED.put("quiz", quiz);
    OPENED.put("task", task);
  }

  @Test
  void each_view_says_what_it_says_and_stops_where_it_stops() throws IOException {
    var differences = new SoftAssertions();
    Page staff = school.signedIn("odalys");
    for (String view : STAFF) hear(differences, staff, view, view);
    hear(differences, staff, "plan/route?sel=step-" + OPENED.get("quiz"), "plan/route, a quiz");
    hear(differences, staff, "plan/route?sel=module-" + OPENED.get("module"), "plan/route, module");
    hear(differences, staff, "plan/outcomes?sel=" + OPENED.get("outcome"), "plan/outcomes, one");
    Page learner = school.signedIn("gwen");
    for (String view : LEARNER) hear(differences, learner, view, view);
    hear(differences, learner, "my/steps/" + OPENED.get("quiz"), "my/steps, a quiz");
    hear(differences, learner, "my/steps/" + OPENED.get("task"), "my/steps, an assignment");
    differences.assertAll();
  }

  /** What stands there changes with every test; where the focus goes does not depend on it. */
  @Test
  void the_views_of_the_institution_are_gone_through_by_keys() {
    var differences = new SoftAssertions();
    Page administrator = school.signedIn("sefa");
    for (String view :
        List.of("/institution/people?sel=2", "/institution/look", "/institution/accounts")) {
      go(administrator, view);
      atRest(administrator);
      differences.assertThat(walk(differences, administrator, view)).as(view).isNotEmpty();
    }
    differences.assertAll();
  }

  private static void hear(SoftAssertions differences, Page page, String view, String name)
      throws IOException {
    go(page, course.view(view));
    String heard = evergreen(beside(atRest(page))) + "\n\nTab:\n" + walk(differences, page, name);
    Path kept = KEPT.resolve(name.replaceAll("[^a-z]+", "-") + ".txt");
    if (WRITES) {
      Files.createDirectories(KEPT);
      Files.writeString(kept, heard);
    } else differences.assertThat(heard).as(name).isEqualTo(Files.readString(kept));
  }

  /** What is said once nothing is on its way any more. */
  private static String atRest(Page page) {
    page.locator("main").first().waitFor();
    String before = "";
    String now = page.locator("body").ariaSnapshot();
    int same = 0;
    for (int n = 0; n < MOST_LOOKS && same < 3; n++) {
      page.waitForTimeout(300);
      before = now;
      now = page.locator("body").ariaSnapshot();
      same = now.equals(before) ? same + 1 : 0;
    }
    return now;
  }

  /** Without what differs from run to run: numbers of things, and times of the day. */
  private static String evergreen(String heard) {
    return heard
        .lines()
        .map(line -> line.contains("/url:") ? line.replaceAll("\\d+", "#") : line)
        .map(line -> line.replaceAll("\\b\\d\\d:\\d\\d\\b", "hh:mm"))
        .reduce((a, b) -> a + "\n" + b)
        .orElse("");
  }

  /** What stands beside the bands that all views have. */
  private static String beside(String heard) {
    var kept = new StringBuilder();
    boolean keeps = true;
    for (String line : heard.lines().toList()) {
      if (line.startsWith("- ")) keeps = !line.matches("- (banner|link \"To the main part).*");
      if (keeps) kept.append(line).append('\n');
    }
    return kept.toString();
  }

  /** Goes through a view with the Tab key until it comes round, and says where it stopped. */
  private static String walk(SoftAssertions differences, Page page, String name) {
    var stops = new StringBuilder();
    page.evaluate("document.activeElement?.blur()");
    for (int n = 0; n < MOST_STOPS; n++) {
      page.keyboard().press("Tab");
      String place = (String) page.evaluate(PLACE);
      if (place.equals("gone")) return stops.toString();
      if (place.equals("band")) continue;
      Locator here = page.locator("*:focus").first();
      String told = evergreen(here.ariaSnapshot()).lines().findFirst().orElse("").strip();
      differences
          .assertThat(told)
          .as(name + ": what has the focus has a name")
          .matches("- (main:?|'?\\w+ .+)");
      differences
          .assertThat((boolean) here.evaluate(IN_SIGHT))
          .as(name + ": in sight with the focus: " + told)
          .isTrue();
      stops.append(told.replaceFirst(":$", "")).append('\n');
    }
    differences.fail(name + ": the Tab key does not come round within " + MOST_STOPS + " stops");
    return stops.toString();
  }

  /** Whether the focus is in the bands of all views, in the view, or in neither. */
  private static final String PLACE =
      """
      () => {
        const at = document.activeElement;
        if (!at || at === document.body || at.dataset.was) return 'gone';
        at.dataset.was = 'here';
        return at.closest('header') || at.matches('a[href="#main"]') ? 'band' : 'view';
      }
      """;

  /** Whether something, or the label that shows it, is on the screen with nothing before it. */
  private static final String IN_SIGHT =
      """
      el => {
        const seen = el.matches('input') ? (el.closest('label, .MuiInputBase-root, span') ?? el) : el;
        const box = seen.getBoundingClientRect();
        const x = Math.min(Math.max(box.left + box.width / 2, 0), innerWidth - 1);
        const y = Math.min(Math.max(box.top + Math.min(box.height / 2, 20), 0), innerHeight - 1);
        const top = document.elementFromPoint(x, y);
        return box.width > 0 && box.height > 0 && !!top && (seen.contains(top) || top.contains(seen));
      }
      """;
}
