package yendrik.server.kinds.quiz.question.choice;

import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.server.kinds.quiz.question.WrittenPart;
import yendrik.server.kinds.quiz.question.WrittenShown;

/**
 * Choices as their author writes them.
 *
 * @param right the id of the right choice
 */
@JsonTypeName("choice")
public record ChoicesWritten(@Size(max = 50) List<@Valid WrittenChoice> choices, String right)
    implements WrittenPart {
  /**
   * @param id unique in the question
   * @param formatted how it looks, as HTML, where it is more than plain words
   * @param feedback said to who has chosen it
   */
  @Schema(name = "WrittenChoice")
  public record WrittenChoice(
      String id,
      String text,
      Optional<@Size(max = 50_000) String> formatted,
      Optional<@Size(max = 2000) String> feedback) {
    static WrittenChoice of(Choices.Choice choice) {
      return new WrittenChoice(
          choice.id(),
          choice.text(),
          choice.shown().formatted(),
          Optional.of(choice.feedback()).filter(said -> !said.isEmpty()));
    }

    Choices.Choice choice() {
      return new Choices.Choice(id, WrittenShown.of(text, formatted), feedback.orElse(""));
    }
  }
}
