package yendrik.server.kinds.note;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.design.AuthorEdit;

/** The same as sent. */
@JsonTypeName("note")
public record NoteEdit() implements AuthorEdit {}
