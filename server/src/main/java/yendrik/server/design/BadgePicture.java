package yendrik.server.design;

import java.util.Optional;
import yendrik.formats.badge.Art;

/**
 * A badge's picture: drawn, or one that somebody made elsewhere.
 *
 * @param own the hash of a picture of one's own, which then is shown instead of what is drawn
 * @param alt what it shows, for who does not see it; empty as long as nobody wrote it
 */
public record BadgePicture(Art art, Optional<String> own, String alt) {
  /** What a badge without a picture shows. */
  public static final BadgePicture PLAIN = new BadgePicture(Art.PLAIN, Optional.empty(), "");
}
