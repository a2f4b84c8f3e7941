package yendrik.server.kinds.quiz.question;

/**
 * What may be said about an answer by now.
 *
 * @param right whether the right answer may be known
 * @param feedback whether what its author says about it may be
 */
public record Telling(boolean right, boolean feedback) {}
