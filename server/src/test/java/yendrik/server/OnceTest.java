package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.FACT;
import static yendrik.schema.Tables.LETTER;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import yendrik.core.id.EnrolmentId;
import yendrik.core.strand.work.Judgement;

/** What is sent twice is done once, and answered the same. */
class OnceTest extends BenchTest {
  private static String key() {
    return UUID.randomUUID().toString();
  }

  private Sent.Letter letter(String subject) {
    return new Sent.Letter(List.of(enrolment("Juno Abara"), enrolment("Edda Marsh")), subject, "x");
  }

  private int letters(String subject) {
    return db.fetchCount(LETTER, LETTER.SUBJECT.eq(subject));
  }

  @Test
  void a_double_click_writes_each_letter_once_and_both_are_told_the_same() {
    String key = key();
    var tomas = as("Tomas Weir");
    var first = tomas.call("POST", path() + "/letters", letter("Once"), "Act-Key", key);
    var second = tomas.call("POST", path() + "/letters", letter("Once"), "Act-Key", key);
    assertThat(first.getStatus()).isEqualTo(201);
    assertThat(second.getStatus()).isEqualTo(201);
    assertThat(Caller.json(second)).isEqualTo(Caller.json(first));
    assertThat(letters("Once")).isEqualTo(2);
    var other = tomas.call("POST", path() + "/letters", letter("Once"), "Act-Key", key());
    assertThat(other.getStatus()).isEqualTo(201);
    assertThat(letters("Once")).as("another key is another act").isEqualTo(4);
  }

  @Test
  void clicks_at_the_same_moment_do_it_once() throws Exception {
    String key = key();
    var tomas = as("Tomas Weir");
    List<Callable<Integer>> clicks = new ArrayList<>();
    for (int n = 0; n < 6; n++)
      clicks.add(() ->
          tomas.call("POST", path() + "/letters", letter("At once"), "Act-Key", key).getStatus());
    List<Integer> statuses = new ArrayList<>();
    try (var threads = Executors.newFixedThreadPool(6)) {
      for (Future<Integer> done : threads.invokeAll(clicks)) statuses.add(done.get());
    }
    assertThat(statuses).contains(201).allMatch(status -> status == 201 || status == 409);
    assertThat(letters("At once")).isEqualTo(2);
  }

  @Test
  void a_key_is_a_persons_own_and_of_one_act_and_what_was_refused_can_be_mended_under_it() {
    String key = key();
    var tomas = as("Tomas Weir");
    var bad = new Sent.Letter(List.of(), "x", "y");
    assertThat(tomas.call("POST", path() + "/letters", bad, "Act-Key", key).getStatus())
        .isEqualTo(422);
    assertThat(tomas.call("POST", path() + "/letters", letter("Fine"), "Act-Key", key).getStatus())
        .as("what was refused changed nothing")
        .isEqualTo(201);
    assertThat(tomas.call("POST", path() + "/letters", bad, "Act-Key", key).getStatus())
        .as("the first answer of what was done stands")
        .isEqualTo(201);
    assertThat(tomas.call("POST", path() + "/design/badges", "{}", "Act-Key", key).getStatus())
        .isEqualTo(409);
    assertThat(
            as("Odalys Brandt")
                .call("POST", path() + "/letters", letter("Fine"), "Act-Key", key)
                .getStatus())
        .isEqualTo(201);
    assertThat(tomas.call("POST", path() + "/letters", letter("No"), "Act-Key", "7").getStatus())
        .isEqualTo(400);
  }

  @Test
  void handing_in_marking_and_signing_off_twice_give_the_first_result() {
    var sefa = as("Sefa Dunmore");
    var edda = as("Edda Marsh");
    NewCourse course = new NewCourse(sefa, "Twice " + System.nanoTime());
    long module = course.module("Tubes");
    long work = course.step(module, "ASSIGNMENT", "Your first patch");
    long practical = course.step(module, "PRACTICAL", "Patch it");
    course.publish();
    course.enrol("edda@hollowlane.example");
    edda.post(course.walk(work) + "/visits", "");
    var text = new Sent.Text("Two patches.");
    for (int n = 0; n < 2; n++)
      assertThat(edda.post(course.walk(work) + "/versions", text).path("state").asString())
          .isEqualTo("WAITING");
    assertThat(
            edda.call("POST", course.walk(work) + "/versions", new Sent.Text("Else")).getStatus())
        .isEqualTo(409);
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    String marking = course.path + "/marking/" + enrolment + "/";
    var mark = new Sent.Mark(1, 9, Judgement.PASSED);
    int[] facts = new int[2];
    for (int n = 0; n < 2; n++) {
      assertThat(sefa.call("POST", marking + work + "/marks", mark).getStatus()).isEqualTo(204);
      var off = new Sent.SignOff("Clean", Map.of());
      assertThat(sefa.call("POST", marking + practical + "/sign-offs", off).getStatus())
          .isEqualTo(204);
      facts[n] = db.fetchCount(FACT, FACT.ENROLMENT_ID.eq(enrolment));
    }
    assertThat(facts[1]).isEqualTo(facts[0]);
  }

  @Test
  void publishing_and_enrolling_twice_are_told_the_first_result() {
    var sefa = as("Sefa Dunmore");
    var course = new NewCourse(sefa, "Once " + System.nanoTime());
    course.step(course.module("Tubes"), "PAGE", "How a patch holds");
    String draft = sefa.get(course.path + "/publications/next").path("draft").asString();
    String key = key();
    List<String> told = new ArrayList<>();
    for (int n = 0; n < 2; n++) {
      var response =
          sefa.call(
              "POST", course.path + "/publications", new Sent.Publication(draft), "Act-Key", key);
      assertThat(response.getStatus()).isEqualTo(202);
      assertThat(sefa.ended(course.path, response).path("result").path("number").asInt())
          .isEqualTo(1);
      told.add(new String(response.getContentAsByteArray(), StandardCharsets.UTF_8));
    }
    assertThat(told.get(1)).as("the same job").isEqualTo(told.get(0));
    assertThat(sefa.get(course.path + "/publications").size()).isEqualTo(1);

    var emails = new Sent.Roster(List.of("edda@hollowlane.example"));
    String other = key();
    var first = sefa.call("POST", course.path + "/roster", emails, "Act-Key", other);
    var second = sefa.call("POST", course.path + "/roster", emails, "Act-Key", other);
    assertThat(Caller.json(first).path("enrolled").asInt()).isEqualTo(1);
    assertThat(Caller.json(second)).isEqualTo(Caller.json(first));
  }
}
