package yendrik.server.rehearse;

import jakarta.validation.Valid;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.RehearsalId;
import yendrik.server.http.FieldsEdit;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.rehearse.RehearsalViews.AskedWhy;
import yendrik.server.rehearse.RehearsalViews.RehearsalEdit;
import yendrik.server.rehearse.RehearsalViews.RehearsalView;
import yendrik.server.rehearse.RehearsalViews.StepThen;

/** What is rehearsed with the draft of a course. */
@RestController
@RequestMapping("/api/courses/{course}/design/rehearsals")
class RehearsalController {
  private final Rehearsals rehearsals;

  RehearsalController(Rehearsals rehearsals) {
    this.rehearsals = rehearsals;
  }

  /** All that are kept, each played with the draft as it is now. */
  @GetMapping
  @Needs(Right.PLAN)
  List<RehearsalView> all(@PathVariable CourseId course) {
    return rehearsals.all(course);
  }

  @PostMapping
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  RehearsalView add(@PathVariable CourseId course, @Valid @RequestBody RehearsalEdit edit) {
    return rehearsals.add(course, edit);
  }

  @PatchMapping("/{id}")
  @Needs(Right.PLAN)
  RehearsalView change(
      @PathVariable CourseId course,
      @PathVariable RehearsalId id,
      @Valid @RequestBody FieldsEdit edit) {
    return rehearsals.change(course, id, edit);
  }

  /** Why a step stands as it does behind some lines. */
  @PostMapping("/why")
  @Needs(Right.PLAN)
  StepThen why(@PathVariable CourseId course, @Valid @RequestBody AskedWhy asked) {
    return rehearsals.why(course, asked.lines(), asked.step());
  }
}
