package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yendrik.schema.Tables.FACT;
import static yendrik.schema.Tables.QUESTION_CORRECTION;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.awaitility.Awaitility;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.StepId;
import yendrik.core.people.StaffKind;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.after.Remarking;
import yendrik.server.kinds.quiz.correction.CorrectionRows;
import yendrik.server.people.People;
import yendrik.server.way.Walks;

/** Figures about a quiz, and corrections of its questions. */
@ServerTest
class AfterUseTest extends SchoolTest {
  @Autowired DSLContext db;
  @Autowired Walks walks;
  @Autowired TransactionTemplate transactions;
  @Autowired People people;
  @Autowired CorrectionRows corrections;
  @Autowired Remarking remarking;
  private NewCourse course;
  private Caller sefa;
  private Caller edda;
  private long quiz;

  @BeforeEach
  void aQuizThatWasTaken() {
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    course = newCourse("After use");
    quiz = course.step(course.module("Work"), "QUIZ", "Threads");
    course.ask(
        quiz,
        NewCourse.question("q1", "Left pedal?", "Left-hand", "Right-hand"),
        NewCourse.question("q2", "Right pedal?", "Left-hand", "Right-hand"));
    course.change(
        quiz,
        e -> {
          ObjectNode score = course.ask("score", quiz);
          ((ObjectNode) score.path("leaf")).put("from", 1).put("to", 1);
          e.set("doneWhen", score);
        });
    course.publish();
    course.enrol("edda@hollowlane.example");
  }

  private String at() {
    return course.path + "/quizzes/" + quiz;
  }

  private static String id(JsonNode question, String text) {
    for (JsonNode c : question.at("/part/choices"))
      if (c.path("text").asString().equals(text)) return c.path("id").asString();
    throw new AssertionError("no choice " + text);
  }

  /** Edda takes the quiz with these choices. */
  private JsonNode take(int number, String left, String right) {
    JsonNode attempt = edda.post(course.walk(quiz) + "/attempts", "");
    return edda.post(
        course.walk(quiz) + "/attempts/" + number + "/result", answers(attempt, left, right));
  }

  private static String answers(JsonNode attempt, String left, String right) {
    ObjectNode sent = CoreJson.mapper().createObjectNode();
    ObjectNode answers = sent.putObject("answers");
    List<String> chosen = List.of(left, right);
    for (int n = 0; n < 2; n++) {
      JsonNode q = attempt.path("questions").path(n);
      answers
          .putObject(q.path("id").asString())
          .put("is", "choice")
          .put("choice", id(q, chosen.get(n)));
    }
    return sent.toString();
  }

  private JsonNode result(int number) {
    return edda.get(course.walk(quiz) + "/attempts/" + number + "/result");
  }

  private JsonNode effect(String question, String what) {
    return sefa.post(
        at() + "/corrections/effect",
        "{\"question\": \"%s\", \"what\": \"%s\"}".formatted(question, what));
  }

  private int correct(String question, String what) {
    return sefa.call(
            "POST",
            at() + "/corrections",
            "{\"question\": \"%s\", \"what\": \"%s\", \"reason\": \"The key was wrong.\"}"
                .formatted(question, what))
        .getStatus();
  }

  private void keepsWhatFollows() {
    walks
        .learners(course.id)
        .forEach(enrolment -> assertThat(walks.compare(enrolment)).as("kept").isEmpty());
  }

  @Test
  void figures_say_how_each_question_went_and_what_was_answered() {
    take(1, "Left-hand", "Left-hand");
    take(2, "Left-hand", "Right-hand");
    JsonNode first = sefa.get(at() + "/figures");
    assertThat(first.path("attempts").asInt()).isEqualTo(1);
    assertThat(first.path("mean").asDouble()).isCloseTo(1, within(1e-9));
    JsonNode all = sefa.get(at() + "/figures?first=false");
    assertThat(all.path("attempts").asInt()).isEqualTo(2);
    assertThat(all.path("learners").asInt()).isEqualTo(1);
    JsonNode q2 = all.path("questions").path(1);
    assertThat(q2.path("right").asInt()).isEqualTo(1);
    assertThat(q2.path("wrong").asInt()).isEqualTo(1);
    assertThat(q2.path("facility").asDouble()).isEqualTo(0.5);
    assertThat(q2.path("given").toString())
        .contains("\"said\":\"Left-hand\",\"count\":1,\"right\":true")
        .contains("\"said\":\"Right-hand\",\"count\":1,\"right\":false");
    assertThat(sefa.get(course.path + "/quizzes").at("/0/attempts").asInt()).isEqualTo(2);
    String file = results(sefa);
    assertThat(file).contains("Left pedal?").contains("Edda Marsh");
    assertThat(edda.call("GET", at() + "/figures", "").getStatus()).isIn(403, 404);
  }

  @Test
  void a_wrong_key_is_put_right_for_all_attempts_after_its_effect_was_shown() {
    JsonNode before = take(1, "Left-hand", "Right-hand");
    assertThat(before.path("points").asDouble()).isEqualTo(1);
    assertThat(
            sefa.call(
                    "POST",
                    at() + "/corrections/effect",
                    "{\"question\": \"q2\", \"what\": \"RIGHT_ANSWER\"}")
                .getStatus())
        .as("while the draft has the same key")
        .isEqualTo(409);
    course.change(
        quiz, e -> ((ObjectNode) NewCourse.part(e).at("/questions/1/part")).put("right", "c2"));
    assertThat(sefa.get(at() + "/figures").at("/questions/1/changed").asBoolean()).isTrue();
    JsonNode effect = effect("q2", "RIGHT_ANSWER");
    assertThat(effect.path("attempts").asInt()).isEqualTo(1);
    assertThat(effect.at("/scores/0/learner").asString()).isEqualTo("Edda Marsh");
    assertThat(effect.at("/scores/0/after").asDouble()).isEqualTo(1);
    assertThat(effect.path("changes").toString()).contains("Threads").contains("Edda Marsh");
    assertThat(result(1).path("points").asDouble()).as("nothing done yet").isEqualTo(1);
    assertThat(correct("q2", "RIGHT_ANSWER")).isEqualTo(204);
    assertThat(result(1).path("points").asDouble()).isEqualTo(2);
    assertThat(result(1).toString()).contains("RIGHT").doesNotContain("WRONG");
    keepsWhatFollows();
    assertThat(take(2, "Left-hand", "Right-hand").path("points").asDouble())
        .as("an attempt under the same publication")
        .isEqualTo(2);
    course.publish();
    course.change(
        quiz, e -> ((ObjectNode) NewCourse.part(e).at("/questions/1/part")).put("right", "c1"));
    course.publish();
    assertThat(take(3, "Left-hand", "Left-hand").path("points").asDouble())
        .as("a later publication says itself what is right")
        .isEqualTo(2);
  }

  @Test
  void a_question_that_is_left_out_counts_for_nothing_and_comes_back() {
    take(1, "Left-hand", "Right-hand");
    assertThat(correct("q2", "LEFT_OUT")).isEqualTo(204);
    JsonNode without = result(1);
    assertThat(without.path("of").asDouble()).isEqualTo(1);
    assertThat(without.path("passed").asBoolean()).isTrue();
    assertThat(without.at("/answers/1/righted").asString()).isEqualTo("LEFT_OUT");
    assertThat(without.at("/answers/1").has("verdict")).isFalse();
    keepsWhatFollows();
    JsonNode figures = sefa.get(at() + "/figures");
    assertThat(figures.path("mean").asDouble()).isEqualTo(1);
    assertThat(figures.at("/questions/1/righted").asString()).isEqualTo("LEFT_OUT");
    long id = figures.at("/corrections/0/id").asLong();
    assertThat(sefa.get(at() + "/corrections/" + id + "/return").path("attempts").asInt())
        .isEqualTo(1);
    assertThat(sefa.call("POST", at() + "/corrections/" + id + "/return", "").getStatus())
        .isEqualTo(204);
    assertThat(result(1).path("of").asDouble()).isEqualTo(2);
    keepsWhatFollows();
    assertThat(sefa.call("POST", at() + "/corrections/" + id + "/return", "").getStatus())
        .isEqualTo(404);
    assertThat(sefa.get(at() + "/figures").at("/corrections/0").has("takenBack")).isTrue();
  }

  @Test
  void full_marks_for_all_tell_nobody_what_is_right() {
    take(1, "Right-hand", "Right-hand");
    assertThat(correct("q1", "FULL_MARKS")).isEqualTo(204);
    JsonNode result = result(1);
    assertThat(result.path("points").asDouble()).isEqualTo(1);
    assertThat(result.at("/answers/0/righted").asString()).isEqualTo("FULL_MARKS");
    assertThat(result.at("/answers/0/part").has("right")).isFalse();
    keepsWhatFollows();
  }

  @Test
  void what_a_stopped_server_left_is_marked_by_the_next_round() {
    take(1, "Left-hand", "Right-hand");
    corrections.add(
        course.id,
        new StepId(quiz),
        "q2",
        CorrectionRows.What.FULL_MARKS,
        Optional.empty(),
        1,
        "Stopped before marking.",
        signedIn("Sefa Dunmore").id());
    assertThat(result(1).path("points").asDouble()).isEqualTo(1);
    remarking.all();
    assertThat(result(1).path("points").asDouble()).isEqualTo(2);
    assertThat(db.fetchCount(QUESTION_CORRECTION, QUESTION_CORRECTION.MARKED.isFalse())).isZero();
    remarking.all();
    keepsWhatFollows();
  }

  @Test
  void who_hands_in_while_a_correction_is_made_is_marked_by_it() throws Exception {
    JsonNode attempt = edda.post(course.walk(quiz) + "/attempts", "");
    String answers = answers(attempt, "Left-hand", "Right-hand");
    var handedIn = new CountDownLatch(1);
    var corrected = new CountDownLatch(1);
    try (var threads = Executors.newFixedThreadPool(2)) {
      Future<?> learner =
          threads.submit(() ->
              transactions.executeWithoutResult(_ -> {
                edda.post(course.walk(quiz) + "/attempts/1/result", answers);
                handedIn.countDown();
                // The correction is kept, and marking waits for this learner.
                Awaitility.await().until(() -> corrected.getCount() == 0);
              }));
      handedIn.await();
      Future<Integer> designer = threads.submit(() -> correct("q2", "FULL_MARKS"));
      Awaitility.await().until(() -> !corrections.of(new StepId(quiz)).all().isEmpty());
      corrected.countDown();
      learner.get();
      assertThat(designer.get()).isEqualTo(204);
    }
    assertThat(result(1).path("points").asDouble()).isEqualTo(2);
    keepsWhatFollows();
  }

  @Test
  void two_servers_that_mark_anew_at_once_do_it_once() throws Exception {
    take(1, "Left-hand", "Right-hand");
    corrections.add(
        course.id,
        new StepId(quiz),
        "q2",
        CorrectionRows.What.LEFT_OUT,
        Optional.empty(),
        1,
        "Both at once.",
        signedIn("Sefa Dunmore").id());
    try (var threads = Executors.newFixedThreadPool(3)) {
      Callable<Object> round = Executors.callable(remarking::all);
      for (var done : threads.invokeAll(List.of(round, round, round))) done.get();
    }
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    assertThat(
            db.fetchCount(FACT, FACT.ENROLMENT_ID.eq(enrolment), FACT.KIND.eq("finished-attempt")))
        .as("the attempt and one correction")
        .isEqualTo(2);
    assertThat(
            db.fetchCount(
                FACT,
                FACT.ENROLMENT_ID.eq(enrolment),
                FACT.REPLACES.isNotNull(),
                FACT.BY_ID.eq(signedIn("Sefa Dunmore").id())))
        .as("by who corrected it")
        .isEqualTo(1);
    assertThat(result(1).path("of").asDouble()).isEqualTo(1);
  }

  @Test
  void a_correction_made_twice_by_a_double_click_changes_nothing_more() {
    take(1, "Left-hand", "Right-hand");
    assertThat(correct("q2", "FULL_MARKS")).isEqualTo(204);
    assertThat(correct("q2", "FULL_MARKS")).isEqualTo(204);
    assertThat(result(1).path("points").asDouble()).isEqualTo(2);
    keepsWhatFollows();
  }

  private record Group(String name, List<EnrolmentId> learners) {}

  @Test
  void a_support_teacher_sees_attempts_of_her_group_only_and_corrects_nothing() {
    take(1, "Left-hand", "Right-hand");
    course.enrol("ilse@hollowlane.example");
    var ilse = new Group("Tuesday", List.of(course.enrolment("Ilse Tran")));
    var group = new GroupId(sefa.post(course.path + "/groups", ilse).path("id").asLong());
    people.addStaff(course.id, signedIn("Tomas Weir").id(), StaffKind.SUPPORT, Optional.of(group));
    Caller tomas = as("Tomas Weir");
    assertThat(tomas.get(course.path + "/quizzes").at("/0/attempts").asInt()).isZero();
    JsonNode figures = tomas.get(at() + "/figures?first=false");
    assertThat(figures.path("attempts").asInt()).isZero();
    assertThat(figures.path("mayCorrect").asBoolean()).isFalse();
    assertThat(results(tomas)).contains("Left pedal?").doesNotContain("Edda");
    String correction = "{\"question\": \"q1\", \"what\": \"LEFT_OUT\", \"reason\": \"No.\"}";
    assertThat(tomas.call("POST", at() + "/corrections", correction).getStatus()).isEqualTo(403);
    assertThat(tomas.call("POST", at() + "/corrections/effect", correction).getStatus())
        .isEqualTo(403);
    correct("q1", "LEFT_OUT");
    assertThat(tomas.call("GET", at() + "/corrections/1/return", "").getStatus()).isEqualTo(403);
  }

  private String results(Caller caller) {
    return new String(
        caller.call("GET", at() + "/results/csv", "").getContentAsByteArray(),
        StandardCharsets.UTF_8);
  }

  @Test
  void only_designers_correct_and_only_questions_that_were_asked_here() {
    take(1, "Left-hand", "Right-hand");
    assertThat(correct("q9", "LEFT_OUT")).isEqualTo(404);
    NewCourse other = newCourse("Other");
    assertThat(
            sefa.call(
                    "POST",
                    other.path + "/quizzes/" + quiz + "/corrections",
                    "{\"question\": \"q1\", \"what\": \"LEFT_OUT\", \"reason\": \"No.\"}")
                .getStatus())
        .isEqualTo(404);
    assertThat(sefa.call("GET", other.path + "/quizzes/" + quiz + "/figures", "").getStatus())
        .isEqualTo(404);
    assertThat(
            edda.call(
                    "POST",
                    at() + "/corrections",
                    "{\"question\": \"q1\", \"what\": \"LEFT_OUT\", \"reason\": \"No.\"}")
                .getStatus())
        .isIn(403, 404);
    assertThat(
            sefa.call(
                    "POST",
                    at() + "/corrections",
                    "{\"question\": \"q1\", \"what\": \"LEFT_OUT\", \"reason\": \" \"}")
                .getStatus())
        .isEqualTo(422);
  }
}
