package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.people.StaffKind;
import yendrik.server.demo.DemoClock;
import yendrik.server.way.Walks;

/** Learners write to each other, in groups or together, and to staff alone in journals. */
@ServerTest
class DiscussionsTest extends SchoolTest {
  @Autowired DemoClock clock;
  @Autowired Walks walks;
  private NewCourse course;
  private Caller sefa;
  private Caller edda;
  private Caller juno;
  private long module;
  private long talk;

  private record Text(String text, List<Long> files) {}

  private record Post(
      Text post, Optional<Long> group, Optional<Long> journal, Optional<Long> inReplyTo) {}

  private record Upto(long thread, long upto) {}

  private record Reads(List<Upto> threads) {}

  private record Sending(String upload) {}

  private record Members(List<Long> in, List<Long> out) {}

  private record Group(String name, List<Long> learners) {}

  @BeforeEach
  void aDiscussionOfTwo() {
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    juno = as("Juno Abara");
    course = newCourse("Talk");
    module = course.module("Chains");
    talk = course.step(module, "DISCUSSION", "How long does a chain last?");
  }

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  private void begin() {
    course.publish();
    course.enrol("edda@hollowlane.example", "juno@hollowlane.example");
    for (Caller who : List.of(edda, juno)) who.post(course.walk(talk) + "/visits", "");
  }

  private void set(String field, boolean on) {
    course.change(talk, e -> NewCourse.part(e).put(field, on));
  }

  private static Post post(String text) {
    return new Post(
        new Text("<p>" + text + "</p>", List.of()),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  private static Post reply(long to, String text) {
    return new Post(
        new Text("<p>" + text + "</p>", List.of()),
        Optional.empty(),
        Optional.empty(),
        Optional.of(to));
  }

  private String posts() {
    return course.walk(talk) + "/posts";
  }

  private String staff() {
    return course.path + "/discussions/" + talk;
  }

  private JsonNode read(Caller who) {
    return who.get(posts()).path("threads");
  }

  private long written(Caller who, String text) {
    JsonNode page = who.post(posts(), post(text));
    assertThat(page.path("id").asLong()).as(page.toString()).isEqualTo(talk);
    return read(who).path(0).path("post").path("id").asLong();
  }

  private static int status(MockHttpServletResponse response) {
    return response.getStatus();
  }

  private String state(String learner) {
    return course.bead(learner, talk).path("state").asString();
  }

  private long group(String name, String learner) {
    long enrolment = course.enrolment(learner).value();
    return sefa.post(course.path + "/groups", new Group(name, List.of(enrolment)))
        .path("id")
        .asLong();
  }

  @Test
  void one_posts_another_replies_and_both_count_for_what_they_wrote() {
    course.change(
        talk,
        e -> {
          ObjectNode rule = course.ask("replied", talk);
          ((ObjectNode) rule.path("leaf")).put("times", 1);
          e.set("doneWhen", rule);
        });
    begin();
    long first = written(edda, "Mine lasted 3,000 km. <script>alert(1)</script>");
    assertThat(read(juno).path(0).path("post").path("text").asString())
        .isEqualTo("<p>Mine lasted 3,000 km. </p>");
    assertThat(read(juno).path(0).path("post").path("unread").asBoolean()).isTrue();
    edda.post(posts(), reply(first, "In the rain."));
    assertThat(state("Edda Marsh")).as("nobody had written to reply to").isNotEqualTo("DONE");
    juno.post(posts(), reply(first, "Mine too."));
    assertThat(state("Juno Abara")).isEqualTo("DONE");
    edda.post(posts(), reply(first, "Which oil?"));
    assertThat(state("Edda Marsh")).isEqualTo("DONE");
    JsonNode thread = read(edda).path(0);
    assertThat(thread.path("replies").asInt()).isEqualTo(3);
    assertThat(thread.path("unread").asInt()).isEqualTo(1);
    assertThat(edda.get(posts() + "/" + first).path("last")).hasSize(3);
  }

  @Test
  void the_thread_with_the_newest_post_comes_first_and_the_rest_page_by_page() {
    begin();
    List<Long> all = new ArrayList<>();
    for (int n = 0; n < 25; n++) all.add(written(edda, "Post " + n));
    juno.post(posts(), reply(all.getFirst(), "Up again"));
    JsonNode page = juno.get(posts());
    assertThat(page.path("threads")).hasSize(20);
    assertThat(page.path("threads").path(0).path("post").path("id").asLong())
        .isEqualTo(all.getFirst());
    JsonNode rest = juno.get(posts() + "?before=" + page.path("more").asLong());
    assertThat(rest.path("threads")).hasSize(5);
    assertThat(rest.has("more")).isFalse();
  }

  @Test
  void what_was_read_is_unread_no_more_and_never_again() {
    begin();
    long first = written(edda, "One");
    juno.post(posts() + "/read", new Reads(List.of(new Upto(first, first))));
    assertThat(read(juno).path(0).path("unread").asInt()).isZero();
    edda.post(posts(), reply(first, "Two"));
    assertThat(read(juno).path(0).path("unread").asInt()).isEqualTo(1);
    long newest = read(juno).path(0).path("last").path(0).path("id").asLong();
    juno.post(posts() + "/read", new Reads(List.of(new Upto(first, newest))));
    juno.post(posts() + "/read", new Reads(List.of(new Upto(first, first))));
    assertThat(read(juno).path(0).path("unread").asInt()).isZero();
    assertThat(read(edda).path(0).path("unread").asInt()).as("one's own").isZero();
  }

  private int news(Caller who) {
    return who.get(course.path + "/walks/mine/route")
        .path("modules")
        .path(0)
        .path("steps")
        .path(0)
        .path("unread")
        .asInt();
  }

  @Test
  void the_route_says_how_much_there_is_to_read_and_of_nothing_that_cannot_be_read() {
    set("postFirst", true);
    begin();
    long first = written(edda, "One");
    assertThat(news(juno)).as("not before one wrote oneself").isZero();
    written(juno, "Two");
    assertThat(news(juno)).isEqualTo(1);
    juno.post(posts() + "/read", new Reads(List.of(new Upto(first, first))));
    assertThat(news(juno)).isZero();
    set("byGroup", true);
    set("postFirst", false);
    course.publish();
    group("Saturday", "Edda Marsh");
    written(edda, "Among us");
    assertThat(news(juno)).isZero();
  }

  @Test
  void one_writes_before_one_reads_where_that_is_asked() {
    set("postFirst", true);
    begin();
    long first = written(edda, "Mine");
    JsonNode before = juno.get(posts());
    assertThat(before.path("writesFirst").asBoolean()).isTrue();
    assertThat(before.path("threads")).isEmpty();
    assertThat(status(juno.call("GET", posts() + "/" + first, ""))).isEqualTo(404);
    assertThat(status(juno.call("POST", posts(), reply(first, "Seen")))).isEqualTo(404);
    long own = written(juno, "Also mine");
    assertThat(read(juno)).hasSize(2);
    juno.call("DELETE", posts() + "/" + own, "");
    assertThat(read(juno)).as("what was taken away is not written").isEmpty();
  }

  @Test
  void each_group_discusses_by_itself_and_hears_nothing_of_the_others() {
    set("byGroup", true);
    begin();
    long saturday = group("Saturday", "Edda Marsh");
    group("Tuesday", "Juno Abara");
    long first = written(edda, "Among us");
    assertThat(read(juno)).isEmpty();
    assertThat(status(juno.call("GET", posts() + "/" + first, ""))).isEqualTo(404);
    assertThat(status(juno.call("POST", posts(), reply(first, "Hello")))).isEqualTo(404);
    assertThat(status(juno.call("GET", posts() + "?group=" + saturday, ""))).isEqualTo(422);
    var there =
        new Post(
            new Text("<p>x</p>", List.of()),
            Optional.of(saturday),
            Optional.empty(),
            Optional.empty());
    assertThat(status(juno.call("POST", posts(), there))).isEqualTo(422);
    JsonNode all = sefa.get(staff() + "/posts?group=" + saturday);
    assertThat(all.path("threads")).hasSize(1);
    assertThat(all.path("groups")).hasSize(3);
  }

  private record Ungrouped(Text post, boolean ungrouped) {}

  @Test
  void staff_read_and_write_among_those_who_are_in_no_group() {
    set("byGroup", true);
    begin();
    group("Saturday", "Edda Marsh");
    written(juno, "In no group");
    assertThat(sefa.get(staff() + "/posts").path("threads")).as("the first group").isEmpty();
    assertThat(sefa.get(staff() + "/posts?ungrouped=true").path("threads")).hasSize(1);
    sefa.post(staff() + "/posts", new Ungrouped(new Text("<p>Join one.</p>", List.of()), true));
    assertThat(read(juno)).hasSize(2);
    assertThat(read(edda)).isEmpty();
  }

  @Test
  void who_changes_the_group_reads_what_is_written_there_and_the_other_no_more() {
    set("byGroup", true);
    begin();
    long saturday = group("Saturday", "Edda Marsh");
    written(edda, "On Saturday");
    long enrolment = course.enrolment("Edda Marsh").value();
    long juno = course.enrolment("Juno Abara").value();
    sefa.post(
        course.path + "/groups/" + saturday + "/members",
        new Members(List.of(juno), List.of(enrolment)));
    assertThat(read(edda)).as("moved away").isEmpty();
    assertThat(read(this.juno)).hasSize(1);
  }

  @Test
  void what_one_wrote_can_be_changed_for_a_while_and_by_nobody_else() {
    begin();
    long first = written(edda, "Wrogn");
    String at = posts() + "/" + first;
    var right = new Text("<p>Right</p>", List.of());
    assertThat(status(juno.call("PUT", at, right))).isEqualTo(403);
    assertThat(status(edda.call("PUT", at, right))).isEqualTo(204);
    JsonNode shown = read(juno).path(0).path("post");
    assertThat(shown.path("text").asString()).isEqualTo("<p>Right</p>");
    assertThat(shown.has("changed")).isTrue();
    assertThat(status(edda.call("PUT", at, new Text("<p> &nbsp;</p>", List.of())))).isEqualTo(422);
    clock.putTo(clock.instant().plus(Duration.ofMinutes(31)));
    assertThat(status(edda.call("PUT", at, right))).isEqualTo(409);
    assertThat(status(edda.call("DELETE", at, ""))).isEqualTo(409);
    assertThat(read(edda).path(0).path("post").path("mayChange").asBoolean()).isFalse();
  }

  @Test
  void what_is_removed_counts_no_longer_until_it_is_brought_back() {
    begin();
    long first = written(edda, "Rude");
    assertThat(state("Edda Marsh")).isEqualTo("DONE");
    String at = staff() + "/posts/" + first;
    assertThat(status(sefa.call("DELETE", at, ""))).isEqualTo(204);
    assertThat(status(sefa.call("DELETE", at, ""))).as("twice is once").isEqualTo(204);
    assertThat(state("Edda Marsh")).isNotEqualTo("DONE");
    assertThat(read(edda)).isEmpty();
    assertThat(read(juno)).isEmpty();
    JsonNode kept = sefa.get(staff() + "/posts").path("threads").path(0).path("post");
    assertThat(kept.path("removed").asString()).isEqualTo("Sefa Dunmore");
    assertThat(status(sefa.call("POST", at + "/restoration", ""))).isEqualTo(204);
    assertThat(status(sefa.call("POST", at + "/restoration", ""))).isEqualTo(204);
    assertThat(state("Edda Marsh")).isEqualTo("DONE");
    assertThat(read(juno)).hasSize(1);
    assertThat(walks.compare(course.enrolment("Edda Marsh"))).isEmpty();
  }

  @Test
  void replies_stay_when_what_they_reply_to_is_removed_and_its_words_are_gone() {
    begin();
    long first = written(edda, "Zinnober");
    juno.post(posts(), reply(first, "Why?"));
    sefa.call("DELETE", staff() + "/posts/" + first, "");
    var answer = juno.call("GET", posts(), "");
    JsonNode thread = Caller.json(answer).path("threads").path(0);
    assertThat(thread.path("post").path("gone").asBoolean()).isTrue();
    assertThat(thread.path("last")).hasSize(1);
    assertThat(new String(answer.getContentAsByteArray(), UTF_8))
        .doesNotContain("Zinnober", "Edda");
    assertThat(status(juno.call("POST", posts(), reply(first, "Hm")))).isEqualTo(404);
    long second = thread.path("last").path(0).path("id").asLong();
    assertThat(status(juno.call("POST", posts(), reply(second, "Still here")))).isEqualTo(200);
  }

  @Test
  void a_journal_is_read_by_its_learner_and_staff_and_by_nobody_else() {
    talk = course.step(module, "JOURNAL", "My week");
    begin();
    long first = written(edda, "I cut a cable too short.");
    assertThat(read(juno)).isEmpty();
    assertThat(status(juno.call("GET", posts() + "/" + first, ""))).isEqualTo(404);
    assertThat(status(juno.call("POST", posts(), reply(first, "Me too")))).isEqualTo(404);
    assertThat(status(sefa.call("GET", staff() + "/posts", ""))).isEqualTo(422);
    EnrolmentId hers = course.enrolment("Edda Marsh");
    assertThat(sefa.get(staff() + "/posts?journal=" + hers).path("threads")).hasSize(1);
    sefa.post(staff() + "/posts", reply(first, "It happens once."));
    assertThat(read(edda).path(0).path("last").path(0).path("staff").asBoolean()).isTrue();
    JsonNode writers = sefa.get(staff() + "/learners");
    assertThat(writers).hasSize(2);
    assertThat(writers.path(0).path("posts").asInt()).isEqualTo(1);
  }

  @Test
  void a_support_teacher_reads_what_her_learners_wrote_and_no_more() {
    begin();
    long theirs = group("Saturday", "Edda Marsh");
    people.addStaff(
        course.id,
        signedIn("Ilse Tran").id(),
        StaffKind.SUPPORT,
        Optional.of(new yendrik.core.id.GroupId(theirs)));
    Caller ilse = as("Ilse Tran");
    long first = written(juno, "Zinnober");
    edda.post(posts(), reply(first, "An answer"));
    var answer = ilse.call("GET", staff() + "/posts", "");
    JsonNode thread = Caller.json(answer).path("threads").path(0);
    assertThat(thread.path("post").path("gone").asBoolean()).isTrue();
    assertThat(thread.path("replies").asInt()).isEqualTo(1);
    assertThat(new String(answer.getContentAsByteArray(), UTF_8))
        .doesNotContain("Zinnober", "Juno");
    assertThat(status(ilse.call("DELETE", staff() + "/posts/" + first, ""))).isEqualTo(404);
    assertThat(status(ilse.call("GET", staff() + "/posts/" + first, ""))).isEqualTo(404);
    assertThat(status(ilse.call("GET", staff() + "/posts/" + first + "/files/1", "")))
        .isEqualTo(404);
    assertThat(ilse.get(staff() + "/learners")).hasSize(1);
    assertThat(ilse.get(course.path + "/discussions").path(0).path("posts").asInt()).isEqualTo(1);
    long juno = course.enrolment("Juno Abara").value();
    assertThat(status(ilse.call("GET", staff() + "/learners/" + juno, ""))).isEqualTo(404);
  }

  @Test
  void a_support_teacher_is_in_the_groups_of_her_learners_and_in_no_other() {
    set("byGroup", true);
    begin();
    long hers = group("Saturday", "Edda Marsh");
    long other = group("Tuesday", "Juno Abara");
    people.addStaff(
        course.id,
        signedIn("Ilse Tran").id(),
        StaffKind.SUPPORT,
        Optional.of(new yendrik.core.id.GroupId(hers)));
    Caller ilse = as("Ilse Tran");
    long elsewhere = written(juno, "On Tuesday");
    written(edda, "On Saturday");
    JsonNode read = ilse.get(staff() + "/posts");
    assertThat(read.path("groups")).hasSize(1);
    assertThat(read.path("threads")).hasSize(1);
    assertThat(status(ilse.call("GET", staff() + "/posts?group=" + other, ""))).isEqualTo(404);
    assertThat(status(ilse.call("POST", staff() + "/posts", reply(elsewhere, "x")))).isEqualTo(404);
    course.change(talk, e -> e.putArray("groups").add(other));
    course.publish();
    assertThat(status(ilse.call("GET", staff() + "/posts", "")))
        .as("none of her groups has it")
        .isEqualTo(404);
    assertThat(status(ilse.call("POST", staff() + "/posts", post("Among nobody")))).isEqualTo(404);
  }

  @Test
  void a_made_up_learner_is_heard_by_nobody() {
    begin();
    written(edda, "Real");
    String practice = course.path + "/walks/practice";
    sefa.post(practice + "/steps/" + talk + "/visits", "");
    sefa.post(practice + "/steps/" + talk + "/posts", post("Made up"));
    assertThat(sefa.get(practice + "/steps/" + talk + "/posts").path("threads")).hasSize(2);
    assertThat(read(edda)).hasSize(1);
    assertThat(sefa.get(staff() + "/posts").path("threads")).hasSize(1);
    assertThat(sefa.get(course.path + "/discussions").path(0).path("posts").asInt()).isEqualTo(1);
    sefa.post(practice + "/fresh-start", "");
    sefa.post(practice + "/steps/" + talk + "/visits", "");
    assertThat(sefa.get(practice + "/steps/" + talk + "/posts").path("threads")).hasSize(1);
  }

  @Test
  void files_stand_under_a_post_for_those_who_read_it() {
    begin();
    long file =
        edda.post(
                posts() + "/files", new Sending(edda.sent("chain.txt", "3,000 km".getBytes(UTF_8))))
            .path("id")
            .asLong();
    var with =
        new Post(new Text("", List.of(file)), Optional.empty(), Optional.empty(), Optional.empty());
    edda.post(posts(), with);
    JsonNode shown = read(juno).path(0).path("post");
    assertThat(shown.path("files").path(0).path("name").asString()).isEqualTo("chain.txt");
    String at = posts() + "/" + shown.path("id") + "/files/" + file;
    assertThat(juno.call("GET", at, "").getContentAsByteArray())
        .isEqualTo("3,000 km".getBytes(UTF_8));
    assertThat(
            status(sefa.call("GET", staff() + "/posts/" + shown.path("id") + "/files/" + file, "")))
        .isEqualTo(200);
    assertThat(status(juno.call("POST", posts(), with))).as("a file of hers").isEqualTo(422);
    sefa.call("DELETE", staff() + "/posts/" + shown.path("id"), "");
    assertThat(status(juno.call("GET", at, ""))).isEqualTo(404);
  }

  @Test
  void a_picture_stands_in_the_text_of_a_post_and_in_no_other_writers() {
    begin();
    byte[] png = {
      (byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n', 0, 0, 0, 13, 'I', 'H', 'D', 'R'
    };
    long file =
        edda.post(posts() + "/files", new Sending(edda.sent("wear.png", png))).path("id").asLong();
    assertThat(status(edda.call("GET", posts() + "/files/" + file, ""))).isEqualTo(200);
    assertThat(status(juno.call("GET", posts() + "/files/" + file, ""))).isEqualTo(404);
    assertThat(status(sefa.call("GET", staff() + "/files/" + file, ""))).isEqualTo(404);
    var with = post("Worn:</p><img data-file=\"" + file + "\" alt=\"A shark fin\"><p>");
    assertThat(status(juno.call("POST", posts(), with))).as("a picture of hers").isEqualTo(422);
    edda.post(posts(), with);
    JsonNode shown = read(juno).path(0).path("post");
    assertThat(shown.path("text").asString()).contains("data-file=\"" + file + "\"");
    assertThat(shown.path("files")).as("under the text").isEmpty();
    String at = posts() + "/" + shown.path("id") + "/files/" + file;
    assertThat(juno.call("GET", at, "").getContentAsByteArray()).isEqualTo(png);
    assertThat(status(edda.call("PUT", posts() + "/" + shown.path("id"), with.post())))
        .as("it is still there when the text is changed")
        .isEqualTo(204);
  }

  @Test
  void nothing_is_written_after_the_discussion_has_closed_and_all_can_be_read() {
    begin();
    long first = written(edda, "In time");
    course.change(talk, e -> e.put("closesAt", "2026-11-20T17:00:00Z"));
    course.publish();
    assertThat(status(edda.call("POST", posts(), post("Too late")))).isEqualTo(409);
    assertThat(status(edda.call("DELETE", posts() + "/" + first, ""))).isEqualTo(409);
    assertThat(edda.get(posts()).path("mayWrite").asBoolean()).isFalse();
    assertThat(read(edda)).hasSize(1);
  }

  @Test
  void a_double_click_writes_once_and_many_at_once_are_all_kept() throws Exception {
    begin();
    String key = UUID.randomUUID().toString();
    edda.call("POST", posts(), post("Once"), "Act-Key", key);
    edda.call("POST", posts(), post("Once"), "Act-Key", key);
    assertThat(read(edda)).hasSize(1);
    long first = read(edda).path(0).path("post").path("id").asLong();
    List<Callable<Integer>> acts = new ArrayList<>();
    for (int n = 0; n < 12; n++) {
      Caller who = n % 2 == 0 ? edda : juno;
      String text = "At once " + n;
      acts.add(() -> status(who.call("POST", posts(), reply(first, text))));
    }
    acts.add(() -> status(sefa.call("DELETE", staff() + "/posts/" + first, "")));
    try (var threads = Executors.newFixedThreadPool(6)) {
      for (Future<Integer> done : threads.invokeAll(acts)) assertThat(done.get()).isLessThan(500);
    }
    assertThat(walks.compare(course.enrolment("Edda Marsh"))).isEmpty();
  }

  @Test
  void staff_mark_what_somebody_wrote_as_it_stands() {
    course.change(talk, e -> e.put("points", 10));
    begin();
    EnrolmentId hers = course.enrolment("Edda Marsh");
    String marks = course.path + "/marking/" + hers + "/" + talk + "/marks";
    String mark =
        "{\"version\":0,\"points\":8,\"judgement\":\"PASSED\",\"comment\":\"Clear\",\"levels\":{}}";
    assertThat(status(sefa.call("POST", marks, mark))).as("nothing there yet").isEqualTo(409);
    written(edda, "Mine");
    assertThat(status(sefa.call("POST", marks, mark))).isEqualTo(204);
    assertThat(
            sefa.get(course.path + "/marking/" + hers + "/" + talk)
                .path("mark")
                .path("points")
                .asDouble())
        .isEqualTo(8);
    assertThat(sefa.get(staff() + "/learners/" + hers)).hasSize(1);
  }

  @Test
  void a_step_that_is_no_discussion_and_one_of_another_course_are_refused() {
    long page = course.step(module, "PAGE", "Read");
    begin();
    assertThat(status(edda.call("GET", course.walk(page) + "/posts", ""))).isEqualTo(409);
    assertThat(status(sefa.call("GET", course.path + "/discussions/" + page + "/posts", "")))
        .isEqualTo(409);
    NewCourse other = newCourse("Other");
    long theirs = other.step(other.module("M"), "DISCUSSION", "Theirs");
    other.publish();
    assertThat(status(sefa.call("GET", course.path + "/discussions/" + theirs + "/posts", "")))
        .isEqualTo(404);
    assertThat(status(edda.call("GET", course.walk(theirs) + "/posts", ""))).isEqualTo(404);
  }
}
