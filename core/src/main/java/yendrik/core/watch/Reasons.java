package yendrik.core.watch;

import static yendrik.core.words.Numbers.count;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
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
import yendrik.core.rule.words.Dates;
import yendrik.core.rule.words.Wording;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.words.Numbers;

/** Says in whole sentences, with the learner's own figures, why a flag is up. */
public final class Reasons {
  private final Progress progress;
  private final CourseIndex index;
  private final LearnerRecord record;

  public Reasons(Progress progress) {
    this.progress = progress;
    index = progress.course().index();
    record = progress.record();
  }

  /** The reasons for a flag, one sentence for each condition that is met; none while it is down. */
  public List<String> of(int flag) {
    var at = new RuleAt.FlagRaised(index.design().flags().get(flag).id());
    List<Leaf> met =
        progress.explain(at).stream().flatMap(Reasons::met).map(Condition.Ask::leaf).toList();
    boolean stuck = met.stream().anyMatch(leaf -> leaf instanceof Leaf.StuckFor);
    return met.stream().map(leaf -> sentence(leaf, at, stuck)).distinct().toList();
  }

  private static Stream<Condition.Ask> met(Explained node) {
    if (node.verdict() != Verdict.MET) return Stream.empty();
    if (node.condition() instanceof Condition.Ask ask) return Stream.of(ask);
    return node.parts().stream().flatMap(Reasons::met);
  }

  private String sentence(Leaf leaf, RuleAt at, boolean triesSaid) {
    return switch (leaf) {
      case Leaf.QuietFor _ -> "Not in the course for " + days(record.lastHere()) + ".";
      case Leaf.NeverStarted _ ->
          "Has not opened anything since enrolling " + days(record.enrolledAt()) + " ago.";
      case Leaf.Overdue _ -> overdue();
      case Leaf.BehindBy _ -> behind();
      case Leaf.StuckFor _ -> stuck();
      case Leaf.RequiredOutOfReach _ -> outOfReach(triesSaid);
      case Leaf.AttendanceUnder _ -> absent();
      default ->
          new Wording(index.design(), Dates.of(index.design(), progress.asOf()))
                  .sentence(leaf, at)
                  .line()
              + ".";
    };
  }

  private String days(long since) {
    Duration gone = Duration.between(Instant.ofEpochMilli(since), progress.asOf());
    return count(gone.toDays(), "day");
  }

  private IntStream beads(java.util.function.Predicate<Bead> which) {
    return IntStream.range(0, index.steps()).filter(s -> which.test(progress.bead(s)));
  }

  private String overdue() {
    List<String> names = beads(Bead::overdue).mapToObj(this::name).toList();
    String shown = String.join(", ", names.subList(0, Math.min(3, names.size())));
    String more = names.size() > 3 ? " and " + (names.size() - 3) + " more" : "";
    return count(names.size(), "step") + " overdue: " + shown + more + ".";
  }

  private String behind() {
    int first =
        beads(Bead::overdue)
            .boxed()
            .min(java.util.Comparator.comparingLong(record::due))
            .orElseThrow();
    return name(first) + " was due " + days(record.due(first)) + " ago.";
  }

  private String stuck() {
    int step =
        IntStream.range(0, index.steps())
            .filter(s -> progress.counts(s) && progress.doneAt(s).isEmpty() && record.notPassed(s))
            .boxed()
            .min(java.util.Comparator.comparingLong(record::touchedAt))
            .orElseThrow();
    return "At " + name(step) + " for " + days(record.touchedAt(step)) + "." + tries(step);
  }

  private String tries(int s) {
    AttemptsStrand attempts = AttemptsStrand.of(record);
    if (attempts.made(s) == 0) return "";
    boolean used = attempts.left(s) == 0;
    String n =
        used
            ? "All " + count(attempts.made(s), "attempt") + " used"
            : count(attempts.made(s), "attempt") + " made";
    return " " + n + ", best " + Numbers.percent(record.score(s)) + ".";
  }

  private String outOfReach(boolean triesSaid) {
    List<Integer> lost = beads(Bead::outOfReach).boxed().toList();
    List<Integer> causes = new ArrayList<>(lost);
    causes.removeIf(s -> progress.bead(s).state() == StepState.CLOSED);
    if (causes.isEmpty()) return count(lost.size(), "required step") + " can no longer be reached.";
    int held = lost.size() - causes.size();
    String cause =
        name(causes.getFirst())
            + " can no longer be done."
            + (triesSaid ? "" : tries(causes.getFirst()));
    return held == 0 ? cause : cause + " It holds " + count(held, "later step") + " shut.";
  }

  private String absent() {
    int counted = record.sessionsCounted();
    int there = record.sessionsAttended();
    String rate = Numbers.percent((double) there / counted);
    return "At " + there + " of " + count(counted, "session") + ", " + rate + ".";
  }

  private String name(int s) {
    return "“" + index.step(s).name() + "”";
  }
}
