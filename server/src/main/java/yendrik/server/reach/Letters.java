package yendrik.server.reach;

import static yendrik.schema.Tables.LETTER;
import static yendrik.schema.Tables.PERSON;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.words.Phrase;
import yendrik.schema.tables.records.LetterRecord;
import yendrik.server.http.Problem;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** Letters to learners: written with the act, sent afterwards, tried again when mail is down. */
@Service
@Transactional
public class Letters {
  private static final Logger LOG = LoggerFactory.getLogger(Letters.class);
  private static final int MOST_TRIES = 20;
  private static final Duration CLAIMED_FOR = Duration.ofMinutes(2);
  private final DSLContext db;
  private final Learners learners;
  private final Walks walks;
  private final JavaMailSender mail;
  private final Clock clock;
  private final Postmark postmark;
  private final TransactionTemplate transaction;
  private final LettersAnHour limit;

  /**
   * @param address where learners find the application
   * @param mailFrom the sender's address
   */
  @ConfigurationProperties("yendrik")
  record Postmark(String address, String mailFrom) {}

  Letters(
      DSLContext db,
      Learners learners,
      Walks walks,
      JavaMailSender mail,
      Clock clock,
      Postmark postmark,
      TransactionTemplate transaction,
      LettersAnHour limit) {
    this.limit = limit;
    this.db = db;
    this.learners = learners;
    this.walks = walks;
    this.mail = mail;
    this.clock = clock;
    this.postmark = postmark;
    this.transaction = transaction;
  }

  /**
   * Writes to each learner, with their own name for {@code {name}} and what is open for them for
   * {@code {open}}.
   *
   * @return how many letters were written
   */
  public int write(Seat seat, List<EnrolmentId> enrolments, String subject, String body) {
    List<Learners.Snapshot> to =
        enrolments.stream().distinct().map(e -> learners.one(seat, e)).toList();
    if (to.stream().anyMatch(l -> l.person().equals(seat.person().id())))
      throw Problem.field("learners", "letter-to-oneself");
    limit.check(seat.person().id(), to.size());
    for (Learners.Snapshot learner : to) {
      Walk walk = walks.see(learner.enrolment());
      var now = clock.instant();
      db.insertInto(LETTER)
          .set(LETTER.COURSE_ID, seat.course())
          .set(LETTER.SENDER_ID, seat.person().id())
          .set(LETTER.RECIPIENT_ID, learner.person())
          .set(LETTER.SUBJECT, personal(subject, learner, walk, seat))
          .set(LETTER.BODY, personal(body, learner, walk, seat))
          .set(LETTER.CREATED_AT, now)
          .set(LETTER.SEND_FROM, now)
          .execute();
    }
    return to.size();
  }

  private static String personal(String text, Learners.Snapshot learner, Walk walk, Seat seat) {
    String first = learner.name().split(" ")[0];
    return text.replace("{name}", first)
        .replace("{open}", open(walk))
        .replace("{me}", seat.person().name());
  }

  private static String open(Walk walk) {
    Progress progress = walk.progress();
    var lines = new StringBuilder();
    for (int s = 0; s < progress.course().index().steps(); s++) {
      var state = progress.bead(s).state();
      boolean todo =
          state == StepState.OPEN || state == StepState.BEGUN || state == StepState.AGAIN;
      if (todo && progress.counts(s) && progress.sight().open(s))
        lines.append("- ").append(progress.course().index().step(s).name()).append('\n');
    }
    return lines.isEmpty()
        ? walk.writing().say(Phrase.of("letter.nothing-open"))
        : lines.toString().stripTrailing();
  }

  /**
   * Sends one letter that waits, if there is one; several servers share the work. It is claimed
   * first, sent while nothing is locked, and then marked; what a server that ends in between leaves
   * behind is claimed again later and goes out under the same Message-ID.
   *
   * @return whether there was one
   */
  @Transactional(propagation = Propagation.NOT_SUPPORTED)
  public boolean sendNext() {
    Optional<LetterRecord> claimed = transaction.execute(_ -> claim());
    if (claimed.isEmpty()) return false;
    LetterRecord letter = claimed.get();
    try {
      mail.send(message(letter));
      transaction.executeWithoutResult(
          _ -> db.update(LETTER).set(LETTER.SENT_AT, clock.instant()).where(is(letter)).execute());
    } catch (MailException | MessagingException e) {
      failed(letter, e);
    }
    return true;
  }

  private Optional<LetterRecord> claim() {
    Instant now = clock.instant();
    Optional<LetterRecord> next =
        db.selectFrom(LETTER)
            .where(LETTER.SENT_AT.isNull(), LETTER.SEND_FROM.le(now), LETTER.TRIES.lt(MOST_TRIES))
            .orderBy(LETTER.SEND_FROM, LETTER.ID)
            .limit(1)
            .forUpdate()
            .skipLocked()
            .fetchOptional();
    next.ifPresent(letter -> {
      letter.setTries(letter.getTries() + 1);
      letter.setSendFrom(now.plus(CLAIMED_FOR));
      letter.update();
    });
    return next;
  }

  private void failed(LetterRecord letter, Exception e) {
    int tries = letter.getTries();
    if (tries >= MOST_TRIES)
      LOG.error(
          "letter {} could not be sent in {} tries and is given up", letter.getId(), tries, e);
    else LOG.warn("letter {} could not be sent, trying again: {}", letter.getId(), e.getMessage());
    Instant again = clock.instant().plusSeconds(15L << Math.min(tries, 8));
    String reason = String.valueOf(e.getMessage());
    transaction.executeWithoutResult(_ ->
        db.update(LETTER)
            .set(LETTER.LAST_ERROR, reason)
            .set(LETTER.SEND_FROM, again)
            .where(is(letter))
            .execute());
  }

  private static Condition is(LetterRecord letter) {
    return LETTER.ID.eq(letter.getId());
  }

  /** The same letter has the same Message-ID however often it is tried. */
  private MimeMessage message(LetterRecord letter) throws MessagingException {
    var message =
        new MimeMessage(mail.createMimeMessage().getSession()) {
          @Override
          protected void updateMessageID() throws MessagingException {
            setHeader("Message-ID", "<letter-" + letter.getId() + "@" + host() + ">");
          }
        };
    var helper = new MimeMessageHelper(message, "UTF-8");
    helper.setFrom(postmark.mailFrom());
    helper.setTo(address(letter.getRecipientId()));
    if (letter.getSenderId() != null) helper.setReplyTo(address(letter.getSenderId()));
    helper.setSubject(letter.getSubject());
    helper.setText(letter.getBody());
    return message;
  }

  private String host() {
    return postmark.mailFrom().substring(postmark.mailFrom().indexOf('@') + 1);
  }

  private String address(PersonId person) {
    return db.select(PERSON.EMAIL).from(PERSON).where(PERSON.ID.eq(person)).fetchSingle().value1();
  }
}
