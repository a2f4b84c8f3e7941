package yendrik.server.kinds.quiz;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import yendrik.core.quiz.Quiz;
import yendrik.server.design.AuthorPart;

/** The questions with their right answers. */
@JsonTypeName("quiz")
public record QuizAuthored(List<Quiz.Question> questions) implements AuthorPart {}
