package yendrik.server.files;

import java.util.Set;

/** Which files are taken at some place. */
public interface Accepts {
  /** Bytes that a file may have. */
  long most();

  /** Whether a file of this media type is taken. */
  boolean fits(String mediaType);

  /** What is taken, in short words, empty where nearly anything is. */
  Set<String> kinds();
}
