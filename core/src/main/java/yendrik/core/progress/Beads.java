package yendrik.core.progress;

import yendrik.core.course.CourseIndex;
import yendrik.core.record.LearnerRecord;

/** Says in one state each how steps stand. */
final class Beads {
  private static final long NEVER = Units.NEVER;
  private final CourseIndex index;
  private final LearnerRecord record;
  private final Units units;
  private final Derived sight;

  Beads(Evaluation evaluation) {
    record = evaluation.sight.record();
    index = record.index();
    units = evaluation.units;
    sight = evaluation.sight;
  }

  Bead bead(int s) {
    StepState state = state(s);
    boolean unfinished =
        switch (state) {
          case CLOSED, OPEN, BEGUN, AGAIN, MISSED -> true;
          case NOT_FOR_THEM, UNPUBLISHED, WAITING, DONE, EXCUSED -> false;
        };
    boolean overdue = unfinished && record.due(s) != NEVER && sight.now() >= record.due(s);
    boolean lost = unfinished && index.step(s).required() && units.lost[s];
    return new Bead(state, overdue && index.step(s).required(), lost);
  }

  private StepState state(int s) {
    if (!index.published(s)) return StepState.UNPUBLISHED;
    if (!record.isFor(s)) return StepState.NOT_FOR_THEM;
    if (units.keptAt[s] != NEVER) return StepState.DONE;
    if (record.excused(s)) return StepState.EXCUSED;
    if (units.byWaiver[s]) return StepState.DONE;
    if (record.waiting(s)) return StepState.WAITING;
    boolean over = sight.now() >= record.takesUntil(s);
    if (over && !record.openedByException(s, sight.now())) return StepState.MISSED;
    if (record.needsAnotherGo(s)) return StepState.AGAIN;
    if (!units.open[s]) return StepState.CLOSED;
    return record.touchedAt(s) == NEVER ? StepState.OPEN : StepState.BEGUN;
  }

  String thread() {
    var thread = new StringBuilder(index.steps());
    for (int s = 0; s < index.steps(); s++) thread.append(bead(s).letter());
    return thread.toString();
  }

  double share() {
    int all = 0;
    int done = 0;
    for (int s = 0; s < index.steps(); s++) {
      if (!counts(s)) continue;
      all++;
      if (units.keptAt[s] != NEVER) done++;
    }
    return all == 0 ? 0 : (double) done / all;
  }

  boolean counts(int s) {
    return index.expected(s) && !sight.waived(s) && !units.byWaiver[s];
  }
}
