package yendrik.core.id;

import yendrik.core.Refusal;

/** Names a module of a course. The number means nothing beyond being unique in its installation. */
public record ModuleId(long value) implements Id, Comparable<ModuleId> {
  public ModuleId {
    if (value <= 0) throw new Refusal("id", "type", "ModuleId", "id", value);
  }

  @Override
  public int compareTo(ModuleId other) {
    return Long.compare(value, other.value);
  }

  @Override
  public String toString() {
    return Long.toString(value);
  }
}
