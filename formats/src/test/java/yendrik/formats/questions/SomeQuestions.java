package yendrik.formats.questions;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Shown;
import yendrik.core.quiz.kinds.brief.WordsWanted;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.core.quiz.kinds.gaps.GapText;
import yendrik.core.quiz.kinds.match.PairsWanted;
import yendrik.core.quiz.kinds.numeric.NumberWanted;
import yendrik.core.quiz.kinds.open.TextWanted;
import yendrik.core.quiz.kinds.order.OrderWanted;
import yendrik.core.quiz.kinds.several.SeveralChoices;
import yendrik.core.quiz.kinds.statement.Statement;

/** Questions of any kind, for properties. */
public final class SomeQuestions {
  private SomeQuestions() {}

  /** A few words. */
  public static final Arbitrary<String> WORDS =
      Arbitraries.strings().alpha().ofMinLength(1).ofMaxLength(8).map(w -> "the " + w);

  private static <T> List<T> named(List<String> words, Named<T> made) {
    List<T> all = new ArrayList<>();
    words.forEach(word -> all.add(made.of(Character.toString('a' + all.size()), word)));
    return all;
  }

  private interface Named<T> {
    T of(String id, String words);
  }

  /** Several words, each once. */
  public static Arbitrary<List<String>> words(int least) {
    return WORDS.list().uniqueElements().ofMinSize(least).ofMaxSize(6);
  }

  /** What a question of any kind asks that plain text can say. */
  public static Arbitrary<Asked<?>> answers() {
    Arbitrary<Double> number = Arbitraries.doubles().between(-999, 999).ofScale(2);
    return Arbitraries.<Asked<?>>oneOf(
        words(2).map(w -> new Choices(named(w, Choices.Choice::new), "b")),
        words(2)
            .map(w ->
                new SeveralChoices(
                    IntStream.range(0, w.size())
                        .mapToObj(n ->
                            new SeveralChoices.Choice(
                                Character.toString('a' + n),
                                Shown.of(w.get(n)),
                                n == 0 ? 0.75 : n == 1 ? 0.25 : -0.25,
                                n == 1 ? "So it is." : ""))
                        .toList())),
        Arbitraries.of(true, false).map(Statement::new),
        Combinators.combine(number, Arbitraries.of(0.0, 0.5, 12.0), Arbitraries.of("", "Nm"))
            .as((n, off, unit) -> new NumberWanted(n, off, off > 1, unit)),
        words(1)
            .map(w ->
                new WordsWanted(w.stream().map(f -> new WordsWanted.Form(f, 1)).toList(), false)),
        words(4)
            .map(w ->
                new PairsWanted(
                    List.of(
                        new PairsWanted.Pair("a", w.get(0), w.get(1)),
                        new PairsWanted.Pair("b", w.get(2), w.get(3))),
                    w.subList(4, w.size()))),
        words(2).map(w -> new OrderWanted(named(w, OrderWanted.Thing::new), true)),
        WORDS.map(w -> new GapText("It is [" + w + "] there.", false)),
        WORDS.map(words -> new TextWanted(words)));
  }
}
