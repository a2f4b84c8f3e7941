package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;
import static yendrik.schema.Tables.ACCOUNT_EVENT;
import static yendrik.schema.Tables.PASSWORD_LINK;
import static yendrik.schema.Tables.SPRING_SESSION;

import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.PersonId;
import yendrik.server.people.Passwords;

/** One's own password and sessions, links by which passwords are set, and what is taken down. */
@ServerTest
class AccountsTest extends SchoolTest {
  private static final String STRONG = "lantern goose ochre";
  @Autowired Passwords passwords;
  private String email;
  private PersonId person;

  @BeforeEach
  void somebody() {
    email = "somebody" + System.nanoTime() + "@hollowlane.example";
    person = people.add("Somebody New", email, TestSchool.PASSWORD, false);
  }

  private MockHttpServletResponse call(String method, String path, Cookie who, Record body)
      throws Exception {
    return http.perform(
            request(HttpMethod.valueOf(method), path)
                .with(csrf())
                .cookie(who)
                .header("User-Agent", "Browser of a test")
                .contentType(MediaType.APPLICATION_JSON)
                .content(Caller.text(body)))
        .andReturn()
        .getResponse();
  }

  private record Edit(String now, String next) {}

  private record Set(String token, String password) {}

  private record Nothing() {}

  private int change(Cookie who, String now, String next) throws Exception {
    return call("PUT", "/api/account/password", who, new Edit(now, next)).getStatus();
  }

  private boolean isOpen(Cookie session) throws Exception {
    return call("GET", "/api/account/sessions", session, new Nothing()).getStatus() == 200;
  }

  @Test
  void a_new_password_ends_every_other_session_and_this_one_goes_on() throws Exception {
    Cookie here = session(email);
    Cookie elsewhere = session(email);
    assertThat(change(here, TestSchool.PASSWORD, STRONG)).isEqualTo(204);
    assertThat(isOpen(here)).isTrue();
    assertThat(isOpen(elsewhere)).isFalse();
    assertThat(signIn(email, TestSchool.PASSWORD)).isEqualTo(401);
    assertThat(signIn(email, STRONG)).isEqualTo(200);
  }

  @Test
  void a_password_that_is_known_to_everybody_or_short_is_refused_by_field() throws Exception {
    Cookie here = session(email);
    for (String weak : new String[] {"short", "password123", "somebody new", "1234567890qwerty"}) {
      var refused = call("PUT", "/api/account/password", here, new Edit("hollow-lane", weak));
      assertThat(refused.getStatus()).as(weak).isEqualTo(422);
      assertThat(Caller.json(refused).path("fields").has("next")).as(weak).isTrue();
    }
    var wrong = call("PUT", "/api/account/password", here, new Edit("not it", STRONG));
    assertThat(Caller.json(wrong).path("fields").has("now")).isTrue();
    assertThat(signIn(email, TestSchool.PASSWORD)).as("nothing was changed").isEqualTo(200);
  }

  @Test
  void a_password_that_is_longer_than_can_be_told_apart_is_refused_and_a_long_one_works()
      throws Exception {
    Cookie here = session(email);
    var long_ =
        call("PUT", "/api/account/password", here, new Edit("hollow-lane", "gänse ".repeat(15)));
    assertThat(long_.getStatus()).isEqualTo(422);
    assertThat(Caller.json(long_).path("fields").path("next").asString()).contains("72");
    String sentence = "gänse laufen über die brücke, wenn der bus um acht schon weg ist";
    assertThat(change(here, TestSchool.PASSWORD, sentence)).isEqualTo(204);
    assertThat(signIn(email, sentence)).isEqualTo(200);
    assertThat(signIn(email, sentence + "x".repeat(100))).isEqualTo(401);
  }

  @Test
  void a_link_sets_a_password_once_and_within_its_hour() throws Exception {
    Cookie before = session(email);
    String token = passwords.link(person);
    assertThat(db.fetchExists(PASSWORD_LINK, PASSWORD_LINK.TOKEN_HASH.eq(token)))
        .as("the secret itself is kept nowhere")
        .isFalse();
    var weak = call("POST", "/api/passwords", before, new Set(token, "password123"));
    assertThat(weak.getStatus()).isEqualTo(422);
    var done = call("POST", "/api/passwords", before, new Set(token, STRONG));
    assertThat(Caller.json(done).path("email").asString()).isEqualTo(email);
    assertThat(isOpen(before)).isFalse();
    assertThat(signIn(email, STRONG)).isEqualTo(200);
    var again = call("POST", "/api/passwords", before, new Set(token, STRONG + "!"));
    assertThat(again.getStatus()).isEqualTo(409);

    String late = passwords.link(person);
    db.update(PASSWORD_LINK)
        .set(PASSWORD_LINK.EXPIRES_AT, Instant.parse(ServerTest.TODAY).minus(Duration.ofDays(1)))
        .where(PASSWORD_LINK.PERSON_ID.eq(person))
        .execute();
    assertThat(call("POST", "/api/passwords", before, new Set(late, STRONG)).getStatus())
        .isEqualTo(409);
  }

  @Test
  void ones_sessions_are_listed_without_their_secrets_and_ended_one_by_one() throws Exception {
    Cookie here = session(email);
    Cookie elsewhere = session(email);
    var answer = call("GET", "/api/account/sessions", here, new Nothing());
    JsonNode sessions = Caller.json(answer);
    assertThat(sessions).hasSize(2);
    assertThat(sessions).extracting(s -> s.path("here").asBoolean()).containsOnlyOnce(true);
    String other = "";
    for (JsonNode session : sessions) {
      assertThat(session.path("address").asString()).isEqualTo("127.0.0.1");
      assertThat(
              db.fetchExists(
                  SPRING_SESSION, SPRING_SESSION.SESSION_ID.eq(session.path("id").asString())))
          .isFalse();
      if (!session.path("here").asBoolean()) other = session.path("id").asString();
    }
    String path = "/api/account/sessions/" + other;
    Cookie edda = session("edda@hollowlane.example");
    assertThat(call("DELETE", path, edda, new Nothing()).getStatus()).as("not hers").isEqualTo(404);
    assertThat(call("DELETE", path, here, new Nothing()).getStatus()).isEqualTo(204);
    assertThat(isOpen(elsewhere)).isFalse();
    assertThat(call("DELETE", path, here, new Nothing()).getStatus()).isEqualTo(404);
    session(email);
    assertThat(call("DELETE", "/api/account/sessions", here, new Nothing()).getStatus())
        .isEqualTo(204);
    assertThat(Caller.json(call("GET", "/api/account/sessions", here, new Nothing()))).hasSize(1);
  }

  @Test
  void a_session_ends_after_a_week_however_busy_it_was() throws Exception {
    Cookie here = session(email);
    db.update(SPRING_SESSION)
        .set(
            SPRING_SESSION.CREATION_TIME,
            System.currentTimeMillis() - Duration.ofDays(7).plusMinutes(1).toMillis())
        .where(SPRING_SESSION.PRINCIPAL_NAME.eq(email))
        .execute();
    assertThat(isOpen(here)).isFalse();
  }

  @Test
  void whoever_guesses_elsewhere_keeps_nobody_out() throws Exception {
    for (int n = 0; n < 8; n++) assertThat(signIn(email, "guess", "10.0.0.9")).isEqualTo(401);
    assertThat(signIn(email, TestSchool.PASSWORD, "10.0.0.9")).isEqualTo(429);
    assertThat(signIn(email, TestSchool.PASSWORD, "10.0.0.10")).isEqualTo(200);
    for (int n = 0; n < 80; n++) signIn(email, "guess", "10.0.1." + n);
    assertThat(signIn(email, "a slip", "10.0.0.10")).isEqualTo(401);
    assertThat(signIn(email, TestSchool.PASSWORD, "10.0.0.10"))
        .as("an address that its owner came from")
        .isEqualTo(200);
    assertThat(signIn(email, "guess", "10.0.2.1")).isEqualTo(401);
    assertThat(signIn(email, TestSchool.PASSWORD, "10.0.2.1"))
        .as("one that nobody knows has one try while many guess")
        .isEqualTo(429);
    assertThat(signIn(email, TestSchool.PASSWORD, "10.0.2.2"))
        .as("which is enough for whoever knows the password")
        .isEqualTo(200);
  }

  @Test
  void a_stranger_at_the_same_address_keeps_nobody_out_who_came_from_there_before()
      throws Exception {
    String school = "10.9.9.9";
    assertThat(signIn(email, TestSchool.PASSWORD, school)).isEqualTo(200);
    for (int n = 0; n < 90; n++) signIn("stranger" + n + "@hollowlane.example", "guess", school);
    assertThat(signIn(email, "a slip", school)).isEqualTo(401);
    assertThat(signIn(email, TestSchool.PASSWORD, school)).isEqualTo(200);
  }

  @Test
  void whoever_found_an_open_session_cannot_guess_its_password_in_it() throws Exception {
    Cookie here = session(email);
    for (int n = 0; n < 8; n++) assertThat(change(here, "guess" + n, STRONG)).isEqualTo(422);
    assertThat(change(here, TestSchool.PASSWORD, STRONG)).isEqualTo(429);
  }

  private int signIn(String who, String password) throws Exception {
    return signIn(who, password, "127.0.0.1");
  }

  private int signIn(String who, String password, String from) throws Exception {
    return http.perform(
            request(HttpMethod.POST, "/api/session")
                .with(csrf())
                .with(r -> {
                  r.setRemoteAddr(from);
                  return r;
                })
                .contentType(MediaType.APPLICATION_JSON)
                .content(Caller.text(new Sent.SignIn(who, password))))
        .andReturn()
        .getResponse()
        .getStatus();
  }

  @Test
  void exports_and_walks_as_a_learner_are_taken_down_with_who_it_was() {
    NewCourse course = newCourse("Taken down");
    course.step(course.module("Tubes"), "PAGE", "How a patch holds");
    course.publish();
    Caller sefa = as("Sefa Dunmore");
    sefa.call("GET", course.path + "/reports/grades/csv", "");
    for (int n = 0; n < 2; n++) sefa.get(course.path + "/walks/practice/route");
    JsonNode events = sefa.get("/api/account-events");
    assertThat(events.get(0).path("what").asString()).isEqualTo("WALKED_AS_LEARNER");
    assertThat(events.get(1).path("what").asString()).isEqualTo("EXPORTED");
    assertThat(events.get(1).path("detail").asString()).isEqualTo("grades of course " + course.id);
  }

  @Test
  void sign_ins_and_refusals_are_rows_that_administrators_read_and_nobody_else() throws Exception {
    signIn(email, "guess\r\nfake line");
    signIn("nobody\u202E@hollowlane.example", "guess");
    signIn(email, TestSchool.PASSWORD);
    JsonNode events = as("Sefa Dunmore").get("/api/account-events");
    assertThat(events.get(0).path("what").asString()).isEqualTo("SIGNED_IN");
    assertThat(events.get(0).path("name").asString()).isEqualTo("Somebody New");
    assertThat(events.get(1).path("what").asString()).isEqualTo("REFUSED");
    assertThat(events.get(1).path("email").asString()).isEqualTo("nobody@hollowlane.example");
    assertThat(events.get(2).path("email").asString()).isEqualTo(email);
    assertThat(events.toString()).doesNotContain("guess");
    assertThat(as("Tomas Weir").call("GET", "/api/account-events", "").getStatus()).isEqualTo(403);
    assertThat(db.fetchCount(ACCOUNT_EVENT, ACCOUNT_EVENT.PERSON_ID.eq(person))).isEqualTo(1);
  }
}
