package yendrik.core.rule;

import static yendrik.core.Workshop.*;

import java.util.List;
import java.util.Optional;
import yendrik.core.CourseDesignBuilder;
import yendrik.core.Workshop;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.plan.Explained;

/** What a course's completion comes to for somebody. */
final class Completing {
  private Completing() {}

  /** The rule as it stands for somebody who was enrolled, after these facts. */
  static Explained explained(Condition completeWhen, Fact.What... facts) {
    var learner = new Workshop();
    var design =
        CourseDesignBuilder.builder(design(steps()))
            .completeWhen(Optional.of(completeWhen))
            .build();
    Progress progress = Progress.begin(CompiledCourse.of(design), JUNO, START);
    progress.take(learner.fact(new Fact.Enrolled()));
    for (Fact.What what : List.of(facts)) progress.take(learner.fact(what));
    return progress.explain(new RuleAt.CourseComplete()).orElseThrow();
  }
}
