package yendrik.server.wording;

import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.http.FieldsEdit;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

/** What a course says to its learners in words of its own. */
@RestController
@RequestMapping("/api/courses/{course}/wording")
class WordingController {
  private final Wordings wordings;

  WordingController(Wordings wordings) {
    this.wordings = wordings;
  }

  @GetMapping
  @Needs(Right.PLAN)
  Wordings.View wording(@PathVariable CourseId course) {
    return wordings.course(course);
  }

  @PatchMapping
  @Needs(Right.PLAN)
  Wordings.View changeWording(@PathVariable CourseId course, @Valid @RequestBody FieldsEdit edit) {
    Wordings.View changed = wordings.change(course, edit);
    wordings.changed(course);
    return changed;
  }
}
