package yendrik.core.quiz.kinds.open;

import yendrik.core.quiz.Answer;

/**
 * What was written in answer.
 *
 * @param text formatted, not blank
 */
public record Told(String text) implements Answer {}
