package yendrik.core.id;

import yendrik.core.Refusal;

/** Names a flag of a course. The number means nothing beyond being unique in its installation. */
public record FlagId(long value) implements Id, Comparable<FlagId> {
  public FlagId {
    if (value <= 0) throw new Refusal("id", "type", "FlagId", "id", value);
  }

  @Override
  public int compareTo(FlagId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
