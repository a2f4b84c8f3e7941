package yendrik.core.check;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.course.Counts;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.kind.Kinds;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.marks.MarkLeaf;

/**
 * Whether an <em>all of</em> asks for what rules each other out: two shares of the points of one
 * step that do not meet, passed and not passed, a level and a lower one, something and <em>none
 * of</em> the same. A quiz that is done by being passed was passed.
 */
final class Contradictions {
  private final CourseIndex index;
  private final Map<Condition, Boolean> known = new IdentityHashMap<>();

  Contradictions(CourseIndex index) {
    this.index = index;
  }

  boolean in(Condition.All all) {
    return known.computeIfAbsent(all, _ -> look(all));
  }

  private boolean look(Condition.All all) {
    List<Leaf> asked = new ArrayList<>();
    List<Leaf> excluded = new ArrayList<>();
    gather(all, asked, excluded);
    for (Leaf leaf : List.copyOf(asked))
      if (leaf instanceof Leaf.StepDone done) implied(done, asked);
    for (int a = 0; a < asked.size(); a++) {
      if (excluded.contains(asked.get(a))) return true;
      for (int b = a + 1; b < asked.size(); b++)
        if (exclude(asked.get(a), asked.get(b)) || exclude(asked.get(b), asked.get(a))) return true;
    }
    return false;
  }

  private static void gather(Condition condition, List<Leaf> asked, List<Leaf> excluded) {
    switch (condition) {
      case Condition.Ask ask -> asked.add(ask.leaf());
      case Condition.All all -> all.parts().forEach(p -> gather(p, asked, excluded));
      case Condition.None none ->
          none.parts()
              .forEach(p -> {
                if (p instanceof Condition.Ask(var _, var leaf)) excluded.add(leaf);
              });
      // what was so once may not be so any more
      case Condition.Any _, Condition.AtLeast _, Condition.After _ -> {}
    }
  }

  /** What is still so of a quiz that is done, since its best attempt counts. */
  private void implied(Leaf.StepDone done, List<Leaf> asked) {
    Step step = index.step(index.number(done.step()));
    if (!Kinds.tried(step) || step.scoring().counts() != Counts.BEST) return;
    List<Leaf> itself = new ArrayList<>();
    gather(step.doneWhen(), itself, new ArrayList<>());
    for (Leaf leaf : itself)
      if (leaf instanceof MarkLeaf.Passed p && p.step().equals(step.id())) asked.add(p);
  }

  private boolean exclude(Leaf one, Leaf other) {
    return switch (one) {
      case MarkLeaf.Passed p -> other instanceof MarkLeaf.NotPassed n && n.step().equals(p.step());
      case MarkLeaf.Score s ->
          other instanceof MarkLeaf.Score t && t.step().equals(s.step()) && s.to() < t.from();
      case Leaf.LevelBelow below -> lowest(other, below).filter(l -> l >= at(below)).isPresent();
      default -> false;
    };
  }

  private int at(Leaf.LevelBelow below) {
    return index.outcome(index.number(below.outcome())).scale().at(below.level());
  }

  private Optional<Integer> lowest(Leaf leaf, Leaf.LevelBelow below) {
    if (!(leaf instanceof Leaf.OfOutcome of) || !of.outcome().equals(below.outcome()))
      return Optional.empty();
    var scale = index.outcome(index.number(of.outcome())).scale();
    return switch (of) {
      case Leaf.LevelAtLeast l -> Optional.of(scale.at(l.level()));
      case Leaf.AtMastery _ -> Optional.of(scale.mastery());
      case Leaf.LevelBelow _, Leaf.EvidenceCount _ -> Optional.empty();
    };
  }
}
