package yendrik.server.kinds.assignment;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.AuthorPart;

/** What the work is assessed with. */
@JsonTypeName("assignment")
public record AssignmentAuthored(Optional<RubricId> rubric) implements AuthorPart {}
