package yendrik.core.rehearse;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Decision;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.plan.CompiledCourse;

/**
 * Plays a rehearsal: a made-up learner, enrolled when the course starts, to whom its lines happen
 * one after the other. What cannot happen is said and left out; the lines after it are played all
 * the same.
 */
public final class Rehearsing {
  private static final PersonId MADE_UP = new PersonId(Long.MAX_VALUE);

  private final Stage stage;
  private final CourseIndex index;

  private Rehearsing(CompiledCourse course) {
    index = course.index();
    Instant start = course.design().startsAt();
    stage = new Stage(Progress.begin(course, MADE_UP, start));
    stage.happens(new Fact.Enrolled());
  }

  /** All lines, each as it came out. */
  public static List<Played> play(CompiledCourse course, List<Line> lines) {
    var rehearsing = new Rehearsing(course);
    List<Played> all = new ArrayList<>();
    rehearsing.stage.taken();
    for (Line line : lines) all.add(rehearsing.play(line));
    return List.copyOf(all);
  }

  /** The made-up learner behind all of these lines. */
  public static Progress behind(CompiledCourse course, List<Line> lines) {
    var rehearsing = new Rehearsing(course);
    for (Line line : lines) rehearsing.play(line);
    return rehearsing.stage.progress();
  }

  private Played play(Line line) {
    Optional<Cannot> cannot = Optional.empty();
    Optional<Boolean> holds = Optional.empty();
    switch (line) {
      case Line.AsIf asIf -> cannot = new AsIf(stage).come(asIf.leaf());
      case Line.Later later -> stage.pass(Duration.ofDays(later.days()));
      case Line.Given given -> cannot = give(given);
      case Line.Expect expect -> {
        Optional<Boolean> is = is(expect.at());
        holds = Optional.of(is.isPresent() && is.get() == expect.so());
        if (is.isEmpty()) cannot = Optional.of(Cannot.GONE);
      }
    }
    List<Decision> came = stage.taken();
    Progress progress = stage.progress();
    return new Played(line, progress.asOf(), progress.thread(), cannot, came, holds);
  }

  private Optional<Cannot> give(Line.Given given) {
    int s = index.number(given.step());
    if (s == CourseIndex.UNKNOWN) return Optional.of(Cannot.GONE);
    if (!index.published(s) || !stage.progress().record().isFor(s))
      return Optional.of(Cannot.NOT_THERE);
    StepId step = given.step();
    stage.happens(
        switch (given.grant()) {
          case OPENED -> new Fact.Opened(step);
          case EXCUSED -> new Fact.Excused(step, "");
          case ATTEMPTS -> new Fact.AttemptsAdded(step, 1);
          case ANEW -> new Fact.StartedAnew(step, Optional.empty());
          case DUE_MOVED, TIME -> throw new IllegalStateException("not rehearsed");
        });
    return Optional.empty();
  }

  /** Whether something is so now; empty where the design does not have it. */
  private Optional<Boolean> is(RuleAt at) {
    Progress now = stage.progress();
    return switch (at) {
      case RuleAt.StepOpens r -> known(index.number(r.step())).map(s -> now.sight().open(s));
      case RuleAt.StepDone r -> known(index.number(r.step())).map(s -> now.doneAt(s).isPresent());
      case RuleAt.ModuleOpens r -> known(index.number(r.module())).map(now::moduleOpen);
      case RuleAt.ModuleDone r ->
          known(index.number(r.module())).map(m -> now.sight().moduleDoneAt(m) != Stage.NEVER);
      case RuleAt.BadgeEarned r -> known(index.number(r.badge())).map(b -> now.sight().holds(b));
      case RuleAt.CourseComplete _ -> Optional.of(now.completedAt().isPresent());
      case RuleAt.FlagRaised r -> {
        var flags = index.design().flags();
        for (int f = 0; f < flags.size(); f++)
          if (flags.get(f).id().equals(r.flag())) yield Optional.of(now.flaggedAt(f).isPresent());
        yield Optional.empty();
      }
      case RuleAt.OutcomeMade _, RuleAt.BadgeRenewed _ -> Optional.empty();
    };
  }

  private static Optional<Integer> known(int number) {
    return number == CourseIndex.UNKNOWN ? Optional.empty() : Optional.of(number);
  }
}
