package yendrik.core.quiz;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yendrik.core.Workshop.ENGLISH;
import static yendrik.core.Workshop.refused;

import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    assertThat(waiting.waits()).isEqualTo(1);
    var judged = quiz.judged(waiting, Map.of("q2", new Quiz.Judged(2.5, "Say why.")));
    assertThat(judged.points()).isEqualTo(4.5);
    assertThat(judged.waits()).isZero();
    assertThat(judged.answers().getLast().comment()).isEqualTo("Say why.");
    var again = quiz.judged(judged, Map.of("q2", new Quiz.Judged(1, "")));
    assertThat(again.points()).isEqualTo(3);
    assertThat(quiz.judged(judged, Map.of())).isEqualTo(judged);
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
}
