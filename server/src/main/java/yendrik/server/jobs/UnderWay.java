package yendrik.server.jobs;

import yendrik.server.jobs.JobView.State;

/** A job of this server: how far it is, as its thread says, for the one that tells everybody. */
final class UnderWay implements Meter {
  final long id;
  private final boolean stoppable;
  private volatile boolean running;
  private volatile boolean unwanted;
  private volatile Far far = new Far(0, 0);
  private int silent;

  private record Far(int done, int of) {}

  private Far told = far;
  private State toldState = State.WAITING;

  UnderWay(long id, Work work) {
    this.id = id;
    stoppable = work.whole();
  }

  @Override
  public void done(int done, int of) {
    far = new Far(done, of);
    goOn();
  }

  /** How much there is to do, as far as it is known. */
  int all() {
    return far.of;
  }

  /** Ends it here if it is not wanted any more. */
  void goOn() {
    if (unwanted) throw new Stopped();
  }

  void begins() {
    running = true;
    goOn();
  }

  /** Whoever began it does not want it any more. */
  void stop() {
    if (stoppable) unwanted = true;
  }

  /** Its server ends. */
  void giveUp() {
    unwanted = true;
  }

  /**
   * Tells how far it is where that is news, or where nothing was said for a while.
   *
   * @param rounds after which something must be said
   */
  void tell(JobRows rows, int rounds) {
    Far now = far;
    State state = running ? State.RUNNING : State.WAITING;
    if (now.equals(told) && state == toldState && ++silent < rounds) return;
    rows.tell(id, state, now.done, now.of);
    told = now;
    toldState = state;
    silent = 0;
  }
}
