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
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;

/**
 * Says how a level was found and what would change it. Levels in sums are numbered from 1, the
 * weakest.
 */
public final class LevelWords {
  private final Writing writing;

  /**
   * @param writing how they are written
   */
  public LevelWords(Writing writing) {
    this.writing = writing;
  }

  /** How an outcome's level is found: "The best piece of evidence counts.". */
  public String method(Outcome outcome, CourseIndex index) {
    return writing.say(
        outcome
            .madeOf()
            .map(made -> composition(made, index))
            .orElseGet(() -> rule(outcome.levelRule())));
  }

  private static Phrase rule(LevelRule rule) {
    Phrase method =
        switch (rule.method()) {
          case LevelMethod.MostRecent _ -> Phrase.of("level.most-recent");
          case LevelMethod.Best _ -> Phrase.of("level.best");
          case LevelMethod.Mean _ -> Phrase.of("level.mean");
          case LevelMethod.RecencyWeighted m -> Phrase.of("level.recency", "n", m.halvesEvery());
          case LevelMethod.Secure m -> Phrase.of("level.secure", "n", m.times(), "of", m.last());
        };
    Phrase fewest =
        rule.fewest() == 1
            ? method
            : Phrase.of("level.fewest", "method", method, "n", rule.fewest());
    return rule.since()
        .map(since -> Phrase.of("level.since", "method", fewest, "since", since))
        .orElse(fewest);
  }

  private static Phrase composition(Composition made, CourseIndex index) {
    var parts =
        new Phrase.Listed(
            made.parts().stream()
                .map(index::number)
                .filter(n -> n != CourseIndex.UNKNOWN)
                .map(n -> Phrase.text(index.outcome(n).code()))
                .toList());
    return switch (made.how()) {
      case Composition.All _ -> Phrase.of("level.all-of", "parts", parts);
      case Composition.AtLeast some ->
          Phrase.of("level.at-least-of", "n", some.n(), "parts", parts);
      case Composition.Mean _ -> Phrase.of("level.mean-of", "parts", parts);
      case Composition.Lowest _ -> Phrase.of("level.lowest-of", "parts", parts);
    };
  }

  /**
   * The computation with its numbers: "(3 + 4 + 4) / 3 = 3.67, nearest level 4 of 4". Empty where
   * the level is that of a single piece, or where there is none.
   */
  public Optional<String> sum(LevelRule rule, Scale scale, List<Evidence> pieces) {
    Levels.Reckoning reckoning = Levels.reckon(rule, pieces);
    if (reckoning.level().isEmpty()) return Optional.empty();
    List<Levels.Counted> counted =
        reckoning.pieces().stream().filter(c -> c.use() == Levels.Use.COUNTED).toList();
    if (counted.size() < 2) return Optional.empty();
    Phrase result =
        Phrase.of(
            "level.sum",
            "value",
            number(reckoning.value() + 1),
            "level",
            reckoning.level().getAsInt() + 1,
            "of",
            scale.levels().size());
    Optional<String> sum =
        switch (rule.method()) {
          case LevelMethod.Mean _ ->
              Optional.of(mean(counted.stream().map(Levels.Counted::piece).toList()));
          case LevelMethod.RecencyWeighted _ -> Optional.of(faded(counted));
          default -> Optional.empty();
        };
    return sum.map(s -> writing.say(result.and("sum", s)));
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
  public List<String> change(LearnerRecord record, int outcome) {
    Outcome o = record.index().outcome(outcome);
    return writing.say(
        o.madeOf().isPresent() ? lacking(record, outcome) : change(record, outcome, o));
  }

  private static List<Phrase> change(LearnerRecord record, int outcome, Outcome o) {
    List<Evidence> pieces = record.evidence(outcome);
    Scale scale = o.scale();
    List<Phrase> words = new ArrayList<>();
    int missing = Levels.reckon(o.levelRule(), pieces).missing();
    if (missing > 0 && !pieces.isEmpty()) words.add(Phrase.of("level.before", "n", missing));
    boolean mastery = record.level(outcome).orElse(-1) >= scale.mastery();
    if (mastery)
      words.add(
          Levels.wouldTakeMastery(o.levelRule(), scale, pieces)
              .map(c -> Phrase.of("level.takes", "level", name(scale, c.level())))
              .orElse(Phrase.of("level.takes-none")));
    else
      words.add(
          Levels.wouldBringMastery(o.levelRule(), scale, pieces)
              .map(c -> Phrase.of("level.brings", "n", c.pieces(), "level", name(scale, c.level())))
              .orElse(Phrase.of("level.brings-none")));
    return words;
  }

  private static List<Phrase> lacking(LearnerRecord record, int outcome) {
    CourseIndex index = record.index();
    List<Composed.Part> levels = record.parts(outcome);
    int[] parts = index.parts(outcome);
    List<Phrase> words = new ArrayList<>();
    for (int p = 0; p < parts.length; p++) {
      Composed.Part part = levels.get(p);
      int level = part.level().orElse(-1);
      if (level >= part.scale().mastery()) continue;
      String code = index.outcome(parts[p]).code();
      words.add(
          level < 0
              ? Phrase.of("level.part-lacks-evidence", "outcome", code)
              : Phrase.of("level.part-lacks", "outcome", code, "level", name(part.scale(), level)));
    }
    if (words.isEmpty()) words.add(Phrase.of("level.parts-at-mastery"));
    return words;
  }

  private static String name(Scale scale, int level) {
    return scale.levels().get(level).name();
  }
}
