package yendrik.server.watch;

import java.util.Map;
import java.util.Optional;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.id.BadgeId;
import yendrik.core.id.GroupId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Outcome;
import yendrik.core.record.Fact;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;

/** Says facts in words, for the history of a learner. */
public final class FactWords {
  private final CourseDesign design;
  private final Map<GroupId, String> groups;
  private final Map<SessionId, String> sessions;
  private final Writing writing;

  /**
   * @param groups what each group is called, or was while there was one
   * @param sessions what each session is called
   */
  public FactWords(
      CourseDesign design,
      Map<GroupId, String> groups,
      Map<SessionId, String> sessions,
      Writing writing) {
    this.groups = groups;
    this.sessions = sessions;
    this.design = design;
    this.writing = writing;
  }

  /** Empty for facts that only say that somebody was there. */
  public Optional<String> of(Fact.What what) {
    return phrase(what).map(writing::say);
  }

  private Optional<Phrase> phrase(Fact.What what) {
    return switch (what) {
      case Fact.WasHere _, Fact.TakenBack _ -> Optional.empty();
      case Fact.OfStrand f -> f.says(step(f.step()));
      case Fact.Enrolled _ -> Optional.of(Phrase.of("fact.enrolled"));
      case Fact.LeftCourse _ -> Optional.of(Phrase.of("fact.left"));
      case Fact.Rated f -> design.outcome(f.outcome()).map(o -> rated(f, o));
      case Fact.Attendance f -> Optional.of(attendance(f));
      case Fact.JoinedGroup f ->
          Optional.of(Phrase.of("fact.joined-group", "group", group(f.group())));
      case Fact.LeftGroup f -> Optional.of(Phrase.of("fact.left-group", "group", group(f.group())));
      case Fact.BadgeIssued f -> badge("fact.badge-issued", f.badge(), f.reason());
      case Fact.BadgeKept f -> badge("fact.badge-kept", f.badge(), f.reason());
      case Fact.BadgeRevoked f -> badge("fact.badge-revoked", f.badge(), f.reason());
      case Fact.CameUnder f -> Optional.of(Phrase.of("fact.came-under", "n", f.version()));
      case Fact.ExceptionEnded f ->
          Optional.of(
              Phrase.of("fact.exception-ended", "grant", f.grant().name(), "step", step(f.step()))
                  .saying(f.reason()));
      case Fact.Approved f ->
          Optional.of(Phrase.of("fact.approved", "by", f.kind().name()).saying(f.note()));
      case Fact.OwnWord _ -> Optional.of(Phrase.of("fact.own-word"));
      case Fact.CompletedCourse f ->
          Optional.of(
              Phrase.of(
                  "fact.completed-course",
                  "course",
                  named(
                      Optional.ofNullable(design.otherCourses().get(f.course())),
                      "fact.completed-course.gone")));
      case Fact.Opened f ->
          Optional.of(
              Phrase.of("fact.exception-opened", "step", step(f.step()))
                  .saying(f.reason().orElse("")));
      case Fact.Excused f ->
          Optional.of(Phrase.of("fact.excused", "step", step(f.step())).saying(f.reason()));
      case Fact.DueMoved f ->
          Optional.of(
              Phrase.of("fact.due-moved", "step", step(f.step()), "due", f.due())
                  .saying(f.reason().orElse("")));
      case Fact.TimeAdded f ->
          Optional.of(
              Phrase.of("fact.time-added", "n", f.minutes(), "step", step(f.step()))
                  .saying(f.reason().orElse("")));
      case Fact.StartedAnew f ->
          Optional.of(
              Phrase.of("fact.started-anew", "step", step(f.step())).saying(f.reason().orElse("")));
      case Fact.AttemptsAdded f ->
          Optional.of(
              Phrase.of("fact.attempts-added", "n", f.attempts(), "step", step(f.step()))
                  .saying(f.reason().orElse("")));
    };
  }

  private Phrase attendance(Fact.Attendance f) {
    return Phrase.of(
        "fact.attendance",
        "status",
        named(design.status(f.status()).map(AttendanceStatus::name), "fact.attendance.status-gone"),
        "session",
        named(Optional.ofNullable(sessions.get(f.session())), "fact.attendance.session-gone"));
  }

  private static Phrase rated(Fact.Rated f, Outcome outcome) {
    int at = outcome.scale().at(f.level());
    Phrase level =
        at < 0 ? Phrase.of("gone.level") : Phrase.text(outcome.scale().levels().get(at).name());
    return f.note()
        .map(note ->
            Phrase.of("fact.rated-note", "outcome", outcome.code(), "level", level, "note", note))
        .orElseGet(() -> Phrase.of("fact.rated", "outcome", outcome.code(), "level", level));
  }

  private Optional<Phrase> badge(String key, BadgeId id, String reason) {
    Phrase badge = named(design.badge(id).map(Badge::name), "gone.badge");
    return Optional.of(Phrase.of(key, "badge", badge).saying(reason));
  }

  private Phrase group(GroupId id) {
    return named(Optional.ofNullable(groups.get(id)), "gone.group");
  }

  private Phrase step(StepId id) {
    return design
        .step(id)
        .map(Step::name)
        .map(Phrase::quoted)
        .orElseGet(() -> Phrase.of("gone.step"));
  }

  private static Phrase named(Optional<String> name, String gone) {
    return name.map(Phrase::text).orElseGet(() -> Phrase.of(gone));
  }
}
