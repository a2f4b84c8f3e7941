package yendrik.server.kinds.video;

import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Optional;
import yendrik.server.learn.LearnerPart;

/** What learners see of a video: its film, once there is one. */
@JsonTypeName("video")
public record VideoShown(Optional<FilmView> film) implements LearnerPart {
  /**
   * @param address where it lies, if that is elsewhere
   * @param watched share of the film's seconds that were played, 0 to 1
   * @param parts what was played, in seconds: from (included), to (excluded), and so on
   */
  @Schema(name = "MyFilm")
  public record FilmView(
      String name,
      Optional<String> address,
      int seconds,
      double watched,
      List<Integer> parts,
      List<Caption> captions) {}
}
