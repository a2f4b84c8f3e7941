package yendrik.server.watch;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Levels;
import yendrik.core.progress.StepState;
import yendrik.core.watch.Remedy;
import yendrik.server.way.Explaining;

/** What staff see when they watch. */
final class WatchViews {
  private WatchViews() {}

  /**
   * @param earlier the publication that the learner has, where who enrols now gets another
   */
  record LearnerView(
      EnrolmentId enrolment,
      PersonId person,
      String name,
      List<String> groups,
      Instant enrolledAt,
      Optional<Instant> lastHere,
      double share,
      int done,
      int steps,
      List<FlagView> flags,
      List<LevelView> levels,
      List<HeldView> badges,
      List<Integer> days,
      Optional<AttendanceView> attendance,
      List<Happened> happened,
      List<LetterView> letters,
      Optional<Integer> earlier) {}

  record AttendanceView(int attended, int counted) {}

  record FlagView(String name, Instant since, List<ReasonView> reasons) {}

  /** Why a flag is up, and what at a step would help. */
  @Schema(name = "FlagReason")
  record ReasonView(String says, Optional<RemedyView> remedy) {}

  /** What staff can do at a step. */
  @Schema(name = "FlagRemedy")
  record RemedyView(Remedy.Way way, StepId step, String name) {}

  @Schema(name = "LevelName")
  record LevelView(
      OutcomeId outcome,
      String code,
      String name,
      int level,
      String levelName,
      int levels,
      int mastery) {}

  record HeldView(BadgeId badge, String name, Optional<Instant> at) {}

  record Happened(Instant at, String what, String by) {}

  /**
   * @param answer whether the learner wrote it
   */
  @Schema(name = "LetterLine")
  record LetterView(Instant at, String subject, String from, boolean sent, boolean answer) {}

  /**
   * @param turn whose turn it is, in words
   * @param left what would change the state, the shortest list; nothing once it is settled
   */
  @Schema(name = "BeadInfo")
  record BeadView(
      EnrolmentId enrolment,
      PersonId person,
      String learner,
      StepId step,
      String name,
      StepKind kind,
      StepState state,
      boolean overdue,
      boolean outOfReach,
      String turn,
      Optional<Instant> due,
      int attemptsLeft,
      List<Explaining.Part> opens,
      Optional<Explaining.Part> done,
      List<Explaining.Left> left,
      List<Happened> happened) {}

  /**
   * @param sum the computation with its numbers, where there is one
   * @param change what would bring mastery or take it
   * @param parts the outcomes that it is made of, if it is
   * @param from when the learner was enrolled
   * @param moves how the level moved since, earliest first
   */
  record CellView(
      PersonId person,
      String learner,
      String code,
      String outcome,
      String method,
      Optional<String> sum,
      List<String> change,
      int level,
      List<String> levels,
      int mastery,
      List<PieceView> evidence,
      List<LevelView> parts,
      Instant from,
      List<MoveView> moves) {}

  /**
   * @param level from then on, -1 for none
   */
  record MoveView(Instant at, int level) {}

  /**
   * How a class, or a group of it, came to its levels.
   *
   * @param moments the ends of the course's weeks so far, the last one now
   * @param learners how many were enrolled at each
   */
  record TrendView(List<Instant> moments, List<Integer> learners, List<OutcomeTrend> outcomes) {}

  /**
   * @param mastery share of the learners at mastery at each moment, 0 to 1
   * @param rated share of them with any level
   */
  record OutcomeTrend(
      OutcomeId id, String code, String name, List<Double> mastery, List<Double> rated) {}

  /**
   * @param share of the result, 0 to 1
   */
  record PieceView(
      Instant at,
      int level,
      String levelName,
      String from,
      String by,
      double weight,
      Levels.Use use,
      double share,
      Optional<String> note) {}

  record FollowView(
      EnrolmentId enrolment,
      String name,
      Optional<Instant> lastHere,
      double share,
      List<FlagView> flags,
      List<LetterView> letters) {}
}
