package yendrik.server.learn;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.core.io.Resource;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.StepId;
import yendrik.server.files.Sending;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Files of a step as learners look at them. */
@RestController
@RequestMapping("/api/courses/{course}/walks/{walk}/steps/{step}/files")
class StepFilesController {
  private final Wayfarer wayfarer;
  private final StepFiles files;
  private final Sending sending;

  StepFilesController(Wayfarer wayfarer, StepFiles files, Sending sending) {
    this.wayfarer = wayfarer;
    this.files = files;
    this.sending = sending;
  }

  /** A file of an open step; ranges are understood. */
  @GetMapping("/{file}")
  @Needs(Right.LEARN)
  ResponseEntity<Resource> stepFile(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable long file,
      Seat seat,
      HttpServletRequest request,
      HttpServletResponse response) {
    return sending.of(files.file(wayfarer.way(seat, walk), step, file), request, response);
  }
}
