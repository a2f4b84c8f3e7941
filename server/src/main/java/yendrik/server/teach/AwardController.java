package yendrik.server.teach;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.record.Fact;
import yendrik.server.http.Problem;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Walks;

@RestController
@RequestMapping("/api/courses/{course}/learners/{enrolment}/badges")
class AwardController {
  private final Learners learners;
  private final Walks walks;

  AwardController(Learners learners, Walks walks) {
    this.learners = learners;
    this.walks = walks;
  }

  record Award(
      BadgeId badge,
      @NotNull @Size(min = 3, max = 500, message = "no-reason-for-badge") String reason) {}

  /** Gives a badge by hand; one that is held is not given again. */
  @PostMapping
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void award(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      Seat seat,
      @Valid @RequestBody Award award) {
    String name = learners.one(seat, enrolment).name();
    walks.act(
        enrolment,
        Optional.of(seat.person().id()),
        w -> {
          CourseIndex index = w.progress().course().index();
          int b = index.number(award.badge());
          if (b == CourseIndex.UNKNOWN) throw Problem.field("badge", "no-such-badge");
          if (w.progress().sight().holds(b))
            throw Problem.conflict(
                "holds-badge-already", "name", name, "badge", index.badge(b).name());
          return List.of(new Fact.BadgeIssued(award.badge(), award.reason()));
        });
  }
}
