package yendrik.core;

/** A value that cannot be, with the reason in words for whoever gave it. */
public final class Refusal extends RuntimeException {
  private static final long serialVersionUID = 1;

  public Refusal(String reason) {
    super(reason);
  }
}
