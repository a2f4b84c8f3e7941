package yendrik.server.watch;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.course.StepKind;
import yendrik.core.outcome.Levels;
import yendrik.core.progress.StepState;
import yendrik.server.way.Explaining;
import yendrik.server.way.Summary;

/** What staff see when they watch. */
final class WatchViews {
  private WatchViews() {}

  /**
   * @param steps in course order, as the threads are
   */
  record ProgressView(
      int version,
      Instant now,
      String zone,
      List<ModuleHead> modules,
      List<StepHead> steps,
      List<Group> groups,
      List<LearnerRow> learners) {}

  record ModuleHead(long id, String name) {}

  record StepHead(
      long id, long module, String name, StepKind kind, boolean published, boolean required) {}

  record Group(long id, String name) {}

  /**
   * @param thread one letter for each step, see the glyphs
   * @param overdue how many steps are overdue
   */
  record LearnerRow(
      long enrolment,
      long person,
      String name,
      Optional<Instant> lastHere,
      double share,
      String thread,
      int overdue,
      List<Summary.Raised> flags,
      List<Long> groups) {}

  record LearnerView(
      long enrolment,
      long person,
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
      List<LetterView> letters) {}

  record AttendanceView(int attended, int counted) {}

  record FlagView(String name, Instant since, List<String> reasons) {}

  @Schema(name = "LevelName")
  record LevelView(
      long outcome,
      String code,
      String name,
      int level,
      String levelName,
      int levels,
      int mastery) {}

  record HeldView(long badge, String name, Optional<Instant> at) {}

  record Happened(Instant at, String what, String by) {}

  /**
   * @param answer whether the learner wrote it
   */
  @Schema(name = "LetterLine")
  record LetterView(Instant at, String subject, String from, boolean sent, boolean answer) {}

  /**
   * @param turn whose turn it is, in words
   */
  @Schema(name = "BeadInfo")
  record BeadView(
      long enrolment,
      long person,
      String learner,
      long step,
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
      List<Happened> happened) {}

  /**
   * @param version of the design that the columns are from
   */
  record MasteryView(
      int version, List<OutcomeHead> outcomes, List<Group> groups, List<MasteryRow> learners) {}

  /**
   * @param composed whether it is made of others and cannot be rated itself
   * @param group names of the groups that it stands in now, outermost first
   */
  record OutcomeHead(
      long id,
      String code,
      String name,
      List<String> levels,
      int mastery,
      boolean composed,
      List<String> group,
      boolean retired) {}

  record MasteryRow(
      long enrolment,
      long person,
      String name,
      List<Long> groups,
      boolean flagged,
      Map<Long, Integer> levels) {}

  /**
   * @param sum the computation with its numbers, where there is one
   * @param change what would bring mastery or take it
   * @param parts the outcomes that it is made of, if it is
   * @param from when the learner was enrolled
   * @param moves how the level moved since, earliest first
   */
  record CellView(
      long person,
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
      long id, String code, String name, List<Double> mastery, List<Double> rated) {}

  /**
   * @param version of the design that the columns are from
   * @param steps that have points, in course order
   */
  record GradesView(
      int version, List<GradeHead> steps, List<Group> groups, List<GradeRow> learners) {}

  record GradeHead(long id, String module, String name, StepKind kind, double points) {}

  /**
   * @param scores step id to the share of its points, 0 to 1
   * @param total share of the points of everything scored so far
   */
  record GradeRow(
      long enrolment,
      long person,
      String name,
      List<Long> groups,
      boolean flagged,
      Map<Long, Double> scores,
      Optional<Double> total) {}

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
      long enrolment,
      String name,
      Optional<Instant> lastHere,
      double share,
      List<FlagView> flags,
      List<LetterView> letters) {}
}
