package yendrik.core.id;

import yendrik.core.Refusal;

/** Names a badge. The number means nothing beyond being unique in its installation. */
public record BadgeId(long value) implements Id, Comparable<BadgeId> {
  public BadgeId {
    if (value <= 0) throw new Refusal("id", "type", "BadgeId", "id", value);
  }

  @Override
  public int compareTo(BadgeId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
