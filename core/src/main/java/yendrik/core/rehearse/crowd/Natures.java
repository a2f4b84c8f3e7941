package yendrik.core.rehearse.crowd;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import yendrik.core.course.CourseIndex;
import yendrik.core.progress.Progress;
import yendrik.core.record.LearnerRecord;
import yendrik.core.strand.attempts.AttemptsStrand;

/** How able and how quick the learners of a course were, read off what they did. */
public final class Natures {
  private static final double DAY = 86_400_000;

  /** Who was not there for so long and has not completed the course has stopped. */
  private static final double QUIET_DAYS = 21;

  private static final double LEAST_WEEKS = 1;

  private final List<Folk.Nature> seen = new ArrayList<>();
  private double weeks;
  private int stopped;
  private int attended;
  private int counted;

  /** Takes in one learner, if there is something to be read off them: a score and a thing done. */
  public void see(Progress learner) {
    LearnerRecord record = learner.record();
    if (record.enrolledAt() == LearnerRecord.NEVER || !record.sawSomething()) return;
    long begin = Math.max(record.enrolledAt(), learner.course().design().startsAt().toEpochMilli());
    long last = learner.completedAt().map(at -> at.toEpochMilli()).orElseGet(record::lastHere);
    double here = Math.max(LEAST_WEEKS, (last - begin) / DAY / 7);
    boolean quiet = (learner.asOf().toEpochMilli() - last) / DAY > QUIET_DAYS;
    weeks += here;
    if (learner.completedAt().isEmpty() && (record.left() || quiet)) stopped++;
    attended += record.sessionsAttended();
    counted += record.sessionsCounted();
    CourseIndex index = learner.course().index();
    int things = 0;
    for (int s = 0; s < index.steps(); s++) {
      int made = AttemptsStrand.of(record).made(s);
      if (made > 0) things += made;
      else if (learner.doneAt(s).isPresent()) things++;
    }
    OptionalDouble ability = ability(record, index);
    if (ability.isPresent() && things > 0)
      seen.add(
          new Folk.Nature(
              ability.getAsDouble(), Math.min(Folk.MOST_A_WEEK, Math.max(0.01, things / here))));
  }

  /** First tries say most; what staff marked stands for itself. */
  private static OptionalDouble ability(LearnerRecord record, CourseIndex index) {
    List<Double> shares = new ArrayList<>();
    for (int s = 0; s < index.steps(); s++) {
      if (!record.scored(s)) continue;
      double first = AttemptsStrand.of(record).first(s);
      shares.add(Math.clamp(first >= 0 ? first : record.score(s), 0, 1));
    }
    return shares.stream().mapToDouble(Double::doubleValue).average();
  }

  /** Those of whom something was read off. */
  public List<Folk.Nature> seen() {
    return List.copyOf(seen);
  }

  /** The share of those still there who stopped in a week; empty before anybody was there. */
  public OptionalDouble stopping() {
    return weeks == 0
        ? OptionalDouble.empty()
        : OptionalDouble.of(Math.min(0.5, 1 - Math.exp(-stopped / weeks)));
  }

  /** The share of sessions that they came to; empty where none counted. */
  public OptionalDouble attendance() {
    return counted == 0 ? OptionalDouble.empty() : OptionalDouble.of((double) attended / counted);
  }
}
