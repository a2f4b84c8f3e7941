package yendrik.server.learn;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.kind.Kinds;
import yendrik.core.progress.Bead;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Rules;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.words.Phrase;
import yendrik.server.learn.RouteViews.NextView;
import yendrik.server.way.Explaining;
import yendrik.server.way.Walk;

/** The step that a learner does best next, and why. */
@Component
class NextStep {
  private final StepLearners rooms;

  NextStep(StepLearners rooms) {
    this.rooms = rooms;
  }

  /** The first required step that the learner can do something about, else the first other one. */
  Optional<NextView> of(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    return IntStream.range(0, index.steps())
        .filter(s -> actionable(progress, s))
        .boxed()
        .min(
            Comparator.<Integer, Boolean>comparing(s -> !index.step(s).required())
                .thenComparing(s -> s))
        .map(s -> view(walk, s));
  }

  private static boolean actionable(Progress progress, int s) {
    Bead bead = progress.bead(s);
    if (bead.outOfReach() || AttemptsStrand.of(progress.record()).left(s) == 0) return false;
    boolean withStaff = Kinds.of(progress.course().index().step(s).kind()).withStaff();
    if (withStaff && bead.state() == StepState.BEGUN) return false;
    return switch (bead.state()) {
      case OPEN, BEGUN, AGAIN -> progress.sight().open(s);
      default -> false;
    };
  }

  private NextView view(Walk walk, int s) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    Step step = index.step(s);
    List<String> opens =
        Rules.of(index.design()).entrySet().stream()
            .filter(e ->
                e.getKey() instanceof RuleAt.StepOpens || e.getKey() instanceof RuleAt.ModuleOpens)
            .filter(e -> asksAbout(e.getValue(), step))
            .map(e -> name(progress, e.getKey()))
            .flatMap(Optional::stream)
            .toList();
    List<Phrase> why = new ArrayList<>();
    int minutes = walk.ready().document().minutes().getOrDefault(step.id(), 10);
    why.add(Phrase.of("next.what", "kind", kind(step), "n", minutes));
    int left = AttemptsStrand.of(progress.record()).left(s);
    if (left != Integer.MAX_VALUE) why.add(Phrase.of("next.left", "n", left));
    Explaining.moment(progress.record().due(s))
        .map(due -> Phrase.of("note.due", "day", new Phrase.Day(due.minusSeconds(1))))
        .ifPresent(why::add);
    return new NextView(
        step.id(),
        step.name(),
        step.kind(),
        index.module(index.moduleOf(s)).name(),
        walk.writing().say(Phrase.of("text", "text", new Phrase.Listed(why))),
        opens);
  }

  private static Phrase kind(Step step) {
    return Phrase.of("kind." + step.kind().name() + ".name");
  }

  private static boolean asksAbout(Condition rule, Step step) {
    return rule.nodes()
        .anyMatch(n ->
            n instanceof Condition.Ask ask
                && ask.leaf() instanceof Leaf.OfStep of
                && !(of instanceof MarkLeaf.NotPassed)
                && of.step().equals(step.id()));
  }

  private static Optional<String> name(Progress progress, RuleAt at) {
    CourseIndex index = progress.course().index();
    var known = new Known(progress);
    return switch (at) {
      case RuleAt.StepOpens r ->
          known.step(r.step()) && known.missing(index.number(r.step()))
              ? index.design().step(r.step()).map(Step::name)
              : Optional.empty();
      case RuleAt.ModuleOpens r ->
          known.module(r.module()) && known.missingOf(index.number(r.module()))
              ? index.design().module(r.module()).map(CourseModule::name)
              : Optional.empty();
      default -> Optional.empty();
    };
  }
}
