package yendrik.server.way;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
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
import yendrik.server.way.Publishing.ForWhom;

@RestController
@RequestMapping("/api/courses/{course}/publications")
class PublicationController {
  private final Publishing publishing;
  private final MoveLearners learners;
  private final Jobs jobs;
  private final History history;

  PublicationController(Publishing publishing, MoveLearners learners, Jobs jobs, History history) {
    this.history = history;
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
   * @param later for those only who enrol from now on; otherwise for everybody
   * @param tells whether those are written to for whom it opens something
   */
  record PublicationEdit(
      @NotNull @Size(max = 1_000_000) String draft,
      Optional<Boolean> later,
      Optional<Boolean> tells) {}

  /**
   * @param later for those only who enrol from then on
   * @param tells whether those are written to for whom it opens something
   * @param at when it is to be published
   */
  record PlanEdit(
      @NotNull @Size(max = 1_000_000) String draft,
      boolean later,
      Optional<Boolean> tells,
      @NotNull Instant at) {}

  /** What the draft changes of what is published. */
  @GetMapping("/next/changes")
  @Needs(Right.PLAN)
  History.ChangesView changesOfDraft(@PathVariable CourseId course) {
    return history.ofDraft(course);
  }

  /** What a publication changed of the one before. */
  @GetMapping("/{number}/changes")
  @Needs(Right.PLAN)
  History.ChangesView changes(@PathVariable CourseId course, @PathVariable int number) {
    return history.of(course, number);
  }

  /** Keeps the draft that was looked at, to be published at a moment to come. */
  @PutMapping("/planned")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void plan(@PathVariable CourseId course, Seat seat, @Valid @RequestBody PlanEdit edit) {
    publishing.plan(
        course,
        seat.person().id(),
        new ForWhom(edit.later(), edit.tells().orElse(false)),
        edit.at(),
        DraftMark.read(edit.draft()));
  }

  @DeleteMapping("/planned")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void dropPlanned(@PathVariable CourseId course) {
    publishing.dropPlanned(course);
  }

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
        publishing.publish(
            seat.course(),
            seat.person().id(),
            new ForWhom(edit.later().orElse(false), edit.tells().orElse(false)),
            DraftMark.read(edit.draft()));
    return jobs.begin(
        seat,
        new Work(
            "publishing",
            /* whole= */ false,
            meter -> new UnderIt(number, learners.under(seat.course(), meter))));
  }
}
