package yendrik.core.id;

import yendrik.core.Refusal;

/** Names a step of a module. The number means nothing beyond being unique in its installation. */
public record StepId(long value) implements Id, Comparable<StepId> {
  public StepId {
    if (value <= 0) throw new Refusal("id", "type", "StepId", "id", value);
  }

  @Override
  public int compareTo(StepId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
