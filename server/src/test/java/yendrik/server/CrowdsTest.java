package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static yendrik.schema.Tables.CROWD;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.StepId;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.server.way.Walks;

/** Crowds walk through the draft, beside what learners have now. */
@ServerTest
class CrowdsTest extends SchoolTest {
  @Autowired private Walks walks;
  @Autowired private DSLContext db;
  private Caller sefa;
  private NewCourse course;
  private long first;
  private long second;

  @BeforeEach
  void aStepThatWaitsForAnother() {
    sefa = as("Sefa Dunmore");
    course = newCourse("Crowded");
    long module = course.module("Tubes");
    first = course.step(module, "PAGE", "Before");
    second = course.step(module, "PAGE", "After");
    course.change(second, e -> e.set("opensWhen", course.ask("seen", first)));
  }

  private String at() {
    return course.path + "/design/crowd";
  }

  private ObjectNode asked(int learners) {
    ObjectNode asked = (ObjectNode) sefa.get(at()).path("usual").deepCopy();
    return asked.put("learners", learners).put("stopping", 0).put("asBefore", false);
  }

  private JsonNode walk(ObjectNode asked) {
    JsonNode begun = sefa.post(at(), asked.toString());
    String job = course.path + "/jobs/" + begun.path("id").asLong();
    await()
        .until(
            () -> !List.of("WAITING", "RUNNING").contains(sefa.get(job).path("state").asString()));
    return sefa.get(job);
  }

  private JsonNode came() {
    return sefa.get(at()).path("last").path("came");
  }

  private JsonNode step(int n) {
    return came().at("/modules/0/steps/" + n);
  }

  @Test
  void what_became_of_a_crowd_is_kept_until_the_next_one() {
    assertThat(sefa.get(at()).has("last")).isFalse();
    JsonNode job = walk(asked(40));
    assertThat(job.path("state").asString()).as(job.toString()).isEqualTo("DONE");
    assertThat(job.at("/result/finished").asInt()).isEqualTo(40);
    assertThat(came().at("/draft/finished").asInt()).isEqualTo(40);
    assertThat(came().has("today")).as("nothing is published").isFalse();
    assertThat(step(0).path("name").asString()).isEqualTo("Before");
    assertThat(step(1).at("/draft/done").asInt()).isEqualTo(40);
    assertThat(step(1).at("/draft/took/half").isNumber()).isTrue();
    assertThat(sefa.get(at()).at("/last/by").asString()).isEqualTo("Sefa Dunmore");
    walk(asked(10));
    assertThat(came().at("/draft/learners").asInt()).isEqualTo(10);
    assertThat(sefa.get(at()).at("/last/asked/learners").asInt()).isEqualTo(10);
  }

  @Test
  void what_an_earlier_release_kept_in_another_form_is_not_shown() {
    walk(asked(5));
    db.update(CROWD).set(CROWD.FORM, 0).where(CROWD.COURSE_ID.eq(course.id)).execute();
    assertThat(sefa.get(at()).has("last")).isFalse();
    walk(asked(5));
    assertThat(sefa.get(at()).has("last")).isTrue();
  }

  @Test
  void a_changed_rule_is_walked_beside_the_one_that_learners_have() {
    course.publish();
    walk(asked(20));
    assertThat(came().has("today")).as("the draft is what is published").isFalse();
    course.change(second, e -> e.set("opensWhen", course.ask("passed", first)));
    assertThat(sefa.get(at()).at("/last/changedSince").asBoolean()).isTrue();
    walk(asked(20));
    assertThat(sefa.get(at()).at("/last/changedSince").asBoolean()).isFalse();
    assertThat(came().at("/today/finished").asInt()).isEqualTo(20);
    assertThat(came().at("/draft/finished").asInt()).isZero();
    assertThat(came().at("/draft/noWayOn").asInt()).isEqualTo(20);
    assertThat(step(1).at("/draft/stand").asInt()).isEqualTo(20);
    assertThat(step(1).at("/today/done").asInt()).isEqualTo(20);
  }

  @Test
  void what_only_learners_have_is_told_behind() {
    course.publish();
    sefa.call("DELETE", course.path + "/design/steps/" + first, "");
    course.change(second, e -> e.putNull("opensWhen"));
    walk(asked(5));
    List<String> names =
        IntStream.range(0, 2).mapToObj(n -> step(n).path("name").asString()).toList();
    assertThat(names).containsExactlyInAnyOrder("Before", "After");
  }

  @Test
  void what_cannot_be_asked_is_refused_with_its_field() {
    JsonNode many = sefa.post(at(), asked(100_000).toString());
    assertThat(many.toString()).contains("learners").contains("5,000");
    JsonNode nobody = sefa.post(at(), asked(5).put("asBefore", true).toString());
    assertThat(nobody.toString()).contains("asBefore").contains("nobody here");
    ObjectNode less = asked(5);
    less.remove("weeks");
    assertThat(sefa.call("POST", at(), less.toString()).getStatus()).isIn(400, 422);
  }

  @Test
  void who_does_not_plan_sees_no_crowd() {
    assertThat(as("Ruben Sato").call("GET", at(), "").getStatus()).isIn(403, 404);
  }

  @Test
  void a_crowd_can_be_like_those_who_learn_here() {
    long work = course.step(course.module("Tests"), "ASSIGNMENT", "Job card");
    course.publish();
    course.enrol("juno@hollowlane.example");
    assertThat(sefa.get(at()).path("like").asInt()).as("nobody was scored").isZero();
    assertThat(sefa.get(at()).at("/usual/asBefore").asBoolean()).isFalse();
    EnrolmentId juno = course.enrolment("Juno Abara");
    var handedIn = new WorkFact.HandedIn(new StepId(work), 1);
    var marked = new WorkFact.Marked(new StepId(work), 1, 16, 20, Judgement.PASSED, "");
    walks.act(juno, Optional.empty(), _ -> List.of(handedIn, marked));
    JsonNode crowds = sefa.get(at());
    assertThat(crowds.path("like").asInt()).isEqualTo(1);
    JsonNode job = walk(asked(30).put("asBefore", true));
    assertThat(job.path("state").asString()).as(job.toString()).isEqualTo("DONE");
  }
}
