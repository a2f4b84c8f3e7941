package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.json.CoreJson;

/** What staff are told would change the state of a learner's step. */
@ServerTest
class WhatWouldChangeTest extends SchoolTest {
  private NewCourse course;
  private long page;
  private long work;

  @BeforeEach
  void aClosedAssignment() {
    course = newCourse("Left to come");
    long module = course.module("Tubes");
    page = course.step(module, "PAGE", "How a patch holds");
    work = course.step(module, "ASSIGNMENT", "Your first patch");
    course.change(work, e -> e.set("opensWhen", course.ask("seen", page)));
    course.publish();
    course.enrol("ruben@hollowlane.example");
  }

  private JsonNode left(long step) {
    return course.bead("Ruben Sato", step).path("left");
  }

  @Test
  void is_what_opens_it_and_then_what_it_is_done_by() {
    assertThat(left(work)).hasSize(2);
    assertThat(left(work).at("/0/turn").asString()).isEqualTo("LEARNER");
    assertThat(left(work).at("/0/says").asString()).isEqualTo("How a patch holds read");
    as("Ruben Sato").post(course.walk(page) + "/visits", "");
    assertThat(left(work)).hasSize(1);
    assertThat(left(page)).as("it is done").isEmpty();
  }

  @Test
  void goes_back_to_what_opens_the_steps_it_happens_at() {
    long second = course.step(course.module("Chains"), "PAGE", "Why it stretches");
    course.change(
        second,
        e -> {
          e.set("opensWhen", course.ask("seen", work));
          e.put("opensAt", Instant.now().plus(Duration.ofDays(30)).toString());
        });
    course.publish();
    List<String> says = left(second).valueStream().map(l -> l.path("says").asString()).toList();
    assertThat(says.subList(0, 2))
        .containsExactly("How a patch holds read", "Your first patch read");
    assertThat(says.get(2)).startsWith("wait until");
    assertThat(left(second).at("/2/turn").asString()).isEqualTo("CLOCK");
    JsonNode route = as("Ruben Sato").get(course.path + "/walks/mine/route");
    assertThat(route.at("/modules/1/steps/0/far").asBoolean()).isTrue();
    assertThat(route.at("/modules/0/steps/1/far").asBoolean()).as("one thing").isFalse();
    JsonNode way = as("Ruben Sato").get(course.walk(second) + "/way");
    assertThat(way.valueStream().map(l -> l.path("says").asString()).limit(2))
        .containsExactly("read “How a patch holds”", "read “Your first patch”");
    assertThat(way.at("/2/next").asString()).isNotEmpty();
    course.change(page, e -> e.put("published", false));
    course.publish();
    route = as("Ruben Sato").get(course.path + "/walks/mine/route");
    assertThat(route.toString()).doesNotContain("How a patch holds");
  }

  @Test
  void tells_a_learner_of_what_they_do_not_see_neither_whose_turn_it_is_nor_when() {
    long hidden = course.step(course.module("Secret"), "PAGE", "A surprise");
    course.change(
        hidden,
        e -> {
          e.put("listed", false);
          e.put("opensAt", Instant.now().plus(Duration.ofDays(30)).toString());
        });
    long last = course.step(course.module("Last"), "PAGE", "What follows");
    ObjectNode wait = CoreJson.mapper().createObjectNode().put("is", "after").put("id", "w");
    wait.put("days", 3).set("part", course.ask("seen", hidden));
    course.change(last, e -> e.set("opensWhen", wait));
    course.publish();
    Caller ruben = as("Ruben Sato");
    JsonNode way = ruben.get(course.walk(last) + "/way");
    assertThat(way).hasSize(1);
    assertThat(way.at("/0/says").asString()).isEqualTo("something that you do not see yet");
    assertThat(way.at("/0/turn").asString()).isEqualTo("NOBODY");
    assertThat(way.at("/0").has("next")).isFalse();
    assertThat(ruben.call("GET", course.walk(hidden) + "/way", "").getStatus()).isEqualTo(404);
    assertThat(left(last).path(0).path("says").asString())
        .as("staff see it")
        .contains("wait until");
  }

  @Test
  void says_what_only_staff_can_bring() {
    ObjectNode past = CoreJson.mapper().createObjectNode().put("is", "ask").put("id", "past");
    past.putObject("leaf").put("is", "in-time").put("until", "2020-01-01T00:00:00Z");
    course.change(work, e -> e.set("opensWhen", past));
    course.publish();
    assertThat(left(work).at("/0/turn").asString()).isEqualTo("STAFF");
    assertThat(left(work).at("/0/lost").asBoolean()).isTrue();
    assertThat(left(work)).as("what cannot open cannot be handed in either").hasSize(1);
  }
}
