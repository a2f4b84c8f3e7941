package yendrik.server.learn;

import java.util.Set;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.StepKind;
import yendrik.core.id.StepId;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.record.LearnerRecord;
import yendrik.server.http.Problem;
import yendrik.server.way.Explaining;
import yendrik.server.way.Walk;

/** The door of a step: lets a learner in, or says what is missing. */
public final class StepDoor {
  private StepDoor() {}

  /** The number of a step that the learner may know of, or a Problem. */
  public static int known(Walk walk, StepId step) {
    int s = walk.index().number(step);
    if (s == CourseIndex.UNKNOWN || !new Known(walk.progress()).step(s))
      throw Problem.notFound("step");
    return s;
  }

  /** The number of a step that the learner may read now, or a Problem that says what is missing. */
  static int open(Walk walk, StepId step) {
    Progress progress = walk.progress();
    int s = known(walk, step);
    StepState state = progress.bead(s).state();
    boolean readable =
        progress.sight().open(s) || state == StepState.DONE || state == StepState.WAITING;
    if (!readable)
      throw Problem.closed(
          Explaining.toLearner(walk).whatIsMissing(s), "step-closed", "step", walk.step(s).name());
    return s;
  }

  /** The same of a step of one of these kinds. */
  public static int open(Walk walk, StepId step, StepKind... kinds) {
    int s = open(walk, step);
    if (!Set.of(kinds).contains(walk.step(s).kind())) throw Problem.conflict("not-at-this-kind");
    return s;
  }

  /** As {@link #open}, and the learner may still act there. */
  public static int usable(Walk walk, StepId step, StepKind... kinds) {
    int s = kinds.length == 0 ? open(walk, step) : open(walk, step, kinds);
    if (!walk.progress().sight().open(s)) throw Problem.conflict("step-closed-now");
    if (!walk.progress().sight().usable(s)) throw Problem.conflict("step-takes-no-more");
    return s;
  }

  /** Whole seconds since a moment, so many times over; 0 where there was no such moment. */
  public static int gone(Walk walk, long since, int times) {
    if (since == LearnerRecord.NEVER) return 0;
    long millis = walk.progress().asOf().toEpochMilli() - since;
    return (int) Math.min(86_400, Math.round(times * millis / 1000.0));
  }
}
