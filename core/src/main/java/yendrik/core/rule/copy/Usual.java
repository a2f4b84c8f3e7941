package yendrik.core.rule.copy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kind;
import yendrik.core.kind.Kinds;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.check.RuleChange;

/**
 * The rules that a new step of a kind has in a course. They ask about a sample of the kind, which
 * stands for whichever step they are given to.
 *
 * @param opensWhen empty for at once
 */
public record Usual(Optional<Condition> opensWhen, Condition doneWhen) {
  /** No installation counts its steps and modules that far, and every reader of JSON can. */
  private static final long SAMPLES = 9_000_000_000_000_000L;

  /** The step that stands for any of its kind. */
  public static StepId sample(StepKind kind) {
    return new StepId(SAMPLES + kind.ordinal());
  }

  /** Whether a module is the one in which samples stand, of which no rule asks. */
  public static boolean isOfSamples(ModuleId module) {
    return module.value() == SAMPLES;
  }

  /** The kind that a sample stands for; empty for every other step. */
  public static Optional<StepKind> kindOf(StepId step) {
    long n = step.value() - SAMPLES;
    return n >= 0 && n < StepKind.values().length
        ? Optional.of(StepKind.values()[(int) n])
        : Optional.empty();
  }

  /** What is usual where a course says nothing else. */
  public static Usual shipped(StepKind kind, CourseId course) {
    Kind of = Kinds.of(kind);
    return new Usual(
        of.closes() ? Optional.of(ask("opens", new Leaf.CourseComplete(course))) : Optional.empty(),
        ask("done", of.usualDoneWhen(sample(kind))));
  }

  private static Condition ask(String id, Leaf leaf) {
    return new Condition.Ask(new NodeId(id), leaf);
  }

  /** The same rules about a step: what asks about the sample of its kind asks about it. */
  public Usual about(StepKind kind, StepId step) {
    StepId sample = sample(kind);
    return new Usual(opensWhen.map(rule -> rule.about(sample, step)), doneWhen.about(sample, step));
  }

  /** Whether a rule is the one by which such a step usually opens. */
  public boolean opensLike(Optional<Condition> rule) {
    return RuleChange.same(opensWhen, rule);
  }

  /** Whether a rule is the one by which such a step is usually done. */
  public boolean doneLike(Condition rule) {
    return RuleChange.same(Optional.of(doneWhen), Optional.of(rule));
  }

  /** Whether both say the same, whatever their parts are numbered. */
  public boolean like(Usual other) {
    return opensLike(other.opensWhen) && doneLike(other.doneWhen);
  }

  /** The design with the sample of a kind in it, so that rules can be asked and written of it. */
  public static CourseDesign with(CourseDesign d, StepKind kind) {
    Usual usual = shipped(kind, d.id());
    Step sample =
        new Step(
            sample(kind),
            "",
            kind,
            true,
            true,
            usual.opensWhen,
            usual.doneWhen,
            Step.Gate.USUAL,
            Step.Window.ALWAYS,
            Kinds.of(kind).usualScoring(),
            List.of(),
            Step.Audience.EVERYONE,
            List.of());
    List<CourseModule> modules = new ArrayList<>(d.modules());
    modules.add(
        new CourseModule(
            new ModuleId(SAMPLES),
            "",
            true,
            false,
            Optional.empty(),
            Optional.empty(),
            Step.Gate.USUAL,
            List.of(sample)));
    return d.of(modules);
  }
}
