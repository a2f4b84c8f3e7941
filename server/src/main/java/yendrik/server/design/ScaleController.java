package yendrik.server.design;

import jakarta.validation.Valid;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.ScaleId;
import yendrik.server.http.IfMatch;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

@RestController
@RequestMapping("/api/courses/{course}/design/scales")
class ScaleController {
  private final Scales scales;

  ScaleController(Scales scales) {
    this.scales = scales;
  }

  @PostMapping
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  DesignViews.ScaleView add(
      @PathVariable CourseId course, @Valid @RequestBody DesignEdits.ScaleEdit edit) {
    return scales.add(course, edit);
  }

  @PutMapping("/{id}")
  @Needs(Right.PLAN)
  DesignViews.ScaleView change(
      @PathVariable CourseId course,
      @PathVariable ScaleId id,
      @RequestHeader("If-Match") String version,
      @Valid @RequestBody DesignEdits.ScaleEdit edit) {
    return scales.change(course, id, IfMatch.version(version), edit);
  }

  /** What a change would mean for ratings that stand; nothing is changed. */
  @PostMapping("/{id}/effects")
  @Needs(Right.PLAN)
  List<String> effects(
      @PathVariable CourseId course,
      @PathVariable ScaleId id,
      @Valid @RequestBody DesignEdits.ScaleEdit edit) {
    return scales.effects(course, id, edit);
  }

  @DeleteMapping("/{id}")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable CourseId course, @PathVariable ScaleId id) {
    scales.remove(course, id);
  }
}
