package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.strand.work.Judgement;
import yendrik.formats.json.CoreJson;
import yendrik.server.demo.DemoClock;

/**
 * Of what is for others a learner learns nothing: a course with steps, modules, posts and work of
 * others answers like the same course without them, whatever is asked.
 */
@ServerTest
class OutsidersTest extends SchoolTest {
  private static final Instant THEN = Instant.parse("2026-11-16T09:00:00Z");
  private static final Set<String> IDS =
      Set.of(
          "id",
          "step",
          "module",
          "course",
          "outcome",
          "enrolment",
          "post",
          "thread",
          "group",
          "person",
          "badge",
          "learner",
          "more",
          "node");

  @Autowired DemoClock clock;

  private record Group(String name, List<EnrolmentId> learners) {}

  private record Post(Text post, Optional<Long> group, Optional<Long> inReplyTo) {}

  private record Text(String text, List<Long> files) {}

  private record Work(String text) {}

  private record Again(
      int every, String unit, int times, Set<String> weekdaysOut, Set<String> daysOut) {}

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  /** A course, and the steps that everybody has, by name. */
  private record Made(NewCourse course, Map<String, Long> steps) {
    long step(String name) {
      return java.util.Objects.requireNonNull(steps.get(name));
    }
  }

  /** The same course, with what is for others or without it. */
  private Made made(boolean withOthers) {
    clock.putTo(THEN);
    var course = new NewCourse(as("Sefa Dunmore"), "The same");
    Map<String, Long> steps = new LinkedHashMap<>();
    OutcomeId brake = course.outcome("BRAKE", "Set up a brake", List.of());
    long module = course.module("Brakes");
    steps.put("read", course.step(module, "PAGE", "Pads"));
    List<Long> others = new ArrayList<>();
    if (withOthers) others.add(course.step(module, "QUIZ", "Quiz of others"));
    if (withOthers) others.add(course.step(module, "DISCUSSION", "Talk of others"));
    steps.put("work", course.step(module, "ASSIGNMENT", "Job card"));
    steps.put("talk", course.step(module, "DISCUSSION", "By group"));
    if (withOthers) {
      long between = course.module("Module of others");
      others.add(course.step(between, "ASSIGNMENT", "Work of others"));
      others.add(course.step(between, "PRACTICAL", "Bench of others"));
    }
    long last = course.module("Wheels");
    if (withOthers) others.add(course.step(last, "PAGE", "First of others"));
    steps.put("wheel", course.step(last, "QUIZ", "True or not"));
    steps.put("closing", course.step(last, "CLOSING", "The end"));
    if (withOthers) course.ask(others.getFirst(), NewCourse.question("q1", "Else?", "Yes", "No"));
    course.ask(steps.get("wheel"), NewCourse.question("q1", "True?", "Yes", "No"));
    course.change(steps.get("wheel"), e -> tie(e, brake));
    course.change(steps.get("work"), e -> e.put("dueAt", "2026-11-27T17:00:00Z"));
    course.change(steps.get("talk"), e -> NewCourse.part(e).put("byGroup", true));
    course.publish();
    course.enrol("edda@hollowlane.example", "juno@hollowlane.example");
    GroupId tuesday = group(course, "Tuesday", "Juno Abara");
    if (withOthers) {
      boolean[] named = new boolean[1];
      for (long step : others)
        course.change(
            step,
            e -> {
              if (named[0]) e.putArray("people").add(signedIn("Juno Abara").id().value());
              else e.putArray("groups").add(tuesday.value());
              named[0] = !named[0];
              e.put("minutes", 90).put("points", 50).put("dueAt", "2026-11-20T17:00:00Z");
              tie(e, brake);
            });
      course.publish();
      others(course, others);
    }
    return new Made(course, steps);
  }

  private static void tie(ObjectNode edit, OutcomeId outcome) {
    ArrayNode ties = edit.putArray("evidenceFor");
    ties.addObject().put("outcome", outcome.value()).put("weight", 1);
  }

  private GroupId group(NewCourse course, String name, String learner) {
    var group = new Group(name, List.of(course.enrolment(learner)));
    return new GroupId(as("Sefa Dunmore").post(course.path + "/groups", group).path("id").asLong());
  }

  /** What the other learner does. */
  private void others(NewCourse course, List<Long> steps) {
    Caller juno = as("Juno Abara");
    for (long step : steps) juno.post(course.walk(step) + "/visits", "");
    for (JsonNode module : course.design().path("modules"))
      for (JsonNode step : module.path("steps")) {
        String at = course.walk(step.path("id").asLong());
        switch (step.path("kind").asString()) {
          case "DISCUSSION" ->
              juno.post(
                  at + "/posts",
                  new Post(new Text("<p>Seen</p>", List.of()), Optional.empty(), Optional.empty()));
          case "ASSIGNMENT" -> juno.post(at + "/versions", new Work("Mine"));
          case "PAGE" -> juno.post(at + "/confirmation", "");
          default -> {}
        }
      }
    String copies = course.path + "/design/steps/" + steps.getFirst() + "/copies";
    assertThat(as("Sefa Dunmore").post(copies, new Again(1, "WEEKS", 2, Set.of(), Set.of())))
        .hasSize(2);
    course.publish();
  }

  /** All that a learner asks and is answered, while they go through the course. */
  private List<String> answers(Made made) {
    List<String> all = new ArrayList<>();
    Caller edda = as("Edda Marsh");
    NewCourse course = made.course;
    look(all, edda, course);
    clock.putTo(THEN.plus(Duration.ofHours(1)));
    for (String name : List.of("read", "work", "talk", "wheel", "closing")) {
      String at = course.walk(made.step(name));
      add(all, name, edda.post(at + "/visits", ""));
      add(all, name, edda.get(at + "/posts"));
      switch (name) {
        case "read" -> add(all, name, edda.post(at + "/confirmation", ""));
        case "work" -> add(all, name, edda.post(at + "/versions", new Work("Mine")));
        case "talk" ->
            add(
                all,
                name,
                edda.post(
                    at + "/posts",
                    new Post(
                        new Text("<p>Hm</p>", List.of()), Optional.empty(), Optional.empty())));
        // In what order the choices come is by chance.
        case "wheel" -> {
          JsonNode attempt = edda.post(at + "/attempts", "");
          all.add(name + attempt.path("questions").size());
          edda.post(at + "/attempts/1/result", Caller.answers(attempt, "Yes"));
          String work =
              course.path
                  + "/marking/"
                  + course.enrolment("Edda Marsh")
                  + "/"
                  + made.step("work")
                  + "/marks";
          var marked = as("Sefa Dunmore").call("POST", work, new Sent.Mark(1, 7, Judgement.PASSED));
          assertThat(marked.getStatus()).as(Caller.json(marked).toString()).isEqualTo(204);
        }
        default -> {}
      }
      look(all, edda, course);
    }
    clock.putTo(THEN.plus(Duration.ofDays(5)));
    look(all, edda, course);
    as("Sefa Dunmore")
        .post(
            course.path + "/letters",
            new Sent.Letter(List.of(course.enrolment("Edda Marsh")), "Open", "{open} {done}"));
    add(all, "messages", edda.get(course.path + "/messages"));
    for (long step : made.steps.values()) add(all, "film", edda.get(course.walk(step) + "/film"));
    return all;
  }

  /** What is asked of the course as a whole. */
  private void look(List<String> all, Caller edda, NewCourse course) {
    add(all, "route", edda.get(course.path + "/walks/mine/route"));
    add(all, "calendar", edda.get(course.path + "/walks/mine/calendar"));
    for (JsonNode c : edda.get("/api/session").path("courses"))
      if (c.path("id").asLong() == course.id.value()) add(all, "session", c);
  }

  private static void add(List<String> all, String what, JsonNode answer) {
    all.add(what + ": " + plain(answer));
  }

  /** An answer without what tells two courses apart anyway. */
  private static JsonNode plain(JsonNode answer) {
    if (answer instanceof ObjectNode object) {
      ObjectNode plain = CoreJson.mapper().createObjectNode();
      object
          .properties()
          .forEach(p -> {
            boolean id =
                p.getKey().equals("id") || IDS.contains(p.getKey()) && p.getValue().isNumber();
            if (id) plain.put(p.getKey(), "#");
            else plain.set(p.getKey(), plain(p.getValue()));
          });
      return plain;
    }
    if (answer instanceof ArrayNode array) {
      ArrayNode plain = CoreJson.mapper().createArrayNode();
      array.forEach(part -> plain.add(plain(part)));
      return plain;
    }
    if (answer.isString())
      return CoreJson.mapper()
          .createArrayNode()
          .add(answer.asString().replaceAll("/\\d+", "/#").replaceAll("\\bt\\d+\\b", "t#"))
          .path(0);
    return answer;
  }

  @Test
  void a_course_with_what_is_for_others_answers_like_the_same_without_it() {
    List<String> without = answers(made(false));
    Made crowded = made(true);
    List<String> with = answers(crowded);
    for (int n = 0; n < without.size(); n++) assertThat(with.get(n)).isEqualTo(without.get(n));
    assertThat(with).hasSameSizeAs(without);
    assertThat(String.join("", with)).contains("\"complete\":true").doesNotContain("others");
    assertThat(as("Juno Abara").get(crowded.course.path + "/walks/mine/route").toString())
        .contains("of others");
  }
}
