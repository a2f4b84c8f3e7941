package yendrik.server.kinds.assignment;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.AuthorEdit;

/** The same as sent. */
@JsonTypeName("assignment")
public record AssignmentEdit(
    Optional<RubricId> rubric, @NotNull @Valid Takes takes, boolean passesAtOnce)
    implements AuthorEdit {}
