package yendrik.server.kinds.closing;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.design.AuthorEdit;

/** The same as sent. */
@JsonTypeName("closing")
public record ClosingEdit() implements AuthorEdit {}
