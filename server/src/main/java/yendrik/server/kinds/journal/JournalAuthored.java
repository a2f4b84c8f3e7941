package yendrik.server.kinds.journal;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.AuthorPart;

/** For how long entries can be changed, and what they are assessed with. */
@JsonTypeName("journal")
public record JournalAuthored(Optional<RubricId> rubric, int minutes) implements AuthorPart {}
