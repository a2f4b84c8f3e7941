package yendrik.core.rule;

import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import yendrik.core.Refusal;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StepId;
import yendrik.core.people.StaffKind;

/**
 * The questions that rules are made of. Shares and percentages run from 0 to 1. A day is 24 hours
 * from the moment it is counted from; dates carry the moment that the designer meant in the
 * course's time zone.
 */
public sealed interface Leaf {

  /** Questions about one step. */
  sealed interface OfStep extends Leaf {
    StepId step();

    /** The same question about another step. */
    OfStep at(StepId other);
  }

  /** Questions about what one strand of the record holds about a step. */
  non-sealed interface OfStrand extends OfStep {}

  /** Questions about one outcome. */
  sealed interface OfOutcome extends Leaf {
    OutcomeId outcome();
  }

  /** Questions that only <em>Flag when</em> may ask. */
  sealed interface Signal extends Leaf {}

  record StepDone(StepId step) implements OfStep {
    @Override
    public StepDone at(StepId other) {
      return new StepDone(other);
    }
  }

  /** So many days have gone since the step was done. */
  record DaysSinceDone(StepId step, int days) implements OfStep {
    public DaysSinceDone {
      positive(days, "days");
    }

    @Override
    public DaysSinceDone at(StepId other) {
      return new DaysSinceDone(other, days);
    }
  }

  record ModuleDone(ModuleId module) implements Leaf {}

  /** At least so many required steps of the module are done. */
  record ModuleCount(ModuleId module, int steps) implements Leaf {
    public ModuleCount {
      positive(steps, "steps");
    }
  }

  /** At least this share of the module's required steps is done. */
  record ModuleShare(ModuleId module, double share) implements Leaf {
    public ModuleShare {
      if (!(share > 0 && share <= 1)) throw new Refusal("share", "share", share);
    }
  }

  /**
   * At least this share of the points in every marked quiz that is required, of a module or, where
   * none is said, of the whole course; 1 for full marks.
   */
  record QuizzesScored(Optional<ModuleId> module, double share) implements Leaf {
    public QuizzesScored {
      if (!(share > 0 && share <= 1)) throw new Refusal("share", "share", share);
    }
  }

  /** At a level of the outcome's scale, named by its key, or above it. */
  record LevelAtLeast(OutcomeId outcome, int level) implements OfOutcome {}

  record AtMastery(OutcomeId outcome) implements OfOutcome {}

  /** Below a level, with some evidence: never met while there is none. */
  record LevelBelow(OutcomeId outcome, int level) implements OfOutcome {}

  /** At least so many pieces of evidence at a level or above it. */
  record EvidenceCount(OutcomeId outcome, int pieces, int level) implements OfOutcome {
    public EvidenceCount {
      positive(pieces, "pieces");
    }
  }

  /** This course, or another one, is complete. */
  record CourseComplete(CourseId course) implements Leaf {}

  /**
   * There at least at this share of the sessions with a mark; sessions that one was excused from
   * count for nothing. Not met while there is no mark.
   */
  record AttendanceRate(double share) implements Leaf {
    public AttendanceRate {
      if (!(share > 0 && share <= 1)) throw new Refusal("share", "share", share);
    }
  }

  /** There at so many sessions or more. */
  record SessionsAttended(int sessions) implements Leaf {
    public SessionsAttended {
      positive(sessions, "sessions");
    }
  }

  /** There at one session. */
  record SessionAttended(SessionId session) implements Leaf {}

  /** In the course on so many days, or in so many weeks, one after the other; at any time. */
  record InARow(int times, Rhythm rhythm) implements Leaf {
    public InARow {
      positive(times, "times");
    }
  }

  /**
   * At least this share of the points of all that is scored so far, see {@link
   * yendrik.core.course.Grade}. Not met while nothing is scored, and never past hope: what is
   * scored can be scored anew.
   */
  record GradeAtLeast(double share) implements Leaf {
    public GradeAtLeast {
      if (!(share > 0 && share <= 1)) throw new Refusal("share", "share", share);
    }
  }

  /** Staff of this kind have approved the learner's way through the course. */
  record Approved(StaffKind by) implements Leaf {}

  /** The learner has said that they have completed the course. */
  record OwnWord() implements Leaf {}

  /** The learner has left the course; only <em>Complete when</em> may ask for it. */
  record HasLeft() implements Leaf {}

  record InGroup(GroupId group) implements Leaf {}

  record OneOf(Set<PersonId> people) implements Leaf {
    public OneOf {
      people = Set.copyOf(people);
    }
  }

  record HoldsBadge(BadgeId badge) implements Leaf {}

  record EnrolledFor(int days) implements Leaf {
    public EnrolledFor {
      positive(days, "days");
    }
  }

  /** From a moment (included), until a moment (excluded), or between two. */
  record InTime(Optional<Instant> from, Optional<Instant> until) implements Leaf {
    public InTime {
      if (from.isEmpty() && until.isEmpty()) throw new Refusal("no-date");
      if (from.isPresent() && until.isPresent() && !from.get().isBefore(until.get()))
        throw new Refusal("ends-before", "from", from.get().toString());
    }
  }

  /** Not in the course for so many days, counted from the last time there. */
  record QuietFor(int days) implements Signal {
    public QuietFor {
      positive(days, "days");
    }
  }

  /**
   * Nothing seen so many days after the course started, or after enrolment where that was later.
   */
  record NeverStarted(int days) implements Signal {
    public NeverStarted {
      positive(days, "days");
    }
  }

  record Overdue(int steps) implements Signal {
    public Overdue {
      positive(steps, "steps");
    }
  }

  /** The earliest overdue step was due so many days ago. */
  record BehindBy(int days) implements Signal {
    public BehindBy {
      positive(days, "days");
    }
  }

  /** At work on one required step for so many days, with a failed try. */
  record StuckFor(int days) implements Signal {
    public StuckFor {
      positive(days, "days");
    }
  }

  /** Something required can no longer be done unless staff act. */
  record RequiredOutOfReach() implements Signal {}

  /**
   * Nothing is known of an outcome though the moment has come by which something should be.
   *
   * @param from the moment, included
   */
  record NoEvidence(OutcomeId outcome, Instant from) implements Signal {}

  /** There at less than this share of the sessions with a mark: asks for one that counts. */
  record AttendanceUnder(double share) implements Signal {
    public AttendanceUnder {
      if (!(share > 0 && share <= 1)) throw new Refusal("share", "share", share);
    }
  }

  private static void positive(int n, String what) {
    if (n < 1) throw new Refusal("below-one." + what, "n", n);
  }
}
