package yendrik.formats.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tools.jackson.core.JacksonException;
import yendrik.core.Workshop;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.id.RubricId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Latches;
import yendrik.core.quiz.Quiz;
import yendrik.core.record.Fact;
import yendrik.core.rubric.Rubric;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;

class CoreJsonTest {
  @Test
  void a_whole_design_comes_back_as_it_was() {
    CourseDesign design = Workshop.design();
    String json = CoreJson.mapper().writeValueAsString(design);
    assertThat(CoreJson.mapper().readValue(json, CourseDesign.class)).isEqualTo(design);
  }

  @Test
  void a_condition_is_written_in_the_documented_form() {
    Condition rule = new Condition.Ask(new NodeId("n1"), new Leaf.Score(new StepId(7), 0.6, 1));
    var json = CoreJson.mapper().valueToTree(rule);
    assertThat(json.toString())
        .isEqualTo(
            "{\"is\":\"ask\",\"id\":\"n1\",\"leaf\":{\"is\":\"score\",\"step\":7,\"from\":0.6,\"to\":1.0}}");
  }

  @Test
  void facts_come_back_as_they_were() {
    for (Fact.What what :
        List.of(
            new Fact.Enrolled(),
            new Fact.Marked(new StepId(3), 1, 8, 20, Fact.Judgement.AGAIN, "Say which pad."),
            new Fact.Rated(Workshop.BRAKE, 2, Optional.of(new StepId(3)), 1),
            new Fact.Rated(Workshop.BRAKE, 2, Optional.empty(), 0),
            new Fact.Rated(
                Workshop.BRAKE, 2, Optional.empty(), 0, Optional.of("clean"), Optional.of(4)),
            new Fact.Assessed(
                new StepId(3), 1, new RubricId(2), 5, List.of(new Rubric.Met(1, 0, "late"))),
            new Fact.Watched(new StepId(3), 0, 41, 100),
            new Fact.Attendance(Workshop.FIRST_SATURDAY, Fact.Presence.LATE),
            new Fact.DueMoved(new StepId(3), Workshop.START))) {
      String json = CoreJson.mapper().writerFor(Fact.What.class).writeValueAsString(what);
      assertThat(CoreJson.mapper().readValue(json, Fact.What.class)).isEqualTo(what);
    }
  }

  @Test
  void what_was_written_before_a_part_was_added_is_read_without_it() {
    String rated = "{\"is\":\"rated\",\"outcome\":1,\"level\":2,\"version\":0}";
    assertThat(CoreJson.mapper().readValue(rated, Fact.What.class))
        .isEqualTo(new Fact.Rated(Workshop.BRAKE, 2, Optional.empty(), 0));
    assertThat(CoreJson.mapper().readValue("{\"outcome\":1,\"weight\":2.0}", Step.Tie.class))
        .isEqualTo(new Step.Tie(Workshop.BRAKE, 2));
    String question =
        "{\"id\":\"q\",\"text\":\"?\",\"points\":1,\"choices\":[],\"right\":\"a\",\"feedback\":\"\"}";
    assertThat(CoreJson.mapper().readValue(question, Quiz.Question.class).outcome()).isEmpty();
  }

  @Test
  void what_stays_comes_back_as_it_was() {
    var latches =
        new Latches(
            5,
            Map.of(new StepId(1), 7L),
            Map.of(new StepId(2), 8L),
            Map.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            Optional.of(9L));
    String json = CoreJson.mapper().writeValueAsString(latches);
    assertThat(CoreJson.mapper().readValue(json, Latches.class)).isEqualTo(latches);
  }

  @Test
  void an_unknown_question_is_refused() {
    assertThatThrownBy(() ->
            CoreJson.mapper()
                .readValue(
                    "{\"is\":\"ask\",\"id\":\"a\",\"leaf\":{\"is\":\"mood\"}}", Condition.class))
        .isInstanceOf(JacksonException.class);
  }
}
