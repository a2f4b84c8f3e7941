package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.LETTER;

import com.icegreen.greenmail.util.GreenMail;
import java.util.List;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import yendrik.core.id.EnrolmentId;
import yendrik.server.post.Outbox;

@Import(TestMail.class)
class LettersTest extends BenchTest {
  @Autowired GreenMail mail;
  @Autowired Outbox outbox;

  @Test
  void each_learner_gets_a_letter_of_their_own_and_it_stays_with_their_history() throws Exception {
    while (outbox.sendNext()) {}
    mail.purgeEmailFromAllMailboxes();
    var both = List.of(enrolment("Ruben Sato"), enrolment("Edda Marsh"));
    var body = new Sent.Letter(both, "Hello {name}", "Open:\n{open}\n{me}");
    assertThat(as("Tomas Weir").post(path() + "/letters", body).path("letters").asInt())
        .isEqualTo(2);
    while (outbox.sendNext()) {}
    assertThat(List.of(mail.getReceivedMessages()))
        .extracting(m -> m.getSubject())
        .containsExactlyInAnyOrder("Hello Ruben", "Hello Edda");
    assertThat(mail.getReceivedMessages()[0].getContent().toString())
        .contains("- Your bench and the stand")
        .contains("Tomas Weir");
    var history =
        as("Tomas Weir")
            .get(path() + "/learners/" + enrolment("Ruben Sato"))
            .path("letters")
            .path(0);
    assertThat(history.path("subject").asString()).isEqualTo("Hello Ruben");
    assertThat(history.path("sent").asBoolean()).isTrue();
  }

  private record Look(EnrolmentId learner, String subject, String body) {}

  @Test
  void a_letter_is_looked_at_filled_in_before_it_is_written() {
    var look = new Look(enrolment("Ruben Sato"), "Hello {name}", "Open:\n{open}\n{me}");
    int before = db.fetchCount(LETTER);
    var filled = as("Tomas Weir").post(path() + "/letters/preview", look);
    assertThat(filled.path("to").asString()).isEqualTo("Ruben Sato");
    assertThat(filled.path("subject").asString()).isEqualTo("Hello Ruben");
    assertThat(filled.path("body").asString())
        .contains("- Your bench and the stand")
        .contains("Tomas Weir");
    assertThat(db.fetchCount(LETTER)).isEqualTo(before);
    var others = as("Priya Nakamura").call("POST", path() + "/letters/preview", look);
    assertThat(others.getStatus()).as("a learner of others").isEqualTo(404);
  }

  @Test
  void nobody_writes_more_letters_in_an_hour_than_anybody_means() {
    var someone = enrolment("Ruben Sato");
    var written = new Sent.Letter(List.of(someone), "Hello", "x");
    var person = signedIn("Odalys Brandt").id();
    db.insertInto(
            LETTER,
            LETTER.COURSE_ID,
            LETTER.SENDER_ID,
            LETTER.RECIPIENT_ID,
            LETTER.SUBJECT,
            LETTER.BODY,
            LETTER.CREATED_AT,
            LETTER.SEND_FROM,
            LETTER.SENT_AT)
        .select(
            DSL.select(
                    DSL.val(bench.id, LETTER.COURSE_ID),
                    DSL.val(person, LETTER.SENDER_ID),
                    DSL.val(signedIn("Ruben Sato").id(), LETTER.RECIPIENT_ID),
                    DSL.val("x"),
                    DSL.val("x"),
                    DSL.val(clock.instant(), LETTER.CREATED_AT),
                    DSL.val(clock.instant(), LETTER.SEND_FROM),
                    DSL.val(clock.instant(), LETTER.SENT_AT))
                .from(DSL.generateSeries(1, 5_999)))
        .execute();
    Caller odalys = as("Odalys Brandt");
    assertThat(odalys.post(path() + "/letters", written).path("letters").asInt()).isEqualTo(1);
    var refused = odalys.call("POST", path() + "/letters", written);
    assertThat(refused.getStatus()).isEqualTo(429);
    assertThat(Caller.json(refused).path("detail").asString())
        .isEqualTo(
            "You have written 6,000 letters within an hour; 6,000 is the most. Write the rest later.");
    String message = path() + "/messages/" + signedIn("Ruben Sato").id();
    assertThat(odalys.call("POST", message, new Sent.Message("x")).getStatus()).isEqualTo(429);
    db.deleteFrom(LETTER).where(LETTER.SENDER_ID.eq(person)).execute();
  }

  @Test
  void nobody_chosen_is_an_error_that_says_so() {
    var response =
        as("Tomas Weir").call("POST", path() + "/letters", new Sent.Letter(List.of(), "x", "y"));
    assertThat(response.getStatus()).isEqualTo(422);
    assertThat(Caller.json(response).path("detail").asString())
        .contains("choose at least one learner");
  }
}
