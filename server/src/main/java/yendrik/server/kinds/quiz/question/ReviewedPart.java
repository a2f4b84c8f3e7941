package yendrik.server.kinds.quiz.question;

import yendrik.server.http.Variant;

/**
 * What a learner answered and, once it may be known, the right answer, in words; each kind has its
 * own.
 */
public interface ReviewedPart extends Variant {}
