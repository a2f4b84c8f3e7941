package yendrik.server.kinds.quiz.question.several;

import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import yendrik.core.quiz.kinds.several.SeveralChoices;
import yendrik.server.kinds.quiz.question.WrittenPart;
import yendrik.server.kinds.quiz.question.WrittenShown;

/** Choices with their shares, as their author writes them. */
@JsonTypeName("several")
public record SeveralWritten(@NotNull @Size(max = 50) List<@Valid WrittenShare> choices)
    implements WrittenPart {
  /**
   * @param id unique in the question
   * @param formatted how it looks, as HTML, where it is more than plain words
   * @param share from -1 to 1
   * @param feedback said to who has chosen it
   */
  @Schema(name = "WrittenShare")
  public record WrittenShare(
      @NotNull @Size(max = 40) String id,
      @NotNull @Size(max = 2000) String text,
      Optional<@Size(max = 50_000) String> formatted,
      double share,
      Optional<@Size(max = 2000) String> feedback) {
    static WrittenShare of(SeveralChoices.Choice choice) {
      return new WrittenShare(
          choice.id(),
          choice.text(),
          choice.shown().formatted(),
          choice.share(),
          Optional.of(choice.feedback()).filter(said -> !said.isEmpty()));
    }

    SeveralChoices.Choice choice() {
      return new SeveralChoices.Choice(
          id, WrittenShown.of(text, formatted), share, feedback.orElse(""));
    }
  }
}
