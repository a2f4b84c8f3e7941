package yendrik.core.id;

import yendrik.core.Refusal;

/**
 * Names an enrolment: one learner in one course. The number means nothing beyond being unique in
 * its installation.
 */
public record EnrolmentId(long value) implements Id, Comparable<EnrolmentId> {
  public EnrolmentId {
    if (value <= 0) throw new Refusal("id", "type", "EnrolmentId", "id", value);
  }

  @Override
  public int compareTo(EnrolmentId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
