package yendrik.server.teach;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.StepId;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Practicals as they are signed off at the bench. */
@RestController
@RequestMapping("/api/courses/{course}/practicals")
class PracticalsController {
  private final Practicals practicals;

  PracticalsController(Practicals practicals) {
    this.practicals = practicals;
  }

  @GetMapping
  @Needs(Right.TEACH)
  List<Practicals.LineView> practicals(@PathVariable CourseId course, Seat seat) {
    return practicals.all(seat);
  }

  @GetMapping("/{step}")
  @Needs(Right.TEACH)
  Practicals.SheetView practical(
      @PathVariable CourseId course, @PathVariable StepId step, Seat seat) {
    return practicals.one(seat, step);
  }
}
