package yendrik.core.quiz;

/** What was put right about a question after it was asked, for all attempts that asked it. */
public sealed interface Correction {
  /** The id of the question. */
  String question();

  /** Answers are marked by what is asked here. */
  record RightAnswer(String question, Asked<?> asked) implements Correction {}

  /** The question counts for nothing, neither in points nor in what is to be had. */
  record LeftOut(String question) implements Correction {}

  /** Everybody who was asked has the full mark, whatever they answered. */
  record FullMarks(String question) implements Correction {}
}
