package yendrik.server.kinds.page;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.design.AuthorEdit;

/** The same as sent. */
@JsonTypeName("page")
public record PageEdit() implements AuthorEdit {}
