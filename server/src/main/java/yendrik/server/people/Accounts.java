package yendrik.server.people;

import static yendrik.schema.Tables.ACCOUNT_EVENT;
import static yendrik.schema.Tables.FAILED_SIGN_IN;
import static yendrik.schema.Tables.PASSWORD_LINK;
import static yendrik.schema.Tables.PERSON;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.Plain;
import yendrik.core.id.PersonId;

/** What happened to accounts: a line in the log and a row that administrators can read. */
@Repository
@Transactional
public class Accounts {
  private static final Logger LOG = LoggerFactory.getLogger(Accounts.class);
  private static final int LONGEST = 200;
  private static final int SHOWN = 500;
  private static final int SHOWN_OF_ONE = 20;
  private static final Duration AN_HOUR = Duration.ofHours(1);
  private static final Duration KEPT = Duration.ofDays(365);
  private final DSLContext db;
  private final Clock clock;

  Accounts(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
  }

  /** What can happen, under the names by which it is kept. */
  public enum What {
    SIGNED_IN,
    REFUSED,
    SIGNED_OUT,
    SESSIONS_ENDED,
    PASSWORD_CHANGED,
    PASSWORD_SET_BY_LINK,
    LINK_MADE,
    LINK_ASKED,
    LINK_SENT,
    ADDED,
    NAME_CHANGED,
    EMAIL_CHANGED,
    MADE_ADMINISTRATOR,
    NO_ADMINISTRATOR,
    MAY_MAKE_COURSES,
    MAKES_NO_COURSES,
    EXPORTED,
    WALKED_AS_LEARNER,
    LOOKED_AS_LEARNER
  }

  /**
   * Takes down what happened.
   *
   * @param email the address of the account, as it was typed where there is none
   * @param detail what else there is to know, empty for nothing
   */
  public void note(
      What what, Optional<PersonId> person, String email, Whence whence, String detail) {
    note(what, person, email, Optional.empty(), whence, detail);
  }

  private void note(
      What what,
      Optional<PersonId> person,
      String email,
      Optional<PersonId> by,
      Whence whence,
      String detail) {
    String typed = cut(email);
    LOG.info(
        "account event={} person={} by={} email=\"{}\" address={} detail=\"{}\"",
        what,
        person.map(PersonId::toString).orElse("none"),
        by.or(() -> person).map(PersonId::toString).orElse("none"),
        typed.replace('"', '\''),
        whence.address(),
        cut(detail).replace('"', '\''));
    db.insertInto(ACCOUNT_EVENT)
        .set(ACCOUNT_EVENT.AT, clock.instant())
        .set(ACCOUNT_EVENT.WHAT, what.name())
        .set(ACCOUNT_EVENT.PERSON_ID, person.orElse(null))
        .set(ACCOUNT_EVENT.BY_ID, by.orElse(null))
        .set(ACCOUNT_EVENT.EMAIL, typed)
        .set(ACCOUNT_EVENT.ADDRESS, cut(whence.address()))
        .set(ACCOUNT_EVENT.BROWSER, cut(whence.browser()))
        .set(ACCOUNT_EVENT.SESSION_ID, whence.session().map(Secrets::hash).orElse(null))
        .set(ACCOUNT_EVENT.DETAIL, cut(detail))
        .execute();
  }

  /** The same for somebody who is signed in. */
  public void note(What what, SignedIn person, Whence whence, String detail) {
    note(what, Optional.of(person.id()), person.email(), whence, detail);
  }

  /** The same where it goes on for a while: once an hour is enough. */
  public void noteOnce(What what, SignedIn person, Whence whence, String detail) {
    boolean known =
        db.fetchExists(
            ACCOUNT_EVENT,
            ACCOUNT_EVENT.PERSON_ID.eq(person.id()),
            ACCOUNT_EVENT.WHAT.eq(what.name()),
            ACCOUNT_EVENT.DETAIL.eq(detail),
            ACCOUNT_EVENT.AT.gt(clock.instant().minus(AN_HOUR)));
    if (!known) note(what, person, whence, detail);
  }

  /** The same where somebody else did it. */
  void note(What what, SignedIn person, SignedIn by, Whence whence, String detail) {
    note(what, Optional.of(person.id()), person.email(), Optional.of(by.id()), whence, detail);
  }

  /** After a year nobody asks any more; failed tries count for minutes only. */
  @Scheduled(fixedDelay = 3_600_000)
  void forget() {
    var now = clock.instant();
    db.deleteFrom(ACCOUNT_EVENT).where(ACCOUNT_EVENT.AT.lt(now.minus(KEPT))).execute();
    db.deleteFrom(FAILED_SIGN_IN).where(FAILED_SIGN_IN.AT.lt(now.minus(People.PAUSE))).execute();
    db.deleteFrom(PASSWORD_LINK).where(PASSWORD_LINK.EXPIRES_AT.lt(now)).execute();
  }

  /** One line each and no longer than anybody reads: much of it is typed by strangers. */
  private static String cut(String text) {
    String plain = Plain.cleaned(text);
    return plain.length() <= LONGEST ? plain : plain.substring(0, LONGEST);
  }

  /**
   * What happened to an account.
   *
   * @param name of the person, empty where no account was meant
   * @param by who did it, where that was somebody else
   */
  @Schema(name = "AccountEvent")
  public record Event(
      long id,
      Instant at,
      What what,
      Optional<String> name,
      String email,
      Optional<String> by,
      String address,
      String detail) {}

  /** The newest events first. */
  @Transactional(readOnly = true)
  public List<Event> newest() {
    return newest(DSL.noCondition(), SHOWN);
  }

  /** What happened to one account lately. */
  @Transactional(readOnly = true)
  List<Event> newestOf(PersonId person) {
    return newest(ACCOUNT_EVENT.PERSON_ID.eq(person), SHOWN_OF_ONE);
  }

  private List<Event> newest(Condition which, int most) {
    var by = PERSON.as("by_person");
    return db.select(
            ACCOUNT_EVENT.ID,
            ACCOUNT_EVENT.AT,
            ACCOUNT_EVENT.WHAT,
            PERSON.NAME,
            ACCOUNT_EVENT.EMAIL,
            by.NAME,
            ACCOUNT_EVENT.ADDRESS,
            ACCOUNT_EVENT.DETAIL)
        .from(ACCOUNT_EVENT)
        .leftJoin(PERSON)
        .on(PERSON.ID.eq(ACCOUNT_EVENT.PERSON_ID))
        .leftJoin(by)
        .on(by.ID.eq(ACCOUNT_EVENT.BY_ID))
        .where(which)
        .orderBy(ACCOUNT_EVENT.ID.desc())
        .limit(most)
        .fetch(r ->
            new Event(
                r.value1(),
                r.value2(),
                What.valueOf(r.value3()),
                Optional.ofNullable(r.value4()),
                r.value5(),
                Optional.ofNullable(r.value6()),
                r.value7(),
                r.value8()));
  }
}
