package yendrik.server.reach;

import static yendrik.schema.Tables.LETTER;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.schema.tables.records.LetterRecord;
import yendrik.server.http.Problem;
import yendrik.server.live.Events;
import yendrik.server.people.People;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.post.Letter;
import yendrik.server.post.Outbox;
import yendrik.server.watch.Learners;

/**
 * The letters of a course as conversations between two people. Learners answer whoever wrote to
 * them; staff write on to the learners that they may see.
 */
@Service
@Transactional
public class Messages {
  private final DSLContext db;
  private final People people;
  private final Learners learners;
  private final Events events;
  private final Outbox outbox;
  private final Clock clock;

  Messages(
      DSLContext db, People people, Learners learners, Events events, Clock clock, Outbox outbox) {
    this.outbox = outbox;
    this.db = db;
    this.people = people;
    this.learners = learners;
    this.events = events;
    this.clock = clock;
  }

  /** Conversations of one person, those with the newest letter first. */
  public record MessagesView(int unread, List<ConversationLine> conversations) {}

  /**
   * @param mine whether the newest letter is one's own
   * @param unread letters to oneself that were not read
   */
  public record ConversationLine(
      PersonId person,
      String name,
      String subject,
      String begins,
      Instant at,
      boolean mine,
      int unread) {}

  /**
   * @param learner the enrolment of the other, where they are a learner that one may see
   * @param mayWrite whether a letter can be added
   */
  public record ConversationView(
      PersonId person,
      String name,
      Optional<EnrolmentId> learner,
      boolean mayWrite,
      List<LetterView> letters) {}

  /**
   * @param sent whether it has gone out by e-mail
   */
  @Schema(name = "OneLetter")
  public record LetterView(
      long id, boolean mine, String subject, String body, Instant at, boolean sent, boolean read) {}

  private static Condition mine(Seat seat) {
    PersonId me = seat.person().id();
    return LETTER
        .COURSE_ID
        .eq(seat.course())
        .and(LETTER.SENDER_ID.ne(LETTER.RECIPIENT_ID))
        .and(LETTER.SENDER_ID.eq(me).or(LETTER.RECIPIENT_ID.eq(me)));
  }

  private static PersonId other(LetterRecord letter, PersonId me) {
    return letter.getRecipientId().equals(me) ? letter.getSenderId() : letter.getRecipientId();
  }

  private static boolean unread(LetterRecord letter, PersonId me) {
    return letter.getRecipientId().equals(me) && letter.getReadAt() == null;
  }

  @Transactional(readOnly = true)
  public MessagesView all(Seat seat) {
    PersonId me = seat.person().id();
    Map<PersonId, List<LetterRecord>> byOther = new LinkedHashMap<>();
    db.selectFrom(LETTER)
        .where(mine(seat), LETTER.SENDER_ID.isNotNull())
        .orderBy(LETTER.CREATED_AT.desc(), LETTER.ID.desc())
        .forEach(l -> byOther.computeIfAbsent(other(l, me), _ -> new ArrayList<>()).add(l));
    Map<PersonId, String> names = people.names(byOther.keySet());
    List<ConversationLine> lines =
        byOther.entrySet().stream()
            .map(e -> {
              LetterRecord newest = e.getValue().getFirst();
              int unread = (int) e.getValue().stream().filter(l -> unread(l, me)).count();
              return new ConversationLine(
                  e.getKey(),
                  names.getOrDefault(e.getKey(), ""),
                  newest.getSubject(),
                  beginning(newest.getBody()),
                  newest.getCreatedAt(),
                  me.equals(newest.getSenderId()),
                  unread);
            })
            .toList();
    return new MessagesView(lines.stream().mapToInt(ConversationLine::unread).sum(), lines);
  }

  private static String beginning(String body) {
    String line = body.strip().replaceAll("\\s+", " ");
    return line.length() <= 120 ? line : line.substring(0, 119) + "…";
  }

  @Transactional(readOnly = true)
  public ConversationView with(Seat seat, PersonId person) {
    PersonId me = seat.person().id();
    List<LetterRecord> letters = between(seat, person);
    Optional<EnrolmentId> learner = learner(seat, person);
    if (letters.isEmpty() && learner.isEmpty()) throw Problem.notFound("conversation");
    return new ConversationView(
        person,
        people.names(List.of(person)).getOrDefault(person, ""),
        learner,
        mayWrite(seat, person, letters),
        letters.stream()
            .map(l ->
                new LetterView(
                    l.getId(),
                    me.equals(l.getSenderId()),
                    l.getSubject(),
                    l.getBody(),
                    l.getCreatedAt(),
                    l.getSentAt() != null,
                    l.getReadAt() != null))
            .toList());
  }

  /** Nobody has a conversation with themselves. */
  private List<LetterRecord> between(Seat seat, PersonId person) {
    if (person.equals(seat.person().id())) throw Problem.notFound("conversation");
    return db.selectFrom(LETTER)
        .where(mine(seat), LETTER.SENDER_ID.eq(person).or(LETTER.RECIPIENT_ID.eq(person)))
        .orderBy(LETTER.CREATED_AT, LETTER.ID)
        .fetch();
  }

  /** The enrolment of a learner that this member of staff may see. */
  private Optional<EnrolmentId> learner(Seat seat, PersonId person) {
    if (!seat.has(Right.TEACH)) return Optional.empty();
    return learners.of(seat).stream()
        .filter(l -> l.person().equals(person))
        .map(Learners.Snapshot::enrolment)
        .findFirst();
  }

  private boolean mayWrite(Seat seat, PersonId person, List<LetterRecord> letters) {
    boolean wrote = letters.stream().anyMatch(l -> person.equals(l.getSenderId()));
    // Learners go on with what they asked; staff may not see a learner any more.
    return seat.has(Right.TEACH) ? wrote || learner(seat, person).isPresent() : !letters.isEmpty();
  }

  /**
   * Asks those who help this learner; each of them gets the question, and it goes out by e-mail
   * too.
   *
   * @return the names of those who were asked
   */
  List<String> ask(Seat seat, Collection<GroupId> groups, String subject, String body) {
    PersonId me = seat.person().id();
    List<PersonId> staff =
        people.whoHelps(seat.course(), groups).stream().filter(p -> !p.equals(me)).toList();
    if (staff.isEmpty()) throw Problem.conflict("nobody-to-ask");
    outbox.checkAnHour(me, staff.size());
    outbox.put(staff.stream().map(s -> Letter.of(seat.course(), me, s, subject, body)).toList());
    staff.forEach(s -> tell(seat, s));
    Map<PersonId, String> names = people.names(staff);
    return staff.stream().map(s -> names.getOrDefault(s, "")).toList();
  }

  /** Adds a letter to a conversation; it goes out by e-mail too. */
  public ConversationView write(Seat seat, PersonId person, String body) {
    PersonId me = seat.person().id();
    List<LetterRecord> letters = between(seat, person);
    if (!mayWrite(seat, person, letters)) throw Problem.notFound("conversation");
    outbox.checkAnHour(me, 1);
    Optional<LetterRecord> answered =
        letters.stream()
            .filter(l -> person.equals(l.getSenderId()))
            .max(Comparator.comparing(LetterRecord::getId));
    String subject =
        letters.isEmpty() ? seat.person().name() : "Re: " + bare(letters.getLast().getSubject());
    outbox.put(
        List.of(
            Letter.of(seat.course(), me, person, subject, body)
                .answering(answered.map(LetterRecord::getId))));
    read(seat, person);
    tell(seat, person);
    return with(seat, person);
  }

  private static String bare(String subject) {
    return subject.startsWith("Re: ") ? subject.substring(4) : subject;
  }

  private void tell(Seat seat, PersonId person) {
    events.changed(seat.course(), person, List.of());
    events.changed(seat.course(), seat.person().id(), List.of());
  }

  /** Marks what the other wrote as read. */
  public void read(Seat seat, PersonId person) {
    if (between(seat, person).isEmpty() && learner(seat, person).isEmpty())
      throw Problem.notFound("conversation");
    db.update(LETTER)
        .set(LETTER.READ_AT, clock.instant())
        .where(
            LETTER.COURSE_ID.eq(seat.course()),
            LETTER.RECIPIENT_ID.eq(seat.person().id()),
            LETTER.SENDER_ID.eq(person),
            LETTER.READ_AT.isNull())
        .execute();
  }
}
