package yendrik.server.teach;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.OutcomeId;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

@RestController
@RequestMapping("/api/courses/{course}/ratings")
class RatingController {
  private final Ratings ratings;

  RatingController(Ratings ratings) {
    this.ratings = ratings;
  }

  record RatingEdit(
      OutcomeId outcome,
      int level,
      @NotEmpty(message = "no-learner") @Size(max = 2000) List<EnrolmentId> learners,
      Optional<@Size(max = 2000) String> note) {}

  /** Rates learners on an outcome in one go, as facts by the person signed in. */
  @PostMapping
  @Needs(Right.TEACH)
  List<Ratings.Given> rate(
      @PathVariable CourseId course, Seat seat, @Valid @RequestBody RatingEdit edit) {
    return ratings.rate(seat, edit.outcome(), edit.level(), edit.learners(), edit.note());
  }

  record TakeBack(
      @NotEmpty @Size(max = 2000) List<Ratings.Given> ratings,
      @NotNull @Size(max = 500) String reason) {}

  /** Takes back ratings of one's own. */
  @PostMapping("/taken-back")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(@PathVariable CourseId course, Seat seat, @Valid @RequestBody TakeBack back) {
    ratings.takeBack(seat, back.ratings(), back.reason());
  }
}
