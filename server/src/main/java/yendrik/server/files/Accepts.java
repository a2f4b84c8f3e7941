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

  /** What both take. */
  static Accepts both(Accepts one, Accepts other) {
    return new Accepts() {
      @Override
      public long most() {
        return Math.min(one.most(), other.most());
      }

      @Override
      public boolean fits(String mediaType) {
        return one.fits(mediaType) && other.fits(mediaType);
      }

      @Override
      public Problem refusal(String name, String mediaType) {
        return (one.fits(mediaType) ? other : one).refusal(name, mediaType);
      }
    };
  }
}
