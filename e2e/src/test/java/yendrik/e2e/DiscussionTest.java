package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static java.nio.charset.StandardCharsets.UTF_8;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import org.junit.jupiter.api.Test;

/** Two learners and a facilitator write to each other, each in a browser of their own. */
class DiscussionTest extends BrowserTest {
  private static Locator editor(Page page, String label) {
    return page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(label));
  }

  private static Locator post(Page page, String text) {
    return page.getByRole(AriaRole.ARTICLE).filter(new Locator.FilterOptions().setHasText(text));
  }

  @Test
  void what_one_writes_the_others_read_without_loading_the_page_again() {
    Course course = school.course("Talk");
    long step = course.step(course.module("Wheels"), "DISCUSSION", "What does it sound like?");
    course.publish();
    course.enrol("edda", "juno");
    Page edda = school.signedIn("edda");
    Page juno = school.signedIn("juno");
    go(edda, course.view("my/steps/" + step));
    go(juno, course.view("my/steps/" + step));
    assertThat(juno.getByText("Nobody has written yet.")).isVisible();

    button(edda, "Write a post …").click();
    editor(edda, "Your post").pressSequentially("It hums at one speed only.");
    edda.locator("input[type=file]")
        .setInputFiles(new FilePayload("hum.txt", "text/plain", "hum".getBytes(UTF_8)));
    assertThat(edda.getByText("hum.txt")).isVisible();
    button(edda, "Send").click();
    assertThat(edda.getByText("Done", new Page.GetByTextOptions().setExact(true))).isVisible();

    assertThat(post(juno, "It hums at one speed only.")).isVisible();
    assertThat(post(juno, "hum.txt").getByText("new")).isVisible();
    button(juno, "Reply to Edda Marsh").click();
    editor(juno, "Reply to Edda Marsh").pressSequentially("The tyre?");
    editor(juno, "Reply to Edda Marsh").press("Control+Enter");
    assertThat(post(edda, "The tyre?")).isVisible();

    Page tomas = school.signedIn("tomas");
    go(tomas, course.view("teach/discussions"));
    assertThat(tomas.getByText("2 posts, 2 new")).isVisible();
    button(tomas, "Take away the post by Juno Abara").click();
    assertThat(tomas.getByText("removed by Tomas Weir")).isVisible();
    assertThat(post(edda, "The tyre?")).hasCount(0);
    button(tomas, "Put back").click();
    assertThat(post(edda, "The tyre?")).isVisible();
  }

  @Test
  void a_text_that_was_not_sent_is_there_again_for_whoever_wrote_it() {
    Course course = school.course("Unsent");
    long step = course.step(course.module("Wheels"), "JOURNAL", "Bench journal");
    course.publish();
    course.enrol("edda");
    Page edda = school.signedIn("edda");
    go(edda, course.view("my/steps/" + step));
    button(edda, "Write an entry …").click();
    editor(edda, "Your entry").pressSequentially("Cut a cable too short.");
    edda.route("**/posts", route -> route.abort("connectionreset"));
    assertThat(edda.getByRole(AriaRole.ALERT).first()).isVisible();
    assertThat(editor(edda, "Your entry")).containsText("Cut a cable too short.");
    edda.unroute("**/posts");
    edda.reload();
    button(edda, "Write an entry …").click();
    assertThat(editor(edda, "Your entry")).containsText("Cut a cable too short.");
    button(edda, "Send").click();
    assertThat(post(edda, "Cut a cable too short.")).isVisible();
    button(edda, "Write an entry …").click();
    assertThat(editor(edda, "Your entry")).hasText("");
  }
}
