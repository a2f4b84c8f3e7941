package yendrik.server.kinds.quiz;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import yendrik.core.quiz.taking.Band;
import yendrik.core.quiz.taking.Limit;
import yendrik.core.quiz.taking.Pages;
import yendrik.core.quiz.taking.Review;
import yendrik.core.quiz.taking.Taking;
import yendrik.core.quiz.taking.TimeUp;

/** How a quiz is taken, as its author writes it. */
@Schema(name = "Taking")
public record WrittenTaking(
    Optional<@Valid WrittenLimit> limit,
    @Min(0) @Max(Taking.MOST_WAIT) int waitMinutes,
    @NotNull @Size(max = 100) String word,
    @NotNull Pages pages,
    boolean mixed,
    boolean choicesMixed,
    @NotNull @Valid WrittenReview review,
    @NotNull @Size(max = 20) List<@Valid WrittenBand> bands,
    boolean selfCheck) {

  @Schema(name = "TimeLimit")
  public record WrittenLimit(
      @Min(1) @Max(Limit.MOST_MINUTES) int minutes,
      @NotNull TimeUp timeUp,
      @Min(0) @Max(Limit.MOST_GRACE) int graceMinutes) {}

  @Schema(name = "Review")
  public record WrittenReview(
      @NotNull Review.When own,
      @NotNull Review.When right,
      @NotNull Review.When feedback,
      @NotNull Review.When marks) {}

  @Schema(name = "Band")
  public record WrittenBand(
      @DecimalMin("0") @DecimalMax("1") double from, @NotNull @Size(max = 2000) String words) {}

  /** As it is written. */
  public static WrittenTaking of(Taking t) {
    Review r = t.review();
    return new WrittenTaking(
        t.limit().map(l -> new WrittenLimit(l.minutes(), l.timeUp(), l.graceMinutes())),
        t.waitMinutes(),
        t.word(),
        t.pages(),
        t.mixed(),
        t.choicesMixed(),
        new WrittenReview(r.own(), r.right(), r.feedback(), r.marks()),
        t.bands().stream().map(b -> new WrittenBand(b.from(), b.words())).toList(),
        t.selfCheck());
  }

  public Taking taking() {
    return new Taking(
        limit.map(l -> new Limit(l.minutes(), l.timeUp(), l.graceMinutes())),
        waitMinutes,
        word,
        pages,
        mixed,
        choicesMixed,
        new Review(review.own(), review.right(), review.feedback(), review.marks()),
        bands.stream().map(b -> new Band(b.from(), b.words())).toList(),
        selfCheck);
  }
}
