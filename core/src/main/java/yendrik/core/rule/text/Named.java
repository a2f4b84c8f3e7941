package yendrik.core.rule.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.Id;
import yendrik.core.id.StepId;
import yendrik.core.rule.RuleAt;

/** What can be named in a rule of a design, each sort by itself. */
final class Named {
  /** A thing with the name by which it is written, and another that is understood too. */
  record Thing(Id id, String name, String also) {}

  private final CourseDesign design;
  private final RuleAt at;

  Named(CourseDesign design, RuleAt at) {
    this.design = design;
    this.at = at;
  }

  /** The step at whose rule this is. */
  Optional<StepId> thisStep() {
    return switch (at) {
      case RuleAt.StepOpens r -> Optional.of(r.step());
      case RuleAt.StepDone r -> Optional.of(r.step());
      default -> Optional.empty();
    };
  }

  /**
   * All of a sort.
   *
   * @param sort what a slot is called: "step", "module"
   */
  List<Thing> all(String sort) {
    List<Thing> all = new ArrayList<>();
    switch (sort) {
      case "step" -> design.steps().forEach(s -> all.add(new Thing(s.id(), s.name(), "")));
      case "module" -> design.modules().forEach(m -> all.add(new Thing(m.id(), m.name(), "")));
      case "badge" -> design.badges().forEach(b -> all.add(new Thing(b.id(), b.name(), "")));
      case "outcome" ->
          design.outcomes().forEach(o -> all.add(new Thing(o.id(), o.code(), o.name())));
      case "group" -> design.groups().forEach((id, name) -> all.add(new Thing(id, name, "")));
      case "session" -> design.sessions().forEach((id, name) -> all.add(new Thing(id, name, "")));
      case "course" -> {
        all.add(new Thing(design.id(), design.name(), ""));
        design.otherCourses().forEach((id, name) -> all.add(new Thing(id, name, "")));
      }
      default -> throw new IllegalArgumentException(sort);
    }
    return all;
  }

  /** The levels of an outcome: their names with the keys under which rules keep them. */
  List<String> levels(Id outcome) {
    return design.outcomes().stream()
        .filter(o -> o.id().equals(outcome))
        .flatMap(o -> o.scale().levels().stream())
        .map(level -> level.name())
        .toList();
  }

  Optional<String> level(Id outcome, int key) {
    return design.outcomes().stream()
        .filter(o -> o.id().equals(outcome) && o.scale().at(key) >= 0)
        .findFirst()
        .map(o -> o.scale().levels().get(o.scale().at(key)).name());
  }

  Optional<Integer> key(Id outcome, String level) {
    int number =
        levels(outcome).stream().map(String::toLowerCase).toList().indexOf(level.toLowerCase());
    return number < 0
        ? Optional.empty()
        : design.outcomes().stream()
            .filter(o -> o.id().equals(outcome))
            .findFirst()
            .map(o -> o.scale().key(number));
  }
}
