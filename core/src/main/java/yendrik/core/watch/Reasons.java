package yendrik.core.watch;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import yendrik.core.course.CourseIndex;
import yendrik.core.progress.Bead;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.plan.Explained;
import yendrik.core.rule.words.Wording;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.words.Numbers;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;

/** Says in whole sentences, with the learner's own figures, why a flag is up. */
public final class Reasons {
  /** How many steps are named. */
  private static final int NAMED = 3;

  private final Progress progress;
  private final CourseIndex index;
  private final LearnerRecord record;
  private final Writing writing;

  /**
   * @param writing how they are written
   */
  public Reasons(Progress progress, Writing writing) {
    this.progress = progress;
    this.writing = writing;
    index = progress.course().index();
    record = progress.record();
  }

  /** The reasons for a flag, one sentence for each condition that is met; none while it is down. */
  public List<Reason> of(int flag) {
    var at = new RuleAt.FlagRaised(index.design().flags().get(flag).id());
    List<Leaf> met =
        progress.explain(at).stream().flatMap(Reasons::met).map(Condition.Ask::leaf).toList();
    boolean stuck = met.stream().anyMatch(leaf -> leaf instanceof Leaf.StuckFor);
    return met.stream()
        .map(leaf -> new Reason(writing.say(sentence(leaf, at, stuck)), remedy(leaf)))
        .distinct()
        .toList();
  }

  private static Stream<Condition.Ask> met(Explained node) {
    if (node.verdict() != Verdict.MET) return Stream.empty();
    if (node.condition() instanceof Condition.Ask ask) return Stream.of(ask);
    return node.parts().stream().flatMap(Reasons::met);
  }

  private Phrase sentence(Leaf leaf, RuleAt at, boolean triesSaid) {
    return switch (leaf) {
      case Leaf.QuietFor _ -> Phrase.of("reason.quiet", "n", days(record.lastHere()));
      case Leaf.NeverStarted _ -> Phrase.of("reason.never-started", "n", days(record.enrolledAt()));
      case Leaf.Overdue _ -> overdue();
      case Leaf.BehindBy _ -> behind();
      case Leaf.StuckFor _ -> stuck();
      case Leaf.RequiredOutOfReach _ -> outOfReach(triesSaid);
      case Leaf.AttendanceUnder _ -> absent();
      default ->
          Phrase.of(
              "reason.other",
              "line",
              new Wording(index.design(), writing).sentence(leaf, at).line());
    };
  }

  private Optional<Remedy> remedy(Leaf leaf) {
    return switch (leaf) {
      case Leaf.Overdue _, Leaf.BehindBy _ -> longestOverdue().map(s -> at(Remedy.Way.MOVE_DUE, s));
      case Leaf.StuckFor _ -> stuckAt().filter(this::used).map(s -> at(Remedy.Way.ADD_ATTEMPTS, s));
      case Leaf.RequiredOutOfReach _ ->
          causes().stream()
              .findFirst()
              .map(s -> at(used(s) ? Remedy.Way.ADD_ATTEMPTS : Remedy.Way.OPEN, s));
      default -> Optional.empty();
    };
  }

  private Remedy at(Remedy.Way way, int step) {
    return new Remedy(way, index.step(step).id());
  }

  private boolean used(int step) {
    AttemptsStrand attempts = AttemptsStrand.of(record);
    return attempts.made(step) > 0 && attempts.left(step) == 0;
  }

  private long days(long since) {
    return Duration.between(Instant.ofEpochMilli(since), progress.asOf()).toDays();
  }

  private IntStream beads(Predicate<Bead> which) {
    return IntStream.range(0, index.steps()).filter(s -> which.test(progress.bead(s)));
  }

  private Phrase overdue() {
    List<Phrase> names = beads(Bead::overdue).mapToObj(this::name).toList();
    var shown = new Phrase.Listed(names.subList(0, Math.min(NAMED, names.size())));
    return names.size() <= NAMED
        ? Phrase.of("reason.overdue", "n", names.size(), "steps", shown)
        : Phrase.of(
            "reason.overdue-more", "n", names.size(), "steps", shown, "more", names.size() - NAMED);
  }

  private Optional<Integer> longestOverdue() {
    return beads(Bead::overdue).boxed().min(Comparator.comparingLong(record::due));
  }

  private Phrase behind() {
    int first = longestOverdue().orElseThrow();
    return Phrase.of("reason.behind", "step", name(first), "n", days(record.due(first)));
  }

  private Optional<Integer> stuckAt() {
    return IntStream.range(0, index.steps())
        .filter(s -> progress.counts(s) && progress.doneAt(s).isEmpty() && record.notPassed(s))
        .boxed()
        .min(Comparator.comparingLong(record::touchedAt));
  }

  private Phrase stuck() {
    int step = stuckAt().orElseThrow();
    long days = days(record.touchedAt(step));
    return tries(step)
        .map(
            tries -> Phrase.of("reason.stuck-tries", "step", name(step), "n", days, "tries", tries))
        .orElseGet(() -> Phrase.of("reason.stuck", "step", name(step), "n", days));
  }

  private Optional<Phrase> tries(int s) {
    AttemptsStrand attempts = AttemptsStrand.of(record);
    int made = attempts.made(s);
    if (made == 0) return Optional.empty();
    String key = attempts.left(s) == 0 ? "reason.tries-used" : "reason.tries-made";
    return Optional.of(Phrase.of(key, "n", made, "best", Numbers.percent(record.score(s))));
  }

  /** What is out of reach by itself, not behind something else. */
  private List<Integer> causes() {
    return beads(Bead::outOfReach)
        .filter(s -> progress.bead(s).state() != StepState.CLOSED)
        .boxed()
        .toList();
  }

  private Phrase outOfReach(boolean triesSaid) {
    List<Integer> lost = beads(Bead::outOfReach).boxed().toList();
    List<Integer> causes = causes();
    if (causes.isEmpty()) return Phrase.of("reason.out-of-reach", "n", lost.size());
    int held = lost.size() - causes.size();
    int first = causes.getFirst();
    Phrase cause =
        (triesSaid ? Optional.<Phrase>empty() : tries(first))
            .map(tries ->
                Phrase.of("reason.cannot-be-done-tries", "step", name(first), "tries", tries))
            .orElseGet(() -> Phrase.of("reason.cannot-be-done", "step", name(first)));
    return held == 0 ? cause : Phrase.of("reason.holds-shut", "cause", cause, "n", held);
  }

  private Phrase absent() {
    int counted = record.sessionsCounted();
    int there = record.sessionsAttended();
    Phrase rate = Numbers.percent((double) there / counted);
    return Phrase.of("reason.absent", "there", there, "n", counted, "rate", rate);
  }

  private Phrase name(int s) {
    return Phrase.quoted(index.step(s).name());
  }
}
