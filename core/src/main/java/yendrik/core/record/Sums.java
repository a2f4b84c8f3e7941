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
import yendrik.core.id.StepId;
import yendrik.core.outcome.Evidence;

/**
 * What the facts about one learner add up to under one version of a design, by name, so that it can
 * be kept beside the state and going on needs no facts. Derived like all state: {@link
 * LearnerRecord#sums} makes it and {@link LearnerRecord#of} takes it up; it holds for that version
 * only, since what is evidence of what is the design's.
 *
 * <p>Moments are epoch milliseconds, 0 for what did not happen.
 *
 * @param held "by rule", "by hand" or "revoked" by badge
 */
public record Sums(
    long enrolledAt,
    long leftAt,
    long lastHere,
    boolean sawSomething,
    Map<StepId, OfStep> steps,
    Map<OutcomeId, List<Evidence>> evidence,
    Set<GroupId> groups,
    Map<SessionId, Fact.Presence> sessions,
    Set<CourseId> completed,
    Map<BadgeId, LearnerRecord.Held> held) {

  /** What is left out of a stored form is nothing. */
  public Sums {
    steps = steps == null ? Map.of() : new TreeMap<>(steps);
    evidence = evidence == null ? Map.of() : new TreeMap<>(evidence);
    groups = groups == null ? Set.of() : new TreeSet<>(groups);
    sessions = sessions == null ? Map.of() : new TreeMap<>(sessions);
    completed = completed == null ? Set.of() : new TreeSet<>(completed);
    held = held == null ? Map.of() : new TreeMap<>(held);
  }

  /**
   * What a learner did at one step.
   *
   * @param watched seconds of the film that were played: from, to, from, to
   * @param best share of the points of the best attempt, 0 to 1
   * @param mark the share that staff gave, 0 to 1
   */
  public record OfStep(
      long seenAt,
      long touchedAt,
      long lastSawAt,
      long spentAt,
      long watchedAt,
      int seconds,
      List<Integer> watched,
      int filmSeconds,
      int version,
      long handedInAt,
      int attempts,
      Optional<Double> best,
      long bestAt,
      Optional<Fact.Judgement> judgement,
      int judgedVersion,
      Optional<Double> mark,
      long markedAt,
      Optional<PersonId> markedBy,
      long confirmedAt,
      long signedOffAt,
      Optional<PersonId> signedOffBy,
      boolean excused,
      boolean opened,
      int extraAttempts,
      long movedDue) {

    public OfStep {
      watched = watched == null ? List.of() : List.copyOf(watched);
    }

    /** Nothing happened there. */
    static final OfStep NOTHING =
        new OfStep(
            0,
            0,
            0,
            0,
            0,
            0,
            List.of(),
            0,
            0,
            0,
            0,
            Optional.empty(),
            0,
            Optional.empty(),
            0,
            Optional.empty(),
            0,
            Optional.empty(),
            0,
            0,
            Optional.empty(),
            false,
            false,
            0,
            0);
  }
}
