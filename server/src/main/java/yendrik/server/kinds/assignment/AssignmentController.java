package yendrik.server.kinds.assignment;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.StepId;
import yendrik.server.files.Accepts;
import yendrik.server.files.FileUse;
import yendrik.server.files.Files;
import yendrik.server.files.Sending;
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
  private final Files files;
  private final Sending sending;

  AssignmentController(Wayfarer wayfarer, HandedIn work, Files files, Sending sending) {
    this.files = files;
    this.sending = sending;
    this.wayfarer = wayfarer;
    this.work = work;
  }

  /**
   * @param text formatted
   * @param files that were sent before, without those in the text
   * @param receipt whether a letter is to say that it was handed in
   */
  @Schema(name = "HandIn")
  record Work(
      @NotNull @Size(max = 100_000) String text,
      Optional<@Size(max = 2000) String> link,
      Optional<@Size(max = 20) List<Long>> files,
      Optional<Boolean> receipt) {
    HandedIn.Sent sent() {
      return new HandedIn.Sent(text, link.orElse(""), files.orElse(List.of()));
    }
  }

  @PostMapping("/versions")
  @Needs(Right.LEARN)
  StepPage handIn(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody Work sent) {
    return work.handIn(
        wayfarer.enrolment(seat, walk),
        seat.person().id(),
        step,
        sent.sent(),
        sent.receipt().orElse(false));
  }

  /** Keeps what is not handed in yet. */
  @PutMapping("/draft")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keepDraft(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody Work sent) {
    work.begin(wayfarer.enrolment(seat, walk), seat.person().id(), step, sent.sent());
  }

  /**
   * @param inText what it is to stand in the text as, if it is not to stand beside it
   */
  record WorkFile(@NotBlank @Size(max = 100) String upload, Optional<FileUse> inText) {}

  /** Takes a file that is to be handed in. */
  @PostMapping("/work-files")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.CREATED)
  Files.Kept addWorkFile(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody WorkFile sent) {
    Accepts accepts = work.accepts(wayfarer.enrolment(seat, walk), step, sent.inText());
    return files.keep(course, seat.person().id(), sent.upload(), accepts);
  }

  /** A file of one's own work; ranges are understood. */
  @GetMapping("/work-files/{file}")
  @Needs(Right.LEARN)
  ResponseEntity<Resource> workFile(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable long file,
      Seat seat,
      HttpServletRequest request,
      HttpServletResponse response) {
    Files.Kept own = work.file(wayfarer.way(seat, walk), seat.person().id(), step, file);
    return sending.of(own, request, response);
  }
}
