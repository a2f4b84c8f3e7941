package yendrik.core.course;

import java.util.Optional;
import yendrik.core.id.BadgeId;
import yendrik.core.id.ModuleId;
import yendrik.core.rule.Condition;

/**
 * @param earnedWhen empty for a badge that is only given by hand
 * @param surprise whether learners see nothing of it before they hold it
 */
public record Badge(
    BadgeId id,
    String name,
    String description,
    Optional<ModuleId> module,
    Optional<Condition> earnedWhen,
    boolean surprise) {}
