package yendrik.server.kinds.practical;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.design.AuthorEdit;

/** The same as sent. */
@JsonTypeName("practical")
public record PracticalEdit(Optional<Long> rubric) implements AuthorEdit {}
