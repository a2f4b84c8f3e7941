package yendrik.core.kind;

/** A note that comes when everything is done, with what was reached. */
final class ClosingKind extends ReadKind {
  static final Kind KIND = new ClosingKind();

  @Override
  public boolean closes() {
    return true;
  }
}
