package yendrik.server.kinds.journal;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.AuthorEdit;
import yendrik.server.discuss.Manner;

/** The same as sent. */
@JsonTypeName("journal")
public record JournalEdit(Optional<RubricId> rubric, @Min(0) @Max(Manner.MOST_MINUTES) int minutes)
    implements AuthorEdit {}
