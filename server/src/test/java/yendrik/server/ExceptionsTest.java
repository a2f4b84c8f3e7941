package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.BadgeId;
import yendrik.core.id.EnrolmentId;
import yendrik.server.demo.DemoClock;
import yendrik.server.way.CatchUp;
import yendrik.server.way.Walks;

/** What staff may do for one learner against the rules, and what it leaves behind. */
@ServerTest
class ExceptionsTest extends SchoolTest {
  @Autowired DemoClock clock;
  @Autowired CatchUp catchUp;
  @Autowired Walks walks;
  private NewCourse course;
  private long page;
  private long work;
  private Caller ruben;
  private Caller sefa;

  @BeforeEach
  void aCourseWithAClosedAssignment() {
    sefa = as("Sefa Dunmore");
    ruben = as("Ruben Sato");
    course = new NewCourse(sefa, "Exceptions " + System.nanoTime());
    long module = course.module("Tubes");
    page = course.step(module, "PAGE", "How a patch holds");
    work = course.step(module, "ASSIGNMENT", "Your first patch");
    course.change(work, e -> e.set("opensWhen", course.ask("seen", page)));
    course.publish();
    course.enrol("ruben@hollowlane.example");
  }

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  private String exceptions() {
    return course.path + "/learners/" + course.enrolment("Ruben Sato") + "/exceptions";
  }

  @Test
  void an_exception_ends_and_what_followed_from_it_stays() {
    except("EXCUSE", page);
    JsonNode standing = sefa.get(exceptions()).path(0);
    assertThat(standing.path("says").asString()).isEqualTo("excused: seen");
    assertThat(standing.path("by").asString()).isEqualTo("Sefa Dunmore");
    String one = exceptions() + "/" + standing.path("fact").asLong();
    assertThat(sefa.call("POST", one + "/end", new Sent.Reason("well again")).getStatus())
        .isEqualTo(204);
    assertThat(course.bead("Ruben Sato", page).path("state").asString()).isEqualTo("OPEN");
    assertThat(sefa.get(exceptions()).size()).isZero();
    assertThat(sefa.call("POST", one + "/end", new Sent.Reason("")).getStatus())
        .as("it has ended already")
        .isEqualTo(409);
  }

  @Test
  void an_exception_is_taken_back_as_if_it_had_never_been() {
    except("OPEN", work);
    assertThat(course.bead("Ruben Sato", work).path("state").asString()).isEqualTo("OPEN");
    long fact = sefa.get(exceptions()).path(0).path("fact").asLong();
    assertThat(sefa.call("DELETE", exceptions() + "/" + fact, "").getStatus()).isEqualTo(204);
    assertThat(course.bead("Ruben Sato", work).path("state").asString()).isEqualTo("CLOSED");
    assertThat(sefa.call("DELETE", exceptions() + "/" + fact, "").getStatus()).isEqualTo(409);
  }

  private record Until(String kind, long step, String reason, Instant until) {}

  @Test
  void what_was_opened_until_a_moment_closes_then_by_itself() {
    Instant now = clock.instant();
    var gone = new Until("OPEN", work, "", now.minusSeconds(1));
    assertThat(sefa.call("POST", exceptions(), gone).getStatus()).as("past").isEqualTo(422);
    var week = new Until("OPEN", work, "", now.plus(Duration.ofDays(7)));
    assertThat(sefa.call("POST", exceptions(), week).getStatus()).isEqualTo(204);
    assertThat(course.bead("Ruben Sato", work).path("state").asString()).isEqualTo("OPEN");
    assertThat(sefa.get(exceptions()).at("/0/says").asString()).startsWith("opened until");
    clock.putTo(now.plus(Duration.ofDays(8)));
    catchUp.all();
    assertThat(course.bead("Ruben Sato", work).path("state").asString()).isEqualTo("CLOSED");
    assertThat(sefa.get(exceptions())).isEmpty();
    assertThat(sefa.get(course.path + "/exceptions")).isEmpty();
  }

  @Test
  void a_step_started_anew_begins_as_at_first_and_all_comes_back_with_its_taking_back() {
    assertThat(except("START_ANEW", page)).as("nothing was done there").isEqualTo(409);
    ruben.post(course.walk(page) + "/visits", "");
    assertThat(course.bead("Ruben Sato", page).path("state").asString()).isEqualTo("DONE");
    handIn("Rough side up");
    assertThat(except("START_ANEW", work)).isEqualTo(204);
    assertThat(course.bead("Ruben Sato", work).path("state").asString()).isEqualTo("OPEN");
    assertThat(sefa.get(course.path + "/marking").toString())
        .as("nothing waits for marking")
        .doesNotContain("Your first patch");
    assertThat(handIn("Dust off, then glue").getStatus()).isEqualTo(200);
    assertThat(course.bead("Ruben Sato", work).path("state").asString()).isEqualTo("WAITING");
    assertThat(except("START_ANEW", page)).isEqualTo(204);
    assertThat(course.bead("Ruben Sato", page).path("state").asString()).isEqualTo("OPEN");
    assertThat(course.bead("Ruben Sato", work).path("state").asString())
        .as("what it opened stays")
        .isEqualTo("WAITING");
    JsonNode standing = sefa.get(exceptions()).path(1);
    assertThat(standing.path("says").asString()).isEqualTo("started anew: seen");
    String one = exceptions() + "/" + standing.path("fact").asLong();
    assertThat(sefa.call("POST", one + "/end", new Sent.Reason("")).getStatus())
        .as("it has no end")
        .isEqualTo(409);
    assertThat(sefa.call("DELETE", one, "").getStatus()).isEqualTo(204);
    assertThat(course.bead("Ruben Sato", page).path("state").asString()).isEqualTo("DONE");
    for (EnrolmentId enrolment : walks.learners(course.id))
      assertThat(walks.compare(enrolment)).isEmpty();
  }

  private org.springframework.mock.web.MockHttpServletResponse handIn(String text) {
    return ruben.call("POST", course.walk(work) + "/versions", new Sent.Text(text));
  }

  @Test
  void an_excuse_until_a_moment_ends_then_once_by_itself_and_is_dated_so() throws Exception {
    Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
    var gone = new Until("EXCUSE", page, "ill", now.minusSeconds(1));
    assertThat(sefa.call("POST", exceptions(), gone).getStatus()).as("past").isEqualTo(422);
    var week = new Until("EXCUSE", page, "ill", now.plus(Duration.ofDays(7)));
    assertThat(sefa.call("POST", exceptions(), week).getStatus()).isEqualTo(204);
    assertThat(sefa.get(exceptions()).at("/0/says").asString())
        .startsWith("excused until")
        .endsWith(": ill");
    assertThat(sefa.get(course.path + "/exceptions").at("/0/exception/says").asString())
        .startsWith("excused until");
    catchUp.all();
    assertThat(course.bead("Ruben Sato", page).path("state").asString()).isEqualTo("EXCUSED");
    clock.putTo(now.plus(Duration.ofDays(9)));
    List<Thread> servers =
        IntStream.range(0, 2).mapToObj(_ -> Thread.ofPlatform().start(catchUp::all)).toList();
    for (Thread server : servers) server.join();
    JsonNode bead = course.bead("Ruben Sato", page);
    assertThat(bead.path("state").asString()).isEqualTo("OPEN");
    assertThat(bead.path("happened").valueStream())
        .filteredOn(h -> h.toString().contains("Excuse ended"))
        .singleElement()
        .satisfies(h ->
            assertThat(Instant.parse(h.path("at").asString()))
                .isEqualTo(now.plus(Duration.ofDays(7))));
    assertThat(sefa.get(exceptions())).isEmpty();
    for (EnrolmentId enrolment : walks.learners(course.id))
      assertThat(walks.compare(enrolment)).isEmpty();
  }

  @Test
  void an_end_of_what_was_taken_back_or_given_again_ends_nothing_else() {
    Instant now = clock.instant();
    var week = new Until("EXCUSE", page, "ill", now.plus(Duration.ofDays(7)));
    sefa.call("POST", exceptions(), week);
    long fact = sefa.get(exceptions()).path(0).path("fact").asLong();
    sefa.call("DELETE", exceptions() + "/" + fact, "");
    assertThat(except("EXCUSE", page)).as("for good now").isEqualTo(204);
    clock.putTo(now.plus(Duration.ofDays(9)));
    catchUp.all();
    assertThat(course.bead("Ruben Sato", page).path("state").asString()).isEqualTo("EXCUSED");
    var anew = new Until("START_ANEW", page, "", now.plus(Duration.ofDays(20)));
    assertThat(sefa.call("POST", exceptions(), anew).getStatus())
        .as("it has no end")
        .isEqualTo(422);
  }

  private record One(String kind, long step, String reason) {}

  private record ForSeveral(List<Long> learners, One exception) {}

  @Test
  void several_learners_get_the_same_and_who_has_it_is_told() {
    course.enrol("edda@hollowlane.example");
    except("OPEN", work);
    List<Long> both =
        List.of(course.enrolment("Ruben Sato").value(), course.enrolment("Edda Marsh").value());
    var sent = new ForSeveral(both, new One("OPEN", work, "the hall was closed"));
    JsonNode given = sefa.post(course.path + "/exceptions", sent);
    assertThat(given.path("given").size()).isEqualTo(1);
    assertThat(given.at("/left/0/enrolment").asLong()).isEqualTo(both.getFirst());
    assertThat(given.at("/left/0/why").asString()).contains("Ruben Sato");
    assertThat(course.bead("Edda Marsh", work).path("state").asString()).isEqualTo("OPEN");
    String fact = given.at("/given/0/fact").asString();
    JsonNode again = sefa.post(course.path + "/exceptions", sent);
    assertThat(again.path("given").size()).as("a second time does nothing").isZero();
    String back = course.path + "/learners/" + both.getLast() + "/exceptions/" + fact;
    assertThat(sefa.call("DELETE", back, "").getStatus()).isEqualTo(204);
    assertThat(course.bead("Edda Marsh", work).path("state").asString()).isEqualTo("CLOSED");
  }

  @Test
  void all_exceptions_of_the_course_are_listed_until_they_end_or_are_taken_back() {
    except("OPEN", work);
    except("EXCUSE", page);
    JsonNode all = sefa.get(course.path + "/exceptions");
    assertThat(all).hasSize(2);
    assertThat(all.at("/0/learner").asString()).isEqualTo("Ruben Sato");
    assertThat(all.at("/0/exception/says").asString()).isEqualTo("excused: seen");
    assertThat(all.at("/1/exception/says").asString()).isEqualTo("opened: seen");
    String one = exceptions() + "/" + all.at("/0/exception/fact").asLong();
    sefa.call("POST", one + "/end", new Sent.Reason(""));
    String other = exceptions() + "/" + all.at("/1/exception/fact").asLong();
    sefa.call("DELETE", other, "");
    assertThat(sefa.get(course.path + "/exceptions")).isEmpty();
  }

  @Test
  void nobody_gets_anything_where_one_of_several_is_not_a_learner_there() {
    List<Long> both = List.of(course.enrolment("Ruben Sato").value(), Long.MAX_VALUE);
    var sent = new ForSeveral(both, new One("OPEN", work, ""));
    assertThat(sefa.call("POST", course.path + "/exceptions", sent).getStatus()).isEqualTo(404);
    assertThat(course.bead("Ruben Sato", work).path("state").asString()).isEqualTo("CLOSED");
  }

  @Test
  void learners_see_no_list_and_give_nothing() {
    assertThat(ruben.call("GET", course.path + "/exceptions", "").getStatus()).isEqualTo(403);
    var sent =
        new ForSeveral(List.of(course.enrolment("Ruben Sato").value()), new One("OPEN", work, ""));
    assertThat(ruben.call("POST", course.path + "/exceptions", sent).getStatus()).isEqualTo(403);
  }

  @Test
  void an_exception_that_would_do_nothing_is_refused_and_says_so() {
    assertThat(except("OPEN", page)).as("it is open").isEqualTo(409);
    assertThat(except("ADD_ATTEMPTS", page)).as("there is no limit").isEqualTo(409);
    ruben.post(course.walk(page) + "/visits", "");
    assertThat(except("EXCUSE", page)).as("it is done").isEqualTo(409);
    assertThat(except("EXCUSE", work)).isEqualTo(204);
    assertThat(except("EXCUSE", work)).as("excused already").isEqualTo(409);
    assertThat(moveDue(work)).isEqualTo(204);
    assertThat(moveDue(work)).as("due then already").isEqualTo(409);
  }

  private int except(String kind, long step) {
    return except(new Sent.Exception(kind, step, "seen"));
  }

  private int moveDue(long step) {
    return except(new Sent.Exception("MOVE_DUE", step, "seen").due("2026-12-24T17:00:00Z"));
  }

  private int except(Sent.Exception exception) {
    EnrolmentId enrolment = course.enrolment("Ruben Sato");
    return sefa.call("POST", course.path + "/learners/" + enrolment + "/exceptions", exception)
        .getStatus();
  }

  @Test
  void an_opened_step_is_open_whatever_its_rule_says() {
    assertThat(ruben.call("POST", course.walk(work) + "/visits", "").getStatus()).isEqualTo(403);
    assertThat(except("OPEN", work)).isEqualTo(204);
    assertThat(ruben.call("POST", course.walk(work) + "/visits", "").getStatus()).isEqualTo(200);
    JsonNode bead = course.bead("Ruben Sato", work);
    assertThat(bead.path("happened").toString()).contains("Sefa Dunmore");
  }

  @Test
  void an_excused_step_neither_counts_nor_holds_anything_shut() {
    assertThat(course.row("Ruben Sato").path("share").asDouble()).isZero();
    assertThat(except("EXCUSE", page)).isEqualTo(204);
    assertThat(course.bead("Ruben Sato", page).path("state").asString()).isEqualTo("EXCUSED");
    assertThat(course.bead("Ruben Sato", page).path("turn").asString())
        .isEqualTo("Nothing is left to do");
    assertThat(course.bead("Ruben Sato", work).path("state").asString()).isEqualTo("OPEN");
  }

  @Test
  void a_moved_due_date_is_the_learners_own() {
    assertThat(except("MOVE_DUE", work)).as("no date given").isEqualTo(422);
    assertThat(moveDue(work)).isEqualTo(204);
    assertThat(course.bead("Ruben Sato", work).path("due").asString())
        .isEqualTo("2026-12-24T17:00:00Z");
  }

  private EnrolmentId elsewhere() {
    NewCourse other = newCourse("Elsewhere");
    other.step(other.module("Wheels"), "PAGE", "Spokes");
    other.publish();
    other.enrol("edda@hollowlane.example");
    return other.enrolment("Edda Marsh");
  }

  @Test
  void an_exception_at_no_step_or_of_no_learner_is_refused() {
    assertThat(except("OPEN", 999_999)).isEqualTo(422);
    var body = new Sent.Exception("OPEN", work, "");
    assertThat(sefa.call("POST", course.path + "/learners/999999/exceptions", body).getStatus())
        .isEqualTo(404);
    assertThat(
            sefa.call("POST", course.path + "/learners/" + elsewhere() + "/exceptions", body)
                .getStatus())
        .as("a learner of another course")
        .isEqualTo(404);
  }

  @Test
  void a_badge_given_by_hand_needs_a_reason_and_shows_it() {
    long badge = course.badge("Patch Hand", Optional.empty());
    course.publish();
    EnrolmentId enrolment = course.enrolment("Ruben Sato");
    String path = course.path + "/learners/" + enrolment + "/badges";
    Function<String, Record> award = reason -> new Sent.Award(new BadgeId(badge), reason);
    assertThat(sefa.call("POST", path, award.apply("")).getStatus()).isEqualTo(422);
    assertThat(sefa.call("POST", path, award.apply("Helped all week")).getStatus()).isEqualTo(204);
    assertThat(sefa.call("POST", path, award.apply("Once more")).getStatus())
        .as("one that is held is not given again")
        .isEqualTo(409);
    var held = ruben.get(course.path + "/walks/mine/route").path("badges").path(0);
    assertThat(held.path("earned").asBoolean()).isTrue();
    assertThat(sefa.get(course.path + "/learners/" + enrolment).path("happened").toString())
        .contains("Helped all week");
  }
}
