package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.LETTER;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.people.StaffKind;
import yendrik.core.strand.work.Judgement;
import yendrik.server.demo.DemoClock;
import yendrik.server.design.UnusedFiles;
import yendrik.server.files.FileUse;

/**
 * Texts, files and links are handed in as the step takes them, and pass at once where it says so.
 */
@ServerTest
class HandInTest extends SchoolTest {
  private static final byte[] NOTES = "Two pads, 5 Nm.\n".getBytes(UTF_8);

  private static final byte[] PNG = {
    (byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n', 0, 0, 0, 13, 'I', 'H', 'D', 'R'
  };

  @Autowired UnusedFiles unused;
  @Autowired DemoClock clock;
  private NewCourse course;
  private Caller sefa;
  private Caller edda;
  private long work;

  private record Work(String text, Optional<String> link, Optional<List<Long>> files) {}

  private record Upload(String upload) {}

  private record InText(String upload, FileUse inText) {}

  private record Group(String name, List<EnrolmentId> learners) {}

  private record Members(List<EnrolmentId> in, List<EnrolmentId> out) {}

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  @BeforeEach
  void anAssignment() {
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    course = newCourse("Hand in");
    work = course.step(course.module("Brakes"), "ASSIGNMENT", "Job card");
  }

  private void takes(boolean text, boolean link, Consumer<ObjectNode> more) {
    course.change(
        work,
        e -> {
          ObjectNode takes = NewCourse.part(e).putObject("takes");
          takes.put("text", text).put("link", link);
          more.accept(takes);
        });
  }

  private static Consumer<ObjectNode> files(int number, int megabytes, String... sorts) {
    return takes -> {
      ObjectNode files = takes.putObject("files").put("number", number).put("megabytes", megabytes);
      var all = files.putArray("sorts");
      for (String sort : sorts) all.add(sort);
    };
  }

  private void begin() {
    course.publish();
    course.enrol("edda@hollowlane.example", "ilse@hollowlane.example");
  }

  private long send(Caller who, String name, byte[] content) {
    var sent = new Upload(who.sent(name, content));
    return who.post(course.walk(work) + "/work-files", sent).path("id").asLong();
  }

  private long picture(Caller who) {
    var sent = new InText(who.sent("pad.png", PNG), FileUse.PICTURE);
    return who.post(course.walk(work) + "/work-files", sent).path("id").asLong();
  }

  private static <T> Optional<T> none() {
    return Optional.empty();
  }

  private MockHttpServletResponse handIn(String text, String link, Long... files) {
    return edda.call(
        "POST",
        course.walk(work) + "/versions",
        new Work(text, Optional.of(link), Optional.of(List.of(files))));
  }

  private String field(MockHttpServletResponse refused) {
    assertThat(refused.getStatus()).isEqualTo(422);
    return Caller.json(refused).path("fields").propertyNames().iterator().next();
  }

  @Test
  void files_and_a_link_go_to_staff_with_the_text_and_to_nobody_else() {
    takes(true, true, files(2, 1));
    begin();
    long notes = send(edda, "notes.txt", NOTES);
    var done = Caller.json(handIn("See the notes.", "hollowlane.example/card", notes));
    JsonNode version = done.path("part").path("versions").path(0);
    assertThat(version.path("link").asString()).isEqualTo("https://hollowlane.example/card");
    assertThat(version.path("files").path(0).path("name").asString()).isEqualTo("notes.txt");
    JsonNode waiting = sefa.get(course.path + "/marking").path("handedIn").path(0);
    String at = course.path + "/marking/" + waiting.path("enrolment") + "/" + work;
    assertThat(sefa.get(at).path("versions").path(0).path("files")).hasSize(1);
    String file = at + "/files/" + notes;
    assertThat(sefa.call("GET", file, "").getContentAsByteArray()).isEqualTo(NOTES);
    assertThat(edda.call("GET", file, "").getStatus()).isEqualTo(403);
    String own = course.walk(work) + "/work-files/" + notes;
    assertThat(edda.call("GET", own, "").getStatus()).isEqualTo(200);
    assertThat(as("Ilse Tran").call("GET", own, "").getStatus()).isEqualTo(404);
    clock.putTo(clock.instant().plus(Duration.ofDays(100)));
    unused.clear();
    clock.putTo(clock.instant().plus(Duration.ofDays(100)));
    unused.clear();
    assertThat(sefa.call("GET", file, "").getStatus()).as("work is kept").isEqualTo(200);
  }

  @Test
  void pictures_stand_in_the_text_of_whoever_writes_it_beside_the_files() {
    takes(true, false, files(1, 1, "TEXT"));
    begin();
    long notes = send(edda, "notes.txt", NOTES);
    long picture = picture(edda);
    String shown = "<p>Seen:</p><img data-file=\"" + picture + "\" alt=\"A worn pad\">";
    String own = course.walk(work) + "/work-files/" + picture;
    assertThat(edda.call("GET", own, "").getStatus()).as("before it is kept").isEqualTo(200);
    edda.call("PUT", course.walk(work) + "/draft", new Work(shown, none(), none()));
    JsonNode draft = edda.post(course.walk(work) + "/visits", "").path("part").path("draft");
    assertThat(draft.path("text").asString()).contains("data-file=\"" + picture + "\"");
    assertThat(draft.path("files")).isEmpty();
    JsonNode version =
        Caller.json(handIn(shown + "<script>no()</script>", "", notes))
            .path("part")
            .path("versions")
            .path(0);
    assertThat(version.path("text").asString()).contains("A worn pad").doesNotContain("no()");
    assertThat(version.path("files")).as("beside the text").hasSize(1);
    JsonNode waiting = sefa.get(course.path + "/marking").path("handedIn").path(0);
    String at = course.path + "/marking/" + waiting.path("enrolment") + "/" + work + "/files/";
    assertThat(sefa.call("GET", at + picture, "").getStatus()).isEqualTo(200);
    assertThat(as("Ilse Tran").call("GET", own, "").getStatus()).isEqualTo(404);
    clock.putTo(clock.instant().plus(Duration.ofDays(100)));
    unused.clear();
    clock.putTo(clock.instant().plus(Duration.ofDays(100)));
    unused.clear();
    assertThat(sefa.call("GET", at + picture, "").getStatus()).as("work is kept").isEqualTo(200);
  }

  @Test
  void a_picture_alone_is_work_and_one_of_somebody_else_is_refused_at_the_text() {
    begin();
    String hers = "<img data-file=\"" + picture(as("Ilse Tran")) + "\" alt=\"\">";
    assertThat(field(handIn(hers, ""))).isEqualTo("text");
    assertThat(field(handIn("<p></p><p> &nbsp; </p>", ""))).as("says nothing").isEqualTo("text");
    String many = "";
    for (int n = 1; n <= 31; n++) many += "<img data-file=\"" + n + "\">";
    assertThat(field(handIn(many, ""))).isEqualTo("text");
    String mine = "<img data-file=\"" + picture(edda) + "\" alt=\"\">";
    assertThat(handIn(mine, "").getStatus()).isEqualTo(200);
    assertThat(handIn(mine, "").getStatus()).as("the same sent twice").isEqualTo(200);
  }

  @Test
  void no_picture_is_taken_for_a_text_where_no_text_is() {
    takes(false, true, _ -> {});
    begin();
    var sent = new InText(edda.sent("pad.png", PNG), FileUse.PICTURE);
    JsonNode refused = edda.post(course.walk(work) + "/work-files", sent);
    assertThat(refused.path("fields").has("files")).as(refused.toString()).isTrue();
    var words = new InText(edda.sent("pad.txt", NOTES), FileUse.PICTURE);
    takes(true, false, _ -> {});
    course.publish();
    JsonNode noPicture = edda.post(course.walk(work) + "/work-files", words);
    assertThat(noPicture.path("fields").has("file")).as(noPicture.toString()).isTrue();
  }

  @Test
  void a_file_stands_in_a_text_where_files_of_its_sort_can_be_handed_in() {
    takes(true, false, files(1, 1));
    begin();
    var notes = new InText(edda.sent("notes.txt", NOTES), FileUse.DOCUMENT);
    long file = edda.post(course.walk(work) + "/work-files", notes).path("id").asLong();
    assertThat(file).isPositive();
    var noFilm = new InText(edda.sent("notes.txt", NOTES), FileUse.FILM);
    JsonNode refused = edda.post(course.walk(work) + "/work-files", noFilm);
    assertThat(refused.path("fields").has("file")).as(refused.toString()).isTrue();
    String text = "<p>See <a data-file=\"" + file + "\">notes</a></p>";
    assertThat(handIn(text, "").getStatus()).isEqualTo(200);
    takes(true, false, _ -> {});
    course.publish();
    JsonNode nowhere = edda.post(course.walk(work) + "/work-files", notes);
    assertThat(nowhere.path("fields").has("files")).as(nowhere.toString()).isTrue();
  }

  @Test
  void a_comment_is_formatted_and_said_without_its_looks_elsewhere() {
    takes(true, false, _ -> {});
    begin();
    handIn("<p>Two pads.</p>", "");
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    String marks = course.path + "/marking/" + enrolment + "/" + work + "/marks";
    String comment = "<p>Say <strong>which</strong> pad.</p><script>alert(1)</script>";
    var mark = new Sent.Mark(1, 1, Judgement.AGAIN, comment, Map.of());
    assertThat(sefa.call("POST", marks, mark).getStatus()).isEqualTo(204);
    JsonNode mine = edda.post(course.walk(work) + "/visits", "");
    assertThat(mine.at("/part/versions/0/mark/comment").asString())
        .isEqualTo("<p>Say <strong>which</strong> pad.</p>");
    String said = sefa.get(course.path + "/learners/" + enrolment).toString();
    assertThat(said).contains("Say which pad.").doesNotContain("strong");
    var withPicture =
        new Sent.Mark(1, 1, Judgement.AGAIN, "<p><img data-file=\"1\" alt=\"\" /></p>", Map.of());
    assertThat(field(sefa.call("POST", marks, withPicture))).isEqualTo("comment");
  }

  @Test
  void a_support_teacher_sees_the_files_of_her_group_only() {
    takes(false, false, files(1, 1));
    begin();
    handIn("", "", send(edda, "notes.txt", NOTES));
    JsonNode waiting = sefa.get(course.path + "/marking").path("handedIn").path(0);
    String at = course.path + "/marking/" + waiting.path("enrolment") + "/" + work;
    long file = sefa.get(at).path("versions").path(0).path("files").path(0).path("id").asLong();
    var hers = new Group("Tuesday", List.of(course.enrolment("Ilse Tran")));
    var group = new GroupId(sefa.post(course.path + "/groups", hers).path("id").asLong());
    people.addStaff(course.id, signedIn("Tomas Weir").id(), StaffKind.SUPPORT, Optional.of(group));
    Caller tomas = as("Tomas Weir");
    assertThat(tomas.call("GET", at + "/files/" + file, "").getStatus()).isEqualTo(404);
    var members = new Members(List.of(course.enrolment("Edda Marsh")), List.of());
    sefa.post(course.path + "/groups/" + group + "/members", members);
    assertThat(tomas.call("GET", at + "/files/" + file, "").getStatus()).isEqualTo(200);
  }

  @Test
  void what_the_step_does_not_take_is_refused_at_its_field() {
    takes(false, false, files(1, 1, "TEXT"));
    begin();
    assertThat(field(handIn("A text", ""))).isEqualTo("text");
    assertThat(field(handIn("", "https://hollowlane.example"))).isEqualTo("link");
    assertThat(field(handIn("", ""))).isEqualTo("text");
    long one = send(edda, "one.txt", NOTES);
    long two = send(edda, "two.txt", "Other.".getBytes(UTF_8));
    assertThat(field(handIn("", "", one, two))).isEqualTo("files");
    byte[] large = "word ".repeat(300_000).getBytes(UTF_8);
    var refused =
        edda.post(course.walk(work) + "/work-files", new Upload(edda.sent("big.txt", large)));
    assertThat(refused.path("fields").has("file")).as(refused.toString()).isTrue();
    var picture = edda.post(course.walk(work) + "/work-files", new Upload(edda.sent("a.txt", PNG)));
    assertThat(picture.path("fields").has("file")).as(picture.toString()).isTrue();
    assertThat(field(handIn("", "", 99_999_999L))).isEqualTo("files");
    Caller ilse = as("Ilse Tran");
    long hers = send(ilse, "hers.txt", NOTES);
    assertThat(field(handIn("", "", hers))).as("somebody else's file").isEqualTo("files");
    assertThat(handIn("", "", one).getStatus()).isEqualTo(200);
  }

  @Test
  void what_is_begun_is_there_again_elsewhere_and_gone_once_it_is_handed_in() {
    takes(true, false, files(3, 1));
    begin();
    long notes = send(edda, "notes.txt", NOTES);
    var begun = new Work("Half a card", Optional.empty(), Optional.of(List.of(notes)));
    String draft = course.walk(work) + "/draft";
    assertThat(edda.call("PUT", draft, begun).getStatus()).isEqualTo(204);
    JsonNode page = edda.post(course.walk(work) + "/visits", "");
    assertThat(page.path("part").path("draft").path("text").asString()).isEqualTo("Half a card");
    assertThat(page.path("part").path("draft").path("files")).hasSize(1);
    assertThat(sefa.get(course.path + "/marking").path("handedIn")).as("not handed in").isEmpty();
    JsonNode done = Caller.json(handIn("A whole card", "", notes));
    assertThat(done.path("part").has("draft")).isFalse();
    assertThat(edda.call("PUT", draft, begun).getStatus()).isEqualTo(204);
    var none = new Work("", Optional.empty(), Optional.empty());
    edda.call("PUT", draft, none);
    assertThat(edda.post(course.walk(work) + "/visits", "").path("part").has("draft")).isFalse();
  }

  @Test
  void where_handing_in_is_enough_it_passes_at_once_and_waits_for_nobody() {
    course.change(work, e -> NewCourse.part(e).put("passesAtOnce", true));
    begin();
    JsonNode done = Caller.json(handIn("My word on it.", ""));
    assertThat(done.path("state").asString()).isEqualTo("DONE");
    assertThat(done.path("part").path("versions").path(0).path("mark").path("judgement").asString())
        .isEqualTo("PASSED");
    assertThat(sefa.get(course.path + "/marking").path("handedIn")).isEmpty();
    assertThat(handIn("Once more.", "").getStatus()).isEqualTo(409);
    long enrolment = course.row("Edda Marsh").path("enrolment").asLong();
    assertThat(sefa.get(course.path + "/learners/" + enrolment).toString())
        .doesNotContain("Marked by Edda");
  }

  @Test
  void a_step_that_takes_nothing_is_refused() {
    var refused =
        course.save(
            course.seen(work),
            e -> NewCourse.part(e).putObject("takes").put("text", false).put("link", false));
    assertThat(Caller.json(refused).path("fields").has("takes")).isTrue();
  }

  private record Receipted(String text, boolean receipt) {}

  @Test
  void a_receipt_goes_out_where_it_is_wanted_once_for_what_was_handed_in() {
    begin();
    String subject = "Handed in: Job card";
    edda.post(course.walk(work) + "/visits", "");
    edda.post(course.walk(work) + "/versions", new Receipted("<p>Two pads.</p>", true));
    edda.post(course.walk(work) + "/versions", new Receipted("<p>Two pads.</p>", true));
    var letters =
        db.selectFrom(LETTER)
            .where(LETTER.SUBJECT.eq(subject), LETTER.RECIPIENT_ID.eq(signedIn("Edda Marsh").id()))
            .fetch();
    assertThat(letters).hasSize(1);
    assertThat(letters.getFirst().getBody()).contains("Hello Edda Marsh", "version 1", "9 charac");
    assertThat(edda.get(course.path + "/messages").path("conversations")).isEmpty();
    sefa.post(course.path + "/walks/practice/steps/" + work + "/visits", "");
    sefa.post(
        course.path + "/walks/practice/steps/" + work + "/versions", new Receipted("Mine.", true));
    assertThat(db.fetchCount(LETTER, LETTER.SUBJECT.eq(subject)))
        .as("none for a made-up learner")
        .isEqualTo(1);
  }
}
