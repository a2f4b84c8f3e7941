package yendrik.core.progress;

import java.util.Optional;
import yendrik.core.words.Moment;

/** At which moment a learner is. */
public final class Moments {
  private Moments() {}

  /** Where a learner stands at a step, if there is something to say about it. */
  public static Optional<Moment> at(Progress progress, int s) {
    return switch (progress.bead(s).state()) {
      case WAITING -> Optional.of(Moment.WAITING);
      case AGAIN -> Optional.of(Moment.AGAIN);
      case DONE -> Optional.of(progress.record().passed(s) ? Moment.PASSED : Moment.DONE);
      case NOT_FOR_THEM, UNPUBLISHED, CLOSED, OPEN, BEGUN, MISSED, EXCUSED -> Optional.empty();
    };
  }
}
