package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The frame around every view: sessions, tabs, what cannot be fetched, what is loaded. */
class FrameTest extends BrowserTest {
  private static Course course;

  @BeforeAll
  static void aCourse() {
    course = school.course("Frame");
    course.outcome("BENCH", "Keep a bench in order");
    long module = course.module("Bench");
    long page = course.step(module, "PAGE", "Your bench");
    course.step(module, "ASSIGNMENT", "A drawing of your bench");
    course.publish();
    course.enrol("ilse", "juno");
    course.visit("ilse", page);
  }

  @Test
  void the_session_cannot_be_read_by_scripts_and_ends_with_signing_out() {
    Page page = school.signedIn("ilse");
    var session =
        page.context().cookies().stream()
            .filter(c -> c.name.equals("yendrik"))
            .findFirst()
            .orElseThrow();
    assertThat(session.httpOnly).isTrue();
    page.getByLabel("Account of Ilse Tran").click();
    page.getByText("Sign out").click();
    assertThat(page.getByLabel("Password")).isVisible();
    go(page, course.view("my/route"));
    assertThat(page.getByLabel("Password")).isVisible();
  }

  @Test
  void somebody_signed_out_while_working_signs_in_over_the_page_and_what_they_did_is_kept() {
    Page page = school.signedIn("odalys");
    go(page, course.view("plan/route"));
    button(page, "Your bench").click();
    page.context().clearCookies(new BrowserContext.ClearCookiesOptions().setName("yendrik"));
    page.getByLabel("Name").first().fill("Your bench and its light");
    page.keyboard().press("Tab");
    Locator again = page.getByRole(AriaRole.DIALOG).filter(containing("Sign in to go on"));
    again.getByLabel("Password").fill("hollow-lane");
    page.keyboard().press("Enter");
    assertThat(again).isHidden();
    assertThat(button(page, "Your bench and its light")).isVisible();
    page.reload();
    assertThat(button(page, "Your bench and its light")).isVisible();
  }

  private static Page.GetByRoleOptions named(String name) {
    return new Page.GetByRoleOptions().setName(name);
  }

  private static Locator.FilterOptions containing(String text) {
    return new Locator.FilterOptions().setHasText(text);
  }

  @Test
  void anything_is_found_by_typing_and_an_act_is_done_where_it_belongs() {
    Page page = school.signedIn("odalys");
    go(page, course.view("watch/progress"));
    assertThat(page.getByText("Juno Abara").first()).isVisible();
    assertThat(page).hasTitle(Pattern.compile("^Progress · Frame"));
    page.keyboard().press("Control+k");
    Locator found = page.getByRole(AriaRole.OPTION);
    Locator find = page.getByRole(AriaRole.COMBOBOX, named("Find or do"));
    // at once, as hands do: the dialog may not be there yet
    page.keyboard().type("keep a bench");
    assertThat(find).hasValue("keep a bench");
    assertThat(found).hasCount(1);
    page.keyboard().press("Enter");
    assertThat(page).hasURL(Pattern.compile("plan/outcomes\\?sel=\\d+$"));
    page.keyboard().press("Control+k");
    find.fill("add a mod");
    assertThat(found).hasCount(1);
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Name of the module")).isFocused();
    page.keyboard().type("Spare parts\n");
    assertThat(page).hasURL(Pattern.compile("plan/route\\?sel=module-\\d+$"));
    Locator spare = page.getByRole(AriaRole.LISTITEM).filter(containing("Spare parts"));
    page.reload();
    assertThat(page.getByLabel("Name of the module")).hasCount(0);
    assertThat(spare).hasCount(1);
    button(page, "Undo: “Spare parts” added").click();
    assertThat(page.getByText("Undone: “Spare parts” added")).isVisible();
    assertThat(spare).hasCount(0);
  }

  @Test
  void the_first_load_of_a_learner_stays_small() {
    Page page = school.signedIn("ilse");
    go(page, course.view("my/route"));
    page.locator("main h1").first().waitFor();
    assertThat(transferred(page)).as("kB of scripts, styles and fonts").isBetween(100.0, 210.0);
  }

  @Test
  void eight_tabs_of_a_browser_work_beside_each_other() {
    Page first = school.signedIn("tomas");
    go(first, course.view("watch/progress"));
    for (int n = 0; n < 7; n++) {
      Page tab = first.context().newPage();
      go(tab, course.view("watch/progress"));
      assertThat(tab.getByText("Juno Abara").first()).isVisible();
    }
    link(first, "Mastery").first().click();
    assertThat(first.getByText("Juno Abara").first()).isVisible();
  }

  @Test
  void a_view_that_cannot_be_fetched_leaves_the_frame_and_a_way_back() {
    Page page = school.signedIn("tomas");
    go(page, course.view("watch/progress"));
    assertThat(page.getByText("Juno Abara").first()).isVisible();
    page.route("**/assets/Grades*", route -> route.abort());
    link(page, "Grades").first().click();
    assertThat(page.getByText("This part could not be fetched.")).isVisible();
    link(page, "Mastery").first().click();
    assertThat(page.getByText("Juno Abara").first()).isVisible();
    page.unroute("**/assets/Grades*");
    link(page, "Grades").first().click();
    button(page, "Try again").click();
    assertThat(page.getByText("Juno Abara").first()).isVisible();
  }

  /**
   * Everything but the answers of the server, as it came over the wire, in units of 1,000 bytes.
   */
  private static double transferred(Page page) {
    Object bytes =
        page.evaluate(
            "performance.getEntriesByType('resource').filter(r => !r.name.includes('/api/'))"
                + ".concat(performance.getEntriesByType('navigation'))"
                + ".reduce((sum, r) => sum + (r.encodedBodySize || r.transferSize), 0)");
    double sum = ((Number) bytes).doubleValue() / 1000;
    System.out.printf("first load of %s: %.0f kB%n", page.url(), sum);
    return sum;
  }
}
