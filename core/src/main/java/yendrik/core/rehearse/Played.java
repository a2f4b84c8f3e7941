package yendrik.core.rehearse;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.progress.Decision;

/**
 * A line of a rehearsal once it was played.
 *
 * @param at the moment behind it
 * @param thread all beads then, in course order, as {@code Bead.letter} writes them
 * @param cannot why it could not happen; empty where it did
 * @param came what the rules brought about
 * @param holds whether what is expected is so; empty for what happens
 */
public record Played(
    Line line,
    Instant at,
    String thread,
    Optional<Cannot> cannot,
    List<Decision> came,
    Optional<Boolean> holds) {
  public Played {
    came = List.copyOf(came);
  }

  /** Whether it is as its author wants it: what happens can, what is expected is so. */
  public boolean fine() {
    return cannot.isEmpty() && holds.orElse(true);
  }
}
