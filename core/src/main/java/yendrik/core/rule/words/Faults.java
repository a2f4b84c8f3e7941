package yendrik.core.rule.words;

import yendrik.core.course.CourseDesign;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Finding;

/** Says findings in words: what is wrong, where, and what to do. */
public final class Faults {
  private final CourseDesign design;

  public Faults(CourseDesign design) {
    this.design = design;
  }

  public String sentence(Finding finding) {
    String where = place(finding.place());
    return switch (finding.code()) {
      case UNKNOWN_STEP -> where + " asks about a step that is gone. Take the condition out.";
      case UNKNOWN_MODULE -> where + " asks about a module that is gone. Take the condition out.";
      case UNKNOWN_OUTCOME ->
          where + " asks about an outcome that is gone. Take the condition out.";
      case UNKNOWN_BADGE -> where + " asks about a badge that is gone. Take the condition out.";
      case UNKNOWN_GROUP -> where + " asks about a group that is gone. Take the condition out.";
      case UNKNOWN_COURSE -> where + " asks about a course that is gone. Take the condition out.";
      case UNKNOWN_LEVEL ->
          where
              + " asks for a level that the scale of "
              + finding.arguments().get("outcome")
              + " does not have. Choose another.";
      case UNKNOWN_TIE -> where + " gives evidence of an outcome that is gone. Choose another.";
      case TIE_TO_COMPOSED ->
          where
              + " gives evidence of "
              + finding.arguments().get("outcome")
              + ", which is made of other outcomes. Tie it to one of those.";
      case UNKNOWN_PART -> where + " is made of an outcome that is gone. Take it out.";
      case MADE_OF_ITSELF -> where + " is made of itself. Take out one of its parts.";
      case TOO_FEW_OUTCOMES ->
          where
              + " wants "
              + finding.arguments().get("n")
              + " of "
              + finding.arguments().get("parts")
              + " parts. Lower the number or add parts.";
      case EMPTY_JOINT -> where + " has an empty group of conditions. Fill it or take it out.";
      case TOO_FEW_PARTS ->
          where
              + " wants at least "
              + finding.arguments().get("n")
              + " of "
              + finding.arguments().get("parts")
              + " conditions. Lower the number or add conditions.";
      case DOUBLE_NODE -> where + " has two parts with the same name inside. Write it anew.";
      case SIGNAL_OUTSIDE_FLAG -> where + " asks a question that only flags may ask. Take it out.";
      case ASKS_ITSELF ->
          where + " asks about the very thing that it decides. Choose another condition.";
    };
  }

  /** "Opens when of “Pads, cables, levers”". */
  public String place(RuleAt at) {
    return switch (at) {
      case RuleAt.StepOpens r -> "Opens when of " + step(r.step());
      case RuleAt.StepDone r -> "Done when of " + step(r.step());
      case RuleAt.ModuleOpens r -> "Opens when of " + module(r.module());
      case RuleAt.ModuleDone r -> "Done when of " + module(r.module());
      case RuleAt.BadgeEarned r ->
          "Earned when of " + design.badge(r.badge()).map(b -> quoted(b.name())).orElse("a badge");
      case RuleAt.OutcomeMade r ->
          "Outcome "
              + design.outcome(r.outcome()).map(o -> quoted(o.code())).orElse("that is gone");
      case RuleAt.CourseComplete _ -> "Complete when";
      case RuleAt.FlagRaised r ->
          "Flag when of "
              + design.flags().stream()
                  .filter(f -> f.id().equals(r.flag()))
                  .findFirst()
                  .map(f -> quoted(f.name()))
                  .orElse("a flag");
    };
  }

  private String step(StepId id) {
    return design.step(id).map(s -> quoted(s.name())).orElse("a step");
  }

  private String module(ModuleId id) {
    return design.module(id).map(m -> quoted(m.name())).orElse("a module");
  }

  private static String quoted(String name) {
    return "“" + name + "”";
  }
}
