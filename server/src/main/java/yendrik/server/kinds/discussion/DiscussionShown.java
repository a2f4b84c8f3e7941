package yendrik.server.kinds.discussion;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.design.RubricForms;
import yendrik.server.learn.LearnerPart;

/** What learners see of a discussion besides its posts. */
@JsonTypeName("discussion")
public record DiscussionShown(int minutes, Optional<RubricForms.Sheet> rubric)
    implements LearnerPart {}
