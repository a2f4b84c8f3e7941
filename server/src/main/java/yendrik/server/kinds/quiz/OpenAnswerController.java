package yendrik.server.kinds.quiz;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Quiz;
import yendrik.server.design.RubricForms;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Texts in attempts, marked by staff. */
@RestController
@RequestMapping("/api/courses/{course}/marking/{enrolment}/{step}/attempts")
class OpenAnswerController {
  private final OpenAnswers answers;

  OpenAnswerController(OpenAnswers answers) {
    this.answers = answers;
  }

  @GetMapping
  @Needs(Right.TEACH)
  List<OpenAnswers.AttemptView> attempts(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable StepId step,
      Seat seat) {
    return answers.of(seat, enrolment, step);
  }

  record AnswerMark(
      @NotNull @Size(max = 100) String question,
      @DecimalMin("0") @DecimalMax("10000") double points,
      @NotNull @Size(max = 10_000) String comment,
      Optional<@Size(max = 100) List<RubricForms.@Valid MetView>> rubric) {
    Quiz.Judged judged() {
      return new Quiz.Judged(
          points,
          comment.strip(),
          rubric.stream().flatMap(List::stream).map(RubricForms.MetView::met).toList());
    }
  }

  record AnswerMarks(@NotNull @Size(min = 1, max = 500) List<@Valid AnswerMark> marks) {}

  @PostMapping("/{number}/marks")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void mark(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable StepId step,
      @PathVariable int number,
      Seat seat,
      @Valid @RequestBody AnswerMarks sent) {
    Map<String, Quiz.Judged> judged = new HashMap<>();
    for (AnswerMark mark : sent.marks()) judged.put(mark.question(), mark.judged());
    answers.mark(seat, enrolment, step, number, judged);
  }
}
