package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A learner's dates, here and under a private address for other calendars. */
@ServerTest
class CalendarTest extends SchoolTest {
  private static final String OWN = "/api/account/calendar";
  private NewCourse course;
  private Caller edda;
  private long work;

  @BeforeEach
  void anAssignmentWithDatesAndOneForOthers() {
    edda = as("Edda Marsh");
    course = newCourse("Dates");
    long module = course.module("Wheels");
    work = course.step(module, "ASSIGNMENT", "Wheel note");
    course.change(
        work,
        e ->
            e.put("opensAt", "2026-11-20T08:00:00Z")
                .put("dueAt", "2026-12-01T17:00:00Z")
                .put("lateUntil", "2026-12-04T17:00:00Z")
                .put("closesAt", "2027-01-04T17:00:00Z"));
    long hidden = course.step(module, "PAGE", "Zinnober");
    course.publish();
    course.enrol("edda@hollowlane.example", "ruben@hollowlane.example");
    course.change(
        hidden,
        e -> {
          e.put("dueAt", "2026-12-02T17:00:00Z");
          e.putArray("people").add(signedIn("Ruben Sato").id().value());
        });
    course.publish();
  }

  private String token() {
    String address = edda.post(OWN, "").path("address").asString();
    return address.substring(address.lastIndexOf("/api/"));
  }

  private String text(String path) throws Exception {
    var answer = new Caller(http, Optional.empty()).call("GET", path, "");
    assertThat(answer.getStatus()).isEqualTo(200);
    assertThat(answer.getContentType()).startsWith("text/calendar");
    return new String(answer.getContentAsByteArray(), UTF_8);
  }

  @Test
  void a_step_has_four_dates_in_order_and_what_is_for_others_has_none() {
    JsonNode all = edda.get(course.path + "/walks/mine/calendar");
    assertThat(all.valueStream().map(d -> d.path("is").asString()))
        .containsExactly("OPENS", "DUE", "LATE_UNTIL", "CLOSES");
    assertThat(all.toString()).doesNotContain("Zinnober");
    assertThat(all.path(1).path("at").asString()).isEqualTo("2026-12-01T16:59:59Z");
    edda.post(course.walk(work) + "/visits", "");
    assertThat(edda.get(course.path + "/walks/mine/route").path("coming").path(0).path("is"))
        .hasToString("\"DUE\"");
  }

  @Test
  void another_calendar_reads_them_under_an_address_that_ends_with_the_next_one() throws Exception {
    assertThat(edda.get(OWN).has("since")).isFalse();
    String first = token();
    assertThat(text(first))
        .contains("SUMMARY:Wheel note due", "DTSTART:20261201T165959Z", "/my/steps/" + work)
        .doesNotContain("Zinnober");
    assertThat(edda.get(OWN).has("since")).isTrue();
    assertThat(edda.get(OWN).has("address")).as("it is told once").isFalse();
    String second = token();
    assertThat(new Caller(http, Optional.empty()).call("GET", first, "").getStatus())
        .isEqualTo(404);
    assertThat(text(second)).contains("BEGIN:VCALENDAR");
    edda.call("DELETE", OWN, "");
    assertThat(new Caller(http, Optional.empty()).call("GET", second, "").getStatus())
        .isEqualTo(404);
  }

  @Test
  void a_date_keeps_its_name_when_it_moves_and_goes_when_it_is_done() throws Exception {
    String at = token();
    String uid = "UID:due-" + work + "-course-" + course.id + "@yendrik";
    assertThat(text(at)).contains(uid);
    course.change(work, e -> e.put("dueAt", "2026-12-03T17:00:00Z"));
    course.publish();
    assertThat(text(at)).contains(uid, "DTSTART:20261203T165959Z");
    course.change(work, e -> e.set("doneWhen", course.ask("seen", work)));
    course.publish();
    edda.post(course.walk(work) + "/visits", "");
    assertThat(text(at)).doesNotContain(uid);
  }

  @Test
  void addresses_that_nobody_has_lead_nowhere() {
    for (String none : List.of("x", "AAAA", "%2e%2e", "0", "a".repeat(500)))
      assertThat(
              new Caller(http, Optional.empty())
                  .call("GET", "/api/calendars/" + none, "")
                  .getStatus())
          .as(none)
          .isBetween(400, 404);
  }
}
