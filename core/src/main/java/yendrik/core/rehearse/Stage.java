package yendrik.core.rehearse;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yendrik.core.id.FactId;
import yendrik.core.progress.Decision;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;

/** A made-up learner to whom things happen, a minute apart, and the clock that goes with them. */
final class Stage {
  static final long NEVER = LearnerRecord.NEVER;
  private static final Duration APART = Duration.ofMinutes(1);
  private final Progress progress;
  private final List<Decision> came = new ArrayList<>();
  private final List<BroughtAbout.Event> events = new ArrayList<>();
  private final long first;
  private long facts;

  Stage(Progress progress) {
    this.progress = progress;
    first = progress.asOf().toEpochMilli();
  }

  /** All that happened so far. */
  List<BroughtAbout.Event> events() {
    return List.copyOf(events);
  }

  Progress progress() {
    return progress;
  }

  /** A number that nothing else here has, nor anything that happened earlier. */
  long fresh() {
    return 1000 * first + ++facts;
  }

  void happens(Fact.What what) {
    events.add(new BroughtAbout.Event.Happens(what));
    Instant at = facts == 0 ? progress.asOf() : progress.asOf().plus(APART);
    came.addAll(
        progress.take(new Fact(new FactId(fresh()), at, Optional.empty(), what, Optional.empty())));
  }

  void pass(Duration time) {
    until(progress.asOf().plus(time));
  }

  void until(Instant moment) {
    if (!moment.isAfter(progress.asOf())) return;
    events.add(new BroughtAbout.Event.Until(moment));
    came.addAll(progress.advance(moment));
  }

  /** What has come since this was last asked. */
  List<Decision> taken() {
    List<Decision> taken = List.copyOf(came);
    came.clear();
    return taken;
  }
}
