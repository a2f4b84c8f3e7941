package yendrik.server.kinds.quiz;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import yendrik.server.design.AuthorEdit;
import yendrik.server.kinds.quiz.question.WrittenQuestion;

/** The questions as sent. */
@JsonTypeName("quiz")
public record QuizEdit(@NotNull @Size(max = 500) List<@Valid WrittenQuestion> questions)
    implements AuthorEdit {}
