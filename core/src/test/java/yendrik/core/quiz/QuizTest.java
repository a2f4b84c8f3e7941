package yendrik.core.quiz;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import yendrik.core.Workshop;

class QuizTest {
  private static Quiz.Question question(String id, double points, String right) {
    var choices = List.of(new Quiz.Choice("a", "Toe-in"), new Quiz.Choice("b", "Toe-out"));
    return new Quiz.Question(id, "Which?", points, choices, right, "");
  }

  private final Quiz quiz = new Quiz(List.of(question("q1", 2, "a"), question("q2", 3, "b")));

  @Test
  void right_answers_give_their_points_and_others_nothing() {
    var result = quiz.mark(Map.of("q1", "a", "q2", "a"));
    assertThat(result.points()).isEqualTo(2);
    assertThat(result.share()).isEqualTo(0.4);
    assertThat(result.answers()).extracting(Quiz.Answered::right).containsExactly(true, false);
  }

  @Test
  void answers_left_out_or_unheard_of_count_as_wrong() {
    assertThat(quiz.mark(Map.of("q1", "z", "other", "a")).points()).isZero();
  }

  @Test
  void faults_are_named_by_question() {
    var broken = new Quiz.Question("q", " ", 0, List.of(new Quiz.Choice("a", "")), "b", "");
    assertThat(new Quiz(List.of(question("q1", 1, "a"), broken)).faults())
        .extracting(Quiz.Fault::question)
        .containsOnly(1);
    assertThat(new Quiz(List.of(broken)).faults()).hasSize(5);
  }

  private static Quiz.Question carrying(
      String id, double points, java.util.Optional<yendrik.core.id.OutcomeId> outcome) {
    var choices = List.of(new Quiz.Choice("a", "yes"), new Quiz.Choice("b", "no"));
    return new Quiz.Question(id, "Which?", points, choices, "a", "", outcome);
  }

  @Test
  void questions_add_up_by_the_outcomes_that_they_carry() {
    var quiz =
        new Quiz(
            List.of(
                carrying("q1", 3, java.util.Optional.of(Workshop.BRAKE)),
                carrying("q2", 2, java.util.Optional.of(Workshop.SAFE)),
                carrying("q3", 1, java.util.Optional.of(Workshop.BRAKE)),
                carrying("q4", 9, java.util.Optional.empty())));
    var result = quiz.mark(Map.of("q1", "b", "q2", "a", "q3", "a", "q4", "a"));
    assertThat(quiz.parts(result))
        .containsExactly(new Quiz.Part(Workshop.BRAKE, 1, 4), new Quiz.Part(Workshop.SAFE, 2, 2));
    assertThat(quiz.parts(result).getFirst().share()).isEqualTo(0.25);
  }
}
