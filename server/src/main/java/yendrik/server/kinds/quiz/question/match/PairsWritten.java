package yendrik.server.kinds.quiz.question.match;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import yendrik.server.kinds.quiz.question.WrittenPart;

/**
 * Pairs as their author writes them.
 *
 * @param more ends that belong to no beginning
 */
@JsonTypeName("matching")
public record PairsWritten(
    @NotNull @Size(max = 50) List<@Valid WrittenPair> pairs,
    @NotNull @Size(max = 50) List<@NotNull @Size(max = 500) String> more)
    implements WrittenPart {
  /**
   * @param id unique in the question
   */
  public record WrittenPair(
      @NotNull @Size(max = 40) String id,
      @NotNull @Size(max = 500) String begins,
      @NotNull @Size(max = 500) String ends) {}
}
