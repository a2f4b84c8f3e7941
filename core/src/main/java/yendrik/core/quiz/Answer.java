package yendrik.core.quiz;

/** What was answered to a question; each kind of question has its own. */
public interface Answer {}
