package yendrik.core.strand.attempts;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import yendrik.core.course.Step;
import yendrik.core.id.PersonId;
import yendrik.core.outcome.Evidence;
import yendrik.core.outcome.Levels;
import yendrik.core.outcome.Outcome;
import yendrik.core.quiz.Quiz;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Strand;
import yendrik.core.words.Ground;
import yendrik.core.words.Numbers;
import yendrik.core.words.Phrase;

/** What was tried and marked at once. */
public final class AttemptsStrand extends Strand<AttemptFact, AttemptsStrand.Kept> {
  /** How the rest of Yendrik knows it. */
  public static final Door<AttemptsStrand> DOOR =
      new Door<>(
          "attempts",
          AttemptsStrand.class,
          AttemptsStrand::new,
          Kept.class,
          Map.of(
              "started-attempt", AttemptFact.StartedAttempt.class,
              "finished-attempt", AttemptFact.FinishedAttempt.class),
          Map.of("attempted", AttemptLeaf.Attempted.class));

  /**
   * @param best share of the points of the best attempt, 0 to 1
   * @param bestAt epoch milliseconds
   */
  public record Kept(int made, double best, long bestAt) implements Strand.Kept {}

  private final int[] made;
  private final double[] best;
  private final long[] bestAt;

  private AttemptsStrand(LearnerRecord record) {
    super(record, AttemptFact.class, Kept.class);
    int n = index.steps();
    made = new int[n];
    best = new double[n];
    Arrays.fill(best, UNSCORED);
    bestAt = never(n);
  }

  @Override
  protected void take(int s, long at, AttemptFact what, Optional<PersonId> by) {
    switch (what) {
      case AttemptFact.StartedAttempt _ -> {}
      case AttemptFact.FinishedAttempt done -> finish(s, at, done);
    }
  }

  private void finish(int s, long at, AttemptFact.FinishedAttempt done) {
    made[s]++;
    double score = done.points() / done.of();
    if (score <= best[s]) return;
    best[s] = score;
    bestAt[s] = at;
    Step step = index.step(s);
    for (Step.Tie tie : step.evidenceFor()) {
      int o = index.number(tie.outcome());
      Outcome outcome = index.outcome(o);
      if (outcome.madeOf().isPresent()) continue;
      record.show(
          o,
          new Evidence(
              at,
              reached(step, tie, outcome, done),
              tie.weight(),
              Optional.of(step.id()),
              0,
              Optional.empty(),
              Optional.empty(),
              Optional.empty()));
    }
  }

  /** By the questions that carry the outcome, where there are any, and by the step's cut points. */
  private static int reached(
      Step step, Step.Tie tie, Outcome outcome, AttemptFact.FinishedAttempt done) {
    double share =
        done.parts().stream()
            .filter(p -> p.outcome().equals(tie.outcome()))
            .map(Quiz.Part::share)
            .findFirst()
            .orElse(done.points() / done.of());
    return tie.cuts()
        .filter(cuts -> cuts.size() <= outcome.scale().top())
        .map(cuts -> Levels.ofScore(share, cuts))
        .orElseGet(() -> Levels.ofScore(outcome.scale(), share, step.scoring().passMark()));
  }

  @Override
  protected Optional<Kept> keep(int s) {
    return made[s] == 0
        ? Optional.empty()
        : Optional.of(new Kept(made[s], best[s], stored(bestAt[s])));
  }

  @Override
  protected void restore(int s, Kept kept) {
    made[s] = kept.made;
    best[s] = kept.best;
    bestAt[s] = moment(kept.bestAt);
  }

  /** Attempts finished. */
  public int made(int s) {
    return made[s];
  }

  /** Attempts still allowed; {@link Integer#MAX_VALUE} where the step sets no limit. */
  public int left(int s) {
    int allowed = allowed(s);
    return allowed == 0 ? Integer.MAX_VALUE : Math.max(0, allowed - made[s]);
  }

  /** Attempts allowed in all, extra ones included; 0 for no limit. */
  public int allowed(int s) {
    int allowed = index.step(s).scoring().attempts();
    return allowed == 0 ? 0 : allowed + record.extraAttempts(s);
  }

  @Override
  public boolean marks() {
    return true;
  }

  @Override
  public boolean marked(int s) {
    return made[s] > 0;
  }

  @Override
  public boolean passed(int s) {
    return made[s] > 0 && best[s] >= index.step(s).scoring().passMark() - 1e-9;
  }

  @Override
  public boolean spent(int s) {
    return made[s] > 0 && left(s) == 0;
  }

  @Override
  public double score(int s) {
    return best[s];
  }

  @Override
  public long markedAt(int s) {
    return bestAt[s];
  }

  @Override
  public Optional<Ground> standing(int s) {
    if (made[s] == 0) return Optional.empty();
    int allowed = allowed(s);
    Phrase best = Numbers.percent(record.score(s));
    Phrase what =
        allowed == 0
            ? Phrase.of("ground.best", "best", best, "made", made[s])
            : Phrase.of("ground.best-of", "best", best, "made", made[s], "of", allowed);
    return Ground.of(what, record.scoredAt(s));
  }

  /** The strand of a record. */
  public static AttemptsStrand of(LearnerRecord record) {
    return record.strand(DOOR);
  }
}
