package yendrik.server.learn;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.progress.StepState;
import yendrik.server.award.AwardState;
import yendrik.server.design.BadgePicture;
import yendrik.server.way.Explaining;

/** What learners see. */
public final class RouteViews {
  private RouteViews() {}

  /**
   * @param next the step to go on with, empty when nothing is open
   * @param completion what the course's completion asks for, where more was said than the usual
   * @param ownWord whether the learner has said to have completed it; empty where nobody asks
   * @param said what is said to whoever has completed the course
   * @param behindDays how many days ago the earliest overdue step was due, 0 when on plan
   */
  public record RouteView(
      String course,
      String cohort,
      int week,
      int weeks,
      String zone,
      int done,
      int steps,
      boolean complete,
      Optional<Explaining.Part> completion,
      Optional<Boolean> ownWord,
      Optional<String> said,
      int behindDays,
      Optional<NextView> next,
      List<ModuleView> modules,
      List<OutcomeView> outcomes,
      List<BadgeView> badges,
      Optional<AttendanceView> attendance,
      List<DateView> coming) {}

  /**
   * @param attended sessions that one was at
   * @param counted sessions with a mark that one was not excused from
   */
  @Schema(name = "MyAttendance")
  public record AttendanceView(int attended, int counted) {}

  /**
   * @param opens names of what doing it opens
   */
  public record NextView(
      StepId step, String name, StepKind kind, String module, String why, List<String> opens) {}

  @Schema(name = "RouteModule")
  public record ModuleView(
      ModuleId id,
      String name,
      boolean open,
      int done,
      int all,
      boolean finished,
      List<Explaining.Part> missing,
      List<StepLine> steps) {}

  /**
   * @param note a few words on where it stands: "read Wed 4 Nov", "due Sun 29 Nov"
   * @param unread what others wrote there and was not read yet
   * @param missing while closed: what keeps it closed, with what is met already
   * @param far while closed: whether more than what is missing there has to come before it opens
   */
  public record StepLine(
      StepId id,
      String name,
      StepKind kind,
      StepState state,
      boolean overdue,
      boolean outOfReach,
      boolean required,
      int minutes,
      String note,
      int unread,
      List<Explaining.Part> missing,
      boolean far) {}

  /**
   * @param level index of the level reached, -1 without evidence
   * @param next the level above the one reached, if there is one; mastery before any is reached
   * @param change what would bring mastery, in words; empty at mastery
   * @param shownIn the next steps that give evidence of it and are not done yet
   * @param opensNext closed steps and modules that wait for this outcome
   */
  @Schema(name = "MyOutcome")
  public record OutcomeView(
      OutcomeId id,
      String code,
      String name,
      String description,
      int level,
      String levelName,
      String levelMeans,
      int levels,
      int mastery,
      List<EvidenceView> evidence,
      Optional<NextLevel> next,
      List<String> change,
      List<ShownIn> shownIn,
      List<String> opensNext) {}

  public record NextLevel(String name, String means) {}

  public record ShownIn(StepId step, String name, boolean open) {}

  /**
   * @param words what staff wrote about it: a note, or the comment on the work
   */
  public record EvidenceView(Instant at, String level, String from, Optional<String> words) {}

  /**
   * A badge as a learner has it or not.
   *
   * @param earned whether they hold it now
   * @param at when it was awarded last
   * @param state of the last award; empty if there never was one
   * @param until when it ends or ended
   * @param said why it was given by hand, or taken back
   * @param needs what is missing, also of having it again
   */
  @Schema(name = "MyBadge")
  public record BadgeView(
      BadgeId id,
      String name,
      String description,
      Optional<ModuleId> module,
      BadgePicture picture,
      boolean earned,
      Optional<Instant> at,
      Optional<AwardState> state,
      Optional<Instant> until,
      Optional<String> said,
      Optional<Explaining.Part> needs) {}

  /**
   * Something that has a date.
   *
   * @param id the same as long as it is the same date, whenever it is
   * @param until when it ends, if it takes a while
   * @param step what it is about, unless it is a session
   * @param open whether one can go there now
   */
  @Schema(name = "Dated")
  public record DateView(
      String id,
      DateKind is,
      String name,
      Instant at,
      Optional<Instant> until,
      Optional<StepId> step,
      boolean open) {}

  /** What has a date. */
  public enum DateKind {
    SESSION,
    OPENS,
    DUE,
    LATE_UNTIL,
    CLOSES
  }

  /**
   * One step opened.
   *
   * @param takesUntil until when something may still be done there, if that ends
   * @param said where the learner stands, in the words of the step, the course or the institution
   * @param told what is said about what was handed in just now
   */
  public record StepPage(
      StepId id,
      String name,
      StepKind kind,
      String module,
      StepState state,
      boolean overdue,
      boolean outOfReach,
      int minutes,
      Optional<Instant> due,
      Optional<Instant> takesUntil,
      String body,
      Optional<Explaining.Part> doneWhen,
      boolean confirmable,
      boolean confirmed,
      LearnerPart part,
      List<String> evidenceFor,
      Optional<Link> before,
      Optional<Link> after,
      List<String> opened,
      Optional<String> said,
      Optional<String> told) {}

  public record Link(StepId id, String name) {}
}
