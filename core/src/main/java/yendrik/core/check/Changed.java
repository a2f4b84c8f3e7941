package yendrik.core.check;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Flag;
import yendrik.core.course.Step;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.rule.Condition;

/** The same thing with something of it changed. */
final class Changed {
  private Changed() {}

  static CourseDesign step(CourseDesign d, StepId id, UnaryOperator<Step> change) {
    return with(
        d,
        d.modules().stream()
            .map(m ->
                new CourseModule(
                    m.id(),
                    m.name(),
                    m.published(),
                    m.strictOrder(),
                    m.opensWhen(),
                    m.doneWhen(),
                    m.gate(),
                    m.steps().stream().map(s -> s.id().equals(id) ? change.apply(s) : s).toList()))
            .toList(),
        d.badges(),
        d.flags(),
        d.completeWhen());
  }

  static CourseDesign module(CourseDesign d, ModuleId id, UnaryOperator<CourseModule> change) {
    return with(
        d,
        d.modules().stream().map(m -> m.id().equals(id) ? change.apply(m) : m).toList(),
        d.badges(),
        d.flags(),
        d.completeWhen());
  }

  static CourseDesign with(
      CourseDesign d,
      List<CourseModule> modules,
      List<Badge> badges,
      List<Flag> flags,
      Optional<Condition> completeWhen) {
    return new CourseDesign(
        d.id(),
        d.version(),
        d.name(),
        d.zone(),
        d.startsAt(),
        d.order(),
        d.outcomes(),
        modules,
        badges,
        flags,
        d.statuses(),
        completeWhen,
        d.groups(),
        d.sessions(),
        d.otherCourses());
  }

  static CourseModule with(
      CourseModule m, Optional<Condition> opensWhen, Optional<Condition> doneWhen) {
    return new CourseModule(
        m.id(), m.name(), m.published(), m.strictOrder(), opensWhen, doneWhen, m.gate(), m.steps());
  }

  static Badge with(Badge b, Optional<Condition> earnedWhen) {
    return new Badge(
        b.id(), b.name(), b.description(), b.module(), earnedWhen, b.surprise(), b.validity());
  }

  static Step with(Step s, Optional<Condition> opensWhen, Condition doneWhen) {
    return new Step(
        s.id(),
        s.name(),
        s.kind(),
        s.required(),
        s.published(),
        opensWhen,
        doneWhen,
        s.gate(),
        s.window(),
        s.scoring(),
        s.evidenceFor(),
        s.audience(),
        s.allowances());
  }

  static Step with(Step s, boolean published, Step.Window window, Step.Scoring scoring) {
    return new Step(
        s.id(),
        s.name(),
        s.kind(),
        s.required(),
        published,
        s.opensWhen(),
        s.doneWhen(),
        s.gate(),
        window,
        scoring,
        s.evidenceFor(),
        s.audience(),
        s.allowances());
  }
}
