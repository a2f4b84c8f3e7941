package yendrik.server.kinds.quiz.question;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import yendrik.core.quiz.Difficulty;

/**
 * Questions that are drawn at random from those of the course, as an author says which.
 *
 * @param id unique in the quiz
 * @param tags all of which a question must have
 * @param difficulty which it must have, if any
 * @param points of each
 */
@Schema(name = "QuestionDraw")
public record WrittenDraw(
    @NotNull @Size(min = 1, max = 40) String id,
    @NotNull @Size(max = 10) List<@NotNull @Size(max = 60) String> tags,
    Optional<Difficulty> difficulty,
    @Min(1) @Max(100) int count,
    double points) {
  public static WrittenDraw of(KeptDraw draw) {
    return new WrittenDraw(draw.id(), draw.tags(), draw.difficulty(), draw.count(), draw.points());
  }

  /** As it is kept, without its pool. */
  public KeptDraw kept() {
    return new KeptDraw(id, tags, difficulty, count, points, List.of());
  }
}
