package yendrik.server.kinds.quiz.bank;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.id.QuestionId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Difficulty;
import yendrik.server.kinds.quiz.question.WrittenQuestion;

/** Questions of courses, as they come and go. */
public final class BankForms {
  private BankForms() {}

  /**
   * @param question whose own id says nothing here
   */
  @Schema(name = "BankEdit")
  public record BankEdit(
      @NotNull @Valid WrittenQuestion question,
      @NotNull @Size(max = 20) List<@NotNull @Size(max = 60) String> tags,
      Optional<Difficulty> difficulty) {}

  /** Many at once. */
  @Schema(name = "BankEdits")
  record BankEdits(@NotNull @Size(min = 1, max = 200) List<@NotNull @Valid BankEdit> questions) {}

  /**
   * @param usedIn quizzes that ask it, as the draft has them
   * @param drawnIn quizzes that may draw it
   * @param doubles others that are likely the same
   */
  @Schema(name = "BankQuestion")
  public record BankView(
      QuestionId id,
      int version,
      WrittenQuestion question,
      List<String> tags,
      Optional<Difficulty> difficulty,
      List<UseView> usedIn,
      List<UseView> drawnIn,
      List<QuestionId> doubles) {}

  @Schema(name = "QuestionUse")
  public record UseView(StepId step, String name) {}

  /** Questions as plain text. */
  @Schema(name = "QuestionText")
  record TextView(@NotNull @Size(max = 200_000) String text) {}

  /** What was understood of a text. */
  @Schema(name = "QuestionReading")
  record ReadingView(List<ReadView> questions, List<LineFault> faults) {}

  /**
   * @param line at which it begins, from 1
   */
  @Schema(name = "ReadQuestion")
  record ReadView(
      int line, WrittenQuestion question, List<String> tags, Optional<Difficulty> difficulty) {}

  /**
   * @param line at which something is not right, from 1
   */
  @Schema(name = "LineFault")
  record LineFault(int line, String says) {}

  /** What a package brings, and what it does not. */
  @Schema(name = "QuestionPackage")
  record PackageView(List<ReadView> questions, List<NoteView> notes) {}

  /**
   * What of a question is said otherwise, or not at all.
   *
   * @param where the question, or the file of the package
   * @param left whether all of it was left out
   */
  @Schema(name = "PackageNote")
  record NoteView(String where, boolean left, String says) {}

  /** What a question asked until somebody changed it. */
  @Schema(name = "QuestionVersion")
  record VersionView(int number, WrittenQuestion question, String changedBy, Instant changedAt) {}

  /** A question on the institution's shelf. */
  @Schema(name = "ShelfQuestion")
  record ShelfQuestion(
      QuestionId id,
      WrittenQuestion question,
      List<String> tags,
      Optional<Difficulty> difficulty,
      String by,
      Instant at,
      boolean mayRemove) {}
}
