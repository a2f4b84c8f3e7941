package yendrik.server.design;

import java.util.EnumMap;
import java.util.Map;
import java.util.function.Function;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.SmartInitializingSingleton;
import yendrik.core.course.StepKind;

/**
 * Something that each kind of step has; the start fails when a kind has it not. What rests on this
 * may be rested on by what it holds, so those are looked up when all of them are there.
 */
public abstract class ByKind<T> implements SmartInitializingSingleton {
  private final Map<StepKind, T> all = new EnumMap<>(StepKind.class);
  private final ObjectProvider<T> rooms;
  private final Function<T, StepKind> kind;

  protected ByKind(ObjectProvider<T> rooms, Function<T, StepKind> kind) {
    this.rooms = rooms;
    this.kind = kind;
  }

  @Override
  public final void afterSingletonsInstantiated() {
    rooms.forEach(room -> {
      if (all.put(kind.apply(room), room) != null)
        throw new IllegalStateException("the kind " + kind.apply(room) + " has two rooms");
    });
    for (StepKind one : StepKind.values())
      if (!all.containsKey(one))
        throw new IllegalStateException(
            "the kind %s has no room in %s".formatted(one, getClass().getSimpleName()));
  }

  /** What a kind has. */
  public final T of(StepKind one) {
    return all.get(one);
  }
}
