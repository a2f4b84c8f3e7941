package yendrik.core.check;

import java.util.Optional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Flag;
import yendrik.core.course.Step;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.RuleAt;

/** One change of a design that removes a finding. */
public sealed interface Mend {
  /** The same design with the change in it. */
  CourseDesign in(CourseDesign design);

  /**
   * Another rule at a place.
   *
   * @param how what of it is changed
   * @param part the part that is taken out or changed, as it was
   * @param rule empty for what is usual there, or for none
   */
  record Rule(RuleAt place, How how, Condition part, Optional<Condition> rule) implements Mend {
    @Override
    public CourseDesign in(CourseDesign d) {
      return switch (place) {
        case RuleAt.StepOpens r ->
            Changed.step(d, r.step(), s -> Changed.with(s, rule, s.doneWhen()));
        case RuleAt.StepDone r ->
            Changed.step(
                d, r.step(), s -> Changed.with(s, s.opensWhen(), rule.orElseGet(s::doneWhen)));
        case RuleAt.ModuleOpens r ->
            Changed.module(d, r.module(), m -> Changed.with(m, rule, m.doneWhen()));
        case RuleAt.ModuleDone r ->
            Changed.module(d, r.module(), m -> Changed.with(m, m.opensWhen(), rule));
        case RuleAt.BadgeEarned r ->
            Changed.with(
                d,
                d.modules(),
                d.badges().stream()
                    .map(b -> b.id().equals(r.badge()) ? Changed.with(b, rule) : b)
                    .toList(),
                d.flags(),
                d.completeWhen());
        case RuleAt.CourseComplete _ -> Changed.with(d, d.modules(), d.badges(), d.flags(), rule);
        case RuleAt.FlagRaised r ->
            Changed.with(
                d,
                d.modules(),
                d.badges(),
                d.flags().stream()
                    .map(f ->
                        f.id().equals(r.flag())
                            ? new Flag(f.id(), f.name(), rule.orElseGet(f::flagWhen))
                            : f)
                    .toList(),
                d.completeWhen());
        case RuleAt.OutcomeMade _, RuleAt.BadgeRenewed _ -> d;
      };
    }
  }

  /** What is changed of a rule. */
  enum How {
    /** A part is taken out. */
    OUT,
    /** A part asks for as many as there are. */
    FEWER,
    /** The whole rule is taken away. */
    NONE
  }

  /** A step is published. */
  record PublishStep(StepId step) implements Mend {
    @Override
    public CourseDesign in(CourseDesign d) {
      return Changed.step(d, step, s -> Changed.with(s, true, s.window(), s.scoring()));
    }
  }

  record PublishModule(ModuleId module) implements Mend {
    @Override
    public CourseDesign in(CourseDesign d) {
      return Changed.module(
          d,
          module,
          m ->
              new CourseModule(
                  m.id(),
                  m.name(),
                  true,
                  m.strictOrder(),
                  m.opensWhen(),
                  m.doneWhen(),
                  m.gate(),
                  m.steps()));
    }
  }

  /** As many attempts as wanted. */
  record AnyAttempts(StepId step) implements Mend {
    @Override
    public CourseDesign in(CourseDesign d) {
      return Changed.step(
          d,
          step,
          s ->
              Changed.with(
                  s,
                  s.published(),
                  s.window(),
                  new Step.Scoring(
                      s.scoring().points(), s.scoring().passMark(), 0, s.scoring().other())));
    }
  }

  /** No due date. */
  record NoDueDate(StepId step) implements Mend {
    @Override
    public CourseDesign in(CourseDesign d) {
      return Changed.step(
          d,
          step,
          s ->
              Changed.with(
                  s,
                  s.published(),
                  new Step.Window(
                      s.window().from(), Optional.empty(), s.window().late(), s.window().until()),
                  s.scoring()));
    }
  }
}
