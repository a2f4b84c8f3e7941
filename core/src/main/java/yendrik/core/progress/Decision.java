package yendrik.core.progress;

import java.time.Instant;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FlagId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;

/** Something that the rules brought about, at the moment at which they did. */
public sealed interface Decision {
  Instant at();

  record Opened(StepId step, Instant at) implements Decision {}

  record Done(StepId step, Instant at) implements Decision {}

  record ModuleDone(ModuleId module, Instant at) implements Decision {}

  record BadgeEarned(BadgeId badge, Instant at) implements Decision {}

  record CourseCompleted(Instant at) implements Decision {}

  record FlagRaised(FlagId flag, Instant at) implements Decision {}

  record FlagLowered(FlagId flag, Instant at) implements Decision {}
}
