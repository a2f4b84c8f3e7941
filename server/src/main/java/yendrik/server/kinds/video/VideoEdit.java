package yendrik.server.kinds.video;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.util.Optional;
import yendrik.server.design.AuthorEdit;

/** Which film a step has. */
@JsonTypeName("video")
public record VideoEdit(Optional<@Valid FilmEdit> film) implements AuthorEdit {
  /**
   * @param seconds how long the film is
   */
  public record FilmEdit(long file, @Min(1) @Max(86_400) int seconds) {}
}
