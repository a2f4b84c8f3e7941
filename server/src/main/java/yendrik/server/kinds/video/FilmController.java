package yendrik.server.kinds.video;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.Set;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.files.Files;
import yendrik.server.files.Sending;
import yendrik.server.http.PlainText;
import yendrik.server.http.Problem;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Films of a course, before they are put in a step. */
@RestController
@RequestMapping("/api/courses/{course}/design/films")
class FilmController {
  private static final long LARGEST = 500L << 20;

  /** What every browser of today plays. */
  static final Set<String> KINDS = Set.of("video/webm", "video/mp4");

  private final Files files;
  private final Sending sending;

  FilmController(Files files, Sending sending) {
    this.files = files;
    this.sending = sending;
  }

  /** Keeps a film; the body is the file. */
  @PostMapping
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  Files.Kept keep(
      @PathVariable CourseId course,
      Seat seat,
      @RequestParam @NotBlank @Size(max = 200) @PlainText String name,
      HttpServletRequest request)
      throws IOException {
    return files.keep(course, seat.person().id(), name, request.getInputStream(), LARGEST, KINDS);
  }

  /** A film for those who plan; ranges are understood. */
  @GetMapping("/{id}")
  @Needs(Right.PLAN)
  ResponseEntity<Resource> film(
      @PathVariable CourseId course,
      @PathVariable long id,
      HttpServletRequest request,
      HttpServletResponse response) {
    Files.Kept file = files.of(course, id).orElseThrow(() -> Problem.notFound("film"));
    return sending.of(file, request, response);
  }
}
