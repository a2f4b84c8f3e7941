package yendrik.server.rounds;

import java.util.concurrent.atomic.AtomicBoolean;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Runs something again and again on a thread of its own, so that it is in the way of nothing else
 * that is due: scheduled work shares one thread. While it is still at it, further calls do nothing.
 */
public final class OwnThread {
  private static final Logger LOG = LoggerFactory.getLogger(OwnThread.class);
  private final String name;
  private final Runnable work;
  private final AtomicBoolean busy = new AtomicBoolean();

  /** How the last round failed, empty where it did not. */
  private volatile String failed = "";

  public OwnThread(String name, Runnable work) {
    this.name = name;
    this.work = work;
  }

  /** Begins a round unless one is running. */
  public void begin() {
    if (busy.compareAndSet(false, true)) Thread.ofVirtual().name(name).start(this::round);
  }

  private void round() {
    try {
      work.run();
      failed = "";
    } catch (RuntimeException e) {
      // While a database is away this fails every second, always alike.
      String how = e.getClass().getName();
      if (!how.equals(failed)) LOG.error("{} failed; trying again", name, e);
      failed = how;
    } finally {
      busy.set(false);
    }
  }
}
