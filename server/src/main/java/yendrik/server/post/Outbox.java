package yendrik.server.post;

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
import org.springframework.beans.factory.annotation.Value;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import yendrik.core.id.PersonId;
import yendrik.schema.tables.records.LetterRecord;
import yendrik.server.http.Problem;

/** Letters: written with the act, sent afterwards, tried again when mail is down. */
@Service
@Transactional
public class Outbox {
  private static final Logger LOG = LoggerFactory.getLogger(Outbox.class);
  private static final int MOST_TRIES = 20;
  private static final Duration CLAIMED_FOR = Duration.ofMinutes(2);

  /** Enough for one letter to everybody in a very large course. */
  private static final int MOST_AN_HOUR = 6_000;

  private final DSLContext db;
  private final Links links;
  private final JavaMailSender mail;
  private final Clock clock;
  private final TransactionTemplate transaction;
  private final String from;

  /**
   * @param from the sender's address
   */
  Outbox(
      DSLContext db,
      Links links,
      JavaMailSender mail,
      Clock clock,
      TransactionTemplate transaction,
      @Value("${yendrik.mail-from}") String from) {
    this.db = db;
    this.links = links;
    this.mail = mail;
    this.clock = clock;
    this.transaction = transaction;
    this.from = from;
  }

  /** Puts letters in; they go out after the transaction that they are written in. */
  public void put(List<Letter> letters) {
    Instant now = clock.instant();
    db.batchInsert(letters.stream().map(letter -> row(letter, now)).toList()).execute();
  }

  private static LetterRecord row(Letter letter, Instant now) {
    var row = new LetterRecord();
    letter.course().ifPresent(row::setCourseId);
    letter.from().ifPresent(row::setSenderId);
    letter.answers().ifPresent(row::setAnswers);
    row.setRecipientId(letter.to());
    row.setSubject(letter.subject());
    row.setBody(letter.body());
    row.setLink(letter.link());
    row.setCreatedAt(now);
    row.setSendFrom(now);
    return row;
  }

  /** Refuses more letters than somebody writes in an hour who means each of them. */
  public void checkAnHour(PersonId by, int more) {
    int written =
        db.fetchCount(
            LETTER,
            LETTER.SENDER_ID.eq(by),
            LETTER.CREATED_AT.gt(clock.instant().minus(Duration.ofHours(1))));
    if (written + more > MOST_AN_HOUR)
      throw Problem.tooMany(
          Optional.empty(), "letters-an-hour", "written", written, "most", MOST_AN_HOUR);
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
    helper.setFrom(from);
    helper.setTo(address(letter.getRecipientId()));
    if (letter.getSenderId() != null) helper.setReplyTo(address(letter.getSenderId()));
    helper.setSubject(letter.getSubject());
    helper.setText(body(letter));
    return message;
  }

  private String body(LetterRecord letter) {
    return letter.getLink()
        ? letter.getBody().replace(Letter.LINK, links.toSetPassword(letter.getRecipientId()))
        : letter.getBody();
  }

  private String host() {
    return from.substring(from.indexOf('@') + 1);
  }

  private String address(PersonId person) {
    return db.select(PERSON.EMAIL).from(PERSON).where(PERSON.ID.eq(person)).fetchSingle().value1();
  }
}
