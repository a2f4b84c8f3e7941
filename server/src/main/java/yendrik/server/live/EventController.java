package yendrik.server.live;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import yendrik.core.id.CourseId;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.people.Whence;

@RestController
class EventController {
  private final Events events;

  EventController(Events events) {
    this.events = events;
  }

  /**
   * Server-sent events: {@code changed} with the ids of learners, gathered over a moment. Staff
   * hear of the learners they may see, learners of themselves.
   */
  @GetMapping(path = "/api/courses/{course}/events", produces = "text/event-stream")
  @Needs(Right.LEARN)
  SseEmitter events(@PathVariable CourseId course, Seat seat, Whence whence) {
    return events.listen(seat, whence.session());
  }
}
