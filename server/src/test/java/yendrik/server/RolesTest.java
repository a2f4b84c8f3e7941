package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import yendrik.core.strand.work.Judgement;
import yendrik.schema.Tables;
import yendrik.server.people.Needs;

/**
 * Every address by everybody: what they are answered stands in docs/roles.md, a row an address. An
 * address without a row fails here.
 */
class RolesTest extends BenchTest {
  private static final Path TABLE = Path.of("../docs/roles.md");

  /** The columns of the table, with somebody of each kind. */
  private static final Map<String, String> WHO = who();

  @Autowired RequestMappingHandlerMapping requestMappingHandlerMapping;
  private NewCourse other;
  private String madeUp;
  private String juno;

  private static Map<String, String> who() {
    Map<String, String> who = new LinkedHashMap<>();
    who.put("signed out", "");
    who.put("not in the course", "Sol Wickham");
    who.put("learner", "Juno Abara");
    who.put("support", "Priya Nakamura");
    who.put("facilitator", "Tomas Weir");
    who.put("designer", "Odalys Brandt");
    who.put("administrator", "Sefa Dunmore");
    return who;
  }

  private record Endpoint(String method, String path) {
    @Override
    public String toString() {
      return method + " " + path;
    }

    /** With these things in the place of its parameters, and nothing that is there elsewhere. */
    String at(String course, Map<String, String> things) {
      String at = path.replace("{course}", course);
      for (var thing : things.entrySet())
        at = at.replace("{" + thing.getKey() + "}", thing.getValue());
      return at.replace("{walk}", "mine")
          .replace("{part}", "steps")
          .replaceAll("\\{[a-z]+}", "999999");
    }
  }

  @BeforeAll
  void anotherCourseAndAMadeUpLearner() {
    other = newCourse("Other");
    long page = other.step(other.module("Tubes"), "PAGE", "How a patch holds");
    other.outcome("TUBE", "Patch a tube", List.of());
    other.badge("Patch Hand", Optional.empty());
    other.publish();
    other.enrol("aiko@hollowlane.example");
    as("Aiko Brenner").post(other.walk(page) + "/visits", "");
    as("Odalys Brandt").get(path() + "/walks/practice/route");
    juno = "" + enrolment("Juno Abara");
    madeUp =
        db.select(Tables.ENROLMENT.ID)
            .from(Tables.ENROLMENT)
            .where(Tables.ENROLMENT.PRACTICE.isTrue(), Tables.ENROLMENT.COURSE_ID.eq(bench.id))
            .fetchSingle()
            .value1()
            .toString();
  }

  private List<Endpoint> endpoints() {
    List<Endpoint> all = new ArrayList<>();
    for (Map.Entry<RequestMappingInfo, HandlerMethod> one :
        requestMappingHandlerMapping.getHandlerMethods().entrySet()) {
      if (!one.getValue().getBeanType().getPackageName().startsWith("yendrik")) continue;
      assertThat(one.getValue().getMethodAnnotation(Needs.class)).as("" + one).isNotNull();
      String method = one.getKey().getMethodsCondition().getMethods().iterator().next().name();
      all.add(new Endpoint(method, one.getKey().getPatternValues().iterator().next()));
    }
    return all;
  }

  /** The table: for each endpoint the answers of everybody, in order. */
  private static Map<String, List<String>> table() throws IOException {
    Map<String, List<String>> rows = new TreeMap<>();
    for (String line : Files.readAllLines(TABLE)) {
      if (!line.startsWith("| `")) continue;
      List<String> cells =
          Arrays.stream(line.substring(1).split("\\|")).map(String::strip).toList();
      rows.put(cells.getFirst().replace("`", ""), cells.subList(1, cells.size()));
    }
    return rows;
  }

  @Test
  void everybody_is_answered_as_the_table_says() throws IOException {
    Map<String, List<String>> now = new TreeMap<>();
    for (Endpoint endpoint : endpoints()) {
      List<String> answers = new ArrayList<>();
      for (String name : WHO.values()) answers.add(answer(endpoint, name));
      now.put(endpoint.toString(), answers);
    }
    if (Boolean.getBoolean("yendrik.api.write")) write(now);
    assertThat(now).isEqualTo(table());
  }

  private String answer(Endpoint endpoint, String name) {
    String path = endpoint.at("" + bench.id, Map.of());
    var response =
        name.isEmpty()
            ? new Caller(http, Optional.empty())
                .call(endpoint.method(), path, "{}", "If-Match", "1")
            : as(name).call(endpoint.method(), path, "{}", "If-Match", "1");
    assertThat(response.getStatus()).as(endpoint + " as " + name).isLessThan(500);
    if (response.getStatus() < 400) return "yes";
    String code = Caller.json(response).path("code").asString("");
    return switch (code) {
      case "problem.sign-in" -> "sign in";
      case "problem.not-your-part",
          "problem.only-administrators",
          "problem.only-who-makes-courses" ->
          "no";
      case "problem.not-found.course" -> "hidden";
      default -> "yes";
    };
  }

  private static void write(Map<String, List<String>> rows) throws IOException {
    List<String> lines = new ArrayList<>(Files.readAllLines(TABLE));
    lines.removeIf(line -> line.startsWith("| `"));
    rows.forEach((endpoint, answers) ->
        lines.add("| `" + endpoint + "` | " + String.join(" | ", answers) + " |"));
    Files.write(TABLE, lines);
  }

  /** What an address names, as it is in another course. */
  private Map<String, String> elsewhere() {
    var design = other.design();
    return Map.of(
        "enrolment", "" + other.enrolment("Aiko Brenner"),
        "step", design.path("modules").path(0).path("steps").path(0).path("id").toString(),
        "outcome", design.path("outcomes").path(0).path("id").toString(),
        "badge", design.path("badges").path(0).path("id").toString(),
        "person", "" + signedIn("Aiko Brenner").id());
  }

  /** The same as it is in this course, of a learner who is in nobody's group. */
  private Map<String, String> here() {
    return Map.of(
        "enrolment", "" + enrolment("Ruben Sato"),
        "step", "" + bench.page,
        "outcome", "" + bench.brake,
        "badge", bench.design().path("badges").path(0).path("id").toString(),
        "person", "" + signedIn("Ruben Sato").id());
  }

  @Test
  void what_is_of_another_course_or_nobodys_is_not_there_for_anybody() throws IOException {
    String before = learners();
    var table = table();
    var here = here();
    List<String> reached = new ArrayList<>();
    for (Endpoint endpoint : endpoints())
      for (var parameter : elsewhere().entrySet()) {
        if (!endpoint.path().contains("{" + parameter.getKey() + "}")) continue;
        for (String name : WHO.values()) {
          if (!may(table, endpoint, name)) continue;
          Map<String, String> things = new TreeMap<>(here);
          if (name.equals("Priya Nakamura")) things.put("enrolment", juno);
          Set<String> wrong = new TreeSet<>(Set.of("999999"));
          if (endpoint.path().contains("{course}")) wrong.add(parameter.getValue());
          if (parameter.getKey().equals("enrolment")) wrong.add(madeUp);
          for (String thing : wrong) {
            things.put(parameter.getKey(), thing);
            refused(endpoint, name, things, reached);
          }
        }
      }
    assertThat(reached).isEmpty();
    assertThat(learners()).isEqualTo(before);
  }

  /** A row that is missing is found missing where the whole table is compared. */
  private static boolean may(Map<String, List<String>> table, Endpoint endpoint, String name) {
    return Optional.ofNullable(table.get(endpoint.toString()))
        .filter(row -> row.get(column(name)).equals("yes"))
        .isPresent();
  }

  private String learners() {
    return as("Sefa Dunmore").get(path() + "/reports/progress").path("learners").toString();
  }

  @Test
  void who_is_not_in_her_group_is_not_there_for_a_support_teacher() throws IOException {
    var table = table();
    var here = here();
    List<String> reached = new ArrayList<>();
    for (Endpoint endpoint : endpoints()) {
      boolean ofALearner =
          endpoint.path().contains("{enrolment}") || endpoint.path().contains("{person}");
      if (ofALearner && may(table, endpoint, "Priya Nakamura"))
        refused(endpoint, "Priya Nakamura", here, reached);
    }
    assertThat(reached).isEmpty();
  }

  @Test
  void a_call_without_the_token_is_refused() throws Exception {
    var withoutToken = post("/api/session").contentType(MediaType.APPLICATION_JSON).content("{}");
    assertThat(http.perform(withoutToken).andReturn().getResponse().getStatus()).isEqualTo(403);
  }

  private void refused(
      Endpoint endpoint, String name, Map<String, String> things, List<String> reached) {
    String path = endpoint.at("" + bench.id, things);
    MockHttpServletResponse answer =
        as(name).call(endpoint.method(), path, body(endpoint), "If-Match", "1");
    // Bodies are looked at before anything is looked for.
    if (answer.getStatus() != 404 && answer.getStatus() != 422 && answer.getStatus() != 403)
      reached.add(answer.getStatus() + " " + endpoint.method() + " " + path + " as " + name);
  }

  /** A body that is fine, so that what is named is looked for. */
  private String body(Endpoint endpoint) {
    Map<String, Record> fine =
        Map.of(
            "/marks", new Sent.Mark(1, 1, Judgement.PASSED),
            "/sign-offs", new Sent.SignOff("", Map.of()),
            "/exceptions", new Sent.Exception("OPEN", bench.card, "seen"),
            "/badges/{badge}", new Sent.InDoubt(true, "seen", Optional.empty()),
            "/messages/{person}", new Sent.Message("Hello"));
    Record body =
        fine.entrySet().stream()
            .filter(one -> endpoint.path().endsWith(one.getKey()))
            .<Record>map(Map.Entry::getValue)
            .findFirst()
            .orElseGet(() -> new Sent.Reason("seen"));
    return Caller.text(body);
  }

  private static int column(String name) {
    return List.copyOf(WHO.values()).indexOf(name);
  }

  @Test
  void the_description_has_the_same_addresses() {
    Set<String> described = new TreeSet<>();
    new Description().operations().forEach(o -> described.add(o.toString()));
    Set<String> served = new TreeSet<>();
    endpoints().forEach(e -> served.add(e.toString()));
    served.remove("GET /api/courses/{course}/events");
    assertThat(served).isEqualTo(described);
  }
}
