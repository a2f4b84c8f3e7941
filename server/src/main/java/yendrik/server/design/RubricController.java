package yendrik.server.design;

import jakarta.validation.Valid;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.RubricId;
import yendrik.server.design.RubricForms.RubricEdit;
import yendrik.server.design.RubricForms.RubricView;
import yendrik.server.design.RubricForms.ShelfView;
import yendrik.server.http.FieldsEdit;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

@RestController
@RequestMapping("/api/courses/{course}/design")
class RubricController {
  private final Rubrics rubrics;

  RubricController(Rubrics rubrics) {
    this.rubrics = rubrics;
  }

  @GetMapping("/rubrics")
  @Needs(Right.PLAN)
  List<RubricView> all(@PathVariable CourseId course) {
    return rubrics.of(course);
  }

  @PostMapping("/rubrics")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  RubricView add(@PathVariable CourseId course, @Valid @RequestBody RubricEdit edit) {
    return rubrics.add(course, edit);
  }

  @PatchMapping("/rubrics/{id}")
  @Needs(Right.PLAN)
  RubricView change(
      @PathVariable CourseId course,
      @PathVariable RubricId id,
      @Valid @RequestBody FieldsEdit edit) {
    return rubrics.change(course, id, edit);
  }

  @DeleteMapping("/rubrics/{id}")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable CourseId course, @PathVariable RubricId id) {
    rubrics.remove(course, id);
  }

  /** Copies a rubric to the institution's shelf. */
  @PostMapping("/rubrics/{id}/shelving")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void shelve(@PathVariable CourseId course, @PathVariable RubricId id, Seat seat) {
    rubrics.shelve(course, id, seat.person());
  }

  @GetMapping("/shelf/rubrics")
  @Needs(Right.PLAN)
  List<ShelfView> shelf(@PathVariable CourseId course, Seat seat) {
    return rubrics.shelf(seat.person());
  }

  /** Copies a rubric from the shelf into the course. */
  @PostMapping("/shelf/rubrics/{id}/taking")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  RubricView take(@PathVariable CourseId course, @PathVariable RubricId id) {
    return rubrics.take(course, id);
  }

  @DeleteMapping("/shelf/rubrics/{id}")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void unshelve(@PathVariable CourseId course, @PathVariable RubricId id, Seat seat) {
    rubrics.unshelve(id, seat.person());
  }
}
