package yendrik.server.reach;

import static yendrik.schema.Tables.LETTER;
import static yendrik.schema.Tables.PERSON;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.mail.MailException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
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
  private final DSLContext db;
  private final Learners learners;
  private final Walks walks;
  private final JavaMailSender mail;
  private final Clock clock;
  private final Postmark postmark;

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
      Postmark postmark) {
    this.db = db;
    this.learners = learners;
    this.walks = walks;
    this.mail = mail;
    this.clock = clock;
    this.postmark = postmark;
  }

  /**
   * Writes to each learner, with their own name for {@code {name}} and what is open for them for
   * {@code {open}}.
   *
   * @return how many letters were written
   */
  public int write(Seat seat, List<Long> enrolments, String subject, String body) {
    List<Learners.Snapshot> to =
        enrolments.stream().distinct().map(e -> learners.one(seat, e)).toList();
    if (to.stream().anyMatch(l -> l.person() == seat.person().id()))
      throw Problem.field("learners", "You are among them. Untick yourself; nothing was sent.");
    for (Learners.Snapshot learner : to) {
      Walk walk = walks.see(learner.enrolment());
      var now = clock.instant();
      db.insertInto(LETTER)
          .set(LETTER.COURSE_ID, seat.course().value())
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
        .replace("{open}", open(walk.progress()))
        .replace("{me}", seat.person().name());
  }

  private static String open(Progress progress) {
    var lines = new StringBuilder();
    for (int s = 0; s < progress.course().index().steps(); s++) {
      var state = progress.bead(s).state();
      boolean todo =
          state == StepState.OPEN || state == StepState.BEGUN || state == StepState.AGAIN;
      if (todo && progress.counts(s) && progress.sight().open(s))
        lines.append("- ").append(progress.course().index().step(s).name()).append('\n');
    }
    return lines.isEmpty() ? "nothing at the moment" : lines.toString().stripTrailing();
  }

  /**
   * Sends one letter that waits, if there is one; several servers share the work.
   *
   * @return whether there was one
   */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public boolean sendNext() {
    var letter =
        db.selectFrom(LETTER)
            .where(
                LETTER.SENT_AT.isNull(),
                LETTER.SEND_FROM.le(clock.instant()),
                LETTER.TRIES.lt(MOST_TRIES))
            .orderBy(LETTER.SEND_FROM, LETTER.ID)
            .limit(1)
            .forUpdate()
            .skipLocked()
            .fetchOptional();
    if (letter.isEmpty()) return false;
    var row = letter.get();
    try {
      var message = new SimpleMailMessage();
      message.setFrom(postmark.mailFrom());
      message.setTo(address(row.getRecipientId()));
      Optional.ofNullable(row.getSenderId()).map(this::address).ifPresent(message::setReplyTo);
      message.setSubject(row.getSubject());
      message.setText(row.getBody());
      mail.send(message);
      row.setSentAt(clock.instant());
    } catch (MailException e) {
      LOG.warn("letter {} could not be sent, trying again later: {}", row.getId(), e.getMessage());
      row.setTries(row.getTries() + 1);
      row.setLastError(e.getMessage());
      row.setSendFrom(clock.instant().plus(Duration.ofSeconds(15L << Math.min(row.getTries(), 8))));
    }
    row.update();
    return true;
  }

  private String address(long person) {
    return db.select(PERSON.EMAIL).from(PERSON).where(PERSON.ID.eq(person)).fetchSingle().value1();
  }
}
