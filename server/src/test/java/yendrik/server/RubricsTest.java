package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.ScaleId;
import yendrik.core.people.StaffKind;
import yendrik.core.strand.work.Judgement;
import yendrik.formats.json.CoreJson;
import yendrik.server.design.OutcomeForms;

/** Rubrics: written, used, changed after use, kept on the shelf, and what learners see of them. */
@ServerTest
class RubricsTest extends SchoolTest {
  private NewCourse course;
  private Caller sefa;
  private long step;
  private long outcome;

  @BeforeEach
  void aCourseWithAnAssignment() {
    sefa = as("Sefa Dunmore");
    course = new NewCourse(sefa, "Rubrics " + System.nanoTime());
    var scale = new ScaleId(course.design().path("scales").path(0).path("id").asLong());
    var rule = Sent.by(OutcomeForms.Method.MEAN);
    outcome =
        sefa.post(
                course.path + "/design/outcomes", Sent.outcome("TUBE", "Patch a tube", scale, rule))
            .path("id")
            .asLong();
    assertThat(outcome).isPositive();
    step = course.step(course.module("Tubes"), "ASSIGNMENT", "Your first patch");
  }

  /** Two criteria: one with points and evidence, one with points only. */
  private ObjectNode sketch() {
    ObjectNode edit = CoreJson.mapper().createObjectNode().put("name", "Patches");
    var criteria = edit.putArray("criteria");
    var holds = criteria.addObject().put("name", "It holds").put("description", "");
    holds.put("counts", true).put("outcome", outcome);
    var levels = holds.putArray("levels");
    level(levels.addObject(), "Leaks", 0, 0);
    level(levels.addObject(), "Holds a day", 5, 1);
    level(levels.addObject(), "Holds", 10, 2);
    var clean = criteria.addObject().put("name", "Clean edges").put("description", "");
    clean.put("counts", true);
    var own = clean.putArray("levels");
    level(own.addObject(), "No", 0, -1);
    level(own.addObject(), "Yes", 4, -1);
    return edit;
  }

  private static void level(ObjectNode level, String name, double points, int standsFor) {
    level.put("name", name).put("description", "").put("points", points);
    if (standsFor >= 0) level.put("standsFor", standsFor);
  }

  private JsonNode add() {
    return sefa.post(course.path + "/design/rubrics", sketch().toString());
  }

  private JsonNode change(JsonNode rubric, java.util.function.Consumer<ObjectNode> change) {
    ObjectNode edit = ((ObjectNode) rubric).deepCopy();
    edit.remove(List.of("id", "version", "of", "steps", "assessed"));
    ObjectNode seen = edit.deepCopy();
    change.accept(edit);
    String path = course.path + "/design/rubrics/" + rubric.path("id").asLong();
    return Caller.json(sefa.change(path, seen, edit));
  }

  private JsonNode inUse() {
    JsonNode rubric = add();
    course.change(
        step,
        e -> {
          NewCourse.part(e).put("rubric", rubric.path("id").asLong());
          e.put("points", 14);
        });
    course.publish();
    course.enrol("ruben@hollowlane.example");
    return rubric;
  }

  private static JsonNode levelOf(JsonNode rubric, int criterion, int level) {
    return rubric.path("criteria").path(criterion).path("levels").path(level);
  }

  private static Sent.Met met(JsonNode rubric, int criterion, int level, String comment) {
    return new Sent.Met(
        rubric.path("criteria").path(criterion).path("key").asInt(),
        levelOf(rubric, criterion, level).path("key").asInt(),
        comment);
  }

  private JsonNode mark(double points, int version, Sent.Met... rubric) {
    EnrolmentId enrolment = course.enrolment("Ruben Sato");
    return Caller.json(
        sefa.call(
            "POST",
            course.path + "/marking/" + enrolment + "/" + step + "/marks",
            new Sent.Mark(
                version, points, Judgement.AGAIN, "", Map.of(), Optional.of(List.of(rubric)))));
  }

  private JsonNode handIn() {
    as("Ruben Sato").post(course.walk(step) + "/visits", "");
    return as("Ruben Sato").post(course.walk(step) + "/versions", new Sent.Text("Patched."));
  }

  @Test
  void criteria_and_levels_get_keys_that_stay_when_wording_changes() {
    JsonNode rubric = add();
    assertThat(rubric.path("of").asDouble()).isEqualTo(14);
    JsonNode changed =
        change(
            rubric,
            e -> {
              ObjectNode first = (ObjectNode) e.path("criteria").path(0);
              first.put("name", "It holds air");
              ((ObjectNode) first.path("levels").path(2)).put("points", 12);
            });
    assertThat(changed.path("version").asInt()).isEqualTo(2);
    assertThat(changed.path("of").asDouble()).isEqualTo(16);
    assertThat(levelOf(changed, 0, 2).path("key")).isEqualTo(levelOf(rubric, 0, 2).path("key"));
  }

  @Test
  void a_key_is_never_given_twice_and_what_was_taken_away_can_come_back() {
    JsonNode rubric = add();
    JsonNode fewer =
        change(rubric, e -> ((tools.jackson.databind.node.ArrayNode) e.path("criteria")).remove(1));
    assertThat(fewer.path("criteria").size()).isEqualTo(1);
    JsonNode more =
        change(
            fewer,
            e -> {
              ObjectNode copy = ((ObjectNode) sketch().path("criteria").path(1)).deepCopy();
              ((tools.jackson.databind.node.ArrayNode) e.path("criteria")).add(copy);
            });
    List<Integer> before = keys(rubric);
    List<Integer> after = keys(more);
    after.removeAll(keys(fewer));
    assertThat(after).isNotEmpty().doesNotContainAnyElementsOf(before);
    JsonNode back = change(more, e -> e.set("criteria", rubric.path("criteria")));
    assertThat(keys(back)).isEqualTo(before);
  }

  private static List<Integer> keys(JsonNode rubric) {
    List<Integer> keys = new ArrayList<>();
    for (JsonNode c : rubric.path("criteria")) {
      keys.add(c.path("key").asInt());
      for (JsonNode l : c.path("levels")) keys.add(l.path("key").asInt());
    }
    return keys;
  }

  @Test
  void what_cannot_be_is_refused_at_its_criterion() {
    JsonNode rubric = add();
    assertThat(
            change(rubric, e -> ((ObjectNode) e.path("criteria").path(1)).put("key", 999))
                .path("fields")
                .has("criteria[1]"))
        .isTrue();
    assertThat(
            change(
                    rubric,
                    e ->
                        level(
                            (ObjectNode) e.path("criteria").path(0).path("levels").path(0),
                            "x",
                            0,
                            77))
                .path("fields")
                .path("criteria[0]")
                .asString())
        .contains("stands for a level that is not there");
    assertThat(
            change(rubric, e -> ((ObjectNode) e.path("criteria").path(0)).put("outcome", 999999))
                .path("fields")
                .has("criteria[0]"))
        .isTrue();
    assertThat(
            change(rubric, e -> ((ObjectNode) e.path("criteria").path(0)).putArray("levels"))
                .path("detail")
                .asString())
        .contains("2 to 12 levels");
  }

  @Test
  void two_people_do_not_change_a_rubric_over_each_other() {
    JsonNode rubric = add();
    change(rubric, e -> e.put("name", "Patches, finer"));
    JsonNode late = change(rubric, e -> e.put("name", "Patches, coarser"));
    assertThat(late.path("status").asInt()).isEqualTo(409);
    assertThat(late.path("current").path("name").asString()).isEqualTo("Patches, finer");
  }

  @Test
  void learners_see_before_handing_in_what_counts() {
    JsonNode rubric = inUse();
    JsonNode page = as("Ruben Sato").post(course.walk(step) + "/visits", "");
    assertThat(page.path("part").path("rubric").path("name").asString()).isEqualTo("Patches");
    assertThat(
            page.path("part")
                .path("rubric")
                .path("criteria")
                .path(0)
                .path("outcomeName")
                .asString())
        .isEqualTo("Patch a tube");
    assertThat(page.path("part").path("rubric").path("of").asDouble())
        .isEqualTo(rubric.path("of").asDouble());
    assertThat(page.path("part").path("assessed").isMissingNode()).isTrue();
  }

  @Test
  void a_rubric_gone_through_is_shown_with_the_mark_and_rates_its_outcome() {
    JsonNode rubric = inUse();
    handIn();
    assertThat(mark(9, 1, met(rubric, 0, 1, "Blow it up harder."), met(rubric, 1, 1, "")).isEmpty())
        .isTrue();
    JsonNode page = as("Ruben Sato").post(course.walk(step) + "/visits", "");
    JsonNode filled = page.path("part").path("versions").path(0).path("mark").path("assessed");
    assertThat(filled.path("points").asDouble()).isEqualTo(9);
    assertThat(filled.path("met").path(0).path("comment").asString())
        .isEqualTo("Blow it up harder.");
    EnrolmentId enrolment = course.enrolment("Ruben Sato");
    JsonNode cell = sefa.get(course.path + "/learners/" + enrolment + "/outcomes/" + outcome);
    assertThat(cell.path("level").asInt()).isEqualTo(1);
    assertThat(cell.path("evidence").size()).isEqualTo(1);
    assertThat(cell.path("evidence").path(0).path("note").asString())
        .isEqualTo("Blow it up harder.");
  }

  @Test
  void what_was_assessed_keeps_its_words_when_the_rubric_changes_and_new_work_gets_the_new_ones() {
    JsonNode rubric = inUse();
    handIn();
    mark(5, 1, met(rubric, 0, 1, ""));
    JsonNode before = sefa.get(course.path + "/design/rubrics").path(0);
    assertThat(before.path("assessed").asInt()).isEqualTo(1);
    JsonNode changed =
        change(
            before,
            e -> {
              var criteria = (tools.jackson.databind.node.ArrayNode) e.path("criteria");
              ((ObjectNode) criteria.path(0)).put("name", "It holds air");
              criteria.remove(1);
            });
    course.publish();
    handIn();
    mark(10, 2, met(changed, 0, 2, ""));
    JsonNode versions =
        as("Ruben Sato").post(course.walk(step) + "/visits", "").path("part").path("versions");
    assertThat(versions.path(0).path("mark").path("assessed").path("rubric").toString())
        .contains("It holds air")
        .doesNotContain("Clean edges");
    assertThat(versions.path(1).path("mark").path("assessed").path("rubric").toString())
        .contains("Clean edges")
        .doesNotContain("It holds air");
  }

  @Test
  void marking_with_criteria_that_are_gone_is_refused_and_leaves_nothing() {
    JsonNode rubric = inUse();
    handIn();
    var gone = new Sent.Met(999, 1, "");
    assertThat(mark(9, 1, gone).path("fields").path("rubric").asString())
        .contains("no criterion 999");
    assertThat(mark(9, 1, met(rubric, 0, 1, ""), met(rubric, 0, 2, "")).path("fields"))
        .isNotEmpty();
    assertThat(sefa.get(course.path + "/marking").path("handedIn").size()).isEqualTo(1);
  }

  @Test
  void a_rubric_in_use_is_not_taken_away_and_one_that_is_not_comes_back() {
    JsonNode rubric = inUse();
    String path = course.path + "/design/rubrics/" + rubric.path("id").asLong();
    var refused = sefa.call("DELETE", path, "");
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("detail").asString()).contains("“Your first patch”");
    course.change(step, e -> NewCourse.part(e).remove("rubric"));
    assertThat(sefa.call("DELETE", path, "").getStatus()).isEqualTo(204);
    assertThat(sefa.get(course.path + "/design/rubrics").size()).isZero();
    assertThat(sefa.call("POST", path + "/restoration", "").getStatus()).isEqualTo(204);
    assertThat(sefa.get(course.path + "/design/rubrics").size()).isEqualTo(1);
  }

  @Test
  void a_page_takes_nothing_of_another_kind() {
    long page = course.step(course.module("More"), "PAGE", "How a patch holds");
    JsonNode rubric = add();
    long id = rubric.path("id").asLong();
    assertThat(
            org.assertj.core.api.Assertions.catchThrowable(() ->
                course.change(
                    page, e -> e.putObject("part").put("is", "practical").put("rubric", id))))
        .hasMessageContaining("of another kind");
  }

  @Test
  void the_shelf_carries_a_rubric_to_another_course_and_finds_its_outcomes_by_code() {
    JsonNode rubric = add();
    String path = course.path + "/design/rubrics/" + rubric.path("id").asLong();
    assertThat(sefa.call("POST", path + "/shelving", "").getStatus()).isEqualTo(204);
    JsonNode shelved = null;
    for (JsonNode s : sefa.get(course.path + "/design/shelf/rubrics"))
      if (shelved == null || s.path("id").asLong() > shelved.path("id").asLong()) shelved = s;
    assertThat(shelved.path("by").asString()).isEqualTo("Sefa Dunmore");
    var other = new NewCourse(sefa, "Elsewhere " + System.nanoTime());
    String taking = other.path + "/design/shelf/rubrics/" + shelved.path("id").asLong() + "/taking";
    JsonNode taken = sefa.post(taking, "");
    assertThat(taken.path("criteria").path(0).path("outcome").isMissingNode())
        .as("no such code there")
        .isTrue();
    assertThat(levelOf(taken, 0, 2).path("standsFor").isMissingNode()).isTrue();
    JsonNode again =
        sefa.post(
            course.path + "/design/shelf/rubrics/" + shelved.path("id").asLong() + "/taking", "");
    assertThat(again.path("criteria").path(0).path("outcome").asLong()).isEqualTo(outcome);
    assertThat(levelOf(again, 0, 2).path("standsFor").asInt()).isEqualTo(2);
    staff(other, "Odalys Brandt", StaffKind.DESIGNER);
    String shelfPath = other.path + "/design/shelf/rubrics/" + shelved.path("id").asLong();
    assertThat(as("Odalys Brandt").call("DELETE", shelfPath, "").getStatus()).isEqualTo(403);
    assertThat(sefa.call("DELETE", shelfPath, "").getStatus()).isEqualTo(204);
    assertThat(sefa.get(other.path + "/design/rubrics").size()).as("copies stay").isEqualTo(1);
  }

  private record Marks(List<Marked> marks) {}

  private record Marked(
      String question, double points, String comment, Optional<List<Sent.Met>> rubric) {}

  private static ObjectNode open(JsonNode rubric) {
    ObjectNode question = CoreJson.mapper().createObjectNode();
    question.put("id", "q1").put("text", "How do you patch?").put("points", 7).put("feedback", "");
    question
        .putObject("part")
        .put("is", "open")
        .put("expected", "Roughen, glue, wait, press.")
        .put("rubric", rubric.path("id").asLong());
    return question;
  }

  private long quizWith(JsonNode rubric) {
    long quiz = course.step(course.module("Check"), "QUIZ", "Say how");
    course.ask(quiz, open(rubric));
    course.publish();
    course.enrol("ruben@hollowlane.example");
    return quiz;
  }

  @Test
  void a_text_in_a_quiz_is_assessed_with_the_rubric_that_its_learner_was_shown() {
    JsonNode rubric = add();
    long quiz = quizWith(rubric);
    Caller ruben = as("Ruben Sato");
    String attempts = course.walk(quiz) + "/attempts";
    JsonNode begun = ruben.post(attempts, "");
    assertThat(begun.at("/rubrics/q1/name").asString()).isEqualTo("Patches");
    ruben.post(
        attempts + "/1/result",
        "{\"answers\": {\"q1\": {\"is\": \"open\", \"text\": \"<p>With glue.</p>\"}}}");
    JsonNode renamed = change(rubric, e -> e.put("name", "Patches anew"));
    assertThat(renamed.path("name").asString()).isEqualTo("Patches anew");
    course.publish();
    String marking =
        course.path + "/marking/" + course.enrolment("Ruben Sato") + "/" + quiz + "/attempts";
    JsonNode answer = sefa.get(marking).path(0).path("answers").path(0);
    assertThat(answer.at("/rubric/name").asString()).as("as it was then").isEqualTo("Patches");
    var met = List.of(met(rubric, 0, 1, "It leaks slowly."), met(rubric, 1, 0, ""));
    var foreign = new Sent.Met(99, 1, "");
    for (var wrong : List.of(List.of(foreign), List.of(met.getFirst(), met.getFirst())))
      assertThat(
              sefa.call(
                      "POST",
                      marking + "/1/marks",
                      new Marks(List.of(new Marked("q1", 2.5, "", Optional.of(wrong)))))
                  .getStatus())
          .isEqualTo(422);
    var mark = new Marks(List.of(new Marked("q1", 2.5, "Wait longer.", Optional.of(met))));
    assertThat(sefa.call("POST", marking + "/1/marks", mark).getStatus()).isEqualTo(204);
    assertThat(sefa.get(marking).path(0).path("answers").path(0).path("met").size()).isEqualTo(2);
    JsonNode result = ruben.get(attempts + "/1/result");
    assertThat(result.path("points").asDouble()).isEqualTo(2.5);
    JsonNode assessed = result.at("/answers/0/assessed");
    assertThat(assessed.path("points").asDouble()).isEqualTo(5);
    assertThat(assessed.at("/met/0/comment").asString()).isEqualTo("It leaks slowly.");
    assertThat(sefa.get(course.path + "/design/rubrics").path(0).path("assessed").asInt())
        .isEqualTo(1);
  }

  @Test
  void a_rubric_of_a_question_stays_and_goes_along_to_other_courses() {
    JsonNode rubric = add();
    quizWith(rubric);
    String at = course.path + "/design/rubrics";
    assertThat(sefa.get(at).path(0).path("steps").path(0).asString()).isEqualTo("Say how");
    assertThat(sefa.call("DELETE", at + "/" + rubric.path("id"), "").getStatus()).isEqualTo(409);
    NewCourse other = new NewCourse(sefa, "Rubrics there " + System.nanoTime());
    long module = course.design().path("modules").path(1).path("id").asLong();
    sefa.post(
        other.path + "/design/copies",
        "{\"from\": %s, \"modules\": [%d], \"steps\": [], \"badges\": [], \"dates\": \"NONE\"}"
            .formatted(course.id, module));
    long there = sefa.get(other.path + "/design/rubrics").path(0).path("id").asLong();
    assertThat(there).isPositive().isNotEqualTo(rubric.path("id").asLong());
    long copied = other.design().at("/modules/0/steps/0/id").asLong();
    assertThat(other.seen(copied).at("/part/questions/0/part/rubric").asLong()).isEqualTo(there);
  }

  @Test
  void a_rubric_stays_while_a_question_of_the_course_alone_uses_it() {
    JsonNode rubric = add();
    String edit = "{\"question\": %s, \"tags\": []}".formatted(open(rubric));
    JsonNode kept = sefa.post(course.path + "/design/questions", edit);
    String at = course.path + "/design/rubrics/" + rubric.path("id");
    var refused = sefa.call("DELETE", at, "");
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("detail").asString()).contains("“How do you patch?”");
    sefa.call("DELETE", course.path + "/design/questions/" + kept.path("id"), "", "If-Match", "1");
    assertThat(sefa.call("DELETE", at, "").getStatus()).isEqualTo(204);
  }

  @Test
  void a_question_of_the_shelf_finds_a_rubric_by_its_name() {
    JsonNode rubric = add();
    String edit = "{\"question\": %s, \"tags\": []}".formatted(open(rubric));
    JsonNode kept = sefa.post(course.path + "/design/questions", edit);
    sefa.call("POST", course.path + "/design/questions/" + kept.path("id") + "/shelving", "");
    NewCourse other = new NewCourse(sefa, "From the shelf " + System.nanoTime());
    String shelf = other.path + "/design/shelf/questions";
    String taking =
        shelf
            + "/"
            + sefa.get(shelf)
                .valueStream()
                .filter(q -> q.at("/question/part/rubric").equals(rubric.path("id")))
                .findFirst()
                .orElseThrow()
                .path("id")
            + "/taking";
    assertThat(sefa.post(taking, "").at("/question/part/rubric").isMissingNode()).isTrue();
    JsonNode there = sefa.post(other.path + "/design/rubrics", sketch().toString());
    assertThat(sefa.post(taking, "").at("/question/part/rubric").asLong())
        .isEqualTo(there.path("id").asLong());
  }

  @Test
  void a_question_has_no_rubric_of_another_course() {
    JsonNode rubric = add();
    NewCourse other = new NewCourse(sefa, "No rubrics " + System.nanoTime());
    long quiz = other.step(other.module("Check"), "QUIZ", "Say how");
    String edit = "{\"question\": %s, \"tags\": []}".formatted(open(rubric));
    assertThat(sefa.call("POST", other.path + "/design/questions", edit).getStatus())
        .isEqualTo(422);
    var asked =
        other.save(
            other.seen(quiz), e -> NewCourse.part(e).putArray("questions").add(open(rubric)));
    assertThat(asked.getStatus()).isEqualTo(422);
    assertThat(Caller.json(asked).toString()).contains("The rubric of question 1");
  }
}
