package yendrik.server.rehearse.crowd;

import jakarta.validation.Valid;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.jobs.JobView;
import yendrik.server.jobs.Jobs;
import yendrik.server.jobs.Work;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.rehearse.crowd.CrowdViews.CrowdEdit;
import yendrik.server.rehearse.crowd.CrowdViews.CrowdsView;

/** Crowds that walk through the draft of a course. */
@RestController
@RequestMapping("/api/courses/{course}/design/crowd")
class CrowdController {
  private final Crowds crowds;
  private final Jobs jobs;

  CrowdController(Crowds crowds, Jobs jobs) {
    this.crowds = crowds;
    this.jobs = jobs;
  }

  /** The last crowd, and what the next one could be like. */
  @GetMapping
  @Needs(Right.PLAN)
  CrowdsView last(@PathVariable CourseId course) {
    return crowds.last(course);
  }

  /** Lets a crowd walk; what became of it is there when the work is done. */
  @PostMapping
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.ACCEPTED)
  JobView walk(@PathVariable CourseId course, Seat seat, @Valid @RequestBody CrowdEdit asked) {
    crowds.check(course, asked);
    return jobs.begin(
        seat, new Work("crowd", /* whole= */ true, meter -> crowds.walk(seat, asked, meter)));
  }
}
