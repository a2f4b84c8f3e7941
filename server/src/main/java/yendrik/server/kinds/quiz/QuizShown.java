package yendrik.server.kinds.quiz;

import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.Counts;
import yendrik.core.quiz.taking.Pages;
import yendrik.core.quiz.taking.TimeUp;
import yendrik.server.learn.LearnerPart;

/**
 * What learners see of a quiz before they begin.
 *
 * @param attemptsLeft -1 for any number
 * @param current number of an attempt begun and not finished, 0 for none
 * @param score the share that counts, from 0 to 1
 * @param selfCheck whether it is a check of one's own, without points
 * @param asksWord whether a word has to be said before an attempt begins
 * @param time of an attempt, none for any time
 * @param fullMarks what they would bring
 * @param nextAt when the next attempt may begin, if that is not now
 */
@JsonTypeName("quiz")
public record QuizShown(
    int questions,
    double points,
    double passMark,
    int attemptsLeft,
    int current,
    Counts counts,
    Optional<Double> score,
    Optional<Double> best,
    Optional<Double> latest,
    boolean selfCheck,
    boolean asksWord,
    Pages pages,
    Optional<AttemptTime> time,
    Optional<Instant> nextAt,
    Optional<FullMarks> fullMarks,
    List<AttemptLine> attempts)
    implements LearnerPart {
  /**
   * @param waits how many answers staff have still to mark
   */
  public record AttemptLine(
      int number, Optional<Instant> finished, Optional<Double> share, int waits) {}

  /**
   * @param minutes with those that were given to the learner
   */
  @Schema(name = "AttemptTime")
  public record AttemptTime(int minutes, TimeUp timeUp, int graceMinutes) {}
}
