package yendrik.core.rule.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Grade;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.look.Probe;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.Subjects;

/** At least a share of the points of all that is scored so far; a later score can lower it. */
final class GradeProbe implements Probe {
  private static final double HAIR = 1e-9;

  private final List<Integer> steps = new ArrayList<>();
  private final CourseIndex index;
  private final double share;

  GradeProbe(CourseIndex index, double share) {
    this.index = index;
    this.share = share;
    for (int s = 0; s < index.steps(); s++)
      if (index.published(s) && index.step(s).scoring().points() > 0) steps.add(s);
  }

  @Override
  public void look(Sight sight, Reading reading) {
    OptionalDouble grade = grade(sight.record());
    if (grade.isPresent() && grade.getAsDouble() >= share - HAIR)
      reading.metForNow(Reading.NO_MOMENT);
    else reading.notYet(grade.orElse(0) / share, Turn.LEARNER);
  }

  private OptionalDouble grade(LearnerRecord record) {
    return Grade.soFar(
        steps.stream()
            .filter(record::scored)
            .map(s -> new Grade.Scored(index.step(s).scoring().points(), record.score(s)))
            .toList());
  }

  @Override
  public void readsFrom(Subjects subjects) {
    steps.forEach(subjects::factsOf);
  }
}
