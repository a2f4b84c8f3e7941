package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A badge goes to the wallet of its holder, is checked there, and is not doubled. */
class WalletTest extends BrowserTest {
  @Test
  void a_badge_is_sent_to_a_wallet_that_checks_it_by_itself() {
    Page ilse = school.signedIn("ilse");
    ilse.navigate(school.address + "/c/3/my/badges");
    send(ilse, "Send to keepsake");
    assertThat(ilse.getByText("wants to put badges into your wallet")).isVisible();
    ilse.getByLabel("Name").fill("Ilse");
    ilse.getByLabel("Passphrase").fill("hollow-lane");
    ilse.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Go on")).click();
    assertThat(ilse).hasURL(school.address + "/c/3/my/badges");
    assertThat(ilse.getByText("The badge is in keepsake")).isVisible();
    assertThat(ilse.getByText(Pattern.compile("Sent .* to"))).hasCount(1);
    send(ilse, "Send to keepsake again");
    assertThat(ilse.getByText("in keepsake is up to date")).isVisible();
    Page wallet = ilse.context().newPage();
    wallet.navigate(school.keepsake.address());
    wallet.getByLabel("Name").fill("Ilse");
    wallet.getByLabel("Passphrase").fill("hollow-lane");
    wallet.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Go on")).click();
    Locator kept = wallet.locator("article");
    assertThat(kept).hasCount(1);
    assertThat(kept).containsText("Signed as it stands.");
    assertThat(kept).not().containsText("cannot be told");
    wallet.close();
  }

  private static void send(Page page, String how) {
    page.getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Take along .+")))
        .first()
        .click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(how).setExact(true))
        .click();
  }
}
