package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.LEARNER_GROUP;
import static yendrik.schema.Tables.STAFF;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.people.StaffKind;

/** Groups are made of learners, renamed, changed and ended; what speaks of one keeps it. */
@ServerTest
class GroupsTest extends SchoolTest {
  private NewCourse course;
  private Caller sefa;
  private long page;
  private EnrolmentId edda;
  private EnrolmentId ilse;

  private record New(String name, List<EnrolmentId> learners) {}

  private record Members(List<EnrolmentId> in, List<EnrolmentId> out) {}

  @BeforeEach
  void aCourseOfTwo() {
    sefa = as("Sefa Dunmore");
    course = newCourse("Groups");
    long module = course.module("Tubes");
    page = course.step(module, "PAGE", "How a patch holds");
    course.step(module, "PAGE", "For everybody");
    course.publish();
    course.enrol("edda@hollowlane.example", "ilse@hollowlane.example");
    edda = course.enrolment("Edda Marsh");
    ilse = course.enrolment("Ilse Tran");
  }

  private String groups() {
    return course.path + "/groups";
  }

  private GroupId make(String name, EnrolmentId... learners) {
    JsonNode made = sefa.post(groups(), new New(name, List.of(learners)));
    return new GroupId(made.path("id").asLong());
  }

  private List<String> memberships(String name) {
    return sefa.get(course.path + "/roster")
        .valueStream()
        .filter(l -> l.path("groups").valueStream().anyMatch(g -> named(g).equals(name)))
        .map(l -> l.path("name").asString())
        .toList();
  }

  private String named(JsonNode group) {
    return sefa.get(groups())
        .valueStream()
        .filter(g -> g.path("id").asLong() == group.asLong())
        .findFirst()
        .map(g -> g.path("name").asString())
        .orElse("");
  }

  private int give(GroupId group) {
    JsonNode seen = course.seen(page);
    JsonNode edit = seen.deepCopy();
    ((ArrayNode) edit.path("groups")).add(group.value());
    return sefa.change(course.path + "/design/steps/" + page, seen, edit).getStatus();
  }

  @Test
  void a_group_is_made_of_learners_and_changed_and_each_change_is_a_fact() {
    GroupId group = make("Saturday", edda);
    assertThat(memberships("Saturday")).containsExactly("Edda Marsh");
    var swapped =
        sefa.post(
            groups() + "/" + group + "/members", new Members(List.of(ilse), List.of(edda, edda)));
    assertThat(swapped.path("members").asInt()).isEqualTo(1);
    assertThat(memberships("Saturday")).containsExactly("Ilse Tran");
    String history = sefa.get(course.path + "/learners/" + edda).toString();
    assertThat(history).contains("Joined the group Saturday", "Left the group Saturday");
  }

  @Test
  void putting_in_twice_is_one_fact() {
    GroupId group = make("Saturday", edda, edda);
    sefa.post(groups() + "/" + group + "/members", new Members(List.of(edda), List.of()));
    String history = sefa.get(course.path + "/learners/" + edda).toString();
    assertThat(history.split("Joined the group", -1)).hasSize(2);
  }

  @Test
  void a_name_is_there_once_however_it_is_written_and_free_again_when_its_group_is_over() {
    GroupId group = make("Saturday");
    for (String same : new String[] {"Saturday", " saturday "}) {
      var refused = sefa.call("POST", groups(), new New(same, List.of()));
      assertThat(refused.getStatus()).as(same).isEqualTo(422);
      assertThat(Caller.json(refused).path("fields").has("name")).isTrue();
    }
    var renamed = sefa.call("PUT", groups() + "/" + group + "/name", new Sent.Name("SATURDAY"));
    assertThat(renamed.getStatus()).isEqualTo(200);
    assertThat(sefa.call("DELETE", groups() + "/" + group, "").getStatus()).isEqualTo(204);
    assertThat(sefa.call("DELETE", groups() + "/" + group, "").getStatus()).isEqualTo(404);
    make("Saturday");
  }

  @Test
  void what_speaks_of_a_group_is_said_and_keeps_it_until_it_is_published_away() {
    GroupId group = make("Saturday", edda);
    assertThat(give(group)).isEqualTo(200);
    course.publish();
    JsonNode seen = course.seen(page);
    JsonNode edit = seen.deepCopy();
    ((ArrayNode) edit.path("groups")).removeAll();
    sefa.change(course.path + "/design/steps/" + page, seen, edit);
    people.addStaff(
        course.id, signedIn("Priya Nakamura").id(), StaffKind.SUPPORT, Optional.of(group));
    assertThat(sefa.get(groups()).path(0).path("uses"))
        .extracting(JsonNode::asString)
        .containsExactly(
            "“How a patch holds” is given to it", "Priya Nakamura looks after its learners");
    var refused = sefa.call("DELETE", groups() + "/" + group, "");
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(Caller.json(refused).path("findings")).hasSize(2);
    assertThat(memberships("Saturday")).as("nobody left it").containsExactly("Edda Marsh");
    course.publish();
    db.deleteFrom(STAFF).where(STAFF.GROUP_ID.eq(group)).execute();
    assertThat(sefa.call("DELETE", groups() + "/" + group, "").getStatus()).isEqualTo(204);
    assertThat(sefa.get(course.path + "/learners/" + edda).toString())
        .contains("Left the group")
        .doesNotContain("null");
  }

  @Test
  void a_support_teacher_sees_her_group_and_her_learners_and_changes_neither() {
    GroupId hers = make("Saturday", edda);
    make("Sunday", edda, ilse);
    people.addStaff(
        course.id, signedIn("Priya Nakamura").id(), StaffKind.SUPPORT, Optional.of(hers));
    Caller priya = as("Priya Nakamura");
    JsonNode seen = priya.get(groups());
    assertThat(seen).hasSize(1);
    assertThat(seen.path(0).path("uses")).isEmpty();
    JsonNode roster = priya.get(course.path + "/roster");
    assertThat(roster).hasSize(1);
    assertThat(roster.path(0).path("groups")).hasSize(1);
    var members = new Members(List.of(edda), List.of());
    assertThat(priya.call("POST", groups() + "/" + hers + "/members", members).getStatus())
        .isEqualTo(403);
  }

  @Test
  void somebody_of_another_course_is_put_into_nothing_and_nothing_is_made() {
    NewCourse other = newCourse("Elsewhere");
    other.step(other.module("Tubes"), "PAGE", "Another");
    other.publish();
    other.enrol("juno@hollowlane.example");
    EnrolmentId juno = other.enrolment("Juno Abara");
    var refused = sefa.call("POST", groups(), new New("Saturday", List.of(edda, juno)));
    assertThat(refused.getStatus()).isEqualTo(404);
    assertThat(sefa.get(groups())).isEmpty();
    GroupId group = make("Saturday");
    assertThat(
            sefa.call(
                    "POST",
                    other.path + "/groups/" + group + "/members",
                    new Members(List.of(juno), List.of()))
                .getStatus())
        .isEqualTo(404);
  }

  private int name(String... people) {
    return course
        .save(
            course.seen(page),
            e -> {
              ArrayNode named = e.putArray("people");
              for (String person : people) named.add(signedIn(person).id().value());
            })
        .getStatus();
  }

  private String route(String learner) {
    return as(learner).get(course.path + "/walks/mine/route").toString();
  }

  @Test
  void a_step_for_somebody_by_name_is_there_for_nobody_else() {
    assertThat(name("Edda Marsh")).isEqualTo(200);
    course.publish();
    assertThat(route("Edda Marsh")).contains("How a patch holds");
    assertThat(route("Ilse Tran")).contains("For everybody").doesNotContain("How a patch");
    var away = as("Ilse Tran").call("POST", course.walk(page) + "/visits", "");
    assertThat(away.getStatus()).isEqualTo(404);
    assertThat(course.progress().toString()).contains("How a patch holds");
  }

  @Test
  void a_mix_of_groups_and_names_is_for_all_of_them_and_strangers_are_refused_by_field() {
    GroupId group = make("Saturday", ilse);
    assertThat(give(group)).isEqualTo(200);
    assertThat(name("Edda Marsh")).isEqualTo(200);
    course.publish();
    for (String both : List.of("Edda Marsh", "Ilse Tran"))
      assertThat(route(both)).as(both).contains("How a patch holds");
    course.enrol("ruben@hollowlane.example");
    assertThat(route("Ruben Sato")).doesNotContain("How a patch");
    assertThat(name("Edda Marsh", "Juno Abara")).as("not on the roster").isEqualTo(422);
  }

  @Test
  void a_step_is_given_to_a_group_or_the_group_ends_but_never_both() throws Exception {
    for (int n = 0; n < 5; n++) {
      GroupId group = make("Race " + n);
      try (var pool = Executors.newFixedThreadPool(2)) {
        Future<Integer> given = pool.submit(() -> give(group));
        Future<Integer> ended =
            pool.submit(() -> sefa.call("DELETE", groups() + "/" + group, "").getStatus());
        boolean over = ended.get() == 204;
        assertThat(given.get() == 200).isNotEqualTo(over);
        assertThat(
                db.fetchExists(
                    LEARNER_GROUP, LEARNER_GROUP.ID.eq(group), LEARNER_GROUP.OVER_AT.isNull()))
            .isNotEqualTo(over);
      }
    }
  }
}
