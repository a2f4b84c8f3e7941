package yendrik.server.kinds.quiz;

import java.util.List;
import yendrik.core.quiz.Quiz;

/** What keeps quizzes from being put before learners, in words. */
final class QuizFaults {
  private QuizFaults() {}

  /** The faults of one quiz; none when it can be taken. */
  static List<String> of(String name, Quiz quiz) {
    if (quiz.questions().isEmpty()) return List.of("“" + name + "” has no questions yet.");
    return quiz.faults().stream()
        .map(f -> "Question " + (f.question() + 1) + " of “" + name + "” " + words(f.kind()))
        .toList();
  }

  private static String words(Quiz.Fault.Kind kind) {
    return switch (kind) {
      case NO_TEXT -> "asks nothing yet.";
      case TOO_FEW_CHOICES -> "needs two choices or more.";
      case EMPTY_CHOICE -> "has a choice without words.";
      case NO_RIGHT_CHOICE -> "has no right choice.";
      case POINTS_NOT_POSITIVE -> "needs points above 0.";
    };
  }
}
