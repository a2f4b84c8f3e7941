package yendrik.server.jobs;

import java.util.List;
import java.util.Optional;

/**
 * How far long work is.
 *
 * @param of how much there is to do; 0 while that is not known
 * @param stoppable whether it can be stopped; nothing of it is then done
 * @param result when it is done
 * @param problem when it was refused
 */
public record JobView(
    long id,
    String what,
    State state,
    int done,
    int of,
    boolean stoppable,
    Optional<JobResult> result,
    Optional<Trouble> problem) {

  /** How it stands with it. */
  public enum State {
    /** It waits for other work to end. */
    WAITING,
    RUNNING,
    DONE,
    /** It cannot be done; nothing was changed. */
    REFUSED,
    /** Its beginner did not want it any more; nothing was changed. */
    STOPPED,
    /** Its server ended over it. */
    LOST;

    boolean ended() {
      return this != WAITING && this != RUNNING;
    }
  }

  /**
   * Why it was refused.
   *
   * @param findings what is wrong, one by one, where there is more than one thing
   */
  public record Trouble(String detail, List<String> findings) {}
}
