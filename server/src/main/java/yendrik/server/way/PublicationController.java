package yendrik.server.way;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.design.DraftMark;
import yendrik.server.http.LineWriter;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.SignedIn;

@RestController
@RequestMapping("/api/courses/{course}/publications")
class PublicationController {
  private static final int SHOWN = 25;
  private final Publishing publishing;
  private final MoveLearners learners;

  PublicationController(Publishing publishing, MoveLearners learners) {
    this.publishing = publishing;
    this.learners = learners;
  }

  @GetMapping
  @Needs(Right.PLAN)
  List<Publishing.Published> history(@PathVariable long course) {
    return publishing.history(new CourseId(course));
  }

  /** What publishing now would do to learners. */
  @GetMapping("/next")
  @Needs(Right.PLAN)
  Publishing.Impact impact(@PathVariable long course) {
    return publishing.impact(new CourseId(course));
  }

  /**
   * @param draft the mark of the draft that was looked at, as {@code GET next} gave it
   */
  record PublicationEdit(@NotNull @Size(max = 1_000_000) String draft) {}

  /** A line while learners come under the publication: so many of so many. */
  record Line(int number, int moved, int of) {}

  /**
   * Publishes the draft that was looked at. The answer is a line of JSON for each part of the
   * learners that has come under it; the publication stands from the first line on.
   */
  @PostMapping(produces = LineWriter.LINES)
  @Needs(Right.PLAN)
  void publish(
      @PathVariable long course,
      SignedIn person,
      @Valid @RequestBody PublicationEdit edit,
      HttpServletResponse response) {
    var id = new CourseId(course);
    int number = publishing.publish(id, person.id(), DraftMark.read(edit.draft()));
    var lines = new LineWriter(response);
    int[] all = new int[1];
    lines.tryWrite(new Line(number, 0, 0));
    learners.under(
        id,
        (of, moved) -> {
          all[0] = of;
          if (moved % SHOWN == 0) lines.tryWrite(new Line(number, moved, of));
        });
    lines.tryWrite(new Line(number, all[0], all[0]));
  }
}
