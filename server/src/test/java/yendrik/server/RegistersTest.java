package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.LEARNER_GROUP;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.StatusId;
import yendrik.core.people.StaffKind;
import yendrik.core.record.Fact;
import yendrik.server.way.Walks;

/** Sessions, their registers, and what follows from them for learners. */
@ServerTest
class RegistersTest extends SchoolTest {
  @Autowired Clock clock;
  private NewCourse course;
  @Autowired Walks walks;
  private Caller sefa;

  @BeforeEach
  void aCourseWithTwoLearners() {
    sefa = as("Sefa Dunmore");
    course = new NewCourse(sefa, "Registers " + System.nanoTime());
    course.step(course.module("Bench"), "PAGE", "Your bench");
    course.publish();
    course.enrol("ruben@hollowlane.example", "edda@hollowlane.example");
  }

  private JsonNode series(Set<DayOfWeek> days, String from, String until, int everyWeeks) {
    return add(
        new Sent.Series(
            "Bench evening",
            Optional.empty(),
            days,
            LocalTime.of(18, 30),
            120,
            everyWeeks,
            LocalDate.parse(from),
            LocalDate.parse(until)));
  }

  private JsonNode add(Sent.Series series) {
    return sefa.post(course.path + "/sessions", series);
  }

  private static List<String> starts(JsonNode sessions) {
    List<String> starts = new ArrayList<>();
    sessions.forEach(s -> starts.add(s.path("startsAt").asString()));
    return starts;
  }

  private long over() {
    return series(Set.of(DayOfWeek.TUESDAY), "2026-01-06", "2026-01-06", 1)
        .path(0)
        .path("id")
        .asLong();
  }

  private EnrolmentId enrolled(String name) {
    return course.enrolment(name);
  }

  /** The number of a status of the course, by its name. */
  private StatusId status(String name) {
    for (JsonNode status : sefa.get(course.path + "/sessions").path("statuses"))
      if (status.path("name").asString().equals(name))
        return new StatusId(status.path("id").asLong());
    throw new AssertionError("no status " + name);
  }

  private static Sent.Attended marked(EnrolmentId learner, long status) {
    return new Sent.Attended(learner, Optional.of(new StatusId(status)));
  }

  private JsonNode mark(long session, String name, String status) {
    var wanted = Optional.of(status).filter(s -> !s.isEmpty()).map(this::status);
    var mark = new Sent.Register(new Sent.Attended(enrolled(name), wanted));
    return Caller.json(sefa.call("PUT", course.path + "/sessions/" + session + "/register", mark));
  }

  private static JsonNode line(JsonNode register, String name) {
    for (JsonNode line : register.path("lines"))
      if (line.path("name").asString().equals(name)) return line;
    throw new AssertionError("no line for " + name + " in " + register);
  }

  @Test
  void a_series_keeps_its_local_time_when_the_clocks_change() {
    JsonNode added =
        series(Set.of(DayOfWeek.SATURDAY, DayOfWeek.TUESDAY), "2026-03-24", "2026-03-31", 1);
    assertThat(starts(added))
        .containsExactly("2026-03-24T17:30:00Z", "2026-03-28T17:30:00Z", "2026-03-31T16:30:00Z");
  }

  @Test
  void every_second_week_counts_from_the_week_of_the_first_day() {
    JsonNode added = series(Set.of(DayOfWeek.MONDAY), "2026-01-07", "2026-02-10", 2);
    assertThat(starts(added))
        .as("the Monday of the first week lies before the first day")
        .containsExactly("2026-01-19T17:30:00Z", "2026-02-02T17:30:00Z");
  }

  @Test
  void a_form_that_makes_no_sense_names_its_field() {
    JsonNode backwards = series(Set.of(DayOfWeek.MONDAY), "2026-02-10", "2026-01-07", 1);
    assertThat(backwards.path("fields").has("until")).isTrue();
    JsonNode empty = series(Set.of(DayOfWeek.SUNDAY), "2026-01-05", "2026-01-09", 1);
    assertThat(empty.path("fields").path("days").asString()).contains("weekdays");
    assertThat(series(Set.of(), "2026-01-05", "2026-01-09", 1).path("fields").has("days")).isTrue();
    JsonNode many =
        series(Set.of(DayOfWeek.MONDAY, DayOfWeek.TUESDAY), "2026-01-05", "2030-01-05", 1);
    assertThat(many.path("fields").path("until").asString()).contains("200");
    var none =
        new Sent.Series(
            "Bench evening",
            Optional.of(new GroupId(999_999)),
            Set.of(DayOfWeek.MONDAY),
            LocalTime.of(10, 0),
            60,
            1,
            LocalDate.of(2026, 1, 5),
            LocalDate.of(2026, 1, 12));
    JsonNode group = add(none);
    assertThat(group.path("fields").has("group")).isTrue();
  }

  @Test
  void a_mark_is_a_fact_by_whoever_took_the_register_and_counts_at_once() {
    long session = over();
    JsonNode register = mark(session, "Ruben Sato", "Late");
    assertThat(line(register, "Ruben Sato").path("by").asString()).isEqualTo("Sefa Dunmore");
    assertThat(line(register, "Ruben Sato").path("attended").asInt()).isEqualTo(1);
    assertThat(line(register, "Edda Marsh").path("status").isMissingNode()).isTrue();
    assertThat(register.path("session").path("counts").path("" + status("Late")).asInt())
        .isEqualTo(1);
    assertThat(register.path("session").path("marked").asInt()).isEqualTo(1);
    JsonNode learner = sefa.get(course.path + "/learners/" + enrolled("Ruben Sato"));
    assertThat(learner.path("happened").toString()).contains("Late: Bench evening, Tue 6 Jan");
    assertThat(learner.path("attendance").path("attended").asInt()).isEqualTo(1);
  }

  @Test
  void whoever_was_enrolled_after_a_session_is_not_missed_but_can_be_marked() {
    long session = over();
    JsonNode before = sefa.get(course.path + "/sessions/" + session + "/register");
    assertThat(before.path("session").path("learners").asInt()).isZero();
    assertThat(line(before, "Ruben Sato").path("expected").asBoolean()).isFalse();
    JsonNode after = mark(session, "Ruben Sato", "Present");
    assertThat(after.path("session").path("learners").asInt()).isEqualTo(1);
    assertThat(line(after, "Ruben Sato").path("expected").asBoolean()).isTrue();
  }

  @Test
  void absence_raises_the_flag_and_a_corrected_mark_takes_it_down_again() {
    long session = over();
    mark(session, "Ruben Sato", "Absent");
    assertThat(course.row("Ruben Sato").path("flags").toString()).contains("Absent");
    JsonNode learner = sefa.get(course.path + "/learners/" + enrolled("Ruben Sato"));
    assertThat(learner.path("flags").toString()).contains("At 0 of 1 session, 0 %.");
    mark(session, "Ruben Sato", "Absent with notice");
    assertThat(course.row("Ruben Sato").path("flags").toString()).doesNotContain("Absent");
  }

  @Test
  void a_mark_taken_back_leaves_no_mark_and_keeps_its_history() {
    long session = over();
    mark(session, "Ruben Sato", "Absent");
    JsonNode register = mark(session, "Ruben Sato", "");
    assertThat(line(register, "Ruben Sato").path("status").isMissingNode()).isTrue();
    assertThat(line(register, "Ruben Sato").path("counted").asInt()).isZero();
    assertThat(
            db.fetchCount(
                yendrik.schema.Tables.FACT,
                yendrik.schema.Tables.FACT.ENROLMENT_ID.eq(enrolled("Ruben Sato")),
                yendrik.schema.Tables.FACT.KIND.in("attendance", "taken-back")))
        .isEqualTo(2);
  }

  @Test
  void a_mark_that_was_corrected_twice_can_still_be_taken_back() {
    long session = over();
    for (String status : List.of("Present", "Late", "Absent")) mark(session, "Ruben Sato", status);
    assertThat(line(mark(session, "Ruben Sato", ""), "Ruben Sato").has("status")).isFalse();
    JsonNode again = mark(session, "Ruben Sato", "Absent with notice");
    assertThat(line(again, "Ruben Sato").path("status").asLong())
        .isEqualTo(status("Absent with notice").value());
    assertThat(again.path("session").path("marked").asInt()).isEqualTo(1);
  }

  @Test
  void before_a_session_begins_one_can_only_give_notice_of_absence() {
    String day = clock.instant().plus(Duration.ofDays(30)).toString().substring(0, 10);
    var all = Set.of(DayOfWeek.values());
    long session = series(all, day, day, 1).path(0).path("id").asLong();
    assertThat(mark(session, "Ruben Sato", "Present").path("detail").asString())
        .contains("has not begun");
    JsonNode register = mark(session, "Ruben Sato", "Absent with notice");
    assertThat(line(register, "Ruben Sato").path("status").asLong())
        .isEqualTo(status("Absent with notice").value());
    JsonNode route = as("Ruben Sato").get(course.path + "/walks/mine/route");
    assertThat(route.path("coming").toString()).contains("Bench evening");
  }

  @Test
  void a_course_begins_with_statuses_of_its_own_and_knows_no_others() {
    assertThat(sefa.get(course.path + "/sessions").path("statuses"))
        .extracting(s -> s.path("name").asString())
        .containsExactly("Present", "Late", "Left early", "Absent with notice", "Absent");
    var mark = new Sent.Register(marked(enrolled("Edda Marsh"), 999_999));
    var response = sefa.call("PUT", course.path + "/sessions/" + over() + "/register", mark);
    assertThat(response.getStatus()).isEqualTo(422);
    assertThat(Caller.json(response).path("fields").has("marks")).isTrue();
  }

  @Test
  void whoever_left_early_was_there() {
    JsonNode register = mark(over(), "Ruben Sato", "Left early");
    assertThat(line(register, "Ruben Sato").path("attended").asInt()).isEqualTo(1);
    assertThat(register.path("session").path("there").asInt()).isEqualTo(1);
  }

  @Test
  void one_wrong_learner_and_nobody_is_marked() {
    long session = over();
    var marks =
        new Sent.Register(marked(enrolled("Edda Marsh"), 1), marked(new EnrolmentId(999_999), 1));
    var response = sefa.call("PUT", course.path + "/sessions/" + session + "/register", marks);
    assertThat(response.getStatus()).isEqualTo(404);
    assertThat(
            sefa.get(course.path + "/sessions/" + session + "/register")
                .path("session")
                .path("marked")
                .asInt())
        .isZero();
  }

  @Test
  void a_session_with_marks_is_not_taken_away_and_one_without_comes_back() {
    long session = over();
    String path = course.path + "/sessions/" + session;
    mark(session, "Ruben Sato", "Present");
    assertThat(sefa.call("DELETE", path, "").getStatus()).isEqualTo(409);
    mark(session, "Ruben Sato", "");
    assertThat(sefa.call("DELETE", path, "").getStatus()).isEqualTo(204);
    assertThat(sefa.get(course.path + "/sessions").path("sessions").size()).isZero();
    assertThat(sefa.call("POST", path + "/restoration", "").getStatus()).isEqualTo(200);
    assertThat(sefa.get(course.path + "/sessions").path("sessions").size()).isEqualTo(1);
  }

  @Test
  void two_people_do_not_change_a_session_over_each_other() {
    long session = over();
    var edit = new Sent.Session("Bench morning", Instant.parse("2026-01-06T09:00:00Z"), 60);
    String path = course.path + "/sessions/" + session;
    assertThat(sefa.call("PUT", path, edit, "If-Match", "1").getStatus()).isEqualTo(200);
    var late = sefa.call("PUT", path, edit, "If-Match", "1");
    assertThat(late.getStatus()).isEqualTo(409);
    assertThat(Caller.json(late).path("current").path("name").asString())
        .isEqualTo("Bench morning");
  }

  @Test
  void a_support_teacher_marks_her_own_and_plans_nothing() {
    GroupId hers =
        db.insertInto(LEARNER_GROUP)
            .set(LEARNER_GROUP.COURSE_ID, course.id)
            .set(LEARNER_GROUP.NAME, "Tuesday")
            .returning(LEARNER_GROUP.ID)
            .fetchSingle(LEARNER_GROUP.ID);
    people.addStaff(
        course.id, signedIn("Priya Nakamura").id(), StaffKind.SUPPORT, Optional.of(hers));
    walks.act(
        course.enrolment("Ruben Sato"), Optional.empty(), _ -> List.of(new Fact.JoinedGroup(hers)));
    series(Set.of(DayOfWeek.MONDAY), "2026-11-30", "2026-11-30", 1);
    Caller priya = as("Priya Nakamura");
    JsonNode calendar = priya.get(course.path + "/sessions");
    assertThat(calendar.path("mayEdit").asBoolean()).isFalse();
    JsonNode first = calendar.path("sessions").path(0);
    assertThat(first.path("learners").asInt()).isLessThan(2);
    String session = course.path + "/sessions/" + first.path("id").asLong();
    JsonNode register = priya.get(session + "/register");
    assertThat(register.path("lines").valueStream().map(l -> l.path("name").asString()))
        .containsExactly("Ruben Sato");
    var notHers = new Sent.Register(marked(course.enrolment("Edda Marsh"), 5));
    assertThat(priya.call("PUT", session + "/register", notHers).getStatus()).isEqualTo(404);
    assertThat(priya.call("DELETE", session, "").getStatus()).isEqualTo(403);
  }
}
