package yendrik.server.http;

import java.util.regex.Pattern;
import org.owasp.html.HtmlPolicyBuilder;
import org.owasp.html.PolicyFactory;

/**
 * Formatted text with everything taken out that could do something. Pictures, films and files are
 * named by their numbers ({@code data-file}) and get their addresses where they are shown; a
 * formula is its source ({@code data-formula}).
 */
public final class SafeHtml {
  private static final Pattern NUMBER = Pattern.compile("[1-9]\\d{0,3}");
  private static final Pattern FILE = Pattern.compile("[1-9]\\d{0,17}");
  private static final Pattern LANGUAGE = Pattern.compile("language-[a-z0-9+#-]{1,20}");
  private static final Pattern FORMULA = Pattern.compile("[\\s\\S]{1,2000}");
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
              "sub",
              "sup",
              "a",
              "table",
              "thead",
              "tbody",
              "tr",
              "th",
              "td",
              "img",
              "video",
              "audio",
              "span",
              "div")
          .allowAttributes("href")
          .onElements("a")
          .allowAttributes("start")
          .matching(NUMBER)
          .onElements("ol")
          .allowAttributes("colspan", "rowspan")
          .matching(NUMBER)
          .onElements("th", "td")
          .allowAttributes("data-file")
          .matching(FILE)
          .onElements("a", "img", "video", "audio")
          .allowAttributes("alt")
          .onElements("img")
          .allowAttributes("width")
          .matching(NUMBER)
          .onElements("img", "video")
          .allowAttributes("aria-label")
          .onElements("video", "audio")
          .allowAttributes("class")
          .matching(LANGUAGE)
          .onElements("code")
          .allowAttributes("data-formula")
          .matching(FORMULA)
          .onElements("span", "div")
          .allowStandardUrlProtocols()
          .requireRelNofollowOnLinks()
          .toFactory();

  private SafeHtml() {}

  public static String of(String html) {
    return POLICY.sanitize(html);
  }
}
