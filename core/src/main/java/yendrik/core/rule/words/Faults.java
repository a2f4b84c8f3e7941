package yendrik.core.rule.words;

import java.util.Optional;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.outcome.Outcome;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Fault;
import yendrik.core.words.Phrase;

/** Says faults in words: what is wrong, where, and what to do. */
public final class Faults {
  private final CourseDesign design;

  public Faults(CourseDesign design) {
    this.design = design;
  }

  public Phrase sentence(Fault fault) {
    Phrase sentence = Phrase.of("fault." + fault.code(), "where", place(fault.place()));
    for (var argument : fault.arguments().entrySet())
      sentence = sentence.and(argument.getKey(), argument.getValue());
    return sentence;
  }

  /** "Opens when of “Pads, cables, levers”". */
  public Phrase place(RuleAt at) {
    return switch (at) {
      case RuleAt.StepOpens r ->
          Phrase.of(
              "place.step-opens", "step", name(design.step(r.step()).map(Step::name), "step"));
      case RuleAt.StepDone r ->
          Phrase.of("place.step-done", "step", name(design.step(r.step()).map(Step::name), "step"));
      case RuleAt.ModuleOpens r ->
          Phrase.of(
              "place.module-opens",
              "module",
              name(design.module(r.module()).map(CourseModule::name), "module"));
      case RuleAt.ModuleDone r ->
          Phrase.of(
              "place.module-done",
              "module",
              name(design.module(r.module()).map(CourseModule::name), "module"));
      case RuleAt.BadgeEarned r ->
          Phrase.of(
              "place.badge-earned",
              "badge",
              name(design.badge(r.badge()).map(Badge::name), "badge"));
      case RuleAt.BadgeRenewed r ->
          Phrase.of(
              "place.badge-renewed",
              "badge",
              name(design.badge(r.badge()).map(Badge::name), "badge"));
      case RuleAt.OutcomeMade r ->
          design
              .outcome(r.outcome())
              .map(Outcome::code)
              .map(code -> Phrase.of("place.outcome-made", "outcome", Phrase.quoted(code)))
              .orElseGet(() -> Phrase.of("place.outcome-gone"));
      case RuleAt.CourseComplete _ -> Phrase.of("place.course-complete");
      case RuleAt.FlagRaised r ->
          Phrase.of(
              "place.flag-raised",
              "flag",
              name(
                  design.flags().stream()
                      .filter(f -> f.id().equals(r.flag()))
                      .findFirst()
                      .map(f -> f.name()),
                  "flag"));
    };
  }

  private static Phrase name(Optional<String> name, String kind) {
    return name.map(Phrase::quoted).orElseGet(() -> Phrase.of("place.a-" + kind));
  }
}
