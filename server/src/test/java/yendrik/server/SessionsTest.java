package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.SPRING_SESSION;
import static yendrik.schema.Tables.STAFF;

import jakarta.servlet.http.Cookie;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import yendrik.core.id.PersonId;

/** What a session lets its person do from one request to the next. */
class SessionsTest extends BenchTest {
  private static final long HOUR = 3_600_000;

  private int progress(Cookie who) throws Exception {
    return http.perform(get(path() + "/reports/progress").cookie(who))
        .andReturn()
        .getResponse()
        .getStatus();
  }

  private static String id(Cookie session) {
    return new String(Base64.getDecoder().decode(session.getValue()), StandardCharsets.UTF_8);
  }

  private static Cookie named(Cookie session, String value) {
    return new Cookie(session.getName(), value);
  }

  @Test
  void ends_when_its_person_signs_out_and_when_its_time_is_over() throws Exception {
    Cookie tomas = session("tomas@hollowlane.example");
    assertThat(progress(tomas)).isEqualTo(200);
    http.perform(delete("/api/session").with(csrf()).cookie(tomas));
    assertThat(progress(tomas)).isEqualTo(401);

    Cookie again = session("tomas@hollowlane.example");
    db.update(SPRING_SESSION)
        .set(SPRING_SESSION.EXPIRY_TIME, System.currentTimeMillis() - 1)
        .where(SPRING_SESSION.SESSION_ID.eq(id(again)))
        .execute();
    assertThat(progress(again)).isEqualTo(401);
  }

  @Test
  void takes_note_of_an_access_once_a_minute_and_lasts_from_there() throws Exception {
    Cookie tomas = session("tomas@hollowlane.example");
    long before = lastAccess(tomas);
    progress(tomas);
    assertThat(lastAccess(tomas)).isEqualTo(before);

    long longAgo = before - HOUR;
    db.update(SPRING_SESSION)
        .set(SPRING_SESSION.LAST_ACCESS_TIME, longAgo)
        .set(SPRING_SESSION.EXPIRY_TIME, before + HOUR)
        .where(SPRING_SESSION.SESSION_ID.eq(id(tomas)))
        .execute();
    progress(tomas);
    assertThat(lastAccess(tomas)).isGreaterThanOrEqualTo(before);
    assertThat(db.fetchValue(SPRING_SESSION.EXPIRY_TIME, SPRING_SESSION.SESSION_ID.eq(id(tomas))))
        .isEqualTo(lastAccess(tomas) + 12 * HOUR);
  }

  private long lastAccess(Cookie session) {
    return db.fetchValue(
        SPRING_SESSION.LAST_ACCESS_TIME, SPRING_SESSION.SESSION_ID.eq(id(session)));
  }

  @Test
  void gives_the_rights_of_now_not_those_of_when_it_began() throws Exception {
    var course = new NewCourse(as("Sefa Dunmore"), "Rights " + System.nanoTime());
    Cookie edda = session("edda@hollowlane.example");
    assertThat(design(edda, course)).isEqualTo(404);
    db.insertInto(STAFF)
        .set(STAFF.COURSE_ID, course.id)
        .set(STAFF.PERSON_ID, edda())
        .set(STAFF.ROLE, "designer")
        .execute();
    assertThat(design(edda, course)).isEqualTo(200);
    db.update(STAFF)
        .set(STAFF.ROLE, "facilitator")
        .where(STAFF.PERSON_ID.eq(edda()), STAFF.COURSE_ID.eq(course.id))
        .execute();
    assertThat(design(edda, course)).isEqualTo(403);
    administrator(true);
    assertThat(design(edda, course)).isEqualTo(200);
    administrator(false);
    assertThat(design(edda, course)).isEqualTo(403);
  }

  private int design(Cookie who, NewCourse course) throws Exception {
    return http.perform(get(course.path + "/design").cookie(who))
        .andReturn()
        .getResponse()
        .getStatus();
  }

  private PersonId edda() {
    return db.fetchValue(PERSON.ID, PERSON.NAME.eq("Edda Marsh"));
  }

  private void administrator(boolean is) {
    db.update(PERSON).set(PERSON.ADMINISTRATOR, is).where(PERSON.ID.eq(edda())).execute();
  }

  @Test
  void of_nobody_is_no_session_whatever_its_cookie_says() throws Exception {
    Cookie tomas = session("tomas@hollowlane.example");
    Base64.Encoder encoder = Base64.getEncoder();
    for (String value :
        new String[] {
          "",
          "nothing",
          "%00",
          encoder.encodeToString("no id".getBytes(StandardCharsets.UTF_8)),
          encoder.encodeToString(new byte[] {0, 1, 2}),
          encoder.encodeToString(UUID.randomUUID().toString().getBytes(StandardCharsets.UTF_8))
        }) assertThat(progress(named(tomas, value))).as(value).isEqualTo(401);
  }
}
