package yendrik.server.learn;

import static yendrik.schema.Tables.COURSE;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseIndex;
import yendrik.core.progress.Progress;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.words.Moment;
import yendrik.server.learn.RouteViews.AttendanceView;
import yendrik.server.learn.RouteViews.RouteView;
import yendrik.server.way.Explaining;
import yendrik.server.way.Walk;
import yendrik.server.wording.Wordings;

/** Lays a learner's way out as they see it. */
@Service
@Transactional(readOnly = true)
class Routes {
  private final BadgesShown badges;
  private final DSLContext db;
  private final NextStep next;
  private final StepList steps;
  private final Dates dates;
  private final Wordings wordings;

  Routes(
      DSLContext db,
      NextStep next,
      StepList steps,
      Dates dates,
      Wordings wordings,
      BadgesShown badges) {
    this.badges = badges;
    this.wordings = wordings;
    this.db = db;
    this.next = next;
    this.steps = steps;
    this.dates = dates;
  }

  RouteView route(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    var course = db.selectFrom(COURSE).where(COURSE.ID.eq(walk.course())).fetchSingle();
    int all = 0;
    int done = 0;
    for (int s = 0; s < index.steps(); s++) {
      if (!progress.counts(s)) continue;
      all++;
      if (progress.doneAt(s).isPresent()) done++;
    }
    long days = ChronoUnit.DAYS.between(course.getStartsAt(), progress.asOf());
    return new RouteView(
        course.getName(),
        course.getCohort(),
        (int) Math.clamp(days / 7 + 1, 1, course.getWeeks()),
        course.getWeeks(),
        course.getZone(),
        done,
        all,
        progress.completedAt().isPresent(),
        completion(walk),
        ownWord(progress),
        progress.completedAt().map(_ -> wordings.say(walk, Moment.COMPLETED, OptionalInt.empty())),
        behind(progress),
        next.of(walk),
        steps.of(walk),
        OutcomesShown.of(walk),
        badges.of(walk),
        attendance(progress.record()),
        dates.coming(walk));
  }

  private static Optional<Explaining.Part> completion(Walk walk) {
    if (walk.progress().course().design().completeWhen().isEmpty()) return Optional.empty();
    return Explaining.toLearner(walk).rule(new RuleAt.CourseComplete());
  }

  private static Optional<Boolean> ownWord(Progress progress) {
    return progress.course().completionAsks(Leaf.OwnWord.class)
        ? Optional.of(progress.record().ownWordAt() != LearnerRecord.NEVER)
        : Optional.empty();
  }

  private static int behind(Progress progress) {
    return IntStream.range(0, progress.course().index().steps())
        .filter(s -> progress.bead(s).overdue())
        .mapToObj(s -> Instant.ofEpochMilli(progress.record().due(s)))
        .min(Comparator.naturalOrder())
        .map(due -> (int) Duration.between(due, progress.asOf()).toDays())
        .orElse(0);
  }

  private static Optional<AttendanceView> attendance(LearnerRecord record) {
    return record.sessions().isEmpty()
        ? Optional.empty()
        : Optional.of(new AttendanceView(record.sessionsAttended(), record.sessionsCounted()));
  }
}
