package yendrik.server.way;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.WeakHashMap;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Validity;
import yendrik.core.id.BadgeId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Progress;
import yendrik.core.progress.Renewing;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.rule.plan.CompiledCourse;

/** Badges that are earned again before or after they end. */
@Component
public class Renewals {
  /** The courses in which renewals are worked out, as long as the design is in use. */
  private final Map<CompiledCourse, Map<BadgeId, CompiledCourse>> beside =
      Collections.synchronizedMap(new WeakHashMap<>());

  Renewals() {}

  /** What a learner has done towards having a badge again since its last award. */
  public Optional<Progress> since(Progress progress, List<Fact> facts, int b) {
    Badge badge = progress.course().index().badge(b);
    CompiledCourse course =
        beside
            .computeIfAbsent(progress.course(), _ -> new ConcurrentHashMap<>())
            .computeIfAbsent(
                badge.id(),
                id -> CompiledCourse.of(Renewing.beside(progress.course().design(), id)));
    List<Fact> standing = Facts.standing(facts);
    return standing.stream()
        .filter(f -> f.what() instanceof Fact.BadgeIssued i && i.badge().equals(badge.id()))
        .map(Fact::at)
        .reduce((_, last) -> last)
        .map(award ->
            Renewing.since(course, progress.record().person(), standing, award, progress.asOf()));
  }

  /** Awards that were earned again, with the moment. */
  List<Progress.ToIssue> toIssue(Progress progress, Walk walk) {
    List<Progress.ToIssue> all = new ArrayList<>();
    for (int b : progress.toRenew()) {
      Badge badge = progress.course().index().badge(b);
      Instant end = progress.endsAt(b).orElseThrow();
      since(progress, walk.facts(), b)
          .flatMap(since -> since.earnedAt(since.course().index().number(badge.id())))
          .ifPresent(at -> {
            Optional<Instant> until =
                badge.validity().renewed(at, end, progress.course().design().zone());
            if (until.filter(u -> !u.isAfter(at)).isEmpty())
              all.add(new Progress.ToIssue(at, new Fact.BadgeIssued(badge.id(), "", until)));
          });
    }
    return all;
  }

  /** The steps that begin anew because a badge ends soon, and have not begun yet. */
  List<Fact.What> anew(Walk walk) {
    List<Fact.What> all = new ArrayList<>();
    CourseIndex index = walk.index();
    for (int b : walk.progress().toRenew()) {
      Validity validity = index.badge(b).validity();
      Instant soon = validity.soon(walk.progress().endsAt(b).orElseThrow());
      for (StepId step : validity.renewal().orElseThrow().anew())
        if (index.number(step) != CourseIndex.UNKNOWN && !begunSince(walk, step, soon))
          all.add(new Fact.StartedAnew(step, Optional.of(index.badge(b).name())));
    }
    return all.stream().distinct().toList();
  }

  private static boolean begunSince(Walk walk, StepId step, Instant soon) {
    return walk.facts().stream()
        .anyMatch(f ->
            f.what() instanceof Fact.StartedAnew anew
                && anew.step().equals(step)
                && !f.at().isBefore(soon));
  }
}
