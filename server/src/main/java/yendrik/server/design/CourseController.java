package yendrik.server.design;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.http.PlainText;
import yendrik.server.http.Problem;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

@RestController
@RequestMapping("/api/courses")
class CourseController {
  private final Courses courses;

  CourseController(Courses courses) {
    this.courses = courses;
  }

  /**
   * @param zone time zone by its name in the tz database: "Europe/Berlin"
   */
  record CourseEdit(
      @NotBlank @Size(max = 120) @PlainText String name,
      @NotNull @Size(max = 120) @PlainText String cohort,
      @NotNull LocalDate starts,
      @Min(1) @Max(520) int weeks,
      @NotBlank @Size(max = 60) @PlainText String zone) {}

  record Added(CourseId id) {}

  /** Makes an empty course with the usual flags and one scale. */
  @PostMapping
  @Needs(Right.ADMINISTER)
  @ResponseStatus(HttpStatus.CREATED)
  Added add(@Valid @RequestBody CourseEdit edit) {
    ZoneId zone;
    try {
      zone = ZoneId.of(edit.zone());
    } catch (DateTimeException e) {
      throw Problem.field("zone", "no-such-time-zone");
    }
    CourseId id =
        courses.add(
            new Courses.NewCourse(
                edit.name().strip(),
                "",
                edit.cohort().strip(),
                zone,
                edit.starts().atStartOfDay(zone).toInstant(),
                edit.weeks(),
                ""));
    courses.addPlainScale(id);
    return new Added(id);
  }
}
