package yendrik.server.jobs;

import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.http.Problem;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** How far long work is; everybody knows of their own only. */
@RestController
@RequestMapping("/api/courses/{course}/jobs")
class JobController {
  private final JobRows jobs;

  JobController(JobRows jobs) {
    this.jobs = jobs;
  }

  /** What one has begun here within a day, newest first. */
  @GetMapping
  @Needs(Right.TEACH)
  List<JobView> mine(@PathVariable CourseId course, Seat seat) {
    return jobs.of(seat);
  }

  @GetMapping("/{job}")
  @Needs(Right.TEACH)
  JobView one(@PathVariable CourseId course, @PathVariable long job, Seat seat) {
    return jobs.one(seat, job).orElseThrow(() -> Problem.notFound("work under way"));
  }

  /** Asks that it be stopped; whether it was in time shows in its state soon after. */
  @DeleteMapping("/{job}")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.ACCEPTED)
  void stop(@PathVariable CourseId course, @PathVariable long job, Seat seat) {
    one(course, job, seat);
    jobs.askToStop(seat, job);
  }
}
