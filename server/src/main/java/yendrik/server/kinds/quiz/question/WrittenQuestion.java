package yendrik.server.kinds.quiz.question;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.QuestionId;

/**
 * A question as its author writes it.
 *
 * @param id unique in the quiz
 * @param text what is asked, in plain words
 * @param formatted how it looks, as HTML, where it is more than plain words; the text follows it
 * @param feedback said after the attempt, may be empty
 * @param hints in the order in which they are given, none without
 * @param bank which of the course's questions it is; what it asks is said there, and its points and
 *     outcome here
 * @param outcome which outcome the question carries, of those that its step gives evidence of
 */
@Schema(name = "Question")
public record WrittenQuestion(
    String id,
    String text,
    Optional<@Size(max = 50_000) String> formatted,
    double points,
    String feedback,
    Optional<@Size(max = 10) List<@Valid WrittenHint>> hints,
    Optional<OutcomeId> outcome,
    Optional<QuestionId> bank,
    @Valid WrittenPart part) {}
