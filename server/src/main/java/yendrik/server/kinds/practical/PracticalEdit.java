package yendrik.server.kinds.practical;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.AuthorEdit;

/** The same as sent. */
@JsonTypeName("practical")
public record PracticalEdit(Optional<RubricId> rubric) implements AuthorEdit {}
