package yendrik.server.way;

import java.time.Instant;
import java.util.Optional;
import yendrik.core.id.FactId;
import yendrik.core.record.Fact;

/**
 * A fact that an act adds.
 *
 * @param replaces the fact that it corrects
 * @param at when it happened, where that was before the act; no earlier than the enrolment
 */
public record Added(Fact.What what, Optional<FactId> replaces, Optional<Instant> at) {

  /** Something that happens now. */
  public static Added now(Fact.What what) {
    return new Added(what, Optional.empty(), Optional.empty());
  }

  /** A correction of an earlier fact. */
  public static Added inPlaceOf(Fact earlier, Fact.What what) {
    return new Added(what, Optional.of(earlier.id()), Optional.empty());
  }

  /** A correction of an earlier fact, or, where there is none, something that happens now. */
  public static Added inPlaceOf(Optional<Fact> earlier, Fact.What what) {
    return new Added(what, earlier.map(Fact::id), Optional.empty());
  }
}
