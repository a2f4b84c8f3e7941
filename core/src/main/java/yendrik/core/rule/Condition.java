package yendrik.core.rule;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import yendrik.core.Refusal;
import yendrik.core.id.StepId;

/**
 * A rule, or a part of one: a question about a learner, or a joint over other conditions. Trees are
 * never changed in place.
 *
 * <p>Example: <em>any of (quiz scored 60 % or more, 3 attempts made)</em> is {@code new Any(id,
 * List.of(new Ask(a, new MarkLeaf.Score(quiz, 0.6, 1)), new Ask(b, new AttemptLeaf.Attempted(quiz,
 * 3))))}.
 */
public sealed interface Condition {
  NodeId id();

  /** The conditions directly below, none for a question. */
  List<Condition> parts();

  /** This condition and all below it, parents first. */
  default Stream<Condition> nodes() {
    return Stream.concat(Stream.of(this), parts().stream().flatMap(Condition::nodes));
  }

  /** The number that is said with a joint: how many of its parts, how many days; otherwise 0. */
  default int number() {
    return switch (this) {
      case AtLeast some -> some.n();
      case After after -> after.days();
      case Ask _, All _, Any _, None _ -> 0;
    };
  }

  /**
   * The same rule with other questions. A question that becomes nothing is left out, and so is a
   * joint of which nothing is left; of fewer parts no more are asked for than there are.
   */
  default Optional<Condition> asking(Function<Leaf, Optional<Leaf>> change) {
    if (this instanceof Ask(var id, var leaf)) return change.apply(leaf).map(l -> new Ask(id, l));
    List<Condition> left = parts().stream().flatMap(p -> p.asking(change).stream()).toList();
    if (left.isEmpty()) return Optional.empty();
    return Optional.of(
        switch (this) {
          case Ask ask -> ask;
          case All all -> new All(all.id, left);
          case Any any -> new Any(any.id, left);
          case None none -> new None(none.id, left);
          case AtLeast some -> new AtLeast(some.id, Math.min(some.n, left.size()), left);
          case After after -> new After(after.id, after.days, left.getFirst());
        });
  }

  /** The same rule about another step wherever it asks about one. */
  default Condition about(StepId was, StepId is) {
    return asking(leaf ->
            Optional.of(leaf instanceof Leaf.OfStep of && of.step().equals(was) ? of.at(is) : leaf))
        .orElse(this);
  }

  /** The same rule with another part in the place of one, or with none. */
  default Optional<Condition> replacing(
      NodeId part, Function<Condition, Optional<Condition>> change) {
    if (id().equals(part)) return change.apply(this);
    List<Condition> left =
        parts().stream().flatMap(p -> p.replacing(part, change).stream()).toList();
    if (left.isEmpty() && !parts().isEmpty()) return Optional.empty();
    return Optional.of(
        switch (this) {
          case Ask ask -> ask;
          case All all -> new All(all.id, left);
          case Any any -> new Any(any.id, left);
          case None none -> new None(none.id, left);
          case AtLeast some ->
              left.size() < parts().size()
                  ? new AtLeast(some.id, Math.min(some.n, left.size()), left)
                  : new AtLeast(some.id, some.n, left);
          case After after -> new After(after.id, after.days, left.getFirst());
        });
  }

  /** One question about the learner, the course or the clock. */
  record Ask(NodeId id, Leaf leaf) implements Condition {
    @Override
    public List<Condition> parts() {
      return List.of();
    }
  }

  /** Met when every part is. */
  record All(NodeId id, List<Condition> parts) implements Condition {
    public All {
      parts = List.copyOf(parts);
    }
  }

  /** Met when one part is. */
  record Any(NodeId id, List<Condition> parts) implements Condition {
    public Any {
      parts = List.copyOf(parts);
    }
  }

  /** Met when {@code n} parts are; n is at least 1. */
  record AtLeast(NodeId id, int n, List<Condition> parts) implements Condition {
    public AtLeast {
      parts = List.copyOf(parts);
      if (n < 1) throw new Refusal("at-least", "n", n);
    }
  }

  /**
   * Met once so many days have gone since its part was first met; what became of the part
   * afterwards is all the same. A day is 24 hours.
   *
   * @param days 1 or more
   */
  record After(NodeId id, int days, Condition part) implements Condition {
    public After {
      if (days < 1) throw new Refusal("below-one.days", "n", days);
    }

    @Override
    public List<Condition> parts() {
      return List.of(part);
    }
  }

  /** Met while no part is. */
  record None(NodeId id, List<Condition> parts) implements Condition {
    public None {
      parts = List.copyOf(parts);
    }
  }
}
