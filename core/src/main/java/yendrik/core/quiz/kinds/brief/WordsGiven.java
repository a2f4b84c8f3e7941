package yendrik.core.quiz.kinds.brief;

import yendrik.core.quiz.Answer;

/** Words that were answered, as they were typed. */
public record WordsGiven(String words) implements Answer {}
