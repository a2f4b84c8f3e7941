package yendrik.server.design;

import org.springframework.stereotype.Component;

/** Everything in a draft that can be added and changed. */
@Component
public record Drafts(
    OutcomeDrafts outcomes,
    ModuleDrafts modules,
    StepDrafts steps,
    BadgeDrafts badges,
    CourseRuleDrafts rules) {}
