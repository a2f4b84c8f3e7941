package yendrik.server.kinds.quiz.question.order;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import yendrik.server.kinds.quiz.question.WrittenPart;

/**
 * Things in their right order, as their author writes them.
 *
 * @param inPart whether neighbours count
 */
@JsonTypeName("ordering")
public record OrderWritten(
    @NotNull @Size(max = 30) List<@Valid WrittenThing> things, boolean inPart)
    implements WrittenPart {
  /**
   * @param id unique in the question
   */
  public record WrittenThing(
      @NotNull @Size(max = 40) String id, @NotNull @Size(max = 500) String text) {}
}
