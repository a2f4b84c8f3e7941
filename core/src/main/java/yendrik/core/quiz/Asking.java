package yendrik.core.quiz;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;

/**
 * What a quiz asks: questions that everybody gets, and others that are drawn for each attempt.
 *
 * <p>Draws take their questions one after the other, and none twice: of a pool of ten with two
 * draws of three, six different ones are asked. With the same seed the same are drawn, so that an
 * attempt asks the same for as long as it lives.
 */
public record Asking(List<Question> questions, List<Draw> draws) {
  public Asking {
    questions = List.copyOf(questions);
    draws = List.copyOf(draws);
  }

  /** The quiz of one attempt. */
  public Quiz dealt(long seed) {
    if (draws.isEmpty()) return new Quiz(questions);
    List<Question> asked = new ArrayList<>(questions);
    Set<String> taken = ids();
    for (Draw draw : draws) {
      List<Question> left = new ArrayList<>(left(draw, taken));
      Collections.shuffle(left, new Random(seed * 31 + draw.id().hashCode()));
      List<Question> drawn = left.subList(0, Math.min(draw.count(), left.size()));
      asked.addAll(drawn);
      drawn.forEach(question -> taken.add(question.id()));
    }
    return new Quiz(asked);
  }

  private Set<String> ids() {
    Set<String> ids = new HashSet<>();
    questions.forEach(question -> ids.add(question.id()));
    return ids;
  }

  private static List<Question> left(Draw draw, Set<String> taken) {
    return draw.worth().stream().filter(question -> !taken.contains(question.id())).toList();
  }

  /** How many questions an attempt asks. */
  public int count() {
    return dealt(0).questions().size();
  }

  /** The most points that can be had, the same in every attempt. */
  public double points() {
    return dealt(0).points();
  }

  /** Every question that may be asked, each once, with what it is worth. */
  public Quiz all() {
    List<Question> all = new ArrayList<>(questions);
    Set<String> seen = ids();
    for (Draw draw : draws)
      for (Question question : draw.worth()) if (seen.add(question.id())) all.add(question);
    return new Quiz(all);
  }

  /**
   * What draws lack, by their place from 0. A pool counts without what the quiz asks anyway and
   * what draws before it may take: of a pool of five, a draw of three leaves two to the next.
   */
  public Map<Integer, List<Lack>> lacks() {
    Map<Integer, List<Lack>> lacks = new LinkedHashMap<>();
    List<Draw> before = new ArrayList<>();
    for (int n = 0; n < draws.size(); n++) {
      Draw draw = draws.get(n);
      Set<String> mine = new HashSet<>();
      draw.pool().forEach(question -> mine.add(question.id()));
      mine.removeAll(ids());
      int taken = before.stream().mapToInt(other -> shared(other, mine)).sum();
      List<Lack> all = draw.lacks(Math.max(0, mine.size() - taken));
      if (!all.isEmpty()) lacks.put(n, all);
      before.add(draw);
    }
    return lacks;
  }

  /** The most that another draw can take of some questions. */
  private static int shared(Draw other, Set<String> mine) {
    long same = other.pool().stream().filter(question -> mine.contains(question.id())).count();
    return (int) Math.min(other.count(), same);
  }
}
