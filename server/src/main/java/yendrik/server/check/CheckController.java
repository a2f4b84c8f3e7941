package yendrik.server.check;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.check.CheckViews.CheckView;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** What checking the draft of a course finds. */
@RestController
@RequestMapping("/api/courses/{course}/design/check")
class CheckController {
  private final Checking checking;

  CheckController(Checking checking) {
    this.checking = checking;
  }

  @GetMapping
  @Needs(Right.PLAN)
  CheckView check(@PathVariable CourseId course) {
    return checking.check(course);
  }

  @Schema(name = "MeantFindingEdit")
  record MeantEdit(
      @NotBlank @Size(max = 200) String finding, @NotBlank @Size(max = 500) String reason) {}

  /** Says that a finding is meant so, and why. */
  @PutMapping("/meant")
  @Needs(Right.PLAN)
  CheckView mean(@PathVariable CourseId course, Seat seat, @Valid @RequestBody MeantEdit sent) {
    return checking.mean(course, seat.person().id(), sent.finding(), sent.reason());
  }

  @Schema(name = "NamedFinding")
  record NamedFinding(@NotNull @Size(max = 200) String finding) {}

  /** Says that a finding is not meant so any more. */
  @PostMapping("/meant/removal")
  @Needs(Right.PLAN)
  CheckView meanNoMore(@PathVariable CourseId course, @Valid @RequestBody NamedFinding sent) {
    return checking.meanNoMore(course, sent.finding());
  }
}
