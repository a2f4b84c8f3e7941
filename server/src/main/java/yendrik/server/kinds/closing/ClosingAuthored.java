package yendrik.server.kinds.closing;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.design.AuthorPart;

/** A closing note has nothing to set that other steps have not. */
@JsonTypeName("closing")
public record ClosingAuthored() implements AuthorPart {}
