package yendrik.server.design;

import yendrik.server.http.Variant;

/** What designers send for a step beyond what all kinds have; each kind has its own. */
public interface AuthorEdit extends Variant {}
