package yendrik.server.kinds.quiz;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import yendrik.core.quiz.Quiz;
import yendrik.server.design.AuthorEdit;

/** The questions as sent. */
@JsonTypeName("quiz")
public record QuizEdit(@NotNull @Size(max = 500) List<Quiz.Question> questions)
    implements AuthorEdit {}
