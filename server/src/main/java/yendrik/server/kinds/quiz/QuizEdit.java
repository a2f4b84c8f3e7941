package yendrik.server.kinds.quiz;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import yendrik.server.design.AuthorEdit;
import yendrik.server.kinds.quiz.question.WrittenDraw;
import yendrik.server.kinds.quiz.question.WrittenQuestion;

/**
 * The questions as sent.
 *
 * @param draws what is drawn at random beside them, nothing without
 * @param taking how they are taken, in the usual way where nothing is said
 */
@JsonTypeName("quiz")
public record QuizEdit(
    @NotNull @Size(max = 500) List<@Valid WrittenQuestion> questions,
    Optional<@Size(max = 20) List<@Valid WrittenDraw>> draws,
    Optional<@Valid WrittenTaking> taking)
    implements AuthorEdit {}
