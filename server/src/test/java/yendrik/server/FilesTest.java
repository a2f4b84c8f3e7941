package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.CONTENT;
import static yendrik.schema.Tables.FILE;
import static yendrik.schema.Tables.FILE_PART;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.ApplicationRunner;
import tools.jackson.databind.JsonNode;
import yendrik.server.demo.DemoClock;
import yendrik.server.design.UnusedFiles;
import yendrik.server.files.FileUse;
import yendrik.server.files.Files;

/** Files come in pieces, are kept once by what they contain, and go when nothing uses them. */
@ServerTest
class FilesTest extends SchoolTest {
  private static final byte[] PNG = {
    (byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n', 0, 0, 0, 13, 'I', 'H', 'D', 'R', 0, 0, 0, 1
  };

  @Autowired Files files;
  @Autowired UnusedFiles unused;
  @Autowired DSLContext db;
  @Autowired DemoClock clock;
  @Autowired ApplicationRunner movedOut;
  private NewCourse course;
  private Caller sefa;

  @BeforeEach
  void aCourse() {
    sefa = as("Sefa Dunmore");
    course = newCourse("Files");
  }

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  private static byte[] noise(int seed, int bytes) {
    byte[] noise = new byte[bytes];
    new Random(seed).nextBytes(noise);
    return noise;
  }

  private JsonNode keep(String upload, FileUse use) {
    return sefa.post(course.path + "/design/files", new Sent.SentFile(upload, use.name()));
  }

  private JsonNode keep(String name, byte[] content, FileUse use) {
    return keep(sefa.sent(name, content), use);
  }

  private String code(JsonNode refused) {
    return refused.path("code").asString();
  }

  @Test
  void a_file_goes_on_where_its_connection_broke_and_comes_back_whole() throws IOException {
    byte[] large = noise(1, 3_000_001);
    JsonNode kept = keep("plan of the shop.bin", large, FileUse.DOCUMENT);
    assertThat(kept.path("bytes").asLong()).isEqualTo(large.length);
    var back = sefa.call("GET", course.path + "/design/files/" + kept.path("id"), "");
    assertThat(back.getContentAsByteArray()).isEqualTo(large);
    assertThat(back.getHeader("Content-Disposition")).startsWith("attachment");
    var stretch =
        sefa.call(
            "GET", course.path + "/design/files/" + kept.path("id"), "", "Range", "bytes=9-19");
    assertThat(stretch.getContentAsByteArray()).isEqualTo(Arrays.copyOfRange(large, 9, 20));
  }

  @Test
  void what_has_not_come_in_whole_is_not_taken_nor_what_somebody_else_sent() {
    var begun =
        sefa.call("POST", "/api/uploads", "", "Tus-Resumable", "1.0.0", "Upload-Length", "10");
    assertThat(begun.getStatus()).isEqualTo(201);
    String address = String.valueOf(begun.getHeader("Location"));
    String upload = address.substring(address.lastIndexOf('/') + 1);
    var first = sefa.piece(address, 0, new byte[4]);
    assertThat(first.getStatus()).as(Caller.json(first).toString() + address).isEqualTo(204);
    assertThat(code(keep(upload, FileUse.DOCUMENT))).isEqualTo("problem.upload-not-whole");
    var gap = sefa.piece(address, 7, new byte[3]);
    assertThat(gap.getStatus()).isEqualTo(409);
    assertThat(as("Edda Marsh").piece(address, 4, new byte[6]).getStatus()).isEqualTo(404);
    sefa.piece(address, 4, noise(2, 6));
    NewCourse edda = newCourse("Hers");
    assertThat(
            code(
                as("Ruben Sato")
                    .post(edda.path + "/design/files", new Sent.SentFile(upload, "DOCUMENT"))))
        .isNotEmpty();
    assertThat(keep(upload, FileUse.DOCUMENT).path("bytes").asLong()).isEqualTo(10);
    assertThat(code(keep(upload, FileUse.DOCUMENT)))
        .as("it is taken once")
        .isEqualTo("problem.no-such-upload");
    for (String none : new String[] {"x", "../../etc/passwd", "%2e%2e", " ", "0"})
      assertThat(keep(none, FileUse.DOCUMENT).path("fields").has("upload")).as(none).isTrue();
  }

  @Test
  void a_file_that_is_larger_than_it_was_said_to_be_is_cut_off() {
    var begun =
        sefa.call("POST", "/api/uploads", "", "Tus-Resumable", "1.0.0", "Upload-Length", "10");
    String address = String.valueOf(begun.getHeader("Location"));
    var more = sefa.piece(address, 0, noise(3, 30));
    assertThat(more.getStatus()).isLessThan(500);
    String huge = "" + (1L << 40);
    assertThat(
            sefa.call("POST", "/api/uploads", "", "Tus-Resumable", "1.0.0", "Upload-Length", huge)
                .getStatus())
        .isEqualTo(422);
    for (String[] headers :
        new String[][] {
          {},
          {"Tus-Resumable", "9.9"},
          {"Tus-Resumable", "1.0.0", "Upload-Length", "-5"},
          {"Tus-Resumable", "1.0.0", "Upload-Length", "x"}
        })
      assertThat(sefa.call("POST", "/api/uploads", "", headers).getStatus()).isBetween(400, 499);
  }

  @Test
  void the_same_content_is_kept_once_and_goes_with_the_last_file_that_has_it() {
    byte[] same = noise(4, 2000);
    long one = keep("one.bin", same, FileUse.DOCUMENT).path("id").asLong();
    long two = keep("two.bin", same, FileUse.DOCUMENT).path("id").asLong();
    assertThat(db.select(FILE.HASH).from(FILE).where(FILE.ID.in(one, two)).fetchSet(FILE.HASH))
        .hasSize(1);
    long module = course.module("Tubes");
    long page = course.step(module, "PAGE", "With a file");
    course.change(page, e -> e.put("body", "<p><a data-file=\"" + two + "\">Plan</a></p>"));
    unused.clear();
    clock.putTo(clock.instant().plus(Duration.ofDays(40)));
    unused.clear();
    assertThat(files.of(course.id, one)).isEmpty();
    assertThat(files.content(files.of(course.id, two).orElseThrow()).exists()).isTrue();
    var kept = files.of(course.id, two).orElseThrow();
    var content = files.content(kept);
    sefa.call("DELETE", course.path + "/design/steps/" + page, "");
    unused.clear();
    assertThat(content.exists()).as("taken away just now").isTrue();
    for (int month = 0; month < 2; month++) {
      clock.putTo(clock.instant().plus(Duration.ofDays(40)));
      unused.clear();
    }
    assertThat(files.of(course.id, two)).isEmpty();
    assertThat(content.exists()).isFalse();
    assertThat(keep("again.bin", same, FileUse.DOCUMENT).path("bytes").asLong()).isEqualTo(2000);
  }

  @Test
  void a_program_is_no_document_and_a_page_no_picture() {
    byte[] program = new byte[600];
    System.arraycopy(new byte[] {0x7f, 'E', 'L', 'F', 2, 1, 1, 0}, 0, program, 0, 8);
    program[16] = 2;
    assertThat(code(keep("notes.pdf", program, FileUse.DOCUMENT)))
        .isEqualTo("problem.file-would-be-run");
    var page = "<html><script>alert(1)</script></html>".getBytes(UTF_8);
    assertThat(code(keep("bike.png", page, FileUse.PICTURE)))
        .isEqualTo("problem.file-of-wrong-type");
    assertThat(keep("bike.png", PNG, FileUse.PICTURE).path("mediaType").asString())
        .isEqualTo("image/png");
    JsonNode html = keep("page.html", page, FileUse.DOCUMENT);
    var sent = sefa.call("GET", course.path + "/design/files/" + html.path("id"), "");
    assertThat(sent.getHeader("Content-Disposition")).startsWith("attachment");
    assertThat(sent.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");
  }

  @Test
  void a_name_from_elsewhere_becomes_one_that_can_stand_in_a_line() {
    String name =
        keep("C:\\shop\\plan\u202Efdp.exe\n.txt", noise(5, 20), FileUse.DOCUMENT)
            .path("name")
            .asString();
    assertThat(name).isEqualTo("planfdp.exe.txt");
    assertThat(keep("x".repeat(400), noise(6, 20), FileUse.DOCUMENT).path("name").asString())
        .hasSizeLessThanOrEqualTo(200);
  }

  @Test
  void files_of_an_older_version_move_out_of_the_database() throws Exception {
    byte[] old = noise(7, 2_500_000);
    long id =
        files
            .keep(
                course.id,
                signedIn("Sefa Dunmore").id(),
                "old.bin",
                new ByteArrayInputStream(noise(8, 10)),
                FileUse.DOCUMENT)
            .id();
    db.update(FILE).setNull(FILE.HASH).set(FILE.BYTES, 2_500_000L).where(FILE.ID.eq(id)).execute();
    for (int part = 0; part < 3; part++)
      db.insertInto(FILE_PART)
          .set(FILE_PART.FILE_ID, id)
          .set(FILE_PART.NUMBER, part)
          .set(
              FILE_PART.CONTENT,
              Arrays.copyOfRange(old, part << 20, Math.min(old.length, (part + 1) << 20)))
          .execute();
    movedOut.run(null);
    assertThat(files.content(files.of(course.id, id).orElseThrow()).getContentAsByteArray())
        .isEqualTo(old);
    assertThat(db.fetchCount(FILE_PART, FILE_PART.FILE_ID.eq(id))).isZero();
    assertThat(db.fetchCount(CONTENT)).isPositive();
  }

  @Test
  void the_same_sent_by_several_at_once_while_others_clear_is_there_for_all() throws Exception {
    byte[] same = noise(9, 5000);
    List<Callable<Long>> acts = new ArrayList<>();
    for (int n = 0; n < 8; n++) {
      String name = "same " + n + ".bin";
      acts.add(() -> {
        long id = keep(name, same, FileUse.DOCUMENT).path("id").asLong();
        unused.clear();
        return id;
      });
    }
    try (var threads = Executors.newFixedThreadPool(4)) {
      for (Future<Long> kept : threads.invokeAll(acts))
        assertThat(
                files
                    .content(files.of(course.id, kept.get()).orElseThrow())
                    .getContentAsByteArray())
            .isEqualTo(same);
    }
  }

  @Test
  void a_piece_is_taken_while_others_clear() throws Exception {
    List<Callable<Integer>> acts = new ArrayList<>();
    for (int n = 0; n < 60; n++) {
      byte[] own = noise(100 + n, 2000);
      acts.add(() -> keep("piece.bin", own, FileUse.DOCUMENT).path("bytes").asInt());
      acts.add(() -> {
        unused.clear();
        return 2000;
      });
    }
    try (var threads = Executors.newFixedThreadPool(6)) {
      for (Future<Integer> bytes : threads.invokeAll(acts)) assertThat(bytes.get()).isEqualTo(2000);
    }
  }

  @Test
  void one_person_does_not_fill_the_disk_in_a_day() {
    Caller ruben = as("Ruben Sato");
    String large = "" + (4L << 30);
    List<Integer> answers = new ArrayList<>();
    for (int n = 0; n < 6; n++)
      answers.add(
          ruben
              .call("POST", "/api/uploads", "", "Tus-Resumable", "1.0.0", "Upload-Length", large)
              .getStatus());
    assertThat(answers).containsExactly(201, 201, 201, 201, 201, 429);
    assertThat(sefa.sent("mine.bin", noise(10, 10))).as("others go on").isNotEmpty();
  }
}
