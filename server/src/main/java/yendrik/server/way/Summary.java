package yendrik.server.way;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FlagId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.people.StaffKind;

/**
 * The part of a snapshot that lists are made of, besides its columns.
 *
 * @param levels outcome id to level
 * @param marks session id to the status that the register says
 * @param scores step id to the share of its points, 0 to 1, where there is a score
 * @param inDoubt badges that are held though their ground has fallen away
 * @param heldBack steps at which work waits that nobody is asked to mark, since they are not
 *     published or not given to the learner any more
 * @param late steps whose newest work was handed in after it was due
 * @param approvals kinds of staff whose approval is all that keeps the course from being complete
 * @param approved kinds of staff who have approved, and when
 * @param ownWord when the learner said that they have completed the course
 * @param missing the fewest things that keep the course from being complete, 0 once it is
 * @param left whether the learner has left the course
 */
public record Summary(
    List<Raised> flags,
    Map<OutcomeId, Integer> levels,
    List<GroupId> groups,
    List<BadgeId> badges,
    Map<SessionId, StatusId> marks,
    Map<StepId, Double> scores,
    List<BadgeId> inDoubt,
    List<StepId> heldBack,
    List<StepId> late,
    Set<StaffKind> approvals,
    Map<StaffKind, Instant> approved,
    Optional<Instant> ownWord,
    int missing,
    boolean left) {
  public Summary {
    // a summary in an older form is worked out anew, but may be looked at until it is
    marks = Objects.requireNonNullElse(marks, Map.of());
    approvals = Objects.requireNonNullElse(approvals, Set.of());
    approved = Objects.requireNonNullElse(approved, Map.of());
    ownWord = Objects.requireNonNullElse(ownWord, Optional.empty());
    late = Objects.requireNonNullElse(late, List.of());
  }

  public static final Summary EMPTY =
      new Summary(
          List.of(),
          Map.of(),
          List.of(),
          List.of(),
          Map.of(),
          Map.of(),
          List.of(),
          List.of(),
          List.of(),
          Set.of(),
          Map.of(),
          Optional.empty(),
          0,
          false);

  /** A flag that is up. */
  public record Raised(FlagId flag, String name, Instant since) {}
}
