package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.StatusId;

/**
 * What a support teacher sees is what everybody on the staff sees, cut to her group. Each view is
 * compared with the whole one; what is new among the views has to be added or named here.
 */
class SupportTest extends BenchTest {
  private static final String OF_TOMAS = "How are you";
  private Caller priya;
  private Caller tomas;
  private EnrolmentId juno;

  /** Views of the course that hold nothing of any learner. */
  private static final Set<String> OF_NO_LEARNER =
      Set.of(
          "GET /api/courses/{course}/reports",
          "GET /api/courses/{course}/jobs",
          "GET /api/courses/{course}/roster/candidates",
          "GET /api/courses/{course}/marking/tasks/{step}/files/{file}");

  /** What is compared in a test of its own below, or asked for one learner (RolesTest). */
  private static final Set<String> APART =
      Set.of(
          // CompletionTest
          "GET /api/courses/{course}/approvals",
          "GET /api/courses/{course}/groups",
          "GET /api/courses/{course}/practicals",
          "GET /api/courses/{course}/practicals/{step}",
          "GET /api/courses/{course}/roster",
          // PrerequisitesTest; for designers, who see everybody
          "GET /api/courses/{course}/roster/held",
          "GET /api/courses/{course}/jobs/{job}",
          "GET /api/courses/{course}/mastery/trend",
          "GET /api/courses/{course}/sessions",
          "GET /api/courses/{course}/sessions/{session}/register",
          "GET /api/courses/{course}/reports/{report}/{format}",
          "GET /api/courses/{course}/messages/{person}",
          "GET /api/courses/{course}/learners/{enrolment}",
          "GET /api/courses/{course}/learners/{enrolment}/exceptions",
          "GET /api/courses/{course}/learners/{enrolment}/outcomes/{outcome}",
          "GET /api/courses/{course}/learners/{enrolment}/steps/{step}",
          "GET /api/courses/{course}/marking/{enrolment}/{step}",
          // badges_name_and_count_her_learners_only
          "GET /api/courses/{course}/badges",
          "GET /api/courses/{course}/badges/{badge}",
          // CertificatesTest
          "GET /api/courses/{course}/certificates",
          "GET /api/courses/{course}/certificates/{certificate}/pdf",
          "GET /api/courses/{course}/certificates/register/{format}",
          "GET /api/courses/{course}/certificates/prints/{file}",
          // DiscussionsTest
          "GET /api/courses/{course}/discussions",
          "GET /api/courses/{course}/discussions/{step}/files/{file}",
          "GET /api/courses/{course}/discussions/{step}/learners",
          "GET /api/courses/{course}/discussions/{step}/learners/{enrolment}",
          "GET /api/courses/{course}/discussions/{step}/posts",
          "GET /api/courses/{course}/discussions/{step}/posts/{post}",
          "GET /api/courses/{course}/discussions/{step}/posts/{post}/files/{file}",
          // AfterUseTest, which also says what designers do there
          "GET /api/courses/{course}/quizzes",
          "GET /api/courses/{course}/quizzes/{step}/figures",
          "GET /api/courses/{course}/quizzes/{step}/results/{format}",
          "GET /api/courses/{course}/quizzes/{step}/corrections/{id}/return",
          // BankTest; for designers, who see everybody
          "GET /api/courses/{course}/quizzes/questions",
          // QuizTakingTest
          "GET /api/courses/{course}/marking/{enrolment}/{step}/attempts",
          // HandInTest
          "GET /api/courses/{course}/marking/{enrolment}/{step}/files/{file}");

  private static final List<String> OTHERS =
      List.of("Ilse Tran", "Edda Marsh", "Bashir Colm", "Ruben Sato");

  private static final List<String> CUT =
      List.of(
          "/decisions",
          "/exceptions",
          "/follow-up",
          "/marking",
          "/messages",
          "/reports/progress",
          "/reports/mastery",
          "/reports/grades",
          "/reports/completion");

  @BeforeAll
  void twoLearnersOfWhomOneIsHers() {
    priya = as("Priya Nakamura");
    tomas = as("Tomas Weir");
    juno = enrolment("Juno Abara");
    var both = List.of(juno, enrolment("Ruben Sato"));
    excused(both);
    tomas.post(path() + "/letters", new Sent.Letter(both, OF_TOMAS, "Hello"));
    priya.post(path() + "/letters", new Sent.Letter(List.of(juno), "From me", "Hello"));
    as("Juno Abara").post(message("Tomas Weir"), new Sent.Message("To Tomas"));
    as("Ruben Sato").post(message("Tomas Weir"), new Sent.Message("To Tomas"));
    as("Juno Abara").post(message("Priya Nakamura"), new Sent.Message("To Priya"));
    tomas.post(
        path() + "/sessions",
        new Sent.Series(
            "Bench evening",
            Optional.empty(),
            Set.of(DayOfWeek.TUESDAY),
            LocalTime.of(18, 30),
            60,
            1,
            LocalDate.of(2026, 11, 10),
            LocalDate.of(2026, 11, 17)));
    for (JsonNode session : tomas.get(path() + "/sessions").path("sessions"))
      tomas.call(
          "PUT",
          path() + "/sessions/" + session.path("id") + "/register",
          new Sent.Register(
              new Sent.Attended(juno, Optional.of(new StatusId(5))),
              new Sent.Attended(both.get(1), Optional.of(new StatusId(1)))));
  }

  private record Excuse(String kind, long step, String reason) {}

  private record ForSeveral(List<EnrolmentId> learners, Excuse exception) {}

  /** Both are excused from a step that neither has done. */
  private void excused(List<EnrolmentId> both) {
    long step =
        tomas.get(path() + "/reports/progress").at("/steps").findValues("id").getLast().asLong();
    assertThat(
            tomas
                .post(
                    path() + "/exceptions", new ForSeveral(both, new Excuse("EXCUSE", step, "ill")))
                .path("given"))
        .hasSize(2);
  }

  private String message(String to) {
    return path() + "/messages/" + signedIn(to).id();
  }

  @Test
  void every_view_of_the_staff_is_compared_with_hers() {
    Set<String> views = new TreeSet<>();
    for (var operation : new Description().operations())
      if (operation.method().equals("GET") && seenByStaffOnly(operation.path()))
        views.add(operation.toString());
    views.removeAll(OF_NO_LEARNER);
    views.removeAll(APART);
    for (String cut : CUT)
      views.remove(
          "GET /api/courses/{course}" + (cut.startsWith("/reports") ? "/reports/{report}" : cut));
    assertThat(views).isEmpty();
  }

  private static boolean seenByStaffOnly(String path) {
    return path.startsWith("/api/courses/{course}/")
        && !path.contains("/design")
        && !path.endsWith("/wording")
        && !path.contains("/publications")
        && !path.contains("/walks/");
  }

  /** Groups and members of others are nothing to her, nor what speaks of a group. */
  @Test
  void the_roster_and_its_groups_are_the_whole_ones_cut_to_her_group() {
    JsonNode group = priya.get(path() + "/groups");
    assertThat(group).hasSize(1);
    long id = group.path(0).path("id").asLong();
    ArrayNode roster = (ArrayNode) tomas.get(path() + "/roster").deepCopy();
    for (int n = roster.size() - 1; n >= 0; n--) {
      ArrayNode in = (ArrayNode) roster.get(n).path("groups");
      for (int g = in.size() - 1; g >= 0; g--) if (in.get(g).asLong() != id) in.remove(g);
      if (in.isEmpty()) roster.remove(n);
    }
    assertThat(roster).hasSize(1);
    assertThat(priya.get(path() + "/roster")).isEqualTo(roster);
    assertThat(group.path(0).path("members").asInt()).isEqualTo(1);
    assertThat(group.path(0).path("uses")).isEmpty();
  }

  @Test
  void each_list_is_the_whole_one_cut_to_her_group() {
    for (String view : CUT) {
      if (view.equals("/messages")) continue;
      JsonNode whole = tomas.get(path() + view);
      JsonNode hers = priya.get(path() + view);
      assertThat(hers).as(view).isEqualTo(cut(whole, hers));
    }
  }

  /** Without rows of others; moments and what counts rows are those of the other view. */
  private JsonNode cut(JsonNode whole, JsonNode other) {
    JsonNode copy = whole.deepCopy();
    cut(copy);
    if (copy.isObject() && other.has("now")) ((ObjectNode) copy).set("now", other.path("now"));
    return copy;
  }

  private void cut(JsonNode node) {
    if (node instanceof ArrayNode list)
      for (int n = list.size() - 1; n >= 0; n--) if (!hers(list.get(n))) list.remove(n);
    node.forEach(this::cut);
  }

  /** Of a learner of hers, and no letter between that learner and others. */
  private boolean hers(JsonNode row) {
    boolean others = row.has("enrolment") && row.path("enrolment").asLong() != juno.value();
    return !others && !row.path("subject").asString("").endsWith(OF_TOMAS);
  }

  private record Given(List<EnrolmentId> learners, String reason) {}

  @Test
  void badges_name_and_count_her_learners_only() {
    EnrolmentId ruben = enrolment("Ruben Sato");
    String badge =
        path() + "/badges/" + tomas.get(path() + "/badges").path(0).path("badge").asLong();
    assertThat(
            priya
                .call("POST", badge + "/awards", new Given(List.of(juno, ruben), "seen"))
                .getStatus())
        .as("one of them is not hers")
        .isEqualTo(404);
    tomas.post(badge + "/awards", new Given(List.of(juno, ruben), "seen"));
    assertThat(tomas.get(badge).path("holders")).as("with Ilse, who earned it").hasSize(3);
    JsonNode hers = priya.get(badge);
    assertThat(hers.path("holders")).hasSize(1);
    assertThat(hers.at("/badge/holders").asInt()).isEqualTo(1);
    assertThat(hers.toString()).contains("Juno Abara").doesNotContain("Ruben Sato");
    assertThat(hers.path("close").toString()).doesNotContain("Edda Marsh");
    int close = priya.get(path() + "/badges").path(0).path("close").asInt();
    assertThat(close).isLessThanOrEqualTo(1);
  }

  @Test
  void her_conversations_are_hers_and_nobody_elses() {
    String seen = priya.get(path() + "/messages").toString();
    assertThat(seen).contains("Juno Abara").doesNotContain("Ruben Sato");
    assertThat(priya.get(message("Juno Abara")).toString())
        .contains("To Priya", "From me")
        .doesNotContain("To Tomas", OF_TOMAS);
  }

  @Test
  void an_export_is_the_whole_one_with_her_lines_only() {
    for (String report : List.of("progress", "mastery", "grades", "completion")) {
      List<String> whole = lines(tomas, report);
      List<String> expected = new ArrayList<>();
      for (String line : whole) if (OTHERS.stream().noneMatch(line::contains)) expected.add(line);
      assertThat(lines(priya, report)).as(report).isEqualTo(expected);
      assertThat(expected.toString()).contains("Juno Abara");
      assertThat(whole).hasSize(expected.size() + OTHERS.size());
    }
  }

  private List<String> lines(Caller caller, String report) {
    byte[] file =
        caller.call("GET", path() + "/reports/" + report + "/csv", "").getContentAsByteArray();
    return new String(file, StandardCharsets.UTF_8).lines().toList();
  }

  @Test
  void mastery_over_time_is_that_of_her_group() {
    JsonNode hers = priya.get(path() + "/mastery/trend");
    JsonNode group = tomas.get(path() + "/mastery/trend?group=" + bench.tuesday);
    assertThat(hers.path("weeks")).isEqualTo(group.path("weeks"));
    assertThat(hers.path("outcomes")).isEqualTo(group.path("outcomes"));
    assertThat(hers.toString()).isNotEqualTo(tomas.get(path() + "/mastery/trend").toString());
  }

  @Test
  void registers_hold_her_learners_and_count_them_only() {
    JsonNode hers = priya.get(path() + "/sessions").path("sessions");
    assertThat(hers).hasSize(2);
    for (JsonNode session : hers) {
      String register = path() + "/sessions/" + session.path("id") + "/register";
      JsonNode lines = priya.get(register).path("lines");
      JsonNode whole = tomas.get(register).path("lines").deepCopy();
      cut(whole);
      assertThat(lines).isEqualTo(whole).hasSize(1);
      assertThat(session.path("learners").asInt()).isEqualTo(1);
      assertThat(session.path("marked").asInt()).isEqualTo(1);
      assertThat(session.path("there").asInt()).isZero();
      assertThat(session.path("counts").toString()).isEqualTo("{\"5\":1}");
    }
  }
}
