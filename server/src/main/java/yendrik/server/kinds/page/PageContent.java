package yendrik.server.kinds.page;

import yendrik.server.design.Content;

/** What is kept of a page. */
public record PageContent(String body) implements Content {}
