package yendrik.core.record;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yendrik.core.id.StepId;

/** The exceptions of a learner that hold. */
public final class StandingExceptions {
  private StandingExceptions() {}

  private record Place(StepId step, Fact.Grant grant) {}

  /**
   * Exceptions that were neither taken back nor have ended, in the order in which they were given.
   *
   * @param facts all of a learner, with what corrects them
   * @param now by when
   */
  public static List<Fact> of(List<Fact> facts, Instant now) {
    Map<Place, List<Fact>> given = new HashMap<>();
    for (Fact fact : Facts.standing(facts)) {
      if (!(fact.what() instanceof Fact.AtStep at)) continue;
      if (at instanceof Fact.ExceptionEnded ended)
        given.remove(new Place(at.step(), ended.grant()));
      Fact.Grant.of(at)
          .ifPresent(grant ->
              given.computeIfAbsent(new Place(at.step(), grant), _ -> new ArrayList<>()).add(fact));
    }
    return given.values().stream()
        .flatMap(List::stream)
        .filter(f ->
            !(f.what() instanceof Fact.Opened opened)
                || opened.until().map(now::isBefore).orElse(true))
        .sorted(Comparator.comparing(Fact::at).thenComparing(Fact::id))
        .toList();
  }
}
