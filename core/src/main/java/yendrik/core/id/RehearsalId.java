package yendrik.core.id;

import yendrik.core.Refusal;

/**
 * Names a rehearsal of a course. The number means nothing beyond being unique in its installation.
 */
public record RehearsalId(long value) implements Id, Comparable<RehearsalId> {
  public RehearsalId {
    if (value <= 0) throw new Refusal("id", "type", "RehearsalId", "id", value);
  }

  @Override
  public int compareTo(RehearsalId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
