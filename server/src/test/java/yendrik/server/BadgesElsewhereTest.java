package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** Badges that stand elsewhere: hosts that were listed are asked, and no others. */
@ServerTest
class BadgesElsewhereTest extends SchoolTest {
  private static final List<String> ASKED = new CopyOnWriteArrayList<>();
  private static final HttpServer LISTED = server();
  private static final HttpServer UNLISTED = server();

  private Caller nobody;

  private static HttpServer server() {
    try {
      HttpServer server =
          HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
      server.createContext("/", BadgesElsewhereTest::answer);
      server.start();
      return server;
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private static String home(HttpServer server) {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  private static void answer(HttpExchange asked) throws IOException {
    try (asked) {
      String home = "http://" + asked.getRequestHeaders().getFirst("Host");
      String path = asked.getRequestURI().getPath();
      ASKED.add(home + path);
      switch (path) {
        case "/a" ->
            say(
                asked,
                200,
                "{\"type\":\"Assertion\",\"id\":\"%1$s/a\",\"badge\":\"%1$s/b\"}".formatted(home));
        case "/b" ->
            say(asked, 200, "{\"name\":\"Far wheel\",\"issuer\":\"%1$s/i\"}".formatted(home));
        case "/i" -> say(asked, 200, "{\"id\":\"%1$s/i\",\"name\":\"Far school\"}".formatted(home));
        case "/on" -> {
          asked.getResponseHeaders().set("Location", home(UNLISTED) + "/a");
          say(asked, 302, "");
        }
        case "/gone" -> say(asked, 410, "{}");
        case "/endless" -> say(asked, 200, " ".repeat(3 << 20));
        default -> say(asked, 404, "{}");
      }
    }
  }

  private static void say(HttpExchange asked, int status, String said) throws IOException {
    byte[] bytes = said.getBytes(StandardCharsets.UTF_8);
    asked.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
    asked.getResponseBody().write(bytes);
  }

  @DynamicPropertySource
  static void hosts(DynamicPropertyRegistry properties) {
    properties.add("yendrik.badge-hosts", () -> home(LISTED) + ", http://127.0.0.1:9");
  }

  @AfterAll
  static void theyEnd() {
    LISTED.stop(0);
    UNLISTED.stop(0);
  }

  @BeforeEach
  void nothingWasAsked() {
    ASKED.clear();
    nobody = new Caller(http, Optional.empty());
  }

  private record ToCheck(String file) {}

  private org.springframework.mock.web.MockHttpServletResponse check(String said) {
    String file = Base64.getEncoder().encodeToString(said.getBytes(StandardCharsets.UTF_8));
    return nobody.call("POST", "/api/public/check", new ToCheck(file));
  }

  @Test
  void one_that_is_hosted_is_checked_by_its_address() {
    JsonNode checked = Caller.json(check(home(LISTED) + "/a"));
    assertThat(checked.at("/shown/name").asString()).isEqualTo("Far wheel");
    assertThat(checked.at("/shown/issuer").asString()).isEqualTo("Far school");
    assertThat(checked.path("found").toString()).contains("own address");
    assertThat(ASKED)
        .containsExactly(home(LISTED) + "/a", home(LISTED) + "/b", home(LISTED) + "/i");
  }

  @Test
  void nobody_else_is_asked_by_address_by_name_in_a_file_or_by_being_sent_on() {
    for (String address :
        List.of(
            home(UNLISTED) + "/a",
            home(LISTED) + "@127.0.0.1:" + UNLISTED.getAddress().getPort() + "/a",
            home(LISTED) + "1/a",
            "http://localhost:" + LISTED.getAddress().getPort() + "/a"))
      assertThat(Caller.json(check(address)).toString()).as(address).contains("did not list");
    JsonNode file =
        Caller.json(
            check(
                "{\"type\":\"Assertion\",\"id\":\"%1$s/a\",\"badge\":\"%1$s/b\"}"
                    .formatted(home(UNLISTED))));
    assertThat(file.path("holds").asBoolean()).isFalse();
    assertThat(ASKED).isEmpty();
    assertThat(check(home(LISTED) + "/on").getStatus()).isEqualTo(422);
    assertThat(ASKED).containsExactly(home(LISTED) + "/on");
  }

  @Test
  void one_that_is_gone_away_or_endless_is_told_with_what_to_do() {
    assertThat(Caller.json(check(home(LISTED) + "/gone")).toString()).contains("no more");
    for (String away : List.of("/nothing", "/endless"))
      assertThat(Caller.json(check(home(LISTED) + away)).toString()).as(away).contains("as a file");
    assertThat(Caller.json(check("http://127.0.0.1:9/a")).toString()).contains("as a file");
  }
}
