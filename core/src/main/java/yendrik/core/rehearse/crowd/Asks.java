package yendrik.core.rehearse.crowd;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import yendrik.core.course.CourseIndex;
import yendrik.core.people.StaffKind;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Rules;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.confirm.ConfirmLeaf;
import yendrik.core.strand.film.FilmLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostLeaf;
import yendrik.core.strand.signoff.SignOffLeaf;
import yendrik.core.strand.time.TimeLeaf;
import yendrik.core.strand.work.WorkLeaf;

/** What the rules of a course want of learners and staff, step by step. Immutable and shared. */
final class Asks {
  /**
   * What is wanted at one step.
   *
   * @param minutes the most that a rule asks for
   * @param film the most of it that a rule asks for, 0 to 1
   * @param score the most that a rule asks for beyond passing, 0 to 1
   * @param tries the most attempts that a rule asks for
   * @param judged whether a rule asks what staff make of it
   */
  record AtStep(
      int minutes,
      double film,
      boolean confirmed,
      int posts,
      int replies,
      double score,
      int tries,
      boolean judged,
      boolean signedOff) {}

  private final AtStep[] steps;
  private final Set<StaffKind> approvals = EnumSet.noneOf(StaffKind.class);
  private final boolean ownWord;

  Asks(CompiledCourse course) {
    CourseIndex index = course.index();
    List<List<Leaf>> of = new ArrayList<>();
    for (int s = 0; s < index.steps(); s++) of.add(new ArrayList<>());
    List<Leaf> all =
        Rules.of(course.design()).entrySet().stream()
            .filter(rule -> !(rule.getKey() instanceof RuleAt.FlagRaised))
            .flatMap(rule -> wanted(rule.getValue()))
            .distinct()
            .toList();
    for (Leaf leaf : all) {
      if (leaf instanceof Leaf.Approved approved) approvals.add(approved.by());
      if (!(leaf instanceof Leaf.OfStrand at)) continue;
      int s = index.number(at.step());
      if (s != CourseIndex.UNKNOWN) of.get(s).add(leaf);
    }
    ownWord = all.contains(new Leaf.OwnWord());
    steps = of.stream().map(Asks::atStep).toArray(AtStep[]::new);
  }

  /** The questions of a rule that are better answered with yes. */
  private static Stream<Leaf> wanted(Condition rule) {
    return switch (rule) {
      case Condition.None _ -> Stream.empty();
      case Condition.Ask ask -> Stream.of(ask.leaf());
      case Condition.All _, Condition.Any _, Condition.AtLeast _, Condition.After _ ->
          rule.parts().stream().flatMap(Asks::wanted);
    };
  }

  private static AtStep atStep(List<Leaf> leaves) {
    int minutes = 0;
    double film = 0;
    boolean confirmed = false;
    int posts = 0;
    int replies = 0;
    double score = 0;
    int tries = 0;
    boolean judged = false;
    boolean signedOff = false;
    for (Leaf leaf : leaves)
      switch (leaf) {
        case TimeLeaf.TimeSpent l -> minutes = Math.max(minutes, l.minutes());
        case FilmLeaf.Watched l -> film = Math.max(film, l.share());
        case ConfirmLeaf.Confirmed _ -> confirmed = true;
        case PostLeaf.Posted l -> posts = Math.max(posts, l.times());
        case PostLeaf.Replied l -> replies = Math.max(replies, l.times());
        case MarkLeaf.Score l -> {
          score = Math.max(score, l.from());
          judged = true;
        }
        case AttemptLeaf.Attempted l -> tries = Math.max(tries, l.times());
        case MarkLeaf.Passed _, WorkLeaf.Marked _ -> judged = true;
        case SignOffLeaf.SignedOff _ -> signedOff = true;
        default -> {}
      }
    return new AtStep(minutes, film, confirmed, posts, replies, score, tries, judged, signedOff);
  }

  AtStep at(int step) {
    return steps[step];
  }

  /** By whom ways through the course are approved. */
  Set<StaffKind> approvals() {
    return approvals;
  }

  /** Whether a rule asks for the learner's own word. */
  boolean ownWord() {
    return ownWord;
  }
}
