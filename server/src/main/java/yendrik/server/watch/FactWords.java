package yendrik.server.watch;

import java.util.Map;
import java.util.Optional;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.id.BadgeId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Scale;
import yendrik.core.record.Fact;
import yendrik.core.rule.words.Dates;
import yendrik.core.words.Numbers;

/** Says facts in words, for the history of a learner. */
public final class FactWords {
  private final CourseDesign design;
  private final Map<SessionId, String> sessions;
  private final Dates dates;

  /**
   * @param sessions what each session is called
   */
  public FactWords(CourseDesign design, Map<SessionId, String> sessions, Dates dates) {
    this.sessions = sessions;
    this.design = design;
    this.dates = dates;
  }

  /** Empty for facts that only say that somebody was there. */
  public Optional<String> of(Fact.What what) {
    return switch (what) {
      case Fact.WasHere _, Fact.TakenBack _ -> Optional.empty();
      case Fact.OfStrand f -> f.says(step(f.step()));
      case Fact.Enrolled _ -> Optional.of("Enrolled");
      case Fact.LeftCourse _ -> Optional.of("Left the course");
      case Fact.Rated f -> rated(f);
      case Fact.Attendance f ->
          Optional.of(
              design.status(f.status()).map(AttendanceStatus::name).orElse("Marked")
                  + ": "
                  + sessions.getOrDefault(f.session(), "a session"));
      case Fact.JoinedGroup f ->
          Optional.of("Joined the group " + design.groups().getOrDefault(f.group(), ""));
      case Fact.LeftGroup f ->
          Optional.of("Left the group " + design.groups().getOrDefault(f.group(), ""));
      case Fact.BadgeIssued f ->
          Optional.of("Badge issued: " + badge(f.badge()) + Numbers.said(f.reason()));
      case Fact.CameUnder f -> Optional.of("Came under version " + f.version() + " of the course");
      case Fact.BadgeKept f ->
          Optional.of("Badge kept: " + badge(f.badge()) + Numbers.said(f.reason()));
      case Fact.ExceptionEnded f ->
          Optional.of(ended(f.grant()) + " at " + step(f.step()) + Numbers.said(f.reason()));
      case Fact.BadgeRevoked f ->
          Optional.of("Badge revoked: " + badge(f.badge()) + Numbers.said(f.reason()));
      case Fact.CompletedCourse f ->
          Optional.of(
              "Completed " + design.otherCourses().getOrDefault(f.course(), "another course"));
      case Fact.Opened f -> Optional.of("Opened by exception: " + step(f.step()));
      case Fact.Excused f ->
          Optional.of("Excused from " + step(f.step()) + Numbers.said(f.reason()));
      case Fact.DueMoved f -> Optional.of(step(f.step()) + " due " + dates.moment(f.due()));
      case Fact.AttemptsAdded f ->
          Optional.of(Numbers.count(f.attempts(), "more attempt") + " at " + step(f.step()));
    };
  }

  private static String ended(Fact.Grant grant) {
    return switch (grant) {
      case OPENED -> "Opening by exception ended";
      case EXCUSED -> "Excuse ended";
      case DUE_MOVED -> "Later due date ended";
      case ATTEMPTS -> "Extra attempts ended";
    };
  }

  private Optional<String> rated(Fact.Rated f) {
    return design
        .outcome(f.outcome())
        .map(o ->
            "Rated "
                + o.code()
                + " “"
                + level(o.scale(), f.level())
                + "”"
                + f.note().map(n -> ": " + n).orElse(""));
  }

  private static String level(Scale scale, int key) {
    int level = scale.at(key);
    return level < 0 ? "a level that is gone" : scale.levels().get(level).name();
  }

  private String badge(BadgeId id) {
    return design.badge(id).map(b -> b.name()).orElse("a badge that is gone");
  }

  private String step(StepId id) {
    return design.step(id).map(Step::name).map(n -> "“" + n + "”").orElse("a step that is gone");
  }
}
