package yendrik.core.quiz.kinds.choice;

import yendrik.core.quiz.Answer;

/**
 * The choice that was made.
 *
 * @param choice its id
 */
public record Chosen(String choice) implements Answer {}
