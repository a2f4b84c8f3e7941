package yendrik.server.credential;

import static yendrik.schema.Tables.ISSUER_KEY;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import yendrik.formats.credential.IssuerKeys;
import yendrik.schema.tables.records.IssuerKeyRecord;

/**
 * The keys of the institution. The first are made at the first start; earlier ones stay, so that
 * what they signed can be checked.
 */
@Repository
@Transactional
class IssuerKeyStore {
  private final DSLContext db;
  private final Clock clock;

  IssuerKeyStore(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
  }

  /** Keys with the number under which they are kept. */
  record Kept(long id, IssuerKeys keys) {}

  /** They are there from the first start, before anybody is given a badge. */
  @EventListener(ApplicationReadyEvent.class)
  void atHand() {
    inUse();
  }

  /** Those in use. */
  Kept inUse() {
    return found()
        .orElseGet(() -> {
          make();
          return found().orElseThrow();
        });
  }

  private Optional<Kept> found() {
    return db.selectFrom(ISSUER_KEY)
        .where(ISSUER_KEY.RETIRED_AT.isNull())
        .fetchOptional(IssuerKeyStore::kept);
  }

  /** Those of a number, in use or not. */
  @Transactional(readOnly = true)
  public Optional<Kept> one(long id) {
    return db.selectFrom(ISSUER_KEY)
        .where(ISSUER_KEY.ID.eq(id))
        .fetchOptional(IssuerKeyStore::kept);
  }

  private static Kept kept(IssuerKeyRecord row) {
    return new Kept(
        row.getId(),
        IssuerKeys.of(
            new IssuerKeys.Kept(row.getEdwardsSecret(), row.getEdwardsOpen()),
            new IssuerKeys.Kept(row.getRsaSecret(), row.getRsaOpen())));
  }

  /** Two servers at once make one pair. */
  private void make() {
    IssuerKeys keys = IssuerKeys.made();
    IssuerKeys.Kept edwards = IssuerKeys.Kept.of(keys.edwards());
    IssuerKeys.Kept rsa = IssuerKeys.Kept.of(keys.rsa());
    db.insertInto(ISSUER_KEY)
        .set(ISSUER_KEY.EDWARDS_SECRET, edwards.secret())
        .set(ISSUER_KEY.EDWARDS_OPEN, edwards.open())
        .set(ISSUER_KEY.RSA_SECRET, rsa.secret())
        .set(ISSUER_KEY.RSA_OPEN, rsa.open())
        .set(ISSUER_KEY.DID_KEY, keys.didKey())
        .set(ISSUER_KEY.DID_JWK, keys.didJwk())
        .set(ISSUER_KEY.MADE_AT, clock.instant())
        .onConflictDoNothing()
        .execute();
  }

  /** Puts new keys in the place of those in use. */
  void change() {
    db.update(ISSUER_KEY)
        .set(ISSUER_KEY.RETIRED_AT, clock.instant())
        .where(ISSUER_KEY.RETIRED_AT.isNull())
        .execute();
    make();
  }

  /** Whether a name is one of the institution's, in use or not. */
  @Transactional(readOnly = true)
  public boolean knows(String did) {
    return db.fetchExists(ISSUER_KEY, ISSUER_KEY.DID_KEY.eq(did).or(ISSUER_KEY.DID_JWK.eq(did)));
  }

  /** All keys without their secrets, the newest first. */
  @Transactional(readOnly = true)
  public List<IssuerKeyRecord> all() {
    return db.select(
            ISSUER_KEY.ID,
            ISSUER_KEY.DID_KEY,
            ISSUER_KEY.DID_JWK,
            ISSUER_KEY.MADE_AT,
            ISSUER_KEY.RETIRED_AT)
        .from(ISSUER_KEY)
        .orderBy(ISSUER_KEY.ID.desc())
        .fetchInto(ISSUER_KEY);
  }
}
