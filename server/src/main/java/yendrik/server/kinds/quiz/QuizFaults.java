package yendrik.server.kinds.quiz;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Quiz;
import yendrik.core.words.Phrase;

/** What keeps quizzes from being put before learners, in words. */
final class QuizFaults {
  private QuizFaults() {}

  /** The faults of one quiz; none when it can be taken. */
  static List<Phrase> of(String name, Quiz quiz) {
    if (quiz.questions().isEmpty()) return List.of(Phrase.of("lack.questions", "quiz", name));
    List<Phrase> faults = new ArrayList<>();
    for (int n = 0; n < quiz.questions().size(); n++)
      for (Lack lack : quiz.questions().get(n).lacks())
        faults.add(Phrase.of("lack.question", "n", n + 1, "quiz", name, "lacks", lack.words()));
    return faults;
  }
}
