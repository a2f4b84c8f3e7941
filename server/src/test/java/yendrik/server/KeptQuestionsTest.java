package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.JSON;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.Quiz;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.core.quiz.kinds.choice.Chosen;
import yendrik.core.quiz.taking.Spent;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.QuizContent;
import yendrik.server.kinds.quiz.question.KeptLines;
import yendrik.server.kinds.quiz.question.KeptResult;
import yendrik.server.kinds.quiz.question.Questions;

/** Quizzes and attempts as they are kept, and as they once were. */
@ServerTest
class KeptQuestionsTest {
  @Autowired Questions questions;

  private static final String NOW =
      """
      {"body":"","questions":[{"id":"q1","text":"What dries?","points":2.0,"feedback":"Glue.",
        "hints":[{"text":"It smells.","cost":0.25}],"outcome":7,"part":{"is":"choice","right":"a",
          "choices":[{"id":"a","text":"Glue"},{"id":"b","text":"Rubber"}]}}],"draws":[]}
      """;
  private static final String ONCE =
      """
      {"body":"","questions":[{"id":"q1","text":"What dries?","points":2.0,"feedback":"Glue.",
        "outcome":7,"right":"a",
        "choices":[{"id":"a","text":"Glue"},{"id":"b","text":"Rubber"}]}]}
      """;

  private static ObjectNode tree(String json) {
    return (ObjectNode) CoreJson.mapper().readTree(json);
  }

  private Quiz quiz(String json) {
    QuizContent content =
        CoreJson.mapper().treeToValue(questions.now(tree(json)), QuizContent.class);
    return questions.asking(content.questions(), content.draws()).dealt(0);
  }

  @Test
  void questions_of_before_there_were_kinds_are_read_as_choices() {
    assertThat(quiz(ONCE).questions().getFirst().text()).isEqualTo("What dries?");
    assertThat(quiz(ONCE).questions().getFirst().hints()).isEmpty();
    assertThat(quiz(ONCE).questions().getFirst().asked())
        .isEqualTo(
            new Choices(
                List.of(new Choices.Choice("a", "Glue"), new Choices.Choice("b", "Rubber")), "a"));
  }

  @Test
  void questions_are_kept_as_they_were_read() {
    var kept = quiz(NOW).questions().stream().map(questions::keep).toList();
    assertThat(
            tree(
                CoreJson.mapper()
                    .writeValueAsString(new QuizContent("", kept, List.of(), Optional.empty()))))
        .isEqualTo(tree(NOW));
  }

  @Test
  void answers_are_kept_with_their_kind_and_were_once_names_of_choices() {
    JSON kept = questions.keep(quiz(NOW), Map.of("q1", new Chosen("b")));
    assertThat(tree(kept.data())).isEqualTo(tree("{\"q1\":{\"is\":\"choice\",\"choice\":\"b\"}}"));
    assertThat(questions.answers(kept)).isEqualTo(Map.of("q1", new Chosen("b")));
    assertThat(questions.answers(JSON.valueOf("{\"q1\":\"b\"}")))
        .isEqualTo(Map.of("q1", new Chosen("b")));
  }

  @Test
  void results_are_kept_with_their_marks_and_were_once_right_or_wrong() {
    var result =
        new Quiz.Result(
            1.5,
            4,
            List.of(
                new Quiz.Answered("q1", new Mark.Marked(0.75), 1.5),
                new Quiz.Answered("q2", new Mark.ForStaff(), 0)));
    assertThat(KeptResult.read(KeptResult.of(result))).isEqualTo(result);
    String once =
        """
        {"points":2.0,"of":4.0,"answers":[
          {"question":"q1","chosen":"a","right":true,"points":2.0},
          {"question":"q2","right":false,"points":0.0}]}
        """;
    assertThat(KeptResult.read(JSON.valueOf(once)).answers())
        .containsExactly(
            new Quiz.Answered("q1", Mark.WHOLE, 2), new Quiz.Answered("q2", Mark.NOTHING, 0));
    String then =
        """
        {"points":1.5,"of":4.0,"answers":[
          {"question":"q1","mark":{"is":"marked","share":0.75},"points":1.5},
          {"question":"q2","mark":{"is":"for-staff"},"points":0.0}]}
        """;
    assertThat(KeptResult.read(JSON.valueOf(then))).isEqualTo(result);
    assertThat(KeptLines.of(JSON.valueOf(then))).isEqualTo(KeptLines.of(KeptResult.of(result)));
    assertThat(KeptLines.of(KeptResult.of(result)))
        .containsExactly(new KeptLines.Line("q1", true, 1.5), new KeptLines.Line("q2", false, 0));
    assertThat(KeptLines.of(JSON.valueOf(once)))
        .containsExactly(new KeptLines.Line("q1", true, 2), new KeptLines.Line("q2", true, 0));
  }

  @Test
  void the_time_of_each_question_is_read_as_it_was_kept() {
    Instant begun = Instant.parse("2026-11-02T08:00:00Z");
    Spent spent =
        Spent.from(begun)
            .came(Set.of("q1"), begun.plusSeconds(40))
            .came(Set.of("q\"2"), begun.plusSeconds(52));
    assertThat(KeptLines.seconds(JSON.valueOf(CoreJson.mapper().writeValueAsString(spent))))
        .isEqualTo(Map.of("q1", 40L, "q\"2", 12L));
  }

  @Test
  void answers_are_read_each_as_it_stands_there() {
    String first = "{\"is\": \"several\", \"choices\": [\"a\", \"}\"]}";
    var kept = JSON.valueOf("{\"q1\": " + first + ", \"q2\": \"b ü\"}");
    assertThat(KeptLines.answers(kept)).isEqualTo(Map.of("q1", first, "q2", "\"b ü\""));
    assertThat(questions.answers(kept).get("q2")).isEqualTo(questions.answer("\"b ü\""));
  }
}
