package yendrik.server.design;

import yendrik.core.course.CourseDesign;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FlagId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.copy.Usual;
import yendrik.server.http.Problem;

/** Where a rule stands, as the client says it: {@code step-opens} and the id of the step. */
final class RulePlaces {
  private RulePlaces() {}

  /** The design in which such a place is: rules of any step of a kind stand at a sample of it. */
  static CourseDesign known(CourseDesign design, String place, long id) {
    return known(design, at(place, id));
  }

  static CourseDesign known(CourseDesign design, RuleAt at) {
    return switch (at) {
      case RuleAt.StepOpens(var step) -> known(design, step);
      case RuleAt.StepDone(var step) -> known(design, step);
      default -> design;
    };
  }

  private static CourseDesign known(CourseDesign design, StepId step) {
    return Usual.kindOf(step).map(kind -> Usual.with(design, kind)).orElse(design);
  }

  static RuleAt at(String place, long id) {
    return switch (place) {
      case "step-opens" -> new RuleAt.StepOpens(new StepId(id));
      case "step-done" -> new RuleAt.StepDone(new StepId(id));
      case "module-opens" -> new RuleAt.ModuleOpens(new ModuleId(id));
      case "module-done" -> new RuleAt.ModuleDone(new ModuleId(id));
      case "course-complete" -> new RuleAt.CourseComplete();
      case "flag-raised" -> new RuleAt.FlagRaised(new FlagId(id));
      case "badge-renewed" -> new RuleAt.BadgeRenewed(new BadgeId(id));
      case "badge-earned" -> new RuleAt.BadgeEarned(new BadgeId(id));
      default -> throw Problem.field("place", "no-rule-at-place", "place", place);
    };
  }
}
