package yendrik.server.kinds.note;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.learn.LearnerPart;

/** What learners see of a note besides its text. */
@JsonTypeName("note")
public record NoteShown() implements LearnerPart {}
