package yendrik.core.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Rules;
import yendrik.core.strand.attempts.AttemptLeaf;

/** The mends that come into question; whether they mend is for {@link Check} to try. */
final class Mending {
  private final CourseIndex index;
  private final Places places;
  private final Map<RuleAt, Condition> rules;

  Mending(CourseIndex index, Places places, Map<RuleAt, Condition> rules) {
    this.index = index;
    this.places = places;
    this.rules = rules;
  }

  /** That a part of a rule of a design is taken out. */
  static Optional<Mend> out(CourseDesign design, RuleAt place, NodeId node) {
    return Optional.ofNullable(Rules.of(design).get(place)).flatMap(rule -> out(rule, place, node));
  }

  /** Takes a part out of a rule; not the whole of a rule without which a thing cannot be. */
  private static Optional<Mend> out(Condition rule, RuleAt place, NodeId node) {
    Optional<Condition> part = rule.nodes().filter(n -> n.id().equals(node)).findFirst();
    if (part.isEmpty()) return Optional.empty();
    Optional<Condition> left = rule.replacing(node, _ -> Optional.empty());
    boolean needed = place instanceof RuleAt.StepDone || place instanceof RuleAt.FlagRaised;
    if (left.isEmpty() && needed) return Optional.empty();
    return Optional.of(
        new Mend.Rule(place, left.isEmpty() ? Mend.How.NONE : Mend.How.OUT, part.get(), left));
  }

  /** That a part of the rule at a place is taken out; none where no rule says it. */
  List<Mend> outOf(RuleAt at, Optional<Condition> part) {
    return part
        .flatMap(c -> Optional.ofNullable(rules.get(at)).flatMap(rule -> out(rule, at, c.id())))
        .stream()
        .toList();
  }

  /**
   * Each condition of a circle could be taken out, first what looks furthest ahead in the course.
   */
  List<Mend> ofCircle(List<Finding.Link> chain) {
    List<Integer> order = new ArrayList<>();
    for (int n = 0; n < chain.size(); n++) order.add(n);
    order.sort(Comparator.comparingInt(n -> -ahead(chain, n)));
    return order.stream()
        .map(chain::get)
        .flatMap(link -> outOf(link.at(), link.condition()).stream())
        .toList();
  }

  /** How much later in the course what a link waits for comes than what waits. */
  private int ahead(List<Finding.Link> chain, int n) {
    RuleAt waited = chain.get((n + 1) % chain.size()).at();
    return turn(waited) - turn(chain.get(n).at());
  }

  private int turn(RuleAt at) {
    return places.turn(places.of(at));
  }

  /** For a condition that is never met, or odd. */
  List<Mend> ofCondition(RuleAt at, Condition rule, Condition.Ask ask, Possible.Never why) {
    List<Mend> mends = new ArrayList<>();
    switch (why.code()) {
      case UNPUBLISHED -> publish(ask.leaf(), mends);
      case TOO_MANY_ATTEMPTS, TOO_MANY_STEPS ->
          fewer(ask.leaf(), why)
              .ifPresent(less ->
                  mends.add(
                      new Mend.Rule(
                          at,
                          Mend.How.FEWER,
                          ask,
                          rule.replacing(
                              ask.id(), _ -> Optional.of(new Condition.Ask(ask.id(), less))))));
      default -> {}
    }
    out(rule, at, ask.id()).ifPresent(mends::add);
    return mends;
  }

  private void publish(Leaf leaf, List<Mend> mends) {
    switch (leaf) {
      case Leaf.OfStep of -> {
        Step step = index.step(index.number(of.step()));
        var module = index.module(index.moduleOf(index.number(of.step())));
        if (module.published()) mends.add(new Mend.PublishStep(step.id()));
        else if (step.published()) mends.add(new Mend.PublishModule(module.id()));
      }
      case Leaf.ModuleDone l -> mends.add(new Mend.PublishModule(l.module()));
      case Leaf.ModuleCount l -> mends.add(new Mend.PublishModule(l.module()));
      case Leaf.ModuleShare l -> mends.add(new Mend.PublishModule(l.module()));
      default -> {}
    }
  }

  private static Optional<Leaf> fewer(Leaf leaf, Possible.Never why) {
    Object allowed = why.arguments().getOrDefault("allowed", why.arguments().get("steps"));
    int n = allowed instanceof Integer i ? i : 0;
    if (n < 1) return Optional.empty();
    return switch (leaf) {
      case AttemptLeaf.Attempted l -> Optional.of(new AttemptLeaf.Attempted(l.step(), n));
      case AttemptLeaf.OnDays l -> Optional.of(new AttemptLeaf.OnDays(l.step(), n));
      case Leaf.ModuleCount l -> Optional.of(new Leaf.ModuleCount(l.module(), n));
      default -> Optional.empty();
    };
  }
}
