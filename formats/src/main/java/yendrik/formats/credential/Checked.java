package yendrik.formats.credential;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.words.Phrase;

/**
 * What came of checking a credential.
 *
 * @param holder by whom it can be known that it is theirs; empty if it names nobody so
 */
public record Checked(Optional<Shown> shown, Optional<OpenBadge.Holder> holder, List<Found> found) {
  public Checked {
    found = List.copyOf(found);
  }

  /** What was looked at. */
  public enum Point {
    CONTENT,
    SIGNATURE,
    ISSUER,
    HOLDER,
    TIME,
    REVOKED
  }

  /** What came of it. */
  public enum Came {
    HOLDS,
    FAILS,
    /** It cannot be told here. */
    UNTOLD
  }

  /** A finding, in plain words. */
  public record Found(Point point, Came came, Phrase says) {}

  /**
   * What a credential says of itself.
   *
   * @param image the picture as a data address of PNG or SVG; nothing else is shown
   * @param results levels that were shown, as "True a wheel: On my own"
   * @param evidence addresses and words
   */
  public record Shown(
      String name,
      String description,
      String criteria,
      String issuer,
      Optional<String> image,
      Optional<Instant> awardedAt,
      Optional<Instant> endsAt,
      List<String> results,
      List<String> evidence) {}

  /** Whether everything that could be told holds, and the signature is among it. */
  public boolean holds() {
    return found.stream().noneMatch(f -> f.came() == Came.FAILS)
        && found.stream().anyMatch(f -> f.point() == Point.SIGNATURE && f.came() == Came.HOLDS);
  }
}
