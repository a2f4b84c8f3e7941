package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.FACT;

import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.time.TimeFact;
import yendrik.server.demo.DemoClock;
import yendrik.server.files.FileUse;
import yendrik.server.files.Files;
import yendrik.server.way.Walks;

/** Films: kept, sent in stretches to those who may see them, and watched. */
@ServerTest
class FilmsTest extends SchoolTest {
  @Autowired Files files;
  @Autowired Walks walks;
  @Autowired DemoClock clock;
  @Autowired DSLContext db;
  private NewCourse course;
  private long page;
  private long film;
  private byte[] bytes;

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  @BeforeEach
  void aCourseWithAFilmBehindAPage() throws IOException {
    course = new NewCourse(as("Sefa Dunmore"), "Films " + System.nanoTime());
    long module = course.module("Brakes");
    page = course.step(module, "PAGE", "Rim brake anatomy");
    film = course.step(module, "VIDEO", "Toe-in");
    try (InputStream in = FilmsTest.class.getResourceAsStream("/demo/films/toe-in.webm")) {
      bytes = in.readAllBytes();
    }
  }

  private JsonNode kept(String name, byte[] content) {
    Caller sefa = as("Sefa Dunmore");
    return sefa.post(
        course.path + "/design/files", new Sent.SentFile(sefa.sent(name, content), "FILM"));
  }

  private void putInStep(int seconds) {
    long file = kept("toe-in.webm", bytes).path("id").asLong();
    course.change(
        film, e -> NewCourse.part(e).putObject("film").put("file", file).put("seconds", seconds));
  }

  private void openToRuben() {
    putInStep(46);
    course.publish();
    course.enrol("ruben@hollowlane.example");
  }

  /** Plays a stretch in the time that it takes. */
  private MockHttpServletResponse play(int from, int to) {
    clock.putTo(clock.instant().plusSeconds(Math.max(0, to - from)));
    return as("Ruben Sato").call("POST", course.walk(film) + "/played", new Sent.Played(from, to));
  }

  @Test
  void a_file_is_what_its_content_says_and_not_what_it_is_called() {
    JsonNode refused = kept("toe-in.webm", "<p>no film at all</p>".getBytes(UTF_8));
    assertThat(refused.path("fields").path("file").asString()).contains("video/webm");
    assertThat(kept("toe-in.webm", new byte[0]).path("fields").isEmpty()).isFalse();
    byte[] noise = new byte[5000];
    new Random(7).nextBytes(noise);
    assertThat(kept("noise.mp4", noise).path("fields").has("file")).isTrue();
    assertThat(kept("toe-in.webm", bytes).path("mediaType").asString()).isEqualTo("video/webm");
  }

  @Test
  void any_stretch_of_a_file_is_sent_and_the_whole_comes_back_as_it_was() throws IOException {
    byte[] large = Arrays.copyOf(bytes, 3 << 20);
    for (int i = bytes.length; i < large.length; i++) large[i] = (byte) (i * 31);
    long id = kept("large.webm", large).path("id").asLong();
    var kept = files.of(course.id, id).orElseThrow();
    assertThat(kept.bytes()).isEqualTo(large.length);
    assertThat(files.content(kept).getContentAsByteArray()).isEqualTo(large);
    try (InputStream in = files.content(kept).getInputStream()) {
      in.skipNBytes((1 << 20) - 3);
      assertThat(in.readNBytes(6))
          .as("across the seam of two parts")
          .isEqualTo(Arrays.copyOfRange(large, (1 << 20) - 3, (1 << 20) + 3));
    }
    var part =
        as("Sefa Dunmore")
            .call("GET", course.path + "/design/files/" + id, "", "Range", "bytes=100-199");
    for (String range : List.of("bytes=99999999-", "bytes=5-1", "bytes=x", "pages=1-2")) {
      var none =
          as("Sefa Dunmore").call("GET", course.path + "/design/files/" + id, "", "Range", range);
      assertThat(none.getStatus()).as(range).isEqualTo(416);
      assertThat(Caller.json(none).path("code").asString()).isEqualTo("problem.no-such-range");
    }
    assertThat(part.getStatus()).isEqualTo(206);
    assertThat(part.getContentAsByteArray()).isEqualTo(Arrays.copyOfRange(large, 100, 200));
  }

  @Test
  void the_film_of_another_course_cannot_be_put_in_a_step() {
    long other =
        files
            .keep(
                newCourse("Another").id,
                signedIn("Sefa Dunmore").id(),
                "toe-in.webm",
                new java.io.ByteArrayInputStream(bytes),
                FileUse.FILM)
            .id();
    assertThat(files.of(course.id, other)).isEmpty();
    assertThat(
            as("Sefa Dunmore").call("GET", course.path + "/design/files/" + other, "").getStatus())
        .isEqualTo(404);
  }

  @Test
  void a_closed_film_does_not_leave_the_server_and_an_open_one_does() {
    course.change(film, e -> e.set("opensWhen", course.ask("seen", page)));
    openToRuben();
    Caller ruben = as("Ruben Sato");
    var closed = ruben.call("GET", course.walk(film) + "/film", "");
    assertThat(closed.getStatus()).isEqualTo(403);
    assertThat(play(0, 10).getStatus()).isEqualTo(403);
    ruben.post(course.walk(page) + "/visits", "");
    var open = ruben.call("GET", course.walk(film) + "/film", "");
    assertThat(open.getStatus()).isEqualTo(200);
    assertThat(open.getContentType()).isEqualTo("video/webm");
    assertThat(open.getContentAsByteArray()).isEqualTo(bytes);
  }

  @Test
  void what_was_played_adds_up_and_ninety_percent_are_enough() {
    openToRuben();
    as("Ruben Sato").post(course.walk(film) + "/visits", "");
    JsonNode first = Caller.json(play(0, 19));
    assertThat(first.path("part").path("film").path("watched").asDouble()).isEqualTo(19.0 / 46);
    assertThat(first.path("state").asString()).isEqualTo("BEGUN");
    assertThat(Caller.json(play(10, 25)).path("part").path("film").path("parts").toString())
        .isEqualTo("[0,25]");
    assertThat(Caller.json(play(30, 46)).path("state").asString()).isEqualTo("BEGUN");
    JsonNode done = Caller.json(play(24, 30));
    assertThat(done.path("state").asString()).isEqualTo("DONE");
    assertThat(done.path("part").path("film").path("watched").asDouble()).isEqualTo(1);
  }

  @Test
  void no_more_is_believed_than_can_have_been_played_since_the_last_report() {
    openToRuben();
    Caller ruben = as("Ruben Sato");
    ruben.post(course.walk(film) + "/visits", "");
    clock.putTo(clock.instant().plusSeconds(5));
    var all = new Sent.Played(0, 46);
    JsonNode first = ruben.post(course.walk(film) + "/played", all);
    assertThat(first.path("part").path("film").path("parts").toString())
        .as("five seconds at twice the speed")
        .isEqualTo("[0,10]");
    JsonNode again = ruben.post(course.walk(film) + "/played", all);
    assertThat(again.path("part").path("film").path("parts").toString()).isEqualTo("[0,10]");
  }

  @Test
  void a_report_that_was_quicker_on_its_way_than_the_one_before_loses_nothing() {
    openToRuben();
    Caller ruben = as("Ruben Sato");
    ruben.post(course.walk(film) + "/visits", "");
    clock.putTo(clock.instant().plusSeconds(5));
    ruben.post(course.walk(film) + "/played", new Sent.Played(0, 10));
    clock.putTo(clock.instant().plusMillis(4_200));
    JsonNode second = ruben.post(course.walk(film) + "/played", new Sent.Played(10, 20));
    assertThat(second.path("part").path("film").path("parts").toString()).isEqualTo("[0,20]");
    for (int n = 0; n < 20; n++) ruben.post(course.walk(film) + "/played", new Sent.Played(20, 26));
    JsonNode flood = ruben.post(course.walk(film) + "/played", new Sent.Played(20, 22));
    assertThat(flood.path("part").path("film").path("parts").toString())
        .as("however many come in a moment")
        .isEqualTo("[0,20]");
  }

  @Test
  void time_on_a_step_is_no_more_than_has_gone_since_the_last_report() {
    openToRuben();
    Caller ruben = as("Ruben Sato");
    ruben.post(course.walk(page) + "/visits", "");
    clock.putTo(clock.instant().plusSeconds(20));
    for (int n = 0; n < 10; n++)
      assertThat(ruben.call("POST", course.walk(page) + "/time", new Sent.Seconds(600)).getStatus())
          .isEqualTo(204);
    long spent =
        walks.see(course.enrolment("Ruben Sato")).facts().stream()
            .mapToLong(f -> f.what() instanceof TimeFact.SpentTime t ? t.seconds() : 0)
            .sum();
    assertThat(spent).isEqualTo(20);
  }

  @Test
  void reports_of_one_visit_are_kept_in_one_row_and_stay_facts_of_their_own() {
    openToRuben();
    Caller ruben = as("Ruben Sato");
    EnrolmentId enrolment = course.enrolment("Ruben Sato");
    ruben.post(course.walk(film) + "/visits", "");
    for (int minute = 0; minute < 5; minute++) {
      clock.putTo(clock.instant().plusSeconds(9));
      ruben.call("POST", course.walk(film) + "/time", new Sent.Seconds(9));
      var nine = new Sent.Played(9 * minute, 9 * minute + 9);
      ruben.post(course.walk(film) + "/played", nine);
    }
    assertThat(visits(enrolment)).isEqualTo(1);
    List<Fact> reports =
        walks.see(enrolment).facts().stream()
            .filter(
                f -> f.what() instanceof TimeFact.SpentTime || f.what() instanceof FilmFact.Watched)
            .toList();
    assertThat(reports).hasSize(10).extracting(Fact::id).doesNotHaveDuplicates();
    assertThat(reports).extracting(Fact::at).isSorted();
    assertThat(reports.stream().map(Fact::at).distinct()).hasSize(5);
    assertThat(walks.compare(enrolment)).isEmpty();

    ruben.post(course.walk(page) + "/visits", "");
    clock.putTo(clock.instant().plusSeconds(9));
    ruben.call("POST", course.walk(page) + "/time", new Sent.Seconds(9));
    ruben.call("POST", course.walk(film) + "/time", new Sent.Seconds(9));
    assertThat(visits(enrolment)).as("another step, and the film again").isEqualTo(3);
    assertThat(walks.compare(enrolment)).isEmpty();
  }

  @Test
  void a_visit_without_end_goes_on_in_another_row() {
    openToRuben();
    EnrolmentId enrolment = course.enrolment("Ruben Sato");
    var id = new StepId(page);
    List<Fact.What> most = Collections.nCopies(240, new TimeFact.SpentTime(id, 1));
    walks.act(enrolment, Optional.empty(), _ -> most);
    assertThat(visits(enrolment)).isEqualTo(1);
    walks.act(enrolment, Optional.empty(), _ -> List.of(new TimeFact.SpentTime(id, 1)));
    assertThat(visits(enrolment)).isEqualTo(2);
    assertThat(walks.compare(enrolment)).isEmpty();
  }

  private int visits(EnrolmentId enrolment) {
    return db.fetchCount(FACT, FACT.ENROLMENT_ID.eq(enrolment), FACT.KIND.eq("visit"));
  }

  @Test
  void seconds_that_the_film_does_not_have_are_refused_by_name() {
    openToRuben();
    assertThat(Caller.json(play(40, 47)).path("fields").path("to").asString())
        .isEqualTo("The film is 46 seconds long.");
    assertThat(play(20, 20).getStatus()).isEqualTo(422);
    assertThat(play(-1, 20).getStatus()).isEqualTo(422);
  }

  @Test
  void a_page_has_no_film_to_play() {
    openToRuben();
    var response =
        as("Ruben Sato").call("POST", course.walk(page) + "/played", new Sent.Played(0, 5));
    assertThat(response.getStatus()).isEqualTo(409);
    assertThat(as("Ruben Sato").call("GET", course.walk(page) + "/film", "").getStatus())
        .isEqualTo(409);
  }

  @Test
  void a_step_without_a_film_can_be_published_and_says_so() {
    course.publish();
    course.enrol("ruben@hollowlane.example");
    JsonNode opened = as("Ruben Sato").post(course.walk(film) + "/visits", "");
    assertThat(opened.path("part").path("film").isMissingNode()).isTrue();
    assertThat(List.of(409)).contains(play(0, 5).getStatus());
  }

  @Test
  void captions_come_in_order_of_time_and_as_plain_text() {
    putInStep(46);
    course.change(
        film,
        e -> {
          var captions = NewCourse.part(e).putArray("captions");
          captions.addObject().put("from", 9000).put("to", 12_500).put("text", "Now <i>turn</i>.");
          captions
              .addObject()
              .put("from", 0)
              .put("to", 4000)
              .put("text", " Loosen \n the nut.\u202E ");
        });
    course.publish();
    course.enrol("ruben@hollowlane.example");
    JsonNode shown =
        as("Ruben Sato")
            .post(course.walk(film) + "/visits", "")
            .path("part")
            .path("film")
            .path("captions");
    assertThat(shown.valueStream().map(c -> c.path("text").asString()))
        .containsExactly("Loosen\nthe nut.", "Now <i>turn</i>.");
    var wrong =
        course.save(
            course.seen(film),
            e ->
                NewCourse.part(e)
                    .putArray("captions")
                    .addObject()
                    .put("from", 5)
                    .put("to", 5)
                    .put("text", "x"));
    assertThat(Caller.json(wrong).path("fields").path("captions").asString()).contains("Caption 1");
  }
}
