package yendrik.server.files;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.time.Instant;
import java.util.function.Predicate;
import org.springframework.core.io.Resource;

/**
 * Where the contents of files lie, each once, under the SHA-256 of what it is. A folder now; an
 * object store can take its place.
 */
interface Contents {
  /**
   * A content that has come in and does not lie in its place yet.
   *
   * @param hash SHA-256 in 64 small hexadecimal digits
   */
  record Arrived(Path file, String hash, long bytes) {}

  /**
   * Takes a content in and looks at it while it comes.
   *
   * @param most bytes that it may have; no more are read
   * @throws TooMuch if it has more
   */
  Arrived take(InputStream content, long most) throws IOException, TooMuch;

  /** Puts what has come in to its place; there already is as good. */
  void put(Arrived arrived) throws IOException;

  /** Lets go of what has come in, whether it was put in its place or not. */
  void forget(Arrived arrived) throws IOException;

  /** A content to be read, whole or in stretches. */
  Resource read(String hash);

  void remove(String hash) throws IOException;

  /**
   * Takes away what nobody knows of, as a server that was killed leaves it.
   *
   * @param before only what came in before
   * @return how many
   */
  int sweep(Instant before, Predicate<String> known) throws IOException;

  /** There was more than was allowed. */
  final class TooMuch extends Exception {
    private static final long serialVersionUID = 1;
  }
}
