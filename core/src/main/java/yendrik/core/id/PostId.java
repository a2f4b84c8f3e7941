package yendrik.core.id;

import yendrik.core.Refusal;

/**
 * Names what somebody wrote in a discussion or a journal. The number means nothing beyond being
 * unique in its installation.
 */
public record PostId(long value) implements Id, Comparable<PostId> {
  public PostId {
    if (value <= 0) throw new Refusal("id", "type", "PostId", "id", value);
  }

  @Override
  public int compareTo(PostId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
