package yendrik.core.rehearse.crowd;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntConsumer;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import yendrik.core.course.CourseIndex;
import yendrik.core.rehearse.crowd.CrowdResult.Days;
import yendrik.core.rule.plan.CompiledCourse;

/** Lets a crowd walk through a course, several of them at a time, and counts what became of it. */
public final class CrowdWalk {
  private static final double WEEK = 7;

  private CrowdWalk() {}

  /**
   * Walks all of them.
   *
   * @param walked is told how many have walked, from several threads; what it throws ends the walk
   */
  public static CrowdResult through(CompiledCourse course, Crowd crowd, IntConsumer walked) {
    var asks = new Asks(course);
    var count = new AtomicInteger();
    List<Trace> traces =
        IntStream.range(0, crowd.learners())
            .parallel()
            .mapToObj(learner -> {
              Trace trace = new Walker(course, asks, crowd, learner).walk();
              walked.accept(count.incrementAndGet());
              return trace;
            })
            .toList();
    return counted(course.index(), crowd, traces);
  }

  private static CrowdResult counted(CourseIndex index, Crowd crowd, List<Trace> traces) {
    List<CrowdResult.OfModule> modules = new ArrayList<>();
    for (int m = 0; m < index.modules(); m++) modules.add(module(index, m, traces));
    List<CrowdResult.OfStep> steps = new ArrayList<>();
    for (int s = 0; s < index.steps(); s++) steps.add(step(index, s, traces));
    List<CrowdResult.OfBadge> badges = new ArrayList<>();
    for (int b = 0; b < index.badges(); b++) {
      int badge = b;
      double[] earned = came(traces, t -> t.earned()[badge]);
      badges.add(new CrowdResult.OfBadge(index.badge(b).id(), earned.length, days(earned)));
    }
    double[] completed = came(traces, Trace::completed);
    return new CrowdResult(
        traces.size(),
        of(traces, Trace.Fate.FINISHED),
        of(traces, Trace.Fate.STOPPED),
        of(traces, Trace.Fate.NO_WAY_ON),
        of(traces, Trace.Fate.UNDER_WAY),
        (int)
            traces.stream().filter(t -> t.fate() != Trace.Fate.FINISHED && t.stands() < 0).count(),
        days(completed),
        IntStream.rangeClosed(1, crowd.weeks())
            .mapToObj(week -> (int) Arrays.stream(completed).filter(d -> d <= WEEK * week).count())
            .toList(),
        modules,
        steps,
        badges);
  }

  private static int of(List<Trace> traces, Trace.Fate fate) {
    return (int) traces.stream().filter(t -> t.fate() == fate).count();
  }

  private static CrowdResult.OfModule module(CourseIndex index, int m, List<Trace> traces) {
    ToDoubleFunction<Trace> began =
        t ->
            IntStream.range(index.firstStep(m), index.firstStep(m + 1))
                .mapToDouble(s -> t.opened()[s])
                .filter(d -> !Double.isNaN(d))
                .min()
                .orElse(Trace.NEVER);
    double[] took = came(traces, t -> t.modulesDone()[m] - began.applyAsDouble(t));
    return new CrowdResult.OfModule(
        index.module(m).id(),
        came(traces, began).length,
        came(traces, t -> t.modulesDone()[m]).length,
        days(took));
  }

  private static CrowdResult.OfStep step(CourseIndex index, int s, List<Trace> traces) {
    List<Trace> stand = traces.stream().filter(t -> t.stands() == s).toList();
    return new CrowdResult.OfStep(
        index.step(s).id(),
        came(traces, t -> t.opened()[s]).length,
        came(traces, t -> t.done()[s]).length,
        stand.size(),
        of(stand, Trace.Fate.NO_WAY_ON),
        days(came(traces, t -> t.done()[s] - t.opened()[s])));
  }

  /** Of those to whom it came at all, ascending. */
  private static double[] came(List<Trace> traces, ToDoubleFunction<Trace> what) {
    return traces.stream().mapToDouble(what).filter(d -> !Double.isNaN(d)).sorted().toArray();
  }

  private static Optional<Days> days(double[] ascending) {
    if (ascending.length == 0) return Optional.empty();
    return Optional.of(new Days(share(ascending, 0.5), share(ascending, 0.9)));
  }

  /** The least that this share of them do not exceed. */
  private static double share(double[] ascending, double share) {
    return ascending[Math.max(0, (int) Math.ceil(share * ascending.length) - 1)];
  }
}
