package yendrik.server.kinds.quiz;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.quiz.Asking;
import yendrik.core.quiz.Draw;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.taking.Taking;
import yendrik.core.words.Phrase;

/** What keeps quizzes from being put before learners, in words. */
final class QuizFaults {
  private QuizFaults() {}

  /** The faults of one quiz; none when it can be taken. */
  static List<Phrase> of(String name, Asking asking, Taking taking) {
    if (asking.questions().isEmpty() && asking.draws().isEmpty())
      return List.of(Phrase.of("lack.questions", "quiz", name));
    List<Phrase> faults = new ArrayList<>();
    for (int n = 0; n < asking.questions().size(); n++)
      for (Phrase lacks : lacks(asking.questions().get(n), taking))
        faults.add(Phrase.of("lack.question", "n", n + 1, "quiz", name, "lacks", lacks));
    for (Draw draw : asking.draws())
      for (Question question : draw.pool())
        for (Phrase lacks : lacks(question, taking)) faults.add(drawn(name, question, lacks));
    asking
        .lacks()
        .forEach((n, all) -> {
          for (Lack lack : all)
            faults.add(Phrase.of("lack.draw", "n", n + 1, "quiz", name, "lacks", lack.words()));
        });
    return faults.stream().distinct().toList();
  }

  private static List<Phrase> lacks(Question question, Taking taking) {
    List<Phrase> all = new ArrayList<>();
    for (Lack lack : question.lacks()) all.add(lack.words());
    if (taking.selfCheck() && question.asked().byStaff()) all.add(Phrase.of("lack.by-staff"));
    return all;
  }

  private static Phrase drawn(String quiz, Question question, Phrase lacks) {
    String text = question.text().isBlank() ? "…" : question.text();
    return Phrase.of("lack.drawn", "question", text, "quiz", quiz, "lacks", lacks);
  }
}
