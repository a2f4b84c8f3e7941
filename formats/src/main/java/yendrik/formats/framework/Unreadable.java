package yendrik.formats.framework;

import java.util.List;

/** A file that cannot be taken as it is; every fault names its row or item and the field. */
public final class Unreadable extends RuntimeException {
  private static final long serialVersionUID = 1;
  private final transient List<String> faults;

  Unreadable(List<String> faults) {
    super(faults.isEmpty() ? "" : faults.getFirst());
    this.faults = List.copyOf(faults);
  }

  /** What is wrong, in the order of the file; one or more. */
  public List<String> faults() {
    return faults;
  }
}
