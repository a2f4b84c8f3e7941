package yendrik.server.kinds.quiz.kept;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.kinds.quiz.kept.KeptSettings.QuizSettings;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Sets of settings of whoever asks. */
@RestController
@RequestMapping("/api/courses/{course}/design/quiz-settings")
class KeptSettingsController {
  private final KeptSettings settings;

  KeptSettingsController(KeptSettings settings) {
    this.settings = settings;
  }

  @GetMapping
  @Needs(Right.PLAN)
  List<QuizSettings> mine(@PathVariable CourseId course, Seat seat) {
    return settings.of(seat.person().id());
  }

  /** Keeps a set, in place of one of the same name. */
  @PutMapping
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keep(@PathVariable CourseId course, Seat seat, @Valid @RequestBody QuizSettings sent) {
    settings.keep(seat.person().id(), sent);
  }

  record NamedSettings(@NotBlank @Size(max = 60) String name) {}

  /** Keeps a set no longer; quizzes that were set by it stay as they are. */
  @PostMapping("/removal")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable CourseId course, Seat seat, @Valid @RequestBody NamedSettings sent) {
    settings.remove(seat.person().id(), sent.name());
  }
}
