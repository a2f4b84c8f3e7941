package yendrik.server.design;

import jakarta.validation.Valid;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.design.DesignViews.StepView;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

/** Several steps of a draft at once. */
@RestController
@RequestMapping("/api/courses/{course}/design/steps")
class SeveralStepsController {
  private final SeveralSteps several;

  SeveralStepsController(SeveralSteps several) {
    this.several = several;
  }

  @PostMapping("/changes")
  @Needs(Right.PLAN)
  List<StepView> changeSteps(
      @PathVariable CourseId course, @Valid @RequestBody SeveralSteps.StepsEdit edit) {
    return several.change(course, edit);
  }

  /** Moves all their dates by some days. */
  @PostMapping("/dates")
  @Needs(Right.PLAN)
  List<StepView> moveDates(
      @PathVariable CourseId course, @Valid @RequestBody SeveralSteps.StepsLater edit) {
    return several.later(course, edit);
  }

  @PostMapping("/removal")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removeSteps(
      @PathVariable CourseId course, @Valid @RequestBody SeveralSteps.StepsTaken edit) {
    several.remove(course, edit);
  }

  @PostMapping("/restoration")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void restoreSteps(
      @PathVariable CourseId course, @Valid @RequestBody SeveralSteps.StepsBack edit) {
    several.restore(course, edit);
  }
}
