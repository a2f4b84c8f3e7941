package yendrik.core.record;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yendrik.core.Refusal;
import yendrik.core.id.FactId;

/** The list of facts about one learner, as it is read. */
public final class Facts {
  /** In the order in which they happened; of one moment, in the order in which they were added. */
  public static final Comparator<Fact> HAPPENED =
      Comparator.comparing(Fact::at).thenComparing(Fact::id);

  private Facts() {}

  /**
   * The facts that stand, in the order in which they happened: a corrected fact is left out and its
   * newest correction takes its place in time, whether that names the fact itself or an earlier
   * correction of it. What was taken back stands no more, until a still newer correction.
   *
   * @throws Refusal if a correction names a fact that is not in the list
   */
  public static List<Fact> standing(List<Fact> all) {
    Map<FactId, Fact> byId = new HashMap<>();
    for (Fact fact : all) byId.put(fact.id(), fact);
    Map<FactId, Fact> newest = new HashMap<>();
    for (Fact fact : all)
      newest.merge(first(fact, byId).id(), fact, (a, b) -> HAPPENED.compare(a, b) > 0 ? a : b);
    List<Fact> standing = new ArrayList<>();
    newest.forEach((first, fact) -> {
      if (!(fact.what() instanceof Fact.TakenBack))
        standing.add(
            fact.id().equals(first) ? fact : inPlaceOf(requireNonNull(byId.get(first)), fact));
    });
    standing.sort(HAPPENED);
    return standing;
  }

  private static Fact first(Fact fact, Map<FactId, Fact> byId) {
    Fact first = fact;
    while (first.replaces().isPresent()) {
      Fact earlier = byId.get(first.replaces().get());
      if (earlier == null)
        throw new Refusal(
            "corrects-unknown",
            "fact",
            first.id().value(),
            "other",
            first.replaces().get().value());
      first = earlier;
    }
    return first;
  }

  private static Fact inPlaceOf(Fact first, Fact correction) {
    return new Fact(
        first.id(), first.at(), correction.by(), correction.what(), correction.replaces());
  }
}
