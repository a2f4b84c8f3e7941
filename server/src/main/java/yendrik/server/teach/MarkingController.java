package yendrik.server.teach;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
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
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.rubric.Rubric;
import yendrik.core.strand.work.Judgement;
import yendrik.server.design.RubricForms;
import yendrik.server.files.Sending;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

@RestController
@RequestMapping("/api/courses/{course}/marking")
class MarkingController {
  private final Marking marking;

  private final Sending sending;

  MarkingController(Marking marking, Sending sending) {
    this.sending = sending;
    this.marking = marking;
  }

  @GetMapping
  @Needs(Right.TEACH)
  Marking.QueueView queue(@PathVariable CourseId course, Seat seat) {
    return marking.queue(seat);
  }

  @GetMapping("/{enrolment}/{step}")
  @Needs(Right.TEACH)
  Marking.WorkView work(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable StepId step,
      Seat seat) {
    return marking.work(seat, enrolment, step);
  }

  /** A file of a learner's work; ranges are understood. */
  @GetMapping("/{enrolment}/{step}/files/{file}")
  @Needs(Right.TEACH)
  ResponseEntity<Resource> workFile(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable StepId step,
      @PathVariable long file,
      Seat seat,
      HttpServletRequest request,
      HttpServletResponse response) {
    return sending.of(marking.file(seat, enrolment, step, file), request, response);
  }

  /**
   * @param comment formatted, without files
   */
  record MarkEdit(
      int version,
      double points,
      @NotNull Judgement judgement,
      @NotNull @Size(max = 40_000) String comment,
      @NotNull Map<OutcomeId, Integer> levels,
      Optional<List<RubricForms.@Valid MetView>> rubric) {}

  @PostMapping("/{enrolment}/{step}/marks")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void mark(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody MarkEdit m) {
    marking.mark(
        seat,
        enrolment,
        step,
        m.version(),
        m.points(),
        m.judgement(),
        m.comment(),
        m.levels(),
        met(m.rubric()));
  }

  private static List<Rubric.Met> met(Optional<List<RubricForms.MetView>> rubric) {
    return rubric.stream().flatMap(List::stream).map(RubricForms.MetView::met).toList();
  }

  /**
   * @param seen when staff saw it, where that was before: it waited for a connection
   */
  record SignOffEdit(
      @NotNull @Size(max = 10_000) String comment,
      @NotNull Map<OutcomeId, Integer> levels,
      Optional<List<RubricForms.@Valid MetView>> rubric,
      Optional<Instant> seen) {}

  @PostMapping("/{enrolment}/{step}/sign-offs")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOff(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody SignOffEdit edit) {
    marking.signOff(
        seat, enrolment, step, edit.comment(), edit.levels(), met(edit.rubric()), edit.seen());
  }

  /** Takes a sign-off back, with what was said along with it. */
  @DeleteMapping("/{enrolment}/{step}/sign-offs")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBackSignOff(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable StepId step,
      Seat seat) {
    marking.takeBackSignOff(seat, enrolment, step);
  }
}
