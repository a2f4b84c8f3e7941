package yendrik.server.kinds.assignment;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.AuthorPart;

/** What is handed in, who decides about it, and what it is assessed with. */
@JsonTypeName("assignment")
public record AssignmentAuthored(Optional<RubricId> rubric, Takes takes, boolean passesAtOnce)
    implements AuthorPart {}
