package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A text is written with all that may stand in it, and its learner sees the same. */
class EditorTest extends BrowserTest {
  private Course course;
  private long step;

  @BeforeEach
  void aPage() {
    course = school.course("Texts");
    step = course.step(course.module("Tubes"), "PAGE", "How a patch holds");
  }

  private Locator write(Page page) {
    go(page, course.view("plan/route?sel=step-" + step));
    button(page, "Content").click();
    Locator text = page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Text"));
    text.click();
    return text;
  }

  private void insert(Page page, String what) {
    button(page, "Insert ▾").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(what)).click();
    // as long as the menu goes away, keys are the menu's
    assertThat(page.getByRole(AriaRole.MENU)).hasCount(0);
  }

  @Test
  void a_picture_a_table_and_a_formula_stand_in_a_text_for_its_author_and_its_learner() {
    Page page = school.signedIn("odalys");
    write(page);
    page.keyboard().type("Rub until it is dull.");
    page.keyboard().press("Enter");
    insert(page, "Formula …");
    page.getByLabel("Formula in LaTeX").fill("F = m \\cdot a");
    button(page, "Put in").click();
    assertThat(page.locator(".ProseMirror math")).isVisible();
    insert(page, "Picture …");
    page.locator("input[type=file]").last().setInputFiles(DOT);
    page.getByLabel("What it shows, in words").fill("A patch on a tube");
    button(page, "Put in").click();
    assertThat(page.locator(".ProseMirror img[alt='A patch on a tube']")).isVisible();
    page.keyboard().press("ArrowRight");
    insert(page, "Table");
    page.keyboard().type("Size");
    button(page, "Rules").click();
    assertThat(page.getByText("All changes saved").or(page.getByText("Saved"))).isVisible();

    course.publish();
    course.enrol("aiko");
    Page aiko = school.signedIn("aiko");
    go(aiko, course.view("my/steps/" + step));
    assertThat(aiko.getByText("Rub until it is dull.")).isVisible();
    assertThat(aiko.locator("main math")).isVisible();
    Locator picture = aiko.getByAltText("A patch on a tube");
    assertThat(picture).isVisible();
    Assertions.assertThat(picture.evaluate("i => i.naturalWidth")).isEqualTo(1);
    assertThat(aiko.locator("main th").first()).hasText("Size");
  }

  @Test
  void what_was_typed_when_the_page_went_is_put_back() {
    Page page = school.signedIn("odalys");
    write(page);
    page.keyboard().type("Never saved.");
    page.route("**/design/steps/*", r -> r.abort("connectionreset"));
    page.reload();
    page.unroute("**/design/steps/*");
    write(page);
    button(page, "Put it back").click();
    assertThat(page.getByText("Never saved.")).isVisible();
  }
}
