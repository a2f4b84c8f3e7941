package yendrik.server.kinds.video;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import yendrik.server.design.AuthorEdit;

/** Which film a step has. */
@JsonTypeName("video")
public record VideoEdit(
    Optional<@Valid FilmEdit> film,
    Optional<@Valid Elsewhere> elsewhere,
    @NotNull @Size(max = Caption.MOST) List<@Valid Caption> captions)
    implements AuthorEdit {
  /**
   * @param seconds how long the film is
   */
  public record FilmEdit(long file, @Min(1) @Max(86_400) int seconds) {}
}
