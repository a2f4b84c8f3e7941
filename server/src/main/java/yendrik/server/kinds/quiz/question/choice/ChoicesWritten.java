package yendrik.server.kinds.quiz.question.choice;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.Size;
import java.util.List;
import yendrik.server.kinds.quiz.question.WrittenPart;

/**
 * Choices as their author writes them.
 *
 * @param right the id of the right choice
 */
@JsonTypeName("choice")
public record ChoicesWritten(@Size(max = 50) List<WrittenChoice> choices, String right)
    implements WrittenPart {
  /**
   * @param id unique in the question
   */
  public record WrittenChoice(String id, String text) {}
}
