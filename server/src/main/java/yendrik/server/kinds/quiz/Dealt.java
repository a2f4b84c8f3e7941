package yendrik.server.kinds.quiz;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import yendrik.core.quiz.Quiz;

/**
 * The choices of one attempt as they are dealt out: in an order of their own and named by their
 * place in it, so that nothing of how they were written can be seen.
 *
 * @param seed the attempt's own, drawn at random and known to the server only
 */
record Dealt(long seed) {

  /** The choices of a question in this attempt's order. */
  List<Quiz.Choice> choices(Quiz.Question question) {
    List<Quiz.Choice> choices = new ArrayList<>(question.choices());
    Collections.shuffle(choices, new Random(seed * 31 + question.id().hashCode()));
    return choices;
  }

  /** The name of the choice at a place, from 0. */
  static String name(int place) {
    return Integer.toString(place + 1);
  }

  /**
   * What a learner chose, by the ids under which the choices were written; the unknown left out.
   */
  Map<String, String> written(Quiz quiz, Map<String, String> chosen) {
    Map<String, String> written = new HashMap<>();
    for (Quiz.Question question : quiz.questions())
      Optional.ofNullable(chosen.get(question.id()))
          .flatMap(name -> at(question, name))
          .ifPresent(choice -> written.put(question.id(), choice.id()));
    return written;
  }

  private Optional<Quiz.Choice> at(Quiz.Question question, String name) {
    List<Quiz.Choice> choices = choices(question);
    return IntStream.range(0, choices.size())
        .filter(place -> name(place).equals(name))
        .mapToObj(choices::get)
        .findFirst();
  }

  /** What was chosen, by the names under which the choices are dealt. */
  Map<String, String> dealt(Quiz quiz, Map<String, String> written) {
    Map<String, String> dealt = new HashMap<>();
    for (Quiz.Question question : quiz.questions()) {
      List<Quiz.Choice> choices = choices(question);
      for (int place = 0; place < choices.size(); place++)
        if (choices.get(place).id().equals(written.get(question.id())))
          dealt.put(question.id(), name(place));
    }
    return dealt;
  }
}
