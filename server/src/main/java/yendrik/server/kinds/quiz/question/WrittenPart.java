package yendrik.server.kinds.quiz.question;

import yendrik.server.http.Variant;

/** What a question asks beyond its text, as its author writes it; each kind has its own. */
public interface WrittenPart extends Variant {}
