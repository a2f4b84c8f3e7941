package yendrik.server.kinds.quiz;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import yendrik.server.design.AuthorPart;
import yendrik.server.kinds.quiz.question.WrittenDraw;
import yendrik.server.kinds.quiz.question.WrittenQuestion;

/**
 * The questions with their right answers, and how they are taken.
 *
 * @param draws what is drawn at random beside them
 */
@JsonTypeName("quiz")
public record QuizAuthored(
    List<WrittenQuestion> questions, List<WrittenDraw> draws, WrittenTaking taking)
    implements AuthorPart {}
