package yendrik.server.kinds.discussion;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.AuthorPart;

/** How a discussion is held, and what it is assessed with. */
@JsonTypeName("discussion")
public record DiscussionAuthored(
    Optional<RubricId> rubric, boolean byGroup, boolean postFirst, int minutes)
    implements AuthorPart {}
