package yendrik.core.record;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Evidence;
import yendrik.core.people.StaffKind;

/**
 * What the facts about one learner add up to under one version of a design, by name, so that it can
 * be kept beside the state and going on needs no facts. Derived like all state: {@link
 * LearnerRecord#sums} makes it and {@link LearnerRecord#of} takes it up; it holds for that version
 * only, since what is evidence of what is the design's.
 *
 * <p>Moments are epoch milliseconds, 0 for what did not happen.
 *
 * @param approvals what kinds of staff approved
 * @param ownWordAt when the learner said that they have completed the course
 * @param held "by rule", "by hand" or "revoked" by badge
 * @param ends when badges that were awarded are not valid any more
 * @param days days in a row in the course
 * @param weeks weeks in a row in the course
 */
public record Sums(
    long enrolledAt,
    long leftAt,
    long lastHere,
    boolean sawSomething,
    Map<StepId, OfStep> steps,
    Map<OutcomeId, List<Evidence>> evidence,
    Set<GroupId> groups,
    Map<SessionId, StatusId> sessions,
    Set<CourseId> completed,
    Map<StaffKind, Approval> approvals,
    long ownWordAt,
    Map<BadgeId, LearnerRecord.Held> held,
    Map<BadgeId, Long> ends,
    Row days,
    Row weeks) {

  /** What is left out of a stored form is nothing. */
  public Sums {
    steps = steps == null ? Map.of() : new TreeMap<>(steps);
    evidence = evidence == null ? Map.of() : new TreeMap<>(evidence);
    groups = groups == null ? Set.of() : new TreeSet<>(groups);
    sessions = sessions == null ? Map.of() : new TreeMap<>(sessions);
    completed = completed == null ? Set.of() : new TreeSet<>(completed);
    approvals = approvals == null ? Map.of() : new TreeMap<>(approvals);
    held = held == null ? Map.of() : new TreeMap<>(held);
    ends = ends == null ? Map.of() : new TreeMap<>(ends);
    days = days == null ? Row.NONE : days;
    weeks = weeks == null ? Row.NONE : weeks;
  }

  /**
   * Days or weeks in a row.
   *
   * @param last the number of the last one since 1970
   * @param now how many in a row up to the last one
   * @param most the most there ever were
   */
  public record Row(long last, int now, int most) {
    static final Row NONE = new Row(0, 0, 0);

    /** With another one, which may be the last one again. */
    Row with(long next) {
      if (now > 0 && next <= last) return this;
      int row = now > 0 && next == last + 1 ? now + 1 : 1;
      return new Row(next, row, Math.max(most, row));
    }
  }

  /** That staff approved, and who of them. */
  public record Approval(long at, Optional<PersonId> by) {
    public Approval {
      by = by == null ? Optional.empty() : by;
    }
  }

  /**
   * What a learner did at one step.
   *
   * @param touchedAt the first moment at which the learner did anything there
   * @param kept what each strand keeps
   */
  public record OfStep(
      long touchedAt,
      boolean excused,
      boolean opened,
      long openedUntil,
      int extraAttempts,
      int extraMinutes,
      long movedDue,
      List<Strand.Kept> kept) {

    public OfStep {
      kept = kept == null ? List.of() : List.copyOf(kept);
    }

    /** Nothing happened there. */
    static final OfStep NOTHING = new OfStep(0, false, false, 0, 0, 0, 0, List.of());
  }
}
