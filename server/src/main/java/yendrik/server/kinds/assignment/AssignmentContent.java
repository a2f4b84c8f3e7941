package yendrik.server.kinds.assignment;

import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.Content;

/**
 * What is kept of an assignment.
 *
 * @param passesAtOnce whether what is handed in passes without anybody looking at it
 */
public record AssignmentContent(
    String body, Optional<RubricId> rubric, Takes takes, boolean passesAtOnce) implements Content {}
