package yendrik.server.teach;

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
import yendrik.server.design.Designs;
import yendrik.server.files.Files;
import yendrik.server.files.Sending;
import yendrik.server.http.Problem;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

/** Files of what learners are asked to do, for whoever marks what they did. */
@RestController
@RequestMapping("/api/courses/{course}/marking/tasks/{step}/files")
class TaskFilesController {
  private final Designs designs;
  private final Files files;
  private final Sending sending;

  TaskFilesController(Designs designs, Files files, Sending sending) {
    this.designs = designs;
    this.files = files;
    this.sending = sending;
  }

  /** A file of a published step; ranges are understood. */
  @GetMapping("/{file}")
  @Needs(Right.TEACH)
  ResponseEntity<Resource> taskFile(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @PathVariable long file,
      HttpServletRequest request,
      HttpServletResponse response) {
    Files.Kept kept =
        designs
            .published(course)
            .map(ready -> ready.document().contents().get(step))
            .filter(content -> content.files().contains(file))
            .flatMap(_ -> files.of(course, file))
            .orElseThrow(() -> Problem.notFound("file"));
    return sending.of(kept, request, response);
  }
}
