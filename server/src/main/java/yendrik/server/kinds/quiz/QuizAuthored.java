package yendrik.server.kinds.quiz;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import yendrik.server.design.AuthorPart;
import yendrik.server.kinds.quiz.question.WrittenQuestion;

/** The questions with their right answers, and how they are taken. */
@JsonTypeName("quiz")
public record QuizAuthored(List<WrittenQuestion> questions, WrittenTaking taking)
    implements AuthorPart {}
