package yendrik.server;

import static java.nio.charset.StandardCharsets.ISO_8859_1;
import static java.nio.charset.StandardCharsets.UTF_8;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.PushbackInputStream;
import java.io.UncheckedIOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.awaitility.Awaitility;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Select;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import yendrik.schema.Public;
import yendrik.schema.Tables;
import yendrik.server.demo.DemoClock;
import yendrik.server.people.People;
import yendrik.server.way.Walks;

/**
 * A server that is asked over HTTP, as anybody may, and the look into its database that says
 * whether something was changed.
 */
final class Contract extends SchoolTest {
  /** What changes when somebody is signed in or refused, and says nothing of courses. */
  private static final List<Table<?>> APART =
      List.of(
          Tables.SPRING_SESSION,
          Tables.SPRING_SESSION_ATTRIBUTES,
          Tables.FAILED_SIGN_IN,
          Tables.ACCOUNT_EVENT,
          Tables.ACT_KEY);

  private static final String OWN = " of the course";
  private static final Duration PATIENCE = Duration.ofSeconds(30);

  private final ServletWebServerApplicationContext server;
  private final HttpClient client = HttpClient.newHttpClient();
  private final Map<String, Map<String, String>> sessions = new HashMap<>();
  private final String address;
  private Bench bench;
  private Map<String, List<Long>> numbers = Map.of();

  Contract() {
    var application =
        new SpringApplication(
            YendrikServer.class, TestDatabase.class, TestSchool.class, LeavingDatabase.class);
    server =
        (ServletWebServerApplicationContext)
            application.run(
                "--server.port=0",
                "--yendrik.timers=false",
                "--spring.session.jdbc.cleanup-cron=-",
                "--logging.level.yendrik=error");
    address = "http://127.0.0.1:" + server.getWebServer().getPort();
    db = server.getBean(DSLContext.class);
    people = server.getBean(People.class);
    bench = freshBench();
  }

  /** Over HTTP as well: what is made for mock requests would leave its mark on the server. */
  @Override
  Caller as(String name) {
    return new Caller(http, signedIn(name)) {
      @Override
      MockHttpServletResponse send(
          String method, String path, MediaType type, byte[] body, String... headers) {
        Map<String, String> all = new TreeMap<>(session(name, false));
        all.put("Content-Type", type.toString());
        for (int h = 0; h < headers.length; h += 2) all.put(headers[h], headers[h + 1]);
        var answer = Contract.this.send(method, path, all, body);
        var response = new MockHttpServletResponse();
        response.setStatus(answer.statusCode());
        try {
          response.getOutputStream().write(answer.body());
        } catch (IOException e) {
          throw new UncheckedIOException(e);
        }
        return response;
      }
    };
  }

  void end() {
    server.close();
  }

  /** A course that nobody has spoiled yet. */
  Bench freshBench() {
    bench =
        new Bench(
            this,
            "Contract",
            server.getBean(Walks.class),
            people,
            db,
            server.getBean(DemoClock.class));
    var series =
        new Sent.Series(
            "Saturday bench",
            Optional.empty(),
            Set.of(DayOfWeek.SATURDAY),
            LocalTime.NOON,
            60,
            1,
            LocalDate.of(2026, 11, 1),
            LocalDate.of(2026, 12, 1));
    as("Tomas Weir").post(bench.path + "/sessions", series);
    numbers = Map.of();
    return bench;
  }

  String address() {
    return address;
  }

  /** The number of something of the course that is used, or now and then of anything else. */
  long number(String what, int n) {
    if (what.equals("course") && n == 0) return bench.id.value();
    if (numbers.isEmpty()) numbers = numbersNow();
    String which = n % 8 == 7 ? what : what + OWN;
    List<Long> all = numbers.getOrDefault(which, List.of());
    return all.isEmpty() ? n : all.get(n % all.size());
  }

  void forgetNumbers() {
    numbers = Map.of();
  }

  private Map<String, List<Long>> numbersNow() {
    Map<String, List<Long>> now = new HashMap<>();
    Map<String, Table<?>> tables =
        Map.ofEntries(
            Map.entry("course", Tables.COURSE),
            Map.entry("enrolment", Tables.ENROLMENT),
            Map.entry("step", Tables.STEP),
            Map.entry("module", Tables.MODULE),
            Map.entry("outcome", Tables.OUTCOME),
            Map.entry("scale", Tables.SCALE),
            Map.entry("badge", Tables.BADGE),
            Map.entry("rubric", Tables.RUBRIC),
            Map.entry("group", Tables.LEARNER_GROUP),
            Map.entry("session", Tables.SESSION),
            Map.entry("status", Tables.ATTENDANCE_STATUS),
            Map.entry("person", Tables.PERSON),
            Map.entry("fact", Tables.FACT),
            Map.entry("job", Tables.JOB),
            Map.entry("file", Tables.FILE));
    tables.forEach((name, table) -> {
      String key = name.equals("status") ? "number" : "id";
      Field<Long> id = DSL.field(DSL.name(key), Long.class);
      Field<Long> course = DSL.field(DSL.name("course_id"), Long.class);
      List<Long> all = db.select(id).from(table).orderBy(id).fetch(id);
      now.put(name, all);
      boolean owned = table.field("course_id") != null;
      var own = course.eq(bench.id.value());
      now.put(name + OWN, owned ? db.select(id).from(table).where(own).orderBy(id).fetch(id) : all);
    });
    now.put("framework", now.getOrDefault("course", List.of()));
    return now;
  }

  /** The headers by which somebody is known, empty for nobody. */
  Map<String, String> session(String name, boolean fresh) {
    if (name.isEmpty()) return Map.of();
    if (fresh) sessions.remove(name);
    return sessions.computeIfAbsent(name, this::signIn);
  }

  private Map<String, String> signIn(String name) {
    var first = send("GET", "/api/session", Map.of(), new byte[0]);
    String token = cookies(first).get("XSRF-TOKEN");
    String body = Caller.text(new Sent.SignIn(TestSchool.address(name), TestSchool.PASSWORD));
    Map<String, String> headers = new TreeMap<>();
    headers.put("Content-Type", "application/json");
    headers.put("Cookie", "XSRF-TOKEN=" + token);
    headers.put("X-XSRF-TOKEN", String.valueOf(token));
    var answer = send("POST", "/api/session", headers, body.getBytes(UTF_8));
    if (answer.statusCode() != 200)
      throw new AssertionError(name + ": " + answer + new String(answer.body(), UTF_8));
    Map<String, String> given = cookies(answer);
    String now = given.getOrDefault("XSRF-TOKEN", String.valueOf(token));
    return Map.of(
        "Cookie", "XSRF-TOKEN=" + now + "; yendrik=" + given.get("yendrik"), "X-XSRF-TOKEN", now);
  }

  private static Map<String, String> cookies(HttpResponse<byte[]> answer) {
    Map<String, String> all = new TreeMap<>();
    for (String cookie : answer.headers().allValues("Set-Cookie")) {
      String[] parts = cookie.split(";")[0].split("=", 2);
      if (!parts[1].isEmpty()) all.put(parts[0], parts[1]);
    }
    return all;
  }

  HttpResponse<byte[]> send(String method, String path, Map<String, String> headers, byte[] body) {
    return send(
        method,
        path,
        headers,
        body.length == 0 ? BodyPublishers.noBody() : BodyPublishers.ofByteArray(body));
  }

  private HttpResponse<byte[]> send(
      String method, String path, Map<String, String> headers, HttpRequest.BodyPublisher body) {
    var request =
        HttpRequest.newBuilder(URI.create(address + path)).timeout(PATIENCE).method(method, body);
    headers.forEach(request::header);
    try {
      return client.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  /** The same without saying how long the body is. */
  HttpResponse<byte[]> sendInParts(
      String method, String path, Map<String, String> headers, byte[] body) {
    return send(
        method, path, headers, BodyPublishers.ofInputStream(() -> new ByteArrayInputStream(body)));
  }

  /** Sends something as it is, with an end, and returns what comes back. */
  String raw(String request) {
    return raw(request, () -> {});
  }

  /** The same, which says so as soon as an answer begins. */
  String raw(String request, Runnable begun) {
    try (var socket = new Socket("127.0.0.1", server.getWebServer().getPort())) {
      socket.setSoTimeout((int) PATIENCE.toMillis());
      String whole = request + "\r\nHost: localhost\r\nConnection: close\r\n\r\n";
      socket.getOutputStream().write(whole.getBytes(ISO_8859_1));
      var answer = new PushbackInputStream(socket.getInputStream());
      int first = answer.read();
      if (first >= 0) answer.unread(first);
      begun.run();
      return new String(answer.readAllBytes(), UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(request, e);
    }
  }

  /** Waits for what was begun and goes on by itself. */
  void settle() {
    if (settled()) return;
    Awaitility.await().pollInterval(Duration.ofMillis(5)).until(this::settled);
  }

  private boolean settled() {
    return !db.fetchExists(Tables.JOB, Tables.JOB.STATE.in("WAITING", "RUNNING"));
  }

  /**
   * For each table how many rows it has and by which transactions they were written: cheap, and
   * strict, since a row that was written again as it was counts as changed.
   */
  Map<String, String> kept() {
    List<Select<?>> all = new ArrayList<>();
    for (Table<?> table : Public.PUBLIC.getTables()) {
      if (APART.contains(table) || table.getName().matches(".*[0-9]|flyway.*")) continue;
      Field<String> sum =
          DSL.field(
              "count(*) || ' ' || coalesce(sum({0}.xmin::text::bigint), 0)",
              String.class, DSL.field(DSL.name(table.getName())));
      all.add(db.select(DSL.inline(table.getName()), sum).from(table));
    }
    Map<String, String> kept = new TreeMap<>();
    db.fetch(all.stream().map(s -> (Select<Record>) s).reduce(Select::unionAll).get())
        .forEach(row -> kept.put(row.get(0, String.class), row.get(1, String.class)));
    return kept;
  }

  /** Questions as rules ask them, of every kind that is proposed to designers. */
  List<JsonNode> leaves() {
    Map<String, JsonNode> all = new TreeMap<>();
    Caller sefa = as("Sefa Dunmore");
    for (long step : new long[] {bench.page, bench.quiz, bench.card, bench.practical})
      for (String place : List.of("step-done", "step-opens", "badge", "flag"))
        for (String text : "a,e,i,o,80,3,in,level,session,badge,group,days,course".split(",")) {
          JsonNode found =
              sefa.get(
                  bench.path
                      + "/design/proposals?text=%s&place=%s&id=%s".formatted(text, place, step));
          for (JsonNode one : found)
            if (one.has("leaf")) all.put(one.path("leaf").path("is").asString(), one.path("leaf"));
        }
    return List.copyOf(all.values());
  }
}
