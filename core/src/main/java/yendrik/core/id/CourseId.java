package yendrik.core.id;

import yendrik.core.Refusal;

/** Names a course. The number means nothing beyond being unique in its installation. */
public record CourseId(long value) implements Id, Comparable<CourseId> {
  public CourseId {
    if (value <= 0) throw new Refusal("id", "type", "CourseId", "id", value);
  }

  @Override
  public int compareTo(CourseId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
