package yendrik.core.progress;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FlagId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;

/**
 * What a learner has and keeps, by name and so independent of a version of the design: when steps
 * and modules opened and were done, when badges were earned by rule, when flags went up. Values are
 * epoch milliseconds.
 *
 * @param asOf the moment up to which everything has been worked out
 */
public record Latches(
    long asOf,
    Map<StepId, Long> stepOpened,
    Map<StepId, Long> stepDone,
    Map<ModuleId, Long> moduleOpened,
    Map<ModuleId, Long> moduleDone,
    Map<BadgeId, Long> earned,
    Map<FlagId, Long> flagged,
    Optional<Long> completed) {

  public Latches {
    stepOpened = new TreeMap<>(stepOpened);
    stepDone = new TreeMap<>(stepDone);
    moduleOpened = new TreeMap<>(moduleOpened);
    moduleDone = new TreeMap<>(moduleDone);
    earned = new TreeMap<>(earned);
    flagged = new TreeMap<>(flagged);
  }

  /** Nothing yet. */
  public static Latches none(long asOf) {
    return new Latches(
        asOf, Map.of(), Map.of(), Map.of(), Map.of(), Map.of(), Map.of(), Optional.empty());
  }
}
