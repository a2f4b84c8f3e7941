package yendrik.server.people;

import static yendrik.schema.Tables.ACCOUNT_EVENT;
import static yendrik.schema.Tables.LETTER;

import java.time.Clock;
import java.time.Duration;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.PersonId;
import yendrik.core.words.Phrase;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Accounts.What;
import yendrik.server.post.Letter;
import yendrik.server.post.Outbox;

/** Letters with a link by which somebody sets a password. */
@Service
@Transactional
class LinkLetters {
  private static final Duration HOUR = Duration.ofHours(1);

  /** So many letters one person gets in an hour because somebody says that they forgot it. */
  private static final int TO_ONE = 3;

  /** So many are asked for from one address in an hour, which may be that of a whole school. */
  private static final int FROM_ONE = 60;

  private final DSLContext db;
  private final People people;
  private final Accounts accounts;
  private final Institutions institutions;
  private final Outbox outbox;
  private final Clock clock;

  LinkLetters(
      DSLContext db,
      People people,
      Accounts accounts,
      Institutions institutions,
      Outbox outbox,
      Clock clock) {
    this.db = db;
    this.people = people;
    this.accounts = accounts;
    this.institutions = institutions;
    this.outbox = outbox;
    this.clock = clock;
  }

  /** Writes to people who are to come in, whether for the first time or again. */
  void invite(Collection<SignedIn> invited, SignedIn by) {
    outbox.checkAnHour(by.id(), invited.size());
    outbox.put(invited.stream().map(person -> letter("invited", person, Optional.of(by))).toList());
  }

  /**
   * Writes to whoever has an address that they can set a new password. Whether there is somebody is
   * said to nobody: where there is none, or where enough letters went there, nothing is written.
   */
  void forgotten(String email, Whence whence) {
    if (askedFrom(whence.address()) >= FROM_ONE)
      throw Problem.tooMany(Optional.of(HOUR.toSeconds()), "too-many-links");
    Optional<SignedIn> person = people.withEmail(email).flatMap(people::person);
    accounts.note(What.LINK_ASKED, person.map(SignedIn::id), email, whence, "");
    person
        .filter(p -> askedTo(p.id()) < TO_ONE)
        .ifPresent(p -> outbox.put(List.of(letter("forgotten", p, Optional.empty()))));
  }

  private int askedFrom(String address) {
    return db.fetchCount(
        ACCOUNT_EVENT,
        ACCOUNT_EVENT.AT.gt(clock.instant().minus(HOUR)),
        ACCOUNT_EVENT.WHAT.eq(What.LINK_ASKED.name()),
        ACCOUNT_EVENT.ADDRESS.eq(address));
  }

  private int askedTo(PersonId person) {
    return db.fetchCount(
        LETTER,
        LETTER.RECIPIENT_ID.eq(person),
        LETTER.COURSE_ID.isNull(),
        LETTER.SENDER_ID.isNull(),
        LETTER.CREATED_AT.gt(clock.instant().minus(HOUR)));
  }

  private Letter letter(String which, SignedIn to, Optional<SignedIn> from) {
    String institution = institutions.now().name();
    Object[] with = {
      "name", to.name(),
      "institution", institution,
      "email", to.email(),
      "from", from.map(SignedIn::name).orElse(""),
      "link", Letter.LINK
    };
    return Letter.withLink(
        from.map(SignedIn::id),
        to.id(),
        institutions.say(Phrase.of("letter." + which + ".subject", with)),
        institutions.say(Phrase.of("letter." + which + ".body", with)));
  }
}
