package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import yendrik.core.words.Moment;

/** What is said to learners in own words, and the institution's own look. */
@ServerTest
class WordingTest extends SchoolTest {
  private static final String INSTITUTION = "/api/institution";
  private NewCourse course;
  private Caller sefa;
  private Caller edda;
  private long module;
  private long work;

  private record Edit(Map<String, Object> from, Map<String, Object> to) {}

  private record Work(String text) {}

  private record Upload(String upload) {}

  private record Made(
      String name, String cohort, LocalDate starts, int weeks, String zone, long from) {}

  @BeforeEach
  void aCourse() {
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    course = newCourse("Brakes for all");
    module = course.module("Brakes");
    work = course.step(module, "ASSIGNMENT", "Job card");
    course.publish();
    course.enrol("edda@hollowlane.example");
  }

  @AfterEach
  void asItShips() {
    JsonNode own = sefa.get(INSTITUTION).path("own");
    for (String field : own.propertyNames())
      if (!field.equals("name") && !field.equals("issuer"))
        institution(field, own.path(field).asString(), "");
    sefa.call("DELETE", INSTITUTION + "/picture", "");
  }

  private JsonNode institution(String field, String was, String is) {
    return Caller.json(
        sefa.call("PATCH", INSTITUTION, new Edit(Map.of(field, was), Map.of(field, is))));
  }

  private JsonNode wording(String field, String was, String is) {
    return Caller.json(
        sefa.call(
            "PATCH", course.path + "/wording", new Edit(Map.of(field, was), Map.of(field, is))));
  }

  private String said() {
    return edda.post(course.walk(work) + "/visits", "").path("said").asString("");
  }

  private JsonNode handIn() {
    return edda.post(course.walk(work) + "/versions", new Work("Two pads, 5 Nm."));
  }

  @Test
  void the_step_speaks_before_the_course_and_the_course_before_the_institution() {
    assertThat(said()).isEmpty();
    JsonNode handedIn = handIn();
    assertThat(handedIn.path("told").asString()).isEqualTo("“Job card” is handed in.");
    assertThat(said()).startsWith("Handed in.");
    assertThat(edda.post(course.walk(work) + "/visits", "").has("told")).isFalse();

    institution("waiting", "", "The school looks at it.");
    assertThat(said()).isEqualTo("The school looks at it.");
    JsonNode changed = wording("waiting", "", "{learner}, {course} looks at {step}.");
    assertThat(changed.path("otherwise").path("waiting").asString())
        .as("what stands there without it")
        .isEqualTo("The school looks at it.");
    assertThat(said()).startsWith("Edda Marsh, Brakes for all").endsWith("looks at Job card.");

    course.change(work, e -> e.putObject("ownWords").put(Moment.WAITING.name(), "On the bench."));
    assertThat(said()).as("not published yet").startsWith("Edda Marsh");
    course.publish();
    assertThat(said()).isEqualTo("On the bench.");
  }

  @Test
  void handing_in_says_what_has_opened_by_it() {
    long next = course.step(module, "PAGE", "Squeal");
    course.change(next, e -> e.set("opensWhen", course.ask("handed-in", work)));
    course.publish();
    assertThat(handIn().path("opened").path(0).asString()).isEqualTo("Squeal");
  }

  @Test
  void what_came_of_it_is_said_and_so_is_the_end_of_the_course() {
    long page = course.step(module, "PAGE", "How pads sit");
    course.change(work, e -> e.put("required", false));
    course.publish();
    wording("completed", "", "{learner} is through {course}.");
    JsonNode done = edda.post(course.walk(page) + "/visits", "");
    assertThat(done.path("said").asString()).isEqualTo("Done");
    assertThat(edda.get(course.path + "/walks/mine/route").path("said").asString())
        .startsWith("Edda Marsh is through Brakes for all");
  }

  @Test
  void braces_that_stand_for_nothing_are_refused_with_what_to_write() {
    JsonNode refused = wording("passed", "", "Well done, {name}");
    assertThat(refused.path("status").asInt()).isEqualTo(422);
    assertThat(refused.path("detail").asString()).contains("“{name}”", "{learner}");
    var step =
        course.save(
            course.seen(work),
            e -> e.putObject("ownWords").put(Moment.COMPLETED.name(), "All done"));
    assertThat(step.getStatus()).isEqualTo(422);
    assertThat(wording("completed", "", "{step}").path("status").asInt()).isEqualTo(422);
    assertThat(wording("passed", "", "a".repeat(601)).path("status").asInt()).isEqualTo(422);
  }

  @Test
  void two_designers_write_for_two_moments_and_the_second_of_one_is_told() {
    wording("passed", "", "One");
    assertThat(wording("again", "", "Two").path("own").path("passed").asString()).isEqualTo("One");
    JsonNode late = wording("passed", "", "Three");
    assertThat(late.path("status").asInt()).isEqualTo(409);
    assertThat(late.path("current").path("own").path("passed").asString()).isEqualTo("One");
  }

  @Test
  void a_copy_of_the_course_and_of_the_step_keep_their_words() {
    wording("passed", "", "Well turned.");
    course.change(work, e -> e.putObject("ownWords").put(Moment.AGAIN.name(), "Once more."));
    JsonNode made =
        sefa.post(
            "/api/courses",
            new Made(
                "Brakes again",
                "Spring",
                LocalDate.of(2027, 1, 4),
                10,
                "Europe/Berlin",
                course.id.value()));
    String copy = "/api/courses/" + made.path("id").asLong();
    assertThat(sefa.get(copy + "/wording").path("own").path("passed").asString())
        .isEqualTo("Well turned.");
    assertThat(sefa.get(copy + "/design").toString()).contains("Once more.");
  }

  @Test
  void colours_that_cannot_be_read_are_refused_with_one_like_them() {
    JsonNode refused = institution("act", "", "#ffd400");
    assertThat(refused.path("status").asInt()).isEqualTo(422);
    assertThat(refused.path("detail").asString()).contains("4.5 is needed", "Take #");
    assertThat(institution("act", "", "red").path("status").asInt()).isEqualTo(422);
    assertThat(institution("act", "", "#204080").path("own").path("act").asString())
        .isEqualTo("#204080");
    JsonNode everybody =
        new Caller(http, Optional.empty()).get("/api/session").path("institution").path("colours");
    assertThat(everybody.path("ACT").asString()).isEqualTo("#204080");
  }

  private static byte[] picture(int wide) throws IOException {
    var out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(wide, 20, BufferedImage.TYPE_INT_RGB), "png", out);
    return out.toByteArray();
  }

  private JsonNode picture(byte[] content) {
    return Caller.json(
        sefa.call("PUT", INSTITUTION + "/picture", new Upload(sefa.sent("mark.png", content))));
  }

  @Test
  void a_picture_is_seen_by_whoever_is_about_to_sign_in() throws IOException {
    byte[] content = picture(80);
    String hash = picture(content).path("picture").asString();
    var nobody = new Caller(http, Optional.empty());
    assertThat(nobody.get("/api/session").path("institution").path("picture").asString())
        .isEqualTo(hash);
    var shown = nobody.call("GET", INSTITUTION + "/picture/" + hash, "");
    assertThat(shown.getContentAsByteArray()).isEqualTo(content);
    assertThat(shown.getContentType()).isEqualTo("image/png");
    assertThat(shown.getHeaders("Cache-Control"))
        .containsExactly("max-age=31536000, public, immutable");
    assertThat(nobody.call("GET", INSTITUTION + "/picture/other", "").getStatus()).isEqualTo(404);
    sefa.call("DELETE", INSTITUTION + "/picture", "");
    assertThat(nobody.call("GET", INSTITUTION + "/picture/" + hash, "").getStatus()).isEqualTo(404);
    assertThat(nobody.get("/api/session").path("institution").has("picture")).isFalse();
  }

  @Test
  void what_is_no_picture_torn_or_a_square_mile_is_refused() throws IOException {
    assertThat(picture("<svg/>".getBytes()).path("code").asString())
        .isEqualTo("problem.file-of-wrong-type");
    byte[] whole = picture(80);
    assertThat(picture(java.util.Arrays.copyOf(whole, 40)).path("code").asString())
        .isEqualTo("problem.picture-unreadable");
    assertThat(picture(picture(2001)).path("code").asString())
        .isEqualTo("problem.picture-too-large");
  }
}
