package yendrik.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** Takes the pictures of docs/screenshots from a fresh demo; {@code ./yendrik shots}. */
@EnabledIfSystemProperty(named = "yendrik.shots", matches = "true")
class Shots {
  private static final Path FOLDER = Path.of("../docs/screenshots");
  private static final int SETTLE_MILLIS = 1_200;

  @Test
  void every_main_view_has_a_picture() throws Exception {
    Files.createDirectories(FOLDER);
    try (var school = new School()) {
      Page staff = school.signedIn("odalys");
      take(staff, school, "plan/outcomes", "plan-outcomes");
      go(staff, school, "plan/questions");
      staff.getByText("Which thread does the left pedal have?").click();
      shoot(staff, "plan-questions");
      go(staff, school, "plan/route");
      staff.getByText("Brake set-up practical", new Page.GetByTextOptions().setExact(true)).click();
      shoot(staff, "plan-route");
      go(staff, school, "plan/route?as=map");
      staff
          .getByRole(
              AriaRole.BUTTON,
              new Page.GetByRoleOptions().setName(Pattern.compile("^Pads, cables, levers\\.")))
          .click();
      shoot(staff, "plan-map");
      go(staff, school, "plan/badges");
      staff.getByText("True Wheel").click();
      BrowserTest.button(staff, "Draw").click();
      shoot(staff, "plan-badges");
      go(staff, school, "plan/badges");
      staff.getByText("Foundations certificate").click();
      BrowserTest.button(staff, "On paper").click();
      staff.getByAltText("Foundations certificate, as it will print").waitFor();
      shoot(staff, "plan-certificate");
      take(staff, school, "plan/check?show=rehearsals&sel=1.5.18", "plan-rehearsals");
      go(staff, school, "watch/progress");
      staff.getByText("Juno Abara").click();
      shoot(staff, "watch-progress");
      go(staff, school, "watch/mastery");
      staff
          .getByRole(
              AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("Femi Strand")))
          .getByRole(AriaRole.GRIDCELL)
          .nth(3)
          .click();
      shoot(staff, "watch-mastery");
      go(staff, school, "watch/quizzes");
      staff.getByText("Pads, cables, levers").first().click();
      staff.waitForTimeout(SETTLE_MILLIS);
      staff.locator("tbody button").first().click();
      shoot(staff, "watch-quizzes");
      take(staff, school, "watch/completion", "watch-completion");
      take(staff, school, "reach/follow-up", "reach-follow-up");
      go(staff, school, "teach/marking");
      staff.getByText(Pattern.compile("^Celeste")).click();
      shoot(staff, "teach-marking");
      take(staff, school, "teach/practicals", "teach-practicals");
      take(staff, school, "teach/register", "teach-register");
      take(school.signedIn("bashir"), school, "my/route", "learner-route");
      take(school.signedIn("ilse"), school, "my/calendar", "learner-calendar");
      Page film = school.signedIn("aiko");
      go(film, school, "my/route");
      film.getByText("Watch", new Page.GetByTextOptions().setExact(true)).first().click();
      shoot(film, "learner-film");
      Page phone = school.signedIn("edda", 390, ColorScheme.DARK);
      take(phone, school, "my/route", "learner-route-phone-dark");
    }
    try (var pictures = Files.list(FOLDER)) {
      assertThat(pictures).hasSizeBetween(10, 19);
    }
  }

  private static void go(Page page, School school, String view) {
    page.navigate(school.address + "/c/3/" + view);
    page.waitForTimeout(SETTLE_MILLIS);
  }

  private static void take(Page page, School school, String view, String name) {
    go(page, school, view);
    shoot(page, name);
  }

  private static void shoot(Page page, String name) {
    page.waitForTimeout(SETTLE_MILLIS);
    page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
  }
}
