package yendrik.server.kinds.quiz;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.StepId;
import yendrik.server.kinds.quiz.AttemptViews.AnswerView;
import yendrik.server.kinds.quiz.AttemptViews.AttemptView;
import yendrik.server.kinds.quiz.AttemptViews.ClockView;
import yendrik.server.kinds.quiz.AttemptViews.ResultView;
import yendrik.server.kinds.quiz.question.AskedQuestion;
import yendrik.server.kinds.quiz.question.GivenAnswer;
import yendrik.server.learn.Wayfarer;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Attempts of learners at quizzes. */
@RestController
@RequestMapping("/api/courses/{course}/walks/{walk}/steps/{step}/attempts")
class QuizController {
  private final Wayfarer wayfarer;
  private final Attempts attempts;

  QuizController(Wayfarer wayfarer, Attempts attempts) {
    this.wayfarer = wayfarer;
    this.attempts = attempts;
  }

  @PostMapping
  @Needs(Right.LEARN)
  AttemptView begin(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody Optional<Begin> said) {
    return attempts.begin(
        wayfarer.enrolment(seat, walk), seat.person().id(), step, said.flatMap(Begin::word));
  }

  /** Goes on to a page of an attempt in which one never goes back. */
  @PostMapping("/{number}/pages/{page}")
  @Needs(Right.LEARN)
  AttemptView turn(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable int number,
      @PathVariable int page,
      Seat seat,
      @Valid @RequestBody Answers answers) {
    return attempts.turn(wayfarer.enrolment(seat, walk), step, number, page, answers.sent());
  }

  /** Settles the answer to one question, where that is the way. */
  @PostMapping("/{number}/settled/{question}")
  @Needs(Right.LEARN)
  AnswerView settle(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable int number,
      @PathVariable String question,
      Seat seat,
      @Valid @RequestBody Answers answers) {
    return attempts.settle(wayfarer.enrolment(seat, walk), step, number, question, answers.sent());
  }

  /**
   * Gives help with a question.
   *
   * @param had how many hints were given with it so far
   */
  @PostMapping("/{number}/hints/{question}/{had}")
  @Needs(Right.LEARN)
  AskedQuestion hint(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable int number,
      @PathVariable String question,
      @PathVariable int had,
      Seat seat) {
    return attempts.hint(wayfarer.enrolment(seat, walk), step, number, question, had);
  }

  /**
   * @param word that was said in the room
   */
  record Begin(Optional<@Size(max = 100) String> word) {}

  /**
   * @param answers those that were given since
   * @param back questions whose answers are taken back
   */
  record Answers(
      @NotNull @Size(max = 500) Map<String, @Valid GivenAnswer> answers,
      Optional<@Size(max = 500) Set<@NotNull String>> back) {
    Attempts.Sent sent() {
      return new Attempts.Sent(answers, back.orElse(Set.of()));
    }
  }

  @PutMapping("/{number}")
  @Needs(Right.LEARN)
  ClockView keep(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable int number,
      Seat seat,
      @Valid @RequestBody Answers answers) {
    return attempts.keep(wayfarer.enrolment(seat, walk), step, number, answers.sent());
  }

  @PostMapping("/{number}/result")
  @Needs(Right.LEARN)
  ResultView finish(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable int number,
      Seat seat,
      @Valid @RequestBody Answers answers) {
    return attempts.finish(
        wayfarer.enrolment(seat, walk), seat.person().id(), step, number, answers.sent());
  }

  @GetMapping("/{number}/result")
  @Needs(Right.LEARN)
  ResultView review(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable int number,
      Seat seat) {
    return attempts.review(wayfarer.way(seat, walk), step, number);
  }
}
