package yendrik.server.kinds.assignment;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.design.AuthorPart;

/** What the work is assessed with. */
@JsonTypeName("assignment")
public record AssignmentAuthored(Optional<Long> rubric) implements AuthorPart {}
