package yendrik.server.reach;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.server.http.PlainText;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

@RestController
@RequestMapping("/api/courses/{course}/letters")
class LetterController {
  private final Letters letters;

  LetterController(Letters letters) {
    this.letters = letters;
  }

  record LetterEdit(
      @NotEmpty(message = "no-learner") @Size(max = 5000) List<EnrolmentId> learners,
      @NotBlank(message = "no-subject") @Size(max = 200) @PlainText String subject,
      @NotBlank(message = "no-letter") @Size(max = 20_000) String body) {}

  record Written(int letters) {}

  record LetterLook(
      @NotNull EnrolmentId learner,
      @NotNull @Size(max = 200) String subject,
      @NotNull @Size(max = 20_000) String body) {}

  /** A letter as one learner would get it. */
  @PostMapping("/preview")
  @Needs(Right.TEACH)
  Letters.FilledIn preview(
      @PathVariable CourseId course, Seat seat, @Valid @RequestBody LetterLook look) {
    return letters.filledIn(seat, look.learner(), look.subject(), look.body());
  }

  /** Writes to several learners, each a letter of their own. */
  @PostMapping
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.CREATED)
  Written write(@PathVariable CourseId course, Seat seat, @Valid @RequestBody LetterEdit letter) {
    return new Written(letters.write(seat, letter.learners(), letter.subject(), letter.body()));
  }
}
