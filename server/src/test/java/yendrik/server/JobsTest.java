package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.JOB;

import java.time.Instant;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.core.people.StaffKind;
import yendrik.core.words.Phrase;
import yendrik.server.design.Taken;
import yendrik.server.http.Problem;
import yendrik.server.jobs.JobResult;
import yendrik.server.jobs.Jobs;
import yendrik.server.jobs.Meter;
import yendrik.server.jobs.Work;
import yendrik.server.people.Seat;

/** Long work: how far it is, what came of it, and that it can be stopped. */
@ServerTest
class JobsTest extends SchoolTest {
  @Autowired Jobs jobs;
  private final CountDownLatch end = new CountDownLatch(1);
  private NewCourse course;
  private Caller sefa;
  private Seat seat;

  @BeforeEach
  void anEmptyCourse() {
    sefa = as("Sefa Dunmore");
    course = new NewCourse(sefa, "Jobs " + System.nanoTime());
    seat = people.seat(course.id, signedIn("Sefa Dunmore"));
  }

  @AfterEach
  void letEverythingEnd() {
    end.countDown();
    sefa.get(course.path + "/jobs").forEach(j -> await().until(() -> ended(j.path("id").asLong())));
  }

  private boolean ended(long job) {
    return !List.of("WAITING", "RUNNING").contains(state(job));
  }

  private JsonNode job(long id) {
    return sefa.get(course.path + "/jobs/" + id);
  }

  private String state(long id) {
    return job(id).path("state").asString();
  }

  /** Counts until the test lets it end. */
  private JobResult count(Meter meter) {
    for (int n = 1; end.getCount() > 0; n++) {
      meter.done(Math.min(n, 10), 10);
      Thread.onSpinWait();
    }
    return new Taken(10, 0);
  }

  private long begin(boolean whole) {
    return jobs.begin(seat, new Work("counting", whole, this::count)).id();
  }

  private void untilHalf(long job) {
    await().until(() -> job(job).path("done").asInt() > 0);
  }

  @Test
  void says_how_far_it_is_and_in_the_end_what_came_of_it() {
    long job = begin(true);
    untilHalf(job);
    assertThat(state(job)).isEqualTo("RUNNING");
    assertThat(job(job).path("of").asInt()).isEqualTo(10);
    assertThat(job(job).path("result").isMissingNode() || job(job).path("result").isNull())
        .isTrue();
    end.countDown();
    await().until(() -> ended(job));
    assertThat(job(job).path("state").asString()).isEqualTo("DONE");
    assertThat(job(job).path("result").path("is").asString()).isEqualTo("taken");
    assertThat(job(job).path("result").path("fresh").asInt()).isEqualTo(10);
  }

  @Test
  void what_is_whole_leaves_nothing_when_it_is_stopped_or_refused() {
    Work rename =
        new Work(
            "counting",
            /* whole= */ true,
            meter -> {
              db.update(COURSE).set(COURSE.NAME, "Half").where(COURSE.ID.eq(course.id)).execute();
              return count(meter);
            });
    long job = jobs.begin(seat, rename).id();
    untilHalf(job);
    assertThat(sefa.call("DELETE", course.path + "/jobs/" + job, "").getStatus()).isEqualTo(202);
    await().until(() -> ended(job));
    assertThat(state(job)).isEqualTo("STOPPED");
    Work refused =
        new Work(
            "counting",
            /* whole= */ true,
            _ -> {
              db.update(COURSE).set(COURSE.NAME, "Half").where(COURSE.ID.eq(course.id)).execute();
              throw Problem.faults(
                  List.of(Phrase.text("Row 2"), Phrase.text("Row 3")), "file-has-faults");
            });
    long other = jobs.begin(seat, refused).id();
    await().until(() -> ended(other));
    assertThat(state(other)).isEqualTo("REFUSED");
    assertThat(job(other).path("problem").path("detail").asString())
        .isEqualTo("The file cannot be taken as it is.");
    assertThat(job(other).path("problem").path("findings").size()).isEqualTo(2);
    assertThat(db.fetchCount(COURSE, COURSE.NAME.eq("Half"))).isZero();
  }

  @Test
  void a_fault_of_ours_ends_it_with_a_sentence() {
    Work broken =
        new Work(
            "counting",
            /* whole= */ true,
            _ -> {
              throw new IllegalStateException("a secret of the house");
            });
    long job = jobs.begin(seat, broken).id();
    await().until(() -> ended(job));
    assertThat(job(job).path("problem").path("detail").asString())
        .contains("Try again")
        .doesNotContain("secret");
  }

  @Test
  void what_cannot_be_stopped_goes_on() {
    long job = begin(false);
    untilHalf(job);
    sefa.call("DELETE", course.path + "/jobs/" + job, "");
    assertThat(job(job).path("stoppable").asBoolean()).isFalse();
    end.countDown();
    await().until(() -> ended(job));
    assertThat(state(job)).isEqualTo("DONE");
  }

  @Test
  void some_run_at_once_and_others_wait_and_can_be_stopped_while_they_do() {
    untilHalf(begin(true));
    untilHalf(begin(true));
    long third = begin(true);
    long fourth = begin(true);
    assertThat(state(third)).isEqualTo("WAITING");
    sefa.call("DELETE", course.path + "/jobs/" + fourth, "");
    end.countDown();
    await().until(() -> ended(third) && ended(fourth));
    assertThat(state(third)).isEqualTo("DONE");
    assertThat(state(fourth)).isEqualTo("STOPPED");
    assertThat(sefa.get(course.path + "/jobs").size()).isEqualTo(4);
  }

  @Test
  void whoever_did_not_begin_it_knows_nothing_of_it() {
    long job = begin(true);
    Caller odalys = as("Odalys Brandt");
    NewCourse hers = newCourse("Hers");
    staff(hers, "Odalys Brandt", StaffKind.DESIGNER);
    for (String method : List.of("GET", "DELETE")) {
      assertThat(odalys.call(method, hers.path + "/jobs/" + job, "").getStatus()).isEqualTo(404);
      assertThat(sefa.call(method, hers.path + "/jobs/" + job, "").getStatus())
          .as("under another course")
          .isEqualTo(404);
    }
    assertThat(odalys.get(hers.path + "/jobs").size()).isZero();
  }

  @Test
  void one_whose_server_is_silent_is_lost() {
    long job =
        db.insertInto(JOB)
            .set(JOB.COURSE_ID, course.id)
            .set(JOB.PERSON_ID, seat.person().id())
            .set(JOB.WHAT, "counting")
            .set(JOB.STATE, "RUNNING")
            .set(JOB.STOPPABLE, true)
            .set(JOB.BEGUN_AT, Instant.parse(ServerTest.TODAY))
            .set(JOB.HEARD_AT, Instant.parse("2026-11-23T15:28:00Z"))
            .returning(JOB.ID)
            .fetchSingle()
            .getId();
    assertThat(state(job)).isEqualTo("LOST");
  }
}
