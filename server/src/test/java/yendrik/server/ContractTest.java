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
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
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
  private static final Map<String, Integer> ANSWERS = new TreeMap<>();

  /** Everybody there is in a course, how often they ask. */
  private static final List<Tuple.Tuple2<Integer, String>> WHO =
      List.of(
          Tuple.of(5, "Odalys Brandt"),
          Tuple.of(3, "Sefa Dunmore"),
          Tuple.of(2, "Tomas Weir"),
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
    FOUND.forEach((k, v) -> System.out.println("FOUND " + k + "\n" + v + "\n=========="));
  }

  /**
   * @param values of the parameters of the path and the query, in order
   */
  record Request(
      Operation of, String who, List<String> values, JsonNode body, Map<String, String> headers) {}

  @Provide
  Arbitrary<Request> requests() {
    return Arbitraries.of(api.operations()).flatMap(ContractTest::request);
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
          case "report" -> Arbitraries.of("progress", "mastery", "grades", "nothing");
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
    return headers.values().stream().allMatch(v -> v.chars().allMatch(c -> c >= 32 && c < 256));
  }

  @Property(shrinking = ShrinkingMode.BOUNDED)
  void whatever_is_asked_is_answered_as_described_or_refused_without_a_trace(
      @ForAll("requests") Request request) {
    try {
      check(request);
    } catch (AssertionError | RuntimeException e) {
      FOUND.putIfAbsent(
          request.of()
              + " "
              + e.getClass().getSimpleName()
              + String.valueOf(e.getMessage()).replaceAll("(?s).*-> ([0-9]{3}).*", "$1"),
          String.valueOf(e.getMessage()));
      kept = contract.kept();
    }
  }

  private static final Map<String, String> FOUND = new TreeMap<>();

  private void check(Request request) {
    if (++tried % A_COURSE == 0) {
      contract.freshBench();
      kept = contract.kept();
    }
    Map<String, String> headers = new LinkedHashMap<>();
    headers.put("Content-Type", "application/json");
    headers.putAll(contract.session(request.who(), false));
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
    if (request.of().path().equals("/api/session")) contract.session(request.who(), true);
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
