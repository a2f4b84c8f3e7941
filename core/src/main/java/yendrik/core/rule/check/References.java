package yendrik.core.rule.check;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.OutcomeId;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.Outcome;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;

/**
 * Looks whether all that the rules of a design name is there. A design with faults cannot be
 * compiled: an unknown name is an error with a place, never a silent no.
 */
public final class References {
  private final CourseIndex index;
  private final List<Fault> faults = new ArrayList<>();

  private References(CourseDesign design) {
    index = new CourseIndex(design);
  }

  /** All faults, in course order; empty when the design is sound. */
  public static List<Fault> check(CourseDesign design) {
    var check = new References(design);
    Rules.of(design).forEach((at, rule) -> check.rule(at, rule));
    design.steps().forEach(check::ties);
    design.outcomes().forEach(check::composition);
    return List.copyOf(check.faults);
  }

  private void ties(Step step) {
    var at = new RuleAt.StepDone(step.id());
    for (Step.Tie tie : step.evidenceFor()) {
      int o = index.number(tie.outcome());
      if (o == CourseIndex.UNKNOWN)
        add(Fault.Code.UNKNOWN_TIE, at, Map.of("id", tie.outcome().toString()));
      else if (index.outcome(o).madeOf().isPresent())
        add(Fault.Code.TIE_TO_COMPOSED, at, Map.of("outcome", index.outcome(o).code()));
    }
  }

  private void composition(Outcome outcome) {
    if (outcome.madeOf().isEmpty()) return;
    Composition made = outcome.madeOf().get();
    var at = new RuleAt.OutcomeMade(outcome.id());
    for (OutcomeId part : made.parts())
      if (index.number(part) == CourseIndex.UNKNOWN)
        add(Fault.Code.UNKNOWN_PART, at, Map.of("id", part.toString()));
    if (reaches(index.number(outcome.id()), index.number(outcome.id()), new HashSet<>()))
      add(Fault.Code.MADE_OF_ITSELF, at, Map.of());
    int needed = made.how() instanceof Composition.AtLeast some ? some.n() : 1;
    if (made.parts().size() < needed)
      add(
          Fault.Code.TOO_FEW_OUTCOMES,
          at,
          Map.of("n", "" + needed, "parts", "" + made.parts().size()));
  }

  private boolean reaches(int from, int to, Set<Integer> seen) {
    for (int part : index.parts(from))
      if (part == to || (seen.add(part) && reaches(part, to, seen))) return true;
    return false;
  }

  private void add(Fault.Code code, RuleAt at, Map<String, String> arguments) {
    faults.add(new Fault(code, at, Optional.empty(), arguments));
  }

  private void rule(RuleAt at, Condition rule) {
    Set<NodeId> seen = new HashSet<>();
    rule.nodes()
        .forEach(node -> {
          if (!seen.add(node.id()))
            add(Fault.Code.DOUBLE_NODE, at, node, Map.of("id", node.id().value()));
          node(at, node);
        });
  }

  private void node(RuleAt at, Condition node) {
    switch (node) {
      case Condition.Ask ask -> leaf(at, node, ask.leaf());
      case Condition.AtLeast some when some.n() > some.parts().size() ->
          add(
              Fault.Code.TOO_FEW_PARTS,
              at,
              node,
              Map.of("n", "" + some.n(), "parts", "" + some.parts().size()));
      case Condition joint when joint.parts().isEmpty() ->
          add(Fault.Code.EMPTY_JOINT, at, node, Map.of());
      case Condition _ -> {}
    }
  }

  private void leaf(RuleAt at, Condition node, Leaf leaf) {
    if (leaf instanceof Leaf.Signal && !(at instanceof RuleAt.FlagRaised))
      add(Fault.Code.SIGNAL_OUTSIDE_FLAG, at, node, Map.of());
    switch (leaf) {
      case Leaf.OfStep step -> {
        if (index.number(step.step()) == CourseIndex.UNKNOWN)
          unknown(Fault.Code.UNKNOWN_STEP, at, node, step.step());
        else if (leaf instanceof Leaf.StepDone && at.equals(new RuleAt.StepDone(step.step())))
          add(Fault.Code.ASKS_ITSELF, at, node, Map.of());
      }
      case Leaf.OfOutcome outcome -> outcome(at, node, outcome);
      case Leaf.ModuleDone m -> {
        module(at, node, m.module());
        if (at.equals(new RuleAt.ModuleDone(m.module())))
          add(Fault.Code.ASKS_ITSELF, at, node, Map.of());
      }
      case Leaf.ModuleCount m -> module(at, node, m.module());
      case Leaf.ModuleShare m -> module(at, node, m.module());
      case Leaf.QuizzesScored q -> q.module().ifPresent(m -> module(at, node, m));
      case Leaf.HoldsBadge b -> {
        if (index.number(b.badge()) == CourseIndex.UNKNOWN)
          unknown(Fault.Code.UNKNOWN_BADGE, at, node, b.badge());
        else if (at.equals(new RuleAt.BadgeEarned(b.badge())))
          add(Fault.Code.ASKS_ITSELF, at, node, Map.of());
      }
      case Leaf.InGroup g -> {
        if (!index.design().groups().containsKey(g.group()))
          unknown(Fault.Code.UNKNOWN_GROUP, at, node, g.group());
      }
      case Leaf.SessionAttended s -> {
        if (!index.design().sessions().containsKey(s.session()))
          unknown(Fault.Code.UNKNOWN_SESSION, at, node, s.session());
      }
      case Leaf.CourseComplete c -> {
        if (c.course().equals(index.design().id())) {
          if (at instanceof RuleAt.CourseComplete) add(Fault.Code.ASKS_ITSELF, at, node, Map.of());
        } else if (!index.design().otherCourses().containsKey(c.course()))
          unknown(Fault.Code.UNKNOWN_COURSE, at, node, c.course());
      }
      case Leaf.HasLeft _ -> {
        if (!(at instanceof RuleAt.CourseComplete))
          add(Fault.Code.LEAVING_OUTSIDE_COMPLETE, at, node, Map.of());
      }
      case Leaf.AttendanceRate _, Leaf.SessionsAttended _ -> {}
      case Leaf.InARow _, Leaf.GradeAtLeast _, Leaf.Approved _, Leaf.OwnWord _ -> {}
      case Leaf.NoEvidence none -> {
        if (index.number(none.outcome()) == CourseIndex.UNKNOWN)
          unknown(Fault.Code.UNKNOWN_OUTCOME, at, node, none.outcome());
      }
      case Leaf.OneOf _, Leaf.EnrolledFor _, Leaf.InTime _, Leaf.Signal _ -> {}
    }
  }

  private void module(RuleAt at, Condition node, yendrik.core.id.ModuleId module) {
    if (index.number(module) == CourseIndex.UNKNOWN)
      unknown(Fault.Code.UNKNOWN_MODULE, at, node, module);
  }

  private void outcome(RuleAt at, Condition node, Leaf.OfOutcome leaf) {
    int number = index.number(leaf.outcome());
    if (number == CourseIndex.UNKNOWN) {
      unknown(Fault.Code.UNKNOWN_OUTCOME, at, node, leaf.outcome());
      return;
    }
    int level =
        switch (leaf) {
          case Leaf.LevelAtLeast l -> l.level();
          case Leaf.LevelBelow l -> l.level();
          case Leaf.EvidenceCount l -> l.level();
          case Leaf.AtMastery _ -> index.outcome(number).scale().key(0);
        };
    Outcome outcome = index.outcome(number);
    if (outcome.scale().at(level) < 0)
      add(
          Fault.Code.UNKNOWN_LEVEL,
          at,
          node,
          Map.of("outcome", outcome.code(), "level", "" + level));
  }

  private void unknown(Fault.Code code, RuleAt at, Condition node, Object id) {
    add(code, at, node, Map.of("id", id.toString()));
  }

  private void add(Fault.Code code, RuleAt at, Condition node, Map<String, String> arguments) {
    faults.add(new Fault(code, at, Optional.of(node.id()), arguments));
  }
}
