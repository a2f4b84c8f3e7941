package yendrik.core.rehearse;

import yendrik.core.Refusal;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;

/** One line of a rehearsal: what happens to a made-up learner, or what is expected then. */
public sealed interface Line {
  /** The most days that pass in one line. */
  int MOST_DAYS = 1000;

  /** What brings this about happens, as if it were so. */
  record AsIf(Leaf leaf) implements Line {}

  /** So many days pass. */
  record Later(int days) implements Line {
    public Later {
      if (days < 1 || days > MOST_DAYS)
        throw new Refusal("days-later", "n", days, "most", MOST_DAYS);
    }
  }

  /** Staff make an exception: open the step, excuse from it, one more attempt, or start it anew. */
  record Given(StepId step, Fact.Grant grant) implements Line {
    public Given {
      if (grant == Fact.Grant.DUE_MOVED || grant == Fact.Grant.TIME)
        throw new Refusal("grant-not-rehearsed");
    }
  }

  /**
   * What has come of it: a step or module is open or done, a badge held, the course complete, a
   * flag up.
   *
   * @param at the rule that decides it
   * @param so whether it is expected to be so, or not to be
   */
  record Expect(RuleAt at, boolean so) implements Line {
    public Expect {
      if (at instanceof RuleAt.OutcomeMade) throw new Refusal("not-expected");
    }
  }
}
