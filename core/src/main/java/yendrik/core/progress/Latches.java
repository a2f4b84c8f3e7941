package yendrik.core.progress;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FlagId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.rule.plan.FirstMet;

/**
 * What a learner has and keeps, by name and so independent of a version of the design: also what
 * the present version does not have, since it may come back. Values are epoch milliseconds.
 *
 * @param asOf the moment up to which everything has been worked out
 * @param stepOpened when a step could first be used, for whatever reason
 * @param stepGranted since when a step's rule grants it, so that it stays open
 * @param moduleGranted the same of modules
 * @param firstMet when parts of rules were first met after which days are counted
 */
public record Latches(
    long asOf,
    Map<StepId, Long> stepOpened,
    Map<StepId, Long> stepGranted,
    Map<StepId, Long> stepDone,
    Map<ModuleId, Long> moduleGranted,
    Map<ModuleId, Long> moduleDone,
    Map<BadgeId, Long> earned,
    Map<FlagId, Long> flagged,
    Optional<Long> completed,
    List<First> firstMet) {

  /** When a part of a rule was first met. */
  public record First(FirstMet where, long at) {}

  public Latches {
    stepOpened = new TreeMap<>(stepOpened);
    stepGranted = new TreeMap<>(stepGranted);
    stepDone = new TreeMap<>(stepDone);
    moduleGranted = new TreeMap<>(moduleGranted);
    moduleDone = new TreeMap<>(moduleDone);
    earned = new TreeMap<>(earned);
    flagged = new TreeMap<>(flagged);
    firstMet = List.copyOf(firstMet);
  }

  /** Nothing yet. */
  public static Latches none(long asOf) {
    return new Latches(
        asOf,
        Map.of(),
        Map.of(),
        Map.of(),
        Map.of(),
        Map.of(),
        Map.of(),
        Map.of(),
        Optional.empty(),
        List.of());
  }
}
