package yendrik.core.course;

import java.util.Optional;
import yendrik.core.id.BadgeId;
import yendrik.core.id.ModuleId;
import yendrik.core.rule.Condition;

/**
 * @param earnedWhen empty for a badge that is only given by hand
 * @param surprise whether learners see nothing of it before they hold it
 * @param validity how long it is valid, and how it is earned again
 */
public record Badge(
    BadgeId id,
    String name,
    String description,
    Optional<ModuleId> module,
    Optional<Condition> earnedWhen,
    boolean surprise,
    Validity validity) {
  public Badge {
    // designs of before badges ended say nothing of it
    validity = validity == null ? Validity.FOREVER : validity;
  }

  /** A badge that is valid without end. */
  public Badge(
      BadgeId id,
      String name,
      String description,
      Optional<ModuleId> module,
      Optional<Condition> earnedWhen,
      boolean surprise) {
    this(id, name, description, module, earnedWhen, surprise, Validity.FOREVER);
  }

  /** What is asked since the last award for having it again; empty if it cannot be renewed. */
  public Optional<Condition> renewedWhen() {
    return validity.renewal().flatMap(r -> r.when().or(this::earnedWhen));
  }
}
