package yendrik.server.jobs;

/** Ends long work that is not wanted any more; what it did in a transaction is undone. */
public final class Stopped extends RuntimeException {
  Stopped() {
    super("stopped", null, /* enableSuppression= */ false, /* writableStackTrace= */ false);
  }
}
