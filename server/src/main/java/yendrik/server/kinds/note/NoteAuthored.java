package yendrik.server.kinds.note;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.design.AuthorPart;

/** A note has nothing that other steps have not. */
@JsonTypeName("note")
public record NoteAuthored() implements AuthorPart {}
