package yendrik.server.kinds.link;

import yendrik.server.design.Content;

/** What is kept of a link. */
public record LinkContent(String body, String address) implements Content {}
