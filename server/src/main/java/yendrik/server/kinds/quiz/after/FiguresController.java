package yendrik.server.kinds.quiz.after;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.StepId;
import yendrik.formats.table.TableFormat;
import yendrik.server.kinds.quiz.after.FiguresViews.FiguresView;
import yendrik.server.kinds.quiz.after.FiguresViews.QuizLine;
import yendrik.server.kinds.quiz.after.FiguresViews.WentView;
import yendrik.server.kinds.quiz.correction.CorrectionRows.What;
import yendrik.server.people.Accounts;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.people.Whence;
import yendrik.server.watch.report.SheetFile;

/** Quizzes after use. */
@RestController
@RequestMapping("/api/courses/{course}/quizzes")
class FiguresController {
  private final Figured figures;
  private final Corrections corrections;
  private final Remarking remarking;
  private final Accounts accounts;

  FiguresController(
      Figured figures, Corrections corrections, Remarking remarking, Accounts accounts) {
    this.figures = figures;
    this.corrections = corrections;
    this.remarking = remarking;
    this.accounts = accounts;
  }

  @GetMapping
  @Needs(Right.TEACH)
  List<QuizLine> quizzes(@PathVariable CourseId course, Seat seat) {
    return figures.quizzes(seat);
  }

  /** How the questions of the course went, in whichever quizzes asked them. */
  @GetMapping("/questions")
  @Needs(Right.PLAN)
  List<WentView> went(@PathVariable CourseId course, Seat seat) {
    return figures.went(seat);
  }

  /**
   * How a quiz went.
   *
   * @param first whether only first attempts are looked at
   */
  @GetMapping("/{step}/figures")
  @Needs(Right.TEACH)
  FiguresView figures(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @RequestParam(defaultValue = "true") boolean first,
      Seat seat) {
    return figures.figures(seat, step, first);
  }

  /** All attempts at a quiz as a file. */
  @GetMapping("/{step}/results/{format}")
  @Needs(Right.TEACH)
  void results(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @PathVariable String format,
      Seat seat,
      Whence whence,
      HttpServletResponse response)
      throws IOException {
    TableFormat written = SheetFile.format(format);
    var sheet = figures.results(seat, step);
    accounts.note(
        Accounts.What.EXPORTED, seat.person(), whence, "results of a quiz of course " + course);
    SheetFile.write(response, written, "results", "Results", sheet);
  }

  record CorrectionAsked(@NotBlank @Size(max = 80) String question, @NotNull What what) {}

  /** What a correction would do to learners, by name. */
  @PostMapping("/{step}/corrections/effect")
  @Needs(Right.PLAN)
  Corrections.Effect effect(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @Valid @RequestBody CorrectionAsked asked) {
    return corrections.effect(course, step, asked.question(), asked.what());
  }

  record CorrectionEdit(
      @NotBlank @Size(max = 80) String question,
      @NotNull What what,
      @NotBlank @Size(max = 2000) String reason) {}

  /** Puts a question right and marks all attempts that asked it anew. */
  @PostMapping("/{step}/corrections")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void correct(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @Valid @RequestBody CorrectionEdit edit,
      Seat seat) {
    corrections.add(seat, step, edit.question(), edit.what(), edit.reason());
    remarking.all();
  }

  /** What taking a correction back would do to learners, by name. */
  @GetMapping("/{step}/corrections/{id}/return")
  @Needs(Right.PLAN)
  Corrections.Effect effectWithout(
      @PathVariable CourseId course, @PathVariable StepId step, @PathVariable long id) {
    return corrections.effectWithout(course, step, id);
  }

  /** Takes a correction back and marks the attempts as if it had not been made. */
  @PostMapping("/{step}/corrections/{id}/return")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(
      @PathVariable CourseId course, @PathVariable StepId step, @PathVariable long id, Seat seat) {
    corrections.takeBack(seat, step, id);
    remarking.all();
  }
}
