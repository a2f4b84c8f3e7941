package yendrik.server.kinds.quiz;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.Counts;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.server.way.Walk;

/**
 * What full marks in the next attempt would bring, of what the learner may know already.
 *
 * @param opens names of steps
 * @param earns names of badges
 */
@Schema(name = "FullMarks")
public record FullMarks(List<String> opens, List<String> earns) {
  /** Nothing where full marks are reached, cannot be reached any more, or would bring nothing. */
  static Optional<FullMarks> of(Walk walk, int s) {
    Progress now = walk.progress();
    Step step = walk.step(s);
    AttemptsStrand strand = AttemptsStrand.of(now.record());
    double points = step.scoring().points();
    boolean settled = step.scoring().counts() == Counts.FIRST && strand.made(s) > 0;
    if (points <= 0 || !now.sight().open(s) || strand.best(s) >= 1 || settled)
      return Optional.empty();
    if (strand.left(s) == 0) return Optional.empty();
    Progress then =
        now.supposing(
            new AttemptFact.FinishedAttempt(step.id(), strand.made(s) + 1, points, points));
    CourseIndex index = now.course().index();
    Known known = new Known(now);
    List<String> opens = new ArrayList<>();
    for (int other = 0; other < index.steps(); other++)
      if (known.step(other)
          && known.missing(other)
          && then.sight().open(other)
          && !now.sight().open(other)) opens.add(index.step(other).name());
    List<String> earns = new ArrayList<>();
    for (int b = 0; b < index.badges(); b++)
      if (known.badge(b) && then.earnedAt(b).isPresent() && now.earnedAt(b).isEmpty())
        earns.add(index.badge(b).name());
    return opens.isEmpty() && earns.isEmpty()
        ? Optional.empty()
        : Optional.of(new FullMarks(opens, earns));
  }
}
