package yendrik.server.kinds.page;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.learn.LearnerPart;

/** What learners see of a page besides its text. */
@JsonTypeName("page")
public record PageShown() implements LearnerPart {}
