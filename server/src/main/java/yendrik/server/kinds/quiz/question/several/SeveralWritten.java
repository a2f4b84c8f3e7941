package yendrik.server.kinds.quiz.question.several;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import yendrik.server.kinds.quiz.question.WrittenPart;

/** Choices with their shares, as their author writes them. */
@JsonTypeName("several")
public record SeveralWritten(@NotNull @Size(max = 50) List<@Valid WrittenShare> choices)
    implements WrittenPart {
  /**
   * @param id unique in the question
   * @param share from -1 to 1
   */
  public record WrittenShare(
      @NotNull @Size(max = 40) String id, @NotNull @Size(max = 2000) String text, double share) {}
}
