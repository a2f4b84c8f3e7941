package yendrik.server.rehearse.crowd;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.rehearse.crowd.CrowdResult;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.server.rehearse.crowd.CrowdViews.BadgeCame;
import yendrik.server.rehearse.crowd.CrowdViews.Came;
import yendrik.server.rehearse.crowd.CrowdViews.ModuleCame;
import yendrik.server.rehearse.crowd.CrowdViews.StepCame;
import yendrik.server.rehearse.crowd.CrowdViews.Sums;

/** What became of a crowd in a draft, beside what became of it in what learners have now. */
record Merged(
    CompiledCourse draft,
    CrowdResult changed,
    Optional<CompiledCourse> published,
    Optional<CrowdResult> today) {

  /** As the draft has it; what only learners have comes behind. */
  Came came() {
    return new Came(Sums.of(changed), today.map(Sums::of), modules(), badges());
  }

  private List<CourseModule> modulesToday() {
    return published.map(p -> p.design().modules()).orElse(List.of());
  }

  private List<ModuleCame> modules() {
    List<ModuleCame> all = new ArrayList<>();
    List<CourseModule> now = draft.design().modules();
    for (CourseModule m : now) all.add(module(m));
    for (CourseModule m : modulesToday())
      if (now.stream().noneMatch(n -> n.id().equals(m.id()))) all.add(module(m));
    return all;
  }

  private ModuleCame module(CourseModule module) {
    List<Step> steps = new ArrayList<>(module.steps());
    for (CourseModule m : modulesToday())
      if (m.id().equals(module.id()))
        for (Step s : m.steps()) if (draft.design().step(s.id()).isEmpty()) addNew(steps, s);
    return new ModuleCame(
        module.id(),
        module.name(),
        one(changed.modules(), m -> m.module().equals(module.id())),
        today.flatMap(t -> one(t.modules(), m -> m.module().equals(module.id()))),
        steps.stream().map(this::step).toList());
  }

  private static void addNew(List<Step> steps, Step step) {
    if (steps.stream().noneMatch(s -> s.id().equals(step.id()))) steps.add(step);
  }

  private StepCame step(Step step) {
    return new StepCame(
        step.id(),
        step.name(),
        step.required(),
        one(changed.steps(), s -> s.step().equals(step.id())),
        today.flatMap(t -> one(t.steps(), s -> s.step().equals(step.id()))));
  }

  private List<BadgeCame> badges() {
    List<Badge> all = new ArrayList<>(draft.design().badges());
    for (Badge b : published.map(p -> p.design().badges()).orElse(List.of()))
      if (draft.design().badge(b.id()).isEmpty()) all.add(b);
    return all.stream()
        .map(b ->
            new BadgeCame(
                b.id(),
                b.name(),
                one(changed.badges(), c -> c.badge().equals(b.id())),
                today.flatMap(t -> one(t.badges(), c -> c.badge().equals(b.id())))))
        .toList();
  }

  private static <T> Optional<T> one(List<T> all, Predicate<T> which) {
    return all.stream().filter(which).findFirst();
  }
}
