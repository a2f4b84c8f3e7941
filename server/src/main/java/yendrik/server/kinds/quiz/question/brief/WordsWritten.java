package yendrik.server.kinds.quiz.question.brief;

import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import yendrik.server.kinds.quiz.question.WrittenPart;

/**
 * Forms that are taken, as their author writes them.
 *
 * @param withCase whether large and small letters are told apart
 */
@JsonTypeName("short")
public record WordsWritten(
    @NotNull @Size(max = 50) List<@Valid WrittenForm> forms, boolean withCase)
    implements WrittenPart {
  /**
   * @param share what it gives, above 0 and at most 1
   */
  @Schema(name = "AcceptedForm")
  public record WrittenForm(@NotNull @Size(max = 200) String words, double share) {}
}
