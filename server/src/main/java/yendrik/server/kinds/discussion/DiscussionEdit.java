package yendrik.server.kinds.discussion;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.AuthorEdit;
import yendrik.server.discuss.Manner;

/** The same as sent. */
@JsonTypeName("discussion")
public record DiscussionEdit(
    Optional<RubricId> rubric,
    boolean byGroup,
    boolean postFirst,
    @Min(0) @Max(Manner.MOST_MINUTES) int minutes)
    implements AuthorEdit {}
