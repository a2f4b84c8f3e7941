package yendrik.server.watch;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Grade;
import yendrik.core.course.Step;
import yendrik.core.outcome.Outcome;
import yendrik.core.record.LevelHistory;
import yendrik.formats.table.Table;
import yendrik.server.design.Designs;
import yendrik.server.people.Seat;
import yendrik.server.watch.WatchViews.GradeHead;
import yendrik.server.watch.WatchViews.GradeRow;
import yendrik.server.watch.WatchViews.GradesView;
import yendrik.server.watch.WatchViews.OutcomeTrend;
import yendrik.server.watch.WatchViews.TrendView;

/** Where a whole class stands: its levels over time, and its grades. No facts are read. */
@Service
@Transactional(readOnly = true)
class Standings {
  private static final Duration WEEK = Duration.ofDays(7);
  private final Learners learners;
  private final Designs designs;
  private final Clock clock;

  Standings(Learners learners, Designs designs, Clock clock) {
    this.learners = learners;
    this.designs = designs;
    this.clock = clock;
  }

  TrendView trend(Seat seat, OptionalLong group) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return new TrendView(List.of(), List.of(), List.of());
    CourseDesign design = ready.get().document().design();
    List<Instant> moments = weeks(design.startsAt(), clock.instant());
    List<Learners.Moved> moved = learners.moved(seat, group);
    List<Integer> enrolled = moments.stream().map(m -> enrolled(moved, m)).toList();
    return new TrendView(
        moments,
        enrolled,
        design.outcomes().stream().map(o -> trend(o, moments, enrolled, moved)).toList());
  }

  /** The ends of the weeks since the start, and now; now alone before the first week is over. */
  static List<Instant> weeks(Instant start, Instant now) {
    List<Instant> moments = new ArrayList<>();
    for (Instant end = start.plus(WEEK); end.isBefore(now); end = end.plus(WEEK)) moments.add(end);
    moments.add(now);
    return moments;
  }

  private static int enrolled(List<Learners.Moved> moved, Instant at) {
    return (int) moved.stream().filter(s -> !s.enrolledAt().isAfter(at)).count();
  }

  private static OutcomeTrend trend(
      Outcome outcome, List<Instant> moments, List<Integer> enrolled, List<Learners.Moved> moved) {
    int[] mastery = new int[moments.size()];
    int[] rated = new int[moments.size()];
    for (Learners.Moved learner : moved) {
      List<LevelHistory.Move> moves = learner.trend().of(outcome.id().value());
      for (int m = 0; m < mastery.length && !moves.isEmpty(); m++) {
        if (learner.enrolledAt().isAfter(moments.get(m))) continue;
        var level = LevelHistory.levelAt(moves, moments.get(m).toEpochMilli());
        if (level.isEmpty()) continue;
        rated[m]++;
        if (level.getAsInt() >= outcome.scale().mastery()) mastery[m]++;
      }
    }
    return new OutcomeTrend(
        outcome.id().value(),
        outcome.code(),
        outcome.name(),
        shares(mastery, enrolled),
        shares(rated, enrolled));
  }

  private static List<Double> shares(int[] counts, List<Integer> of) {
    List<Double> shares = new ArrayList<>();
    for (int m = 0; m < counts.length; m++)
      shares.add(of.get(m) == 0 ? 0.0 : (double) counts[m] / of.get(m));
    return shares;
  }

  GradesView grades(Seat seat, Set<Long> people) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return new GradesView(0, List.of(), List.of(), List.of());
    CourseDesign design = ready.get().document().design();
    List<GradeHead> heads = new ArrayList<>();
    for (CourseModule module : design.modules())
      for (Step step : module.steps())
        if (step.scoring().points() > 0 && step.published() && module.published())
          heads.add(
              new GradeHead(
                  step.id().value(),
                  module.name(),
                  step.name(),
                  step.kind(),
                  step.scoring().points()));
    return new GradesView(
        design.version(),
        heads,
        Watching.groups(design, seat),
        learners.of(seat, people).stream().map(s -> row(s, heads)).toList());
  }

  /**
   * Writes the grades: each learner's total in percent, points of the steps, and the points that
   * the levels on outcomes are worth; empty cells where there is nothing yet.
   */
  void writeGrades(Seat seat, Table table) {
    GradesView view = grades(seat, Set.of());
    List<Outcome> outcomes =
        designs
            .published(seat.course())
            .map(r -> r.document().design().outcomes())
            .orElse(List.of());
    table.row("Learner", "Total %");
    view.steps().forEach(s -> table.cell(s.name()));
    outcomes.forEach(o -> table.cell(o.code()));
    table.row("Most", "100");
    view.steps().forEach(s -> table.cell(s.points()));
    outcomes.forEach(o -> table.cell(o.scale().value(o.scale().top()).points()));
    Map<Long, Map<Long, Integer>> levels = new HashMap<>();
    learners.of(seat).forEach(s -> levels.put(s.enrolment(), s.summary().levels()));
    for (GradeRow learner : view.learners()) {
      table.row(learner.name());
      number(table, learner.total().map(t -> 100 * t));
      for (GradeHead step : view.steps())
        number(
            table,
            Optional.ofNullable(learner.scores().get(step.id())).map(s -> s * step.points()));
      for (Outcome o : outcomes)
        number(
            table,
            Optional.ofNullable(levels.get(learner.enrolment()).get(o.id().value()))
                .map(level -> o.scale().value(level).points()));
    }
  }

  private static void number(Table table, Optional<Double> number) {
    number.ifPresentOrElse(n -> table.cell(n.doubleValue()), () -> table.cell(""));
  }

  private static GradeRow row(Learners.Snapshot s, List<GradeHead> heads) {
    Map<Long, Double> scores = s.summary().scores();
    List<Grade.Scored> scored =
        heads.stream()
            .filter(h -> scores.containsKey(h.id()))
            .map(h -> new Grade.Scored(h.points(), scores.get(h.id())))
            .toList();
    OptionalDouble total = Grade.soFar(scored);
    return new GradeRow(
        s.enrolment(),
        s.person(),
        s.name(),
        s.summary().groups(),
        !s.summary().flags().isEmpty(),
        scores,
        total.isPresent() ? Optional.of(total.getAsDouble()) : Optional.empty());
  }
}
