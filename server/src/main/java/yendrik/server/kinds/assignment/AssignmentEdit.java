package yendrik.server.kinds.assignment;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.design.AuthorEdit;

/** The same as sent. */
@JsonTypeName("assignment")
public record AssignmentEdit(Optional<Long> rubric) implements AuthorEdit {}
