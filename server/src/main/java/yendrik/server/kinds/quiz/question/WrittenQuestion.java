package yendrik.server.kinds.quiz.question;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.util.Optional;
import yendrik.core.id.OutcomeId;

/**
 * A question as its author writes it.
 *
 * @param id unique in the quiz
 * @param feedback said after the attempt, may be empty
 * @param outcome which outcome the question carries, of those that its step gives evidence of
 */
@Schema(name = "Question")
public record WrittenQuestion(
    String id,
    String text,
    double points,
    String feedback,
    Optional<OutcomeId> outcome,
    @Valid WrittenPart part) {}
