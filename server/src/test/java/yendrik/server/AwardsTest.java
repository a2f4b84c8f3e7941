package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.AWARD;
import static yendrik.schema.Tables.LETTER;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;
import yendrik.server.award.EndsTold;
import yendrik.server.demo.DemoClock;
import yendrik.server.way.CatchUp;
import yendrik.server.way.Walks;

/** Badges that are given, taken back, end and are earned again. */
@ServerTest
class AwardsTest extends SchoolTest {
  @Autowired DemoClock clock;
  @Autowired CatchUp catchUp;
  @Autowired Walks walks;
  @Autowired DSLContext db;
  @Autowired EndsTold ends;
  private NewCourse course;
  private long page;
  private long quiz;
  private long badge;
  private Caller ruben;
  private Caller sefa;

  @BeforeEach
  void aCourseWithABadge() {
    sefa = as("Sefa Dunmore");
    ruben = as("Ruben Sato");
    course = new NewCourse(sefa, "Awards " + System.nanoTime());
    long module = course.module("Tubes");
    page = course.step(module, "PAGE", "How a patch holds");
    quiz = course.step(module, "PAGE", "How long it holds");
    badge = course.badge("Patcher", Optional.of(course.ask("seen", page)));
    lasts(Map.of());
    course.enrol("ruben@hollowlane.example");
    course.enrol("edda@hollowlane.example");
  }

  /** Changes the badge and publishes. */
  private void lasts(Map<String, Object> to) {
    if (!to.isEmpty()) {
      var edit = new yendrik.server.http.FieldsEdit(from(to), to);
      var answer = sefa.call("PATCH", course.path + "/design/badges/" + badge, edit);
      assertThat(answer.getStatus()).as(Caller.json(answer).toString()).isEqualTo(200);
    }
    course.publish();
  }

  private Map<String, Object> from(Map<String, Object> to) {
    Map<String, Object> from = new java.util.HashMap<>();
    if (to.containsKey("lasting")) from.put("lasting", Map.of("is", "ALWAYS"));
    if (to.containsKey("soonDays")) from.put("soonDays", 30);
    return from;
  }

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  private void reads(long step) {
    ruben.post(course.walk(step) + "/visits", "");
  }

  private JsonNode mine() {
    return ruben.get(course.path + "/walks/mine/route").path("badges").path(0);
  }

  private JsonNode held() {
    return sefa.get(course.path + "/badges/" + badge);
  }

  private int revoke(String reason) {
    String learner = course.path + "/learners/" + course.enrolment("Ruben Sato");
    String path = learner + "/badges/" + badge + "/revocation";
    return sefa.call("POST", path, new Sent.Reason(reason)).getStatus();
  }

  private List<String> letters() {
    return db.selectFrom(LETTER)
        .where(LETTER.SUBJECT.eq("Patcher ends soon"), LETTER.BODY.contains(name()))
        .fetch(LETTER.BODY);
  }

  private String name() {
    return course.design().path("name").asString();
  }

  private void sound() {
    for (EnrolmentId enrolment : walks.learners(course.id))
      assertThat(walks.compare(enrolment)).isEmpty();
  }

  private record Given(List<Long> learners, String reason, Optional<String> evidence) {}

  private Given to(String reason, String evidence, String... names) {
    List<Long> all = List.of(names).stream().map(n -> course.enrolment(n).value()).toList();
    return new Given(all, reason, Optional.of(evidence));
  }

  @Test
  void a_badge_is_given_to_several_with_a_reason_and_evidence() {
    String path = course.path + "/badges/" + badge + "/awards";
    assertThat(sefa.call("POST", path, to("ok", "", "Ruben Sato")).getStatus())
        .as("no reason")
        .isEqualTo(422);
    assertThat(sefa.call("POST", path, to("seen", "javascript:alert(1)", "Ruben Sato")).getStatus())
        .as("no address")
        .isEqualTo(422);
    reads(page);
    JsonNode came =
        sefa.post(path, to("At the bench", "hollowlane.example/a.png", "Ruben Sato", "Edda Marsh"));
    assertThat(came.path("given").asInt()).isEqualTo(1);
    assertThat(came.path("left").path(0).path("why").asString())
        .isEqualTo("Ruben Sato holds “Patcher” already.");
    JsonNode holders = held().path("holders");
    assertThat(holders).hasSize(2);
    JsonNode edda = holders.path(0);
    assertThat(edda.path("name").asString()).isEqualTo("Edda Marsh");
    assertThat(edda.path("by").asString()).isEqualTo("Sefa Dunmore");
    assertThat(edda.path("reason").asString()).isEqualTo("At the bench");
    assertThat(edda.path("evidence").asString()).isEqualTo("https://hollowlane.example/a.png");
    assertThat(holders.path(1).has("by")).as("earned").isFalse();
    sound();
  }

  @Test
  void who_is_one_step_away_is_told_with_what_is_missing() {
    JsonNode first = sefa.get(course.path + "/badges").path(0);
    assertThat(first.path("close").asInt()).isEqualTo(2);
    assertThat(first.path("holders").asInt()).isZero();
    assertThat(held().at("/close/0/missing").asString()).isEqualTo("How a patch holds read");
    reads(page);
    assertThat(sefa.get(course.path + "/badges").path(0).path("close").asInt()).isEqualTo(1);
    assertThat(sefa.get(course.path + "/badges").path(0).path("holders").asInt()).isEqualTo(1);
  }

  @Test
  void a_badge_is_taken_back_with_a_reason_that_its_holder_reads() {
    reads(page);
    assertThat(revoke("")).isEqualTo(422);
    assertThat(revoke("Somebody else read")).isEqualTo(204);
    assertThat(revoke("Somebody else read")).as("twice").isEqualTo(409);
    JsonNode mine = mine();
    assertThat(mine.path("earned").asBoolean()).isFalse();
    assertThat(mine.path("state").asString()).isEqualTo("REVOKED");
    assertThat(mine.path("said").asString()).isEqualTo("Somebody else read");
    JsonNode holder = held().at("/holders/0");
    assertThat(holder.path("state").asString()).isEqualTo("REVOKED");
    assertThat(holder.path("revokedReason").asString()).isEqualTo("Somebody else read");
    sound();
    String give = course.path + "/badges/" + badge + "/awards";
    assertThat(sefa.post(give, to("It was Ruben", "", "Ruben Sato")).path("given").asInt())
        .as("by hand it can be given again")
        .isEqualTo(1);
    assertThat(mine().path("state").asString()).isEqualTo("CURRENT");
    assertThat(held().at("/holders/0/times").asInt()).isEqualTo(2);
    sound();
  }

  @Test
  void a_badge_ends_by_the_clock_once_with_two_servers() throws Exception {
    lasts(Map.of("lasting", Map.of("is", "MONTHS", "months", 2), "soonDays", 10));
    Instant now = clock.instant();
    reads(page);
    Instant end = Instant.parse(mine().path("until").asString());
    assertThat(Duration.between(now, end).toDays()).isBetween(58L, 63L);
    assertThat(mine().path("state").asString()).isEqualTo("CURRENT");
    clock.putTo(end.minus(Duration.ofDays(9)));
    catchUp.all();
    assertThat(mine().path("state").asString()).isEqualTo("ENDS_SOON");
    assertThat(held().at("/badge/endsSoon").asInt()).isEqualTo(1);
    List<Thread> tellers =
        IntStream.range(0, 2).mapToObj(_ -> Thread.ofPlatform().start(ends::tellDue)).toList();
    for (Thread teller : tellers) teller.join();
    assertThat(letters()).as("once").hasSize(1);
    assertThat(letters().getFirst()).contains("Ruben").contains("is valid until");
    clock.putTo(end.plus(Duration.ofDays(1)));
    List<Thread> servers =
        IntStream.range(0, 2).mapToObj(_ -> Thread.ofPlatform().start(catchUp::all)).toList();
    for (Thread server : servers) server.join();
    assertThat(mine().path("state").asString()).isEqualTo("ENDED");
    assertThat(mine().path("earned").asBoolean()).isFalse();
    assertThat(held().at("/badge/ended").asInt()).isEqualTo(1);
    assertThat(held().at("/badge/close").asInt()).as("only Edda").isEqualTo(1);
    reads(page);
    assertThat(mine().path("state").asString()).as("at most once").isEqualTo("ENDED");
    assertThat(db.fetchCount(AWARD, AWARD.COURSE_ID.eq(course.id))).isEqualTo(1);
    sound();
  }

  @Test
  void what_would_change_is_said_of_how_a_badge_is_earned_again_too() {
    Map<String, Object> before = Map.of("anew", List.of());
    lasts(Map.of("lasting", Map.of("is", "MONTHS", "months", 2), "renewal", before));
    var edit =
        new yendrik.server.http.FieldsEdit(
            Map.of("renewal", before),
            Map.of("renewal", Map.of("anew", List.of(), "when", course.ask("seen", page))));
    var changed = sefa.call("PATCH", course.path + "/design/badges/" + badge, edit);
    assertThat(changed.getStatus()).as(Caller.json(changed).toString()).isEqualTo(200);
    var changes = sefa.call("GET", course.path + "/publications/next/changes", "");
    assertThat(changes.getStatus()).isEqualTo(200);
    assertThat(Caller.json(changes).path("rules")).hasSize(1);
  }

  @Test
  void a_badge_is_earned_again_by_what_happened_since_and_its_steps_begin_anew() {
    lasts(
        Map.of(
            "lasting",
            Map.of("is", "MONTHS", "months", 2),
            "renewal",
            Map.of("anew", List.of(page))));
    reads(page);
    reads(quiz);
    Instant end = Instant.parse(mine().path("until").asString());
    assertThat(course.bead("Ruben Sato", page).path("state").asString()).isEqualTo("DONE");
    clock.putTo(end.minus(Duration.ofDays(20)));
    catchUp.all();
    catchUp.all();
    assertThat(course.bead("Ruben Sato", page).path("state").asString())
        .as("it begins anew")
        .isEqualTo("OPEN");
    assertThat(course.bead("Ruben Sato", quiz).path("state").asString()).isEqualTo("DONE");
    JsonNode soon = mine();
    assertThat(soon.path("state").asString()).isEqualTo("ENDS_SOON");
    assertThat(soon.path("needs").path("says").asString()).isEqualTo("read “How a patch holds”");
    reads(page);
    JsonNode renewed = mine();
    assertThat(renewed.path("state").asString()).isEqualTo("CURRENT");
    assertThat(Instant.parse(renewed.path("until").asString()))
        .as("no day is lost")
        .isEqualTo(end.atZone(ZoneId.of("Europe/Oslo")).plusMonths(2).toInstant());
    assertThat(held().at("/holders/0/times").asInt()).isEqualTo(2);
    ends.tellDue();
    assertThat(letters()).as("it was renewed before anybody was told").isEmpty();
    sound();
  }

  @Test
  void renewing_is_possible_after_the_end_too() {
    lasts(
        Map.of(
            "lasting",
            Map.of("is", "MONTHS", "months", 1),
            "renewal",
            Map.of("anew", List.of(page))));
    reads(page);
    Instant end = Instant.parse(mine().path("until").asString());
    clock.putTo(end.plus(Duration.ofDays(40)));
    // nobody caught up meanwhile: the act itself begins the step anew
    reads(page);
    JsonNode renewed = mine();
    assertThat(renewed.path("state").asString()).isEqualTo("CURRENT");
    assertThat(Instant.parse(renewed.path("until").asString()))
        .isAfter(clock.instant().plus(Duration.ofDays(27)));
    sound();
  }

  @Test
  void what_was_revoked_ends_nobody_and_renews_nothing() {
    lasts(
        Map.of(
            "lasting",
            Map.of("is", "MONTHS", "months", 1),
            "renewal",
            Map.of("anew", List.of(page))));
    reads(page);
    assertThat(revoke("An error")).isEqualTo(204);
    clock.putTo(clock.instant().plus(Duration.ofDays(60)));
    catchUp.all();
    assertThat(course.bead("Ruben Sato", page).path("state").asString()).isEqualTo("DONE");
    assertThat(mine().path("state").asString()).isEqualTo("REVOKED");
    sound();
  }
}
