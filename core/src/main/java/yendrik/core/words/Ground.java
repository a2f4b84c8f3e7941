package yendrik.core.words;

import java.time.Instant;
import java.util.Optional;
import yendrik.core.id.PersonId;

/**
 * The fact that an answer rests on.
 *
 * @param what "best 53 % in 3 attempts"
 * @param by the staff member whose word it is
 */
public record Ground(Phrase what, Instant at, Optional<PersonId> by) {
  /** Nothing to tell where it did not happen: {@link Long#MIN_VALUE}. */
  public static Optional<Ground> of(Phrase what, long at) {
    return of(what, at, Optional.empty());
  }

  /** The same on somebody's word. */
  public static Optional<Ground> of(Phrase what, long at, Optional<PersonId> by) {
    return at == Long.MIN_VALUE
        ? Optional.empty()
        : Optional.of(new Ground(what, Instant.ofEpochMilli(at), by));
  }
}
