package yendrik.core.quiz.kinds.order;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.words.Phrase;

/**
 * Things that are to be put in order. Where it counts in part, each pair of neighbours of the right
 * order that was also put next to each other in that order gives an equal share; else the whole
 * order is right or nothing is.
 *
 * <p>Of 3 points in part, with the right order a b c d: a b c d gives 3; b c d a gives 2, since b c
 * and c d stand; d c b a gives 0. What is left out or named twice follows nothing.
 *
 * @param things in their right order
 * @param inPart whether neighbours count
 */
public record OrderWanted(List<Thing> things, boolean inPart) implements Asked<Ordered> {
  public OrderWanted {
    things = List.copyOf(things);
  }

  /**
   * @param id unique in the question
   */
  public record Thing(String id, String text) {}

  /** What an order may lack. */
  public enum Lacks implements Lack {
    THINGS,
    WORDS,
    SAME;

    @Override
    public Phrase words() {
      return Phrase.of("lack.order." + name());
    }
  }

  @Override
  public QuestionKind kind() {
    return QuestionKind.ORDERING;
  }

  @Override
  public Class<Ordered> answers() {
    return Ordered.class;
  }

  @Override
  public Mark mark(Ordered answer) {
    List<String> right = things.stream().map(Thing::id).toList();
    if (right.size() < 2) return Mark.NOTHING;
    if (answer.things().equals(right)) return Mark.WHOLE;
    if (!inPart) return Mark.NOTHING;
    Map<String, String> follows = new HashMap<>();
    HashSet<String> seen = new HashSet<>();
    for (int n = 0; n + 1 < answer.things().size(); n++)
      if (seen.add(answer.things().get(n)))
        follows.put(answer.things().get(n), answer.things().get(n + 1));
    int pairs = 0;
    for (int n = 0; n + 1 < right.size(); n++)
      if (right.get(n + 1).equals(follows.get(right.get(n)))) pairs++;
    return new Mark.Marked(pairs / (right.size() - 1.0));
  }

  @Override
  public List<Lack> lacks() {
    List<Lack> all = new ArrayList<>();
    if (things.size() < 2) all.add(Lacks.THINGS);
    if (things.stream().anyMatch(t -> t.text().isBlank())) all.add(Lacks.WORDS);
    if (things.stream().map(t -> t.text().strip()).distinct().count() < things.size())
      all.add(Lacks.SAME);
    return all;
  }
}
