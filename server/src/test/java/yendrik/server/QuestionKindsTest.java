package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.json.CoreJson;

/**
 * Questions of each kind are written, dealt without a word of what is right, answered, gone on with
 * and looked at again.
 */
@ServerTest
class QuestionKindsTest extends SchoolTest {
  private NewCourse course;
  private Caller sefa;
  private Caller edda;
  private long quiz;

  @BeforeEach
  void aQuiz() {
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    course = newCourse("Kinds");
    quiz = course.step(course.module("Work"), "QUIZ", "All sorts");
  }

  private static ObjectNode question(String part) {
    ObjectNode question = CoreJson.mapper().createObjectNode();
    question.put("id", "q1").put("text", "Well?").put("points", 4).put("feedback", "");
    question.set("part", CoreJson.mapper().readTree(part));
    return question;
  }

  private void ask(String part) {
    course.ask(quiz, question(part));
    course.publish();
    course.enrol("edda@hollowlane.example");
  }

  private String attempts() {
    return course.walk(quiz) + "/attempts";
  }

  private JsonNode begin() {
    return edda.post(attempts(), "").path("questions").path(0).path("part");
  }

  private static String answers(JsonNode answer) {
    ObjectNode sent = CoreJson.mapper().createObjectNode();
    sent.putObject("answers").set("q1", answer);
    return sent.toString();
  }

  private static JsonNode json(String text) {
    return CoreJson.mapper().readTree(text);
  }

  /** Keeps an answer, goes on with it, hands it in, and says what it came to. */
  private JsonNode answered(int number, JsonNode answer) {
    assertThat(edda.call("PUT", attempts() + "/" + number, answers(answer)).getStatus())
        .isEqualTo(200);
    assertThat(edda.post(attempts(), "").path("answers").path("q1"))
        .as("when the attempt is gone on with")
        .isEqualTo(answer);
    return edda.post(attempts() + "/" + number + "/result", answers(answer));
  }

  private static List<String> ids(JsonNode list, Function<JsonNode, Boolean> which) {
    List<String> ids = new ArrayList<>();
    for (JsonNode one : list) if (which.apply(one)) ids.add(one.path("id").asString());
    return ids;
  }

  private static String id(JsonNode list, String text) {
    return ids(list, one -> one.path("text").asString().equals(text)).getFirst();
  }

  @Test
  void several_choices_add_up_and_wrong_ones_take_away() {
    ask(
        """
        {"is": "several", "choices": [
          {"id": "a", "text": "Worn", "share": 0.5}, {"id": "b", "text": "Glazed", "share": 0.5},
          {"id": "c", "text": "Black", "share": -0.5}]}
        """);
    JsonNode part = begin();
    assertThat(part.toString()).doesNotContain("share");
    ObjectNode answer = CoreJson.mapper().createObjectNode().put("is", "several");
    String black = id(part.path("choices"), "Black");
    String worn = id(part.path("choices"), "Worn");
    List<String> chosen = new ArrayList<>(List.of(black, worn));
    chosen.sort(null);
    chosen.forEach(answer.putArray("choices")::add);
    edda.call("PUT", attempts() + "/1", answers(answer));
    JsonNode result = edda.post(attempts() + "/1/result", answers(answer));
    assertThat(result.path("points").asDouble()).isZero();
    assertThat(result.path("answers").path(0).path("part").path("choices").path(0).has("right"))
        .as("while more can be gained")
        .isFalse();
    JsonNode again = begin().path("choices");
    ObjectNode right = CoreJson.mapper().createObjectNode().put("is", "several");
    ids(again, c -> !c.path("text").asString().equals("Black"))
        .forEach(right.putArray("choices")::add);
    JsonNode whole = edda.post(attempts() + "/2/result", answers(right));
    assertThat(whole.path("points").asDouble()).isEqualTo(4);
    assertThat(whole.path("answers").path(0).path("part").toString()).contains("\"right\":true");
  }

  @Test
  void a_statement_is_true_or_false() {
    ask("{\"is\": \"true-false\", \"isTrue\": false}");
    assertThat(begin().propertyNames()).containsExactly("is");
    JsonNode wrong = answered(1, json("{\"is\": \"true-false\", \"itIsTrue\": true}"));
    assertThat(wrong.path("points").asDouble()).isZero();
    begin();
    JsonNode right = answered(2, json("{\"is\": \"true-false\", \"itIsTrue\": false}"));
    assertThat(right.path("points").asDouble()).isEqualTo(4);
    assertThat(right.path("answers").path(0).path("part").path("right").asBoolean(true)).isFalse();
  }

  @Test
  void gaps_in_a_text_are_filled_one_by_one() {
    ask("{\"is\": \"gaps\", \"source\": \"From [front] to [back|rear].\", \"withCase\": false}");
    JsonNode part = begin();
    assertThat(part.toString()).doesNotContain("front", "rear");
    assertThat(part.path("around")).hasSize(3);
    JsonNode result = answered(1, json("{\"is\": \"gaps\", \"words\": [\"left\", \"Rear\"]}"));
    assertThat(result.path("points").asDouble()).isEqualTo(2);
    JsonNode gaps = result.path("answers").path(0).path("part").path("gaps");
    assertThat(gaps.path(0).path("fits").asBoolean()).isFalse();
    assertThat(gaps.path(0).has("right")).isFalse();
    edda.post(attempts(), "");
    assertThat(
            edda.call(
                    "PUT",
                    attempts() + "/2",
                    answers(json("{\"is\": \"gaps\", \"words\": [\"\", \" \"]}")))
                .getStatus())
        .isEqualTo(200);
    assertThat(edda.post(attempts(), "").path("answers").has("q1")).as("nothing filled").isFalse();
  }

  @Test
  void pairs_are_found_one_by_one() {
    ask(
        """
        {"is": "matching", "pairs": [
          {"id": "a", "begins": "Chain", "ends": "Chain tool"},
          {"id": "b", "begins": "Nipple", "ends": "Spoke key"}], "more": ["Pin spanner"]}
        """);
    JsonNode part = begin();
    assertThat(part.path("ends")).hasSize(3);
    ObjectNode answer = CoreJson.mapper().createObjectNode().put("is", "matching");
    answer
        .putObject("pairs")
        .put(id(part.path("begins"), "Chain"), id(part.path("ends"), "Chain tool"))
        .put(id(part.path("begins"), "Nipple"), id(part.path("ends"), "Pin spanner"));
    JsonNode result = answered(1, answer);
    assertThat(result.path("points").asDouble()).isEqualTo(2);
    JsonNode pairs = result.path("answers").path(0).path("part").path("pairs");
    assertThat(pairs.path(1).path("chosen").asString()).isEqualTo("Pin spanner");
    assertThat(pairs.path(1).has("ends")).isFalse();
  }

  @Test
  void an_order_is_never_dealt_as_it_is_right_and_counts_once_all_are_put() {
    ask(
        """
        {"is": "ordering", "inPart": true, "things": [
          {"id": "a", "text": "Limits"}, {"id": "b", "text": "Tension"}]}
        """);
    JsonNode part = begin();
    assertThat(part.path("things").path(0).path("text").asString()).isEqualTo("Tension");
    JsonNode some = json("{\"is\": \"ordering\", \"things\": [\"2\"]}");
    edda.call("PUT", attempts() + "/1", answers(some));
    assertThat(edda.post(attempts(), "").path("answers").has("q1")).isFalse();
    JsonNode result = answered(1, json("{\"is\": \"ordering\", \"things\": [\"2\", \"1\"]}"));
    assertThat(result.path("points").asDouble()).isEqualTo(4);
    assertThat(result.path("answers").path(0).path("part").path("put").path(0).asString())
        .isEqualTo("Limits");
  }

  @Test
  void words_are_taken_in_their_forms_and_a_number_within_its_tolerance() {
    ask(
        "{\"is\": \"short\", \"withCase\": false, \"forms\": [{\"words\": \"toe*\", \"share\": 1}]}");
    assertThat(begin().propertyNames()).containsExactly("is");
    JsonNode words = answered(1, json("{\"is\": \"short\", \"words\": \"Toe-in\"}"));
    assertThat(words.path("points").asDouble()).isEqualTo(4);
    course.ask(
        quiz,
        question(
                "{\"is\": \"numeric\", \"number\": 12, \"tolerance\": 0.5, \"percent\": false, \"unit\": \"Nm\"}")
            .put("id", "q1b"));
    course.publish();
    JsonNode part = begin();
    assertThat(part.path("unit").asString()).isEqualTo("Nm");
    assertThat(part.has("number")).isFalse();
    ObjectNode sent = CoreJson.mapper().createObjectNode();
    sent.putObject("answers").set("q1b", json("{\"is\": \"numeric\", \"number\": 12.5}"));
    assertThat(edda.post(attempts() + "/2/result", sent.toString()).path("points").asDouble())
        .isEqualTo(4);
  }

  @Test
  void what_is_unfinished_is_kept_and_said_before_it_is_published() {
    course.ask(
        quiz,
        question("{\"is\": \"numeric\", \"tolerance\": 0, \"percent\": false, \"unit\": \"\"}"));
    assertThat(course.seen(quiz).path("part").path("questions").path(0).path("part").has("number"))
        .isFalse();
    MockHttpServletResponse refused = sefa.publish(course.path);
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(Caller.json(refused).toString()).contains("has no number as its answer");
  }

  @Test
  void parts_of_one_name_shares_beyond_all_and_answers_too_long_are_refused() {
    for (String part :
        List.of(
            "{\"is\": \"several\", \"choices\": [{\"id\": \"a\", \"text\": \"\", \"share\": 0}, {\"id\": \"a\", \"text\": \"\", \"share\": 1}]}",
            "{\"is\": \"several\", \"choices\": [{\"id\": \"a\", \"text\": \"\", \"share\": 7}]}",
            "{\"is\": \"short\", \"withCase\": true, \"forms\": [{\"words\": \"x\", \"share\": 0}]}")) {
      var refused =
          course.save(
              course.seen(quiz), e -> NewCourse.part(e).putArray("questions").add(question(part)));
      assertThat(refused.getStatus()).as(part).isEqualTo(422);
    }
    ask("{\"is\": \"short\", \"withCase\": true, \"forms\": [{\"words\": \"x\", \"share\": 1}]}");
    begin();
    ObjectNode answer = CoreJson.mapper().createObjectNode().put("is", "short");
    answer.put("words", "x".repeat(501));
    assertThat(edda.call("PUT", attempts() + "/1", answers(answer)).getStatus()).isEqualTo(422);
  }

  @Test
  void words_may_be_formatted_and_what_could_act_is_taken_out() {
    ObjectNode asked =
        question(
            """
            {"is": "choice", "right": "a", "choices": [
              {"id": "a", "text": "", "formatted": "<p><em>Toe-in</em></p>", "feedback": "Yes."},
              {"id": "b", "text": "Toe-out", "feedback": "It squeals so."}]}
            """);
    String torque = "<p>Find <span data-formula=\"T = F r\"></span><script>x()</script></p>";
    asked.put("formatted", torque + "<img alt=\"A wrench\" data-file=\"7\">");
    course.ask(quiz, asked);
    JsonNode written = course.seen(quiz).path("part").path("questions").path(0);
    assertThat(written.path("text").asString()).isEqualTo("Find T = F r [A wrench]");
    assertThat(written.path("formatted").asString())
        .contains("data-formula", "data-file")
        .doesNotContain("script");
    course.publish();
    course.enrol("edda@hollowlane.example");
    JsonNode choices = begin().path("choices");
    assertThat(choices.toString()).contains("<em>Toe-in</em>").doesNotContain("squeals");
    ObjectNode wrong = CoreJson.mapper().createObjectNode().put("is", "choice");
    wrong.put("choice", id(choices, "Toe-out"));
    JsonNode result = edda.post(attempts() + "/1/result", answers(wrong));
    JsonNode part = result.path("answers").path(0).path("part");
    assertThat(part.at("/chosen/feedback").asString()).isEqualTo("It squeals so.");
    assertThat(part.has("right")).isFalse();
    ObjectNode right = CoreJson.mapper().createObjectNode().put("is", "choice");
    right.put("choice", id(begin().path("choices"), "Toe-in"));
    JsonNode whole = edda.post(attempts() + "/2/result", answers(right));
    assertThat(whole.path("points").asDouble()).isEqualTo(4);
    assertThat(whole.toString()).contains("\"formatted\":\"<p><em>Toe-in</em></p>\"");
  }

  @Test
  void help_is_given_one_hint_at_a_time_and_takes_its_share_of_the_points() {
    ObjectNode asked = question("{\"is\": \"true-false\", \"isTrue\": true}");
    asked.putArray("hints").addObject().put("text", "Look at the rim.").put("cost", 0.25);
    asked.withArray("hints").addObject().put("text", "It is.").put("cost", 0.5);
    course.ask(quiz, asked);
    course.publish();
    course.enrol("edda@hollowlane.example");
    JsonNode first = edda.post(attempts(), "").path("questions").path(0);
    assertThat(first.path("hints")).isEmpty();
    assertThat(first.path("nextHint").asDouble()).isEqualTo(0.25);
    assertThat(first.toString()).doesNotContain("rim");
    JsonNode helped = edda.post(attempts() + "/1/hints/q1/0", "");
    JsonNode twice = edda.post(attempts() + "/1/hints/q1/0", "");
    assertThat(twice).as("by a double click").isEqualTo(helped);
    assertThat(helped.path("hints").toString()).contains("rim").doesNotContain("It is.");
    assertThat(edda.call("POST", attempts() + "/1/hints/q9/0", "").getStatus()).isEqualTo(404);
    JsonNode result =
        edda.post(
            attempts() + "/1/result",
            answers(json("{\"is\": \"true-false\", \"itIsTrue\": true}")));
    assertThat(result.path("points").asDouble()).isEqualTo(3);
    assertThat(result.path("answers").path(0).path("hints").asInt()).isEqualTo(1);
    assertThat(result.path("answers").path(0).path("verdict").asString()).isEqualTo("RIGHT");
    assertThat(edda.call("POST", attempts() + "/1/hints/q1/1", "").getStatus()).isEqualTo(409);
    edda.post(attempts(), "");
    for (int had = 0; had < 4; had++) edda.post(attempts() + "/2/hints/q1/" + had, "");
    assertThat(
            edda.post(
                    attempts() + "/2/result",
                    answers(json("{\"is\": \"true-false\", \"itIsTrue\": true}")))
                .path("points")
                .asDouble())
        .isEqualTo(1);
  }

  @Test
  void hints_that_cost_more_than_there_is_or_say_nothing_are_named() {
    ObjectNode dear = question("{\"is\": \"true-false\", \"isTrue\": true}");
    dear.putArray("hints").addObject().put("text", "Look.").put("cost", 7);
    var refused =
        course.save(course.seen(quiz), e -> NewCourse.part(e).putArray("questions").add(dear));
    assertThat(refused.getStatus()).isEqualTo(422);
    ObjectNode silent = question("{\"is\": \"true-false\", \"isTrue\": true}");
    silent.putArray("hints").addObject().put("text", " ").put("cost", 0.5);
    course.ask(quiz, silent);
    assertThat(Caller.json(sefa.publish(course.path)).toString()).contains("hint that says");
  }

  @Test
  void a_place_without_a_picture_is_said_to_lack_one_before_it_is_published() {
    course.ask(
        quiz,
        question(
            """
            {"is": "place", "described": "A rear derailleur", "areas": [{"id": "a",
              "called": "The jockey wheel", "left": 0.2, "top": 0.4, "width": 0.1, "height": 0.2,
              "round": true}]}
            """));
    assertThat(course.seen(quiz).toString()).contains("has no picture");
  }

  @Test
  void a_place_is_pointed_at_on_a_picture_that_learners_see_with_the_step() {
    long picture = course.picture();
    ask(
        """
        {"is": "place", "picture": %d, "described": "A rear derailleur", "areas": [{"id": "a",
          "called": "The jockey wheel", "left": 0.2, "top": 0.4, "width": 0.1, "height": 0.2,
          "round": true}]}
        """
            .formatted(picture));
    JsonNode part = begin();
    assertThat(part.propertyNames()).containsExactlyInAnyOrder("is", "picture", "described");
    assertThat(edda.call("GET", course.walk(quiz) + "/files/" + picture, "").getStatus())
        .isEqualTo(200);
    JsonNode beside = answered(1, json("{\"is\": \"place\", \"x\": 0.2, \"y\": 0.4}"));
    assertThat(beside.path("points").asDouble()).isZero();
    assertThat(beside.toString()).as("while more can be gained").doesNotContain("jockey");
    begin();
    JsonNode right = answered(2, json("{\"is\": \"place\", \"x\": 0.25, \"y\": 0.5}"));
    assertThat(right.path("points").asDouble()).isEqualTo(4);
    assertThat(right.toString()).contains("The jockey wheel");
    begin();
    assertThat(
            edda.call(
                    "PUT",
                    attempts() + "/3",
                    answers(json("{\"is\": \"place\", \"x\": 1.2, \"y\": 0}")))
                .getStatus())
        .as("beside the picture")
        .isEqualTo(422);
    for (String half :
        List.of("{\"is\": \"place\", \"x\": 0.25}", "{\"is\": \"place\", \"x\": null, \"y\": 0}"))
      assertThat(edda.call("PUT", attempts() + "/3", answers(json(half))).getStatus())
          .as(half)
          .isBetween(400, 422);
  }
}
