package yendrik.server.way;

import java.util.Optional;
import org.springframework.stereotype.Component;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.strand.work.WorkFact;
import yendrik.server.design.Designs;
import yendrik.server.design.RubricForms.Filled;

/** Rubrics that were gone through with a piece of work, in the words that they had then. */
@Component
public class Assessments {
  private final Designs designs;

  Assessments(Designs designs) {
    this.designs = designs;
  }

  /**
   * The rubric as it was filled in last for a version of the work, 0 where nothing is handed in.
   */
  public Optional<Filled> of(Walk walk, StepId step, int version) {
    return Facts.standing(walk.facts()).stream()
        .map(Fact::what)
        .filter(w ->
            w instanceof WorkFact.Assessed a && a.step().equals(step) && a.version() == version)
        .map(w -> (WorkFact.Assessed) w)
        .reduce((_, last) -> last)
        .flatMap(a -> filled(walk, a));
  }

  private Optional<Filled> filled(Walk walk, WorkFact.Assessed a) {
    Designs.Ready then =
        a.design() == 0 ? walk.ready() : designs.version(walk.course(), a.design());
    return Optional.ofNullable(then.document().rubrics().get(a.rubric()))
        .map(rubric -> Filled.of(rubric, a.met(), then.document().design()));
  }
}
