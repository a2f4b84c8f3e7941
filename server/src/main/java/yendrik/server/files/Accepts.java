package yendrik.server.files;

import yendrik.server.http.Problem;

/** Which files are taken at some place. */
public interface Accepts {
  /** Bytes that a file may have. */
  long most();

  /** Whether a file of this media type is taken. */
  boolean fits(String mediaType);

  /** What is said to whoever sends one that is not. */
  Problem refusal(String name, String mediaType);
}
