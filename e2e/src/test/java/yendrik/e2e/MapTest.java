package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The route as a map, and rules as text. */
class MapTest extends BrowserTest {
  @Test
  void a_rule_pasted_as_text_is_an_arrow_on_the_map_which_is_walked_and_saved() throws IOException {
    Course course = school.course("Mapped");
    long module = course.module("Threads");
    course.step(module, "PAGE", "Two threads");
    course.step(module, "PAGE", "Left pedal");
    Page designer = school.signedIn("odalys");
    go(designer, course.view("plan/route"));
    button(designer, "Left pedal").click();
    button(designer, "“Opens when” as text").click();
    Locator text =
        designer.getByRole(
            AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("“Opens when” as text"));
    text.fill("2 days after (\"Two thread\" read)");
    button(designer, "Take this rule").click();
    assertThat(designer.getByText("The course has no step “Two thread”.")).isVisible();
    text.fill("2 days after (\"Two threads\" read)");
    button(designer, "Take this rule").click();
    assertThat(text).isHidden();
    assertThat(
            designer.getByRole(
                AriaRole.SPINBUTTON, new Page.GetByRoleOptions().setName("Days to wait")))
        .hasValue("2");

    button(designer, "Map").click();
    Locator first = buttonLike(designer, "^Two threads\\. .*1 leads on");
    assertThat(first).isVisible();
    first.focus();
    first.press("Enter");
    assertThat(designer.getByText("Following", new Page.GetByTextOptions().setExact(false)))
        .containsText("Two threads");
    Download file = designer.waitForDownload(() -> button(designer, "Save as SVG").click());
    assertThat(Files.readString(file.path())).startsWith("<svg").contains("Left pedal");
    first.press("f");
    assertThat(first).isHidden();
    assertThat(buttonLike(designer, "^1 Threads\\.")).isVisible();
    button(designer, "Outline").click();
    assertThat(
            designer.getByRole(
                AriaRole.LIST, new Page.GetByRoleOptions().setName(Pattern.compile("oute|utline"))))
        .isVisible();
  }
}
