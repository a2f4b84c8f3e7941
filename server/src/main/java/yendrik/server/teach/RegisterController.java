package yendrik.server.teach;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.server.http.IfMatch;
import yendrik.server.http.PlainText;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

@RestController
@RequestMapping("/api/courses/{course}/sessions")
class RegisterController {
  private final Registers registers;

  RegisterController(Registers registers) {
    this.registers = registers;
  }

  @GetMapping
  @Needs(Right.TEACH)
  Registers.CalendarView calendar(@PathVariable CourseId course, Seat seat) {
    return registers.calendar(seat);
  }

  record SeriesEdit(
      @NotBlank(message = "no-name-of-sessions") @Size(max = 100) @PlainText String name,
      Optional<GroupId> group,
      @NotEmpty(message = "no-weekday") Set<DayOfWeek> days,
      @NotNull LocalTime time,
      @Min(5) @Max(1440) int minutes,
      @Min(1) @Max(8) int everyWeeks,
      @NotNull LocalDate from,
      @NotNull LocalDate until) {}

  /** Adds sessions from one form. */
  @PostMapping
  @Needs(Right.SCHEDULE)
  @ResponseStatus(HttpStatus.CREATED)
  List<Registers.SessionView> add(
      @PathVariable CourseId course, Seat seat, @Valid @RequestBody SeriesEdit e) {
    return registers.add(
        seat,
        new Registers.Series(
            e.name(),
            e.group(),
            e.days(),
            e.time(),
            e.minutes(),
            e.everyWeeks(),
            e.from(),
            e.until()));
  }

  record SessionEdit(
      @NotBlank @Size(max = 100) @PlainText String name,
      Optional<GroupId> group,
      @NotNull Instant startsAt,
      @Min(5) @Max(1440) int minutes) {}

  @PutMapping("/{session}")
  @Needs(Right.SCHEDULE)
  Registers.SessionView change(
      @PathVariable CourseId course,
      @PathVariable SessionId session,
      Seat seat,
      @RequestHeader("If-Match") String version,
      @Valid @RequestBody SessionEdit e) {
    return registers.change(
        seat, session, IfMatch.version(version), e.name(), e.group(), e.startsAt(), e.minutes());
  }

  @DeleteMapping("/{session}")
  @Needs(Right.SCHEDULE)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable CourseId course, @PathVariable SessionId session, Seat seat) {
    registers.remove(seat, session);
  }

  @PostMapping("/{session}/restoration")
  @Needs(Right.SCHEDULE)
  Registers.SessionView restore(
      @PathVariable CourseId course, @PathVariable SessionId session, Seat seat) {
    return registers.restore(seat, session);
  }

  @GetMapping("/{session}/register")
  @Needs(Right.TEACH)
  Registers.RegisterView register(
      @PathVariable CourseId course, @PathVariable SessionId session, Seat seat) {
    return registers.register(seat, session);
  }

  /**
   * @param status empty to take a mark back
   */
  @Schema(name = "RegisterMark")
  record MarkEdit(EnrolmentId learner, Optional<StatusId> status) {}

  record RegisterEdit(
      @NotEmpty(message = "nobody-marked") @Size(max = 5000) List<MarkEdit> marks) {}

  /** Marks learners, all of those named or none. */
  @PutMapping("/{session}/register")
  @Needs(Right.TEACH)
  Registers.RegisterView mark(
      @PathVariable CourseId course,
      @PathVariable SessionId session,
      Seat seat,
      @Valid @RequestBody RegisterEdit edit) {
    Map<EnrolmentId, Optional<StatusId>> marks = new HashMap<>();
    edit.marks().forEach(m -> marks.put(m.learner(), m.status()));
    registers.take(seat, session, marks);
    return registers.register(seat, session);
  }
}
