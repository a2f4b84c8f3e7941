package yendrik.core.id;

import yendrik.core.Refusal;

/** Names a scale. The number means nothing beyond being unique in its installation. */
public record ScaleId(long value) implements Id, Comparable<ScaleId> {
  public ScaleId {
    if (value <= 0) throw new Refusal("id", "type", "ScaleId", "id", value);
  }

  @Override
  public int compareTo(ScaleId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
