package yendrik.core.check;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Flag;
import yendrik.core.course.Step;
import yendrik.core.outcome.Outcome;
import yendrik.core.rule.Condition;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Fault;
import yendrik.core.rule.words.Faults;
import yendrik.core.rule.words.Wording;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;

/** Says findings in words: what is wrong, why, and what would mend it. */
public final class CheckWords {
  private final CourseDesign design;
  private final Writing writing;
  private final Wording wording;
  private final Faults faults;

  public CheckWords(CourseDesign design, Writing writing) {
    this.design = design;
    this.writing = writing;
    wording = new Wording(design, writing);
    faults = new Faults(design);
  }

  /** What is wrong, in a sentence. */
  public String says(Finding finding) {
    if (finding.arguments().get("fault") instanceof Fault fault)
      return writing.say(faults.sentence(fault));
    Phrase sentence =
        Phrase.of(
            "check." + finding.code(),
            "where",
            faults.place(finding.place()),
            "thing",
            thing(finding.place()),
            "groups",
            new Phrase.Listed(
                finding.groups().stream()
                    .map(g -> Phrase.text(design.groups().getOrDefault(g, "")))
                    .toList()));
    for (Map.Entry<String, Object> with : finding.arguments().entrySet())
      sentence = sentence.and(with.getKey(), with.getValue());
    return writing.say(sentence);
  }

  /** Why, a sentence for each part of the chain. */
  public List<String> chain(Finding finding) {
    return finding.chain().stream().map(this::link).toList();
  }

  private String link(Finding.Link link) {
    return writing.say(
        link.condition()
            .map(c ->
                Phrase.of(
                    "check.link." + kind(link.at()),
                    "thing",
                    thing(link.at()),
                    "rule",
                    wording.line(c, link.at())))
            .orElseGet(() -> Phrase.of("check.link." + link.by(), "thing", thing(link.at()))));
  }

  /** What a rule decides, as part of a key of the catalogue. */
  public static String kind(RuleAt at) {
    return switch (at) {
      case RuleAt.StepOpens _, RuleAt.ModuleOpens _ -> "opens";
      case RuleAt.StepDone _, RuleAt.ModuleDone _ -> "done";
      case RuleAt.BadgeEarned _, RuleAt.BadgeRenewed _ -> "earned";
      case RuleAt.CourseComplete _ -> "complete";
      case RuleAt.FlagRaised _ -> "flag";
      case RuleAt.OutcomeMade _ -> "made";
    };
  }

  /** What a mend does, as an act to choose. */
  public String says(Mend mend) {
    return writing.say(
        switch (mend) {
          case Mend.Rule rule ->
              Phrase.of(
                  "mend." + rule.how(),
                  "of",
                  Phrase.of("mend.of." + kind(rule.place()), "thing", thing(rule.place())),
                  "part",
                  wording.line(now(rule), rule.place()));
          case Mend.PublishStep m ->
              Phrase.of("mend.publish", "thing", thing(new RuleAt.StepOpens(m.step())));
          case Mend.PublishModule m ->
              Phrase.of("mend.publish", "thing", thing(new RuleAt.ModuleOpens(m.module())));
          case Mend.AnyAttempts m ->
              Phrase.of("mend.any-attempts", "thing", thing(new RuleAt.StepDone(m.step())));
          case Mend.NoDueDate m ->
              Phrase.of("mend.no-due-date", "thing", thing(new RuleAt.StepOpens(m.step())));
        });
  }

  /** The part as it would be, where it stays; else as it is. */
  private static Condition now(Mend.Rule mend) {
    return mend.rule().stream()
        .flatMap(Condition::nodes)
        .filter(n -> n.id().equals(mend.part().id()))
        .findFirst()
        .orElse(mend.part());
  }

  /** The name of what a rule stands at, as it is shown by itself. */
  public String name(RuleAt at) {
    Phrase thing = thing(at);
    return thing.with().get("name") instanceof String name ? name : writing.say(thing);
  }

  /** The name of what a rule stands at, in a sentence. */
  private Phrase thing(RuleAt at) {
    return switch (at) {
      case RuleAt.StepOpens r -> name(design.step(r.step()).map(Step::name), "step");
      case RuleAt.StepDone r -> name(design.step(r.step()).map(Step::name), "step");
      case RuleAt.ModuleOpens r ->
          name(design.module(r.module()).map(CourseModule::name), "module");
      case RuleAt.ModuleDone r -> name(design.module(r.module()).map(CourseModule::name), "module");
      case RuleAt.BadgeEarned r -> name(design.badge(r.badge()).map(Badge::name), "badge");
      case RuleAt.BadgeRenewed r -> name(design.badge(r.badge()).map(Badge::name), "badge");
      case RuleAt.OutcomeMade r -> name(design.outcome(r.outcome()).map(Outcome::code), "outcome");
      case RuleAt.CourseComplete _ -> Phrase.of("check.the-course");
      case RuleAt.FlagRaised r ->
          name(
              design.flags().stream()
                  .filter(f -> f.id().equals(r.flag()))
                  .findFirst()
                  .map(Flag::name),
              "flag");
    };
  }

  private static Phrase name(Optional<String> name, String kind) {
    return name.map(Phrase::quoted).orElseGet(() -> Phrase.of("place.a-" + kind));
  }
}
