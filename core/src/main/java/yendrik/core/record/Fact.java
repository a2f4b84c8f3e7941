package yendrik.core.record;

import java.time.Instant;
import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.FactId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.people.StaffKind;
import yendrik.core.words.Phrase;

/**
 * Something that happened to one learner in one course. Facts are only ever added.
 *
 * @param at when it happened
 * @param by who brought it about; empty when Yendrik itself did
 * @param replaces the fact that this one corrects and whose place in time it takes
 */
public record Fact(
    FactId id, Instant at, Optional<PersonId> by, What what, Optional<FactId> replaces) {

  /** What happened. Scores are points of points; levels are indexes into the outcome's scale. */
  public sealed interface What {}

  /** What happened at a step. */
  public sealed interface AtStep extends What {
    StepId step();
  }

  /** What happened at a step and is kept by one strand of the record. */
  public non-sealed interface OfStrand extends AtStep {
    /** The strand that keeps it. */
    Strand.Door<?> strand();

    /** Whether it shows that the learner was there, as what learners do shows it. */
    default boolean here() {
      return true;
    }

    /**
     * The fact in words for a history, empty for one that only says that somebody was there.
     *
     * @param step as it is named in a sentence
     */
    Optional<Phrase> says(Phrase step);
  }

  public record Enrolled() implements What {}

  /**
   * Came under a version of the design: at enrolment, and whenever another is published for this
   * learner. What follows after it follows from that version.
   *
   * @param version the number of the publication, 1 or more
   */
  public record CameUnder(int version) implements What {
    public CameUnder {
      if (version < 1) throw new Refusal("version", "n", version);
    }
  }

  public record LeftCourse() implements What {}

  public record WasHere() implements What {}

  /**
   * A person rated an outcome, at a step or apart from any.
   *
   * @param level the key of a level of the outcome's scale
   * @param note what was seen, in words
   * @param criterion the key of the rubric's criterion that it comes from, if it does
   */
  public record Rated(
      OutcomeId outcome,
      int level,
      Optional<StepId> step,
      int version,
      Optional<String> note,
      Optional<Integer> criterion)
      implements What {
    /** A rating that comes from no rubric. */
    public Rated(
        OutcomeId outcome, int level, Optional<StepId> step, int version, Optional<String> note) {
      this(outcome, level, step, version, note, Optional.empty());
    }

    /** A rating without words. */
    public Rated(OutcomeId outcome, int level, Optional<StepId> step, int version) {
      this(outcome, level, step, version, Optional.empty());
    }
  }

  /** A mark in the register of a session; the newest counts. */
  public record Attendance(SessionId session, StatusId status) implements What {}

  public record JoinedGroup(GroupId group) implements What {}

  public record LeftGroup(GroupId group) implements What {}

  /**
   * A badge was awarded, perhaps not for the first time.
   *
   * @param reason why it was given by hand; empty for one that was earned
   * @param until when it is not valid any more; empty for never
   * @param evidence the address of what shows it, for one that was given by hand
   */
  public record BadgeIssued(
      BadgeId badge, String reason, Optional<Instant> until, Optional<String> evidence)
      implements What {
    public BadgeIssued {
      // what was stored before badges ended
      until = until == null ? Optional.empty() : until;
      evidence = evidence == null ? Optional.empty() : evidence;
    }

    public BadgeIssued(BadgeId badge, String reason, Optional<Instant> until) {
      this(badge, reason, until, Optional.empty());
    }

    /** A badge without an end. */
    public BadgeIssued(BadgeId badge, String reason) {
      this(badge, reason, Optional.empty());
    }
  }

  public record BadgeRevoked(BadgeId badge, String reason) implements What {}

  /** A badge whose ground fell away is kept all the same: from here on a person stands for it. */
  public record BadgeKept(BadgeId badge, String reason) implements What {}

  /**
   * Staff of a kind approved the learner's way through the course; it stands until it is taken
   * back.
   *
   * @param note what they say about it, empty for nothing
   */
  public record Approved(StaffKind kind, String note) implements What {}

  /** The learner said that they have completed the course. */
  public record OwnWord() implements What {}

  /** Another course was completed. */
  public record CompletedCourse(CourseId course) implements What {}

  /**
   * The step is open for this learner, whatever its rules say.
   *
   * @param until when that ends by itself; what was said last counts
   */
  public record Opened(StepId step, Optional<String> reason, Optional<Instant> until)
      implements AtStep {
    /** Without a reason, and without an end. */
    public Opened(StepId step) {
      this(step, Optional.empty(), Optional.empty());
    }
  }

  public record Excused(StepId step, String reason) implements AtStep {}

  public record DueMoved(StepId step, Instant due, Optional<String> reason) implements AtStep {
    /** Without a reason. */
    public DueMoved(StepId step, Instant due) {
      this(step, due, Optional.empty());
    }
  }

  public record AttemptsAdded(StepId step, int attempts, Optional<String> reason)
      implements AtStep {
    public AttemptsAdded {
      if (attempts < 1) throw new Refusal("attempts", "n", attempts);
    }

    /** Without a reason. */
    public AttemptsAdded(StepId step, int attempts) {
      this(step, attempts, Optional.empty());
    }
  }

  /** So many minutes more for each attempt that has a clock. */
  public record TimeAdded(StepId step, int minutes, Optional<String> reason) implements AtStep {
    public TimeAdded {
      if (minutes < 1) throw new Refusal("minutes", "n", minutes);
    }

    /** Without a reason. */
    public TimeAdded(StepId step, int minutes) {
      this(step, minutes, Optional.empty());
    }
  }

  /**
   * From now on nothing counts that the learner did at the step, nor what was said of it: it is
   * open as it was at first. What followed from it elsewhere stays.
   */
  public record StartedAnew(StepId step, Optional<String> reason) implements AtStep {}

  /** What an exception can give. */
  public enum Grant {
    OPENED,
    EXCUSED,
    DUE_MOVED,
    ATTEMPTS,
    TIME,
    ANEW;

    /** What a fact gives, if it is an exception. */
    public static Optional<Grant> of(What what) {
      return switch (what) {
        case Opened _ -> Optional.of(OPENED);
        case Excused _ -> Optional.of(EXCUSED);
        case DueMoved _ -> Optional.of(DUE_MOVED);
        case AttemptsAdded _ -> Optional.of(ATTEMPTS);
        case TimeAdded _ -> Optional.of(TIME);
        case StartedAnew _ -> Optional.of(ANEW);
        default -> Optional.empty();
      };
    }
  }

  /**
   * Every exception of this kind at the step ends now. What followed from it stays; an exception
   * that should never have been is {@link TakenBack} instead.
   */
  public record ExceptionEnded(StepId step, Grant grant, String reason) implements AtStep {}

  /** Takes back the fact that it replaces; nothing stands in its place. */
  public record TakenBack(String reason) implements What {}
}
