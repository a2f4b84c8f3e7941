package yendrik.server.kinds.quiz.bank;

import jakarta.validation.Valid;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.QuestionId;
import yendrik.server.http.FieldsEdit;
import yendrik.server.kinds.quiz.bank.BankForms.BankEdit;
import yendrik.server.kinds.quiz.bank.BankForms.BankEdits;
import yendrik.server.kinds.quiz.bank.BankForms.BankView;
import yendrik.server.kinds.quiz.bank.BankForms.ReadingView;
import yendrik.server.kinds.quiz.bank.BankForms.ShelfQuestion;
import yendrik.server.kinds.quiz.bank.BankForms.TextView;
import yendrik.server.kinds.quiz.bank.BankForms.VersionView;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** The questions of a course. */
@RestController
@RequestMapping("/api/courses/{course}/design")
class BankController {
  private final Bank bank;

  BankController(Bank bank) {
    this.bank = bank;
  }

  @GetMapping("/questions")
  @Needs(Right.PLAN)
  List<BankView> all(@PathVariable CourseId course) {
    return bank.of(course);
  }

  @PostMapping("/questions")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  BankView add(@PathVariable CourseId course, @Valid @RequestBody BankEdit edit) {
    return bank.add(course, edit);
  }

  /** Adds many at once, all of them or none. */
  @PostMapping("/questions/several")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  List<BankView> addAll(@PathVariable CourseId course, @Valid @RequestBody BankEdits edits) {
    return bank.addAll(course, edits.questions());
  }

  /** Says what is understood of a text, and what is not right in it, line by line. */
  @PostMapping("/questions/reading")
  @Needs(Right.PLAN)
  ReadingView read(@PathVariable CourseId course, @Valid @RequestBody TextView text) {
    return bank.reading(text.text());
  }

  /** All questions as plain text; those that plain text cannot say are left out. */
  @GetMapping(value = "/questions/text", produces = MediaType.TEXT_PLAIN_VALUE)
  @Needs(Right.PLAN)
  ResponseEntity<String> text(@PathVariable CourseId course) {
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"questions.txt\"")
        .contentType(new MediaType(MediaType.TEXT_PLAIN, StandardCharsets.UTF_8))
        .body(bank.text(course));
  }

  @PatchMapping("/questions/{id}")
  @Needs(Right.PLAN)
  BankView change(
      @PathVariable CourseId course,
      @PathVariable QuestionId id,
      @Valid @RequestBody FieldsEdit edit,
      Seat seat) {
    return bank.change(course, id, edit, seat.person());
  }

  /** What a question asked before, the newest first. */
  @GetMapping("/questions/{id}/versions")
  @Needs(Right.PLAN)
  List<VersionView> versions(@PathVariable CourseId course, @PathVariable QuestionId id) {
    return bank.versions(course, id);
  }

  /** Copies a question to the institution's shelf. */
  @PostMapping("/questions/{id}/shelving")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void shelve(@PathVariable CourseId course, @PathVariable QuestionId id, Seat seat) {
    bank.shelve(course, id, seat.person());
  }

  @GetMapping("/shelf/questions")
  @Needs(Right.PLAN)
  List<ShelfQuestion> shelf(@PathVariable CourseId course, Seat seat) {
    return bank.shelf(seat.person());
  }

  /** Copies a question from the shelf into the course. */
  @PostMapping("/shelf/questions/{id}/taking")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  BankView take(@PathVariable CourseId course, @PathVariable QuestionId id) {
    return bank.take(course, id);
  }

  @DeleteMapping("/shelf/questions/{id}")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void unshelve(@PathVariable CourseId course, @PathVariable QuestionId id, Seat seat) {
    bank.unshelve(id, seat.person());
  }
}
