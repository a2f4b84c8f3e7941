package yendrik.server.teach;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.FactId;
import yendrik.core.record.Fact;
import yendrik.core.words.Phrase;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.teach.ExceptionController.ExceptionEdit;
import yendrik.server.watch.Learners;

/** Exceptions of all learners of a course, and the same one for several of them. */
@RestController
@RequestMapping("/api/courses/{course}/exceptions")
class CourseExceptionController {
  private static final int MOST = 500;
  private final Exceptions exceptions;
  private final Learners learners;
  private final Institutions institutions;

  CourseExceptionController(Exceptions exceptions, Learners learners, Institutions institutions) {
    this.learners = learners;
    this.exceptions = exceptions;
    this.institutions = institutions;
  }

  /** All exceptions that stand, the newest first. */
  @GetMapping
  @Needs(Right.TEACH)
  List<Exceptions.InCourse> standing(@PathVariable CourseId course, Seat seat) {
    return exceptions.inCourse(seat);
  }

  record ForSeveral(
      @NotNull @Size(min = 1, max = MOST) List<@NotNull EnrolmentId> learners,
      @NotNull @Valid ExceptionEdit exception) {}

  /**
   * What came of it.
   *
   * @param given the facts that it is, one for each to whom it was given
   * @param left those to whom it would have done nothing, with the reason
   */
  @Schema(name = "ExceptionsGiven")
  record Given(List<GivenTo> given, List<Left> left) {}

  @Schema(name = "ExceptionGivenTo")
  record GivenTo(EnrolmentId enrolment, FactId fact) {}

  @Schema(name = "ExceptionLeft")
  record Left(EnrolmentId enrolment, String why) {}

  /** Gives each learner the same; each by itself, so that one who has it does not stop the rest. */
  @PostMapping
  @Needs(Right.TEACH)
  Given give(@PathVariable CourseId course, Seat seat, @Valid @RequestBody ForSeveral several) {
    Fact.AtStep what = ExceptionController.what(several.exception());
    Optional<Instant> end = ExceptionController.end(several.exception());
    List<GivenTo> given = new ArrayList<>();
    List<Left> left = new ArrayList<>();
    List<EnrolmentId> learners = several.learners().stream().distinct().sorted().toList();
    this.learners.seesAll(seat, learners);
    for (EnrolmentId learner : learners)
      try {
        given.add(new GivenTo(learner, exceptions.give(seat, learner, what, end)));
      } catch (Problem problem) {
        Phrase why = problem.conflict().orElseThrow(() -> problem);
        left.add(new Left(learner, institutions.say(why)));
      }
    return new Given(given, left);
  }
}
