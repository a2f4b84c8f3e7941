package yendrik.formats.refused;

import java.util.List;
import yendrik.core.words.Phrase;

/** A file that cannot be taken as it is; every fault names its row or item and the field. */
public final class Unreadable extends RuntimeException {
  private static final long serialVersionUID = 1;
  private final transient List<Phrase> faults;

  /** Says what is wrong. */
  public Unreadable(List<Phrase> faults) {
    super(faults.toString());
    this.faults = List.copyOf(faults);
  }

  /** What is wrong, in the order of the file; one or more. */
  public List<Phrase> faults() {
    return faults;
  }
}
