package yendrik.server.teach;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.FactId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.server.http.Problem;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Exceptions of one learner. */
@RestController
@RequestMapping("/api/courses/{course}/learners/{enrolment}/exceptions")
class ExceptionController {
  private final Exceptions exceptions;

  ExceptionController(Exceptions exceptions) {
    this.exceptions = exceptions;
  }

  /** Kinds of exceptions for one learner. */
  enum ExceptionKind {
    OPEN,
    EXCUSE,
    MOVE_DUE,
    ADD_ATTEMPTS,
    ADD_TIME,
    START_ANEW
  }

  /**
   * @param until when it ends by itself; a new date and a new start have no end
   */
  record ExceptionEdit(
      @NotNull ExceptionKind kind,
      StepId step,
      Optional<@Min(1) @Max(20) Integer> attempts,
      Optional<@Min(1) @Max(600) Integer> minutes,
      Optional<Instant> due,
      Optional<Instant> until,
      @NotNull @Size(max = 500) String reason) {}

  /** The exceptions that stand. */
  @GetMapping
  @Needs(Right.TEACH)
  List<Exceptions.Standing> standing(
      @PathVariable CourseId course, @PathVariable EnrolmentId enrolment, Seat seat) {
    return exceptions.of(seat, enrolment);
  }

  @PostMapping
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void give(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      Seat seat,
      @Valid @RequestBody ExceptionEdit edit) {
    exceptions.give(seat, enrolment, what(edit), end(edit));
  }

  static Fact.AtStep what(ExceptionEdit edit) {
    var step = edit.step();
    var reason = Optional.of(edit.reason()).filter(r -> !r.isBlank());
    return switch (edit.kind()) {
      case OPEN -> new Fact.Opened(step, reason, edit.until());
      case EXCUSE -> new Fact.Excused(step, edit.reason());
      case MOVE_DUE ->
          new Fact.DueMoved(
              step, edit.due().orElseThrow(() -> Problem.field("due", "no-new-date")), reason);
      case START_ANEW -> new Fact.StartedAnew(step, reason);
      case ADD_ATTEMPTS -> new Fact.AttemptsAdded(step, edit.attempts().orElse(1), reason);
      case ADD_TIME ->
          new Fact.TimeAdded(
              step,
              edit.minutes().orElseThrow(() -> Problem.field("minutes", "no-minutes")),
              reason);
    };
  }

  /** When it ends by itself, where it does not say so itself. */
  static Optional<Instant> end(ExceptionEdit edit) {
    return switch (edit.kind()) {
      case EXCUSE, ADD_ATTEMPTS, ADD_TIME -> edit.until();
      case OPEN -> Optional.empty();
      case MOVE_DUE, START_ANEW -> {
        if (edit.until().isPresent()) throw Problem.field("until", "has-no-end");
        yield Optional.empty();
      }
    };
  }

  record EndEdit(@NotNull @Size(max = 500) String reason) {}

  /** Ends an exception now; what followed from it stays. */
  @PostMapping("/{fact}/end")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable FactId fact,
      Seat seat,
      @Valid @RequestBody EndEdit edit) {
    exceptions.end(seat, enrolment, fact, edit.reason());
  }

  /** Takes an exception back as if it had never been given. */
  @DeleteMapping("/{fact}")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable FactId fact,
      Seat seat) {
    exceptions.takeBack(seat, enrolment, fact);
  }
}
