package yendrik.server.kinds.quiz;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.StepKind;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.taking.Spent;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.server.kinds.quiz.question.AskedPart;
import yendrik.server.kinds.quiz.question.GivenAnswer;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.learn.StepDoor;
import yendrik.server.way.Walks;

/**
 * Attempts of a past that is made up: begun, answered and handed in in one act, so that thousands
 * of them can be there before anybody is.
 */
@Service
@Transactional
public class PastAttempts {
  private final Walks walks;
  private final Attempts attempts;
  private final Questions questions;

  PastAttempts(Walks walks, Attempts attempts, Questions questions) {
    this.walks = walks;
    this.attempts = attempts;
    this.questions = questions;
  }

  /** How somebody answers. */
  public interface Answering {
    /** Whether they answer it rightly. */
    boolean right(Question question);

    /** How long they take for it. */
    Duration takes(Question question);
  }

  /**
   * An attempt that is handed in now.
   *
   * @return what share of the points it has
   */
  public double handedIn(EnrolmentId enrolment, PersonId person, StepId step, Answering answering) {
    double[] share = new double[1];
    walks.act(
        enrolment,
        Optional.of(person),
        walk -> {
          StepDoor.usable(walk, step, StepKind.QUIZ);
          Running attempt = attempts.next(walk, step);
          Map<String, GivenAnswer> given = new HashMap<>();
          var spent = Spent.from(attempt.now());
          for (Question q : attempt.questions()) {
            AskedPart part = questions.ask(q, attempt.dealt(), 0).part();
            given.put(q.id(), questions.rehearsed(q, part, answering.right(q)));
            spent = spent.came(Set.of(q.id()), spent.upto().plus(answering.takes(q)));
          }
          Instant begun = attempt.now().minus(Duration.between(attempt.now(), spent.upto()));
          attempt.row().setStartedAt(begun);
          attempt.row().setSpent(spent);
          var taken = questions.answers(attempt.quiz(), attempt.dealt(), given);
          attempt.row().setAnswers(questions.keep(attempt.quiz(), taken));
          var finished =
              (AttemptFact.FinishedAttempt) attempts.finish(attempt, taken, attempt.now());
          share[0] = finished.points() / finished.of();
          return List.of(new AttemptFact.StartedAttempt(step, attempt.row().getNumber()), finished);
        });
    return share[0];
  }
}
