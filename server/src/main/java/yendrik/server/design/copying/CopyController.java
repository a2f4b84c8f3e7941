package yendrik.server.design.copying;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.server.http.PlainText;
import yendrik.server.http.Problem;
import yendrik.server.people.Needs;
import yendrik.server.people.People;
import yendrik.server.people.Right;
import yendrik.server.people.SignedIn;

/** Copies into a course: from another one that one designs, and from the shelf. */
@RestController
@RequestMapping("/api/courses/{course}/design")
class CopyController {
  private final Copying copying;
  private final Shelf shelf;
  private final People people;

  CopyController(Copying copying, Shelf shelf, People people) {
    this.copying = copying;
    this.shelf = shelf;
    this.people = people;
  }

  /**
   * @param into the module that single steps go to; without it they get one of their own
   */
  record CopyEdit(
      CourseId from,
      @NotNull @Size(max = 200) Set<ModuleId> modules,
      @NotNull @Size(max = 500) Set<StepId> steps,
      @NotNull @Size(max = 200) Set<BadgeId> badges,
      Optional<ModuleId> into,
      @NotNull Copying.Dates dates) {}

  /** Copies modules, steps and badges from another course. */
  @PostMapping("/copies")
  @Needs(Right.PLAN)
  Copying.Report copyHere(
      @PathVariable CourseId course, @Valid @RequestBody CopyEdit edit, SignedIn person) {
    if (!people.seat(edit.from(), person).has(Right.PLAN))
      throw Problem.field("from", "not-your-course");
    if (edit.modules().isEmpty() && edit.steps().isEmpty() && edit.badges().isEmpty())
      throw Problem.field("steps", "nothing-to-copy");
    var what =
        new Copying.Selection(
            edit.modules(), edit.steps(), edit.badges(), edit.into(), /* everything= */ false);
    return copying.copy(edit.from(), course, what, edit.dates());
  }

  /** Steps, modules and badges on the shelf, found by words. */
  @GetMapping("/shelf/things")
  @Needs(Right.PLAN)
  List<Shelf.Item> shelfThings(
      @PathVariable CourseId course,
      @RequestParam(defaultValue = "") @Size(max = 200) String text,
      SignedIn person) {
    return shelf.find(text, person);
  }

  /** One module, one step or one badge. */
  record ShelfEdit(
      Optional<ModuleId> module,
      Optional<StepId> step,
      Optional<BadgeId> badge,
      @NotBlank @Size(max = 120) @PlainText String name,
      @NotNull @Size(max = 1000) String summary) {}

  /** Puts a copy of a step, a module or a badge on the shelf. */
  @PostMapping("/shelf/things")
  @Needs(Right.PLAN)
  Copying.Report shelveThing(
      @PathVariable CourseId course, @Valid @RequestBody ShelfEdit edit, SignedIn person) {
    return shelf.put(course, thing(edit), edit.name(), edit.summary(), person);
  }

  private static Shelf.One thing(ShelfEdit edit) {
    List<Shelf.One> named =
        Stream.of(
                edit.module().map(Shelf.One.OfModule::new),
                edit.step().map(Shelf.One.OfStep::new),
                edit.badge().map(Shelf.One.OfBadge::new))
            .flatMap(Optional::stream)
            .map(Shelf.One.class::cast)
            .toList();
    if (named.size() != 1) throw Problem.field("step", "one-thing-to-shelve");
    return named.getFirst();
  }

  record ShelfCopy(Optional<ModuleId> into, @NotNull Copying.Dates dates) {}

  /** Copies something from the shelf. */
  @PostMapping("/shelf/things/{thing}/copies")
  @Needs(Right.PLAN)
  Copying.Report copyFromShelf(
      @PathVariable CourseId course,
      @PathVariable CourseId thing,
      @Valid @RequestBody ShelfCopy edit) {
    return shelf.take(thing, course, edit.into(), edit.dates());
  }

  /** Takes something from the shelf; who put it there may, and administrators. */
  @DeleteMapping("/shelf/things/{thing}")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void unshelveThing(@PathVariable CourseId course, @PathVariable CourseId thing, SignedIn person) {
    shelf.remove(thing, person);
  }
}
