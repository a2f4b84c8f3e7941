package yendrik.server.kinds.quiz;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Quiz;
import yendrik.core.quiz.taking.Taking;
import yendrik.core.words.Phrase;

/** What keeps quizzes from being put before learners, in words. */
final class QuizFaults {
  private QuizFaults() {}

  /** The faults of one quiz; none when it can be taken. */
  static List<Phrase> of(String name, Quiz quiz, Taking taking) {
    if (quiz.questions().isEmpty()) return List.of(Phrase.of("lack.questions", "quiz", name));
    List<Phrase> faults = new ArrayList<>();
    for (int n = 0; n < quiz.questions().size(); n++) {
      Question question = quiz.questions().get(n);
      for (Lack lack : question.lacks()) faults.add(fault(name, n, lack.words()));
      if (taking.selfCheck() && question.asked().byStaff())
        faults.add(fault(name, n, Phrase.of("lack.by-staff")));
    }
    return faults;
  }

  private static Phrase fault(String quiz, int n, Phrase lacks) {
    return Phrase.of("lack.question", "n", n + 1, "quiz", quiz, "lacks", lacks);
  }
}
