package yendrik.core.rehearse.crowd;

import java.time.Instant;
import java.util.Arrays;
import java.util.Optional;
import yendrik.core.course.CourseIndex;
import yendrik.core.progress.Progress;
import yendrik.core.record.LearnerRecord;

/**
 * What became of one walker: days from the start of the course by number, {@link #NEVER} for what
 * did not come.
 *
 * @param stands the step at which they were at last, -1 where all that is asked for was done
 */
record Trace(
    Fate fate,
    int stands,
    double completed,
    double[] opened,
    double[] done,
    double[] modulesDone,
    double[] earned) {
  static final double NEVER = Double.NaN;
  private static final double DAY = 86_400_000;

  /** How somebody's way through the course ended. */
  enum Fate {
    /** The course is complete. */
    FINISHED,
    /** They stopped. */
    STOPPED,
    /** Nothing was left that they could do, and nothing that they could wait for. */
    NO_WAY_ON,
    /** They were still on their way when time was over. */
    UNDER_WAY
  }

  static Trace of(Progress progress, Fate fate) {
    CourseIndex index = progress.course().index();
    Instant start = index.design().startsAt();
    double[] opened = never(index.steps());
    double[] done = never(index.steps());
    for (int s = 0; s < index.steps(); s++) {
      opened[s] = days(start, progress.openedAt(s));
      done[s] = days(start, progress.doneAt(s));
    }
    double[] modules = never(index.modules());
    for (int m = 0; m < index.modules(); m++) {
      long at = progress.sight().moduleDoneAt(m);
      if (at != LearnerRecord.NEVER)
        modules[m] = days(start, Optional.of(Instant.ofEpochMilli(at)));
    }
    double[] earned = never(index.badges());
    for (int b = 0; b < index.badges(); b++) earned[b] = days(start, progress.earnedAt(b));
    return new Trace(
        fate,
        fate == Fate.FINISHED ? -1 : stands(progress),
        days(start, progress.completedAt()),
        opened,
        done,
        modules,
        earned);
  }

  private static double[] never(int n) {
    double[] all = new double[n];
    Arrays.fill(all, NEVER);
    return all;
  }

  private static double days(Instant start, Optional<Instant> at) {
    return at.map(moment -> (moment.toEpochMilli() - start.toEpochMilli()) / DAY).orElse(NEVER);
  }

  /** The first thing that is asked for and not done; one that is open before one that is closed. */
  private static int stands(Progress progress) {
    int closed = -1;
    for (int s = 0; s < progress.course().index().steps(); s++) {
      if (!progress.counts(s) || progress.doneAt(s).isPresent()) continue;
      if (progress.sight().open(s)) return s;
      if (closed < 0) closed = s;
    }
    return closed;
  }
}
