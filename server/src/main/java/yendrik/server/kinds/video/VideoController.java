package yendrik.server.kinds.video;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import org.springframework.core.io.Resource;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.StepId;
import yendrik.server.files.Files;
import yendrik.server.files.Sending;
import yendrik.server.http.Problem;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.learn.Wayfarer;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Films as learners play them. */
@RestController
@RequestMapping("/api/courses/{course}/walks/{walk}/steps/{step}")
class VideoController {
  private final Wayfarer wayfarer;
  private final Playing playing;
  private final Files files;
  private final Sending sending;

  VideoController(Wayfarer wayfarer, Playing playing, Files files, Sending sending) {
    this.wayfarer = wayfarer;
    this.playing = playing;
    this.files = files;
    this.sending = sending;
  }

  /** The film of an open step; ranges are understood. */
  @GetMapping("/film")
  @Needs(Right.LEARN)
  ResponseEntity<Resource> film(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      HttpServletRequest request,
      HttpServletResponse response) {
    Film film = playing.film(wayfarer.way(seat, walk), step);
    Files.Kept file =
        files.of(seat.course(), film.file()).orElseThrow(() -> Problem.notFound("file"));
    return sending.of(file, request, response);
  }

  record Played(@Min(0) int from, @Min(1) int to) {}

  @PostMapping("/played")
  @Needs(Right.LEARN)
  StepPage watch(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody Played played) {
    return playing.watch(
        wayfarer.enrolment(seat, walk), seat.person().id(), step, played.from(), played.to());
  }
}
