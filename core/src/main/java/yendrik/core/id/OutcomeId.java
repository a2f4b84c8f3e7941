package yendrik.core.id;

import yendrik.core.Refusal;

/** Names an outcome. The number means nothing beyond being unique in its installation. */
public record OutcomeId(long value) implements Id, Comparable<OutcomeId> {
  public OutcomeId {
    if (value <= 0) throw new Refusal("id", "type", "OutcomeId", "id", value);
  }

  @Override
  public int compareTo(OutcomeId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
