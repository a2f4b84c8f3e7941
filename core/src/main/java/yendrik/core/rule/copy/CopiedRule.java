package yendrik.core.rule.copy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;

/**
 * A rule taken over into another course: what it asks about goes by other ids there, dates move,
 * and what has not come along is left out.
 *
 * @param rule nothing if nothing of it is left
 * @param left the questions that were left out, in the order in which they stood
 */
public record CopiedRule(Optional<Condition> rule, List<Leaf> left) {
  public CopiedRule {
    left = List.copyOf(left);
  }

  /** The rule where things have these names. */
  public static CopiedRule of(Condition rule, NewNames names) {
    List<Leaf> left = new ArrayList<>();
    Optional<Condition> taken =
        rule.asking(leaf -> {
          Optional<Leaf> there = names.there(leaf);
          if (there.isEmpty()) left.add(leaf);
          return there;
        });
    return new CopiedRule(taken, left);
  }
}
