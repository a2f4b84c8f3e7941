package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static yendrik.schema.Tables.LETTER;
import static yendrik.schema.Tables.PERSON;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import jakarta.servlet.http.Cookie;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.PersonId;
import yendrik.server.post.Outbox;

/** People whom administrators add, change and help back in, and the letters that reach them. */
@ServerTest
@Import(TestMail.class)
class AddedPeopleTest extends SchoolTest {
  private static final String STRONG = "lantern goose ochre";
  private static final Pattern LINK = Pattern.compile("http://\\S+/password#(\\S+)");
  @Autowired GreenMail mail;
  @Autowired Outbox outbox;
  private Caller sefa;
  private String stem;

  @BeforeEach
  void emptyBox() throws Exception {
    sefa = as("Sefa Dunmore");
    stem = "new" + System.nanoTime();
    letters();
    mail.purgeEmailFromAllMailboxes();
  }

  private record New(String name, String email) {}

  private record NewPeople(List<New> people) {}

  private record Invited(List<Long> people) {}

  private record Address(String email) {}

  private record Token(String token, String password) {}

  private record Fields(Record from, Record to) {}

  private record Name(String name) {}

  private record Administrator(boolean administrator) {}

  private String address(String name) {
    return (stem + "." + name + "@hollowlane.example").toLowerCase(Locale.ROOT);
  }

  private JsonNode add(String... names) {
    return sefa.post("/api/people", people(names));
  }

  private NewPeople people(String... names) {
    return new NewPeople(
        List.of(names).stream().map(n -> new New(n + " " + stem, address(n))).toList());
  }

  /** What has come by mail to somebody, decoded. */
  private List<String> letters(String name) {
    letters();
    return List.of(mail.getReceivedMessagesForDomain(address(name))).stream()
        .map(GreenMailUtil::getBody)
        .map(body -> body.replace("=\r\n", "").replace("=3D", "="))
        .toList();
  }

  private void letters() {
    while (outbox.sendNext()) {}
  }

  private String token(String letter) {
    Matcher link = LINK.matcher(letter);
    assertThat(link.find()).as(letter).isTrue();
    return link.group(1);
  }

  private Caller nobody() {
    return new Caller(http, Optional.empty());
  }

  private int enter(String token) {
    return nobody().call("POST", "/api/passwords", new Token(token, STRONG)).getStatus();
  }

  private long id(String name) {
    return db.select(PERSON.ID)
        .from(PERSON)
        .where(PERSON.EMAIL.eq(address(name)))
        .fetchSingle()
        .value1()
        .value();
  }

  private int signIn(String name, String password) {
    return nobody()
        .call("POST", "/api/session", new Sent.SignIn(address(name), password))
        .getStatus();
  }

  private int forgotten(String email, String from) throws Exception {
    return http.perform(
            MockMvcRequestBuilders.post("/api/passwords/links")
                .with(csrf())
                .with(r -> {
                  r.setRemoteAddr(from);
                  return r;
                })
                .contentType(MediaType.APPLICATION_JSON)
                .content(Caller.text(new Address(email))))
        .andReturn()
        .getResponse()
        .getStatus();
  }

  private MockHttpServletResponse change(String name, Record from, Record to) {
    return sefa.call("PATCH", "/api/people/" + id(name), new Fields(from, to));
  }

  @Test
  void somebody_who_is_added_gets_a_letter_and_enters_by_its_link_once() {
    JsonNode added = add("Wren", "Dov");
    assertThat(added.path("added").asInt()).isEqualTo(2);
    assertThat(signIn("Wren", "")).as("nobody enters without a password").isNotEqualTo(200);
    String letter = letters("Wren").getFirst();
    assertThat(letter).contains("Hello Wren", "Sefa Dunmore", address("Wren"));
    assertThat(enter(token(letter))).isEqualTo(200);
    assertThat(signIn("Wren", STRONG)).isEqualTo(200);
    assertThat(enter(token(letter))).isEqualTo(409);
    assertThat(signIn("Dov", STRONG)).as("another's password").isEqualTo(401);
    assertThat(letters("Dov")).hasSize(1);
  }

  @Test
  void the_secret_of_a_link_is_kept_nowhere() {
    add("Wren");
    String token = token(letters("Wren").getFirst());
    assertThat(db.fetchExists(LETTER, LETTER.BODY.contains(token))).isFalse();
  }

  @Test
  void who_is_here_already_is_left_alone_and_named_however_they_are_written() {
    add("Wren");
    String letter = letters("Wren").getFirst();
    var people =
        new NewPeople(
            List.of(
                new New("Another Name", address("Wren").toUpperCase(Locale.ROOT)),
                new New("Dov", address("Dov")),
                new New("Dov again", address("Dov"))));
    JsonNode added = sefa.post("/api/people", people);
    assertThat(added.path("added").asInt()).isEqualTo(1);
    assertThat(added.path("there").toString()).contains(address("Wren").toUpperCase(Locale.ROOT));
    assertThat(added.path("there")).hasSize(1);
    assertThat(letters("Wren")).containsExactly(letter);
    assertThat(found("").path("people").toString()).doesNotContain("Another Name", "Dov again");
  }

  private JsonNode found(String text) {
    return sefa.get("/api/people?find=" + stem + " " + text);
  }

  @Test
  void one_wrong_line_is_named_and_nobody_is_added() {
    for (String wrong :
        new String[] {"", "dov", "dov@", "d ov@x", "dov@x\r\nBcc: y@z", "d\u200Bv@x"}) {
      var people = new NewPeople(List.of(new New("Wren", address("Wren")), new New("Dov", wrong)));
      var refused = sefa.call("POST", "/api/people", people);
      assertThat(refused.getStatus()).as(wrong).isEqualTo(422);
      assertThat(Caller.json(refused).path("fields").has("people[1].email")).as(wrong).isTrue();
    }
    assertThat(found("").path("found").asInt()).isZero();
  }

  @Test
  void the_list_is_searched_by_all_words_in_names_and_addresses_as_they_stand() {
    add("Wren", "Dov", "100%");
    assertThat(found("wre").path("found").asInt()).isEqualTo(1);
    assertThat(found(".dov@HOLLOW").path("found").asInt()).isEqualTo(1);
    assertThat(found("%").path("found").asInt()).as("a sign that means itself").isEqualTo(1);
    JsonNode wren = found("wren").path("people").path(0);
    assertThat(wren.path("hasPassword").asBoolean()).isFalse();
    assertThat(wren.has("link")).isTrue();
    assertThat(wren.has("lastSignedIn")).isFalse();
    enter(token(letters("Wren").getFirst()));
    signIn("Wren", STRONG);
    wren = found("wren").path("people").path(0);
    assertThat(wren.path("hasPassword").asBoolean()).isTrue();
    assertThat(wren.has("lastSignedIn")).isTrue();
  }

  @Test
  void a_forgotten_password_is_set_anew_by_a_letter_and_whether_somebody_is_here_is_not_told()
      throws Exception {
    add("Wren");
    enter(token(letters("Wren").getFirst()));
    assertThat(forgotten(address("Wren").toUpperCase(Locale.ROOT), "10.1.0.1")).isEqualTo(202);
    assertThat(forgotten(address("Nobody"), "10.1.0.1")).isEqualTo(202);
    String letter = letters("Wren").getLast();
    assertThat(letter).contains("asked for a new password").doesNotContain("Sefa");
    assertThat(enter(token(letter))).isEqualTo(200);
    assertThat(mail.getReceivedMessagesForDomain(address("Nobody"))).isEmpty();
  }

  @Test
  void nobody_is_flooded_with_links_and_no_address_asks_for_many() throws Exception {
    add("Wren");
    for (int n = 0; n < 6; n++)
      assertThat(forgotten(address("Wren"), "10.1.1." + n)).isEqualTo(202);
    assertThat(letters("Wren")).hasSize(1 + 3);
    for (int n = 0; n < 60; n++) forgotten(address("Nobody" + n), "10.1.2.1");
    assertThat(forgotten(address("Dov"), "10.1.2.1")).isEqualTo(429);
    assertThat(forgotten(address("Dov"), "10.1.2.2")).isEqualTo(202);
  }

  @Test
  void a_new_link_is_sent_to_several_and_to_nobody_if_one_of_them_is_not_there() {
    add("Wren", "Dov");
    letters();
    var both = new Invited(List.of(id("Wren"), id("Dov"), id("Dov")));
    assertThat(sefa.call("POST", "/api/people/links", both).getStatus()).isEqualTo(204);
    assertThat(letters("Dov")).hasSize(2);
    var one = new Invited(List.of(id("Wren"), 999_999L));
    assertThat(sefa.call("POST", "/api/people/links", one).getStatus()).isEqualTo(404);
    assertThat(letters("Wren")).hasSize(2);
  }

  private Cookie entered(String name) throws Exception {
    add(name);
    enter(token(letters(name).getFirst()));
    var answer = nobody().call("POST", "/api/session", new Sent.SignIn(address(name), STRONG));
    return List.of(answer.getCookies()).stream()
        .filter(c -> !c.getName().equals("XSRF-TOKEN"))
        .findFirst()
        .orElseThrow();
  }

  private boolean isOpen(Cookie session) throws Exception {
    return http.perform(get("/api/account/sessions").cookie(session))
            .andReturn()
            .getResponse()
            .getStatus()
        == 200;
  }

  @Test
  void other_rights_or_another_address_end_sessions_and_links_and_a_name_does_not()
      throws Exception {
    Cookie here = entered("Wren");
    Name old = new Name("Wren " + stem);
    assertThat(change("Wren", old, new Name("Wren Castellane " + stem)).getStatus()).isEqualTo(200);
    assertThat(isOpen(here)).isTrue();
    assertThat(change("Wren", new Administrator(false), new Administrator(true)).getStatus())
        .isEqualTo(200);
    assertThat(isOpen(here)).isFalse();

    forgotten(address("Wren"), "10.1.3.1");
    String token = token(letters("Wren").getLast());
    var moved = change("Wren", new Address(address("Wren")), new Address(address("Castellane")));
    assertThat(moved.getStatus()).isEqualTo(200);
    assertThat(enter(token)).as("a link that went to the old address").isEqualTo(409);
    assertThat(signIn("Wren", STRONG)).isEqualTo(401);
    assertThat(signIn("Castellane", STRONG)).isEqualTo(200);
    JsonNode events = sefa.get("/api/people/" + id("Castellane")).path("events");
    assertThat(events)
        .extracting(e -> e.path("what").asString())
        .contains("ADDED", "NAME_CHANGED", "MADE_ADMINISTRATOR", "EMAIL_CHANGED", "SIGNED_IN");
    assertThat(events.get(events.size() - 1).path("by").asString()).isEqualTo("Sefa Dunmore");
  }

  @Test
  void two_administrators_who_change_the_same_name_do_not_overwrite_each_other() {
    add("Wren");
    Name old = new Name("Wren " + stem);
    change("Wren", old, new Name("Wren Castellane"));
    var late = change("Wren", old, new Name("Wren Castle"));
    assertThat(late.getStatus()).isEqualTo(409);
    assertThat(Caller.json(late).path("current").path("person").path("name").asString())
        .isEqualTo("Wren Castellane");
  }

  @Test
  void an_address_that_somebody_has_is_refused_at_its_field() {
    add("Wren", "Dov");
    var refused = change("Wren", new Address(address("Wren")), new Address(address("Dov")));
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(Caller.json(refused).path("fields").has("email")).isTrue();
  }

  @Test
  void somebody_always_administers_though_two_remove_each_other_at_once() throws Exception {
    entered("Wren");
    entered("Dov");
    var yes = new Administrator(true);
    var no = new Administrator(false);
    change("Wren", no, yes);
    change("Dov", no, yes);
    change("Wren", yes, no);
    change("Wren", no, yes);
    var sefas = new Fields(yes, no);
    long sefaId = signedIn("Sefa Dunmore").id().value();
    Caller wren = new Caller(http, people.person(personId("Wren")).orElseThrow());
    Caller dov = new Caller(http, people.person(personId("Dov")).orElseThrow());
    assertThat(wren.call("PATCH", "/api/people/" + sefaId, sefas).getStatus()).isEqualTo(200);
    try (ExecutorService pool = Executors.newFixedThreadPool(2)) {
      Callable<Integer> one =
          () -> wren.call("PATCH", "/api/people/" + id("Dov"), sefas).getStatus();
      Callable<Integer> other =
          () -> dov.call("PATCH", "/api/people/" + id("Wren"), sefas).getStatus();
      List<Integer> statuses =
          pool.invokeAll(List.of(one, other)).stream().map(Future::resultNow).sorted().toList();
      assertThat(statuses).containsExactly(200, 409);
    } finally {
      db.update(PERSON)
          .set(PERSON.ADMINISTRATOR, PERSON.NAME.eq("Sefa Dunmore"))
          .where(PERSON.EMAIL.startsWith(stem).or(PERSON.NAME.eq("Sefa Dunmore")))
          .execute();
    }
  }

  private PersonId personId(String name) {
    return new PersonId(id(name));
  }

  @Test
  void two_thousand_people_are_added_at_once() {
    var many =
        new NewPeople(
            IntStream.range(0, 2000)
                .mapToObj(n -> new New("Learner " + n + " " + stem, address("learner" + n)))
                .toList());
    assertThat(sefa.post("/api/people", many).path("added").asInt()).isEqualTo(2000);
    JsonNode found = found("");
    assertThat(found.path("found").asInt()).isEqualTo(2000);
    assertThat(found.path("people")).hasSize(300);
    db.update(LETTER)
        .set(LETTER.SENT_AT, LETTER.CREATED_AT)
        .where(LETTER.SENT_AT.isNull())
        .execute();
  }
}
