package yendrik.server.design;

import java.util.List;
import java.util.Optional;
import yendrik.core.id.CourseId;
import yendrik.core.id.QuestionId;

/** Takes questions of one course along to another. */
public interface CopiesQuestions {
  /** All questions of a course. */
  List<QuestionId> all(CourseId course);

  /** Copies a question; none when the course never had it. */
  Optional<QuestionId> copy(CourseId from, QuestionId question, CourseId to, Carrying carrying);
}
