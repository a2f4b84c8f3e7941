package yendrik.server.teach;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

@RestController
@RequestMapping("/api/courses/{course}/approvals")
class ApprovalController {
  private final Approvals approvals;

  ApprovalController(Approvals approvals) {
    this.approvals = approvals;
  }

  @GetMapping
  @Needs(Right.TEACH)
  Approvals.QueueView queue(@PathVariable CourseId course, Seat seat) {
    return approvals.of(seat);
  }

  record Approval(
      @NotNull @Size(min = 1, max = 2000) List<@NotNull EnrolmentId> learners,
      @NotNull @Size(max = 500) String note) {}

  /** Approves several learners, all of them or none. */
  @PostMapping
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void approve(@PathVariable CourseId course, Seat seat, @Valid @RequestBody Approval approval) {
    approvals.approve(seat, approval.learners(), approval.note());
  }

  record TakingBack(@NotNull @Size(min = 3, max = 500, message = "no-reason") String reason) {}

  /** Takes the approval of one's kind of staff back. */
  @PostMapping("/{enrolment}/taking-back")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      Seat seat,
      @Valid @RequestBody TakingBack back) {
    approvals.takeBack(seat, enrolment, back.reason());
  }
}
