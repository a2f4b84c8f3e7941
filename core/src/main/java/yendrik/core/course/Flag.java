package yendrik.core.course;

import yendrik.core.id.FlagId;
import yendrik.core.rule.Condition;

/** A named rule that finds learners who need somebody. */
public record Flag(FlagId id, String name, Condition flagWhen) {}
