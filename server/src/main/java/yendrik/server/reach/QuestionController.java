package yendrik.server.reach;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.StepId;
import yendrik.core.words.Phrase;
import yendrik.server.http.Problem;
import yendrik.server.learn.StepDoor;
import yendrik.server.learn.Wayfarer;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** Learners ask staff, from wherever they are. */
@RestController
class QuestionController {
  private final Wayfarer wayfarer;
  private final Walks walks;
  private final Messages messages;

  QuestionController(Wayfarer wayfarer, Walks walks, Messages messages) {
    this.wayfarer = wayfarer;
    this.walks = walks;
    this.messages = messages;
  }

  /**
   * @param step about which it is, if it is about one
   */
  record StaffQuestion(
      @NotBlank(message = "nothing-written") @Size(max = 20_000) String text,
      Optional<StepId> step) {}

  /** Who was asked. */
  record Asked(List<String> staff) {}

  @PostMapping("/api/courses/{course}/walks/{walk}/questions")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.CREATED)
  Asked ask(
      @PathVariable CourseId course,
      @PathVariable String walk,
      Seat seat,
      @Valid @RequestBody StaffQuestion question) {
    Walk way = walks.see(wayfarer.enrolment(seat, walk));
    if (way.practice()) throw Problem.conflict("made-up-learners-ask-nobody");
    Phrase subject =
        question
            .step()
            .map(s -> Phrase.text(way.step(StepDoor.known(way, s)).name()))
            .orElseGet(() -> Phrase.text(way.index().design().name()));
    String says = way.writing().say(Phrase.of("question.subject", "about", subject));
    return new Asked(messages.ask(seat, way.progress().record().groups(), says, question.text()));
  }
}
