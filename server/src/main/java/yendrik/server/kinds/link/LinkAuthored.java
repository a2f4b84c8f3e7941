package yendrik.server.kinds.link;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.design.AuthorPart;

/** Where a link leads; empty until somebody says it. */
@JsonTypeName("link")
public record LinkAuthored(String address) implements AuthorPart {}
