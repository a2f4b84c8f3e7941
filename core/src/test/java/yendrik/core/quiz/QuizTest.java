package yendrik.core.quiz;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yendrik.core.Workshop.ENGLISH;
import static yendrik.core.Workshop.refused;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;
import yendrik.core.Workshop;
import yendrik.core.id.OutcomeId;
import yendrik.core.quiz.kinds.statement.Statement;

class QuizTest {
  /** Asks for a share of the points, and staff for what is below none. */
  private record ShareWanted() implements Asked<ShareGiven> {
    @Override
    public QuestionKind kind() {
      return QuestionKind.CHOICE;
    }

    @Override
    public Class<ShareGiven> answers() {
      return ShareGiven.class;
    }

    @Override
    public Mark mark(ShareGiven answer) {
      return answer.share() < 0 ? new Mark.ForStaff() : new Mark.Marked(answer.share());
    }

    @Override
    public boolean byStaff() {
      return true;
    }

    @Override
    public List<Lack> lacks() {
      return List.of();
    }
  }

  private record ShareGiven(double share) implements Answer {}

  private record OfAnotherKind() implements Answer {}

  private static Question question(String id, double points, Optional<OutcomeId> outcome) {
    return new Question(id, "Which?", points, "", outcome, new ShareWanted());
  }

  private static Question question(String id, double points) {
    return question(id, points, Optional.empty());
  }

  private final Quiz quiz = new Quiz(List.of(question("q1", 2), question("q2", 3)));

  @Test
  void what_staff_mark_counts_once_they_have_and_can_be_marked_anew() {
    var waiting = quiz.mark(Map.of("q1", new ShareGiven(1), "q2", new ShareGiven(-1)));
    assertThat(waiting.points()).isEqualTo(2);
    assertThat(quiz.waits(waiting)).isEqualTo(1);
    var judged = quiz.judged(waiting, Map.of("q2", new Quiz.Judged(2.5, "Say why.")));
    assertThat(judged.points()).isEqualTo(4.5);
    assertThat(quiz.waits(judged)).isZero();
    assertThat(judged.answers().getLast().comment()).isEqualTo("Say why.");
    var again = quiz.judged(judged, Map.of("q2", new Quiz.Judged(1, "")));
    assertThat(again.points()).isEqualTo(3);
    assertThat(quiz.judged(judged, Map.of())).isEqualTo(judged);
  }

  @Property
  void hints_take_what_they_cost_and_never_more_than_there_is(
      @ForAll @DoubleRange(min = 0, max = 1) double share,
      @ForAll @Size(max = 4) List<@DoubleRange(min = 0, max = 1) Double> costs,
      @ForAll @IntRange(max = 6) int taken) {
    var helped =
        new Question(
            "q1",
            Shown.of("Which?"),
            4,
            "",
            costs.stream().map(cost -> new Hint("Look.", cost)).toList(),
            Optional.empty(),
            new ShareWanted());
    var given = Map.<String, Answer>of("q1", new ShareGiven(share));
    double with = new Quiz(List.of(helped)).mark(given, Map.of("q1", taken)).points();
    double less = new Quiz(List.of(helped)).mark(given, Map.of("q1", taken + 1)).points();
    double cost = costs.stream().limit(taken).mapToDouble(c -> c).sum();
    assertThat(with).isBetween(0.0, share * 4).isGreaterThanOrEqualTo(less);
    assertThat(with).isCloseTo(Math.max(0, share - cost) * 4, within(1e-9));
  }

  @Test
  void a_hint_says_something_and_costs_a_share() {
    assertThat(refused(() -> new Hint("Look.", 1.5))).contains("from 0 to 1");
    var silent =
        new Question(
            "q1",
            Shown.of("Which?"),
            4,
            "",
            List.of(new Hint(" ", 0.5)),
            Optional.empty(),
            new ShareWanted());
    assertThat(silent.lacks()).containsExactly(Question.Lacks.HINT);
  }

  @Test
  void staff_give_no_more_than_is_to_be_had_and_only_where_it_is_theirs_to_give() {
    var machine =
        new Quiz(
            List.of(
                new Question("m", "Which?", 2, "", Optional.empty(), new Statement(true)),
                question("q2", 3)));
    var result = machine.mark(Map.of("q2", new ShareGiven(-1)));
    for (var wrong :
        List.of(
            Map.of("q2", new Quiz.Judged(3.1, "")),
            Map.of("q2", new Quiz.Judged(-1, "")),
            Map.of("m", new Quiz.Judged(1, "")),
            Map.of("gone", new Quiz.Judged(1, ""))))
      assertThatThrownBy(() -> machine.judged(result, wrong)).isInstanceOf(Refusal.class);
  }

  @Test
  void answers_give_their_share_of_the_points() {
    var result = quiz.mark(Map.of("q1", new ShareGiven(1), "q2", new ShareGiven(0.5)));
    assertThat(result.points()).isEqualTo(3.5);
    assertThat(result.share()).isEqualTo(0.7);
    assertThat(result.answers())
        .containsExactly(
            new Quiz.Answered("q1", Mark.WHOLE, 2),
            new Quiz.Answered("q2", new Mark.Marked(0.5), 1.5));
  }

  @Test
  void answers_left_out_or_unheard_of_count_as_wrong() {
    var result = quiz.mark(Map.of("q1", new OfAnotherKind(), "other", new ShareGiven(1)));
    assertThat(result.points()).isZero();
    assertThat(result.answers()).extracting(Quiz.Answered::mark).containsOnly(Mark.NOTHING);
  }

  @Test
  void what_staff_mark_gives_nothing_until_they_have() {
    var result = quiz.mark(Map.of("q1", new ShareGiven(-1), "q2", new ShareGiven(1)));
    assertThat(result.points()).isEqualTo(3);
    assertThat(result.answers().getFirst().mark()).isEqualTo(new Mark.ForStaff());
  }

  @Test
  void no_mark_is_below_none_or_above_all_of_the_points() {
    for (double share : new double[] {-0.1, 1.1, Double.NaN})
      assertThat(refused(() -> new Mark.Marked(share))).contains("from 0 to 1");
  }

  @Test
  void questions_say_what_they_lack() {
    assertThat(question("q", 1).lacks()).isEmpty();
    assertThat(question("q", Question.MOST_POINTS).lacks()).isEmpty();
    for (double points : new double[] {0, Double.NaN, Question.MOST_POINTS + 1})
      assertThat(question("q", points).lacks()).containsExactly(Question.Lacks.POINTS);
    var wordless = new Question("q", " ", 1, "", Optional.empty(), new ShareWanted());
    assertThat(wordless.lacks())
        .extracting(l -> ENGLISH.say(l.words()))
        .containsExactly("asks nothing yet");
  }

  @Test
  void questions_add_up_by_the_outcomes_that_they_carry() {
    var quiz =
        new Quiz(
            List.of(
                question("q1", 3, Optional.of(Workshop.BRAKE)),
                question("q2", 2, Optional.of(Workshop.SAFE)),
                question("q3", 1, Optional.of(Workshop.BRAKE)),
                question("q4", 9)));
    var all = new ShareGiven(1);
    var result = quiz.mark(Map.of("q1", new ShareGiven(0), "q2", all, "q3", all, "q4", all));
    assertThat(quiz.parts(result))
        .containsExactly(new Quiz.Part(Workshop.BRAKE, 1, 4), new Quiz.Part(Workshop.SAFE, 2, 2));
    assertThat(quiz.parts(result).getFirst().share()).isEqualTo(0.25);
  }

  @Test
  void a_quiz_that_asks_nothing_comes_to_nothing() {
    assertThat(new Quiz(List.of()).mark(Map.of()).share()).isZero();
  }

  @Test
  void what_is_left_out_counts_for_nothing_and_full_marks_for_everybody() {
    var given = Map.<String, Answer>of("q1", new ShareGiven(1), "q2", new ShareGiven(0));
    assertThat(quiz.mark(given).share()).isEqualTo(2 / 5.0);
    var without = quiz.corrected(List.of(new Correction.LeftOut("q2")));
    assertThat(without.points()).isEqualTo(2);
    assertThat(without.mark(given).share()).isEqualTo(1);
    var full = quiz.corrected(List.of(new Correction.FullMarks("q2")));
    assertThat(full.mark(Map.of()).points()).isEqualTo(3);
    var back = without.corrected(List.of(new Correction.FullMarks("q2")));
    assertThat(back.points()).as("the last correction of a question holds").isEqualTo(5);
  }

  @Test
  void another_right_answer_marks_anew_and_leaves_what_staff_gave() {
    var machine =
        new Quiz(
            List.of(
                new Question("m", "Which?", 2, "", Optional.empty(), new Statement(true)),
                question("q2", 3)));
    var said =
        Map.of(
            "m",
            new yendrik.core.quiz.kinds.statement.Said(false),
            "q2",
            (Answer) new ShareGiven(-1));
    var judged = machine.judged(machine.mark(said), Map.of("q2", new Quiz.Judged(2, "Good.")));
    assertThat(judged.points()).isEqualTo(2);
    var right = machine.corrected(List.of(new Correction.RightAnswer("m", new Statement(false))));
    var again = right.markAgain(judged, said, Map.of());
    assertThat(again.points()).isEqualTo(4);
    assertThat(again.answers().getLast().comment()).isEqualTo("Good.");
    assertThat(right.markAgain(again, said, Map.of())).isEqualTo(again);
    var out = machine.corrected(List.of(new Correction.LeftOut("q2")));
    var without = out.markAgain(judged, said, Map.of());
    assertThat(out.waits(without)).isZero();
    assertThat(without.of()).isEqualTo(2);
    var full = machine.corrected(List.of(new Correction.FullMarks("q2")));
    assertThat(full.markAgain(without, said, Map.of()).points()).isEqualTo(3);
    assertThat(machine.markAgain(full.markAgain(without, said, Map.of()), said, Map.of()))
        .as("what staff gave is there again once corrections are taken back")
        .isEqualTo(judged);
    assertThat(refused(() -> full.judged(judged, Map.of("q2", new Quiz.Judged(1, "")))))
        .isNotEmpty();
  }
}
