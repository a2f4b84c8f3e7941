package yendrik.core.quiz.kinds.match;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.words.Phrase;

/**
 * Pairs that are to be found: each beginning belongs to one end, several may belong to the same,
 * and there may be ends that belong to none. Each pair that was found gives an equal share; it is
 * the words of an end that count, so that two ends that read the same are the same.
 *
 * <p>Of 4 points, with four pairs: three of them right give 3, none gives 0.
 *
 * @param more ends that belong to no beginning
 */
public record PairsWanted(List<Pair> pairs, List<String> more) implements Asked<Matched> {
  public PairsWanted {
    pairs = List.copyOf(pairs);
    more = List.copyOf(more);
  }

  /**
   * @param id unique in the question
   */
  public record Pair(String id, String begins, String ends) {}

  /** What pairs may lack. */
  public enum Lacks implements Lack {
    PAIRS,
    WORDS,
    SAME;

    @Override
    public Phrase words() {
      return Phrase.of("lack.match." + name());
    }
  }

  /** All ends, each once, in the order in which they were written. */
  public List<String> ends() {
    List<String> all = new ArrayList<>(pairs.stream().map(Pair::ends).toList());
    all.addAll(more);
    return all.stream().distinct().toList();
  }

  @Override
  public QuestionKind kind() {
    return QuestionKind.MATCHING;
  }

  @Override
  public Class<Matched> answers() {
    return Matched.class;
  }

  @Override
  public Mark mark(Matched answer) {
    if (pairs.isEmpty()) return Mark.NOTHING;
    long found = pairs.stream().filter(p -> p.ends().equals(answer.pairs().get(p.id()))).count();
    return new Mark.Marked((double) found / pairs.size());
  }

  @Override
  public List<Lack> lacks() {
    List<Lack> all = new ArrayList<>();
    if (pairs.size() < 2) all.add(Lacks.PAIRS);
    boolean wordless =
        pairs.stream().anyMatch(p -> p.begins().isBlank() || p.ends().isBlank())
            || more.stream().anyMatch(String::isBlank);
    if (wordless) all.add(Lacks.WORDS);
    var begins = new HashSet<>(pairs.stream().map(Pair::begins).toList());
    if (begins.size() < pairs.size() || ends().size() < 2) all.add(Lacks.SAME);
    return all;
  }
}
