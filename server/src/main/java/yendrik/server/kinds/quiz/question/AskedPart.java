package yendrik.server.kinds.quiz.question;

import yendrik.server.http.Variant;

/**
 * What a learner is asked beyond the text; each kind has its own, and nothing of the right answer
 * is in it.
 */
public interface AskedPart extends Variant {}
