package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.json.CoreJson;

/** Questions that any quiz of a course can ask. */
@ServerTest
class BankTest extends SchoolTest {
  private NewCourse course;
  private Caller sefa;
  private Caller edda;
  private long quiz;

  @BeforeEach
  void aQuiz() {
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    course = newCourse("Bank");
    quiz = course.step(course.module("Work"), "QUIZ", "All sorts");
  }

  private static ObjectNode edit(String text, String... tags) {
    ObjectNode edit = CoreJson.mapper().createObjectNode();
    edit.set("question", NewCourse.question("", text, "Right", "Wrong"));
    for (String tag : tags) edit.withArray("tags").add(tag);
    if (tags.length == 0) edit.putArray("tags");
    return edit;
  }

  private String questions() {
    return course.path + "/design/questions";
  }

  private long add(String text, String... tags) {
    JsonNode made = sefa.post(questions(), edit(text, tags).toString());
    assertThat(made.path("id").asLong()).as(made.toString()).isPositive();
    return made.path("id").asLong();
  }

  private JsonNode banked(long id) {
    for (JsonNode one : sefa.get(questions())) if (one.path("id").asLong() == id) return one;
    throw new AssertionError("no question " + id);
  }

  private static ObjectNode taken(long bank) {
    ObjectNode question = NewCourse.question("b" + bank, "", "", "");
    return question.put("bank", bank).put("points", 2);
  }

  private void draw(int count, double points, String... tags) {
    course.change(
        quiz,
        e -> {
          ObjectNode draw = NewCourse.part(e).withArray("draws").addObject();
          draw.put("id", "d" + count).put("count", count).put("points", points);
          for (String tag : tags) draw.withArray("tags").add(tag);
          if (tags.length == 0) draw.putArray("tags");
        });
  }

  private void change(long id, String text) {
    JsonNode seen = banked(id);
    ObjectNode was = CoreJson.mapper().createObjectNode();
    was.set("question", seen.path("question"));
    was.set("tags", seen.path("tags"));
    ObjectNode now = was.deepCopy();
    ((ObjectNode) now.path("question")).put("text", text);
    assertThat(sefa.change(questions() + "/" + id, was, now).getStatus()).isEqualTo(200);
  }

  private String attempts() {
    return course.walk(quiz) + "/attempts";
  }

  private JsonNode begin() {
    return edda.post(attempts(), "").path("questions");
  }

  private static Set<String> texts(JsonNode questions) {
    Set<String> texts = new HashSet<>();
    for (JsonNode q : questions) texts.add(q.path("text").asString());
    return texts;
  }

  @Test
  void a_question_is_asked_in_any_number_of_quizzes_and_as_it_was_when_they_were_published() {
    long id = add("Which way?");
    long other = course.step(course.module("More"), "QUIZ", "Again");
    course.ask(quiz, taken(id));
    course.ask(other, taken(id));
    assertThat(banked(id).path("usedIn")).hasSize(2);
    course.publish();
    course.enrol("edda@hollowlane.example");
    assertThat(texts(begin())).containsExactly("Which way?");
    change(id, "Which way round?");
    assertThat(course.seen(quiz).at("/part/questions/0/text").asString())
        .isEqualTo("Which way round?");
    assertThat(course.design().path("changed").asBoolean()).isTrue();
    assertThat(texts(begin())).as("while the attempt goes on").containsExactly("Which way?");
    course.publish();
    assertThat(texts(begin())).as("after publishing").containsExactly("Which way?");
    edda.post(attempts() + "/1/result", "{\"answers\": {}}");
    assertThat(texts(begin())).containsExactly("Which way round?");
    JsonNode versions = sefa.get(questions() + "/" + id + "/versions");
    assertThat(versions).hasSize(1);
    assertThat(versions.at("/0/question/text").asString()).isEqualTo("Which way?");
    assertThat(versions.at("/0/changedBy").asString()).isEqualTo("Sefa Dunmore");
  }

  @Test
  void how_a_question_went_is_said_over_all_quizzes_that_ask_it_and_of_first_attempts() {
    long id = add("Which way?");
    long never = add("Nobody was asked.");
    long other = course.step(course.module("More"), "QUIZ", "Again");
    course.ask(quiz, taken(id));
    course.ask(other, taken(id));
    course.publish();
    course.enrol("edda@hollowlane.example");
    String went = course.path + "/quizzes/questions";
    assertThat(sefa.get(went)).isEmpty();
    for (long step : new long[] {quiz, quiz, other}) {
      String at = course.walk(step) + "/attempts";
      JsonNode attempt = edda.post(at, "");
      ObjectNode sent = CoreJson.mapper().createObjectNode();
      ObjectNode answers = sent.putObject("answers");
      for (JsonNode choice : attempt.at("/questions/0/part/choices"))
        if (step == other && choice.path("text").asString().equals("Right"))
          answers
              .putObject(attempt.at("/questions/0/id").asString())
              .put("is", "choice")
              .put("choice", choice.path("id").asString());
      edda.post(at + "/" + attempt.path("number").asInt() + "/result", sent.toString());
    }
    JsonNode all = sefa.get(went);
    assertThat(all).hasSize(1);
    assertThat(all.at("/0/question").asLong()).isEqualTo(id).isNotEqualTo(never);
    assertThat(all.at("/0/asked").asInt()).as("not the second attempt at one quiz").isEqualTo(2);
    assertThat(all.at("/0/facility").asDouble()).isEqualTo(0.5);
    assertThat(edda.call("GET", went, "").getStatus()).isIn(403, 404);
  }

  @Test
  void what_was_taken_away_stays_in_quizzes_as_it_was_and_can_come_back() {
    long id = add("Which way?");
    course.ask(quiz, taken(id));
    assertThat(sefa.call("DELETE", questions() + "/" + id, "").getStatus()).isEqualTo(204);
    assertThat(texts(sefa.get(questions()))).isEmpty();
    assertThat(course.seen(quiz).at("/part/questions/0/text").asString()).isEqualTo("Which way?");
    course.change(quiz, e -> e.put("name", "Another name"));
    course.publish();
    course.enrol("edda@hollowlane.example");
    assertThat(texts(begin())).containsExactly("Which way?");
    assertThat(sefa.call("POST", questions() + "/" + id + "/restoration", "").getStatus())
        .isLessThan(300);
    assertThat(banked(id).path("id").asLong()).isEqualTo(id);
  }

  @Test
  void questions_are_drawn_for_each_attempt_and_stay_the_same_in_it() {
    for (int n = 0; n < 8; n++) add("Question " + n, "pedals", n % 2 == 0 ? "even" : "odd");
    long own = add("Always?", "pedals", "even");
    course.ask(quiz, taken(own));
    draw(2, 3, "even", "pedals");
    assertThat(course.seen(quiz).path("points").asDouble()).isEqualTo(8);
    course.publish();
    course.enrol("edda@hollowlane.example");
    Set<String> seen = new HashSet<>();
    for (int attempt = 1; attempt <= 12; attempt++) {
      JsonNode asked = begin();
      assertThat(texts(asked)).hasSize(3).contains("Always?");
      assertThat(begin()).isEqualTo(asked);
      seen.addAll(texts(asked));
      JsonNode result = edda.post(attempts() + "/" + attempt + "/result", "{\"answers\": {}}");
      assertThat(result.path("of").asDouble()).isEqualTo(8);
      assertThat(texts(result.path("answers"))).isEqualTo(texts(asked));
    }
    assertThat(seen).doesNotContain("Question 1", "Question 3").hasSizeGreaterThan(3);
  }

  @Test
  void how_hard_a_question_is_decides_what_is_drawn() {
    for (String hard : List.of("EASY", "HARD", "HARD")) {
      ObjectNode edit = edit(hard + sefa.get(questions()).size(), "pedals");
      sefa.post(questions(), edit.put("difficulty", hard).toString());
    }
    course.change(
        quiz,
        e ->
            NewCourse.part(e)
                .withArray("draws")
                .addObject()
                .put("id", "d")
                .put("count", 2)
                .put("points", 1)
                .put("difficulty", "HARD")
                .putArray("tags"));
    course.publish();
    course.enrol("edda@hollowlane.example");
    assertThat(texts(begin())).containsExactlyInAnyOrder("HARD1", "HARD2");
    JsonNode easy = sefa.get(questions()).path(0);
    assertThat(easy.path("difficulty").asString()).isEqualTo("EASY");
    ObjectNode was = CoreJson.mapper().createObjectNode().put("difficulty", "EASY");
    var cleared =
        sefa.change(
            questions() + "/" + easy.path("id").asLong(),
            was,
            CoreJson.mapper().createObjectNode());
    assertThat(cleared.getStatus()).isEqualTo(200);
    assertThat(sefa.get(questions()).path(0).has("difficulty")).isFalse();
  }

  @Test
  void a_draw_that_finds_too_little_is_said_before_it_is_published() {
    add("One?", "pedals");
    draw(2, 1, "pedals");
    assertThat(course.seen(quiz).path("lacks").toString())
        .as("while it is written")
        .contains("finds fewer questions than it takes");
    assertThat(Caller.json(sefa.publish(course.path)).toString())
        .contains("finds fewer questions than it takes");
    add("Two?", "pedals");
    assertThat(course.seen(quiz).path("lacks")).isEmpty();
    course.publish();
    long unfit = add(" ", "pedals");
    assertThat(Caller.json(sefa.publish(course.path)).toString())
        .contains("may draw, asks nothing yet");
    sefa.call("DELETE", questions() + "/" + unfit, "");
    assertThat(course.design().path("changed").asBoolean()).isFalse();
  }

  @Test
  void likely_doubles_are_shown_and_tags_are_kept_once() {
    long a = add("Which way does a left pedal come off?", " Pedals ", "pedals", "left  side");
    long b = add("Which way does a left pedal come off, please?");
    long c = add("Which grease?");
    assertThat(banked(a).path("doubles").toString()).isEqualTo("[" + b + "]");
    assertThat(banked(c).path("doubles")).isEmpty();
    assertThat(banked(a).path("tags").toString()).isEqualTo("[\"left side\",\"Pedals\"]");
  }

  @Test
  void many_are_read_from_text_and_added_all_or_none() {
    String text = "Which?\\n+ this\\n- that\\n# pedals\\n\\nReally?\\n= true\\n\\nOdd?\\n+ a\\n= b";
    JsonNode read = sefa.post(questions() + "/reading", "{\"text\": \"" + text + "\"}");
    assertThat(read.path("questions")).hasSize(2);
    assertThat(read.at("/faults/0/line").asInt()).isEqualTo(11);
    assertThat(read.at("/faults/0/says").asString()).contains("answers of one sort");
    ObjectNode sent = CoreJson.mapper().createObjectNode();
    for (JsonNode one : read.path("questions"))
      sent.withArray("questions").add(((ObjectNode) one.deepCopy()).without("line"));
    ObjectNode bad = sent.deepCopy();
    ((ObjectNode) bad.at("/questions/1/question")).put("points", -1);
    assertThat(sefa.call("POST", questions() + "/several", bad.toString()).getStatus())
        .isEqualTo(422);
    assertThat(sefa.get(questions())).isEmpty();
    assertThat(sefa.post(questions() + "/several", sent.toString())).hasSize(2);
    var file = sefa.call("GET", questions() + "/text", "");
    assertThat(file.getHeader("Content-Disposition")).contains("questions.txt");
    String written = new String(file.getContentAsByteArray(), UTF_8);
    assertThat(written).contains("+ this", "# pedals", "= true");
    JsonNode again =
        sefa.post(
            questions() + "/reading",
            CoreJson.mapper().createObjectNode().put("text", written).toString());
    assertThat(again.path("questions")).hasSize(2);
  }

  @Test
  void the_shelf_takes_copies_and_gives_copies() {
    long id = add("Which way?", "pedals");
    assertThat(sefa.call("POST", questions() + "/" + id + "/shelving", "").getStatus())
        .isEqualTo(204);
    NewCourse other = newCourse("Elsewhere");
    JsonNode shelved = sefa.get(other.path + "/design/shelf/questions").path(0);
    assertThat(shelved.at("/question/text").asString()).isEqualTo("Which way?");
    String shelf = other.path + "/design/shelf/questions/" + shelved.path("id").asLong();
    JsonNode copy = sefa.post(shelf + "/taking", "");
    assertThat(copy.path("tags").toString()).contains("pedals");
    change(id, "Changed");
    assertThat(sefa.get(other.path + "/design/questions").at("/0/question/text").asString())
        .isEqualTo("Which way?");
    assertThat(sefa.call("DELETE", shelf, "").getStatus()).isEqualTo(204);
    assertThat(sefa.call("POST", shelf + "/taking", "").getStatus()).isEqualTo(404);
  }

  @Test
  void a_copied_course_has_questions_of_its_own() {
    for (int n = 0; n < 3; n++) add("Question " + n, "pedals");
    long own = add("Always?");
    course.ask(quiz, taken(own));
    draw(2, 1, "pedals");
    NewCourse copy = newCourse("Copy");
    ObjectNode what = CoreJson.mapper().createObjectNode();
    what.put("from", course.id.value()).put("dates", "NONE");
    what.putArray("modules").add(course.design().at("/modules/0/id").asLong());
    what.putArray("steps");
    what.putArray("badges");
    assertThat(sefa.call("POST", copy.path + "/design/copies", what.toString()).getStatus())
        .as("copied")
        .isLessThan(300);
    JsonNode theirs = sefa.get(copy.path + "/design/questions");
    assertThat(theirs).hasSize(4);
    List<Long> ids = new ArrayList<>();
    for (JsonNode one : theirs) ids.add(one.path("id").asLong());
    assertThat(ids).doesNotContain(own);
    JsonNode part = copy.design().at("/modules/0/steps/0/part");
    assertThat(ids).contains(part.at("/questions/0/bank").asLong());
    assertThat(part.at("/questions/0/id").asString())
        .isEqualTo("b" + part.at("/questions/0/bank").asLong());
    copy.publish();
  }

  @Test
  void questions_of_another_course_are_nobodys_here() {
    NewCourse other = newCourse("Other");
    long theirs =
        sefa.post(other.path + "/design/questions", edit("Theirs?").toString()).path("id").asLong();
    course.ask(quiz, taken(theirs));
    assertThat(course.seen(quiz).at("/part/questions/0").has("bank")).isFalse();
    assertThat(sefa.call("GET", questions() + "/" + theirs + "/versions", "").getStatus())
        .isEqualTo(404);
    assertThat(edda.call("GET", questions(), "").getStatus()).isIn(403, 404);
  }

  @Test
  void whoever_was_slower_is_shown_what_it_is_now() {
    long id = add("Which way?");
    ObjectNode was = CoreJson.mapper().createObjectNode();
    was.set("question", banked(id).path("question"));
    ObjectNode now = was.deepCopy();
    ((ObjectNode) now.path("question")).put("text", "Mine");
    change(id, "Theirs");
    var refused = sefa.change(questions() + "/" + id, was, now);
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).toString()).contains("Theirs");
  }
}
