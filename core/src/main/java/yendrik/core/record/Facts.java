package yendrik.core.record;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yendrik.core.id.FactId;

/** The list of facts about one learner, as it is read. */
public final class Facts {
  private Facts() {}

  /**
   * The facts that stand, in the order in which they happened: a corrected fact is left out and its
   * correction takes its place in time.
   *
   * @throws IllegalArgumentException if a correction names a fact that is not in the list
   */
  public static List<Fact> standing(List<Fact> all) {
    Map<FactId, Fact> byId = new HashMap<>();
    Set<FactId> replaced = new HashSet<>();
    for (Fact fact : all) {
      byId.put(fact.id(), fact);
      fact.replaces().ifPresent(replaced::add);
    }
    List<Fact> standing = new ArrayList<>();
    for (Fact fact : all) {
      if (replaced.contains(fact.id()) || fact.what() instanceof Fact.TakenBack) continue;
      standing.add(fact.replaces().isEmpty() ? fact : inPlaceOf(first(fact, byId), fact));
    }
    standing.sort(Comparator.comparing(Fact::at).thenComparing(Fact::id));
    return standing;
  }

  private static Fact first(Fact fact, Map<FactId, Fact> byId) {
    Fact first = fact;
    while (first.replaces().isPresent()) {
      Fact earlier = byId.get(first.replaces().get());
      if (earlier == null)
        throw new IllegalArgumentException(
            "fact " + first.id() + " corrects fact " + first.replaces().get() + ", unknown here");
      first = earlier;
    }
    return first;
  }

  private static Fact inPlaceOf(Fact first, Fact correction) {
    return new Fact(
        first.id(), first.at(), correction.by(), correction.what(), correction.replaces());
  }
}
