package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.ScaleId;
import yendrik.core.people.StaffKind;
import yendrik.formats.json.CoreJson;
import yendrik.server.design.DesignEdits;
import yendrik.server.design.OutcomeForms;

@ServerTest
class PlanningTest extends SchoolTest {
  private NewCourse wheels;

  @BeforeEach
  void aCourseOfOdalys() {
    wheels = newCourse("Wheels");
    staff(wheels, "Odalys Brandt", StaffKind.DESIGNER);
    wheels.outcome("BUILD", "x", List.of());
    long module = wheels.module("Lacing");
    long first = wheels.step(module, "PAGE", "Spokes and their lengths");
    long second = wheels.step(module, "PAGE", "Lace a wheel");
    wheels.change(second, e -> e.set("opensWhen", wheels.ask("seen", first)));
    wheels.publish();
    wheels.enrol("sol@hollowlane.example", "ruben@hollowlane.example");
  }

  private String design() {
    return wheels.path + "/design";
  }

  private ObjectNode edit(JsonNode outcome) {
    ObjectNode edit = ((ObjectNode) outcome).deepCopy();
    edit.remove(java.util.List.of("id", "version"));
    return edit;
  }

  @Test
  void two_people_editing_the_same_thing_never_overwrite_each_other_unseen() {
    var odalys = as("Odalys Brandt");
    JsonNode outcome = odalys.get(design()).path("outcomes").path(0);
    String path = design() + "/outcomes/" + outcome.path("id").asLong();
    ObjectNode seen = edit(outcome);
    ObjectNode first = edit(outcome).put("name", "Build a wheel that stays true");
    assertThat(odalys.change(path, seen, first).getStatus()).isEqualTo(200);
    Caller sefa = as("Sefa Dunmore");
    var second = sefa.change(path, seen, edit(outcome).put("name", "Lace a wheel"));
    assertThat(second.getStatus()).isEqualTo(409);
    assertThat(Caller.json(second).path("current").path("name").asString())
        .isEqualTo("Build a wheel that stays true");
    var beside = sefa.change(path, seen, edit(outcome).put("description", "By hand."));
    assertThat(Caller.json(beside).path("name").asString())
        .as("another field of the same thing")
        .isEqualTo("Build a wheel that stays true");
    assertThat(Caller.json(beside).path("description").asString()).isEqualTo("By hand.");
  }

  @Test
  void what_is_asked_twice_because_its_answer_was_lost_is_no_conflict() {
    var sefa = as("Sefa Dunmore");
    var course = new NewCourse(sefa, "Twice " + System.nanoTime());
    long module = course.module("Tubes");
    long step = course.step(module, "QUIZ", "Rubber and glue");
    String path = course.path + "/design/steps/" + step;
    String rename = "{\"from\":{\"name\":\"Rubber and glue\"},\"to\":{\"name\":\"Glue\"}}";
    for (int n = 0; n < 2; n++)
      assertThat(sefa.call("PATCH", path, rename).getStatus()).isEqualTo(200);
    String score =
        "{\"is\":\"ask\",\"id\":\"a\",\"leaf\":{\"is\":\"score\",\"step\":%s,\"from\":%s,\"to\":%s}}";
    String kept = course.seen(step).path("doneWhen").path("root").toString();
    String from = NewCourse.plain(CoreJson.mapper().readTree(kept)).toString();
    String first = score.formatted(step, "0.6", "1.0");
    assertThat(sefa.call("PATCH", path, doneWhen(from, first)).getStatus()).isEqualTo(200);
    String as = score.formatted(step, "0.6", "1");
    var again = sefa.call("PATCH", path, doneWhen(as, score.formatted(step, "0.7", "1")));
    assertThat(again.getStatus()).as("1 is 1.0").isEqualTo(200);
    assertThat(course.seen(step).path("doneWhen").path("line").asString())
        .isEqualTo("scored 70 % or more");
  }

  private static String doneWhen(String from, String to) {
    return "{\"from\":{\"doneWhen\":%s},\"to\":{\"doneWhen\":%s}}".formatted(from, to);
  }

  @Test
  void fields_are_known_whole_and_sound_or_refused_by_name() {
    var odalys = as("Odalys Brandt");
    JsonNode module = odalys.get(design()).path("modules").path(0);
    String path = design() + "/modules/" + module.path("id").asLong();
    ObjectNode seen = CoreJson.mapper().createObjectNode().set("name", module.path("name"));
    for (String body :
        List.of(
            "{\"from\":{},\"to\":{\"kind\":1}}",
            "{\"from\":{\"published\":true},\"to\":{}}",
            "{\"from\":{\"published\":true},\"to\":{\"published\":\"maybe\"}}",
            "{\"from\":{\"published\":true},\"to\":{\"published\":null}}",
            "{\"from\":{},\"to\":{\"doneWhen\":{\"is\":\"ask\"}}}",
            "{\"from\":{},\"to\":{\"name\":{\"deep\":1e400}}}")) {
      var refused = odalys.call("PATCH", path, body);
      assertThat(refused.getStatus()).as(body).isEqualTo(422);
      assertThat(Caller.json(refused).path("fields").isEmpty()).as(body).isFalse();
    }
    var blank = odalys.change(path, seen, seen.deepCopy().put("name", " "));
    assertThat(Caller.json(blank).path("fields").path("name").asString())
        .isEqualTo("must not be empty");
    var nul = odalys.change(path, seen, seen.deepCopy().put("name", "a\u0000b"));
    assertThat(nul.getStatus()).isEqualTo(422);
    assertThat(odalys.get(design()).path("modules").path(0)).isEqualTo(module);
    assertThat(odalys.call("PATCH", path, "{\"from\":{},\"to\":{}}").getStatus()).isEqualTo(200);
  }

  @Test
  void a_number_that_is_too_large_for_its_field_names_it() {
    JsonNode outcome = as("Odalys Brandt").get(design()).path("outcomes").path(0);
    String path = design() + "/outcomes/" + outcome.path("id").asLong();
    for (String number : List.of("-9223372036854775808", "1.7976931348623157E308", "1e400")) {
      String rule =
          "{\"from\":{},\"to\":{\"levelRule\":{\"method\":\"BEST\",\"halvesEvery\":%s,"
              + "\"times\":1,\"last\":1,\"fewest\":1}}}";
      var refused = as("Odalys Brandt").call("PATCH", path, rule.formatted(number));
      assertThat(refused.getStatus()).as(number).isEqualTo(422);
      assertThat(Caller.json(refused).path("fields").has("levelRule.halvesEvery")).isTrue();
    }
  }

  @Test
  void bad_input_names_its_field() {
    var odalys = as("Odalys Brandt");
    var scale = new ScaleId(odalys.get(design()).path("scales").path(0).path("id").asLong());
    var taken = Sent.outcome("BUILD", "x", scale, Sent.by(OutcomeForms.Method.BEST));
    var twice = odalys.call("POST", design() + "/outcomes", taken);
    assertThat(twice.getStatus()).isEqualTo(422);
    assertThat(Caller.json(twice).path("fields").has("code")).isTrue();
    var blank = odalys.call("POST", design() + "/modules", new Sent.Name(" "));
    assertThat(Caller.json(blank).path("fields").has("name")).isTrue();
  }

  @Test
  void text_is_made_safe_when_it_is_written() {
    var odalys = as("Odalys Brandt");
    JsonNode step = odalys.get(design()).path("modules").path(0).path("steps").path(0);
    ObjectNode seen = stepEdit(step);
    ObjectNode edit =
        stepEdit(step)
            .put(
                "body",
                "<p onclick=\"x()\">Lace</p><script>alert(1)</script><a href=\"javascript:x\">y</a>");
    var saved =
        Caller.json(odalys.change(design() + "/steps/" + step.path("id").asLong(), seen, edit));
    assertThat(saved.path("body").asString())
        .contains("<p>Lace</p>")
        .doesNotContain("script", "onclick", "javascript");
  }

  private static ObjectNode stepEdit(JsonNode step) {
    ObjectNode edit = ((ObjectNode) step).deepCopy();
    edit.remove(java.util.List.of("id", "version", "module", "kind", "opensWhen"));
    ObjectNode root = ((ObjectNode) step.path("doneWhen").path("root")).deepCopy();
    root.remove(java.util.List.of("n", "parts", "subject", "says"));
    edit.set("doneWhen", root);
    return edit;
  }

  @Test
  void a_rule_about_something_gone_is_said_by_name_and_keeps_the_draft_from_being_published() {
    var odalys = as("Odalys Brandt");
    NewCourse empty = newCourse("Sandbox");
    staff(empty, "Odalys Brandt", StaffKind.DESIGNER);
    String sandbox = empty.path;
    long module = empty.module("One");
    long first = empty.step(module, "PAGE", "First");
    JsonNode second = empty.seen(empty.step(module, "PAGE", "Second"));
    ObjectNode edit = stepEdit(second);
    edit.putObject("opensWhen")
        .put("is", "ask")
        .put("id", "a")
        .putObject("leaf")
        .put("is", "seen")
        .put("step", first);
    assertThat(
            odalys
                .change(
                    sandbox + "/design/steps/" + second.path("id").asLong(), stepEdit(second), edit)
                .getStatus())
        .isEqualTo(200);
    odalys.call("DELETE", sandbox + "/design/steps/" + first, "");
    assertThat(odalys.get(sandbox + "/design").path("faults").path(0).asString())
        .isEqualTo(
            "Opens when of “Second” asks about a step that is gone. Take the condition out.");
    assertThat(odalys.publish(sandbox).getStatus()).isEqualTo(422);
    odalys.call("POST", sandbox + "/design/steps/" + first + "/restoration", "");
    assertThat(odalys.publish(sandbox).getStatus()).isEqualTo(202);
  }

  @Test
  void enrolling_takes_who_is_known_and_names_who_is_not() {
    var body =
        new Sent.Roster(
            List.of(
                "Edda@hollowlane.example", "nobody@hollowlane.example", "sol@hollowlane.example"));
    JsonNode done = as("Odalys Brandt").post(wheels.path + "/roster", body);
    assertThat(done.path("enrolled").asInt()).isEqualTo(1);
    assertThat(done.path("there").path(0).asString()).isEqualTo("sol@hollowlane.example");
    assertThat(done.path("unknown").path(0).asString()).isEqualTo("nobody@hollowlane.example");
  }

  @Test
  void before_publishing_one_sees_who_gains_what() {
    var odalys = as("Odalys Brandt");
    JsonNode step = odalys.get(design()).path("modules").path(0).path("steps").path(1);
    ObjectNode seen = stepEdit(step);
    seen.set("opensWhen", NewCourse.plain(step.path("opensWhen").path("root")));
    var saved =
        odalys.change(design() + "/steps/" + step.path("id").asLong(), seen, stepEdit(step));
    assertThat(saved.getStatus()).isEqualTo(200);
    JsonNode impact = odalys.get(wheels.path + "/publications/next");
    assertThat(impact.path("learners").asInt()).isEqualTo(2);
    assertThat(as("Odalys Brandt").get(design()).path("changed").asBoolean()).isTrue();
  }

  private NewCourse own() {
    return newCourse("Planning");
  }

  private static java.util.List<String> names(NewCourse course) {
    return course
        .design()
        .path("modules")
        .valueStream()
        .flatMap(m -> m.path("steps").valueStream())
        .map(s -> s.path("name").asString())
        .toList();
  }

  @Test
  void a_step_is_added_where_one_stands() {
    NewCourse course = own();
    long module = course.module("Tubes");
    long other = course.module("Wheels");
    long first = course.step(module, "PAGE", "First");
    course.step(module, "PAGE", "Last");
    long second = course.stepAfter(first, module, "VIDEO", "Second");
    course.stepAfter(second, module, "QUIZ", "Third");
    course.stepAfter(first, other, "PAGE", "Elsewhere");
    assertThat(names(course)).containsExactly("First", "Second", "Third", "Last", "Elsewhere");
    as("Sefa Dunmore").call("DELETE", course.path + "/design/steps/" + first, "");
    course.stepAfter(first, module, "PAGE", "At the end");
    assertThat(names(course)).containsExactly("Second", "Third", "Last", "At the end", "Elsewhere");
  }

  @Test
  void what_was_added_is_taken_away_again_only_as_it_was_left() {
    NewCourse course = own();
    Caller sefa = as("Sefa Dunmore");
    long module = course.module("Tubes");
    String modules = course.path + "/design/modules/" + module;
    long page = course.step(module, "PAGE", "How a patch holds");
    String steps = course.path + "/design/steps/" + page;
    course.change(page, e -> e.put("body", "<p>A colleague’s text.</p>"));
    var refused = sefa.call("DELETE", steps, "", "If-Match", "\"1\"");
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("detail").asString()).contains("has worked on it since");
    assertThat(sefa.call("DELETE", modules, "", "If-Match", "\"1\"").getStatus())
        .as("somebody’s step is in it")
        .isEqualTo(409);
    assertThat(sefa.call("DELETE", steps, "", "If-Match", "\"2\"").getStatus()).isEqualTo(204);
    assertThat(sefa.call("DELETE", modules, "", "If-Match", "\"1\"").getStatus()).isEqualTo(204);
  }

  @Test
  void only_the_order_that_was_seen_is_changed() {
    NewCourse course = own();
    Caller sefa = as("Sefa Dunmore");
    long module = course.module("Tubes");
    long a = course.step(module, "PAGE", "A");
    long b = course.step(module, "PAGE", "B");
    var swap =
        new DesignEdits.OrderEdit(
            List.of(NewCourse.order(module, b, a)),
            Optional.of(List.of(NewCourse.order(module, a, b))));
    assertThat(sefa.call("PUT", course.path + "/design/order", swap).getStatus()).isEqualTo(200);
    assertThat(sefa.call("PUT", course.path + "/design/order", swap).getStatus())
        .as("it is in that order no more")
        .isEqualTo(409);
    assertThat(names(course)).containsExactly("B", "A");
  }
}
