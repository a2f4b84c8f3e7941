package yendrik.core.rule.plan;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.kind.Kinds;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.look.Probe;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.Subjects;
import yendrik.core.strand.marks.MarkLeaf;

/** At least a share of the points in every marked quiz that counts, of some modules. */
final class QuizzesProbe implements Probe {
  private final List<Probe> quizzes = new ArrayList<>();

  /**
   * @param from the first module
   * @param to behind the last one
   */
  QuizzesProbe(CourseIndex index, int from, int to, double share) {
    for (int s = index.firstStep(from); s < index.firstStep(to); s++)
      if (counts(index.step(s)))
        quizzes.add(new MarkLeaf.Score(index.step(s).id(), share, 1).probe(s));
  }

  private static boolean counts(Step step) {
    return Kinds.tried(step) && step.required() && step.published() && step.scoring().points() > 0;
  }

  @Override
  public void look(Sight sight, Reading reading) {
    int all = 0;
    int met = 0;
    double far = 0;
    boolean lost = false;
    Turn turn = Turn.NOBODY;
    for (Probe quiz : quizzes) {
      quiz.look(sight, reading);
      if (reading.verdict() == Verdict.WAIVED) continue;
      all++;
      far += reading.fraction();
      if (reading.verdict() == Verdict.MET) met++;
      else if (reading.verdict() == Verdict.OUT_OF_REACH) lost = true;
      else if (reading.turn().compareTo(turn) < 0) turn = reading.turn();
    }
    if (all == 0) reading.waived();
    else if (met == all) reading.met();
    else if (lost) reading.outOfReach(far / all);
    else reading.notYet(far / all, turn);
  }

  @Override
  public void readsFrom(Subjects subjects) {
    quizzes.forEach(quiz -> quiz.readsFrom(subjects));
  }
}
