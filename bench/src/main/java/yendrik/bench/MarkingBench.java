package yendrik.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import yendrik.core.quiz.Answer;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Correction;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Quiz;
import yendrik.core.quiz.figures.Figures;
import yendrik.core.quiz.figures.Item;
import yendrik.core.quiz.kinds.brief.WordsGiven;
import yendrik.core.quiz.kinds.brief.WordsWanted;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.core.quiz.kinds.choice.Chosen;
import yendrik.core.quiz.kinds.numeric.NumberGiven;
import yendrik.core.quiz.kinds.numeric.NumberWanted;

/** 10,000 attempts at 30 questions, a third choices, words and numbers each: marked and counted. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 4, time = 3)
@Fork(value = 1, jvmArgs = "-Xmx4g")
public class MarkingBench {
  private static final int ATTEMPTS = 10_000;
  private static final int QUESTIONS = 30;

  private Quiz quiz;
  private Quiz corrected;
  private final List<Map<String, Answer>> given = new ArrayList<>();
  private final List<Quiz.Result> before = new ArrayList<>();
  private final List<List<Item>> items = new ArrayList<>();

  @Setup(Level.Trial)
  public void begin() {
    List<Question> questions = new ArrayList<>();
    for (int n = 0; n < QUESTIONS; n++)
      questions.add(
          new Question("q" + n, "Question " + n, 1 + n % 3, "", Optional.empty(), asked(n, "b")));
    quiz = new Quiz(questions);
    corrected = quiz.corrected(List.of(new Correction.RightAnswer("q0", asked(0, "c"))));
    Random random = new Random(1);
    for (int a = 0; a < ATTEMPTS; a++) {
      Map<String, Answer> answers = new HashMap<>();
      for (int n = 0; n < QUESTIONS; n++) answers.put("q" + n, answer(n, random));
      Quiz.Result result = quiz.mark(answers);
      given.add(answers);
      before.add(result);
      items.add(
          result.answers().stream()
              .map(x ->
                  new Item(
                      x.question(),
                      x.points(),
                      1 + Integer.parseInt(x.question().substring(1)) % 3,
                      true,
                      OptionalLong.of(20)))
              .toList());
    }
  }

  private static Asked<?> asked(int n, String right) {
    return switch (n % 3) {
      case 0 ->
          new Choices(
              List.of(
                  new Choices.Choice("a", "One"),
                  new Choices.Choice("b", "Two"),
                  new Choices.Choice("c", "Three"),
                  new Choices.Choice("d", "Four")),
              right);
      case 1 ->
          new WordsWanted(
              List.of(new WordsWanted.Form("toe-in", 1), new WordsWanted.Form("toe*", 0.5)), false);
      default -> new NumberWanted(12, 0.5, false, "Nm");
    };
  }

  private static Answer answer(int n, Random random) {
    return switch (n % 3) {
      case 0 -> new Chosen(Character.toString('a' + random.nextInt(4)));
      case 1 -> new WordsGiven(random.nextBoolean() ? "Toe-in" : "toe out");
      default -> new NumberGiven(11 + random.nextInt(5) / 2.0);
    };
  }

  /** All attempts marked anew after one question was put right. */
  @Benchmark
  public double markAgain() {
    double sum = 0;
    for (int a = 0; a < ATTEMPTS; a++)
      sum += corrected.markAgain(before.get(a), given.get(a), Map.of()).points();
    return sum;
  }

  /** All figures about them. */
  @Benchmark
  public Figures figures() {
    return Figures.of(items);
  }
}
