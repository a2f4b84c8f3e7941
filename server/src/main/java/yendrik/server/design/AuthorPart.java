package yendrik.server.design;

import yendrik.server.http.Variant;

/** What designers see of a step beyond what all kinds have; each kind has its own. */
public interface AuthorPart extends Variant {}
