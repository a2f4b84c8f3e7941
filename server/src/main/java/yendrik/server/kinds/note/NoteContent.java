package yendrik.server.kinds.note;

import yendrik.server.design.Content;

/** What is kept of a note. */
public record NoteContent(String body) implements Content {}
