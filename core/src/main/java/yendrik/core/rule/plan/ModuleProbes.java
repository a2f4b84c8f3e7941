package yendrik.core.rule.plan;

import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.look.Probe;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.Subjects;

/** Questions about one module. Only required steps that the learner has count. */
final class ModuleProbes {
  private ModuleProbes() {}

  static final class Done implements Probe {
    private final int module;

    Done(int module) {
      this.module = module;
    }

    @Override
    public void look(Sight sight, Reading reading) {
      if (sight.moduleDoneAt(module) != LearnerRecord.NEVER) reading.met();
      else if (sight.nothingToDo(module)) reading.waived();
      else if (sight.moduleOutOfReach(module)) reading.outOfReach(sight.moduleFraction(module));
      else reading.notYet(sight.moduleFraction(module), sight.moduleTurn(module));
    }

    @Override
    public void readsFrom(Subjects subjects) {
      subjects.module(module);
    }
  }

  /** At least so many, or such a share, of the steps that count. */
  static final class Share implements Probe {
    private final CourseIndex index;
    private final int module;
    private final int count;
    private final double share;

    /**
     * @param count how many, 0 to go by the share
     */
    Share(CourseIndex index, int module, int count, double share) {
      this.index = index;
      this.module = module;
      this.count = count;
      this.share = share;
    }

    @Override
    public void look(Sight sight, Reading reading) {
      int all = 0;
      int done = 0;
      int lost = 0;
      Turn turn = Turn.NOBODY;
      for (int s = index.firstStep(module); s < index.firstStep(module + 1); s++) {
        Step step = index.step(s);
        if (!step.required() || !step.published() || sight.waived(s) || sight.doneByWaiver(s))
          continue;
        all++;
        if (sight.doneAt(s) != LearnerRecord.NEVER) done++;
        else if (sight.outOfReach(s)) lost++;
        else if (sight.turn(s).compareTo(turn) < 0) turn = sight.turn(s);
      }
      int needed = count > 0 ? Math.min(count, all) : (int) Math.ceil(share * all - 1e-9);
      if (all == 0) reading.waived();
      else if (done >= needed) reading.met();
      else if (all - lost < needed) reading.outOfReach((double) done / needed);
      else reading.notYet((double) done / needed, turn);
    }

    @Override
    public void readsFrom(Subjects subjects) {
      for (int s = index.firstStep(module); s < index.firstStep(module + 1); s++) subjects.step(s);
    }
  }
}
