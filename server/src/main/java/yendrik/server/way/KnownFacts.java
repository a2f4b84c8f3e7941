package yendrik.server.way;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import yendrik.core.record.Fact;

/**
 * The facts about a learner, read when somebody asks for them: going on needs what they add up to
 * only. Not safe for use by several threads.
 */
public final class KnownFacts {
  private final Supplier<List<Fact>> read;
  private final List<Fact> added = new ArrayList<>();
  private Optional<List<Fact>> all = Optional.empty();

  KnownFacts(Supplier<List<Fact>> read) {
    this.read = read;
  }

  /** All of them, in the order in which they happened, corrections included. */
  public List<Fact> all() {
    if (all.isEmpty()) {
      List<Fact> known = new ArrayList<>(read.get());
      for (Fact fact : added)
        if (known.stream().noneMatch(f -> f.id().equals(fact.id()))) known.add(fact);
      all = Optional.of(known);
    }
    return all.get();
  }

  /** Adds facts that are about to be written, or have just been. */
  void add(List<Fact> fresh) {
    added.addAll(fresh);
    all.ifPresent(known -> known.addAll(fresh));
  }
}
