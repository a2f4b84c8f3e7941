package yendrik.server.design;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yendrik.core.course.Again;
import yendrik.core.course.Counts;
import yendrik.core.course.Prerequisites;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.course.Validity;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.StepId;
import yendrik.core.words.Moment;
import yendrik.core.words.OwnWords;
import yendrik.formats.badge.Art;
import yendrik.formats.certificate.Sheet;
import yendrik.server.http.ByFields;
import yendrik.server.http.PlainText;

/** What designers send. */
public final class DesignEdits {
  private DesignEdits() {}

  /**
   * @param group names of the groups that it stands in, outermost first
   * @param retired kept in records, gone from choices
   */
  public record OutcomeEdit(
      @NotBlank @Size(max = 20) @PlainText String code,
      @NotBlank @Size(max = 200) @PlainText String name,
      @NotNull @Size(max = 4000) String description,
      ScaleId scale,
      @NotNull @Valid OutcomeForms.LevelRuleForm levelRule,
      Optional<OutcomeForms.@Valid MadeOfForm> madeOf,
      Optional<
              @Size(max = 8, message = "groups-too-deep") List<
                  @NotBlank @Size(max = 80) @PlainText String>>
          group,
      Optional<Boolean> retired) {}

  /**
   * @param levels weakest first
   * @param mastery index of the first level that counts as mastery
   */
  public record ScaleEdit(
      @NotBlank @Size(max = 60) @PlainText String name,
      @NotNull @Size(min = 2, max = 12, message = "scale-levels") List<@Valid LevelEdit> levels,
      int mastery) {}

  /**
   * @param key empty for a level that is new
   */
  @Schema(name = "ScaleLevelEdit")
  public record LevelEdit(
      Optional<Integer> key,
      @NotBlank @Size(max = 40) @PlainText String name,
      double points,
      @NotNull @Size(max = 500) String description) {}

  public record ModuleEdit(
      @NotBlank @Size(max = 200) @PlainText String name,
      boolean published,
      boolean strictOrder,
      Optional<Map<String, Object>> opensWhen,
      Optional<Map<String, Object>> doneWhen,
      boolean listed,
      boolean tells,
      boolean staysOpen)
      implements ByFields {}

  /**
   * @param after the step of the module after which it stands; at the end without
   */
  public record NewStep(
      ModuleId module,
      @NotNull StepKind kind,
      @NotBlank @Size(max = 200) @PlainText String name,
      Optional<StepId> after) {
    public NewStep(ModuleId module, StepKind kind, String name) {
      this(module, kind, name, Optional.empty());
    }
  }

  public record StepEdit(
      @NotBlank @Size(max = 200) @PlainText String name,
      boolean required,
      boolean published,
      Optional<Map<String, Object>> opensWhen,
      @NotNull Map<String, Object> doneWhen,
      boolean listed,
      boolean tells,
      boolean staysOpen,
      Optional<Instant> opensAt,
      Optional<Instant> dueAt,
      Optional<Instant> lateUntil,
      Optional<Instant> closesAt,
      @Min(1) @Max(10000) int minutes,
      @DecimalMin("0") @DecimalMax("100000") double points,
      @DecimalMin("0") @DecimalMax("1") double passMark,
      @Min(0) @Max(1000) int attempts,
      @NotNull Counts counts,
      @NotNull @Size(max = 200_000) String body,
      @NotNull @Valid AuthorEdit part,
      @NotNull List<TieEdit> evidenceFor,
      @NotNull @Size(max = 200) List<GroupId> groups,
      @NotNull @Size(max = 2000) List<PersonId> people,
      @NotNull @Size(max = 50) List<@Valid AllowanceEdit> allowances,
      @NotNull Map<Moment, @NotNull @Size(max = OwnWords.MOST) String> ownWords)
      implements ByFields {}

  /**
   * @param strictOrder whether each step waits for the required steps before it in all of the
   *     course
   * @param completeWhen nothing for the usual: every module is done
   */
  @Schema(name = "CourseRulesEdit")
  public record CourseRulesEdit(
      boolean strictOrder,
      Optional<Map<String, Object>> completeWhen,
      @NotNull @Valid PrerequisitesForm prerequisites)
      implements ByFields {}

  /**
   * @param courses what must be complete before somebody can be enrolled
   * @param all whether all of them are needed, or any
   * @param hold whether an enrolment waits until that is so; otherwise it is refused
   */
  @Schema(name = "Prerequisites")
  public record PrerequisitesForm(
      @NotNull @Size(max = 20) List<CourseId> courses, boolean all, boolean hold) {
    public static final PrerequisitesForm NONE = of(Prerequisites.NONE);

    static PrerequisitesForm of(Prerequisites p) {
      List<CourseId> sorted =
          p.courses().stream().sorted(Comparator.comparingLong(CourseId::value)).toList();
      return new PrerequisitesForm(sorted, p.all(), p.hold());
    }

    Prerequisites prerequisites() {
      return new Prerequisites(Set.copyOf(courses), all, hold);
    }
  }

  /**
   * @param opensWhen nothing for at once
   */
  @Schema(name = "UsualEdit")
  public record UsualEdit(
      Optional<Map<String, Object>> opensWhen, @NotNull Map<String, Object> doneWhen)
      implements ByFields {}

  @Schema(name = "FlagEdit")
  record FlagEdit(@NotBlank @Size(max = 100) String name, @NotNull Map<String, Object> flagWhen)
      implements ByFields {}

  /** What a group has beyond everybody else. */
  @Schema(name = "Allowance")
  public record AllowanceEdit(
      @NotNull GroupId group,
      @Min(0) @Max(600) int minutes,
      @Min(0) @Max(20) int attempts,
      Optional<Instant> due) {
    static AllowanceEdit of(Step.Allowance a) {
      return new AllowanceEdit(a.group(), a.minutes(), a.attempts(), a.due());
    }

    Step.Allowance allowance() {
      return new Step.Allowance(group, minutes, attempts, due);
    }
  }

  /** What a distance between two steps is counted in. */
  public enum Unit {
    DAYS,
    WEEKS
  }

  /**
   * The same step again.
   *
   * @param every so many days or weeks after the one before; 0 for the same dates
   * @param weekdaysOut on which none falls
   * @param daysOut on which none falls
   */
  public record SameAgain(
      @Min(0) @Max(366) int every,
      @NotNull Unit unit,
      @Min(1) @Max(Again.MOST) int times,
      @NotNull @Size(max = 7) Set<DayOfWeek> weekdaysOut,
      @NotNull @Size(max = 400) Set<LocalDate> daysOut) {
    Again again() {
      return new Again(unit == Unit.DAYS ? every : 7 * every, times, weekdaysOut, daysOut);
    }
  }

  /**
   * @param cuts for each level above the lowest the least share of the points, ascending; levels
   *     beyond the last are for people to give
   */
  public record TieEdit(OutcomeId outcome, double weight, Optional<List<Double>> cuts) {}

  public record BadgeEdit(
      @NotBlank @Size(max = 100) @PlainText String name,
      @NotNull @Size(max = 2000) String description,
      Optional<ModuleId> module,
      @NotNull @Valid PictureEdit picture,
      Optional<Map<String, Object>> earnedWhen,
      boolean surprise,
      Optional<@Valid LastingEdit> lasting,
      Optional<@Min(1) @Max(Validity.MOST_DAYS) Integer> soonDays,
      Optional<@Valid RenewalEdit> renewal,
      Optional<@Size(max = 40) List<OutcomeId>> outcomes,
      Optional<@Size(max = 20) List<@NotBlank @Size(max = 40) @PlainText String>> tags,
      Optional<@Valid BadgeCriteria> criteria,
      Optional<@Valid SheetEdit> sheet) {

    /** A badge that is earned once and is valid without end. */
    public BadgeEdit(
        String name,
        String description,
        Optional<ModuleId> module,
        PictureEdit picture,
        Optional<Map<String, Object>> earnedWhen,
        boolean surprise) {
      this(
          name,
          description,
          module,
          picture,
          earnedWhen,
          surprise,
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());
    }
  }

  /**
   * @param colour empty for the institution's
   */
  @Schema(name = "CertificateSheetEdit")
  public record SheetEdit(
      @NotNull Sheet.Template template,
      @NotNull Sheet.Paper paper,
      boolean upright,
      Optional<Art.Colour> colour,
      @NotNull @Size(max = 80) @PlainText String heading,
      @NotNull @Size(max = 200) @PlainText String opening,
      @NotNull @Size(max = 400) @PlainText String closing,
      Optional<@Min(1) @Max(Sheet.MOST_HOURS) Integer> hours,
      @NotNull Set<Sheet.@NotNull Field> fields,
      @NotNull @Size(max = Sheet.MOST_SIGNATURES) List<@Valid SignatureEdit> signatures) {
    public SheetEdit {
      fields = fields == null ? Set.of() : Sheet.ordered(fields);
    }
  }

  /**
   * @param picture the hash of a picture that was sent before
   */
  @Schema(name = "CertificateSignatureEdit")
  public record SignatureEdit(
      @NotNull @Size(max = 100) @PlainText String name,
      @NotNull @Size(max = 100) @PlainText String office,
      Optional<@Pattern(regexp = "[0-9a-f]{64}") String> picture) {}

  /** How long a badge is valid. */
  public enum LastingKind {
    ALWAYS,
    MONTHS,
    UNTIL
  }

  /**
   * @param months for so many months
   * @param day up to and with a day
   */
  public record LastingEdit(
      @NotNull LastingKind is,
      Optional<@Min(1) @Max(Validity.MOST_MONTHS) Integer> months,
      Optional<LocalDate> day) {}

  /**
   * @param anew steps that begin anew when the badge ends soon
   * @param when empty for what is asked the first time
   */
  public record RenewalEdit(
      @NotNull @Size(max = 100) List<StepId> anew, Optional<Map<String, Object>> when) {}

  /**
   * @param own the hash of a picture that was sent before
   */
  @Schema(name = "BadgePictureEdit")
  public record PictureEdit(
      @NotNull @Valid Art art,
      Optional<@Pattern(regexp = "[0-9a-f]{64}") String> own,
      @NotNull @Size(max = 300) String alt) {}

  /**
   * The whole order of a course: modules, and the steps in each.
   *
   * @param was the order that was seen; only that one is changed
   */
  public record OrderEdit(@NotNull List<ModuleOrder> modules, Optional<List<ModuleOrder>> was) {}

  /**
   * @param was the order that was seen; only that one is changed
   */
  public record OutcomeOrder(@NotNull List<OutcomeId> outcomes, Optional<List<OutcomeId>> was) {}

  public record ModuleOrder(ModuleId id, @NotNull List<StepId> steps) {}

  public record NewModule(@NotBlank @Size(max = 200) @PlainText String name) {}
}
