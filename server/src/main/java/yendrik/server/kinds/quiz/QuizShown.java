package yendrik.server.kinds.quiz;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.server.learn.LearnerPart;

/**
 * What learners see of a quiz before they begin.
 *
 * @param attemptsLeft -1 for any number
 * @param current number of an attempt begun and not finished, 0 for none
 */
@JsonTypeName("quiz")
public record QuizShown(
    int questions,
    double points,
    double passMark,
    int attemptsLeft,
    int current,
    Optional<Double> best,
    List<AttemptLine> attempts)
    implements LearnerPart {
  public record AttemptLine(int number, Optional<Instant> finished, Optional<Double> share) {}
}
