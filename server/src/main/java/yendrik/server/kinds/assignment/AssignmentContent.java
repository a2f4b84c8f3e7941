package yendrik.server.kinds.assignment;

import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.Content;

/** What is kept of an assignment. */
public record AssignmentContent(String body, Optional<RubricId> rubric) implements Content {}
