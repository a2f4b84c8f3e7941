package yendrik.server.way;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.course.CourseIndex;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.words.Phrase;

/** What a change of the design does to one learner, in words: what they gain and what they lose. */
final class Effects {
  private final Progress before;
  private final Progress after;
  private final CourseIndex was;
  private final CourseIndex is;
  final List<Phrase> gains = new ArrayList<>();
  final List<Phrase> losses = new ArrayList<>();

  private Effects(Progress before, Progress after) {
    this.before = before;
    this.after = after;
    was = before.course().index();
    is = after.course().index();
  }

  static Effects of(Progress before, Progress after) {
    var effects = new Effects(before, after);
    for (int s = 0; s < effects.is.steps(); s++) effects.step(s);
    for (int s = 0; s < effects.was.steps(); s++) effects.oldStep(s);
    effects.badges();
    for (int o = 0; o < effects.is.outcomes(); o++) effects.outcome(o);
    if (after.completedAt().isPresent() && before.completedAt().isEmpty())
      effects.gains.add(Phrase.of("effect.course-complete"));
    return effects;
  }

  private void step(int s) {
    String name = is.step(s).name();
    int old = was.number(is.step(s).id());
    boolean wasOpen = old != CourseIndex.UNKNOWN && before.sight().open(old);
    boolean isOpen = after.sight().open(s);
    boolean wasDone = old != CourseIndex.UNKNOWN && state(before, old) == StepState.DONE;
    boolean isDone = state(after, s) == StepState.DONE;
    if (isDone && !wasDone) gains.add(Phrase.of("effect.done", "step", name));
    else if (isOpen && !wasOpen) gains.add(Phrase.of("effect.opens", "step", name));
    else if (wasDone && !isDone) losses.add(Phrase.of("effect.not-done", "step", name));
    else if (wasOpen && !isOpen) losses.add(Phrase.of("effect.closes", "step", name));
    boolean wasLost = old != CourseIndex.UNKNOWN && before.bead(old).outOfReach();
    if (after.bead(s).outOfReach() && !wasLost)
      losses.add(Phrase.of("effect.out-of-reach", "step", name));
  }

  /** What is taken away, and work that nobody would be asked to mark any more. */
  private void oldStep(int old) {
    int now = is.number(was.step(old).id());
    String name = was.step(old).name();
    StepState then = state(before, old);
    boolean gone = now == CourseIndex.UNKNOWN;
    if (gone && then == StepState.DONE)
      losses.add(Phrase.of("effect.done-taken-away", "step", name));
    else if (gone && before.sight().open(old))
      losses.add(Phrase.of("effect.open-taken-away", "step", name));
    boolean waits = then == StepState.WAITING;
    if (waits && (gone || state(after, now) != StepState.WAITING))
      losses.add(Phrase.of("effect.work-leaves", "step", name));
  }

  private void badges() {
    for (int b = 0; b < is.badges(); b++) {
      int old = was.number(is.badge(b).id());
      boolean held = old != CourseIndex.UNKNOWN && before.sight().holds(old);
      if (after.sight().holds(b) && !held)
        gains.add(Phrase.of("effect.badge-issued", "badge", is.badge(b).name()));
    }
    for (int old = 0; old < was.badges(); old++) {
      int now = is.number(was.badge(old).id());
      if (now == CourseIndex.UNKNOWN && before.sight().holds(old))
        losses.add(Phrase.of("effect.badge-taken-away", "badge", was.badge(old).name()));
    }
  }

  /** A level that rises is a gain, one that falls or goes a loss. */
  private void outcome(int o) {
    int old = was.number(is.outcome(o).id());
    if (old == CourseIndex.UNKNOWN) return;
    Phrase then = level(before, old);
    Phrase now = level(after, o);
    if (then.equals(now)) return;
    Phrase words =
        Phrase.of("effect.level", "outcome", is.outcome(o).code(), "from", then, "to", now);
    boolean falls = place(after, o) < place(before, old);
    (falls ? losses : gains).add(words);
  }

  private static double place(Progress progress, int outcome) {
    var level = progress.record().level(outcome);
    return level.isEmpty()
        ? -1
        : progress.course().index().outcome(outcome).scale().value(level.getAsInt()).share();
  }

  private static Phrase level(Progress progress, int outcome) {
    var level = progress.record().level(outcome);
    if (level.isEmpty()) return Phrase.of("effect.no-level");
    var levels = progress.course().index().outcome(outcome).scale().levels();
    return Phrase.quoted(levels.get(level.getAsInt()).name());
  }

  private static StepState state(Progress progress, int step) {
    return progress.bead(step).state();
  }
}
