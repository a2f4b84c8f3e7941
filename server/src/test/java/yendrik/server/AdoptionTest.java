package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.ScaleId;
import yendrik.core.people.StaffKind;
import yendrik.server.design.OutcomeForms;

/** Frameworks of the institution, and courses that adopt from them. */
@ServerTest
class AdoptionTest extends SchoolTest {
  private Caller sefa;
  private String framework;
  private long frameworkId;
  private NewCourse course;
  private long tie;

  @BeforeEach
  void aFrameworkAndACourse() {
    sefa = as("Sefa Dunmore");
    String name = "Practice " + System.nanoTime();
    frameworkId = sefa.post("/api/frameworks", new Sent.Name(name)).path("id").asLong();
    framework = "/api/courses/" + frameworkId;
    course = new NewCourse(sefa, "Adopting " + System.nanoTime());
    tie = add(framework, "TIE").path("id").asLong();
  }

  private JsonNode add(String where, String code, long... parts) {
    var scale = new ScaleId(sefa.get(where + "/design").path("scales").path(0).path("id").asLong());
    var rule = Sent.by(OutcomeForms.Method.BEST);
    var of = Arrays.stream(parts).mapToObj(OutcomeId::new).toList();
    var edit =
        of.isEmpty()
            ? Sent.outcome(code, "Do " + code, scale, rule)
            : Sent.madeOf(of, code, "Do " + code, scale, rule);
    return sefa.post(where + "/design/outcomes", edit);
  }

  private JsonNode adopt(long... outcomes) {
    var wanted = Arrays.stream(outcomes).mapToObj(OutcomeId::new).toList();
    return sefa.post(
        course.path + "/design/frameworks/" + frameworkId + "/adoption",
        new Sent.Adopted(wanted, List.of()));
  }

  private JsonNode outcome(String where, String code) {
    for (JsonNode one : sefa.get(where + "/design").path("outcomes"))
      if (one.path("code").asString().equals(code)) return one;
    throw new AssertionError("no " + code + " in " + where);
  }

  private MockHttpServletResponse put(
      String where, String part, JsonNode now, Consumer<ObjectNode> change) {
    ObjectNode edit = ((ObjectNode) now).deepCopy();
    edit.remove(java.util.List.of("id", "version", "adopted"));
    ObjectNode seen = edit.deepCopy();
    change.accept(edit);
    String path = where + "/design/" + part + "/" + now.path("id").asLong();
    return part.equals("scales")
        ? sefa.call("PUT", path, edit.toString(), "If-Match", now.path("version").toString())
        : sefa.change(path, seen, edit);
  }

  private void reword(String name) {
    var put = put(framework, "outcomes", outcome(framework, "TIE"), e -> e.put("name", name));
    assertThat(put.getStatus()).isEqualTo(200);
  }

  private int decide(String part, JsonNode on, String decision) {
    return sefa.call(
            "POST",
            course.path + "/design/" + part + "/" + on.path("id").asLong() + "/decision",
            new Sent.Decided(decision))
        .getStatus();
  }

  @Test
  void an_adopted_outcome_comes_with_its_scale_its_parts_and_its_identifier() {
    JsonNode whole = add(framework, "ALL", tie);
    assertThat(adopt(whole.path("id").asLong()).path("fresh").asInt()).isEqualTo(2);
    JsonNode all = outcome(course.path, "ALL");
    long here = outcome(course.path, "TIE").path("id").asLong();
    assertThat(all.path("madeOf").path("parts").path(0).asLong()).isEqualTo(here).isNotEqualTo(tie);
    assertThat(all.path("adopted").path("framework").asString()).startsWith("Practice ");
    JsonNode scales = sefa.get(course.path + "/design").path("scales");
    assertThat(scales.size()).as("its own one and the adopted one").isEqualTo(2);
    assertThat(all.path("scale").asLong()).isEqualTo(scales.path(1).path("id").asLong());
    assertThat(adopt(whole.path("id").asLong()).path("fresh").asInt()).as("again").isZero();
  }

  @Test
  void outcomes_that_are_made_of_each_other_are_adopted_with_the_fault_to_mend() {
    long whole = add(framework, "ALL", tie).path("id").asLong();
    put(
        framework,
        "outcomes",
        outcome(framework, "TIE"),
        e -> e.putObject("madeOf").put("how", "ALL").put("n", 1).putArray("parts").add(whole));
    assertThat(adopt(whole).path("fresh").asInt()).isEqualTo(2);
    assertThat(sefa.get(course.path + "/design").path("faults").toString()).contains("ALL");
  }

  @Test
  void a_later_wording_is_offered_and_taken_or_kept_away_until_the_next() {
    adopt(tie);
    reword("Tie any knot");
    JsonNode offered = outcome(course.path, "TIE");
    assertThat(offered.path("name").asString()).isEqualTo("Do TIE");
    assertThat(offered.path("adopted").path("news").path("name").asString())
        .isEqualTo("Tie any knot");
    assertThat(decide("outcomes", offered, "KEEP")).isEqualTo(204);
    assertThat(outcome(course.path, "TIE").path("adopted").has("news")).isFalse();
    reword("Tie every knot");
    assertThat(decide("outcomes", outcome(course.path, "TIE"), "TAKE")).isEqualTo(204);
    JsonNode taken = outcome(course.path, "TIE");
    assertThat(taken.path("name").asString()).isEqualTo("Tie every knot");
    assertThat(taken.path("adopted").has("news")).isFalse();
  }

  @Test
  void the_words_of_an_adopted_outcome_are_changed_only_after_making_it_the_courses_own() {
    adopt(tie);
    JsonNode now = outcome(course.path, "TIE");
    var words = put(course.path, "outcomes", now, e -> e.put("name", "Ours"));
    assertThat(words.getStatus()).isEqualTo(422);
    assertThat(Caller.json(words).path("fields").path("name").asString()).contains("framework");
    var method =
        put(
            course.path,
            "outcomes",
            now,
            e -> ((ObjectNode) e.path("levelRule")).put("method", "MEAN"));
    assertThat(method.getStatus()).as("how levels are found is the course's").isEqualTo(200);
    assertThat(decide("outcomes", now, "OWN")).isEqualTo(204);
    var own = put(course.path, "outcomes", outcome(course.path, "TIE"), e -> e.put("name", "Ours"));
    assertThat(own.getStatus()).isEqualTo(200);
    assertThat(standing("TIE")).isEqualTo("OWN");
    adopt(tie);
    assertThat(outcome(course.path, "TIE").path("name").asString())
        .as("adopting again brings the framework's words back")
        .isEqualTo("Do TIE");
    assertThat(standing("TIE")).isEqualTo("ADOPTED");
  }

  private String standing(String code) {
    for (JsonNode f : sefa.get(course.path + "/design/frameworks"))
      if (f.path("id").asLong() == frameworkId)
        for (JsonNode o : f.path("outcomes"))
          if (o.path("code").asString().equals(code)) return o.path("standing").asString();
    throw new AssertionError("no offer " + code);
  }

  @Test
  void codes_in_the_way_are_all_named_and_nothing_is_adopted() {
    long knot = add(framework, "KNOT").path("id").asLong();
    add(course.path, "TIE");
    assertThat(standing("TIE")).isEqualTo("CODE_TAKEN");
    JsonNode refused = adopt(knot, tie);
    assertThat(refused.path("findings").toString()).contains("with the code TIE");
    assertThat(sefa.get(course.path + "/design").path("outcomes").size()).isEqualTo(1);
  }

  @Test
  void an_outcome_that_the_framework_retires_stays_in_the_course_and_is_said_to_be_gone() {
    adopt(tie);
    put(framework, "outcomes", outcome(framework, "TIE"), e -> e.put("retired", true));
    JsonNode here = outcome(course.path, "TIE").path("adopted");
    assertThat(here.path("gone").asBoolean()).isTrue();
    assertThat(here.has("news")).isFalse();
  }

  private JsonNode scale(String where, int n) {
    return sefa.get(where + "/design").path("scales").path(n);
  }

  @Test
  void a_changed_scale_says_what_is_new_and_what_that_does_before_it_is_taken() {
    adopt(tie);
    var changed =
        put(
            framework,
            "scales",
            scale(framework, 0),
            e -> {
              e.withArray("levels")
                  .addObject()
                  .put("name", "Teaches it")
                  .put("points", 4)
                  .put("description", "");
              ((ObjectNode) e.path("levels").path(1)).put("name", "Almost");
            });
    assertThat(changed.getStatus()).isEqualTo(200);
    JsonNode offered = scale(course.path, 1);
    assertThat(offered.path("adopted").path("news").toString())
        .contains("“Nearly” is called “Almost”.")
        .contains("“Teaches it” is a new level.");
    var refused = put(course.path, "scales", offered, e -> e.put("name", "Ours"));
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(decide("scales", offered, "TAKE")).isEqualTo(204);
    JsonNode taken = scale(course.path, 1);
    assertThat(taken.path("levels").size()).isEqualTo(4);
    assertThat(taken.path("adopted").path("news").isEmpty()).isTrue();
    assertThat(decide("scales", taken, "OWN")).isEqualTo(204);
    assertThat(
            put(course.path, "scales", scale(course.path, 1), e -> e.put("name", "Ours"))
                .getStatus())
        .isEqualTo(200);
  }

  @Test
  void a_scale_that_courses_have_adopted_is_not_deleted_and_they_are_named() {
    adopt(tie);
    long theirs = scale(framework, 0).path("id").asLong();
    sefa.call("DELETE", framework + "/design/outcomes/" + tie, "");
    var refused = sefa.call("DELETE", framework + "/design/scales/" + theirs, "");
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("detail").asString()).contains("adopted by Adopting ");
    decide("scales", scale(course.path, 1), "OWN");
    assertThat(sefa.call("DELETE", framework + "/design/scales/" + theirs, "").getStatus())
        .isEqualTo(204);
  }

  @Test
  void a_level_with_ratings_is_not_taken_away_by_a_framework() {
    adopt(tie);
    long here = outcome(course.path, "TIE").path("id").asLong();
    long step = course.step(course.module("Work"), "PRACTICAL", "A job");
    course.change(
        step, e -> e.putArray("evidenceFor").addObject().put("outcome", here).put("weight", 1));
    course.publish();
    course.enrol("edda@hollowlane.example");
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    int rated =
        sefa.call(
                "POST",
                course.path + "/ratings",
                new Sent.Rating(new OutcomeId(here), 1, List.of(enrolment), "seen"))
            .getStatus();
    assertThat(rated).isLessThan(300);
    put(
        framework,
        "scales",
        scale(framework, 0),
        e -> {
          e.withArray("levels").remove(1);
          e.put("mastery", 1);
        });
    JsonNode offered = scale(course.path, 1);
    assertThat(offered.path("adopted").path("news").toString())
        .contains("“Nearly” cannot go: 1 rating stands at it.");
    assertThat(decide("scales", offered, "TAKE")).isEqualTo(422);
    assertThat(decide("scales", offered, "KEEP")).isEqualTo(204);
    assertThat(scale(course.path, 1).path("levels").size()).isEqualTo(3);
  }

  @Test
  void a_file_does_not_change_words_that_belong_to_a_framework() {
    adopt(tie);
    String comparison = course.path + "/design/framework/csv/comparison";
    String taking =
        course.path
            + "/design/framework/csv/taking?scale="
            + scale(course.path, 0).path("id").asLong();
    byte[] file = "code,name\nTIE,Other words\n".getBytes(StandardCharsets.UTF_8);
    JsonNode brings = Caller.json(sefa.upload(comparison, file));
    assertThat(brings.path("held").toString()).isEqualTo("[\"TIE\"]");
    JsonNode taken = sefa.ended(course.path, sefa.upload(taking, file));
    assertThat(taken.path("result").path("changed").asInt()).isZero();
    assertThat(outcome(course.path, "TIE").path("name").asString()).isEqualTo("Do TIE");
  }

  @Test
  void a_framework_has_no_modules_and_is_no_course_to_designers() {
    var module = sefa.call("POST", framework + "/design/modules", new Sent.Name("M"));
    assertThat(module.getStatus()).isEqualTo(409);
    assertThat(sefa.publish(framework).getStatus()).isEqualTo(409);
    Caller odalys = as("Odalys Brandt");
    assertThat(odalys.call("GET", framework + "/design", "").getStatus()).isEqualTo(404);
    NewCourse hers = newCourse("Adopting");
    staff(hers, "Odalys Brandt", StaffKind.DESIGNER);
    assertThat(odalys.get(hers.path + "/design/frameworks").toString())
        .as("but they see what there is to adopt")
        .contains("\"id\":" + frameworkId);
    assertThat(odalys.call("POST", "/api/frameworks", new Sent.Name("N")).getStatus())
        .isEqualTo(403);
  }
}
