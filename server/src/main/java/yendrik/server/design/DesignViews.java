package yendrik.server.design;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yendrik.core.course.Badge;
import yendrik.core.course.Counts;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.FlagId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Scale;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.copy.Usual;
import yendrik.core.rule.words.Wording;
import yendrik.core.words.Moment;
import yendrik.schema.tables.records.BadgeRecord;
import yendrik.schema.tables.records.CourseRecord;
import yendrik.schema.tables.records.FlagRecord;
import yendrik.schema.tables.records.ModuleRecord;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.schema.tables.records.ScaleRecord;
import yendrik.schema.tables.records.StepRecord;

/** The draft as designers see it. */
public final class DesignViews {
  private DesignViews() {}

  /**
   * @param publishedVersion 0 before the first publication
   * @param changed whether the draft differs from what is published
   * @param behind whether what is published is only for those who enrol from then on
   * @param faults what must be mended before publishing, in words
   */
  public record DesignView(
      CourseId course,
      String name,
      String cohort,
      String zone,
      Instant startsAt,
      int weeks,
      int publishedVersion,
      boolean changed,
      boolean behind,
      int learners,
      List<ScaleView> scales,
      List<OutcomeView> outcomes,
      List<ModuleView> modules,
      List<BadgeView> badges,
      CourseRulesView rules,
      List<UsualView> usual,
      List<FlagView> flags,
      List<Named> groups,
      List<OtherCourse> otherCourses,
      List<String> faults) {}

  public record Named(GroupId id, String name) {}

  /** A course that rules can ask about. */
  public record OtherCourse(CourseId id, String name) {}

  @Schema(name = "DesignScale")
  public record ScaleView(
      ScaleId id,
      int version,
      String name,
      List<LevelView> levels,
      int mastery,
      Optional<AdoptedScale> adopted) {}

  /**
   * @param framework by name
   * @param news what the framework says by now, in words, and what that does to ratings; empty
   *     while there is nothing to decide
   * @param gone whether the framework does not have it any more
   */
  public record AdoptedScale(String framework, List<String> news, boolean gone) {}

  /**
   * @param framework by name
   * @param news the framework's words of today, while there is something to decide
   * @param gone whether the framework does not have it any more
   */
  public record Adopted(String framework, Optional<Words> news, boolean gone) {}

  public record Words(String code, String name, String description) {}

  @Schema(name = "ScaleLevel")
  public record LevelView(int key, String name, double points, String description) {}

  @Schema(name = "DesignOutcome")
  public record OutcomeView(
      OutcomeId id,
      int version,
      String code,
      String name,
      String description,
      ScaleId scale,
      OutcomeForms.LevelRuleForm levelRule,
      Optional<OutcomeForms.MadeOfForm> madeOf,
      List<String> group,
      boolean retired,
      Optional<Adopted> adopted) {}

  @Schema(name = "DesignModule")
  public record ModuleView(
      ModuleId id,
      int version,
      String name,
      boolean published,
      boolean strictOrder,
      Optional<RuleView> opensWhen,
      Optional<RuleView> doneWhen,
      boolean listed,
      boolean tells,
      boolean staysOpen,
      List<StepView> steps) {}

  /**
   * @param strictOrder whether each step waits for the required steps before it in all of the
   *     course
   * @param completeWhen nothing for the usual: every module is done
   */
  @Schema(name = "CourseRules")
  public record CourseRulesView(
      CourseId id,
      int version,
      boolean strictOrder,
      Optional<RuleView> completeWhen,
      DesignEdits.PrerequisitesForm prerequisites) {}

  /**
   * The rules that new steps of a kind have.
   *
   * @param id of the step that stands for any of its kind
   * @param shipped what they would be if nobody had changed them; nothing while they are
   */
  @Schema(name = "UsualRules")
  public record UsualView(
      StepId id,
      int version,
      StepKind kind,
      Optional<RuleView> opensWhen,
      RuleView doneWhen,
      Optional<ShippedView> shipped) {}

  @Schema(name = "ShippedRules")
  public record ShippedView(Optional<RuleView> opensWhen, RuleView doneWhen) {}

  @Schema(name = "DesignFlag")
  public record FlagView(FlagId id, int version, String name, RuleView flagWhen) {}

  /**
   * @param lacks what keeps its content from being put before learners, in words
   */
  @Schema(name = "DesignStep")
  public record StepView(
      StepId id,
      int version,
      ModuleId module,
      StepKind kind,
      String name,
      boolean required,
      boolean published,
      Optional<RuleView> opensWhen,
      RuleView doneWhen,
      boolean listed,
      boolean tells,
      boolean staysOpen,
      Optional<Instant> opensAt,
      Optional<Instant> dueAt,
      Optional<Instant> lateUntil,
      Optional<Instant> closesAt,
      int minutes,
      double points,
      double passMark,
      int attempts,
      Counts counts,
      String body,
      AuthorPart part,
      List<TieView> evidenceFor,
      List<GroupId> groups,
      List<PersonId> people,
      List<DesignEdits.AllowanceEdit> allowances,
      Map<Moment, String> ownWords,
      List<String> lacks) {}

  public record TieView(OutcomeId outcome, double weight, Optional<List<Double>> cuts) {}

  @Schema(name = "DesignBadge")
  public record BadgeView(
      BadgeId id,
      int version,
      String name,
      String description,
      Optional<ModuleId> module,
      BadgePicture picture,
      Optional<RuleView> earnedWhen,
      boolean surprise,
      DesignEdits.LastingEdit lasting,
      int soonDays,
      Optional<RenewalView> renewal,
      List<OutcomeId> outcomes,
      List<String> tags,
      Optional<BadgeCriteria> criteria,
      Optional<DesignEdits.SheetEdit> sheet) {}

  /**
   * @param when empty for what is asked the first time
   */
  public record RenewalView(List<StepId> anew, Optional<RuleView> when) {}

  static ScaleView scale(ScaleRecord row, Optional<AdoptedScale> adopted) {
    Scale scale = DraftStore.scale(row);
    var levels =
        scale.levels().stream()
            .map(l -> new LevelView(l.key(), l.name(), l.points(), l.description()))
            .toList();
    return new ScaleView(
        scale.id(), row.getVersion(), scale.name(), levels, scale.mastery(), adopted);
  }

  static OutcomeView outcome(OutcomeRecord o, Map<OutcomeId, Adopted> adopted) {
    return new OutcomeView(
        o.getId(),
        o.getVersion(),
        o.getCode(),
        o.getName(),
        o.getDescription(),
        o.getScaleId(),
        OutcomeForms.LevelRuleForm.of(o.getLevelRule()),
        Optional.ofNullable(o.getMadeOf()).map(m -> OutcomeForms.MadeOfForm.of(m)),
        o.getGroupPath(),
        o.getRetired(),
        Optional.ofNullable(adopted.get(o.getId())));
  }

  static ModuleView module(ModuleRecord row, List<StepView> steps, Wording wording) {
    CourseModule m = DraftStore.module(row, List.of());
    return new ModuleView(
        row.getId(),
        row.getVersion(),
        m.name(),
        m.published(),
        m.strictOrder(),
        RuleView.of(m.opensWhen(), new RuleAt.ModuleOpens(m.id()), wording),
        RuleView.of(m.doneWhen(), new RuleAt.ModuleDone(m.id()), wording),
        m.gate().listed(),
        m.gate().missing().told(),
        m.gate().staysOpen(),
        steps);
  }

  static List<PersonId> sorted(Set<PersonId> people) {
    return people.stream().sorted(Comparator.comparingLong(PersonId::value)).toList();
  }

  static StepView step(
      StepRecord row, String body, AuthorPart part, List<String> lacks, Wording wording) {
    Step s = DraftStore.step(row);
    return new StepView(
        row.getId(),
        row.getVersion(),
        row.getModuleId(),
        s.kind(),
        s.name(),
        s.required(),
        s.published(),
        RuleView.of(s.opensWhen(), new RuleAt.StepOpens(s.id()), wording),
        RuleView.of(s.doneWhen(), new RuleAt.StepDone(s.id()), wording),
        s.gate().listed(),
        s.gate().missing().told(),
        s.gate().staysOpen(),
        s.window().from(),
        s.window().due(),
        s.window().late(),
        s.window().until(),
        row.getMinutes(),
        s.scoring().points(),
        s.scoring().passMark(),
        s.scoring().attempts(),
        s.scoring().counts(),
        body,
        part,
        s.evidenceFor().stream().map(t -> new TieView(t.outcome(), t.weight(), t.cuts())).toList(),
        s.audience().groups().stream().sorted().toList(),
        sorted(s.audience().people()),
        s.allowances().stream().map(DesignEdits.AllowanceEdit::of).toList(),
        row.getOwnWords().texts(),
        lacks);
  }

  static UsualView usual(
      StepKind kind, int version, Usual usual, Optional<Usual> shipped, Wording wording) {
    StepId id = Usual.sample(kind);
    return new UsualView(
        id,
        version,
        kind,
        RuleView.of(usual.opensWhen(), new RuleAt.StepOpens(id), wording),
        RuleView.of(usual.doneWhen(), new RuleAt.StepDone(id), wording),
        shipped.map(s ->
            new ShippedView(
                RuleView.of(s.opensWhen(), new RuleAt.StepOpens(id), wording),
                RuleView.of(s.doneWhen(), new RuleAt.StepDone(id), wording))));
  }

  static CourseRulesView rules(CourseRecord row, Wording wording) {
    return new CourseRulesView(
        row.getId(),
        row.getRulesVersion(),
        row.getStrictOrder(),
        RuleView.of(
            Optional.ofNullable(row.getCompleteWhen()), new RuleAt.CourseComplete(), wording),
        DesignEdits.PrerequisitesForm.of(row.getPrerequisites()));
  }

  static FlagView flag(FlagRecord row, Wording wording) {
    return new FlagView(
        row.getId(),
        row.getVersion(),
        row.getName(),
        RuleView.of(row.getFlagWhen(), new RuleAt.FlagRaised(row.getId()), wording));
  }

  static BadgeView badge(BadgeRecord row, Wording wording) {
    Badge b = DraftStore.badge(row);
    BadgeFace face = Json.read(row.getFace(), BadgeFace.class);
    return new BadgeView(
        row.getId(),
        row.getVersion(),
        b.name(),
        b.description(),
        b.module(),
        face.picture(),
        RuleView.of(b.earnedWhen(), new RuleAt.BadgeEarned(b.id()), wording),
        b.surprise(),
        BadgeDrafts.lasting(b.validity()),
        b.validity().soonDays(),
        b.validity()
            .renewal()
            .map(r ->
                new RenewalView(
                    r.anew(), RuleView.of(r.when(), new RuleAt.BadgeRenewed(b.id()), wording))),
        face.outcomes(),
        face.tags(),
        face.criteria(),
        face.sheet().map(BadgeDrafts::edit));
  }
}
