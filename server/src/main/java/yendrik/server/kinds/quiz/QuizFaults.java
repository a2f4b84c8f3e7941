package yendrik.server.kinds.quiz;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Quiz;

/** What keeps quizzes from being put before learners, in words. */
final class QuizFaults {
  private QuizFaults() {}

  /** The faults of one quiz; none when it can be taken. */
  static List<String> of(String name, Quiz quiz) {
    if (quiz.questions().isEmpty()) return List.of("“" + name + "” has no questions yet.");
    List<String> faults = new ArrayList<>();
    for (int n = 0; n < quiz.questions().size(); n++)
      for (Lack lack : quiz.questions().get(n).lacks())
        faults.add("Question %d of “%s” %s.".formatted(n + 1, name, lack.words()));
    return faults;
  }
}
