package yendrik.server.design.copying;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.design.Courses;
import yendrik.server.http.PlainText;
import yendrik.server.http.Problem;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.SignedIn;

@RestController
@RequestMapping("/api/courses")
class CourseController {
  private final NewCourses courses;

  CourseController(NewCourses courses) {
    this.courses = courses;
  }

  /**
   * @param zone time zone by its name in the tz database: "Europe/Berlin"
   * @param from the course that it begins as a copy of; empty without
   * @param practice to try things in, without learners
   */
  record CourseEdit(
      @NotBlank @Size(max = 120) @PlainText String name,
      @NotNull @Size(max = 120) @PlainText String cohort,
      @NotNull LocalDate starts,
      @Min(1) @Max(520) int weeks,
      @NotBlank @Size(max = 60) @PlainText String zone,
      Optional<CourseId> from,
      Optional<Boolean> practice) {}

  /** Makes a course: empty with the usual flags and one scale, or a copy of another. */
  @PostMapping
  @Needs(Right.MAKE_COURSES)
  @ResponseStatus(HttpStatus.CREATED)
  NewCourses.Made addCourse(@Valid @RequestBody CourseEdit edit, SignedIn person) {
    if (edit.from().isPresent() && !courses.copies(edit.from().get(), person))
      throw Problem.field("from", "not-your-course");
    ZoneId zone;
    try {
      zone = ZoneId.of(edit.zone());
    } catch (DateTimeException e) {
      throw Problem.field("zone", "no-such-time-zone");
    }
    var course =
        new Courses.NewCourse(
            edit.name().strip(),
            "",
            edit.cohort().strip(),
            zone,
            edit.starts().atStartOfDay(zone).toInstant(),
            edit.weeks(),
            "");
    return courses.make(course, edit.practice().orElse(false), edit.from(), person);
  }
}
