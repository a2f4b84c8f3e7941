package yendrik.core.rule.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import yendrik.core.course.CourseIndex;
import yendrik.core.outcome.Composed;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.Evidence;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.LevelRule;
import yendrik.core.outcome.Levels;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.record.LearnerRecord;
import yendrik.core.words.Numbers;

/**
 * Says how a level was found and what would change it. Levels in sums are numbered from 1, the
 * weakest.
 */
public final class LevelWords {
  private LevelWords() {}

  /** How an outcome's level is found: "The best piece of evidence counts.". */
  public static String method(Outcome outcome, CourseIndex index, Dates dates) {
    return outcome
        .madeOf()
        .map(made -> composition(made, index))
        .orElseGet(() -> rule(outcome.levelRule(), dates));
  }

  private static String rule(LevelRule rule, Dates dates) {
    String method =
        switch (rule.method()) {
          case LevelMethod.MostRecent _ -> "The newest piece of evidence counts.";
          case LevelMethod.Best _ -> "The best piece of evidence counts.";
          case LevelMethod.Mean _ -> "The weighted mean of all evidence counts, a tie going down.";
          case LevelMethod.RecencyWeighted m ->
              "Newer pieces count more: the weight halves with every "
                  + (m.halvesEvery() == 1 ? "piece." : m.halvesEvery() + " pieces.");
          case LevelMethod.Secure m ->
              "The level that " + m.times() + " of the last " + m.last() + " pieces reach counts.";
        };
    String fewest = rule.fewest() == 1 ? "" : " From " + rule.fewest() + " pieces on.";
    String since = rule.since().map(s -> " Evidence since " + dates.moment(s) + ".").orElse("");
    return method + fewest + since;
  }

  private static String composition(Composition made, CourseIndex index) {
    String parts = codes(made, index);
    return switch (made.how()) {
      case Composition.All _ -> "At mastery when all of " + parts + " are.";
      case Composition.AtLeast some ->
          "At mastery when at least " + some.n() + " of " + parts + " are.";
      case Composition.Mean _ -> "The mean of " + parts + ", once each has a level.";
      case Composition.Lowest _ -> "The lowest of " + parts + ", once each has a level.";
    };
  }

  private static String codes(Composition made, CourseIndex index) {
    return made.parts().stream()
        .map(index::number)
        .filter(n -> n != CourseIndex.UNKNOWN)
        .map(n -> index.outcome(n).code())
        .collect(Collectors.joining(", "));
  }

  /**
   * The computation with its numbers: "(3 + 4 + 4) / 3 = 3.67, nearest level 4 of 4". Empty where
   * the level is that of a single piece, or where there is none.
   */
  public static Optional<String> sum(LevelRule rule, Scale scale, List<Evidence> pieces) {
    Levels.Reckoning reckoning = Levels.reckon(rule, pieces);
    if (reckoning.level().isEmpty()) return Optional.empty();
    List<Levels.Counted> counted =
        reckoning.pieces().stream().filter(c -> c.use() == Levels.Use.COUNTED).toList();
    String result =
        " = "
            + number(reckoning.value() + 1)
            + ", nearest level "
            + (reckoning.level().getAsInt() + 1)
            + " of "
            + scale.levels().size();
    return switch (rule.method()) {
      case LevelMethod.Mean _ when counted.size() > 1 ->
          Optional.of(mean(counted.stream().map(Levels.Counted::piece).toList()) + result);
      case LevelMethod.RecencyWeighted _ when counted.size() > 1 ->
          Optional.of(faded(counted) + result);
      default -> Optional.empty();
    };
  }

  /** With the weight of each piece as it was halved; that of the newest is whole. */
  private static String faded(List<Levels.Counted> counted) {
    Levels.Counted newest = counted.getFirst();
    for (Levels.Counted c : counted) if (c.piece().at() >= newest.piece().at()) newest = c;
    double whole = newest.piece().weight() / newest.share();
    return "("
        + counted.stream()
            .map(c -> number(c.share() * whole) + "·" + (c.piece().level() + 1))
            .collect(Collectors.joining(" + "))
        + ") / "
        + number(whole);
  }

  private static String mean(List<Evidence> pieces) {
    boolean weighted = pieces.stream().anyMatch(p -> p.weight() != 1);
    double weights = pieces.stream().mapToDouble(Evidence::weight).sum();
    return "("
        + pieces.stream()
            .map(p -> weighted ? number(p.weight()) + "·" + (p.level() + 1) : "" + (p.level() + 1))
            .collect(Collectors.joining(" + "))
        + ") / "
        + number(weights);
  }

  private static String number(double value) {
    String text = String.format(Locale.ROOT, "%.2f", value);
    return text.replaceAll("\\.?0+$", "");
  }

  /**
   * What would bring mastery to a learner, or take it from them: "1 more piece at “On my own”
   * brings mastery."
   */
  public static List<String> change(LearnerRecord record, int outcome) {
    Outcome o = record.index().outcome(outcome);
    if (o.madeOf().isPresent()) return lacking(record, outcome, o);
    List<Evidence> pieces = record.evidence(outcome);
    Scale scale = o.scale();
    List<String> words = new ArrayList<>();
    int missing = Levels.reckon(o.levelRule(), pieces).missing();
    if (missing > 0 && !pieces.isEmpty())
      words.add(Numbers.count(missing, "more piece") + " before there is a level.");
    boolean mastery = record.level(outcome).orElse(-1) >= scale.mastery();
    if (mastery)
      words.add(
          Levels.wouldTakeMastery(o.levelRule(), scale, pieces)
              .map(c -> "A piece at " + name(scale, c.level()) + " would take mastery away.")
              .orElse("No single piece of evidence can take mastery away."));
    else
      words.add(
          Levels.wouldBringMastery(o.levelRule(), scale, pieces)
              .map(c ->
                  Numbers.count(c.pieces(), "more piece")
                      + " at "
                      + name(scale, c.level())
                      + (c.pieces() == 1 ? " brings" : " bring")
                      + " mastery.")
              .orElse("It takes more pieces than can be said."));
    return words;
  }

  private static List<String> lacking(LearnerRecord record, int outcome, Outcome made) {
    CourseIndex index = record.index();
    List<Composed.Part> levels = record.parts(outcome);
    int[] parts = index.parts(outcome);
    List<String> words = new ArrayList<>();
    for (int p = 0; p < parts.length; p++) {
      Composed.Part part = levels.get(p);
      int level = part.level().orElse(-1);
      if (level >= part.scale().mastery()) continue;
      String now = level < 0 ? "no evidence yet" : "at " + name(part.scale(), level);
      words.add("Not at mastery: " + index.outcome(parts[p]).code() + ", " + now + ".");
    }
    if (words.isEmpty() && made.madeOf().isPresent()) words.add("All parts are at mastery.");
    return words;
  }

  private static String name(Scale scale, int level) {
    return "“" + scale.levels().get(level).name() + "”";
  }
}
