package yendrik.formats.questions;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Difficulty;
import yendrik.core.quiz.Hint;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Shown;
import yendrik.core.quiz.kinds.brief.WordsWanted;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.core.quiz.kinds.gaps.GapText;
import yendrik.core.quiz.kinds.match.PairsWanted;
import yendrik.core.quiz.kinds.numeric.NumberWanted;
import yendrik.core.quiz.kinds.open.TextWanted;
import yendrik.core.quiz.kinds.order.OrderWanted;
import yendrik.core.quiz.kinds.place.PlaceWanted;
import yendrik.core.quiz.kinds.several.SeveralChoices;
import yendrik.core.quiz.kinds.statement.Statement;
import yendrik.formats.questions.QuestionText.Read;
import yendrik.formats.questions.QuestionText.Reading;

class QuestionTextTest {
  private static final String PEDALS =
      """
      Which thread does a left pedal have? (2 points)
      + Left-hand
      : Yes, it would come loose otherwise.
      - Right-hand
      ! Left pedals come off clockwise.
      ? Think of how the crank turns. (25 %)
      # pedals, threads
      * easy
      """;

  @Test
  void a_question_is_read_with_all_that_is_said_of_it() {
    Reading reading = QuestionText.read(PEDALS);
    assertThat(reading.faults()).isEmpty();
    Read read = reading.questions().getFirst();
    assertThat(read.tags()).containsExactly("pedals", "threads");
    assertThat(read.difficulty()).contains(Difficulty.EASY);
    Question question = read.question();
    assertThat(question.text()).isEqualTo("Which thread does a left pedal have?");
    assertThat(question.points()).isEqualTo(2);
    assertThat(question.feedback()).isEqualTo("Left pedals come off clockwise.");
    assertThat(question.hints()).containsExactly(new Hint("Think of how the crank turns.", 0.25));
    assertThat(question.asked())
        .isEqualTo(
            new Choices(
                List.of(
                    new Choices.Choice(
                        "a", Shown.of("Left-hand"), "Yes, it would come loose otherwise."),
                    new Choices.Choice("b", "Right-hand")),
                "a"));
  }

  @Test
  void many_blanks_are_one_and_a_long_line_is_read_like_any_other() {
    String blanks = " ".repeat(150_000);
    Reading reading = QuestionText.read("Which" + blanks + "one?\n+ a" + blanks + "b\n- c");
    assertThat(reading.faults()).isEmpty();
    Question question = reading.questions().getFirst().question();
    assertThat(question.text()).isEqualTo("Which one?");
    assertThat(question.asked())
        .isEqualTo(
            new Choices(
                List.of(new Choices.Choice("a", "a b"), new Choices.Choice("b", "c")), "a"));
  }

  private static Asked<?> asked(String answers) {
    Reading reading = QuestionText.read("What?\n" + answers);
    assertThat(reading.faults()).as(answers).isEmpty();
    return reading.questions().getFirst().question().asked();
  }

  @Test
  void what_is_answered_says_the_kind() {
    assertThat(asked("= true")).isEqualTo(new Statement(true));
    assertThat(asked("= 12 ± 0,5 Nm")).isEqualTo(new NumberWanted(12, 0.5, false, "Nm"));
    assertThat(asked("= 200 +- 5 %")).isEqualTo(new NumberWanted(200, 5, true, ""));
    assertThat(asked("= -3")).isEqualTo(new NumberWanted(-3, 0, false, ""));
    assertThat(asked("= 6\n= six"))
        .isEqualTo(
            new WordsWanted(
                List.of(new WordsWanted.Form("6", 1), new WordsWanted.Form("six", 1)), false));
    assertThat(asked("= lockring\n= ring (50 %)"))
        .isEqualTo(
            new WordsWanted(
                List.of(new WordsWanted.Form("lockring", 1), new WordsWanted.Form("ring", 0.5)),
                false));
    assertThat(asked("hub -> axle\nrim -> tape\n-> chain"))
        .isEqualTo(
            new PairsWanted(
                List.of(
                    new PairsWanted.Pair("a", "hub", "axle"),
                    new PairsWanted.Pair("b", "rim", "tape")),
                List.of("chain")));
    assertThat(asked("1. clean\n2. oil"))
        .isEqualTo(
            new OrderWanted(
                List.of(new OrderWanted.Thing("a", "clean"), new OrderWanted.Thing("b", "oil")),
                true));
    assertThat(asked("_ A [left|left-hand] thread.")).isInstanceOf(GapText.class);
    assertThat(asked("... That it squeals.")).isEqualTo(new TextWanted("That it squeals."));
    assertThat(asked("+ worn\n+ glazed\n- black (-50 %)"))
        .isEqualTo(
            new SeveralChoices(
                List.of(
                    new SeveralChoices.Choice("a", "worn", 0.5),
                    new SeveralChoices.Choice("b", "glazed", 0.5),
                    new SeveralChoices.Choice("c", "black", -0.5))));
  }

  private static String faults(String text) {
    return QuestionText.read(text).faults().stream()
        .map(f -> f.line() + " " + f.says().key())
        .toList()
        .toString();
  }

  @Test
  void what_is_not_right_is_said_by_its_line_and_nothing_else_is_lost() {
    String text = PEDALS + "\nWhat now?\n- this\n- that\n\n" + "Really?\n= true\n";
    assertThat(faults(text)).isEqualTo("[10 question-text.lacks]");
    assertThat(QuestionText.read(text).questions()).extracting(Read::line).containsExactly(1, 14);
    assertThat(faults("\n\n+ right\n- wrong"))
        .isEqualTo("[3 question-text.nothing-asked, 4 question-text.nothing-asked]");
    assertThat(faults("What?\n+ a\n= b")).isEqualTo("[3 question-text.two-sorts]");
    assertThat(faults("What?\n: why\n+ a\n- b")).isEqualTo("[2 question-text.no-choice-above]");
    assertThat(faults("What?\n+ a\n- b\nand more")).isEqualTo("[4 question-text.no-sign]");
    assertThat(faults("What?\n+ a\n- b\n* mild")).isEqualTo("[4 question-text.difficulty]");
    assertThat(faults("What?\n+ a\n- b\n? Look. (700 %)")).isEqualTo("[4 question-text.hint-cost]");
    assertThat(faults("What?\n+ a (-50 %)\n- b")).isEqualTo("[2 question-text.share]");
    assertThat(faults("What?")).isEqualTo("[1 question-text.lacks, 1 question-text.lacks]");
    assertThat(faults("Is it?\n= true\n\n".repeat(QuestionText.MOST + 1)))
        .isEqualTo("[601 question-text.too-many]");
  }

  @Property
  void whatever_stands_there_something_is_said(
      @ForAll
          List<
                  @net.jqwik.api.constraints.Chars({
                    '+', '-', ' ', '\n', '=', '?', ':', '%', '(', ')', '1', '.', '>', 'a', '[', ']',
                    '_', '#', '*', '!', '±'
                  })
                  Character>
              text) {
    var written = new StringBuilder();
    text.forEach(written::append);
    Reading reading = QuestionText.read(written.toString());
    assertThat(reading.questions().isEmpty() && reading.faults().isEmpty())
        .isEqualTo(written.toString().isBlank());
  }

  @Provide
  Arbitrary<Read> reads() {
    return Combinators.combine(
            SomeQuestions.WORDS,
            Arbitraries.doubles().between(0.1, 99).ofScale(1),
            Arbitraries.of("", "Said afterwards."),
            SomeQuestions.WORDS
                .flatMap(w -> Arbitraries.of(0.0, 0.25, 1.0).map(c -> new Hint(w, c)))
                .list()
                .ofMaxSize(2),
            SomeQuestions.answers(),
            SomeQuestions.words(0),
            Arbitraries.of(Difficulty.class).optional())
        .as((text, points, feedback, hints, asked, tags, difficulty) ->
            new Read(
                1,
                new Question("q", Shown.of(text), points, feedback, hints, Optional.empty(), asked),
                tags,
                difficulty));
  }

  @Test
  void what_the_layout_cannot_say_is_left_out() {
    var place = new PlaceWanted(Optional.of(1L), "A rear derailleur", List.of());
    var read =
        new Read(
            1,
            new Question("q", "Where is it?", 1, "", Optional.empty(), place),
            List.of(),
            Optional.empty());
    assertThat(WrittenText.says(place)).isFalse();
    assertThat(WrittenText.of(List.of(read))).isBlank();
  }

  @Property
  void what_is_written_reads_back_as_it_was(@ForAll("reads") Read a, @ForAll("reads") Read b) {
    Reading reading = QuestionText.read(WrittenText.of(List.of(a, b)));
    assertThat(reading.faults()).isEmpty();
    assertThat(reading.questions()).hasSize(2);
    for (int n = 0; n < 2; n++) {
      Read was = n == 0 ? a : b;
      Read now = reading.questions().get(n);
      assertThat(now.tags()).isEqualTo(was.tags());
      assertThat(now.difficulty()).isEqualTo(was.difficulty());
      Question q = was.question();
      assertThat(now.question())
          .isEqualTo(
              new Question(
                  "q" + (n + 1),
                  q.shown(),
                  q.points(),
                  q.feedback(),
                  q.hints(),
                  q.outcome(),
                  q.asked()));
    }
  }
}
