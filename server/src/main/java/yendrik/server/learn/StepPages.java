package yendrik.server.learn;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Bead;
import yendrik.core.progress.Known;
import yendrik.core.progress.Moments;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Condition;
import yendrik.core.rule.RuleAt;
import yendrik.core.strand.confirm.ConfirmLeaf;
import yendrik.core.strand.confirm.ConfirmStrand;
import yendrik.core.words.Moment;
import yendrik.server.design.TextFiles;
import yendrik.server.learn.RouteViews.Link;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.way.Explaining;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.wording.Wordings;

/** Steps as learners see them: what all kinds have, and the part of the kind. */
@Component
public class StepPages {
  private final Walks walks;
  private final StepLearners rooms;
  private final Wordings wordings;

  StepPages(Walks walks, StepLearners rooms, Wordings wordings) {
    this.wordings = wordings;
    this.walks = walks;
    this.rooms = rooms;
  }

  /** Does something at a step and shows it, with what has opened by it. */
  public StepPage after(
      EnrolmentId enrolment, PersonId person, StepId step, Function<Walk, List<Fact.What>> act) {
    Set<String> before = new HashSet<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              List<Fact.What> facts = act.apply(w);
              before.addAll(openNames(w.progress()));
              return facts;
            });
    return page(walk, step, opened(before, walk.progress()));
  }

  /** Shows a step that is open. */
  public StepPage page(Walk walk, StepId step, List<String> opened) {
    return page(walk, StepDoor.open(walk, step), opened, /* sent= */ false);
  }

  /** Shows a step where something was handed in just now. */
  public StepPage sent(Walk walk, StepId step, List<String> opened) {
    return page(walk, StepDoor.open(walk, step), opened, /* sent= */ true);
  }

  private StepPage page(Walk walk, int s, List<String> opened, boolean sent) {
    Progress progress = walk.progress();
    CourseIndex index = walk.index();
    Step step = walk.step(s);
    Bead bead = progress.bead(s);
    LearnerRecord record = progress.record();
    String way = Wayfarer.name(walk);
    boolean confirmable =
        step.doneWhen()
            .nodes()
            .anyMatch(
                n -> n instanceof Condition.Ask a && a.leaf() instanceof ConfirmLeaf.Confirmed);
    return new StepPage(
        step.id(),
        step.name(),
        step.kind(),
        new Known(progress).module(index.moduleOf(s)) ? index.module(index.moduleOf(s)).name() : "",
        bead.state(),
        bead.overdue(),
        bead.outOfReach(),
        walk.ready().document().minutes().getOrDefault(step.id(), 10),
        Explaining.moment(record.due(s)),
        Explaining.moment(record.takesUntil(s)),
        TextFiles.at(
            "/api/courses/" + walk.course() + "/walks/" + way + "/steps/" + step.id() + "/files",
            walk.ready().document().content(step.id()).body()),
        Explaining.toLearner(walk).rule(new RuleAt.StepDone(step.id())),
        confirmable && walk.usable(s),
        ConfirmStrand.of(record).at(s) != LearnerRecord.NEVER,
        rooms.of(step.kind()).part(walk, s),
        step.evidenceFor().stream()
            .map(t -> index.outcome(index.number(t.outcome())).name())
            .toList(),
        neighbour(progress, s, -1),
        neighbour(progress, s, 1),
        opened,
        Moments.at(progress, s).map(m -> wordings.say(walk, m, OptionalInt.of(s))),
        sent
            ? Optional.of(wordings.say(walk, Moment.HANDED_IN, OptionalInt.of(s)))
            : Optional.empty());
  }

  private static Optional<Link> neighbour(Progress progress, int s, int way) {
    CourseIndex index = progress.course().index();
    for (int n = s + way; n >= 0 && n < index.steps(); n += way)
      if (new Known(progress).step(n) && progress.sight().open(n))
        return Optional.of(new Link(index.step(n).id(), index.step(n).name()));
    return Optional.empty();
  }

  /** The names of all steps that are open. */
  public static Set<String> openNames(Progress progress) {
    Set<String> names = new HashSet<>();
    for (int s = 0; s < progress.course().index().steps(); s++)
      if (progress.sight().open(s)) names.add(progress.course().index().step(s).name());
    return names;
  }

  /** The names of those that have opened since. */
  public static List<String> opened(Set<String> before, Progress after) {
    List<String> opened = new ArrayList<>();
    for (int s = 0; s < after.course().index().steps(); s++) {
      String name = after.course().index().step(s).name();
      if (after.sight().open(s) && new Known(after).step(s) && !before.contains(name))
        opened.add(name);
    }
    return opened;
  }
}
