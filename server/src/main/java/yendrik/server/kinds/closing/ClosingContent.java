package yendrik.server.kinds.closing;

import yendrik.server.design.Content;

/** What is kept of a closing note. */
public record ClosingContent(String body) implements Content {}
