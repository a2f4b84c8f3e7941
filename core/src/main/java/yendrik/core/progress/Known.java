package yendrik.core.progress;

import yendrik.core.course.CourseIndex;
import yendrik.core.id.BadgeId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.rule.Leaf;

/**
 * What one learner may know of: what is published, given to them, listed (it and its module) or
 * open, and no surprise. Everything that speaks to learners asks here before it names a step, a
 * module or a badge.
 */
public final class Known {
  private final Progress progress;
  private final CourseIndex index;

  public Known(Progress progress) {
    this.progress = progress;
    index = progress.course().index();
  }

  /** Whether the learner may know that there is such a step. */
  public boolean step(int s) {
    if (!exists(s)) return false;
    if (progress.sight().open(s)) return true;
    int m = index.moduleOf(s);
    boolean listed = progress.moduleOpen(m) || index.module(m).gate().listed();
    if (listed && index.step(s).gate().listed()) return true;
    boolean was = progress.openedAt(s).isPresent();
    return was && progress.bead(s).state() != StepState.CLOSED;
  }

  /** Whether the learner may know what a closed step waits for, its module's rule with it. */
  public boolean missing(int s) {
    int m = index.moduleOf(s);
    return index.step(s).gate().missing().told() && (progress.moduleOpen(m) || missingOf(m));
  }

  /** Whether the learner may know what a closed module waits for. */
  public boolean missingOf(int m) {
    return index.module(m).gate().missing().told();
  }

  private boolean exists(int s) {
    return index.published(s) && progress.record().isFor(s);
  }

  /** Whether the learner may know that there is such a module: not where nothing is for them. */
  public boolean module(int m) {
    if (!index.module(m).published()) return false;
    boolean there = false;
    boolean open = progress.moduleOpen(m) || index.module(m).gate().listed();
    for (int s = index.firstStep(m); s < index.firstStep(m + 1); s++) {
      there |= exists(s);
      open |= progress.sight().open(s);
    }
    return there && open;
  }

  /** Whether the learner may know that there is such a badge. */
  public boolean badge(int b) {
    return !index.badge(b).surprise() || progress.sight().holds(b) || progress.record().had(b);
  }

  public boolean step(StepId id) {
    int s = index.number(id);
    return s != CourseIndex.UNKNOWN && step(s);
  }

  public boolean module(ModuleId id) {
    int m = index.number(id);
    return m != CourseIndex.UNKNOWN && module(m);
  }

  private boolean badge(BadgeId id) {
    int b = index.number(id);
    return b != CourseIndex.UNKNOWN && badge(b);
  }

  /** Whether a question can be put before the learner in words. */
  public boolean about(Leaf leaf) {
    return switch (leaf) {
      case Leaf.OfStep of -> step(of.step());
      case Leaf.ModuleDone m -> module(m.module());
      case Leaf.ModuleCount m -> module(m.module());
      case Leaf.ModuleShare m -> module(m.module());
      case Leaf.QuizzesScored q -> q.module().map(this::module).orElse(true);
      case Leaf.HoldsBadge b -> badge(b.badge());
      case Leaf.OfOutcome _,
          Leaf.CourseComplete _,
          Leaf.AttendanceRate _,
          Leaf.SessionsAttended _,
          Leaf.SessionAttended _,
          Leaf.InARow _,
          Leaf.GradeAtLeast _,
          Leaf.Approved _,
          Leaf.OwnWord _,
          Leaf.HasLeft _,
          Leaf.InGroup _,
          Leaf.OneOf _,
          Leaf.EnrolledFor _,
          Leaf.InTime _ ->
          true;
      case Leaf.Signal _ -> false;
    };
  }
}
