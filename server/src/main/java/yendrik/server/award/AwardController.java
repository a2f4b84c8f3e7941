package yendrik.server.award;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Optional;
import org.springframework.http.HttpStatus;
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

/** Badges of one learner, in the hands of staff. */
@RestController
@RequestMapping("/api/courses/{course}/learners/{enrolment}/badges")
class AwardController {
  private final Awarding awarding;

  AwardController(Awarding awarding) {
    this.awarding = awarding;
  }

  /**
   * @param evidence the address of what shows it
   */
  record Award(
      BadgeId badge,
      @NotNull @Size(min = 3, max = 500, message = "no-reason-for-badge") String reason,
      Optional<@Size(max = 500) String> evidence) {}

  /** Gives a badge by hand; one that is held is not given again. */
  @PostMapping
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void award(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      Seat seat,
      @Valid @RequestBody Award award) {
    awarding.give(
        seat,
        enrolment,
        award.badge(),
        award.reason(),
        HoldersController.evidence(award.evidence()));
  }

  record Revocation(
      @NotNull @Size(min = 3, max = 500, message = "no-reason-for-revoking") String reason) {}

  /** Takes a badge back; its holder reads why. */
  @PostMapping("/{badge}/revocation")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void revoke(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable BadgeId badge,
      Seat seat,
      @Valid @RequestBody Revocation revocation) {
    awarding.revoke(seat, enrolment, badge, revocation.reason());
  }
}
