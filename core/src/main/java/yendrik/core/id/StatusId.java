package yendrik.core.id;

import yendrik.core.Refusal;

/**
 * Names a status of a register, what can be said of a learner at a session. The number means
 * nothing beyond being unique in its course.
 */
public record StatusId(long value) implements Id, Comparable<StatusId> {
  public StatusId {
    if (value <= 0) throw new Refusal("id", "type", "StatusId", "id", value);
  }

  @Override
  public int compareTo(StatusId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
