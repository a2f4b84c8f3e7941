package yendrik.core.id;

import yendrik.core.Refusal;

/**
 * Names a question of a course's own or the institution's store. The number means nothing beyond
 * being unique in its installation.
 */
public record QuestionId(long value) implements Id, Comparable<QuestionId> {
  public QuestionId {
    if (value <= 0) throw new Refusal("id", "type", "QuestionId", "id", value);
  }

  @Override
  public int compareTo(QuestionId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
