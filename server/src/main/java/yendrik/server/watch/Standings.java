package yendrik.server.watch;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.GroupId;
import yendrik.core.outcome.Outcome;
import yendrik.core.record.LevelHistory;
import yendrik.server.design.Designs;
import yendrik.server.people.Seat;
import yendrik.server.watch.WatchViews.OutcomeTrend;
import yendrik.server.watch.WatchViews.TrendView;

/** Where a whole class stands: its levels over time. No facts are read. */
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

  TrendView trend(Seat seat, Optional<GroupId> group) {
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
      List<LevelHistory.Move> moves = learner.trend().of(outcome.id());
      for (int m = 0; m < mastery.length && !moves.isEmpty(); m++) {
        if (learner.enrolledAt().isAfter(moments.get(m))) continue;
        var level = LevelHistory.levelAt(moves, moments.get(m).toEpochMilli());
        if (level.isEmpty()) continue;
        rated[m]++;
        if (level.getAsInt() >= outcome.scale().mastery()) mastery[m]++;
      }
    }
    return new OutcomeTrend(
        outcome.id(),
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
}
