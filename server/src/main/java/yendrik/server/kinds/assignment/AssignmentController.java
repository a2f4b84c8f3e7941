package yendrik.server.kinds.assignment;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.StepId;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.learn.Wayfarer;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Learners hand their work in. */
@RestController
@RequestMapping("/api/courses/{course}/walks/{walk}/steps/{step}")
class AssignmentController {
  private final Wayfarer wayfarer;
  private final HandedIn work;

  AssignmentController(Wayfarer wayfarer, HandedIn work) {
    this.wayfarer = wayfarer;
    this.work = work;
  }

  @Schema(name = "HandIn")
  record Work(@NotBlank(message = "nothing-written") @Size(max = 100_000) String text) {}

  @PostMapping("/versions")
  @Needs(Right.LEARN)
  StepPage handIn(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody Work sent) {
    return work.handIn(wayfarer.enrolment(seat, walk), seat.person().id(), step, sent.text());
  }
}
