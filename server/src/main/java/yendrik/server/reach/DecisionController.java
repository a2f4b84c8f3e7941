package yendrik.server.reach;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Badges that wait for somebody to keep or revoke them. */
@RestController
@RequestMapping("/api/courses/{course}/decisions")
class DecisionController {
  private final Decisions decisions;

  DecisionController(Decisions decisions) {
    this.decisions = decisions;
  }

  @GetMapping
  @Needs(Right.TEACH)
  List<Decisions.DecisionView> open(@PathVariable CourseId course, Seat seat) {
    return decisions.open(seat);
  }

  @Schema(name = "BadgeDecisionEdit")
  record DecisionEdit(
      boolean keep,
      @NotNull @Size(min = 3, max = 500, message = "no-reason") String reason,
      Optional<@Size(max = 20_000) String> word) {}

  @PostMapping("/{enrolment}/badges/{badge}")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void decide(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable BadgeId badge,
      Seat seat,
      @Valid @RequestBody DecisionEdit edit) {
    decisions.decide(seat, enrolment, badge, edit.keep(), edit.reason(), edit.word());
  }
}
