package yendrik.server.kinds.quiz.question;

import yendrik.server.http.Variant;

/** What a learner answers; each kind of question has its own. */
public interface GivenAnswer extends Variant {}
