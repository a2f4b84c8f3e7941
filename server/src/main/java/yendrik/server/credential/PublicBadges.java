package yendrik.server.credential;

import static yendrik.schema.Tables.AWARD;
import static yendrik.schema.Tables.CREDENTIAL;
import static yendrik.schema.Tables.PERSON;

import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.charset.StandardCharsets;
import java.security.PublicKey;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record2;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;
import yendrik.formats.credential.Around;
import yendrik.formats.credential.Checked;
import yendrik.formats.credential.Checking;
import yendrik.formats.credential.Place;
import yendrik.formats.credential.StatusList;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;

/** What anybody may ask: whether a badge is good, and to see one that its holder shows. */
@Service
@Transactional(readOnly = true)
class PublicBadges {
  private final DSLContext db;
  private final IssuerKeyStore keys;
  private final Institutions institutions;
  private final Hosted hosted;
  private final Places places;
  private final Clock clock;
  private final String address;

  PublicBadges(
      DSLContext db,
      IssuerKeyStore keys,
      Institutions institutions,
      Hosted hosted,
      Places places,
      Clock clock,
      @Value("${yendrik.address}") String address) {
    this.db = db;
    this.keys = keys;
    this.institutions = institutions;
    this.hosted = hosted;
    this.places = places;
    this.clock = clock;
    this.address = address;
  }

  /** A finding in words. */
  @Schema(name = "CheckedPoint")
  record FoundView(Checked.Point point, Checked.Came came, String says) {}

  /**
   * What came of a check.
   *
   * @param holds whether everything that could be told holds
   * @param hashed whether its holder can be told by an e-mail address
   */
  @Schema(name = "CheckedBadge")
  record CheckedView(
      boolean holds, Optional<Checked.Shown> shown, boolean hashed, List<FoundView> found) {}

  /**
   * Says what holds of a file, and whether it is of whoever has an e-mail address. No connection to
   * the database is held while others are asked.
   */
  @Transactional(propagation = Propagation.NOT_SUPPORTED)
  public CheckedView check(byte[] file, Optional<String> email) {
    Instant now = clock.instant();
    Checked checked = Checking.of(file, here(), now);
    Writing writing = institutions.writing(ZoneOffset.UTC, now);
    List<FoundView> found =
        checked.found().stream()
            .map(f -> asked(f, checked, email))
            .map(f -> new FoundView(f.point(), f.came(), writing.say(f.says())))
            .toList();
    boolean holds =
        checked.holds() && found.stream().noneMatch(f -> f.came() == Checked.Came.FAILS);
    return new CheckedView(holds, checked.shown(), checked.holder().isPresent(), found);
  }

  private static Checked.Found asked(Checked.Found found, Checked checked, Optional<String> email) {
    if (found.point() != Checked.Point.HOLDER
        || checked.holder().isEmpty()
        || email.filter(e -> !e.isBlank()).isEmpty()) return found;
    return checked.holder().get().is(email.get())
        ? new Checked.Found(
            Checked.Point.HOLDER, Checked.Came.HOLDS, Phrase.of("checked.holder-is"))
        : new Checked.Found(
            Checked.Point.HOLDER, Checked.Came.FAILS, Phrase.of("checked.holder-is-not"));
  }

  /** What is known here: the institution's own keys and what it revoked. */
  private Around here() {
    return new Around() {
      @Override
      public Optional<String> issuer(String id) {
        return keys.knows(id) || hosted.isKey(id)
            ? Optional.of(institutions.now().issuer())
            : Optional.empty();
      }

      @Override
      public Optional<PublicKey> key(String method) {
        return hosted.keyAt(method);
      }

      @Override
      public Place at(String asked) {
        return asked.startsWith(address + "/") ? ours(asked) : places.at(asked);
      }

      @Override
      public Optional<Boolean> revoked(String list, long index) {
        if (index < 0) return hosted.revoked(list);
        String ours = Signing.lists(address);
        if (!list.startsWith(ours) || index >= StatusList.SIZE) return Optional.empty();
        try {
          long number = Long.parseLong(list.substring(ours.length()).split("/", 2)[0]);
          return db.select(AWARD.REVOKED_AT)
              .from(CREDENTIAL)
              .join(AWARD)
              .on(AWARD.ID.eq(CREDENTIAL.AWARD_ID))
              .where(CREDENTIAL.PLACE.eq(number * StatusList.SIZE + index))
              .fetchOptional()
              .map(r -> r.value1() != null);
        } catch (NumberFormatException _) {
          return Optional.empty();
        }
      }
    };
  }

  /** What stands at an address of ours; the page of a badge stands for the badge. */
  private Place ours(String asked) {
    String page = address + "/badge/";
    try {
      if (asked.startsWith(page))
        return there(proved(UUID.fromString(asked.substring(page.length()))).value1());
      return hosted.at(asked);
    } catch (IllegalArgumentException | Problem _) {
      return new Place.Away();
    }
  }

  private static Place there(String said) {
    return new Place.There(said.getBytes(StandardCharsets.UTF_8));
  }

  /** An award that its holder shows, with their name. */
  private Record2<String, String> proved(UUID id) {
    return db.select(CREDENTIAL.PROVED, PERSON.NAME)
        .from(CREDENTIAL)
        .join(AWARD)
        .on(AWARD.ID.eq(CREDENTIAL.AWARD_ID))
        .join(PERSON)
        .on(PERSON.ID.eq(AWARD.PERSON_ID))
        .where(CREDENTIAL.AWARD_ID.eq(id), CREDENTIAL.PUBLISHED_AT.isNotNull())
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("badge"));
  }

  /**
   * A badge that its holder shows.
   *
   * @param holder their name
   */
  @Schema(name = "ShownBadge")
  record ShownView(String holder, CheckedView checked) {}

  /** The same for one that nobody shows and for one that there is not. */
  ShownView shown(UUID id) {
    Record2<String, String> row = proved(id);
    byte[] file = row.get(CREDENTIAL.PROVED).getBytes(StandardCharsets.UTF_8);
    return new ShownView(row.get(PERSON.NAME), check(file, Optional.empty()));
  }

  /**
   * A list of what was revoked, signed as of now.
   *
   * @param key whose list it is; without, that of its first credential, as lists were named before
   */
  @Transactional
  public String revoked(long list, Optional<Long> key, boolean token) {
    IssuerKeyStore.Kept kept =
        key.or(() -> firstKey(list))
            .map(id -> keys.one(id).orElseThrow(() -> Problem.notFound("badge")))
            .orElseGet(keys::inUse);
    List<Integer> places =
        db.select(CREDENTIAL.PLACE)
            .from(CREDENTIAL)
            .join(AWARD)
            .on(AWARD.ID.eq(CREDENTIAL.AWARD_ID))
            .where(AWARD.REVOKED_AT.isNotNull(), in(list))
            .fetch(r -> (int) (r.value1() - list * StatusList.SIZE));
    String at =
        key.map(id -> Signing.list(address, list, id)).orElse(Signing.lists(address) + list);
    return token
        ? StatusList.token(at + "/token", kept.keys(), places, clock.instant())
        : StatusList.proved(at, kept.keys(), places, clock.instant());
  }

  private static Condition in(long list) {
    long from = list * StatusList.SIZE;
    return CREDENTIAL.PLACE.ge(from).and(CREDENTIAL.PLACE.lt(from + StatusList.SIZE));
  }

  private Optional<Long> firstKey(long list) {
    return db.select(CREDENTIAL.ISSUER_KEY_ID)
        .from(CREDENTIAL)
        .where(in(list))
        .orderBy(CREDENTIAL.PLACE)
        .limit(1)
        .fetchOptional(CREDENTIAL.ISSUER_KEY_ID);
  }

  /**
   * Who issues badges here.
   *
   * @param keys by which its badges are known, the newest first
   */
  @Schema(name = "IssuerShown")
  record IssuerView(String name, String address, List<KeyView> keys) {}

  @Schema(name = "IssuerKeyShown")
  record KeyView(String didKey, String didJwk, Instant madeAt, Optional<Instant> retiredAt) {}

  IssuerView issuer() {
    return new IssuerView(
        institutions.now().issuer(),
        address,
        keys.all().stream()
            .map(k ->
                new KeyView(
                    k.getDidKey(),
                    k.getDidJwk(),
                    k.getMadeAt(),
                    Optional.ofNullable(k.getRetiredAt())))
            .toList());
  }
}
