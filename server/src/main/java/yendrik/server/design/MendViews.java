package yendrik.server.design;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Map;
import java.util.Optional;
import yendrik.core.id.CourseId;
import yendrik.core.rule.RuleAt;

/** Things of a draft and changes of their fields, as the client makes them by itself. */
public final class MendViews {
  private MendViews() {}

  /** Parts of a draft as their addresses name them. */
  @Schema(name = "PartOfDraft")
  public enum Part {
    STEPS,
    MODULES,
    BADGES,
    OUTCOMES,
    FLAGS,
    COMPLETION
  }

  /** A thing of the course. */
  @Schema(name = "CheckedThing")
  public record PlaceView(Part part, long id, String name) {
    /** What has the rule at a place. */
    public static PlaceView of(CourseId course, RuleAt at, String name) {
      return switch (at) {
        case RuleAt.StepOpens r -> new PlaceView(Part.STEPS, r.step().value(), name);
        case RuleAt.StepDone r -> new PlaceView(Part.STEPS, r.step().value(), name);
        case RuleAt.ModuleOpens r -> new PlaceView(Part.MODULES, r.module().value(), name);
        case RuleAt.ModuleDone r -> new PlaceView(Part.MODULES, r.module().value(), name);
        case RuleAt.BadgeEarned r -> new PlaceView(Part.BADGES, r.badge().value(), name);
        case RuleAt.BadgeRenewed r -> new PlaceView(Part.BADGES, r.badge().value(), name);
        case RuleAt.OutcomeMade r -> new PlaceView(Part.OUTCOMES, r.outcome().value(), name);
        case RuleAt.FlagRaised r -> new PlaceView(Part.FLAGS, r.flag().value(), name);
        case RuleAt.CourseComplete _ -> new PlaceView(Part.COMPLETION, course.value(), name);
      };
    }
  }

  /** The field of a thing that a mend changes. */
  public enum MendedField {
    OPENS_WHEN,
    DONE_WHEN,
    EARNED_WHEN,
    COMPLETE_WHEN,
    FLAG_WHEN,
    PUBLISHED,
    ATTEMPTS,
    DUE_AT;

    /** The one that holds the rule at a place; none where the rule is part of something else. */
    public static Optional<MendedField> of(RuleAt at) {
      return switch (at) {
        case RuleAt.StepOpens _, RuleAt.ModuleOpens _ -> Optional.of(OPENS_WHEN);
        case RuleAt.StepDone _, RuleAt.ModuleDone _ -> Optional.of(DONE_WHEN);
        case RuleAt.BadgeEarned _ -> Optional.of(EARNED_WHEN);
        case RuleAt.CourseComplete _ -> Optional.of(COMPLETE_WHEN);
        case RuleAt.FlagRaised _ -> Optional.of(FLAG_WHEN);
        case RuleAt.OutcomeMade _, RuleAt.BadgeRenewed _ -> Optional.empty();
      };
    }
  }

  /**
   * A change of one field.
   *
   * @param says what becomes of it
   * @param rule what the field is to be where it is a rule; empty for none
   */
  @Schema(name = "Mend")
  public record MendView(
      String says, PlaceView thing, MendedField field, Optional<Map<String, Object>> rule) {}
}
