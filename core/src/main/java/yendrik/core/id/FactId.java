package yendrik.core.id;

import yendrik.core.Refusal;

/**
 * Names a fact; later facts have larger numbers. The number means nothing beyond being unique in
 * its installation.
 */
public record FactId(long value) implements Id, Comparable<FactId> {
  public FactId {
    if (value <= 0) throw new Refusal("id", "type", "FactId", "id", value);
  }

  @Override
  public int compareTo(FactId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
