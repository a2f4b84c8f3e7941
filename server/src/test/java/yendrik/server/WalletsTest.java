package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.WALLET_ASK;
import static yendrik.schema.Tables.WALLET_LINK;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;
import yendrik.server.credential.CredentialRounds;
import yendrik.server.demo.DemoClock;

/** Sending badges to wallets that are away, odd, or allow it no more. */
@ServerTest
class WalletsTest extends SchoolTest {
  /** A wallet that does what a test wants. */
  private static final HttpServer FAR = far();

  private static final List<String> ASKED = new CopyOnWriteArrayList<>();
  private static volatile String elsewhere = "";
  private static volatile boolean chatter = false;
  private static volatile boolean forgets = false;
  private static volatile int putting = 201;
  private static volatile boolean renews = true;

  @Autowired CredentialRounds rounds;
  @Autowired DemoClock clock;
  @Autowired DSLContext db;
  private Caller ruben;
  private Caller edda;
  private String award;

  private static HttpServer far() {
    try {
      var server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
      server.createContext("/", WalletsTest::answer);
      server.start();
      return server;
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private static String home() {
    return "http://127.0.0.1:" + FAR.getAddress().getPort();
  }

  private static void answer(HttpExchange asked) throws IOException {
    try (asked) {
      String path = asked.getRequestURI().getPath();
      String body = new String(asked.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
      ASKED.add(path + " " + body);
      switch (path) {
        case "/ims/ob/v3p0/discovery" ->
            say(asked, 200, chatter ? "<html>Welcome</html>" : described());
        case "/register" ->
            say(asked, 201, forgets ? "{}" : "{\"client_id\":\"c\",\"client_secret\":\"s\"}");
        case "/token" -> {
          if (body.contains("grant_type=refresh_token") && !renews)
            say(asked, 400, "{\"error\":\"invalid_grant\"}");
          else if (body.contains("code=wrong")) say(asked, 400, "{\"error\":\"invalid_grant\"}");
          else
            say(
                asked,
                200,
                "{\"access_token\":\"a\",\"refresh_token\":\"r\",\"token_type\":\"Bearer\",\"expires_in\":60}");
        }
        case "/ims/ob/v3p0/credentials" -> say(asked, putting, "{}");
        default -> say(asked, 404, "{}");
      }
    }
  }

  private static String described() {
    String tokens = elsewhere.isEmpty() ? home() : elsewhere;
    return """
    {"components":{"securitySchemes":{"a":{"type":"oauth2","x-imssf-registrationUrl":"%1$s/register",
    "flows":{"authorizationCode":{"authorizationUrl":"%1$s/authorize","tokenUrl":"%2$s/token"}}}}}}
    """
        .formatted(home(), tokens);
  }

  private static void say(HttpExchange asked, int status, String json) throws IOException {
    byte[] bytes = json.getBytes(StandardCharsets.UTF_8);
    asked.getResponseHeaders().set("Content-Type", "application/json");
    asked.sendResponseHeaders(status, bytes.length);
    asked.getResponseBody().write(bytes);
  }

  @DynamicPropertySource
  static void wallets(DynamicPropertyRegistry properties) {
    properties.add(
        "yendrik.wallets",
        () -> "far=" + home() + ",odd=" + home() + "/odd,away=http://127.0.0.1:9");
  }

  @AfterAll
  static void theFarOneEnds() {
    FAR.stop(0);
  }

  @BeforeEach
  void aLearnerWithABadge() {
    elsewhere = "";
    chatter = false;
    forgets = false;
    putting = 201;
    renews = true;
    ruben = as("Ruben Sato");
    edda = as("Edda Marsh");
    var course = new NewCourse(as("Sefa Dunmore"), "Wallets " + System.nanoTime());
    long page = course.step(course.module("Tubes"), "PAGE", "How a patch holds");
    course.badge("Patcher", Optional.of(course.ask("seen", page)));
    course.publish();
    course.enrol("ruben@hollowlane.example");
    ruben.post(course.walk(page) + "/visits", "");
    rounds.signDue();
    award =
        ruben
            .get("/api/account/badges")
            .valueStream()
            .filter(
                a -> a.path("course").asString().equals(course.design().path("name").asString()))
            .findFirst()
            .orElseThrow()
            .path("id")
            .asString();
  }

  @AfterEach
  void nothingIsLinked() {
    clock.run();
    db.deleteFrom(WALLET_LINK).execute();
    db.deleteFrom(WALLET_ASK).execute();
  }

  private record Asking(Optional<UUID> award) {}

  private record Answer(String state, String code) {}

  private MockHttpServletResponse ask(Caller who, String wallet, String what) {
    return who.call(
        "POST",
        "/api/account/wallets/" + wallet + "/asking",
        new Asking(Optional.of(what).filter(w -> !w.isEmpty()).map(UUID::fromString)));
  }

  private String state(MockHttpServletResponse asked) {
    assertThat(asked.getStatus()).isEqualTo(200);
    URI address = URI.create(Caller.json(asked).path("address").asString());
    assertThat(address.toString())
        .startsWith(home() + "/authorize?")
        .contains("code_challenge_method=S256", "credential.upsert");
    return Stream.of(address.getQuery().split("&"))
        .filter(p -> p.startsWith("state="))
        .findFirst()
        .orElseThrow()
        .substring("state=".length());
  }

  private MockHttpServletResponse answered(Caller who, String state, String code) {
    return who.call("POST", "/api/account/wallets/answers", new Answer(state, code));
  }

  private MockHttpServletResponse send(Caller who) {
    return who.call("POST", "/api/account/wallets/far/badges/" + award, "");
  }

  private JsonNode far(Caller who) {
    return who.get("/api/account/wallets").path(0);
  }

  private long puts() {
    return ASKED.stream().filter(a -> a.startsWith("/ims/ob/v3p0/credentials")).count();
  }

  @Test
  void a_badge_is_sent_when_it_is_allowed_and_an_answer_counts_once() {
    String state = state(ask(ruben, "far", award));
    assertThat(answered(edda, state, "good").getStatus()).as("somebody else").isEqualTo(409);
    JsonNode sent = Caller.json(answered(ruben, state, "good"));
    assertThat(sent.path("fresh").asBoolean()).as(sent.toString()).isTrue();
    assertThat(answered(ruben, state, "good").getStatus()).as("again").isEqualTo(409);
    assertThat(far(ruben).path("linked").asBoolean()).isTrue();
    assertThat(far(ruben).path("badges").has(award)).isTrue();
    assertThat(far(edda).path("linked").asBoolean()).isFalse();
    assertThat(far(edda).path("badges")).isEmpty();
    putting = 200;
    assertThat(Caller.json(send(ruben)).path("fresh").asBoolean()).as("changed").isFalse();
    assertThat(ASKED).anyMatch(a -> a.startsWith("/token") && a.contains("code_verifier="));
  }

  @Test
  void nobody_sends_the_badge_of_another() {
    state(ask(edda, "far", ""));
    assertThat(ask(edda, "far", award).getStatus()).isEqualTo(404);
    assertThat(answered(edda, state(ask(edda, "far", "")), "good").getStatus()).isEqualTo(200);
    long before = puts();
    assertThat(send(edda).getStatus()).isEqualTo(404);
    assertThat(puts()).isEqualTo(before);
  }

  @Test
  void an_answer_that_comes_late_or_with_a_wrong_code_is_refused() {
    String late = state(ask(ruben, "far", award));
    clock.putTo(Instant.parse(ServerTest.TODAY).plus(Duration.ofHours(2)));
    assertThat(answered(ruben, late, "good").getStatus()).isEqualTo(409);
    assertThat(answered(ruben, state(ask(ruben, "far", award)), "wrong").getStatus())
        .isEqualTo(409);
    assertThat(far(ruben).path("linked").asBoolean()).isFalse();
  }

  @Test
  void a_wallet_that_is_away_odd_or_not_listed_is_told() {
    var away = ask(ruben, "away", award);
    assertThat(away.getStatus()).isEqualTo(409);
    assertThat(Caller.json(away).path("detail").asString())
        .isEqualTo("away does not answer. Try again later.");
    elsewhere = "http://elsewhere.example";
    db.deleteFrom(yendrik.schema.Tables.WALLET_CLIENT).execute();
    var odd = ask(ruben, "far", award);
    assertThat(odd.getStatus()).as("secrets would go elsewhere").isEqualTo(409);
    elsewhere = "";
    chatter = true;
    assertThat(ask(ruben, "far", award).getStatus()).as("a page in place of data").isEqualTo(409);
    chatter = false;
    forgets = true;
    assertThat(ask(ruben, "far", award).getStatus()).as("no name for us").isEqualTo(409);
    forgets = false;
    assertThat(ask(ruben, "odd", award).getStatus()).isEqualTo(409);
    assertThat(ask(ruben, "other", award).getStatus()).isEqualTo(404);
  }

  @Test
  void a_token_that_ended_is_renewed_and_one_that_is_not_is_forgotten() {
    answered(ruben, state(ask(ruben, "far", award)), "good");
    clock.putTo(Instant.now().plus(Duration.ofDays(2)));
    long before = ASKED.stream().filter(a -> a.contains("grant_type=refresh_token")).count();
    assertThat(send(ruben).getStatus()).isEqualTo(200);
    assertThat(ASKED.stream().filter(a -> a.contains("grant_type=refresh_token")))
        .hasSize((int) before + 1);
    renews = false;
    putting = 401;
    clock.putTo(Instant.now().plus(Duration.ofDays(4)));
    assertThat(send(ruben).getStatus()).isEqualTo(409);
    assertThat(far(ruben).path("linked").asBoolean()).as("asked again next time").isFalse();
    assertThat(send(ruben).getStatus()).isEqualTo(409);
  }

  @Test
  void what_a_wallet_does_not_take_is_not_told_as_sent() {
    putting = 422;
    List<String> told = new ArrayList<>();
    var answer = answered(ruben, state(ask(ruben, "far", award)), "good");
    told.add(Caller.json(answer).path("detail").asString());
    assertThat(answer.getStatus()).isEqualTo(409);
    assertThat(told).containsExactly("far does not take this badge.");
    assertThat(far(ruben).path("linked").asBoolean()).as("it allowed it all the same").isTrue();
    assertThat(far(ruben).path("badges").has(award)).isFalse();
  }
}
