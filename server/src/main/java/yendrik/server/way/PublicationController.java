package yendrik.server.way;

import com.fasterxml.jackson.annotation.JsonTypeName;
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
import yendrik.server.design.DraftMark;
import yendrik.server.jobs.JobResult;
import yendrik.server.jobs.JobView;
import yendrik.server.jobs.Jobs;
import yendrik.server.jobs.Work;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

@RestController
@RequestMapping("/api/courses/{course}/publications")
class PublicationController {
  private final Publishing publishing;
  private final MoveLearners learners;
  private final Jobs jobs;

  PublicationController(Publishing publishing, MoveLearners learners, Jobs jobs) {
    this.publishing = publishing;
    this.learners = learners;
    this.jobs = jobs;
  }

  @GetMapping
  @Needs(Right.PLAN)
  List<Publishing.Published> history(@PathVariable CourseId course) {
    return publishing.history(course);
  }

  /** What publishing now would do to learners. */
  @GetMapping("/next")
  @Needs(Right.PLAN)
  Publishing.Impact impact(@PathVariable CourseId course) {
    return publishing.impact(course);
  }

  /**
   * @param draft the mark of the draft that was looked at, as {@code GET next} gave it
   */
  record PublicationEdit(@NotNull @Size(max = 1_000_000) String draft) {}

  /**
   * Learners have come under a publication.
   *
   * @param number of the publication
   */
  @JsonTypeName("published")
  record UnderIt(int number, int learners) implements JobResult {}

  /**
   * Publishes the draft that was looked at. It stands when this is answered; learners come under it
   * meanwhile, or by the clock where a server ends over it.
   */
  @PostMapping
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.ACCEPTED)
  JobView publish(
      @PathVariable CourseId course, Seat seat, @Valid @RequestBody PublicationEdit edit) {
    int number =
        publishing.publish(seat.course(), seat.person().id(), DraftMark.read(edit.draft()));
    return jobs.begin(
        seat,
        new Work(
            "publishing",
            /* whole= */ false,
            meter -> new UnderIt(number, learners.under(seat.course(), meter))));
  }
}
