package yendrik.core.id;

import yendrik.core.Refusal;

/**
 * Names a session of a course, one meeting with a register. The number means nothing beyond being
 * unique in its installation.
 */
public record SessionId(long value) implements Id, Comparable<SessionId> {
  public SessionId {
    if (value <= 0) throw new Refusal("id", "type", "SessionId", "id", value);
  }

  @Override
  public int compareTo(SessionId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
