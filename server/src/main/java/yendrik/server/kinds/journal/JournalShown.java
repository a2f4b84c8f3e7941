package yendrik.server.kinds.journal;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.design.RubricForms;
import yendrik.server.learn.LearnerPart;

/** What learners see of a journal besides its entries. */
@JsonTypeName("journal")
public record JournalShown(int minutes, Optional<RubricForms.Sheet> rubric)
    implements LearnerPart {}
