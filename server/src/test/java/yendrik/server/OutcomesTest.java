package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.ScaleId;
import yendrik.core.strand.work.Judgement;
import yendrik.formats.json.CoreJson;
import yendrik.server.design.DesignEdits;
import yendrik.server.design.OutcomeForms;
import yendrik.server.design.OutcomeForms.Method;

/** Scales, how levels are found, and outcomes made of others. */
@ServerTest
class OutcomesTest extends SchoolTest {
  private NewCourse course;
  private Caller sefa;
  private long scale;

  @BeforeEach
  void aCourse() {
    sefa = as("Sefa Dunmore");
    course = new NewCourse(sefa, "Outcomes " + System.nanoTime());
    scale = course.design().path("scales").path(0).path("id").asLong();
  }

  private JsonNode outcome(String code, OutcomeForms.LevelRuleForm rule) {
    return add(Sent.outcome(code, "Do " + code, new ScaleId(scale), rule));
  }

  private JsonNode add(DesignEdits.OutcomeEdit outcome) {
    return sefa.post(course.path + "/design/outcomes", outcome);
  }

  private ObjectNode scaleEdit() {
    JsonNode now = course.design().path("scales").path(0);
    ObjectNode edit = ((ObjectNode) now).deepCopy();
    edit.remove(java.util.List.of("id", "version"));
    return edit;
  }

  private JsonNode put(ObjectNode edit) {
    String version = course.design().path("scales").path(0).path("version").toString();
    var response =
        sefa.call(
            "PUT", course.path + "/design/scales/" + scale, edit.toString(), "If-Match", version);
    ObjectNode answer = CoreJson.mapper().createObjectNode().put("status", response.getStatus());
    answer.set("body", Caller.json(response));
    return answer;
  }

  /** One page that gives evidence of an outcome, published, with Edda rated once at a level. */
  private void ratedOnce(long outcome, int level) {
    long module = course.module("Work");
    long step = course.step(module, "ASSIGNMENT", "A job");
    course.change(
        step, e -> e.putArray("evidenceFor").addObject().put("outcome", outcome).put("weight", 1));
    course.publish();
    course.enrol("edda@hollowlane.example");
    as("Edda Marsh").post(course.walk(step) + "/versions", new Sent.Text("done"));
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    var marked =
        sefa.call(
            "POST",
            course.path + "/marking/" + enrolment + "/" + step + "/marks",
            new Sent.Mark(1, 20, Judgement.PASSED, "", Map.of(new OutcomeId(outcome), level)));
    assertThat(marked.getStatus()).isEqualTo(204);
  }

  @Test
  void a_level_put_below_the_others_leaves_every_rating_where_it_was() {
    long outcome = outcome("TIE", Sent.by(Method.BEST)).path("id").asLong();
    ratedOnce(outcome, 1);
    ObjectNode edit = scaleEdit();
    edit.withArray("levels")
        .insertObject(0)
        .put("name", "Absent")
        .put("points", 0)
        .put("description", "");
    edit.put("mastery", 3);
    JsonNode effects =
        sefa.post(course.path + "/design/scales/" + scale + "/effects", edit.toString());
    assertThat(effects.toString()).contains("Nobody is at “Absent” yet");
    assertThat(put(edit).path("status").asInt()).isEqualTo(200);
    course.publish();
    JsonNode grid = sefa.get(course.path + "/reports/mastery");
    assertThat(grid.path("outcomes").path(0).path("levels").path(2).asString()).isEqualTo("Nearly");
    assertThat(grid.path("learners").path(0).path("levels").path("" + outcome).asInt())
        .isEqualTo(2);
  }

  @Test
  void a_level_that_ratings_stand_at_cannot_go_and_a_new_name_is_said_beforehand() {
    long outcome = outcome("TIE", Sent.by(Method.BEST)).path("id").asLong();
    ratedOnce(outcome, 1);
    ObjectNode without = scaleEdit();
    without.withArray("levels").remove(1);
    without.put("mastery", 1);
    JsonNode refused = put(without);
    assertThat(refused.path("status").asInt()).isEqualTo(422);
    assertThat(refused.path("body").path("fields").path("levels").asString())
        .contains("“Nearly” cannot go: 1 rating stands at it.");
    ObjectNode renamed = scaleEdit();
    ((ObjectNode) renamed.path("levels").path(1)).put("name", "Almost");
    assertThat(
            sefa.post(course.path + "/design/scales/" + scale + "/effects", renamed.toString())
                .toString())
        .contains("1 rating at “Nearly” will read “Almost”.");
  }

  @Test
  void an_outcome_moves_to_a_scale_only_where_its_ratings_keep_their_meaning() {
    long outcome = outcome("TIE", Sent.by(Method.BEST)).path("id").asLong();
    ratedOnce(outcome, 1);
    ObjectNode spare = scaleEdit().put("name", "Same words");
    spare.path("levels").forEach(l -> ((ObjectNode) l).remove("key"));
    long same = sefa.post(course.path + "/design/scales", spare.toString()).path("id").asLong();
    ((ObjectNode) spare.path("levels").path(1)).put("name", "Halfway");
    long other = sefa.post(course.path + "/design/scales", spare.toString()).path("id").asLong();
    JsonNode refused = change(outcome, e -> e.put("scale", other));
    assertThat(refused.path("fields").path("scale").asString()).contains("1 rating at “Nearly”");
    assertThat(change(outcome, e -> e.put("scale", same)).path("scale").asLong()).isEqualTo(same);
  }

  @Test
  void publishing_another_method_shows_whose_levels_change() {
    long outcome = outcome("TIE", Sent.by(Method.BEST)).path("id").asLong();
    ratedOnce(outcome, 1);
    change(
        outcome,
        e -> {
          ((ObjectNode) e.path("levelRule")).put("fewest", 2);
        });
    assertThat(course.impact().path("changes").path(0).toString())
        .contains("TIE: “Nearly” becomes no level", "Edda Marsh");
  }

  @Test
  void a_scale_in_use_cannot_be_deleted_and_its_uses_are_named() {
    outcome("TIE", Sent.by(Method.BEST));
    var refused = sefa.call("DELETE", course.path + "/design/scales/" + scale, "");
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("detail").asString()).contains("used by TIE");
    ObjectNode spare = scaleEdit().put("name", "Spare");
    spare.path("levels").forEach(l -> ((ObjectNode) l).remove("key"));
    long unused = sefa.post(course.path + "/design/scales", spare.toString()).path("id").asLong();
    assertThat(sefa.call("DELETE", course.path + "/design/scales/" + unused, "").getStatus())
        .isEqualTo(204);
    assertThat(course.design().path("scales").size()).isEqualTo(1);
  }

  @Test
  void scales_that_make_no_sense_are_refused_by_field() {
    ObjectNode twice = scaleEdit();
    ((ObjectNode) twice.path("levels").path(1)).put("name", "Not yet");
    assertThat(put(twice).path("body").path("fields").has("levels")).isTrue();
    assertThat(put(scaleEdit().put("mastery", 7)).path("body").path("fields").has("mastery"))
        .isTrue();
  }

  @Test
  void a_method_keeps_its_numbers_and_impossible_ones_are_refused() {
    JsonNode secure = outcome("SEC", Sent.by(Method.SECURE, 2, 4));
    assertThat(secure.path("levelRule").path("times").asInt()).isEqualTo(2);
    assertThat(secure.path("levelRule").path("last").asInt()).isEqualTo(4);
    JsonNode impossible = outcome("IMP", Sent.by(Method.SECURE, 5, 4));
    assertThat(impossible.path("fields").has("levelRule")).isTrue();
  }

  @Test
  void an_outcome_made_of_others_takes_no_evidence_of_its_own_and_no_circle() {
    long a = outcome("AA", Sent.by(Method.BEST)).path("id").asLong();
    var rule = Sent.by(Method.BEST);
    JsonNode whole =
        add(Sent.madeOf(List.of(new OutcomeId(a)), "WHOLE", "All", new ScaleId(scale), rule));
    assertThat(whole.path("madeOf").path("parts").path(0).asLong()).isEqualTo(a);
    ratedOnce(a, 2);
    assertThat(
            sefa.get(course.path + "/reports/mastery")
                .path("learners")
                .path(0)
                .path("levels")
                .path(whole.path("id").asString())
                .asInt(-1))
        .isEqualTo(2);
    long other = course.step(course.module("More"), "ASSIGNMENT", "Another job");
    course.change(
        other,
        e ->
            e.putArray("evidenceFor")
                .addObject()
                .put("outcome", whole.path("id").asLong())
                .put("weight", 1));
    assertThat(course.design().path("faults").path(0).asString())
        .contains("gives evidence of WHOLE, which is made of other outcomes");
  }

  @Test
  void a_cell_shows_the_sum_and_what_would_change_it() {
    long torq = outcome("TORQ", Sent.by(Method.RECENCY_WEIGHTED)).path("id").asLong();
    ratedOnce(torq, 0);
    EnrolmentId edda = course.enrolment("Edda Marsh");
    var again = new Sent.Rating(new OutcomeId(torq), 1, List.of(edda), "");
    sefa.post(course.path + "/ratings", again);
    JsonNode cell = sefa.get(course.path + "/learners/" + edda + "/outcomes/" + torq);
    assertThat(cell.path("method").asString())
        .isEqualTo("Newer pieces count more: the weight halves with every 2 pieces.");
    assertThat(cell.path("sum").asString()).startsWith("(").contains("1·", "nearest level");
    double shares =
        cell.path("evidence").valueStream().mapToDouble(p -> p.path("share").asDouble()).sum();
    assertThat(shares).isBetween(0.999, 1.001);
    assertThat(cell.path("change").toString()).contains("mastery");
  }

  private JsonNode change(long outcome, java.util.function.Consumer<ObjectNode> change) {
    JsonNode now = shown(outcome);
    ObjectNode edit = ((ObjectNode) now).deepCopy();
    edit.remove(java.util.List.of("id", "version"));
    ObjectNode seen = edit.deepCopy();
    change.accept(edit);
    return Caller.json(sefa.change(course.path + "/design/outcomes/" + outcome, seen, edit));
  }

  private JsonNode shown(long outcome) {
    for (JsonNode o : course.design().path("outcomes"))
      if (o.path("id").asLong() == outcome) return o;
    throw new AssertionError("no outcome " + outcome);
  }

  @Test
  void an_outcome_stands_in_groups_of_any_depth_and_mastery_knows_them_at_once() {
    var inGroup =
        new DesignEdits.OutcomeEdit(
            "TRUE",
            "True a wheel",
            "",
            new ScaleId(scale),
            Sent.by(Method.BEST),
            Optional.empty(),
            Optional.of(List.of("Wheels", " Truing ")),
            Optional.empty());
    long outcome = add(inGroup).path("id").asLong();
    assertThat(shown(outcome).path("group").toString()).isEqualTo("[\"Wheels\",\"Truing\"]");
    ratedOnce(outcome, 1);
    change(outcome, e -> e.putArray("group").add("Rims"));
    JsonNode head = sefa.get(course.path + "/reports/mastery").path("outcomes").path(0);
    assertThat(head.path("group").toString()).isEqualTo("[\"Rims\"]");
    assertThat(course.design().path("changed").asBoolean())
        .as("a group is nothing that learners get")
        .isFalse();
    assertThat(change(outcome, e -> e.putArray("group").add("")).path("status").asInt())
        .isEqualTo(422);
    JsonNode deep =
        change(
            outcome,
            e -> {
              var path = e.putArray("group");
              for (int n = 0; n < 9; n++) path.add("g" + n);
            });
    assertThat(deep.path("detail").asString()).contains("at most 8 deep");
  }

  private static DesignEdits.OutcomeOrder order(long... outcomes) {
    return new DesignEdits.OutcomeOrder(
        Arrays.stream(outcomes).mapToObj(OutcomeId::new).toList(), Optional.empty());
  }

  @Test
  void outcomes_are_put_in_order_only_when_all_of_them_are_named() {
    long first = outcome("ONE", Sent.by(Method.BEST)).path("id").asLong();
    long second = outcome("TWO", Sent.by(Method.BEST)).path("id").asLong();
    String path = course.path + "/design/outcomes/order";
    var order = order(second, first);
    JsonNode now = Caller.json(sefa.call("PUT", path, order));
    assertThat(now.path("outcomes").path(0).path("code").asString()).isEqualTo("TWO");
    var short_ = sefa.call("PUT", path, order(second));
    assertThat(short_.getStatus()).isEqualTo(409);
    var twice = sefa.call("PUT", path, order(second, second));
    assertThat(twice.getStatus()).isEqualTo(409);
    assertThat(course.design().path("outcomes").path(0).path("code").asString()).isEqualTo("TWO");
  }

  @Test
  void an_outcome_whose_code_was_given_away_is_not_brought_back_and_the_reason_is_said() {
    long first = outcome("TIE", Sent.by(Method.BEST)).path("id").asLong();
    String path = course.path + "/design/outcomes/";
    assertThat(sefa.call("DELETE", path + first, "").getStatus()).isEqualTo(204);
    outcome("TIE", Sent.by(Method.BEST));
    var refused = sefa.call("POST", path + first + "/restoration", "");
    assertThat(refused.getStatus()).isEqualTo(409);
    assertThat(Caller.json(refused).path("detail").asString()).contains("same code");
    assertThat(course.design().path("outcomes").size()).isEqualTo(1);
  }

  @Test
  void a_retired_outcome_keeps_its_levels_and_is_proposed_no_more() {
    long outcome = outcome("TIE", Sent.by(Method.BEST)).path("id").asLong();
    ratedOnce(outcome, 1);
    long module = course.design().path("modules").path(0).path("id").asLong();
    String proposals = course.path + "/design/proposals?text=tie&place=module-opens&id=" + module;
    assertThat(sefa.get(proposals).toString()).contains("at-mastery");
    assertThat(change(outcome, e -> e.put("retired", true)).path("retired").asBoolean()).isTrue();
    assertThat(sefa.get(proposals).toString()).doesNotContain("\"outcome\":" + outcome);
    JsonNode grid = sefa.get(course.path + "/reports/mastery");
    assertThat(grid.path("outcomes").path(0).path("retired").asBoolean()).isTrue();
    assertThat(grid.path("learners").path(0).path("levels").path("" + outcome).asInt())
        .isEqualTo(1);
    change(outcome, e -> e.put("retired", false));
    assertThat(sefa.get(proposals).toString()).contains("\"outcome\":" + outcome);
  }

  @Test
  void a_condition_in_whose_place_one_is_typed_brings_its_like_first() {
    long tie = outcome("TIE", Sent.by(Method.BEST)).path("id").asLong();
    outcome("KNOT", Sent.by(Method.BEST));
    long module = course.module("Work");
    String like =
        URLEncoder.encode(
            "{\"is\":\"at-mastery\",\"outcome\":" + tie + "}", StandardCharsets.UTF_8);
    String at = course.path + "/design/proposals?text=outcome&place=module-opens&id=" + module;
    JsonNode first = sefa.get(at + "&like=" + like).path(0).path("leaf");
    assertThat(first.path("outcome").asLong()).isEqualTo(tie);
    assertThat(sefa.call("GET", at + "&like=null", "").getStatus()).isEqualTo(422);
    assertThat(sefa.call("GET", at + "&like=%7B", "").getStatus()).isEqualTo(422);
  }

  @Test
  void a_quiz_gives_evidence_by_its_questions_and_cut_points() {
    long tie = outcome("TIE", Sent.by(Method.BEST)).path("id").asLong();
    long knot = outcome("KNOT", Sent.by(Method.BEST)).path("id").asLong();
    long quiz = course.step(course.module("Work"), "QUIZ", "Ties and knots");
    course.change(
        quiz,
        e -> {
          var ties = e.putArray("evidenceFor");
          ties.addObject().put("outcome", tie).put("weight", 1).putArray("cuts").add(0.5);
          ties.addObject().put("outcome", knot).put("weight", 1);
          var questions = NewCourse.part(e).putArray("questions");
          question(questions.addObject(), "q1", tie);
          question(questions.addObject(), "q2", tie);
          question(questions.addObject(), "q3", knot);
        });
    course.publish();
    course.enrol("edda@hollowlane.example");
    Caller edda = as("Edda Marsh");
    JsonNode attempt = edda.post(course.walk(quiz) + "/attempts", "");
    var done =
        edda.post(
            course.walk(quiz) + "/attempts/1/result", Caller.answers(attempt, "yes", "no", "no"));
    assertThat(done.path("points").asDouble()).isEqualTo(1);
    JsonNode levels =
        sefa.get(course.path + "/reports/mastery").path("learners").path(0).path("levels");
    assertThat(levels.path("" + tie).asInt()).as("half of its questions").isEqualTo(1);
    assertThat(levels.path("" + knot).asInt()).as("none of its questions").isZero();
  }

  private static void question(ObjectNode q, String id, long outcome) {
    q.setAll(NewCourse.question(id, "Which?", "yes", "no"));
    q.put("outcome", outcome);
  }

  @Test
  void cut_points_and_carried_outcomes_that_do_not_fit_are_refused_by_field() {
    long tie = outcome("TIE", Sent.by(Method.BEST)).path("id").asLong();
    long quiz = course.step(course.module("Work"), "QUIZ", "Ties");
    for (double[] cuts : new double[][] {{}, {0.2, 0.4, 0.6}, {0.8, 0.4}, {1.2}})
      assertThat(
              org.assertj.core.api.Assertions.catchThrowable(() ->
                  course.change(
                      quiz,
                      e -> {
                        var list =
                            e.putArray("evidenceFor")
                                .addObject()
                                .put("outcome", tie)
                                .put("weight", 1)
                                .putArray("cuts");
                        for (double cut : cuts) list.add(cut);
                      })))
          .hasMessageContaining("evidenceFor");
    assertThat(
            org.assertj.core.api.Assertions.catchThrowable(() ->
                course.change(
                    quiz,
                    e -> question(NewCourse.part(e).putArray("questions").addObject(), "q1", tie))))
        .hasMessageContaining("Question 1 carries an outcome");
  }
}
