package yendrik.server.learn;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.design.copying.Emptying;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.way.Walks;

/** A course to try things in is wound back to empty. */
@RestController
@RequestMapping("/api/courses/{course}/winding-back")
class PracticeCourseController {
  private final Emptying emptying;
  private final Walks walks;

  PracticeCourseController(Emptying emptying, Walks walks) {
    this.emptying = emptying;
    this.walks = walks;
  }

  /**
   * @param at the moment by which all of it can be brought back
   */
  record WoundBack(Instant at) {}

  @PostMapping
  @Needs(Right.PLAN)
  WoundBack windBack(@PathVariable CourseId course) {
    Instant at = emptying.empty(course);
    walks.startAllOver(course);
    return new WoundBack(at);
  }

  record BringBack(@NotNull Instant at) {}

  /** Brings back what was in it. */
  @PostMapping("/undoing")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void bringBack(@PathVariable CourseId course, @Valid @RequestBody BringBack what) {
    emptying.bringBack(course, what.at());
  }
}
