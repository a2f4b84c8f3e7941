package yendrik.server.way;

import java.util.List;
import yendrik.core.id.CourseId;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.server.design.Designs;

/**
 * One learner's way through a course, as of now.
 *
 * @param facts all facts, corrections included
 * @param ready the design that the learner has
 */
public record Walk(
    long enrolment,
    CourseId course,
    long person,
    boolean practice,
    Progress progress,
    List<Fact> facts,
    Designs.Ready ready) {}
