package yendrik.server.design;

import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Files in formatted text: pictures, films and files to save are named by their numbers. */
public final class TextFiles {
  private static final Pattern NAMED = Pattern.compile("data-file=\"(\\d{1,18})\"");

  private TextFiles() {}

  /** The files that a text shows. */
  public static Set<Long> of(String html) {
    return NAMED
        .matcher(html)
        .results()
        .map(r -> Long.parseLong(r.group(1)))
        .collect(Collectors.toSet());
  }

  /** A text as it is shown to somebody who finds its files at an address, after a slash. */
  public static String at(String address, String html) {
    return NAMED.matcher(html).replaceAll(r -> shown(address, r));
  }

  private static String shown(String address, MatchResult named) {
    return java.util.regex.Matcher.quoteReplacement(
        named.group() + " src=\"" + address + "/" + named.group(1) + "\"");
  }
}
