package yendrik.core.record;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.FactId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.RubricId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Quiz;
import yendrik.core.rubric.Rubric;

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

  public record Enrolled() implements What {}

  /**
   * Came under a version of the design: at enrolment, and whenever another is published for this
   * learner. What follows after it follows from that version.
   *
   * @param version the number of the publication, 1 or more
   */
  public record CameUnder(int version) implements What {
    public CameUnder {
      if (version < 1) throw new IllegalArgumentException("version " + version);
    }
  }

  public record LeftCourse() implements What {}

  public record WasHere() implements What {}

  public record Saw(StepId step) implements AtStep {}

  public record SpentTime(StepId step, int seconds) implements AtStep {
    public SpentTime {
      if (seconds < 1 || seconds > 86_400) throw new IllegalArgumentException("seconds " + seconds);
    }
  }

  /**
   * Played a part of a film.
   *
   * @param from second of the film, included
   * @param to second of the film, excluded
   * @param of how long the film is, in seconds, up to a day
   */
  public record Watched(StepId step, int from, int to, int of) implements AtStep {
    public Watched {
      if (!(0 <= from && from < to && to <= of && of <= 86_400))
        throw new IllegalArgumentException("from " + from + " to " + to + " of " + of + " seconds");
    }
  }

  public record HandedIn(StepId step, int version) implements AtStep {}

  public record StartedAttempt(StepId step, int number) implements AtStep {}

  /**
   * An attempt was marked.
   *
   * @param parts how the questions of single outcomes went, none where no question carries one
   */
  public record FinishedAttempt(
      StepId step, int number, double points, double of, List<Quiz.Part> parts) implements AtStep {
    /** An attempt at questions that carry no outcomes of their own. */
    public FinishedAttempt(StepId step, int number, double points, double of) {
      this(step, number, points, of, List.of());
    }

    public FinishedAttempt {
      parts = List.copyOf(parts);
      if (!(of > 0 && points >= 0 && points <= of))
        throw new IllegalArgumentException(points + " of " + of + " points");
    }
  }

  /** What staff make of a piece of work. */
  public enum Judgement {
    PASSED,
    AGAIN,
    FAILED
  }

  /**
   * Staff judged what was handed in.
   *
   * @param version which handing-in, 0 where nothing is handed in
   * @param of most points, 0 where no points are given
   */
  public record Marked(
      StepId step, int version, double points, double of, Judgement judgement, String comment)
      implements AtStep {
    public Marked {
      if (!(of >= 0 && points >= 0 && points <= of))
        throw new IllegalArgumentException(points + " of " + of + " points");
    }
  }

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

  /**
   * Staff went through a rubric with a piece of work in hand. The ratings and points that follow
   * from it are facts of their own.
   *
   * @param version which handing-in, 0 where nothing is handed in
   * @param design the version of the course whose rubric was read, 0 for a draft
   */
  public record Assessed(
      StepId step, int version, RubricId rubric, int design, List<Rubric.Met> met)
      implements AtStep {
    public Assessed {
      met = List.copyOf(met);
    }
  }

  public record Confirmed(StepId step) implements AtStep {}

  public record SignedOff(StepId step, String comment) implements AtStep {}

  /** Whether a learner was at a session. */
  public enum Presence {
    PRESENT,
    LATE,
    EXCUSED,
    ABSENT;

    /** Whether the learner came. */
    public boolean there() {
      return this == PRESENT || this == LATE;
    }
  }

  /** A mark in the register of a session; the newest counts. */
  public record Attendance(SessionId session, Presence presence) implements What {}

  public record JoinedGroup(GroupId group) implements What {}

  public record LeftGroup(GroupId group) implements What {}

  public record BadgeIssued(BadgeId badge, String reason) implements What {}

  public record BadgeRevoked(BadgeId badge, String reason) implements What {}

  /** A badge whose ground fell away is kept all the same: from here on a person stands for it. */
  public record BadgeKept(BadgeId badge, String reason) implements What {}

  /** Another course was completed. */
  public record CompletedCourse(CourseId course) implements What {}

  /** The step is open for this learner, whatever its rules say. */
  public record Opened(StepId step) implements AtStep {}

  public record Excused(StepId step, String reason) implements AtStep {}

  public record DueMoved(StepId step, Instant due) implements AtStep {}

  public record AttemptsAdded(StepId step, int attempts) implements AtStep {
    public AttemptsAdded {
      if (attempts < 1) throw new IllegalArgumentException("attempts " + attempts);
    }
  }

  /** What an exception can give. */
  public enum Grant {
    OPENED,
    EXCUSED,
    DUE_MOVED,
    ATTEMPTS
  }

  /**
   * Every exception of this kind at the step ends now. What followed from it stays; an exception
   * that should never have been is {@link TakenBack} instead.
   */
  public record ExceptionEnded(StepId step, Grant grant, String reason) implements AtStep {}

  /** Takes back the fact that it replaces; nothing stands in its place. */
  public record TakenBack(String reason) implements What {}
}
