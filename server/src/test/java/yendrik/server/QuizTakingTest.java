package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.ATTEMPT;
import static yendrik.schema.Tables.FACT;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.people.StaffKind;
import yendrik.formats.json.CoreJson;
import yendrik.server.demo.DemoClock;
import yendrik.server.kinds.quiz.AttemptTimer;
import yendrik.server.people.People;

/** A quiz is taken in its time, in its order, and looked at again when that is allowed. */
@ServerTest
class QuizTakingTest extends SchoolTest {
  private static final String WORD = "spoke key";

  @Autowired DemoClock clock;
  @Autowired AttemptTimer timer;
  @Autowired People people;
  @Autowired DSLContext db;

  private NewCourse course;
  private Caller sefa;
  private Caller edda;
  private long quiz;

  /** What is sent by a learner: statements that are said to be true or not, by question. */
  private record Sent(Map<String, Said> answers) {}

  private record Said(String is, boolean itIsTrue) {}

  private record Word(String word) {}

  private record More(String kind, long step, Optional<Integer> minutes, String reason) {}

  @BeforeEach
  void aQuiz() {
    clock.putTo(clock.instant().truncatedTo(ChronoUnit.SECONDS));
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    course = newCourse("Taking");
    quiz = course.step(course.module("Work"), "QUIZ", "Three statements");
    course.ask(quiz, statement("q1"), statement("q2"), statement("q3"));
  }

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  private static ObjectNode statement(String id) {
    ObjectNode question = CoreJson.mapper().createObjectNode();
    question.put("id", id).put("text", id + "?").put("points", 2).put("feedback", "Said " + id);
    question.putObject("part").put("is", "true-false").put("isTrue", true);
    return question;
  }

  private void taken(Consumer<ObjectNode> how) {
    course.change(quiz, e -> how.accept((ObjectNode) NewCourse.part(e).path("taking")));
  }

  private void limit(ObjectNode taking, String then, int grace) {
    taking.putObject("limit").put("minutes", 20).put("timeUp", then).put("graceMinutes", grace);
  }

  private void begun() {
    course.publish();
    course.enrol("edda@hollowlane.example");
    assertThat(begin().path("number").asInt()).isEqualTo(1);
  }

  private String attempts() {
    return course.walk(quiz) + "/attempts";
  }

  private JsonNode begin() {
    return edda.post(attempts(), "");
  }

  private static Sent right(String... questions) {
    Map<String, Said> all = new java.util.HashMap<>();
    for (String question : questions) all.put(question, new Said("true-false", true));
    return new Sent(all);
  }

  private static Sent wrong(String question) {
    return new Sent(Map.of(question, new Said("true-false", false)));
  }

  private MockHttpServletResponse keep(Sent sent) {
    return edda.call("PUT", attempts() + "/1", sent);
  }

  private JsonNode finish(int number, Sent sent) {
    return edda.post(attempts() + "/" + number + "/result", sent);
  }

  private JsonNode result() {
    return edda.get(attempts() + "/1/result");
  }

  private JsonNode page() {
    return edda.post(course.walk(quiz) + "/visits", "").path("part");
  }

  private void later(Duration time) {
    clock.putTo(clock.instant().plus(time));
  }

  private void give(String kind, Optional<Integer> minutes) {
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    var given = new More(kind, quiz, minutes, "Reads slowly");
    String at = course.path + "/learners/" + enrolment + "/exceptions";
    assertThat(sefa.call("POST", at, given).getStatus()).isEqualTo(204);
  }

  @Test
  void when_the_time_is_up_what_is_there_is_handed_in_with_the_browser_closed() {
    taken(t -> limit(t, "HANDED_IN", 0));
    begun();
    Instant ends = Instant.parse(begin().at("/clock/endsAt").asString());
    assertThat(ends).isEqualTo(clock.instant().plus(Duration.ofMinutes(20)));
    keep(right("q1"));
    later(Duration.ofMinutes(19));
    assertThat(keep(right("q1", "q2")).getStatus()).isEqualTo(200);
    timer.all();
    assertThat(page().path("current").asInt()).as("a minute is left").isEqualTo(1);
    later(Duration.ofMinutes(1));
    assertThat(keep(right("q1", "q2", "q3")).getStatus()).isEqualTo(409);
    timer.all();
    assertThat(result().path("points").asDouble()).isEqualTo(4);
    assertThat(result().path("timeUp").asBoolean()).isTrue();
    assertThat(page().path("current").asInt()).isZero();
    assertThat(finish(1, right("q1", "q2", "q3")).path("points").asDouble())
        .as("what comes after it")
        .isEqualTo(4);
  }

  @Test
  void what_was_begun_may_be_finished_and_nothing_else_begun() {
    taken(t -> limit(t, "FINISHED", 5));
    begun();
    keep(wrong("q1"));
    later(Duration.ofMinutes(22));
    assertThat(keep(right("q1", "q2")).getStatus()).isEqualTo(200);
    assertThat(begin().path("answers").propertyNames()).containsExactly("q1");
    assertThat(finish(1, right("q1", "q2")).path("points").asDouble()).isEqualTo(2);
    assertThat(result().path("timeUp").asBoolean()).isFalse();
  }

  @Test
  void nothing_counts_that_was_not_handed_in_where_that_is_the_rule() {
    taken(t -> limit(t, "NOTHING", 0));
    begun();
    keep(right("q1", "q2", "q3"));
    later(Duration.ofMinutes(21));
    JsonNode result = finish(1, right("q1", "q2", "q3"));
    assertThat(result.path("points").asDouble()).isZero();
    assertThat(result.path("answers").path(0).path("part").path("given").asBoolean())
        .as("what was answered can still be looked at")
        .isTrue();
    assertThat(result.path("answers").path(0).has("verdict")).as("it came too late").isFalse();
    assertThat(begin().path("number").asInt()).isEqualTo(2);
  }

  @Test
  void more_time_reaches_an_attempt_that_goes_on() {
    taken(t -> limit(t, "HANDED_IN", 0));
    begun();
    give("ADD_TIME", Optional.of(10));
    later(Duration.ofMinutes(25));
    timer.all();
    assertThat(keep(right("q1")).getStatus()).isEqualTo(200);
    assertThat(page().at("/time/minutes").asInt()).isEqualTo(30);
    later(Duration.ofMinutes(6));
    timer.all();
    assertThat(result().path("points").asDouble()).isEqualTo(2);
  }

  @Test
  void an_attempt_whose_time_is_up_is_finished_before_the_next_begins() {
    taken(t -> limit(t, "HANDED_IN", 0));
    begun();
    keep(right("q1"));
    later(Duration.ofMinutes(30));
    assertThat(begin().path("number").asInt()).isEqualTo(2);
    assertThat(result().path("points").asDouble()).isEqualTo(2);
  }

  @Test
  void the_ways_under_which_an_attempt_was_begun_stay_whatever_is_published() {
    taken(t -> limit(t, "HANDED_IN", 0));
    begun();
    taken(t -> t.remove("limit"));
    course.publish();
    assertThat(begin().at("/clock/endsAt").asString()).isNotEmpty();
    assertThat(finish(1, right("q1", "q2", "q3")).path("points").asDouble()).isEqualTo(6);
    assertThat(begin().path("clock").has("endsAt")).isFalse();
  }

  private List<Double> seconds() {
    JsonNode figures = sefa.get(course.path + "/quizzes/" + quiz + "/figures");
    return figures
        .path("questions")
        .valueStream()
        .map(q -> q.path("seconds").asDouble(-1))
        .toList();
  }

  @Test
  void how_long_each_question_took_is_counted_from_one_answer_to_the_next() {
    begun();
    later(Duration.ofSeconds(40));
    keep(right("q1"));
    later(Duration.ofSeconds(25));
    keep(right("q1", "q2"));
    later(Duration.ofSeconds(5));
    keep(wrong("q1"));
    later(Duration.ofSeconds(30));
    finish(1, new Sent(Map.of()));
    assertThat(seconds()).containsExactly(45.0, 25.0, -1.0);
  }

  @Test
  void a_page_that_is_turned_without_an_answer_took_its_time_too() {
    taken(t -> t.put("pages", "FORWARD"));
    begun();
    later(Duration.ofSeconds(12));
    edda.post(attempts() + "/1/pages/1", new Sent(Map.of()));
    later(Duration.ofSeconds(20));
    edda.post(attempts() + "/1/pages/1", new Sent(Map.of()));
    edda.post(attempts() + "/1/pages/2", right("q2"));
    later(Duration.ofHours(2));
    finish(1, right("q3"));
    assertThat(seconds()).containsExactly(12.0, 20.0, 0.0);
  }

  @Test
  void the_next_attempt_waits_as_long_as_is_said() {
    taken(t -> t.put("waitMinutes", 60));
    begun();
    finish(1, right("q1"));
    later(Duration.ofMinutes(59));
    assertThat(page().path("nextAt").asString()).isNotEmpty();
    MockHttpServletResponse tooSoon = edda.call("POST", attempts(), "");
    assertThat(tooSoon.getStatus()).isEqualTo(409);
    assertThat(Caller.json(tooSoon).path("detail").asString())
        .startsWith("The next attempt can begin ")
        .doesNotContain("Z.");
    later(Duration.ofMinutes(1));
    assertThat(page().has("nextAt")).isFalse();
    assertThat(begin().path("number").asInt()).isEqualTo(2);
  }

  @Test
  void a_word_is_asked_for_and_told_to_nobody() {
    taken(t -> t.put("word", WORD));
    course.publish();
    course.enrol("edda@hollowlane.example");
    assertThat(page().path("asksWord").asBoolean()).isTrue();
    assertThat(page().toString()).doesNotContain(WORD);
    assertThat(begin().path("fields").has("word")).isTrue();
    assertThat(edda.post(attempts(), new Word("spokes")).path("fields").has("word")).isTrue();
    JsonNode attempt = edda.post(attempts(), new Word(" Spoke Key"));
    assertThat(attempt.path("number").asInt()).isEqualTo(1);
    assertThat(begin().path("number").asInt()).as("gone on with on another device").isEqualTo(1);
  }

  @Test
  void whoever_only_goes_forward_sees_one_question_and_never_changes_the_last() {
    taken(t -> t.put("pages", "FORWARD"));
    begun();
    JsonNode first = begin();
    assertThat(first.path("count").asInt()).isEqualTo(3);
    assertThat(first.path("questions")).hasSize(1);
    JsonNode second = edda.post(attempts() + "/1/pages/1", right("q1"));
    assertThat(second.at("/questions/0/id").asString()).isEqualTo("q2");
    assertThat(second.path("answers").isEmpty()).isTrue();
    assertThat(edda.post(attempts() + "/1/pages/1", wrong("q1")).path("page").asInt())
        .as("turned twice")
        .isEqualTo(1);
    assertThat(edda.post(attempts() + "/1/pages/0", wrong("q1")).path("page").asInt())
        .as("turned back")
        .isEqualTo(1);
    keep(wrong("q1"));
    assertThat(finish(1, right("q2")).path("points").asDouble()).isEqualTo(4);
    assertThat(finish(1, right("q2")).path("points").asDouble()).as("sent twice").isEqualTo(4);
  }

  @Test
  void what_may_be_looked_at_is_said_by_the_quiz() {
    taken(t ->
        t.putObject("review")
            .put("own", "NEVER")
            .put("right", "NEVER")
            .put("feedback", "PASSED")
            .put("marks", "AFTER_ATTEMPT"));
    begun();
    JsonNode answer = finish(1, right("q1")).path("answers").path(0);
    assertThat(answer.has("part")).isFalse();
    assertThat(answer.path("feedback").asString()).isEmpty();
    assertThat(answer.path("verdict").asString()).isEqualTo("RIGHT");
    begin();
    JsonNode passed = finish(2, right("q1", "q2", "q3")).path("answers").path(0);
    assertThat(passed.path("feedback").asString()).isEqualTo("Said q1");
    taken(t -> ((ObjectNode) t.path("review")).put("marks", "CLOSED"));
    course.publish();
    begin();
    assertThat(finish(3, right("q1")).path("answers").path(0).has("verdict")).isFalse();
  }

  @Test
  void a_check_of_ones_own_says_at_once_what_was_right_and_gives_no_points() {
    taken(t -> {
      t.put("selfCheck", true);
      t.putObject("review")
          .put("own", "AT_ONCE")
          .put("right", "AT_ONCE")
          .put("feedback", "AT_ONCE")
          .put("marks", "AT_ONCE");
    });
    begun();
    String settle = attempts() + "/1/settled/";
    assertThat(edda.post(settle + "q1", right()).path("fields").has("answers")).isTrue();
    JsonNode settled = edda.post(settle + "q1", wrong("q1"));
    assertThat(settled.path("verdict").asString()).isEqualTo("WRONG");
    assertThat(settled.at("/part/right").asBoolean()).isTrue();
    assertThat(edda.post(settle + "q1", right("q1")).path("verdict").asString())
        .as("once it is known what is right")
        .isEqualTo("WRONG");
    JsonNode gone = begin();
    assertThat(gone.path("settled")).hasSize(1);
    assertThat(gone.path("settled").path(0).path("question").asString()).isEqualTo("q1");
    JsonNode result = finish(1, right("q1", "q2"));
    assertThat(result.path("right").asInt()).isEqualTo(1);
    assertThat(result.path("scored").asBoolean()).isFalse();
    assertThat(page().has("score")).as(page().toString()).isFalse();
  }

  @Test
  void answers_are_not_settled_one_by_one_unless_the_quiz_says_so() {
    begun();
    assertThat(edda.call("POST", attempts() + "/1/settled/q1", right("q1")).getStatus())
        .isEqualTo(409);
    assertThat(edda.call("POST", attempts() + "/1/pages/1", right("q1")).getStatus())
        .isEqualTo(409);
  }

  @Test
  void the_latest_attempt_counts_where_it_is_said_and_words_are_said_about_results() {
    course.change(quiz, e -> e.put("counts", "LATEST"));
    taken(t -> {
      var bands = t.putArray("bands");
      bands.addObject().put("from", 0.5).put("words", "Nearly.");
      bands.addObject().put("from", 1).put("words", "Ready for the bench.");
    });
    begun();
    assertThat(finish(1, right("q1", "q2", "q3")).path("says").asString())
        .isEqualTo("Ready for the bench.");
    begin();
    assertThat(finish(2, right("q1", "q2")).path("says").asString()).isEqualTo("Nearly.");
    assertThat(page().path("score").asDouble()).isEqualTo(2 / 3.0);
    assertThat(page().path("best").asDouble()).isEqualTo(1);
  }

  /** A condition: full marks in all quizzes of the course. */
  private static ObjectNode allFull(String id) {
    ObjectNode ask = CoreJson.mapper().createObjectNode().put("is", "ask").put("id", id);
    ask.putObject("leaf").put("is", "quizzes-scored").put("share", 1);
    return ask;
  }

  @Test
  void what_full_marks_would_bring_is_said_as_far_as_it_may_be_known() {
    long module = course.module("More");
    long next = course.step(module, "PAGE", "The next page");
    course.change(next, e -> e.set("opensWhen", allFull("full")));
    long hidden = course.step(module, "PAGE", "The hidden page");
    course.change(
        hidden,
        e -> e.set("opensWhen", allFull("too")).put("listed", false).put("required", false));
    course.badge("Full house", Optional.of(allFull("badge")));
    course.publish();
    course.enrol("edda@hollowlane.example");
    JsonNode before = page().path("fullMarks");
    assertThat(before.path("opens").toString()).isEqualTo("[\"The next page\"]");
    assertThat(before.path("earns").toString()).isEqualTo("[\"Full house\"]");
    course.change(next, e -> e.put("tells", false));
    course.publish();
    assertThat(page().path("fullMarks").path("opens")).as("not told").isEmpty();
    course.change(next, e -> e.put("tells", true));
    course.publish();
    begin();
    JsonNode result = finish(1, right("q1", "q2", "q3"));
    assertThat(result.path("opened").toString()).contains("The next page");
    assertThat(page().has("fullMarks")).as("once they are reached").isFalse();
  }

  @Test
  void two_devices_at_one_attempt_keep_each_others_answers() {
    begun();
    keep(right("q1"));
    keep(wrong("q2"));
    assertThat(begin().path("answers").propertyNames()).containsExactlyInAnyOrder("q1", "q2");
    edda.call("PUT", attempts() + "/1", "{\"answers\":{},\"back\":[\"q2\"]}");
    assertThat(begin().path("answers").propertyNames()).containsExactly("q1");
    assertThat(finish(1, right()).path("points").asDouble()).isEqualTo(2);
  }

  @Test
  void an_attempt_at_a_step_that_is_gone_is_finished_by_its_clock() {
    taken(t -> limit(t, "HANDED_IN", 0));
    begun();
    keep(right("q1"));
    course.step(course.module("Other work"), "PAGE", "Read on");
    sefa.call("DELETE", course.path + "/design/steps/" + quiz, "");
    course.publish();
    later(Duration.ofMinutes(30));
    timer.all();
    assertThat(open()).isZero();
  }

  private int open() {
    return db.fetchCount(
        ATTEMPT, ATTEMPT.STEP_ID.eq(new StepId(quiz)), ATTEMPT.FINISHED_AT.isNull());
  }

  @Test
  void questions_stand_in_an_order_of_their_own_that_stays_put() {
    taken(t -> t.put("mixed", true));
    begun();
    List<String> once = begin().path("questions").findValuesAsString("id");
    assertThat(begin().path("questions").findValuesAsString("id")).isEqualTo(once);
    assertThat(once).containsExactlyInAnyOrder("q1", "q2", "q3");
    List<String> asked = finish(1, right("q1")).path("answers").findValuesAsString("question");
    assertThat(asked).isEqualTo(once);
  }

  @Test
  void a_text_waits_for_staff_while_the_rest_counts_and_is_corrected_by_their_mark() {
    course.ask(quiz, statement("q1"), statement("q2"), open("q3"));
    begun();
    String text = "<p>It has <strong>no</strong> toe-in.</p><script>alert(1)</script>";
    assertThat(edda.call("PUT", attempts() + "/1", text(text)).getStatus()).isEqualTo(200);
    assertThat(begin().at("/answers/q3/text").asString())
        .isEqualTo("<p>It has <strong>no</strong> toe-in.</p>");
    JsonNode result = edda.post(attempts() + "/1/result", text(text));
    assertThat(result.path("points").asDouble()).isZero();
    assertThat(result.path("waits").asInt()).isEqualTo(1);
    assertThat(result.toString()).as("what a good answer says").doesNotContain("Both ends");
    JsonNode waits = sefa.get(course.path + "/marking").path("handedIn").path(0);
    assertThat(waits.path("learner").asString()).isEqualTo("Edda Marsh");
    assertThat(waits.has("since")).isTrue();
    String marking = course.path + "/marking/" + waits.path("enrolment") + "/" + quiz + "/attempts";
    JsonNode open = sefa.get(marking).path(0).path("answers").path(0);
    assertThat(open.path("expected").asString()).isEqualTo("Both ends touch.");
    assertThat(open.has("points")).isFalse();
    var mark = new Marks(List.of(new Marked("q3", 1.5, "Say where.")));
    assertThat(sefa.call("POST", marking + "/1/marks", mark).getStatus()).isEqualTo(204);
    assertThat(sefa.call("POST", marking + "/1/marks", mark).getStatus())
        .as("twice")
        .isEqualTo(204);
    assertThat(result().path("points").asDouble()).isEqualTo(1.5);
    assertThat(result().path("waits").asInt()).isZero();
    assertThat(result().at("/answers/2/comment").asString()).isEqualTo("Say where.");
    assertThat(page().path("score").asDouble()).isEqualTo(0.25);
    assertThat(sefa.get(course.path + "/marking").path("handedIn").isEmpty()).isTrue();
    assertThat(edda.call("GET", marking, "").getStatus()).isEqualTo(403);
    for (var wrong : List.of(new Marked("q3", 3, ""), new Marked("q1", 1, "")))
      assertThat(sefa.call("POST", marking + "/1/marks", new Marks(List.of(wrong))).getStatus())
          .isEqualTo(422);
  }

  @Test
  void an_attempt_is_finished_once_whoever_comes_to_it_at_that_moment() throws Exception {
    taken(t -> limit(t, "HANDED_IN", 0));
    begun();
    keep(right("q1"));
    later(Duration.ofMinutes(21));
    try (var threads = Executors.newFixedThreadPool(4)) {
      List<Callable<Object>> all = new ArrayList<>();
      for (int n = 0; n < 2; n++) {
        all.add(timer::all);
        all.add(() -> finish(1, right("q1", "q2")));
      }
      for (var done : threads.invokeAll(all)) done.get();
    }
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    assertThat(
            db.fetchCount(FACT, FACT.ENROLMENT_ID.eq(enrolment), FACT.KIND.eq("finished-attempt")))
        .isEqualTo(1);
    assertThat(result().path("points").asDouble()).isEqualTo(2);
  }

  @Test
  void that_the_time_was_up_stays_true_when_more_is_given_afterwards() {
    taken(t -> limit(t, "NOTHING", 0));
    begun();
    keep(right("q1"));
    later(Duration.ofMinutes(21));
    timer.all();
    give("ADD_TIME", Optional.of(30));
    assertThat(result().path("timeUp").asBoolean()).isTrue();
    assertThat(result().path("answers").path(0).has("verdict")).isFalse();
  }

  @Test
  void a_text_that_staff_mark_is_refused_in_a_check_of_ones_own() {
    course.ask(quiz, open("q3"));
    taken(t -> t.put("selfCheck", true));
    assertThat(Caller.json(sefa.publish(course.path)).toString())
        .contains("a self-check is marked by nobody");
  }

  @Test
  void a_support_teacher_marks_texts_of_her_group_only() {
    course.ask(quiz, open("q3"));
    begun();
    edda.post(attempts() + "/1/result", text("<p>No toe-in.</p>"));
    course.enrol("ilse@hollowlane.example");
    var others = new Group("Tuesday", List.of(course.enrolment("Ilse Tran")));
    var group = new GroupId(sefa.post(course.path + "/groups", others).path("id").asLong());
    people.addStaff(course.id, signedIn("Tomas Weir").id(), StaffKind.SUPPORT, Optional.of(group));
    Caller tomas = as("Tomas Weir");
    EnrolmentId edda = course.enrolment("Edda Marsh");
    String marking = course.path + "/marking/" + edda + "/" + quiz + "/attempts";
    assertThat(tomas.call("GET", marking, "").getStatus()).isEqualTo(404);
    var mark = new Marks(List.of(new Marked("q3", 1, "")));
    assertThat(tomas.call("POST", marking + "/1/marks", mark).getStatus()).isEqualTo(404);
    var members = new Members(List.of(edda), List.of());
    sefa.post(course.path + "/groups/" + group + "/members", members);
    assertThat(tomas.call("POST", marking + "/1/marks", mark).getStatus()).isEqualTo(204);
  }

  @Test
  void a_text_waits_for_staff_also_where_the_rest_was_enough() {
    course.ask(quiz, statement("q1"), statement("q2"), open("q3"));
    begun();
    ObjectNode sent = (ObjectNode) CoreJson.mapper().readTree(text("<p>No toe-in.</p>"));
    for (String q : List.of("q1", "q2"))
      ((ObjectNode) sent.path("answers"))
          .putObject(q)
          .put("is", "true-false")
          .put("itIsTrue", true);
    JsonNode result = edda.post(attempts() + "/1/result", sent.toString());
    assertThat(result.path("passed").asBoolean()).isTrue();
    assertThat(edda.post(course.walk(quiz) + "/visits", "").path("state").asString())
        .isEqualTo("DONE");
    JsonNode waits = sefa.get(course.path + "/marking").path("handedIn").path(0);
    assertThat(waits.path("step").asLong()).isEqualTo(quiz);
  }

  @Test
  void a_check_of_ones_own_gives_evidence_of_nothing() {
    OutcomeId brake = course.outcome("BRK", "Set up brakes", List.of());
    taken(t -> t.put("selfCheck", true));
    var refused =
        course.save(
            course.seen(quiz),
            e ->
                e.putArray("evidenceFor")
                    .addObject()
                    .put("outcome", brake.value())
                    .put("weight", 1));
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(Caller.json(refused).path("fields").has("evidenceFor")).isTrue();
  }

  private record Group(String name, List<EnrolmentId> learners) {}

  private record Members(List<EnrolmentId> in, List<EnrolmentId> out) {}

  private static ObjectNode open(String id) {
    ObjectNode question = statement(id);
    question.putObject("part").put("is", "open").put("expected", "Both ends touch.");
    return question;
  }

  private static String text(String text) {
    ObjectNode sent = CoreJson.mapper().createObjectNode();
    sent.putObject("answers").putObject("q3").put("is", "open").put("text", text);
    return sent.toString();
  }

  private record Marks(List<Marked> marks) {}

  private record Marked(String question, double points, String comment) {}

  @Test
  void how_a_quiz_is_taken_is_checked_field_by_field() {
    JsonNode step = course.seen(quiz);
    assertThat(step.at("/part/taking/pages").asString()).isEqualTo("ALL");
    var refused =
        course.save(
            step,
            e ->
                ((ObjectNode) NewCourse.part(e).path("taking"))
                    .putObject("limit")
                    .put("minutes", 0)
                    .put("timeUp", "NOTHING")
                    .put("graceMinutes", 0));
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(Caller.json(refused).path("fields").toString()).contains("minutes");
  }

  private record NewGroup(String name, List<EnrolmentId> learners) {}

  private long group(EnrolmentId... learners) {
    return sefa.post(course.path + "/groups", new NewGroup("Tuesday", List.of(learners)))
        .path("id")
        .asLong();
  }

  private MockHttpServletResponse allow(long group, int minutes, int attempts) {
    return course.save(
        course.seen(quiz),
        e -> {
          e.put("attempts", 1);
          e.putArray("allowances")
              .addObject()
              .put("group", group)
              .put("minutes", minutes)
              .put("attempts", attempts);
        });
  }

  @Test
  void a_group_has_more_time_and_attempts_also_who_comes_into_it_while_an_attempt_goes_on() {
    taken(t -> limit(t, "HANDED_IN", 0));
    long group = group();
    assertThat(allow(group, 10, 1).getStatus()).isEqualTo(200);
    begun();
    later(Duration.ofMinutes(15));
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    String members = course.path + "/groups/" + group + "/members";
    var in = new Members(List.of(enrolment), List.of());
    assertThat(sefa.call("POST", members, in).getStatus()).isLessThan(300);
    later(Duration.ofMinutes(10));
    timer.all();
    assertThat(keep(right("q1")).getStatus()).as("25 of 30 minutes").isEqualTo(200);
    assertThat(page().at("/time/minutes").asInt()).isEqualTo(30);
    assertThat(finish(1, right("q1")).path("attemptsLeft").asInt()).isEqualTo(1);
    assertThat(begin().path("number").asInt()).isEqualTo(2);
    var out = new Members(List.of(), List.of(enrolment));
    assertThat(sefa.call("POST", members, out).getStatus()).isLessThan(300);
    later(Duration.ofMinutes(21));
    timer.all();
    assertThat(finish(2, right("q1")).path("timeUp").asBoolean()).as("20 minutes again").isTrue();
    assertThat(edda.call("POST", attempts(), "").getStatus()).isEqualTo(409);
  }

  @Test
  void more_for_a_group_is_checked_and_keeps_the_group() {
    long group = group();
    assertThat(allow(group, -1, 0).getStatus()).isEqualTo(422);
    assertThat(allow(999_999, 5, 0).getStatus()).isEqualTo(422);
    var twice =
        course.save(
            course.seen(quiz),
            e -> {
              var all = e.putArray("allowances");
              for (int n = 0; n < 2; n++)
                all.addObject().put("group", group).put("minutes", 5).put("attempts", 0);
            });
    assertThat(twice.getStatus()).isEqualTo(422);
    assertThat(Caller.json(twice).toString()).contains("A group stands there twice.");
    assertThat(allow(group, 5, 0).getStatus()).isEqualTo(200);
    assertThat(sefa.get(course.path + "/groups").path(0).path("uses").toString())
        .contains("“Three statements” allows it more than others");
    assertThat(sefa.call("DELETE", course.path + "/groups/" + group, "").getStatus())
        .isEqualTo(422);
  }
}
