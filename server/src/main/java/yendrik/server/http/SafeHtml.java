package yendrik.server.http;

import org.owasp.html.HtmlPolicyBuilder;
import org.owasp.html.PolicyFactory;

/** Formatted text with everything taken out that could do something. */
public final class SafeHtml {
  private static final PolicyFactory POLICY =
      new HtmlPolicyBuilder()
          .allowElements(
              "p",
              "h2",
              "h3",
              "h4",
              "ul",
              "ol",
              "li",
              "strong",
              "em",
              "u",
              "s",
              "code",
              "pre",
              "blockquote",
              "br",
              "hr",
              "a")
          .allowAttributes("href")
          .onElements("a")
          .allowStandardUrlProtocols()
          .requireRelNofollowOnLinks()
          .toFactory();

  private SafeHtml() {}

  public static String of(String html) {
    return POLICY.sanitize(html);
  }
}
