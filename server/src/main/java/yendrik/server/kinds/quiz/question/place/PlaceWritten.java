package yendrik.server.kinds.quiz.question.place;

import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.WrittenPart;

/**
 * A picture and its right areas, as their author writes them.
 *
 * @param picture a file of the course; nothing while there is none
 * @param described what the picture shows
 */
@JsonTypeName("place")
public record PlaceWritten(
    Optional<Long> picture,
    @NotNull @Size(max = 1000) String described,
    @NotNull @Size(max = 30) List<@NotNull @Valid WrittenArea> areas)
    implements WrittenPart {
  /**
   * A rectangle, or the ellipse in it; in shares of the picture's width and height.
   *
   * @param id unique in the question
   * @param called what is there
   */
  @Schema(name = "WrittenArea")
  public record WrittenArea(
      @NotNull String id,
      @NotNull @Size(max = 200) String called,
      double left,
      double top,
      double width,
      double height,
      boolean round) {}
}
