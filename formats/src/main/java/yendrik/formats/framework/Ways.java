package yendrik.formats.framework;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yendrik.core.outcome.Composition;

/** Ways to combine parts as files name them: all, at least 2, mean, lowest. */
final class Ways {
  private static final Pattern AT_LEAST = Pattern.compile("at least (\\d{1,3})");

  private Ways() {}

  static String name(Composition.How how) {
    return switch (how) {
      case Composition.All _ -> "all";
      case Composition.AtLeast some -> "at least " + some.n();
      case Composition.Mean _ -> "mean";
      case Composition.Lowest _ -> "lowest";
    };
  }

  /** The way of a name; nothing said means all. */
  static Optional<Composition.How> of(String name) {
    String plain = name.strip().toLowerCase(Locale.ROOT);
    Matcher some = AT_LEAST.matcher(plain);
    if (some.matches() && Integer.parseInt(some.group(1)) > 0)
      return Optional.of(new Composition.AtLeast(Integer.parseInt(some.group(1))));
    return switch (plain) {
      case "", "all" -> Optional.of(new Composition.All());
      case "mean" -> Optional.of(new Composition.Mean());
      case "lowest" -> Optional.of(new Composition.Lowest());
      default -> Optional.empty();
    };
  }
}
