package yendrik.core.progress;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import yendrik.core.Refusal;
import yendrik.core.id.PersonId;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.rule.plan.CompiledCourse;

/**
 * Works a learner's state out anew from the facts alone. Under which version of the design the
 * learner was, and from when, is among the facts ({@link Fact.CameUnder}).
 */
public final class Replay {
  private Replay() {}

  /**
   * @param designs gives a publication by its number
   * @param facts all facts, in any order; the first publication that they name is in force from the
   *     first of them on
   * @param until the moment to stop at
   * @throws Refusal if the facts name no publication
   */
  public static Progress run(
      IntFunction<CompiledCourse> designs, PersonId person, List<Fact> facts, Instant until) {
    List<Fact> standing = Facts.standing(facts);
    int first =
        standing.stream()
            .flatMap(f -> version(f).stream())
            .findFirst()
            .orElseThrow(() -> new Refusal("no-version"));
    return run(designs, designs.apply(first), person, standing, until);
  }

  /**
   * The same for a made-up learner, who walks one design only.
   *
   * @param facts all facts, in any order
   */
  public static Progress run(
      CompiledCourse design, PersonId person, List<Fact> facts, Instant until) {
    return run(_ -> design, design, person, Facts.standing(facts), until);
  }

  private static Progress run(
      IntFunction<CompiledCourse> designs,
      CompiledCourse first,
      PersonId person,
      List<Fact> standing,
      Instant until) {
    Instant begin = standing.isEmpty() ? until : standing.getFirst().at();
    CompiledCourse design = first;
    Progress progress = Progress.begin(design, person, begin);
    List<Fact> taken = new ArrayList<>();
    for (Fact fact : standing) {
      if (fact.at().isAfter(until)) break;
      Optional<CompiledCourse> next = version(fact).map(designs::apply);
      taken.add(fact);
      if (next.isPresent() && next.get() != design) {
        design = next.get();
        progress = progress.under(design, taken, fact.at());
      } else progress.take(fact);
    }
    progress.advance(until);
    return progress;
  }

  private static Optional<Integer> version(Fact fact) {
    return fact.what() instanceof Fact.CameUnder under
        ? Optional.of(under.version())
        : Optional.empty();
  }
}
