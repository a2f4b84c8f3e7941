package yendrik.formats.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.Workshop;
import yendrik.core.course.Counts;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.RubricId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Strands;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.progress.Latches;
import yendrik.core.quiz.Difficulty;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rubric.Rubric;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.plan.FirstMet;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.time.TimeFact;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;

class CoreJsonTest {
  @Test
  void a_whole_design_comes_back_as_it_was() {
    CourseDesign design = Workshop.design();
    String json = CoreJson.mapper().writeValueAsString(design);
    assertThat(CoreJson.mapper().readValue(json, CourseDesign.class)).isEqualTo(design);
  }

  @Test
  void a_condition_is_written_in_the_documented_form() {
    Condition rule = new Condition.Ask(new NodeId("n1"), new MarkLeaf.Score(new StepId(7), 0.6, 1));
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
            new WorkFact.Marked(new StepId(3), 1, 8, 20, Judgement.AGAIN, "Say which pad."),
            new WorkFact.Marked(
                new StepId(3),
                1,
                8,
                20,
                Judgement.AGAIN,
                "Which pad?",
                Optional.of("<p>Which <em>pad</em>?</p>")),
            new Fact.Rated(Workshop.BRAKE, 2, Optional.of(new StepId(3)), 1),
            new Fact.Rated(Workshop.BRAKE, 2, Optional.empty(), 0),
            new Fact.Rated(
                Workshop.BRAKE, 2, Optional.empty(), 0, Optional.of("clean"), Optional.of(4)),
            new WorkFact.Assessed(
                new StepId(3), 1, new RubricId(2), 5, List.of(new Rubric.Met(1, 0, "late"))),
            new FilmFact.Watched(new StepId(3), 0, 41, 100),
            new Fact.Attendance(Workshop.FIRST_SATURDAY, Workshop.LATE),
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
            Optional.of(9L),
            List.of(
                new Latches.First(
                    new FirstMet(new RuleAt.StepOpens(new StepId(1)), new NodeId("n")), 9)));
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

  /** Every name under which a fact was ever stored; lines are added and never taken out. */
  private static final List<String> FACTS =
      List.of(
          "approved",
          "assessed",
          "attempts-added",
          "attendance",
          "badge-issued",
          "badge-kept",
          "badge-revoked",
          "came-under",
          "completed-course",
          "confirmed",
          "due-moved",
          "enrolled",
          "exception-ended",
          "excused",
          "finished-attempt",
          "handed-in",
          "joined-group",
          "left-course",
          "left-group",
          "marked",
          "opened",
          "own-word",
          "posted",
          "rated",
          "replied",
          "saw",
          "signed-off",
          "spent-time",
          "started-anew",
          "started-attempt",
          "taken-back",
          "time-added",
          "was-here",
          "watched");

  private static final List<String> QUESTIONS =
      List.of(
          "approved",
          "at-mastery",
          "attempted",
          "attendance-rate",
          "attendance-under",
          "behind-by",
          "confirmed",
          "course-complete",
          "days-since-done",
          "enrolled-for",
          "evidence-count",
          "grade-at-least",
          "handed-in",
          "has-left",
          "holds-badge",
          "improved",
          "in-a-row",
          "in-group",
          "in-time",
          "level-at-least",
          "level-below",
          "marked",
          "module-count",
          "module-done",
          "module-share",
          "never-started",
          "no-evidence",
          "not-passed",
          "on-days",
          "one-of",
          "overdue",
          "own-word",
          "passed",
          "posted",
          "quiet-for",
          "quizzes-scored",
          "replied",
          "required-out-of-reach",
          "score",
          "seen",
          "session-attended",
          "sessions-attended",
          "signed-off",
          "step-done",
          "stuck-for",
          "time-spent",
          "watched");

  private static List<String> names(Class<?> sealed) {
    return CoreJson.variants(sealed).stream().map(CoreJson::name).sorted().toList();
  }

  @Test
  void marks_of_before_there_were_statuses_are_read_as_those_that_are_shipped() {
    Map<String, StatusId> were =
        Map.of(
            "PRESENT", Workshop.PRESENT,
            "LATE", Workshop.LATE,
            "EXCUSED", Workshop.WITH_NOTICE,
            "ABSENT", Workshop.ABSENT);
    were.forEach((presence, status) -> {
      ObjectNode stored =
          CoreJson.mapper().createObjectNode().put("session", 1).put("presence", presence);
      assertThat(CoreJson.fact("attendance", stored))
          .isEqualTo(new Fact.Attendance(new SessionId(1), status));
    });
  }

  @Test
  void every_name_that_was_ever_stored_is_still_read() {
    assertThat(names(Fact.What.class)).containsExactlyElementsOf(FACTS);
    assertThat(names(Leaf.class)).containsExactlyElementsOf(QUESTIONS);
    assertThat(names(Condition.class))
        .containsExactly("after", "all", "any", "ask", "at-least", "none");
    assertThat(names(LevelMethod.class))
        .containsExactly("best", "mean", "most-recent", "recency-weighted", "secure");
    assertThat(names(Composition.How.class)).containsExactly("all", "at-least", "lowest", "mean");
    assertThat(words(StepKind.values()))
        .doesNotHaveDuplicates()
        .contains("PAGE", "VIDEO", "QUIZ", "ASSIGNMENT", "PRACTICAL");
    assertThat(words(Judgement.values())).containsExactly("PASSED", "AGAIN", "FAILED");
    assertThat(words(Counts.values())).containsExactly("BEST", "LATEST", "FIRST", "MEAN");
    assertThat(words(Difficulty.values())).containsExactly("EASY", "MIDDLING", "HARD");
    assertThat(words(Fact.Grant.values()))
        .containsExactly("OPENED", "EXCUSED", "DUE_MOVED", "ATTEMPTS", "TIME", "ANEW");
  }

  private static List<String> words(Enum<?>[] all) {
    return Stream.of(all).map(CoreJson::name).toList();
  }

  @Test
  void a_word_that_was_never_stored_is_refused() {
    assertThat(CoreJson.word(StepKind.class, "VIDEO")).isEqualTo(StepKind.VIDEO);
    assertThatThrownBy(() -> CoreJson.word(StepKind.class, "video"))
        .hasMessageContaining("not-stored")
        .hasMessageContaining("video");
    assertThatThrownBy(() ->
            CoreJson.fact(
                "attendance",
                (ObjectNode) CoreJson.mapper().readTree("{\"session\":1,\"presence\":\"GONE\"}")))
        .hasMessageContaining("GONE");
  }

  @Test
  void an_attempt_stored_before_questions_carried_outcomes_is_read_as_one_without_parts() {
    var body =
        (ObjectNode)
            CoreJson.mapper().readTree("{\"step\":2,\"number\":1,\"points\":7.0,\"of\":10.0}");
    assertThat(CoreJson.fact("finished-attempt", body))
        .isEqualTo(new AttemptFact.FinishedAttempt(new StepId(2), 1, 7, 10));
  }

  @Test
  void sums_come_back_as_they_were_and_leave_out_what_is_nothing() {
    var learner = new Workshop();
    var record = Strands.record(new CourseIndex(Workshop.design()), Workshop.JUNO);
    List.of(
            new Fact.Enrolled(),
            new SeenFact.Saw(Workshop.ANATOMY),
            new TimeFact.SpentTime(Workshop.ANATOMY, 40),
            new AttemptFact.FinishedAttempt(Workshop.PADS, 1, 9, 15),
            new WorkFact.HandedIn(Workshop.JOB_CARD, 1),
            new WorkFact.Marked(Workshop.JOB_CARD, 1, 0, 20, Judgement.AGAIN, ""),
            new Fact.Rated(
                Workshop.BRAKE, 3, Optional.of(Workshop.JOB_CARD), 1, Optional.of("Clean")),
            new Fact.Attendance(Workshop.FIRST_SATURDAY, Workshop.LATE),
            new Fact.JoinedGroup(Workshop.SATURDAY),
            new Fact.BadgeIssued(Workshop.BRAKE_HAND, "seen"))
        .forEach(what -> record.take(learner.fact(what)));
    String json = CoreJson.write(record.sums());
    assertThat(CoreJson.sums(json)).isEqualTo(record.sums());
    assertThat(json).doesNotContain("watched", "excused", "movedDue", "signedOffBy");
    var again = LearnerRecord.of(record.index(), Workshop.JUNO, Strands.ALL, CoreJson.sums(json));
    assertThat(again.sums()).isEqualTo(record.sums());
    assertThat(again.score(record.index().number(Workshop.PADS))).isEqualTo(0.6);
    assertThat(again.level(0)).isEqualTo(record.level(0));
  }
}
