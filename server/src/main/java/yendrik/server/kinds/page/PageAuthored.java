package yendrik.server.kinds.page;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.design.AuthorPart;

/** A page has nothing that other steps have not. */
@JsonTypeName("page")
public record PageAuthored() implements AuthorPart {}
