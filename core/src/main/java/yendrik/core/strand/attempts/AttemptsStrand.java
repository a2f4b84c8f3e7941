package yendrik.core.strand.attempts;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yendrik.core.course.Counts;
import yendrik.core.course.Step;
import yendrik.core.id.OutcomeId;
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
          Map.of(
              "attempted", AttemptLeaf.Attempted.class,
              "on-days", AttemptLeaf.OnDays.class,
              "improved", AttemptLeaf.Improved.class));

  /**
   * @param made attempts finished
   * @param best share of the points of the best attempt, 0 to 1
   * @param bestAt epoch milliseconds
   * @param first share of the first
   * @param latest share of the latest
   * @param sum of all shares
   * @param days on how many days of the course's calendar something was finished
   * @param lastDay the latest of them, in days since 1970
   * @param waiting attempts of which staff have still to mark something
   * @param waitingSince when the first of them was finished
   * @param shares sums of the shares of single outcomes, where the mean counts
   */
  public record Kept(
      int made,
      double best,
      long bestAt,
      double first,
      long firstAt,
      double latest,
      long latestAt,
      double sum,
      int days,
      long lastDay,
      int waiting,
      long waitingSince,
      Map<OutcomeId, Double> shares)
      implements Strand.Kept {
    static final Kept NONE =
        new Kept(0, UNSCORED, NEVER, 0, NEVER, 0, NEVER, 0, 0, -1, 0, 0, Map.of());

    public Kept {
      shares = shares == null ? Map.of() : new TreeMap<>(shares);
    }

    Kept with(long at, long day, double share, boolean waits, Map<OutcomeId, Double> more) {
      boolean better = share > best;
      return new Kept(
          made + 1,
          better ? share : best,
          better ? at : bestAt,
          made == 0 ? share : first,
          made == 0 ? at : firstAt,
          share,
          at,
          sum + share,
          day == lastDay ? days : days + 1,
          day,
          waits ? waiting + 1 : waiting,
          waits && waiting == 0 ? at : waitingSince,
          more);
    }
  }

  private final Kept[] all;

  private AttemptsStrand(LearnerRecord record) {
    super(record, AttemptFact.class, Kept.class);
    all = new Kept[index.steps()];
    Arrays.fill(all, Kept.NONE);
  }

  @Override
  protected void take(int s, long at, AttemptFact what, Optional<PersonId> by) {
    switch (what) {
      case AttemptFact.StartedAttempt _ -> {}
      case AttemptFact.FinishedAttempt done -> finish(s, at, done);
    }
  }

  private void finish(int s, long at, AttemptFact.FinishedAttempt done) {
    Step step = index.step(s);
    Counts counts = step.scoring().counts();
    Kept before = all[s];
    double share = done.points() / done.of();
    long day = LocalDate.ofInstant(Instant.ofEpochMilli(at), index.design().zone()).toEpochDay();
    Map<OutcomeId, Double> sums = new HashMap<>();
    if (counts == Counts.MEAN)
      for (Step.Tie tie : step.evidenceFor())
        sums.put(
            tie.outcome(),
            before.shares.getOrDefault(tie.outcome(), 0.0) + share(tie.outcome(), done));
    all[s] = before.with(at, day, share, done.waits() > 0, sums);
    boolean changes =
        switch (counts) {
          case BEST -> share > before.best;
          case FIRST -> before.made == 0;
          case LATEST, MEAN -> true;
        };
    if (changes && scored(s)) showEvidence(s, at, done);
  }

  private void showEvidence(int s, long at, AttemptFact.FinishedAttempt done) {
    Step step = index.step(s);
    for (Step.Tie tie : step.evidenceFor()) {
      int o = index.number(tie.outcome());
      Outcome outcome = index.outcome(o);
      if (outcome.madeOf().isPresent()) continue;
      double share =
          step.scoring().counts() == Counts.MEAN
              ? Math.min(1, all[s].shares.getOrDefault(tie.outcome(), 0.0) / all[s].made)
              : share(tie.outcome(), done);
      record.show(
          o,
          new Evidence(
              at,
              reached(step, tie, outcome, share),
              tie.weight(),
              Optional.of(step.id()),
              0,
              Optional.empty(),
              Optional.empty(),
              Optional.empty()));
    }
  }

  /** By the questions that carry the outcome, where there are any. */
  private static double share(OutcomeId outcome, AttemptFact.FinishedAttempt done) {
    return done.parts().stream()
        .filter(p -> p.outcome().equals(outcome))
        .map(Quiz.Part::share)
        .findFirst()
        .orElse(done.points() / done.of());
  }

  /** By the step's cut points, else by its pass mark. */
  private static int reached(Step step, Step.Tie tie, Outcome outcome, double share) {
    return tie.cuts()
        .filter(cuts -> cuts.size() <= outcome.scale().top())
        .map(cuts -> Levels.ofScore(share, cuts))
        .orElseGet(() -> Levels.ofScore(outcome.scale(), share, step.scoring().passMark()));
  }

  /** Whether attempts are scored at all; a check of one's own is not. */
  private boolean scored(int s) {
    return index.step(s).scoring().points() > 0;
  }

  @Override
  protected void forget(int s) {
    all[s] = Kept.NONE;
  }

  @Override
  protected Optional<Kept> keep(int s) {
    Kept kept = all[s];
    return kept.made == 0 ? Optional.empty() : Optional.of(kept);
  }

  @Override
  protected void restore(int s, Kept kept) {
    all[s] = kept;
  }

  /** Attempts finished. */
  public int made(int s) {
    return all[s].made;
  }

  /** On how many different days attempts were finished. */
  public int days(int s) {
    return all[s].days;
  }

  /** The share of the first attempt, 0 to 1; {@link #UNSCORED} where none was finished. */
  public double first(int s) {
    return scored(s) && all[s].made > 0 ? all[s].first : UNSCORED;
  }

  /** The share of the latest attempt, 0 to 1; {@link #UNSCORED} where none was finished. */
  public double latest(int s) {
    return scored(s) && all[s].made > 0 ? all[s].latest : UNSCORED;
  }

  /** The share of the best attempt, 0 to 1; {@link #UNSCORED} where none was finished. */
  public double best(int s) {
    return scored(s) && all[s].made > 0 ? all[s].best : UNSCORED;
  }

  /** When the latest attempt was finished; {@link #NEVER} where none was. */
  public long latestAt(int s) {
    return all[s].latestAt;
  }

  /** Attempts still allowed; {@link Integer#MAX_VALUE} where the step sets no limit. */
  public int left(int s) {
    int allowed = allowed(s);
    return allowed == 0 ? Integer.MAX_VALUE : Math.max(0, allowed - made(s));
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
    return made(s) > 0 && all[s].waiting == 0;
  }

  @Override
  public long waitingSince(int s) {
    return all[s].waiting == 0 ? NEVER : all[s].waitingSince;
  }

  @Override
  public boolean passed(int s) {
    return score(s) != UNSCORED && score(s) >= index.step(s).scoring().passMark() - 1e-9;
  }

  @Override
  public boolean spent(int s) {
    return made(s) > 0 && left(s) == 0 && all[s].waiting == 0;
  }

  /** The share of the attempt that counts. */
  @Override
  public double score(int s) {
    if (made(s) == 0 || !scored(s)) return UNSCORED;
    return switch (index.step(s).scoring().counts()) {
      case BEST -> all[s].best;
      case LATEST -> all[s].latest;
      case FIRST -> all[s].first;
      case MEAN -> Math.min(1, all[s].sum / all[s].made);
    };
  }

  @Override
  public long markedAt(int s) {
    return switch (index.step(s).scoring().counts()) {
      case BEST -> all[s].bestAt;
      case FIRST -> all[s].firstAt;
      case LATEST, MEAN -> all[s].latestAt;
    };
  }

  @Override
  public Optional<Ground> standing(int s) {
    if (made(s) == 0) return Optional.empty();
    if (!scored(s)) return Ground.of(Phrase.of("ground.tried", "made", made(s)), all[s].latestAt);
    int allowed = allowed(s);
    Phrase counting =
        Phrase.of(
            "ground.counts." + index.step(s).scoring().counts(),
            "share",
            Numbers.percent(record.score(s)));
    Phrase what =
        allowed == 0
            ? Phrase.of("ground.best", "best", counting, "made", made(s))
            : Phrase.of("ground.best-of", "best", counting, "made", made(s), "of", allowed);
    return Ground.of(what, record.scoredAt(s));
  }

  /** The strand of a record. */
  public static AttemptsStrand of(LearnerRecord record) {
    return record.strand(DOOR);
  }
}
