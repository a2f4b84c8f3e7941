package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static yendrik.schema.Tables.LETTER;
import static yendrik.schema.Tables.PERSON;

import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.core.progress.Bead;
import yendrik.server.demo.DemoClock;
import yendrik.server.design.UnusedFiles;
import yendrik.server.files.Files;
import yendrik.server.way.CatchUp;
import yendrik.server.way.PlannedPublications;

/**
 * Publications for everybody, for those who come later, for a moment to come, and their history.
 */
@ServerTest
class PublicationsTest extends SchoolTest {
  private static final String RULE = "/rules/0";
  @Autowired PlannedPublications planned;
  @Autowired CatchUp catchUp;
  @Autowired DemoClock clock;
  @Autowired UnusedFiles unused;
  @Autowired Files files;
  @Autowired DSLContext db;
  private NewCourse course;
  private long module;
  private long first;
  private long second;
  private Instant began = Instant.EPOCH;

  @BeforeEach
  void aCourseThatSomebodyHas() {
    began = clock.instant();
    course = newCourse("In turn");
    module = course.module("Tubes");
    first = course.step(module, "PAGE", "How a patch holds");
    second = course.step(module, "PAGE", "Where it leaks");
    course.publish();
    course.enrol("ruben@hollowlane.example");
  }

  @AfterEach
  void itIsNowAgain() {
    clock.run();
  }

  private void askForTheFirst() {
    course.change(second, e -> e.set("opensWhen", course.ask("seen", first)));
  }

  private void askForNothing() {
    course.change(second, e -> e.putNull("opensWhen"));
  }

  private int publish(boolean later) {
    var edit = new Sent.Publication(course.impact().path("draft").asString(), later);
    return publish(edit);
  }

  /** Until those who are moved meanwhile have come under it too. */
  private int publish(Record edit) {
    var begun = as("Sefa Dunmore").call("POST", course.path + "/publications", edit);
    if (begun.getStatus() != 202) return begun.getStatus();
    String job = course.path + "/jobs/" + Caller.json(begun).path("id").asLong();
    await().until(() -> as("Sefa Dunmore").get(job).path("state").asString().equals("DONE"));
    catchUp.all();
    return begun.getStatus();
  }

  private int plan(boolean later, Instant at) {
    var edit = new Sent.Plan(course.impact().path("draft").asString(), later, at);
    return as("Sefa Dunmore").call("PUT", course.path + "/publications/planned", edit).getStatus();
  }

  private void moment(Duration ahead) {
    clock.putTo(began.plus(ahead));
    planned.all();
    catchUp.all();
  }

  private String state(String learner) {
    return course.bead(learner, second).path("state").asString();
  }

  private JsonNode changes(String of) {
    return as("Sefa Dunmore").get(course.path + "/publications/" + of + "/changes");
  }

  @Test
  void for_those_who_come_later_leave_the_others_what_they_have_until_one_is_for_everybody() {
    askForTheFirst();
    assertThat(publish(true)).isEqualTo(202);
    course.enrol("juno@hollowlane.example");
    assertThat(state("Ruben Sato")).isEqualTo("OPEN");
    assertThat(state("Juno Abara")).isEqualTo("CLOSED");
    assertThat(course.impact().path("earlier").asInt()).isEqualTo(1);
    assertThat(publish(true)).as("the same again for those who come later").isEqualTo(409);
    assertThat(publish(false)).as("the same for everybody").isEqualTo(202);
    assertThat(state("Ruben Sato")).as("what is open stays open").isEqualTo("OPEN");
    assertThat(course.impact().path("earlier").asInt()).isZero();
    assertThat(publish(false)).as("everybody has it").isEqualTo(409);
  }

  private record Telling(String draft, boolean later, boolean tells) {}

  private record PlannedTelling(String draft, boolean later, boolean tells, Instant at) {}

  private void publishTelling(boolean later, boolean tells) {
    var edit = new Telling(course.impact().path("draft").asString(), later, tells);
    assertThat(publish(edit)).isEqualTo(202);
  }

  /** What was written to whom about this course. */
  private List<String> letters(String learner) {
    return db.select(LETTER.BODY)
        .from(LETTER)
        .join(PERSON)
        .on(PERSON.ID.eq(LETTER.RECIPIENT_ID))
        .where(LETTER.COURSE_ID.eq(course.id), PERSON.NAME.eq(learner))
        .orderBy(LETTER.ID)
        .fetch(LETTER.BODY);
  }

  @Test
  void those_for_whom_something_opens_are_written_to_where_that_is_wanted() {
    course.enrol("juno@hollowlane.example");
    course.step(module, "PAGE", "Glue and patience");
    publishTelling(false, false);
    assertThat(letters("Ruben Sato")).as("not wanted").isEmpty();
    long closed = course.step(module, "PAGE", "Not before the first");
    course.change(closed, e -> e.set("opensWhen", course.ask("seen", first)));
    publishTelling(false, true);
    assertThat(letters("Ruben Sato")).as("nothing opens").isEmpty();
    as("Juno Abara").post(course.walk(first) + "/visits", "");
    course.step(module, "PAGE", "Sand the spot");
    course.change(closed, e -> e.putNull("opensWhen"));
    publishTelling(false, true);
    assertThat(letters("Ruben Sato"))
        .singleElement()
        .asString()
        .contains("Hello Ruben", "- Not before the first\n- Sand the spot", "Sefa Dunmore");
    assertThat(letters("Juno Abara"))
        .singleElement()
        .asString()
        .contains("Sand the spot")
        .doesNotContain("Not before the first");
    course.step(module, "PAGE", "For later ones");
    publishTelling(true, true);
    assertThat(letters("Ruben Sato")).as("they have no part in it").hasSize(1);
    course.step(module, "PAGE", "For all of them");
    publishTelling(false, false);
    assertThat(letters("Ruben Sato")).as("not wanted for everybody").hasSize(1);
  }

  @Test
  void what_is_planned_tells_them_when_it_comes() {
    course.step(module, "PAGE", "Glue and patience");
    var edit =
        new PlannedTelling(
            course.impact().path("draft").asString(), false, true, began.plus(Duration.ofHours(2)));
    as("Sefa Dunmore").call("PUT", course.path + "/publications/planned", edit);
    moment(Duration.ofHours(1));
    assertThat(letters("Ruben Sato")).isEmpty();
    moment(Duration.ofHours(3));
    assertThat(letters("Ruben Sato")).hasSize(1);
    moment(Duration.ofHours(4));
    assertThat(letters("Ruben Sato")).as("once").hasSize(1);
  }

  /** A step at the very start, which only those who come later get. */
  private long newFirst() {
    long tools = course.step(module, "PAGE", "Tools for it");
    var order = new Order(List.of(new InOrder(module, List.of(tools, first, second))));
    assertThat(as("Sefa Dunmore").call("PUT", course.path + "/design/order", order).getStatus())
        .isEqualTo(200);
    return tools;
  }

  private record InOrder(long id, List<Long> steps) {}

  private record Order(List<InOrder> modules) {}

  private JsonNode learner(String name) {
    return as("Sefa Dunmore").get(course.path + "/learners/" + course.enrolment(name));
  }

  private String thread(String learner) {
    String letters = course.row(learner).path("thread").asString();
    return letters
        .chars()
        .mapToObj(c -> Bead.of((char) c).state().name())
        .collect(Collectors.joining(" "));
  }

  @Test
  void show_staff_each_learner_under_the_steps_of_what_is_published_last() {
    as("Ruben Sato").post(course.walk(first) + "/visits", "");
    long tools = newFirst();
    assertThat(publish(true)).isEqualTo(202);
    course.enrol("juno@hollowlane.example");
    assertThat(thread("Ruben Sato")).isEqualTo("NOT_FOR_THEM DONE OPEN");
    assertThat(thread("Juno Abara")).isEqualTo("OPEN OPEN OPEN");
    assertThat(learner("Ruben Sato").path("earlier").asInt()).isEqualTo(1);
    assertThat(learner("Juno Abara").has("earlier")).isFalse();
    Caller sefa = as("Sefa Dunmore");
    String bead = course.path + "/learners/" + course.enrolment("Ruben Sato") + "/steps/" + tools;
    var refused = sefa.call("GET", bead, "");
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("detail").asString())
        .startsWith("Ruben Sato has an earlier publication, in which there is no “Tools for it”");
    var opened = new Sent.Exception("OPEN", tools, "");
    String exceptions = course.path + "/learners/" + course.enrolment("Ruben Sato") + "/exceptions";
    assertThat(sefa.call("POST", exceptions, opened).getStatus()).isBetween(400, 499);
    for (String view :
        List.of(
            "/marking",
            "/practicals",
            "/discussions",
            "/quizzes",
            "/approvals",
            "/decisions",
            "/exceptions",
            "/follow-up",
            "/mastery/trend",
            "/reports/progress",
            "/reports/completion",
            "/reports/mastery",
            "/reports/grades",
            "/reports/progress/csv",
            "/reports/completion/csv",
            "/reports/grades/csv"))
      assertThat(sefa.call("GET", course.path + view, "").getStatus()).as(view).isEqualTo(200);
    assertThat(publish(false)).isEqualTo(202);
    assertThat(thread("Ruben Sato")).isEqualTo("OPEN DONE OPEN");
  }

  @Test
  void for_those_who_come_later_take_nothing_away_that_others_have() {
    as("Sefa Dunmore").call("DELETE", course.path + "/design/steps/" + second, "");
    assertThat(plan(true, clock.instant().plusSeconds(60))).isEqualTo(409);
    var edit = new Sent.Publication(course.impact().path("draft").asString(), true);
    var refused = as("Sefa Dunmore").call("POST", course.path + "/publications", edit);
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("detail").asString()).contains("“Where it leaks”");
    assertThat(publish(false)).isEqualTo(202);
  }

  private record Group(String name, List<Long> learners) {}

  @Test
  void keep_a_group_and_a_file_that_only_earlier_or_planned_ones_name() {
    Caller sefa = as("Sefa Dunmore");
    long group =
        sefa.post(course.path + "/groups", new Group("Saturday", List.of())).path("id").asLong();
    long file =
        sefa.post(
                course.path + "/design/files",
                new Sent.SentFile(sefa.sent("plan.bin", new byte[] {1, 2, 3}), "DOCUMENT"))
            .path("id")
            .asLong();
    course.change(second, e -> e.putArray("groups").add(group));
    assertThat(publish(false)).isEqualTo(202);
    course.change(second, e -> e.putArray("groups"));
    assertThat(publish(true)).isEqualTo(202);
    assertThat(sefa.call("DELETE", course.path + "/groups/" + group, "").getStatus())
        .as("those who came before have it")
        .isEqualTo(422);
    course.change(
        first,
        e -> {
          e.put("body", "<p><a data-file=\"" + file + "\">Plan</a></p>");
          e.putArray("groups").add(group);
        });
    assertThat(plan(false, began.plus(Duration.ofDays(200)))).isEqualTo(204);
    course.change(first, e -> e.put("body", "").putArray("groups"));
    for (int month = 1; month < 4; month++) {
      clock.putTo(began.plus(Duration.ofDays(40L * month)));
      unused.clear();
    }
    assertThat(files.of(course.id, file)).isPresent();
    assertThat(sefa.call("DELETE", course.path + "/groups/" + group, "").getStatus())
        .as("it is planned")
        .isEqualTo(422);
    clock.putTo(began.plus(Duration.ofDays(201)));
    planned.all();
    catchUp.all();
    assertThat(as("Ruben Sato").get(course.path + "/walks/mine/route").toString())
        .as("what was planned is for the group only")
        .doesNotContain("How a patch holds");
  }

  @Test
  void that_are_planned_come_once_with_two_servers() throws Exception {
    askForTheFirst();
    assertThat(plan(false, began.plus(Duration.ofHours(1)))).isEqualTo(204);
    clock.putTo(began.plus(Duration.ofHours(2)));
    try (var servers = Executors.newFixedThreadPool(4)) {
      List<Callable<Object>> all = Collections.nCopies(4, Executors.callable(() -> planned.all()));
      for (var done : servers.invokeAll(all)) done.get();
    }
    assertThat(as("Sefa Dunmore").get(course.path + "/publications")).hasSize(2);
  }

  @Test
  void the_first_of_all_is_for_everybody() {
    var fresh = newCourse("Fresh");
    fresh.step(fresh.module("Tubes"), "PAGE", "How a patch holds");
    var edit = new Sent.Publication(fresh.impact().path("draft").asString(), true);
    as("Sefa Dunmore").call("POST", fresh.path + "/publications", edit);
    fresh.enrol("ruben@hollowlane.example");
    assertThat(fresh.impact().path("earlier").asInt()).isZero();
    assertThat(fresh.row("Ruben Sato").path("enrolment").asLong()).isPositive();
  }

  @Test
  void at_a_moment_to_come_bring_what_the_draft_was_when_they_were_planned() {
    assertThat(plan(false, clock.instant().plusSeconds(60))).as("nothing changed").isEqualTo(409);
    askForTheFirst();
    assertThat(plan(false, clock.instant().minusSeconds(60))).as("past").isEqualTo(422);
    assertThat(plan(false, clock.instant().plus(Duration.ofHours(2)))).isEqualTo(204);
    assertThat(course.impact().at("/planned/later").asBoolean()).isFalse();
    askForNothing();
    moment(Duration.ofHours(1));
    course.enrol("juno@hollowlane.example");
    assertThat(state("Juno Abara")).as("before it").isEqualTo("OPEN");
    moment(Duration.ofHours(3));
    course.enrol("aiko@hollowlane.example");
    assertThat(state("Aiko Brenner")).as("after it").isEqualTo("CLOSED");
    assertThat(course.impact().path("planned").isMissingNode()).isTrue();
    assertThat(course.impact().path("changed")).as("what came meanwhile is left").isNotEmpty();
    planned.all();
    assertThat(as("Sefa Dunmore").get(course.path + "/publications")).as("once").hasSize(2);
  }

  @Test
  void that_are_planned_are_dropped_by_hand_and_by_another_publication() {
    askForTheFirst();
    assertThat(plan(true, clock.instant().plusSeconds(60))).isEqualTo(204);
    as("Sefa Dunmore").call("DELETE", course.path + "/publications/planned", "");
    assertThat(course.impact().path("planned").isMissingNode()).isTrue();
    assertThat(plan(true, clock.instant().plusSeconds(60))).isEqualTo(204);
    assertThat(publish(false)).isEqualTo(202);
    moment(Duration.ofHours(1));
    assertThat(as("Sefa Dunmore").get(course.path + "/publications")).hasSize(2);
  }

  @Test
  void stand_in_the_history_as_sentences_before_and_after() {
    askForTheFirst();
    assertThat(changes("next").at(RULE + "/before").isMissingNode()).isTrue();
    assertThat(changes("next").at(RULE + "/after").asString()).isEqualTo("How a patch holds read");
    assertThat(changes("next").at(RULE + "/back/field").asString()).isEqualTo("OPENS_WHEN");
    course.publish();
    assertThat(changes("next").path("rules")).isEmpty();
    assertThat(changes("2").at(RULE + "/place").asString())
        .isEqualTo("Opens when of “Where it leaks”");
    assertThat(changes("2").path("names").toString()).contains("Where it leaks");
    assertThat(changes("2").at(RULE + "/back").isMissingNode()).isFalse();
    askForNothing();
    assertThat(changes("2").at(RULE + "/back").isMissingNode()).as("it is back").isTrue();
    assertThat(changes("1").path("rules")).as("all is new").isEmpty();
    assertThat(
            as("Sefa Dunmore").call("GET", course.path + "/publications/9/changes", "").getStatus())
        .isEqualTo(404);
  }
}
