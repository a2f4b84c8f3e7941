package yendrik.core.id;

import yendrik.core.Refusal;

/**
 * Names a person, learner or staff. The number means nothing beyond being unique in its
 * installation.
 */
public record PersonId(long value) implements Id, Comparable<PersonId> {
  public PersonId {
    if (value <= 0) throw new Refusal("id", "type", "PersonId", "id", value);
  }

  @Override
  public int compareTo(PersonId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
