package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.record.Fact;
import yendrik.formats.badge.Art;
import yendrik.formats.json.CoreJson;
import yendrik.server.way.Walks;

/**
 * Every kind of hidden thing, asked about in every place where a rule can stand: its name is in no
 * byte that a learner is sent.
 */
@ServerTest
class HiddenThingsTest extends SchoolTest {
  private static final String SECRET = "Zinnober";
  @Autowired Walks walks;
  private Caller sefa;
  private Caller edda;
  private NewCourse course;
  private long module;
  private final Map<String, ObjectNode> hidden = new LinkedHashMap<>();
  private int names;

  private String secret() {
    return SECRET + " " + names++;
  }

  private static ObjectNode ask(String leaf, String field, long id) {
    ObjectNode rule =
        CoreJson.mapper().createObjectNode().put("is", "ask").put("id", "n" + System.nanoTime());
    rule.putObject("leaf").put("is", leaf).put(field, id);
    return rule;
  }

  private static ObjectNode all(Iterable<ObjectNode> parts) {
    ObjectNode rule =
        CoreJson.mapper().createObjectNode().put("is", "all").put("id", "a" + System.nanoTime());
    var list = rule.putArray("parts");
    parts.forEach(list::add);
    return rule;
  }

  @BeforeEach
  void aCourseThatAsksForWhatIsHidden() {
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    course = new NewCourse(sefa, "Hidden " + System.nanoTime());
    module = course.module("In sight");
    long first = course.step(module, "PAGE", "First page");
    long never = course.step(module, "PAGE", "Never seen");
    course.change(never, e -> e.set("opensWhen", course.ask("signed-off", first)));

    long unlisted = course.step(module, "PAGE", secret());
    course.change(
        unlisted,
        e -> {
          e.put("listed", false).put("required", false);
          e.set("opensWhen", course.ask("seen", never));
        });
    long unpublished = course.step(module, "PAGE", secret());
    course.change(unpublished, e -> e.put("published", false));
    long others = course.step(module, "PAGE", secret());
    GroupId group = group();
    course.change(others, e -> e.putArray("groups").add(group.value()));
    long unlistedModule = course.module(secret());
    long inside = course.step(unlistedModule, "PAGE", secret());
    changeModule(unlistedModule, course.ask("seen", never), false, true);
    long unpublishedModule = course.module(secret());
    long inUnpublished = course.step(unpublishedModule, "PAGE", secret());
    changeModule(unpublishedModule, course.ask("seen", first), true, false);
    long surprise = badge(secret(), course.ask("seen", never), true);

    hidden.clear();
    hidden.put("an unlisted step", course.ask("step-done", unlisted));
    hidden.put("an unpublished step", course.ask("seen", unpublished));
    hidden.put("another group's step", course.ask("seen", others));
    hidden.put("a step of an unlisted module", course.ask("seen", inside));
    hidden.put("an unlisted module", ask("module-done", "module", unlistedModule));
    hidden.put("a step of an unpublished module", course.ask("seen", inUnpublished));
    hidden.put("an unpublished module", ask("module-done", "module", unpublishedModule));
    hidden.put("a surprise", ask("holds-badge", "badge", surprise));

    hidden.forEach((what, rule) -> {
      long opens = course.step(module, "PAGE", "Opens after " + what);
      course.change(opens, e -> e.set("opensWhen", rule.deepCopy()));
      long done = course.step(module, "PAGE", "Done after " + what);
      course.change(done, e -> e.set("doneWhen", all(List.of(rule.deepCopy()))));
      long door = course.module("Door for " + what);
      course.step(door, "PAGE", "Behind the door for " + what);
      changeModule(door, rule.deepCopy(), true, true);
      badge("Badge for " + what, rule.deepCopy(), false);
    });
    long strict = course.module("In order");
    long before = course.step(strict, "PAGE", secret());
    course.change(
        before,
        e -> {
          e.put("listed", false);
          e.set("opensWhen", course.ask("seen", never));
        });
    course.step(strict, "PAGE", "After it in order");
    ObjectNode edit = moduleEdit("In order", CoreJson.mapper().createObjectNode(), true, true);
    edit.remove("opensWhen");
    edit.put("strictOrder", true);
    save(strict, edit);
    course.publish();
    course.enrol("edda@hollowlane.example");
  }

  private GroupId group() {
    return db.insertInto(yendrik.schema.Tables.LEARNER_GROUP)
        .set(yendrik.schema.Tables.LEARNER_GROUP.COURSE_ID, course.id)
        .set(yendrik.schema.Tables.LEARNER_GROUP.NAME, secret())
        .returning(yendrik.schema.Tables.LEARNER_GROUP.ID)
        .fetchSingle(yendrik.schema.Tables.LEARNER_GROUP.ID);
  }

  private ObjectNode moduleEdit(String name, ObjectNode rule, boolean listed, boolean published) {
    ObjectNode edit = CoreJson.mapper().createObjectNode();
    edit.put("name", name).put("published", published).put("strictOrder", false);
    edit.put("listed", listed).put("tells", true).put("staysOpen", true);
    edit.set("opensWhen", rule);
    return edit;
  }

  private void changeModule(long id, ObjectNode rule, boolean listed, boolean published) {
    String name = moduleNow(id).path("name").asString();
    save(id, moduleEdit(name, rule, listed, published));
  }

  private JsonNode moduleNow(long id) {
    return course
        .design()
        .path("modules")
        .valueStream()
        .filter(m -> m.path("id").asLong() == id)
        .findFirst()
        .orElseThrow();
  }

  private void save(long id, ObjectNode edit) {
    JsonNode now = moduleNow(id);
    ObjectNode seen = ((ObjectNode) now).deepCopy();
    seen.retain(List.of("name", "published", "strictOrder", "listed", "tells", "staysOpen"));
    if (now.path("opensWhen").isObject())
      seen.set("opensWhen", NewCourse.plain(now.path("opensWhen").path("root")));
    var saved = sefa.change(course.path + "/design/modules/" + id, seen, edit);
    assertThat(saved.getStatus()).isEqualTo(200);
  }

  private long badge(String name, ObjectNode rule, boolean surprise) {
    ObjectNode body = CoreJson.mapper().createObjectNode();
    body.put("name", name).put("description", "").put("surprise", surprise);
    body.putObject("picture").put("alt", "").set("art", CoreJson.mapper().valueToTree(Art.PLAIN));
    body.set("earnedWhen", rule);
    return sefa.post(course.path + "/design/badges", body.toString()).path("id").asLong();
  }

  /** All that the learner can ask for, as it comes. */
  private List<String> everything() {
    List<String> answers = new ArrayList<>();
    JsonNode route = edda.get(course.path + "/walks/mine/route");
    answers.add(route.toString());
    for (String path : List.of("/api/session", course.path + "/messages"))
      answers.add(edda.get(path).toString());
    for (JsonNode m : route.path("modules"))
      for (JsonNode step : m.path("steps")) {
        String at = course.walk(step.path("id").asLong());
        answers.add(Caller.json(edda.call("POST", at + "/visits", "")).toString());
        answers.add(Caller.json(edda.call("POST", at + "/confirmation", "")).toString());
      }
    sefa.post(
        course.path + "/letters",
        new Sent.Letter(List.of(course.enrolment("Edda Marsh")), "Open", "{open}"));
    answers.add(edda.get(course.path + "/messages").toString());
    return answers;
  }

  @Test
  void no_name_of_what_is_hidden_reaches_a_learner_and_something_is_said_instead() {
    List<String> answers = everything();
    for (String answer : answers) assertThat(answer).doesNotContain(SECRET);
    String route = answers.getFirst();
    assertThat(route).contains("something that you do not see yet");
    assertThat(route).as("what does not concern the learner is not sent").doesNotContain("WAIVED");
    hidden.keySet().forEach(what -> assertThat(route).contains("Opens after " + what));
    assertThat(route).contains("After it in order");
  }

  @Test
  void a_hidden_step_is_answered_as_one_that_is_not_there() {
    for (JsonNode m : course.design().path("modules"))
      for (JsonNode step : m.path("steps"))
        if (step.path("name").asString().startsWith(SECRET)) {
          String at = course.walk(step.path("id").asLong());
          var answer = edda.call("POST", at + "/visits", "");
          assertThat(answer.getStatus()).isEqualTo(404);
          String nobody =
              Caller.json(edda.call("POST", course.walk(99_999_999) + "/visits", ""))
                  .path("detail")
                  .asString();
          assertThat(Caller.json(answer).path("detail").asString()).isEqualTo(nobody);
        }
  }

  @Test
  void who_joins_the_group_sees_its_step_and_nothing_else_of_what_is_hidden() {
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    GroupId group =
        db.select(yendrik.schema.Tables.LEARNER_GROUP.ID)
            .from(yendrik.schema.Tables.LEARNER_GROUP)
            .where(yendrik.schema.Tables.LEARNER_GROUP.COURSE_ID.eq(course.id))
            .fetchSingle()
            .value1();
    walks.act(enrolment, Optional.empty(), _ -> List.of(new Fact.JoinedGroup(group)));
    String route = edda.get(course.path + "/walks/mine/route").toString();
    assertThat(route.split(SECRET, -1).length - 1)
        .as("its own line, and rules that ask for it")
        .isPositive();
    assertThat(route).contains(SECRET + " 2").doesNotContain(SECRET + " 0", SECRET + " 1");
    for (int n = 3; n <= 8; n++) assertThat(route).doesNotContain(SECRET + " " + n);
  }
}
