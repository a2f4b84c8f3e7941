package yendrik.server.design;

import java.util.List;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import yendrik.server.files.Files;

/** Files in formatted text: pictures, films and files to save are named by their numbers. */
public final class TextFiles {
  private static final Pattern NAMED = Pattern.compile("data-file=\"(\\d{1,18})\"");
  private static final Pattern SHOWN =
      Pattern.compile("<(a|img|video|audio)\\b[^>]*?data-file=\"(\\d{1,18})\"");

  private TextFiles() {}

  /** The files that a text shows. */
  public static Set<Long> of(String html) {
    return NAMED
        .matcher(html)
        .results()
        .map(r -> Long.parseLong(r.group(1)))
        .collect(Collectors.toSet());
  }

  /** Those of a text's files that do not stand in it. */
  public static List<Files.Kept> besides(String html, List<Files.Kept> files) {
    Set<Long> shown = of(html);
    return files.stream().filter(f -> !shown.contains(f.id())).toList();
  }

  /** A text as it is shown to somebody who finds its files at an address, after a slash. */
  public static String at(String address, String html) {
    return SHOWN
        .matcher(html)
        .replaceAll(r -> Matcher.quoteReplacement(r.group() + more(r.group(1), address, r)));
  }

  /** A text with the files that it shows in another course; those that did not come are gone. */
  static String carried(String html, Carrying to) {
    return NAMED
        .matcher(html)
        .replaceAll(r ->
            to.file(Long.parseLong(r.group(1))).map(f -> "data-file=\"" + f + "\"").orElse(""));
  }

  private static String more(String tag, String address, MatchResult named) {
    String at = address + "/" + named.group(2);
    return switch (tag) {
      case "a" -> " href=\"" + at + "\"";
      case "img" -> " src=\"" + at + "\"";
      default -> " src=\"" + at + "\" controls preload=\"metadata\"";
    };
  }
}
