package yendrik.server.way;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.SignedIn;

@RestController
@RequestMapping("/api/courses/{course}/publications")
class PublicationController {
  private final Publishing publishing;

  PublicationController(Publishing publishing) {
    this.publishing = publishing;
  }

  @GetMapping
  @Needs(Right.PLAN)
  List<Publishing.Published> history(@PathVariable long course) {
    return publishing.history(new CourseId(course));
  }

  /** What publishing now would do to learners. */
  @GetMapping("/next")
  @Needs(Right.PLAN)
  Publishing.Impact impact(@PathVariable long course) {
    return publishing.impact(new CourseId(course));
  }

  record Number(int number) {}

  @PostMapping
  @Needs(Right.PLAN)
  Number publish(@PathVariable long course, SignedIn person) {
    return new Number(publishing.publish(new CourseId(course), person.id()));
  }
}
