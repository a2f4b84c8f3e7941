package yendrik.server.design;

import static java.util.Objects.requireNonNull;

import java.util.EnumMap;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.SmartInitializingSingleton;

/**
 * Something that each of a few kinds has; the start fails when a kind has it not. What rests on
 * this may be rested on by what it holds, so those are looked up when all of them are there.
 */
public abstract class ByKind<K extends Enum<K>, T> implements SmartInitializingSingleton {
  private final Map<K, T> all;
  private final ObjectProvider<T> rooms;
  private final Function<T, K> kind;
  private final Class<K> kinds;

  protected ByKind(Class<K> kinds, ObjectProvider<T> rooms, Function<T, K> kind) {
    this.kinds = kinds;
    this.all = new EnumMap<>(kinds);
    this.rooms = rooms;
    this.kind = kind;
  }

  @Override
  public final void afterSingletonsInstantiated() {
    rooms.forEach(room -> {
      if (all.put(kind.apply(room), room) != null)
        throw new IllegalStateException("the kind " + kind.apply(room) + " has two rooms");
    });
    for (K one : kinds.getEnumConstants())
      if (!all.containsKey(one))
        throw new IllegalStateException(
            "the kind %s has no room in %s".formatted(one, getClass().getSimpleName()));
  }

  /** What a kind has. */
  public final T of(K one) {
    return requireNonNull(all.get(one));
  }

  /** What any kind has. */
  protected final Stream<T> all() {
    return all.values().stream();
  }
}
