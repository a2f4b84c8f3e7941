package yendrik.server.discuss;

import java.util.Optional;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.StepId;

/**
 * Where something is written.
 *
 * @param group among whom, where each group discusses by itself
 * @param journal whose, where it is one
 */
record Place(
    CourseId course, StepId step, Optional<GroupId> group, Optional<EnrolmentId> journal) {}
