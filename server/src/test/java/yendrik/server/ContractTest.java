package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.Tuple;
import net.jqwik.api.lifecycle.AfterContainer;
import net.jqwik.api.lifecycle.BeforeContainer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import yendrik.server.Description.Operation;
import yendrik.server.Description.Parameter;

/**
 * Whatever is sent to whatever address of the API by whomever, there is an answer: as described, or
 * a refusal that says why and has changed nothing. Addresses that are new are in it by themselves.
 * {@code -Dyendrik.contract.tries} of the build says how much is sent.
 */
class ContractTest {
  /** After so many tries a course has been spoiled enough. */
  private static final int A_COURSE = 400;

  private static Contract contract;
  private static Description api;
  private static Hostile hostile;
  private static int tried;
  private static Map<String, String> kept;
  private static final Map<Operation, Arbitrary<Request>> REQUESTS = new ConcurrentHashMap<>();
  private static final Map<String, Integer> ANSWERS = new TreeMap<>();

  /** Everybody there is in a course, how often they ask. */
  private static final List<Tuple.Tuple2<Integer, String>> WHO =
      List.of(
          Tuple.of(6, "Odalys Brandt"),
          Tuple.of(6, "Sefa Dunmore"),
          Tuple.of(3, "Tomas Weir"),
          Tuple.of(2, "Priya Nakamura"),
          Tuple.of(4, "Edda Marsh"),
          Tuple.of(1, "Sol Wickham"),
          Tuple.of(1, ""));

  @BeforeContainer
  static void aServer() {
    contract = new Contract();
    api = new Description();
    hostile = new Hostile(api, contract.leaves());
    kept = contract.kept();
  }

  @AfterContainer
  static void endIt() {
    System.out.println("contract: " + tried + " tries, " + ANSWERS);
    contract.end();
  }

  /**
   * @param values of the parameters of the path and the query, in order
   */
  record Request(
      Operation of, String who, List<String> values, JsonNode body, Map<String, String> headers) {}

  @Provide
  Arbitrary<Request> requests() {
    return Arbitraries.of(api.operations())
        .flatMap(of -> REQUESTS.computeIfAbsent(of, ContractTest::request));
  }

  private static Arbitrary<Request> request(Operation of) {
    List<Arbitrary<String>> values = new ArrayList<>();
    for (Parameter parameter : of.parameters()) values.add(value(of, parameter));
    Arbitrary<JsonNode> body =
        of.body()
            .map(schema -> body(of, schema))
            .orElseGet(() ->
                Arbitraries.frequencyOf(
                    Tuple.of(4, Arbitraries.just(JsonNodeFactory.instance.missingNode())),
                    Tuple.of(1, Hostile.nonsense())));
    return Combinators.combine(
            Arbitraries.frequency(WHO), Combinators.combine(values).as(v -> v), body, headers())
        .as((who, v, b, h) -> new Request(of, who, v, b, h));
  }

  private static Arbitrary<JsonNode> body(Operation of, JsonNode schema) {
    if (!schema.path("$ref").asString().endsWith("/FieldsEdit")) return hostile.of(schema);
    String[] path = of.path().split("/");
    String part = path[path.length - 2];
    String edit =
        part.substring(0, 1).toUpperCase(Locale.ROOT)
            + part.substring(1, part.length() - 1)
            + "Edit";
    Arbitrary<JsonNode> fields = hostile.of(api.schema(edit));
    // Seldom is the same field asked for that is there, so mostly one that was empty is filled.
    return Combinators.combine(fields, Arbitraries.integers().between(0, 30))
        .as((all, which) -> {
          ObjectNode change = JsonNodeFactory.instance.objectNode();
          ObjectNode to = change.putObject("to");
          change.putObject("from");
          if (!all.isObject()) return change.set("to", all);
          List<String> names = List.copyOf(all.propertyNames());
          if (!names.isEmpty()) {
            String name = names.get(which % names.size());
            to.set(name, all.path(name));
          }
          return change;
        });
  }

  private static Arbitrary<String> value(Operation of, Parameter parameter) {
    Arbitrary<String> odd = Arbitraries.of(Hostile.TEXTS);
    Arbitrary<String> fine =
        switch (parameter.name()) {
          case "walk" ->
              Arbitraries.oneOf(
                  Arbitraries.of("mine", "mine", "practice"), Hostile.number("enrolment"));
          case "part" ->
              Arbitraries.of(
                  "steps", "modules", "outcomes", "badges", "rubrics", "scales", "STEPS");
          case "report" -> Arbitraries.of("progress", "mastery", "grades", "completion", "nothing");
          case "format" -> Arbitraries.of("csv", "xlsx", "case", "CSV", "exe");
          case "number" -> Arbitraries.of("1", "2", "3", "0", "-1");
          case "If-Match" -> Arbitraries.of("1", "\"1\"", "2", "*", "x");
          case "people" -> Hostile.number("enrolment");
          case "place" -> Arbitraries.of("step-opens", "step-done", "badge", "flag", "stone");
          case "id" -> Hostile.number(what(of));
          case "course" ->
              Arbitraries.frequencyOf(
                  Tuple.of(30, Arbitraries.just(Hostile.known("course", 0))),
                  Tuple.of(2, Hostile.number("course")));
          default -> Hostile.number(parameter.name());
        };
    return Arbitraries.frequencyOf(Tuple.of(40, fine), Tuple.of(1, odd));
  }

  /** What the last part of an address is the number of. */
  private static String what(Operation of) {
    for (String part : of.path().split("/"))
      for (String name :
          List.of("steps", "modules", "outcomes", "badges", "rubrics", "scales", "films"))
        if (part.equals(name)) return name.equals("films") ? "file" : singular(name);
    return "step";
  }

  private static String singular(String name) {
    return name.substring(0, name.length() - 1);
  }

  private static Arbitrary<Map<String, String>> headers() {
    Arbitrary<Map<String, String>> odd =
        Arbitraries.of(
            Map.of("Content-Type", "application/yaml"),
            Map.of("Content-Type", "text/plain"),
            Map.of("Content-Type", "application/json;charset=utf-16"),
            Map.of("Content-Type", "nonsense"),
            Map.of("Accept", "application/yaml"),
            Map.of("Accept", "text/html"),
            Map.of("Accept", "nonsense"),
            Map.of("Accept-Language", "de,".repeat(1000) + "en"),
            Map.of("Accept-Language", "\u00E4"),
            Map.of("Act-Key", "nonsense"),
            Map.of("Act-Key", "00000000-0000-0000-0000-000000000001"),
            Map.of("Range", "bytes=5-1"),
            Map.of("Range", "bytes=99999999999999999999-"),
            Map.of("Range", "bytes=" + "0-0,".repeat(500) + "1-1"),
            Map.of("If-Match", "99999999999"),
            Map.of("If-None-Match", "*"),
            Map.of("If-Modified-Since", "yesterday"),
            Map.of("Last-Event-ID", "x".repeat(300)),
            Map.of("X-Forwarded-For", "1.2.3.4"),
            Map.of("X-Forwarded-Prefix", "/\u0000x"),
            Map.of("Cookie", "yendrik=nonsense"),
            Map.of("Cookie", "yendrik=; XSRF-TOKEN="),
            Map.of("X-XSRF-TOKEN", "nonsense"));
    return Arbitraries.frequencyOf(
        Tuple.of(8, Arbitraries.just(Map.of())), Tuple.of(1, odd.filter(ContractTest::canBeSent)));
  }

  private static boolean canBeSent(Map<String, String> headers) {
    return headers.values().stream().allMatch(ContractTest::canBeSent);
  }

  private static boolean canBeSent(String header) {
    return header.chars().allMatch(c -> c >= 32 && c < 127);
  }

  /** What no client can send: the request as it goes over the wire, without its end. */
  @Example
  void what_is_no_request_is_refused_with_a_problem_as_well() {
    List<String> requests =
        List.of(
            "GET /api/courses/%/design HTTP/1.1",
            "GET /api/courses/%E0%A4%A/design HTTP/1.1",
            "GET /api/courses/%00/design HTTP/1.1",
            "GET /api/courses/1;x=1/design HTTP/1.1",
            "GET /api/courses/..%2f1/design HTTP/1.1",
            "GET /api/courses//design HTTP/1.1",
            "GET /api/session?x=%zz HTTP/1.1",
            "GET /api/courses/1/design?x=%00 HTTP/1.1",
            "GET /api/courses/1/design?text=%ff%fe HTTP/1.1",
            "GET /api/nothing HTTP/1.1",
            "GET /error HTTP/1.1\r\nX-Odd: 1",
            "TRACE /api/session HTTP/1.1",
            "PUSH /api/session HTTP/1.1",
            "PUT /api/session HTTP/1.1\r\nContent-Length: 0",
            "GET /api/session HTTP/9.9",
            "GET /api/session HTTP/1.1\r\nX-Long: " + "x".repeat(20_000),
            "GET /api/session HTTP/1.1\r\nX-Odd: a\u0001b",
            "GET /api/session HTTP/1.1\r\nCookie: yendrik=\"nonsense; $Version=1",
            "GET /api/session HTTP/1.1\r\nContent-Length: -1",
            "GET /api/session HTTP/1.1\r\nTransfer-Encoding: nonsense",
            "GET http://elsewhere/api/courses/1/design HTTP/1.1",
            "POST /v3/api-docs HTTP/1.1\r\nContent-Length: 0",
            "GET /actuator/env HTTP/1.1",
            "nonsense");
    for (String request : requests) {
      String answer = contract.raw(request);
      assertThat(answer).as(request).matches("(?s)HTTP/1.1 [234]\\d\\d .*");
      assertThat(answer).as(request).doesNotContain("Tomcat", "java.", "at yendrik");
      if (!answer.startsWith("HTTP/1.1 2"))
        assertThat(answer).as(request).contains("application/problem+json", "\"code\"");
    }
  }

  @Example
  void a_body_of_more_than_a_megabyte_is_refused_whether_its_length_is_said_or_not() {
    Map<String, String> headers = new TreeMap<>(contract.session("Edda Marsh", false));
    headers.put("Content-Type", "application/json");
    String path = contract.number("course", 0) + "/messages/1";
    byte[] body = ("{\"body\":\"" + "x".repeat(1_100_000) + "\"}").getBytes(UTF_8);
    var said = contract.send("POST", "/api/courses/" + path, headers, body);
    assertThat(said.statusCode()).as(new String(said.body(), UTF_8)).isEqualTo(413);
    var unsaid = contract.sendInParts("POST", "/api/courses/" + path, headers, body);
    assertThat(unsaid.statusCode()).as(new String(unsaid.body(), UTF_8)).isEqualTo(413);
  }

  @Example
  void every_answer_carries_the_headers_that_protect_whoever_reads_it() {
    for (String method : List.of("GET", "HEAD"))
      for (String path : List.of("/", "/c/1/plan", "/api/session", "/api/nothing", "/mark.svg"))
        assertThat(contract.raw(method + " " + path + " HTTP/1.1"))
            .as(method + " " + path)
            .contains("Content-Security-Policy: ", "X-Content-Type-Options: nosniff")
            .contains("Referrer-Policy: ", "X-Frame-Options: DENY");
  }

  @Example
  void while_the_database_is_away_it_is_said_with_when_to_try_again() {
    Map<String, String> sefa = new TreeMap<>(contract.session("Sefa Dunmore", false));
    sefa.put("Content-Type", "application/json");
    String course = "/api/courses/" + contract.number("course", 0);
    byte[] module = "{\"name\":\"Tubes\"}".getBytes(UTF_8);
    LeavingDatabase.AWAY.set(true);
    try {
      for (String act :
          List.of(
              "GET " + course + "/design",
              "POST " + course + "/design/modules",
              "GET /api/session")) {
        LeavingDatabase.WAITED.set(0);
        String[] words = act.split(" ");
        var answer =
            contract.send(words[0], words[1], sefa, words[0].equals("POST") ? module : new byte[0]);
        assertThat(answer.statusCode()).isEqualTo(503);
        assertThat(LeavingDatabase.WAITED).as("waits for the database in " + act).hasValue(1);
        assertThat(answer.headers().firstValue("Retry-After")).contains("5");
        assertThat(new String(answer.body(), UTF_8)).contains("\"problem.away\"");
      }
      assertThat(readiness()).isEqualTo(503);
      assertThat(contract.send("GET", "/", Map.of(), new byte[0]).statusCode())
          .as("the page itself comes, and says it")
          .isEqualTo(200);
    } finally {
      LeavingDatabase.AWAY.set(false);
    }
    assertThat(contract.send("GET", course + "/design", sefa, new byte[0]).statusCode())
        .isEqualTo(200);
    assertThat(readiness()).isEqualTo(200);
  }

  private static int readiness() {
    return contract.send("GET", "/actuator/health/readiness", Map.of(), new byte[0]).statusCode();
  }

  @Example
  void whoever_says_to_stand_for_others_is_not_believed() {
    Map<String, String> headers = new TreeMap<>(contract.session("Edda Marsh", false));
    headers.put("Content-Type", "application/json");
    headers.put("X-Forwarded-For", "192.0.2.66");
    headers.put("Forwarded", "for=192.0.2.66;proto=https");
    headers.put("X-Forwarded-Proto", "https");
    headers.put("X-Forwarded-Prefix", "/elsewhere");
    byte[] body = Caller.text(new Sent.SignIn("forwarded@x", "guess")).getBytes(UTF_8);
    assertThat(contract.send("POST", "/api/session", headers, body).statusCode()).isEqualTo(401);
    JsonNode events = contract.as("Sefa Dunmore").get("/api/account-events");
    for (JsonNode event : events)
      if (event.path("email").asString().equals("forwarded@x"))
        assertThat(event.path("address").asString()).isEqualTo("127.0.0.1");
    assertThat(events.toString()).contains("forwarded@x").doesNotContain("192.0.2.66");
    contract.session("Edda Marsh", true);
  }

  @Example
  void a_stream_ends_with_the_session_in_which_it_was_opened() throws Exception {
    String cookie = String.valueOf(contract.session("Ilse Tran", true).get("Cookie"));
    String course = "/api/courses/" + contract.number("course", 0);
    var open = new CountDownLatch(1);
    var stream =
        CompletableFuture.supplyAsync(() ->
            contract.raw(
                "GET " + course + "/events HTTP/1.1\r\nCookie: " + cookie, open::countDown));
    Map<String, String> elsewhere = contract.session("Ilse Tran", true);
    assertThat(open.await(25, TimeUnit.SECONDS)).isTrue();
    assertThat(stream).as("it is open").isNotDone();
    assertThat(
            contract.send("DELETE", "/api/account/sessions", elsewhere, new byte[0]).statusCode())
        .isEqualTo(204);
    assertThat(stream.get(25, TimeUnit.SECONDS)).contains("event:ready");
  }

  @Example
  void other_forms_than_json_are_not_read() {
    Map<String, String> headers = new TreeMap<>(contract.session("Odalys Brandt", false));
    for (String type : List.of("application/yaml", "application/xml", "application/cbor")) {
      headers.put("Content-Type", type);
      String path = "/api/courses/" + contract.number("course", 0) + "/design/modules";
      var answer = contract.send("POST", path, headers, "name: Glue".getBytes(UTF_8));
      assertThat(answer.statusCode()).as(type).isEqualTo(415);
    }
  }

  @Property(shrinking = ShrinkingMode.BOUNDED)
  void whatever_is_asked_is_answered_as_described_or_refused_without_a_trace(
      @ForAll("requests") Request request) {
    if (++tried % A_COURSE == 0) {
      contract.freshBench();
      kept = contract.kept();
    }
    Map<String, String> headers = new LinkedHashMap<>();
    headers.put("Content-Type", "application/json");
    headers.putAll(contract.session(request.who(), false));
    headers.putAll(asked(request));
    headers.putAll(request.headers());
    String path = path(request);
    JsonNode sent = Hostile.put(request.body(), contract::number);
    byte[] body = sent.isMissingNode() ? new byte[0] : sent.toString().getBytes(UTF_8);
    var answer = contract.send(request.of().method(), path, headers, body);
    contract.settle();
    String what =
        "%s %s as %s %s\n%s\n-> %s %s"
            .formatted(
                request.of().method(),
                path,
                request.who(),
                request.headers(),
                sent,
                answer.statusCode(),
                new String(answer.body(), UTF_8).lines().limit(5).toList());
    ANSWERS.merge(answer.statusCode() / 100 + "xx", 1, Integer::sum);
    assertThat(answer.statusCode()).as(what).isLessThan(500);
    assertThat(
            api.faults(
                request.of(),
                answer.statusCode(),
                answer.headers().firstValue("Content-Type").orElse(""),
                answer.body()))
        .as(what)
        .isEmpty();
    Map<String, String> now = contract.kept();
    if (answer.statusCode() >= 400) assertThat(now).as(what).isEqualTo(kept);
    else if (!now.equals(kept)) contract.forgetNumbers();
    kept = now;
    if (request.of().path().matches("/api/(session|account/.*)"))
      contract.session(request.who(), true);
  }

  private static Map<String, String> asked(Request request) {
    Map<String, String> headers = new TreeMap<>();
    for (int n = 0; n < request.values().size(); n++) {
      Parameter parameter = request.of().parameters().get(n);
      String value = Hostile.put(request.values().get(n), contract::number);
      if (parameter.in().equals("header") && canBeSent(value)) headers.put(parameter.name(), value);
    }
    return headers;
  }

  private static String path(Request request) {
    String path = request.of().path();
    StringBuilder query = new StringBuilder();
    for (int n = 0; n < request.values().size(); n++) {
      Parameter parameter = request.of().parameters().get(n);
      String value =
          URLEncoder.encode(Hostile.put(request.values().get(n), contract::number), UTF_8)
              .replace("+", "%20");
      switch (parameter.in()) {
        case "path" -> path = path.replace("{" + parameter.name() + "}", value);
        case "query" ->
            query
                .append(query.isEmpty() ? '?' : '&')
                .append(parameter.name())
                .append('=')
                .append(value);
        default -> {}
      }
    }
    return path + query;
  }
}
