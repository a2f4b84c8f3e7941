package yendrik.core.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.kind.Kinds;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.confirm.ConfirmStrand;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.seen.SeenStrand;
import yendrik.core.strand.time.TimeStrand;

/**
 * Whether a question can ever be answered with yes, by the settings of what it asks about alone,
 * whoever the learner is.
 */
final class Possible {
  private final CourseIndex index;
  private final Around around;

  /** Which published steps give evidence of an outcome, or of what it is made of. */
  private final List<List<Integer>> ties = new ArrayList<>();

  private final List<Integer> scored;
  private final Map<Leaf, Optional<Never>> known = new HashMap<>();

  /** Why something is never so, with what the words for it need. */
  record Never(Finding.Code code, Map<String, Object> arguments) {}

  Possible(CourseIndex index, Around around) {
    this.index = index;
    this.around = around;
    for (int o = 0; o < index.outcomes(); o++) {
      int outcome = o;
      ties.add(
          IntStream.range(0, index.steps())
              .filter(s -> index.published(s) && ties(s, outcome))
              .boxed()
              .toList());
    }
    scored =
        IntStream.range(0, index.steps())
            .filter(s -> index.published(s) && index.step(s).scoring().points() > 0)
            .boxed()
            .toList();
  }

  private boolean ties(int s, int outcome) {
    for (Step.Tie tie : index.step(s).evidenceFor())
      for (int source : index.sources(outcome))
        if (index.number(tie.outcome()) == source) return true;
    return false;
  }

  /** The published steps that give evidence of an outcome, in course order. */
  List<Integer> ties(int outcome) {
    return ties.get(outcome);
  }

  /** The published steps that are scored, in course order. */
  List<Integer> scored() {
    return scored;
  }

  /** Why a question is never answered with yes; empty where it can be. */
  Optional<Never> never(Leaf leaf) {
    return known.computeIfAbsent(leaf, this::look);
  }

  private Optional<Never> look(Leaf leaf) {
    return switch (leaf) {
      case Leaf.OfStep of -> ofStep(index.number(of.step()), of);
      case Leaf.ModuleDone m -> ofModule(index.number(m.module()));
      case Leaf.ModuleCount m -> ofModule(index.number(m.module()));
      case Leaf.ModuleShare m -> ofModule(index.number(m.module()));
      case Leaf.OfOutcome o ->
          ties(index.number(o.outcome())).isEmpty()
              ? never(Finding.Code.NOBODY_ASSESSES)
              : Optional.empty();
      case Leaf.GradeAtLeast _ ->
          scored.isEmpty() ? never(Finding.Code.NOTHING_SCORED) : Optional.empty();
      case Leaf.InTime t ->
          t.until().filter(u -> !u.isAfter(index.design().startsAt())).isPresent()
              ? never(Finding.Code.BEFORE_START)
              : Optional.empty();
      case Leaf.QuizzesScored _,
          Leaf.CourseComplete _,
          Leaf.AttendanceRate _,
          Leaf.SessionsAttended _,
          Leaf.SessionAttended _,
          Leaf.InARow _,
          Leaf.Approved _,
          Leaf.OwnWord _,
          Leaf.HasLeft _,
          Leaf.InGroup _,
          Leaf.OneOf _,
          Leaf.HoldsBadge _,
          Leaf.EnrolledFor _,
          Leaf.Signal _ ->
          Optional.empty();
    };
  }

  private static Optional<Never> never(Finding.Code code, Object... with) {
    Map<String, Object> arguments = new HashMap<>();
    for (int n = 0; n < with.length; n += 2) arguments.put((String) with[n], with[n + 1]);
    return Optional.of(new Never(code, arguments));
  }

  private Optional<Never> ofModule(int m) {
    return index.module(m).published() ? Optional.empty() : never(Finding.Code.UNPUBLISHED);
  }

  private Optional<Never> ofStep(int s, Leaf.OfStep leaf) {
    Step step = index.step(s);
    if (!index.published(s)) return never(Finding.Code.UNPUBLISHED);
    if (!(leaf instanceof Leaf.OfStrand)) return Optional.empty();
    if (!ofItsKind(step, leaf)) return never(Finding.Code.NOT_OF_ITS_KIND);
    boolean needsPoints = Kinds.tried(step) || leaf instanceof MarkLeaf.Score;
    if (leaf instanceof MarkLeaf && needsPoints && step.scoring().points() == 0)
      return never(Finding.Code.NO_POINTS);
    int asked =
        switch (leaf) {
          case AttemptLeaf.Attempted a -> a.times();
          case AttemptLeaf.OnDays a -> a.days();
          case AttemptLeaf.Improved _ -> 2;
          default -> 0;
        };
    int allowed = attempts(step);
    return asked > allowed
        ? never(Finding.Code.TOO_MANY_ATTEMPTS, "n", asked, "allowed", allowed)
        : Optional.empty();
  }

  /** The most attempts that anybody has. */
  private static int attempts(Step step) {
    int all = step.scoring().attempts();
    if (all == 0) return Integer.MAX_VALUE;
    return all + step.allowances().stream().mapToInt(Step.Allowance::attempts).max().orElse(0);
  }

  private static boolean ofItsKind(Step step, Leaf leaf) {
    var kind = Kinds.of(step.kind());
    if (leaf instanceof MarkLeaf) return kind.assesses();
    if (leaf instanceof AttemptLeaf) return kind.strands().contains(AttemptsStrand.DOOR);
    var doors = new ArrayList<>(kind.strands());
    doors.add(SeenStrand.DOOR);
    doors.add(TimeStrand.DOOR);
    doors.add(ConfirmStrand.DOOR);
    return doors.stream().anyMatch(d -> d.leaves().containsValue(leaf.getClass()));
  }

  /** What is odd about a question though it can be answered with yes; empty where nothing is. */
  Optional<Never> odd(Leaf leaf) {
    return switch (leaf) {
      case Leaf.InGroup g when around.emptyGroups().contains(g.group()) ->
          never(Finding.Code.EMPTY_GROUP, "group", name(g));
      case Leaf.InTime t when t.from().isPresent() ->
          around.ends().filter(end -> !t.from().get().isBefore(end)).isPresent()
              ? never(Finding.Code.AFTER_END)
              : Optional.empty();
      case Leaf.EnrolledFor e ->
          around
                  .ends()
                  .filter(end ->
                      index.design().startsAt().plusMillis(e.days() * Reach.DAY).isAfter(end))
                  .isPresent()
              ? never(Finding.Code.AFTER_END)
              : Optional.empty();
      case Leaf.ModuleCount m -> {
        int counted = counted(index.number(m.module()));
        yield m.steps() > counted
            ? never(Finding.Code.TOO_MANY_STEPS, "n", m.steps(), "steps", counted)
            : Optional.empty();
      }
      default -> Optional.empty();
    };
  }

  private String name(Leaf.InGroup g) {
    return index.design().groups().getOrDefault(g.group(), "");
  }

  /** How many steps of a module count. */
  int counted(int m) {
    int counted = 0;
    for (int s = index.firstStep(m); s < index.firstStep(m + 1); s++)
      if (index.expected(s)) counted++;
    return counted;
  }
}
