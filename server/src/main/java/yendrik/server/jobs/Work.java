package yendrik.server.jobs;

/**
 * Long work.
 *
 * @param what it is, a word that the client has sentences for
 * @param whole whether it is done in one transaction, all of it or nothing, and so can be stopped;
 *     other work goes on by itself even when its server ends
 */
public record Work(String what, boolean whole, Doing doing) {

  /** Does it, and says how far it is. */
  @FunctionalInterface
  public interface Doing {
    JobResult run(Meter meter);
  }
}
