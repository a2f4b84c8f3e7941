package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.LEARNER_GROUP;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.strand.work.Judgement;
import yendrik.formats.badge.Art;
import yendrik.formats.json.CoreJson;
import yendrik.server.design.DesignEdits;
import yendrik.server.design.Designs;

/** A draft stays sound whatever is taken away, and what learners cannot use is not published. */
@ServerTest
class SoundDraftTest extends SchoolTest {
  @Autowired Designs designs;
  private NewCourse course;
  private Caller sefa;
  private long module;
  private long page;

  @BeforeEach
  void aCourse() {
    sefa = as("Sefa Dunmore");
    course = new NewCourse(sefa, "Sound " + System.nanoTime());
    module = course.module("Tubes");
    page = course.step(module, "PAGE", "How a patch holds");
  }

  private JsonNode order(Record body) {
    return Caller.json(sefa.call("PUT", course.path + "/design/order", body));
  }

  @Test
  void a_module_goes_with_its_steps_and_the_rest_can_still_be_put_in_order() {
    long gone = course.module("Gone");
    long inside = course.step(gone, "PAGE", "Inside");
    JsonNode seen = course.seen(inside);
    sefa.call("DELETE", course.path + "/design/modules/" + gone, "");
    JsonNode ordered =
        order(new DesignEdits.OrderEdit(List.of(NewCourse.order(module, page)), Optional.empty()));
    assertThat(ordered.path("modules").size()).isEqualTo(1);
    assertThat(course.save(seen, e -> e.put("name", "Still here")).getStatus()).isEqualTo(404);
    sefa.call("DELETE", course.path + "/design/steps/" + inside, "");
    var refused = sefa.call("POST", course.path + "/design/steps/" + inside + "/restoration", "");
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("detail").asString()).contains("“Gone”");
  }

  @Test
  void a_draft_is_compiled_anew_when_something_in_it_changed_and_only_then() {
    var first = designs.readyDraft(course.id);
    assertThat(designs.readyDraft(course.id)).isSameAs(first);
    course.change(page, e -> e.put("name", "How a patch holds, and when it does not"));
    var second = designs.readyDraft(course.id);
    assertThat(second).isNotSameAs(first);
    assertThat(second.compiled().design().steps().toList().getFirst().name())
        .endsWith("when it does not");
    course.change(page, e -> e.put("body", "<p>Rub until it is dull.</p>"));
    assertThat(designs.readyDraft(course.id)).isNotSameAs(second);
  }

  private JsonNode refused(long step, java.util.function.Consumer<ObjectNode> change) {
    JsonNode before = course.design();
    var answer = course.save(course.seen(step), change);
    assertThat(answer.getStatus()).as(Caller.json(answer).toString()).isEqualTo(422);
    assertThat(course.design()).as("nothing was changed").isEqualTo(before);
    return Caller.json(answer);
  }

  @Test
  void a_rule_that_lacks_a_part_is_refused_and_named() {
    for (String rule :
        List.of(
            "{\"is\":\"all\",\"parts\":[]}",
            "{\"is\":\"all\",\"id\":\"a\"}",
            "{\"is\":\"all\",\"id\":\"a\",\"parts\":[null]}",
            "{\"is\":\"ask\",\"id\":\"a\"}",
            "{\"is\":\"ask\",\"id\":\"a\",\"leaf\":{}}",
            "{\"is\":\"ask\",\"id\":\"a\",\"leaf\":{\"is\":\"seen\"}}",
            "{\"is\":\"ask\",\"id\":\"a\\u0000\",\"leaf\":{\"is\":\"seen\",\"step\":1}}",
            "{\"is\":\"ask\",\"leaf\":{\"is\":\"seen\",\"step\":1}}",
            "{}"))
      assertThat(
              refused(page, e -> e.set("opensWhen", CoreJson.mapper().readTree(rule)))
                  .path("fields")
                  .propertyNames())
          .as(rule)
          .allMatch(field -> field.startsWith("opensWhen"));
  }

  @Test
  void what_a_rule_lacks_is_said_in_words() {
    String rule = "{\"is\":\"ask\",\"id\":\"a\"}";
    assertThat(
            refused(page, e -> e.set("opensWhen", CoreJson.mapper().readTree(rule)))
                .path("detail")
                .asString())
        .isEqualTo("This rule cannot be read: leaf is missing or not as it must be.");
  }

  @Test
  void nothing_in_a_list_is_refused_and_named() {
    assertThat(refused(page, e -> e.putArray("groups").addNull()).path("fields").has("groups.0"))
        .isTrue();
    assertThat(refused(page, e -> e.putNull("name")).path("fields").has("name")).isTrue();
    assertThat(refused(page, e -> e.remove("body")).path("fields").has("body")).isTrue();
    var order = sefa.call("PUT", course.path + "/design/order", "{\"modules\":[null]}");
    assertThat(order.getStatus()).isEqualTo(422);
    long quiz = course.step(module, "QUIZ", "Asked");
    refused(
        quiz,
        e -> NewCourse.part(e).putArray("questions").addObject().put("id", "q1").put("points", 1));
  }

  @Test
  void questions_of_no_kind_without_their_part_or_of_the_same_id_are_refused() {
    long quiz = course.step(module, "QUIZ", "Asked");
    var sound = NewCourse.question("q1", "What dries?", "Glue", "Rubber");
    for (Consumer<ObjectNode> fault :
        List.<Consumer<ObjectNode>>of(
            q -> q.putNull("part"),
            q -> q.remove("part"),
            q -> ((ObjectNode) q.path("part")).put("is", "stone"),
            q -> ((ObjectNode) q.path("part")).remove("is"),
            q -> ((ObjectNode) q.path("part")).remove("right"),
            q -> ((ObjectNode) q.path("part")).putArray("choices").addNull())) {
      ObjectNode question = sound.deepCopy();
      fault.accept(question);
      refused(quiz, e -> NewCourse.part(e).putArray("questions").add(question));
    }
    JsonNode twins =
        refused(quiz, e -> NewCourse.part(e).putArray("questions").add(sound).add(sound));
    assertThat(twins.path("fields").path("questions").asString()).contains("Question 2 has the id");
  }

  @Test
  void answers_of_no_kind_are_refused_and_those_to_nothing_are_passed_over() {
    long quiz = course.step(module, "QUIZ", "Asked");
    course.ask(quiz, NewCourse.question("q1", "What dries?", "Glue", "Rubber"));
    String at = course.path + "/walks/practice/steps/" + quiz + "/attempts";
    sefa.get(course.path + "/walks/practice/route");
    sefa.post(at, "");
    for (String answer :
        List.of("null", "{}", "{\"is\":\"stone\"}", "{\"is\":\"choice\"}", "\"1\""))
      assertThat(sefa.call("PUT", at + "/1", "{\"answers\":{\"q1\":" + answer + "}}").getStatus())
          .as(answer)
          .isBetween(400, 422);
    String odd =
        "{\"answers\":{\"q1\":{\"is\":\"choice\",\"choice\":\"77\"},"
            + "\"gone\":{\"is\":\"choice\",\"choice\":\"1\"}}}";
    assertThat(sefa.post(at + "/1/result", odd).path("points").asDouble()).isZero();
  }

  @Test
  void a_character_that_no_text_can_hold_is_refused_and_named() {
    assertThat(refused(page, e -> e.put("name", "a\0b")).path("fields").has("name")).isTrue();
    assertThat(refused(page, e -> e.put("body", "a\0b")).path("fields").has("body")).isTrue();
  }

  @Test
  void a_date_out_of_the_sensible_is_refused_and_named() {
    for (String date : List.of("+999999999-01-01T00:00:00Z", "-0004-01-01T00:00:00Z", "soon"))
      assertThat(refused(page, e -> e.put("dueAt", date)).path("fields").has("dueAt"))
          .as(date)
          .isTrue();
  }

  @Test
  void groups_and_modules_of_another_course_are_refused_by_field() {
    NewCourse other = newCourse("Other");
    long foreign =
        db.insertInto(LEARNER_GROUP)
            .set(LEARNER_GROUP.COURSE_ID, other.id)
            .set(LEARNER_GROUP.NAME, "Tuesday")
            .returning(LEARNER_GROUP.ID)
            .fetchSingle(LEARNER_GROUP.ID)
            .value();
    JsonNode step = course.design().path("modules").path(0).path("steps").path(0);
    var refused = course.save(step, e -> e.putArray("groups").add(foreign));
    assertThat(Caller.json(refused).path("fields").has("groups")).isTrue();
    ObjectNode badge = CoreJson.mapper().createObjectNode();
    badge.put("name", "B").put("description", "").put("surprise", false);
    badge.put("module", other.module("Tubes"));
    badge.putObject("picture").put("alt", "").set("art", CoreJson.mapper().valueToTree(Art.PLAIN));
    var response = sefa.call("POST", course.path + "/design/badges", badge.toString());
    assertThat(Caller.json(response).path("fields").has("module")).isTrue();
  }

  @Test
  void a_made_up_learner_stays_when_there_is_no_sound_draft_to_start_over_in() {
    JsonNode begun = sefa.post(course.path + "/walks/practice/steps/" + page + "/visits", "");
    assertThat(begun.path("state").asString()).isEqualTo("DONE");
    long lost = course.step(module, "PAGE", "Lost");
    course.change(page, e -> e.set("opensWhen", course.ask("seen", lost)));
    sefa.call("DELETE", course.path + "/design/steps/" + lost, "");
    String anew = course.path + "/walks/practice/fresh-start";
    assertThat(sefa.call("POST", anew, "").getStatus()).isEqualTo(422);
    course.change(page, e -> e.remove("opensWhen"));
    assertThat(sefa.get(course.path + "/walks/practice/route").toString())
        .as("what was done before is there")
        .contains("DONE");
  }

  @Test
  void a_quiz_that_cannot_be_taken_is_not_published_and_is_named() {
    long quiz = course.step(module, "QUIZ", "Rubber and glue");
    sefa.get(course.path + "/walks/practice/route");
    var empty = sefa.publish(course.path);
    assertThat(empty.getStatus()).isEqualTo(422);
    assertThat(Caller.json(empty).path("findings").toString()).contains("has no questions yet");
    var unsound = NewCourse.question("q1", "What dries?", "Glue", "");
    ((ObjectNode) unsound.path("part")).put("right", "z");
    course.ask(quiz, unsound);
    assertThat(Caller.json(sefa.publish(course.path)).path("findings").toString())
        .contains("Question 1 of “Rubber and glue” has no right choice", "without words");
    var practice =
        sefa.call("POST", course.path + "/walks/practice/steps/" + quiz + "/attempts", "");
    assertThat(practice.getStatus()).as("nor in practice").isEqualTo(409);
    course.change(quiz, e -> e.put("published", false));
    assertThat(sefa.publish(course.path).getStatus()).isEqualTo(202);
  }

  @Test
  void work_that_waits_at_a_step_that_is_hidden_meanwhile_stays_in_the_list_as_such() {
    long work = course.step(module, "ASSIGNMENT", "Your first patch");
    course.publish();
    course.enrol("edda@hollowlane.example");
    Caller edda = as("Edda Marsh");
    edda.post(course.walk(work) + "/visits", "");
    edda.post(course.walk(work) + "/versions", new Sent.Text("Two patches."));
    course.change(work, e -> e.put("published", false));
    course.publish();
    JsonNode line = sefa.get(course.path + "/marking").path("handedIn").path(0);
    assertThat(line.path("name").asString()).isEqualTo("Your first patch");
    assertThat(line.path("heldBack").asBoolean()).isTrue();
    var mark = new Sent.Mark(1, 1, Judgement.PASSED);
    String path = course.path + "/marking/" + line.path("enrolment").asLong() + "/" + work;
    assertThat(sefa.call("POST", path + "/marks", mark).getStatus()).isEqualTo(204);
    assertThat(sefa.get(course.path + "/marking").path("handedIn").size()).isZero();
  }
}
