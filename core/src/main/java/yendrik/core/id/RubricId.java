package yendrik.core.id;

import yendrik.core.Refusal;

/** Names a rubric. The number means nothing beyond being unique in its installation. */
public record RubricId(long value) implements Id, Comparable<RubricId> {
  public RubricId {
    if (value <= 0) throw new Refusal("id", "type", "RubricId", "id", value);
  }

  @Override
  public int compareTo(RubricId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
