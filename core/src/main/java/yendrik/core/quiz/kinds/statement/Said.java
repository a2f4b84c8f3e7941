package yendrik.core.quiz.kinds.statement;

import yendrik.core.quiz.Answer;

/** Whether a statement was said to be true. */
public record Said(boolean itIsTrue) implements Answer {}
