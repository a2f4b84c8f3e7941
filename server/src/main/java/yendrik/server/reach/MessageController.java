package yendrik.server.reach;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** One's own letters in a course, for staff and learners alike. */
@RestController
@RequestMapping("/api/courses/{course}/messages")
class MessageController {
  private final Messages messages;

  MessageController(Messages messages) {
    this.messages = messages;
  }

  @GetMapping
  @Needs(Right.LEARN)
  Messages.MessagesView all(@PathVariable CourseId course, Seat seat) {
    return messages.all(seat);
  }

  @GetMapping("/{person}")
  @Needs(Right.LEARN)
  Messages.ConversationView with(
      @PathVariable CourseId course, @PathVariable PersonId person, Seat seat) {
    return messages.with(seat, person);
  }

  record MessageEdit(@NotBlank(message = "nothing-written") @Size(max = 20_000) String body) {}

  @PostMapping("/{person}")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.CREATED)
  Messages.ConversationView write(
      @PathVariable CourseId course,
      @PathVariable PersonId person,
      Seat seat,
      @Valid @RequestBody MessageEdit edit) {
    return messages.write(seat, person, edit.body());
  }

  @PostMapping("/{person}/reading")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void read(@PathVariable CourseId course, @PathVariable PersonId person, Seat seat) {
    messages.read(seat, person);
  }
}
