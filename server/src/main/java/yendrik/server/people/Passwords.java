package yendrik.server.people;

import static yendrik.schema.Tables.PASSWORD_LINK;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.SPRING_SESSION;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.PersonId;
import yendrik.server.http.Problem;
import yendrik.server.post.Links;

/**
 * Passwords are changed by whoever has them, or set through a link that is good once and for an
 * hour. With a new one all other sessions of the person end.
 */
@Repository
@Transactional
public class Passwords implements Links {
  /** How long a link is good. */
  static final Duration LINK_LASTS = Duration.ofHours(1);

  private static final int SHORTEST = 10;

  /** What bcrypt tells apart; letters with marks take two. */
  private static final int LONGEST_BYTES = 72;

  /** Of 0 to 4, estimated from lists of common passwords, names, words and patterns. */
  private static final int WEAKEST = 2;

  private static final int TOKEN_BYTES = 32;
  private static final SecureRandom RANDOM = new SecureRandom();
  private static final Zxcvbn STRENGTH = new Zxcvbn();
  private final DSLContext db;
  private final PasswordEncoder encoder;
  private final Clock clock;
  private final String address;

  /**
   * @param address where people find the application
   */
  Passwords(
      DSLContext db,
      PasswordEncoder encoder,
      Clock clock,
      @Value("${yendrik.address}") String address) {
    this.db = db;
    this.encoder = encoder;
    this.clock = clock;
    this.address = address;
  }

  /**
   * Gives somebody a new password; their sessions end.
   *
   * @param field that it was sent in, to be named if it cannot be taken
   * @param session the one that goes on, if one does
   */
  void set(SignedIn person, String next, String field, Optional<String> session) {
    check(person, next, field);
    db.update(PERSON)
        .set(PERSON.PASSWORD_HASH, encoder.encode(next))
        .set(PERSON.HAS_PASSWORD, true)
        .where(PERSON.ID.eq(person.id()))
        .execute();
    endOthers(person, session);
    db.deleteFrom(PASSWORD_LINK).where(PASSWORD_LINK.PERSON_ID.eq(person.id())).execute();
  }

  private static void check(SignedIn person, String password, String field) {
    if (password.length() < SHORTEST)
      throw Problem.field(field, "password-too-short", "fewest", SHORTEST);
    if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_BYTES)
      throw Problem.field(field, "password-too-long", "most", LONGEST_BYTES);
    var known = List.of(person.name(), person.email(), person.email().split("@")[0], "yendrik");
    if (STRENGTH.measure(password, known).getScore() < WEAKEST)
      throw Problem.field(field, "password-too-common");
  }

  /** Ends every session of somebody but one. */
  int endOthers(SignedIn person, Optional<String> session) {
    return db.deleteFrom(SPRING_SESSION)
        .where(
            SPRING_SESSION.PRINCIPAL_NAME.eq(person.email()),
            SPRING_SESSION.SESSION_ID.ne(session.orElse("")))
        .execute();
  }

  /** Ends all that somebody has open, and the links that they were sent. */
  void endAll(SignedIn person) {
    endOthers(person, Optional.empty());
    db.deleteFrom(PASSWORD_LINK).where(PASSWORD_LINK.PERSON_ID.eq(person.id())).execute();
  }

  @Override
  public String toSetPassword(PersonId person) {
    return address + "/password#" + link(person);
  }

  /** Makes the secret part of a link by which a person sets a password; only its hash is kept. */
  public String link(PersonId person) {
    byte[] secret = new byte[TOKEN_BYTES];
    RANDOM.nextBytes(secret);
    String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    var now = clock.instant();
    db.insertInto(PASSWORD_LINK)
        .set(PASSWORD_LINK.TOKEN_HASH, Secrets.hash(token))
        .set(PASSWORD_LINK.PERSON_ID, person)
        .set(PASSWORD_LINK.MADE_AT, now)
        .set(PASSWORD_LINK.EXPIRES_AT, now.plus(LINK_LASTS))
        .execute();
    return token;
  }

  /** Sets the password of whoever a link was made for; the link is used up by that. */
  SignedIn setByLink(String token, String password) {
    PersonId id =
        db.select(PASSWORD_LINK.PERSON_ID)
            .from(PASSWORD_LINK)
            .where(
                PASSWORD_LINK.TOKEN_HASH.eq(Secrets.hash(token)),
                PASSWORD_LINK.EXPIRES_AT.gt(clock.instant()))
            .forUpdate()
            .fetchOptional(PASSWORD_LINK.PERSON_ID)
            .orElseThrow(() -> Problem.conflict("link-used"));
    SignedIn person =
        db.select(PERSON.ID, PERSON.NAME, PERSON.EMAIL, PERSON.ADMINISTRATOR)
            .from(PERSON)
            .where(PERSON.ID.eq(id))
            .fetchSingle(r -> new SignedIn(r.value1(), r.value2(), r.value3(), r.value4()));
    set(person, password, "password", Optional.empty());
    return person;
  }
}
