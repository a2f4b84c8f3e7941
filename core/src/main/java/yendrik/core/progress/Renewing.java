package yendrik.core.progress;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.Validity;
import yendrik.core.id.BadgeId;
import yendrik.core.id.PersonId;
import yendrik.core.record.Fact;
import yendrik.core.rule.plan.CompiledCourse;

/**
 * Whether a badge was earned again: its rule of renewal asks only for what happened since its last
 * award. That is worked out beside the learner's way, in a course that has the same steps, all open
 * at any time, and nothing else than this one badge to earn.
 */
public final class Renewing {
  private Renewing() {}

  /** The course in which the renewal of a badge is worked out. */
  public static CourseDesign beside(CourseDesign design, BadgeId id) {
    Badge badge = design.badge(id).orElseThrow();
    var asked =
        new Badge(
            id,
            badge.name(),
            badge.description(),
            badge.module(),
            badge.renewedWhen(),
            badge.surprise(),
            Validity.FOREVER);
    return new CourseDesign(
        design.id(),
        design.version(),
        design.name(),
        design.zone(),
        design.startsAt(),
        CourseDesign.Order.FREE,
        design.outcomes(),
        design.modules().stream().map(Renewing::open).toList(),
        design.badges().stream().map(b -> b.id().equals(id) ? asked : byHand(b)).toList(),
        List.of(),
        design.statuses(),
        Optional.empty(),
        design.groups(),
        design.sessions(),
        design.otherCourses());
  }

  /**
   * @param beside what {@link #beside} gave, compiled
   * @param standing the learner's facts, as {@code Facts.standing} gives them
   * @param award the moment of the last award
   * @return the learner's way since then; its one badge is earned when it is renewed
   */
  public static Progress since(
      CompiledCourse beside, PersonId person, List<Fact> standing, Instant award, Instant until) {
    List<Fact> counted =
        standing.stream().filter(f -> f.at().isAfter(award) || stays(f.what())).toList();
    return Replay.run(beside, person, counted, until);
  }

  /** What somebody is, and not what they did. */
  private static boolean stays(Fact.What what) {
    return switch (what) {
      case Fact.Enrolled _,
          Fact.LeftCourse _,
          Fact.JoinedGroup _,
          Fact.LeftGroup _,
          Fact.CameUnder _ ->
          true;
      case Fact.WasHere _,
          Fact.AtStep _,
          Fact.Rated _,
          Fact.Attendance _,
          Fact.BadgeIssued _,
          Fact.BadgeRevoked _,
          Fact.BadgeKept _,
          Fact.Approved _,
          Fact.OwnWord _,
          Fact.CompletedCourse _,
          Fact.TakenBack _ ->
          false;
    };
  }

  private static CourseModule open(CourseModule m) {
    return new CourseModule(
        m.id(),
        m.name(),
        m.published(),
        /* strictOrder= */ false,
        Optional.empty(),
        m.doneWhen(),
        m.gate(),
        m.steps().stream().map(Renewing::open).toList());
  }

  private static Step open(Step s) {
    return new Step(
        s.id(),
        s.name(),
        s.kind(),
        s.required(),
        s.published(),
        Optional.empty(),
        s.doneWhen(),
        s.gate(),
        Step.Window.ALWAYS,
        s.scoring(),
        s.evidenceFor(),
        s.audience(),
        s.allowances());
  }

  private static Badge byHand(Badge b) {
    return new Badge(b.id(), b.name(), b.description(), b.module(), Optional.empty(), b.surprise());
  }
}
