package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.PERSON;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.OutcomeId;
import yendrik.core.people.StaffKind;
import yendrik.formats.json.CoreJson;

/** Steps, modules and whole courses are copied with what they need, and what stays is said. */
@ServerTest
class CopyingTest extends SchoolTest {
  private Caller sefa;
  private NewCourse from;
  private NewCourse to;
  private OutcomeId patching;
  private long module;
  private long page;
  private long quiz;
  private long work;

  private record Copy(
      long from,
      List<Long> modules,
      List<Long> steps,
      List<Long> badges,
      Optional<Long> into,
      String dates) {
    Copy(long from, List<Long> modules, List<Long> steps, Optional<Long> into, String dates) {
      this(from, modules, steps, List.of(), into, dates);
    }
  }

  private record Made(
      String name,
      String cohort,
      LocalDate starts,
      int weeks,
      String zone,
      Optional<Long> from,
      boolean practice) {}

  private record Shelved(
      Optional<Long> module,
      Optional<Long> step,
      Optional<Long> badge,
      String name,
      String summary) {
    Shelved(Optional<Long> module, Optional<Long> step, String name, String summary) {
      this(module, step, Optional.empty(), name, summary);
    }
  }

  private record Taken(Optional<Long> into, String dates) {}

  private record At(String at) {}

  @BeforeEach
  void aModuleWithAllThatItNeeds() {
    sefa = as("Sefa Dunmore");
    from = newCourse("From");
    to = newCourse("To");
    patching = from.outcome("PATCH", "Mends a tube", List.of());
    module = from.module("Tubes");
    page = from.step(module, "PAGE", "How a patch holds");
    quiz = from.step(module, "QUIZ", "Name that patch");
    work = from.step(module, "ASSIGNMENT", "A patch of yours");
    from.ask(quiz, NewCourse.question("q1", "What holds?", "Vulcanising", "Glue"));
    from.change(
        quiz,
        e -> {
          e.put("dueAt", "2026-01-09T17:00:00Z");
          e.putArray("evidenceFor").addObject().put("outcome", patching.value()).put("weight", 1);
          e.set("opensWhen", from.ask("seen", page));
        });
    from.change(work, e -> e.set("opensWhen", from.ask("passed", quiz)));
  }

  @AfterEach
  void nobodyElseMakesCourses() {
    db.update(PERSON).set(PERSON.MAKES_COURSES, false).execute();
  }

  private JsonNode copy(List<Long> modules, List<Long> steps, Optional<Long> into, String dates) {
    return sefa.post(
        to.path + "/design/copies", new Copy(from.id.value(), modules, steps, into, dates));
  }

  private JsonNode module(NewCourse course, int n) {
    return course.design().path("modules").path(n);
  }

  @Test
  void a_module_comes_with_its_steps_rules_and_outcomes_which_ask_about_each_other_there() {
    JsonNode report = copy(List.of(module), List.of(), Optional.empty(), "AS_THEY_ARE");
    assertThat(report.path("left")).as(report.toString()).isEmpty();
    JsonNode copied = module(to, 0);
    assertThat(copied.path("name").asString()).isEqualTo("Tubes");
    List<JsonNode> steps = copied.path("steps").valueStream().toList();
    assertThat(steps).hasSize(3);
    long first = steps.get(0).path("id").asLong();
    assertThat(first).isNotEqualTo(page);
    assertThat(steps.get(1).path("opensWhen").toString()).contains("\"step\":" + first);
    assertThat(steps.get(1).path("doneWhen").toString())
        .contains("\"step\":" + steps.get(1).path("id"))
        .doesNotContain("\"step\":" + quiz);
    assertThat(steps.get(1).path("dueAt").asString()).isEqualTo("2026-01-09T17:00:00Z");
    assertThat(to.design().path("outcomes").path(0).path("code").asString()).isEqualTo("PATCH");
    to.publish();
    copy(List.of(module), List.of(), Optional.empty(), "NONE");
    assertThat(to.design().path("outcomes")).as("the outcome is there already").hasSize(1);
    assertThat(module(to, 1).path("steps").path(1).has("dueAt")).isFalse();
    assertThat(from.design().path("modules")).hasSize(1);
  }

  @Test
  void single_steps_go_where_they_are_wanted_and_say_what_could_not_follow() {
    long into = to.module("Mine");
    to.step(into, "PAGE", "First");
    JsonNode report = copy(List.of(), List.of(work), Optional.of(into), "AS_THEY_ARE");
    assertThat(report.path("left").path(0).asString())
        .contains("“A patch of yours”")
        .contains("Name that patch");
    JsonNode steps = module(to, 0).path("steps");
    assertThat(steps.path(1).path("name").asString()).isEqualTo("A patch of yours");
    assertThat(steps.path(1).has("opensWhen")).isFalse();
    to.publish();
  }

  @Test
  void files_come_along_and_keep_their_content_in_one_place() {
    var sent = new Sent.SentFile(sefa.sent("plan.txt", "A plan.".getBytes(UTF_8)), "DOCUMENT");
    long file = sefa.post(from.path + "/design/files", sent).path("id").asLong();
    from.change(page, e -> e.put("body", "<p><a data-file=\"" + file + "\">Plan</a></p>"));
    JsonNode report = copy(List.of(), List.of(page), Optional.empty(), "NONE");
    assertThat(report.path("files").asInt()).isEqualTo(1);
    String body = module(to, 0).path("steps").path(0).path("body").asString();
    String there = body.replaceAll(".*data-file=\"(\\d+)\".*", "$1");
    assertThat(there).isNotEqualTo("" + file);
    assertThat(sefa.call("GET", to.path + "/design/files/" + there, "").getContentAsByteArray())
        .isEqualTo("A plan.".getBytes(UTF_8));
  }

  @Test
  void a_code_that_means_something_else_there_gets_another_one_and_says_so() {
    to.outcome("PATCH", "Writes release notes", List.of());
    JsonNode report = copy(List.of(module), List.of(), Optional.empty(), "NONE");
    assertThat(report.path("left").path(0).asString()).contains("PATCH", "PATCH2");
    assertThat(to.design().path("outcomes").valueStream().map(o -> o.path("code").asString()))
        .containsExactly("PATCH", "PATCH2");
  }

  @Test
  void a_whole_course_begins_as_a_copy_with_its_dates_moved_to_its_start() {
    from.badge("Patcher", Optional.of(from.ask("passed", quiz)));
    var made =
        new Made(
            "Again",
            "Spring",
            LocalDate.of(2026, 3, 2),
            10,
            "Europe/Berlin",
            Optional.of(from.id.value()),
            false);
    JsonNode answer = sefa.post("/api/courses", made);
    assertThat(answer.path("copied").path("left")).as(answer.toString()).isEmpty();
    JsonNode design = sefa.get("/api/courses/" + answer.path("id") + "/design");
    JsonNode steps = design.path("modules").path(0).path("steps");
    assertThat(steps.path(1).path("dueAt").asString())
        .as("eight weeks later at the same time of day")
        .isEqualTo("2026-03-06T17:00:00Z");
    assertThat(design.path("badges").path(0).path("earnedWhen").toString())
        .contains("\"step\":" + steps.path(1).path("id"));
    assertThat(design.path("faults")).isEmpty();
  }

  @Test
  void nobody_copies_from_a_course_that_is_not_theirs() {
    people.addStaff(to.id, signedIn("Ruben Sato").id(), StaffKind.DESIGNER, Optional.empty());
    var copy = new Copy(from.id.value(), List.of(module), List.of(), Optional.empty(), "NONE");
    var refused = as("Ruben Sato").call("POST", to.path + "/design/copies", copy);
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(Caller.json(refused).path("fields").has("from")).isTrue();
    var other = new Copy(to.id.value(), List.of(module), List.of(), Optional.empty(), "NONE");
    assertThat(sefa.call("POST", to.path + "/design/copies", other).getStatus())
        .as("a module of another course")
        .isEqualTo(422);
    assertThat(to.design().path("modules")).isEmpty();
  }

  @Test
  void what_is_on_the_shelf_is_found_by_typing_and_copied_and_taken_away_by_its_giver() {
    String shelf = to.path + "/design/shelf/things";
    var module = new Shelved(Optional.of(this.module), Optional.empty(), "Tubes, ready", "");
    sefa.post(from.path + "/design/shelf/things", module);
    var step =
        new Shelved(Optional.empty(), Optional.of(quiz), "A patch quiz", "For the first week");
    sefa.post(from.path + "/design/shelf/things", step);
    assertThat(sefa.get(shelf + "?text=first week")).hasSize(1);
    JsonNode found = sefa.get(shelf + "?text=patch holds").path(0);
    assertThat(found.path("name").asString()).isEqualTo("Tubes, ready");
    assertThat(found.path("steps")).hasSize(3);
    String thing = shelf + "/" + found.path("id").asLong();
    JsonNode report = sefa.post(thing + "/copies", new Taken(Optional.empty(), "WITH_COURSE"));
    assertThat(report.path("steps")).hasSize(3);
    assertThat(module(to, 0).path("steps").path(1).path("evidenceFor")).hasSize(1);
    people.addStaff(to.id, signedIn("Ruben Sato").id(), StaffKind.DESIGNER, Optional.empty());
    assertThat(as("Ruben Sato").call("DELETE", thing, "").getStatus()).isEqualTo(403);
    assertThat(sefa.call("DELETE", thing, "").getStatus()).isEqualTo(204);
    assertThat(sefa.call("DELETE", thing, "").getStatus()).isEqualTo(404);
    assertThat(sefa.get(shelf + "?text=patch holds")).isEmpty();
    assertThat(module(to, 0).path("steps")).as("the copy stays").hasSize(3);
    assertThat(sefa.get("/api/session").path("courses").toString()).doesNotContain("ready");
  }

  /** One that asks about a step and an outcome, and stands for this outcome. */
  private long badge() {
    ObjectNode mastered = CoreJson.mapper().createObjectNode().put("is", "ask").put("id", "m1");
    mastered.putObject("leaf").put("is", "at-mastery").put("outcome", patching.value());
    ObjectNode both = CoreJson.mapper().createObjectNode().put("is", "all").put("id", "b1");
    both.putArray("parts").add(from.ask("passed", quiz)).add(mastered);
    long badge = from.badge("Tubes badge", Optional.of(both));
    ObjectNode seen = CoreJson.mapper().createObjectNode();
    seen.putArray("outcomes");
    ObjectNode edit = seen.deepCopy();
    edit.putArray("outcomes").add(patching.value());
    sefa.change(from.path + "/design/badges/" + badge, seen, edit);
    return badge;
  }

  @Test
  void a_badge_is_put_on_the_shelf_with_what_it_stands_for_and_says_what_it_asks_no_more() {
    long badge = badge();
    var shelved =
        new Shelved(Optional.empty(), Optional.empty(), Optional.of(badge), "Tube mender", "");
    JsonNode put = sefa.post(from.path + "/design/shelf/things", shelved);
    assertThat(put.path("left").path(0).asString())
        .contains("“Tubes badge”")
        .contains("Name that patch");
    String shelf = to.path + "/design/shelf/things";
    JsonNode found = sefa.get(shelf + "?text=tube mender").path(0);
    assertThat(found.path("what").asString()).isEqualTo("BADGE");
    assertThat(found.path("picture").path("art").isObject()).isTrue();
    String thing = shelf + "/" + found.path("id").asLong();
    JsonNode report = sefa.post(thing + "/copies", new Taken(Optional.empty(), "NONE"));
    assertThat(report.path("badges")).hasSize(1);
    JsonNode design = to.design();
    JsonNode copied = design.path("badges").path(0);
    assertThat(copied.path("name").asString()).isEqualTo("Tubes badge");
    assertThat(copied.path("outcomes").path(0)).isEqualTo(design.at("/outcomes/0/id"));
    assertThat(copied.path("earnedWhen").toString())
        .contains("\"outcome\":" + design.at("/outcomes/0/id"))
        .doesNotContain("\"step\"");
    assertThat(design.path("modules")).isEmpty();
    assertThat(sefa.call("DELETE", thing, "").getStatus()).isEqualTo(204);
    assertThat(sefa.get(shelf + "?text=tube mender")).isEmpty();
  }

  @Test
  void a_badge_goes_alone_from_one_course_to_another_and_one_of_elsewhere_is_refused() {
    long badge = badge();
    var copy =
        new Copy(from.id.value(), List.of(), List.of(), List.of(badge), Optional.empty(), "NONE");
    JsonNode report = sefa.post(to.path + "/design/copies", copy);
    assertThat(report.path("badges")).hasSize(1);
    assertThat(report.path("left")).hasSize(1);
    var elsewhere =
        new Copy(to.id.value(), List.of(), List.of(), List.of(badge), Optional.empty(), "NONE");
    assertThat(sefa.call("POST", from.path + "/design/copies", elsewhere).getStatus())
        .isEqualTo(422);
  }

  @Test
  void only_one_thing_at_a_time_is_put_on_the_shelf() {
    for (var several :
        List.of(
            new Shelved(Optional.empty(), Optional.empty(), "Nothing", ""),
            new Shelved(Optional.of(module), Optional.of(quiz), "Two", "")))
      assertThat(sefa.call("POST", from.path + "/design/shelf/things", several).getStatus())
          .isEqualTo(422);
  }

  @Test
  void a_practice_course_is_wound_back_to_empty_and_brought_back_and_others_are_not() {
    assertThat(sefa.call("POST", from.path + "/winding-back", "").getStatus()).isEqualTo(409);
    var made =
        new Made(
            "To try things in",
            "",
            LocalDate.of(2026, 1, 5),
            10,
            "Europe/Berlin",
            Optional.of(from.id.value()),
            true);
    String practice = "/api/courses/" + sefa.post("/api/courses", made).path("id");
    var refused =
        sefa.call(
            "POST", practice + "/roster", new Sent.Roster(List.of("edda@hollowlane.example")));
    assertThat(refused.getStatus()).isEqualTo(409);
    sefa.get(practice + "/walks/practice/route");
    String at = sefa.post(practice + "/winding-back", "").path("at").asString();
    JsonNode empty = sefa.get(practice + "/design");
    assertThat(empty.path("modules")).isEmpty();
    assertThat(empty.path("outcomes")).isEmpty();
    assertThat(sefa.call("POST", practice + "/winding-back/undoing", new At(at)).getStatus())
        .isEqualTo(204);
    assertThat(sefa.get(practice + "/design").path("modules").path(0).path("steps")).hasSize(3);
    assertThat(from.design().path("modules")).hasSize(1);
  }

  @Test
  void a_designer_makes_courses_once_an_administrator_lets_them() {
    Caller ruben = as("Ruben Sato");
    var made =
        new Made("His", "", LocalDate.of(2026, 1, 5), 10, "Europe/Berlin", Optional.empty(), false);
    assertThat(ruben.call("POST", "/api/courses", made).getStatus()).isEqualTo(403);
    long id = signedIn("Ruben Sato").id().value();
    var let =
        sefa.call(
            "PATCH",
            "/api/people/" + id,
            "{\"from\":{\"makesCourses\":false},\"to\":{\"makesCourses\":true}}");
    assertThat(let.getStatus()).as(Caller.json(let).toString()).isEqualTo(200);
    JsonNode his = ruben.post("/api/courses", made);
    String path = "/api/courses/" + his.path("id");
    assertThat(ruben.get(path + "/design").path("name").asString()).isEqualTo("His");
    var stolen =
        new Made(
            "Not his",
            "",
            LocalDate.of(2026, 1, 5),
            10,
            "Europe/Berlin",
            Optional.of(from.id.value()),
            false);
    assertThat(ruben.call("POST", "/api/courses", stolen).getStatus()).isEqualTo(422);
    assertThat(
            db.fetchExists(
                PERSON, PERSON.ID.eq(signedIn("Ruben Sato").id()), PERSON.MAKES_COURSES.isTrue()))
        .isTrue();
  }

  @Test
  void two_courses_that_copy_from_each_other_at_once_both_get_what_they_asked_for()
      throws Exception {
    long theirs = to.module("Theirs");
    to.step(theirs, "PAGE", "A page of theirs");
    List<Callable<Integer>> acts = new ArrayList<>();
    for (int n = 0; n < 8; n++) {
      boolean there = n % 2 == 0;
      NewCourse source = there ? from : to;
      NewCourse target = there ? to : from;
      var copy =
          new Copy(
              source.id.value(),
              List.of(there ? module : theirs),
              List.of(),
              Optional.empty(),
              "NONE");
      acts.add(() -> sefa.call("POST", target.path + "/design/copies", copy).getStatus());
    }
    try (var threads = Executors.newFixedThreadPool(8)) {
      for (Future<Integer> done : threads.invokeAll(acts)) assertThat(done.get()).isEqualTo(200);
    }
    assertThat(to.design().path("modules")).hasSize(5);
    assertThat(from.design().path("modules")).hasSize(5);
    assertThat(to.design().path("outcomes")).as("one outcome of that code").hasSize(1);
    to.publish();
    from.publish();
  }

  @Test
  void a_double_click_copies_once() {
    var copy = new Copy(from.id.value(), List.of(module), List.of(), Optional.empty(), "NONE");
    String key = UUID.randomUUID().toString();
    JsonNode first =
        Caller.json(sefa.call("POST", to.path + "/design/copies", copy, "Act-Key", key));
    JsonNode second =
        Caller.json(sefa.call("POST", to.path + "/design/copies", copy, "Act-Key", key));
    assertThat(second).isEqualTo(first);
    assertThat(to.design().path("modules")).hasSize(1);
  }

  @Test
  void what_is_on_the_shelf_is_no_course_for_anybody_and_found_by_its_last_step() {
    for (int n = 0; n < 14; n++) from.step(module, "PAGE", "Leaf " + n);
    var shelved = new Shelved(Optional.of(module), Optional.empty(), "Long tubes", "");
    sefa.post(from.path + "/design/shelf/things", shelved);
    JsonNode found = sefa.get(to.path + "/design/shelf/things?text=leaf 13");
    assertThat(found).hasSize(1);
    long id = found.path(0).path("id").asLong();
    for (String view : List.of("/design", "/progress", "/roster", "/walks/practice/route"))
      assertThat(sefa.call("GET", "/api/courses/" + id + view, "").getStatus())
          .as(view)
          .isEqualTo(404);
    var begun =
        new Made(
            "From a thing",
            "",
            LocalDate.of(2026, 1, 5),
            10,
            "Europe/Berlin",
            Optional.of(id),
            false);
    assertThat(sefa.call("POST", "/api/courses", begun).getStatus()).isEqualTo(422);
    var copy = new Copy(id, List.of(), List.of(), Optional.empty(), "NONE");
    assertThat(sefa.call("POST", to.path + "/design/copies", copy).getStatus()).isEqualTo(422);
    sefa.call("DELETE", to.path + "/design/shelf/things/" + id, "");
  }

  @Test
  void a_course_wound_back_twice_comes_back_by_the_first_undoing() {
    var made =
        new Made(
            "Twice",
            "",
            LocalDate.of(2026, 1, 5),
            10,
            "Europe/Berlin",
            Optional.of(from.id.value()),
            true);
    String practice = "/api/courses/" + sefa.post("/api/courses", made).path("id");
    String at = sefa.post(practice + "/winding-back", "").path("at").asString();
    assertThat(sefa.call("POST", practice + "/winding-back", "").getStatus()).isEqualTo(409);
    assertThat(sefa.call("POST", practice + "/winding-back/undoing", new At(at)).getStatus())
        .isEqualTo(204);
    assertThat(sefa.get(practice + "/design").path("modules")).hasSize(1);
  }
}
