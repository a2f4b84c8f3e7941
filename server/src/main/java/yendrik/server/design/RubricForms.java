package yendrik.server.design;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.RubricId;
import yendrik.core.rubric.Rubric;
import yendrik.server.http.PlainText;

/** Rubrics as they are sent and shown. */
public final class RubricForms {
  private RubricForms() {}

  public record RubricEdit(
      @NotBlank @Size(max = 100) @PlainText String name,
      @NotNull @Size(max = 30, message = "rubric-criteria") List<@Valid CriterionEdit> criteria) {}

  /**
   * @param key empty for a criterion that is new
   * @param counts whether its points are part of the score
   */
  public record CriterionEdit(
      Optional<Integer> key,
      @NotBlank(message = "criterion-without-name") @Size(max = 200) @PlainText String name,
      @NotNull @Size(max = 1000) String description,
      boolean counts,
      Optional<OutcomeId> outcome,
      @NotNull @Size(min = 2, max = 12, message = "criterion-levels")
          List<@Valid LevelEdit> levels) {}

  /**
   * @param key empty for a level that is new
   * @param standsFor the key of the level of the outcome's scale that it is evidence of
   */
  @Schema(name = "CriterionLevelEdit")
  public record LevelEdit(
      Optional<Integer> key,
      @NotBlank(message = "level-without-name") @Size(max = 60) @PlainText String name,
      @NotNull @Size(max = 1000) String description,
      @DecimalMin("0") @DecimalMax("1000") double points,
      Optional<Integer> standsFor) {}

  /**
   * A rubric as designers see it.
   *
   * @param steps names of the steps that use it
   * @param assessed how many pieces of work were assessed with it
   */
  @Schema(name = "DesignRubric")
  public record RubricView(
      RubricId id,
      int version,
      String name,
      List<CriterionView> criteria,
      double of,
      List<String> steps,
      int assessed) {}

  /**
   * @param outcomeName in words, for those who do not see the design
   */
  public record CriterionView(
      int key,
      String name,
      String description,
      boolean counts,
      Optional<OutcomeId> outcome,
      Optional<String> outcomeName,
      List<LevelView> levels) {}

  @Schema(name = "CriterionLevel")
  public record LevelView(
      int key, String name, String description, double points, Optional<Integer> standsFor) {}

  /** A rubric on the institution's shelf. */
  public record ShelfView(
      RubricId id,
      String name,
      int criteria,
      double of,
      String by,
      Instant at,
      boolean mayRemove) {}

  /** A rubric as those see it who assess with it or are assessed. */
  public record Sheet(RubricId id, String name, double of, List<CriterionView> criteria) {}

  public record MetView(int criterion, int level, @NotNull @Size(max = 2000) String comment) {
    public Rubric.Met met() {
      return new Rubric.Met(criterion, level, comment.strip());
    }
  }

  /** A rubric gone through with a piece of work. */
  public record Filled(Sheet rubric, List<MetView> met, double points) {
    public static Filled of(Rubric rubric, List<Rubric.Met> met, CourseDesign design) {
      return new Filled(
          sheet(rubric, design),
          met.stream().map(m -> new MetView(m.criterion(), m.level(), m.comment())).toList(),
          rubric.score(met).points());
    }
  }

  public static Sheet sheet(Rubric rubric, CourseDesign design) {
    return new Sheet(rubric.id(), rubric.name(), rubric.of(), criteria(rubric, design));
  }

  /** A criterion as it would be sent to leave it as it is. */
  static CriterionEdit edit(Rubric.Criterion c) {
    return new CriterionEdit(
        Optional.of(c.key()),
        c.name(),
        c.description(),
        c.counts(),
        c.outcome(),
        c.levels().stream()
            .map(l ->
                new LevelEdit(
                    Optional.of(l.key()), l.name(), l.description(), l.points(), l.standsFor()))
            .toList());
  }

  static List<CriterionView> criteria(Rubric rubric, CourseDesign design) {
    return rubric.criteria().stream()
        .map(c ->
            new CriterionView(
                c.key(),
                c.name(),
                c.description(),
                c.counts(),
                c.outcome(),
                c.outcome().flatMap(design::outcome).map(o -> o.name()),
                c.levels().stream()
                    .map(l ->
                        new LevelView(
                            l.key(), l.name(), l.description(), l.points(), l.standsFor()))
                    .toList()))
        .toList();
  }
}
