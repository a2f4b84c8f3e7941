package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** From an administrator who adds somebody to their first sight of the school, and back in. */
class PeopleTest extends BrowserTest {
  private static final String ADDRESS = "kai@hollowlane.example";
  private static final Pattern LINK = Pattern.compile("/password#\\S+");

  @Test
  void somebody_who_is_added_enters_by_letter_and_again_after_forgetting_the_password() {
    Page page = school.signedIn("sefa");
    page.getByTitle("Change course").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("People").setExact(true))
        .click();
    button(page, "Add people …").click();
    page.getByLabel("Names and addresses, one person a line").fill("Kai Strand <" + ADDRESS + ">");
    button(page, "Add 1 person").click();
    assertThat(page.getByText("1 person added; a letter with a link is on its way.")).isVisible();
    button(page, "Close").click();
    assertThat(page.getByText(ADDRESS)).isVisible();
    signOut(page);

    setPassword(page, 1, "lantern goose ochre");
    signIn(page, "lantern goose ochre");
    assertThat(page.getByText(Pattern.compile("You are in no course yet"))).isVisible();
    signOut(page);

    page.getByText("Forgotten your password?").click();
    page.getByLabel("E-mail address").fill(ADDRESS);
    button(page, "Send link").click();
    assertThat(page.getByText(Pattern.compile("a letter is on its way"))).isVisible();
    setPassword(page, 2, "harbour button violin");
    signIn(page, "harbour button violin");
    assertThat(page.getByText(Pattern.compile("You are in no course yet"))).isVisible();
  }

  private void signOut(Page page) {
    page.getByLabel(Pattern.compile(", account of ")).click();
    page.getByText("Sign out", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByLabel("Password")).isVisible();
  }

  private void signIn(Page page, String password) {
    assertThat(page.getByLabel("E-mail address")).hasValue(ADDRESS);
    page.getByLabel("Password").fill(password);
    button(page, "Sign in").click();
  }

  /** Opens the link of the newest of so many letters. */
  private void setPassword(Page page, int letters, String password) {
    page.waitForCondition(() -> toKai().size() == letters);
    Matcher link = LINK.matcher(toKai().getFirst());
    assertThat(link.find()).isTrue();
    go(page, link.group());
    page.getByLabel("New password").fill(password);
    button(page, "Set password").click();
    assertThat(page.getByText("Your password is set. Sign in with it.")).isVisible();
  }

  private static List<String> toKai() {
    return school.mailroom.letters().stream()
        .filter(l -> l.to().equals(ADDRESS))
        .map(l -> l.body())
        .toList();
  }
}
