package yendrik.server.files;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.http.Problem;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Files of a course, for those who plan it. */
@RestController
@RequestMapping("/api/courses/{course}/design/files")
class CourseFilesController {
  private final Files files;
  private final Sending sending;

  CourseFilesController(Files files, Sending sending) {
    this.files = files;
    this.sending = sending;
  }

  /**
   * @param upload by the last part of its address
   */
  record SentFile(@NotBlank @Size(max = 100) String upload, @NotNull FileUse use) {}

  /** Keeps a file that was sent before. */
  @PostMapping
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  Files.Kept keepFile(@PathVariable CourseId course, Seat seat, @Valid @RequestBody SentFile sent) {
    return files.keep(course, seat.person().id(), sent.upload(), sent.use());
  }

  /** A file for those who plan; ranges are understood. */
  @GetMapping("/{file}")
  @Needs(Right.PLAN)
  ResponseEntity<Resource> file(
      @PathVariable CourseId course,
      @PathVariable long file,
      HttpServletRequest request,
      HttpServletResponse response) {
    Files.Kept kept = files.of(course, file).orElseThrow(() -> Problem.notFound("file"));
    return sending.of(kept, request, response);
  }
}
