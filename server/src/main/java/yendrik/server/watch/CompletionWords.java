package yendrik.server.watch;

import java.time.Clock;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseDesign;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.words.Wording;
import yendrik.server.institution.Institutions;

/** Says to staff when a course is complete. */
@Component
public class CompletionWords {
  private final Institutions institutions;
  private final Clock clock;

  CompletionWords(Institutions institutions, Clock clock) {
    this.institutions = institutions;
    this.clock = clock;
  }

  /** The rule in one line, empty where nothing but the usual is asked for. */
  public String says(CourseDesign design) {
    var wording = new Wording(design, institutions.writing(design.zone(), clock.instant()));
    return design
        .completeWhen()
        .map(rule -> wording.line(rule, new RuleAt.CourseComplete()))
        .orElse("");
  }
}
