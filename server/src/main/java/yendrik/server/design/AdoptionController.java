package yendrik.server.design;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.ScaleId;
import yendrik.server.http.PlainText;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

@RestController
@RequestMapping("/api")
class AdoptionController {
  private final Adoption adoption;
  private final Courses courses;

  AdoptionController(Adoption adoption, Courses courses) {
    this.adoption = adoption;
    this.courses = courses;
  }

  record FrameworkEdit(@NotBlank @Size(max = 120) @PlainText String name) {}

  /** Makes an empty framework of the institution with one scale. */
  @PostMapping("/frameworks")
  @Needs(Right.ADMINISTER)
  @ResponseStatus(HttpStatus.CREATED)
  Courses.Added add(@Valid @RequestBody FrameworkEdit edit) {
    CourseId id = courses.addFramework(edit.name().strip());
    courses.addPlainScale(id);
    return new Courses.Added(id);
  }

  /** The institution's frameworks and how the course stands to what is in them. */
  @GetMapping("/courses/{course}/design/frameworks")
  @Needs(Right.PLAN)
  List<Adoption.FrameworkView> frameworks(@PathVariable CourseId course) {
    return adoption.frameworks(course);
  }

  /** What to adopt, by ids in the framework. */
  record AdoptEdit(
      @NotNull @Size(max = 10_000) List<OutcomeId> outcomes,
      @NotNull @Size(max = 100) List<ScaleId> scales) {}

  record AdoptedCount(int fresh) {}

  @PostMapping("/courses/{course}/design/frameworks/{framework}/adoption")
  @Needs(Right.PLAN)
  AdoptedCount adopt(
      @PathVariable CourseId course,
      @PathVariable CourseId framework,
      @Valid @RequestBody AdoptEdit edit) {
    return new AdoptedCount(adoption.adopt(course, framework, edit.outcomes(), edit.scales()));
  }

  @Schema(name = "AdoptionDecision")
  record DecisionEdit(@NotNull Adoption.Decision decision) {}

  /** Decides about an adopted outcome. */
  @PostMapping("/courses/{course}/design/outcomes/{id}/decision")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void decide(
      @PathVariable CourseId course,
      @PathVariable OutcomeId id,
      @Valid @RequestBody DecisionEdit edit) {
    adoption.decide(course, id, edit.decision());
  }

  /** Decides about an adopted scale. */
  @PostMapping("/courses/{course}/design/scales/{id}/decision")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void decideScale(
      @PathVariable CourseId course,
      @PathVariable ScaleId id,
      @Valid @RequestBody DecisionEdit edit) {
    adoption.decideScale(course, id, edit.decision());
  }
}
