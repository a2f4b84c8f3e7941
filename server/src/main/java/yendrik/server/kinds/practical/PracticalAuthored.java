package yendrik.server.kinds.practical;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.AuthorPart;

/** What the work is assessed with. */
@JsonTypeName("practical")
public record PracticalAuthored(Optional<RubricId> rubric) implements AuthorPart {}
