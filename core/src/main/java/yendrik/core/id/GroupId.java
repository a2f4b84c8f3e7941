package yendrik.core.id;

import yendrik.core.Refusal;

/** Names a group of a course. The number means nothing beyond being unique in its installation. */
public record GroupId(long value) implements Id, Comparable<GroupId> {
  public GroupId {
    if (value <= 0) throw new Refusal("id", "type", "GroupId", "id", value);
  }

  @Override
  public int compareTo(GroupId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
