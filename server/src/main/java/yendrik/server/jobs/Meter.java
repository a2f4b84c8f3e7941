package yendrik.server.jobs;

/** Is told by long work how far it is. */
@FunctionalInterface
public interface Meter {
  /**
   * So much is done of so much.
   *
   * @throws Stopped if whoever began the work does not want it any more; let it through
   */
  void done(int done, int of);
}
