package yendrik.core.check;

import java.util.List;
import java.util.Optional;
import yendrik.core.Workshop;
import yendrik.core.course.CourseDesign;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Fault;
import yendrik.core.rule.check.References;
import yendrik.core.strand.seen.SeenLeaf;

/** Takes out of a random design what keeps it from being compiled. */
final class Sounder {
  private Sounder() {}

  static CourseDesign of(CourseDesign design) {
    CourseDesign sound = design;
    for (List<Fault> faults = References.check(sound);
        !faults.isEmpty();
        faults = References.check(sound)) sound = without(faults.getFirst(), sound);
    return sound;
  }

  private static CourseDesign without(Fault fault, CourseDesign design) {
    return Check.of(design, Around.NOTHING).stream()
        .filter(f -> f.arguments().containsValue(fault))
        .flatMap(f -> f.mends().stream())
        .findFirst()
        .map(mend -> mend.in(design))
        .orElseGet(() -> asking(fault, design));
  }

  /** A rule that cannot be without asks whether the step was seen. */
  private static CourseDesign asking(Fault fault, CourseDesign design) {
    var at = (RuleAt.StepDone) fault.place();
    var seen = Workshop.ask(new SeenLeaf.Seen(at.step()));
    return new Mend.Rule(at, Mend.How.OUT, seen, Optional.of(seen)).in(design);
  }
}
