package yendrik.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.util.Base64;
import java.util.regex.Pattern;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.extension.ExtensionContext;

/** What tests before a real browser share: one school for all of them, and how things are found. */
@ExtendWith(BrowserTest.OneSchool.class)
abstract class BrowserTest {
  /** A picture of one point. */
  static final FilePayload DOT =
      new FilePayload(
          "dot.png",
          "image/png",
          Base64.getDecoder()
              .decode(
                  "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=="));

  static School school;

  /** Opens the school for the first test and closes it after the last. */
  static final class OneSchool implements BeforeAllCallback, AfterTestExecutionCallback {
    @Override
    public void beforeAll(ExtensionContext test) {
      school =
          test.getRoot()
              .getStore(ExtensionContext.Namespace.GLOBAL)
              .computeIfAbsent(School.class, _ -> new School(), School.class);
    }

    @Override
    public void afterTestExecution(ExtensionContext test) {
      if (test.getExecutionException().isPresent()) school.keepPictures(test.getDisplayName());
    }
  }

  static Locator button(Page page, String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  static Locator link(Page page, String name) {
    return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  static void go(Page page, String path) {
    page.navigate(school.address + path);
  }

  /** Takes the first condition that is proposed for what is typed under a rule. */
  static void asks(Page page, String rule, String typed, String proposal) {
    page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(rule))
        .getByRole(AriaRole.COMBOBOX)
        .fill(typed);
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile(proposal)))
        .first()
        .click();
  }

  /** A button whose name is like this. */
  static Locator buttonLike(Page page, String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(name)));
  }
}
