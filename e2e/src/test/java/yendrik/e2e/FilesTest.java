package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.io.InputStream;
import java.util.concurrent.atomic.AtomicInteger;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Files are chosen in the browser, and come through a connection that breaks. */
class FilesTest extends BrowserTest {
  private static final String TEST_FILE =
      "X5O!P%@AP[4\\PZX54(P^)7CC)7}$EICAR-" + "STANDARD-ANTIVIRUS-TEST-FILE!$H+H*";

  private static byte[] film() throws IOException {
    try (InputStream in = FilesTest.class.getResourceAsStream("/demo/films/toe-in.webm")) {
      return in.readAllBytes();
    }
  }

  @Test
  void a_film_comes_in_though_the_connection_breaks_and_the_standard_test_file_does_not()
      throws IOException {
    Course course = school.course("Files");
    long step = course.step(course.module("Brakes"), "VIDEO", "Toe-in");
    Page page = school.signedIn("odalys");
    var pieces = new AtomicInteger();
    page.route(
        "**/api/uploads/*",
        route -> {
          boolean first = route.request().method().equals("PATCH") && pieces.getAndIncrement() == 0;
          if (first) route.abort("connectionreset");
          else route.resume();
        });
    go(page, course.view("plan/route?sel=step-" + step));
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Content")).click();
    Locator input = page.locator("input[type=file][aria-label=Film]");
    input.setInputFiles(new FilePayload("toe-in.webm", "video/webm", film()));
    assertThat(page.getByText("toe-in.webm, 0:46")).isVisible();
    Assertions.assertThat(pieces.get()).isGreaterThan(1);

    byte[] both = new byte[film().length + TEST_FILE.length()];
    System.arraycopy(film(), 0, both, 0, film().length);
    System.arraycopy(TEST_FILE.getBytes(), 0, both, film().length, TEST_FILE.length());
    input.setInputFiles(new FilePayload("other.webm", "video/webm", both));
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("was found to be harmful");
    assertThat(page.getByText("toe-in.webm, 0:46")).isVisible();
  }
}
