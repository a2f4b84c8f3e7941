package yendrik.core.rule.text;

import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Optional;
import yendrik.core.id.Id;
import yendrik.core.rule.Leaf;

/** What a question holds, by the names of its parts. */
final class Slots {
  private Slots() {}

  static Object raw(Leaf leaf, RecordComponent part) {
    try {
      return part.getAccessor().invoke(leaf);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("a part of a question that cannot be asked for", e);
    }
  }

  /** What a part holds; of what is optional, that which is there. */
  static Object value(Leaf leaf, String name) {
    Object raw = raw(leaf, part(leaf.getClass(), name));
    return raw instanceof Optional<?> optional ? optional.orElseThrow() : raw;
  }

  static RecordComponent part(Class<? extends Leaf> leaf, String name) {
    return Arrays.stream(leaf.getRecordComponents())
        .filter(c -> c.getName().equals(name))
        .findFirst()
        .orElseThrow(() -> new IllegalStateException(leaf + " has no " + name));
  }

  static Id outcome(Leaf leaf) {
    return (Id) value(leaf, "outcome");
  }

  static boolean isCalled(Named.Thing thing, String name) {
    return thing.name().equalsIgnoreCase(name) || thing.also().equalsIgnoreCase(name);
  }
}
