package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.function.Function;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.formats.json.CoreJson;

/** Letters between staff and learners, in the application. */
class MessagesTest extends BenchTest {
  private NewCourse course;
  private Caller sefa;
  private Caller ruben;

  @BeforeEach
  void aLetterToRuben() {
    sefa = as("Sefa Dunmore");
    ruben = as("Ruben Sato");
    course = new NewCourse(sefa, "Messages " + System.nanoTime());
    course.step(course.module("Bench"), "PAGE", "Your bench");
    course.publish();
    course.enrol("ruben@hollowlane.example", "edda@hollowlane.example");
    var letter =
        new Sent.Letter(
            List.of(course.enrolment("Ruben Sato")),
            "How are you, {name}",
            "Open for you:\n{open}");
    assertThat(sefa.post(course.path + "/letters", letter).path("letters").asInt()).isEqualTo(1);
  }

  private String with(String name) {
    return course.path + "/messages/" + signedIn(name).id();
  }

  private static String text(String body) {
    return CoreJson.mapper().createObjectNode().put("body", body).toString();
  }

  private JsonNode inbox(Caller who) {
    return who.get(course.path + "/messages");
  }

  @Test
  void a_letter_is_unread_until_it_was_read_and_is_said_with_its_beginning() {
    JsonNode inbox = inbox(ruben);
    assertThat(inbox.path("unread").asInt()).isEqualTo(1);
    JsonNode line = inbox.path("conversations").path(0);
    assertThat(line.path("name").asString()).isEqualTo("Sefa Dunmore");
    assertThat(line.path("subject").asString()).isEqualTo("How are you, Ruben");
    assertThat(line.path("begins").asString()).isEqualTo("Open for you: - Your bench");
    assertThat(ruben.call("POST", with("Sefa Dunmore") + "/reading", "").getStatus())
        .isEqualTo(204);
    assertThat(inbox(ruben).path("unread").asInt()).isZero();
  }

  @Test
  void an_answer_goes_back_to_whoever_wrote_and_stands_in_the_learners_history() {
    JsonNode now = ruben.post(with("Sefa Dunmore"), text("I come on Saturday."));
    assertThat(now.path("letters").size()).isEqualTo(2);
    assertThat(now.path("letters").path(1).path("subject").asString())
        .isEqualTo("Re: How are you, Ruben");
    assertThat(inbox(sefa).path("unread").asInt()).isEqualTo(1);
    JsonNode seen = sefa.get(with("Ruben Sato"));
    assertThat(seen.path("letters").path(1).path("body").asString())
        .isEqualTo("I come on Saturday.");
    assertThat(seen.path("letters").path(1).path("mine").asBoolean()).isFalse();
    JsonNode learner = sefa.get(course.path + "/learners/" + course.enrolment("Ruben Sato"));
    assertThat(learner.path("letters").path(0).path("answer").asBoolean()).isTrue();
    assertThat(learner.path("letters").path(0).path("from").asString()).isEqualTo("Ruben Sato");
  }

  @Test
  void writing_back_and_forth_keeps_one_subject() {
    ruben.post(with("Sefa Dunmore"), text("I come on Saturday."));
    JsonNode now = sefa.post(with("Ruben Sato"), text("Good."));
    assertThat(now.path("letters").path(2).path("subject").asString())
        .isEqualTo("Re: How are you, Ruben");
    assertThat(inbox(sefa).path("unread").asInt()).as("who answers has read").isZero();
    assertThat(inbox(ruben).path("unread").asInt()).as("the newest only").isEqualTo(1);
  }

  @Test
  void learners_write_to_nobody_who_has_not_written_to_them() {
    assertThat(ruben.call("POST", with("Edda Marsh"), text("Hello")).getStatus()).isEqualTo(404);
    assertThat(as("Edda Marsh").call("POST", with("Sefa Dunmore"), text("Hello")).getStatus())
        .isEqualTo(404);
    assertThat(as("Edda Marsh").call("GET", with("Ruben Sato"), "").getStatus()).isEqualTo(404);
    assertThat(inbox(as("Edda Marsh")).path("conversations").size()).isZero();
  }

  @Test
  void staff_begin_a_conversation_with_a_learner_of_theirs() {
    JsonNode fresh = sefa.get(with("Edda Marsh"));
    assertThat(fresh.path("letters").size()).isZero();
    assertThat(fresh.path("mayWrite").asBoolean()).isTrue();
    JsonNode now = sefa.post(with("Edda Marsh"), text("Your pump is here."));
    assertThat(now.path("letters").path(0).path("subject").asString()).isEqualTo("Sefa Dunmore");
  }

  @Test
  void nobody_reads_the_letters_of_others_or_of_another_course() {
    assertThat(as("Priya Nakamura").call("GET", with("Ruben Sato"), "").getStatus())
        .as("not of this course")
        .isEqualTo(404);
    String elsewhere = path() + "/messages/" + signedIn("Sefa Dunmore").id();
    assertThat(ruben.call("GET", elsewhere, "").getStatus()).isEqualTo(404);
  }

  @Test
  void an_empty_answer_is_refused_by_name() {
    var refused = ruben.call("POST", with("Sefa Dunmore"), text("  "));
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(Caller.json(refused).path("fields").has("body")).isTrue();
  }

  @Test
  void a_support_teacher_reads_nothing_of_what_others_write_to_her_learner() {
    EnrolmentId juno = enrolment("Juno Abara");
    Function<String, Record> letter = subject -> new Sent.Letter(List.of(juno), subject, "x");
    as("Tomas Weir").post(path() + "/letters", letter.apply("Between us two"));
    as("Priya Nakamura").post(path() + "/letters", letter.apply("From Priya"));
    String seen = as("Priya Nakamura").get(path() + "/learners/" + juno).toString();
    assertThat(seen).contains("From Priya").doesNotContain("Between us two");
    assertThat(as("Priya Nakamura").get(path() + "/follow-up").toString())
        .doesNotContain("Between us two");
    assertThat(as("Tomas Weir").get(path() + "/learners/" + juno).toString())
        .contains("Between us two");
  }

  @Test
  void nobody_has_a_conversation_with_themselves() {
    PersonId me = signedIn("Tomas Weir").id();
    assertThat(as("Tomas Weir").call("GET", path() + "/messages/" + me, "").getStatus())
        .isEqualTo(404);
  }

  private static String question(String text, long step) {
    return CoreJson.mapper().createObjectNode().put("text", text).put("step", step).toString();
  }

  @Test
  void a_learner_asks_those_who_help_them_about_a_step_and_goes_on_in_a_conversation() {
    Caller juno = as("Juno Abara");
    String at = path() + "/walks/mine/questions";
    JsonNode asked = juno.post(at, question("Where is the crown race setter?", bench.page));
    assertThat(asked.path("staff").valueStream().map(JsonNode::asString))
        .as("her support teacher first")
        .containsExactly("Priya Nakamura", "Tomas Weir");
    JsonNode line = as("Priya Nakamura").get(path() + "/messages").path("conversations").path(0);
    assertThat(line.path("subject").asString()).isEqualTo("Question: Your bench and the stand");
    String conversation = path() + "/messages/" + signedIn("Tomas Weir").id();
    assertThat(juno.get(conversation).path("mayWrite").asBoolean()).isTrue();
    JsonNode forEdda = as("Edda Marsh").post(at, question("And for me?", bench.page));
    assertThat(forEdda.path("staff").valueStream().map(JsonNode::asString))
        .containsExactly("Tomas Weir");
  }

  @Test
  void a_question_names_no_step_that_its_learner_does_not_know_and_comes_from_nobody_made_up() {
    long hidden = course.step(course.module("Other"), "PAGE", "Zinnober");
    course.change(hidden, e -> e.put("published", false));
    course.publish();
    String at = course.path + "/walks/mine/questions";
    assertThat(ruben.call("POST", at, question("What is it?", hidden)).getStatus()).isEqualTo(404);
    assertThat(ruben.call("POST", at, question(" ", hidden)).getStatus()).isEqualTo(422);
    sefa.get(course.path + "/walks/practice/route");
    String practice = course.path + "/walks/practice/questions";
    assertThat(sefa.call("POST", practice, "{\"text\":\"Hello\"}").getStatus()).isEqualTo(409);
    assertThat(ruben.call("POST", at, "{\"text\":\"Anybody?\"}").getStatus())
        .as("nobody on the staff")
        .isEqualTo(409);
  }

  private record Members(List<EnrolmentId> in, List<EnrolmentId> out) {}

  @Test
  void who_sees_a_learner_no_more_does_not_write_to_them_any_more() {
    Caller priya = as("Priya Nakamura");
    EnrolmentId juno = enrolment("Juno Abara");
    String conversation = path() + "/messages/" + signedIn("Juno Abara").id();
    priya.post(conversation, text("Come on Tuesday."));
    String members = path() + "/groups/" + bench.tuesday + "/members";
    as("Odalys Brandt").post(members, new Members(List.of(), List.of(juno)));
    assertThat(priya.get(conversation).path("mayWrite").asBoolean()).isFalse();
    assertThat(priya.call("POST", conversation, text("Still there?")).getStatus()).isEqualTo(404);
    as("Odalys Brandt").post(members, new Members(List.of(juno), List.of()));
  }
}
