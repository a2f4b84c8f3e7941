package yendrik.server.wallet;

import static yendrik.schema.Tables.SENT_BADGE;
import static yendrik.schema.Tables.WALLET_ASK;
import static yendrik.schema.Tables.WALLET_CLIENT;
import static yendrik.schema.Tables.WALLET_LINK;

import io.swagger.v3.oas.annotations.media.Schema;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.security.oauth2.core.OAuth2AccessToken;
import org.springframework.security.oauth2.core.endpoint.OAuth2AccessTokenResponse;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import yendrik.core.id.PersonId;
import yendrik.schema.tables.records.WalletAskRecord;
import yendrik.schema.tables.records.WalletClientRecord;
import yendrik.schema.tables.records.WalletLinkRecord;
import yendrik.server.credential.MyCredentials;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;

/**
 * Puts badges into the wallets of their holders, once they allowed it there. No row stays locked
 * while a wallet is asked.
 */
@Service
class ToWallets {
  private static final Duration ASKED = Duration.ofMinutes(15);
  private static final int STATE = 24;
  private static final SecureRandom CHANCE = new SecureRandom();

  private final DSLContext db;
  private final Wallets wallets;
  private final Far far;
  private final MyCredentials credentials;
  private final Institutions institutions;
  private final TransactionTemplate transaction;
  private final Clock clock;

  ToWallets(
      DSLContext db,
      Wallets wallets,
      Far far,
      MyCredentials credentials,
      Institutions institutions,
      TransactionTemplate transaction,
      Clock clock) {
    this.db = db;
    this.wallets = wallets;
    this.far = far;
    this.credentials = credentials;
    this.institutions = institutions;
    this.transaction = transaction;
    this.clock = clock;
  }

  /**
   * A wallet that badges can be sent to.
   *
   * @param linked whether its holder allowed it
   * @param badges which are there, by their award, and since when
   */
  @Schema(name = "Wallet")
  record WalletView(String name, String address, boolean linked, Map<UUID, Instant> badges) {}

  List<WalletView> all(PersonId person) {
    List<String> linked =
        db.select(WALLET_LINK.WALLET)
            .from(WALLET_LINK)
            .where(WALLET_LINK.PERSON_ID.eq(person))
            .fetch(WALLET_LINK.WALLET);
    List<UUID> own = credentials.own(person);
    return wallets.all().entrySet().stream()
        .map(w ->
            new WalletView(
                w.getKey(),
                w.getValue(),
                linked.contains(w.getKey()),
                db.selectFrom(SENT_BADGE)
                    .where(SENT_BADGE.WALLET.eq(w.getKey()), SENT_BADGE.AWARD_ID.in(own))
                    .fetchMap(SENT_BADGE.AWARD_ID, SENT_BADGE.SENT_AT)))
        .toList();
  }

  /** Where somebody allows that badges are put into their wallet. */
  String ask(PersonId person, String wallet, Optional<UUID> award) {
    award.ifPresent(id -> credentials.proved(person, id));
    WalletClientRecord client = client(wallet);
    byte[] chance = new byte[STATE];
    CHANCE.nextBytes(chance);
    String state = Base64.getUrlEncoder().withoutPadding().encodeToString(chance);
    Far.Ask ask = far.ask(client, state);
    transaction.executeWithoutResult(_ -> {
      db.deleteFrom(WALLET_ASK)
          .where(WALLET_ASK.ASKED_AT.lt(clock.instant().minus(ASKED)))
          .execute();
      db.insertInto(WALLET_ASK)
          .set(WALLET_ASK.STATE, state)
          .set(WALLET_ASK.PERSON_ID, person)
          .set(WALLET_ASK.WALLET, wallet)
          .set(WALLET_ASK.VERIFIER, ask.verifier())
          .set(WALLET_ASK.AWARD_ID, award.orElse(null))
          .set(WALLET_ASK.ASKED_AT, clock.instant())
          .execute();
    });
    return ask.address();
  }

  /** The installation at a wallet, made known there at first need. */
  private WalletClientRecord client(String wallet) {
    String address = wallets.address(wallet);
    Optional<WalletClientRecord> known = known(wallet, address);
    if (known.isPresent()) return known.get();
    Far.Known made = far.register(wallet, address, institutions.now().name());
    db.insertInto(WALLET_CLIENT)
        .set(WALLET_CLIENT.WALLET, wallet)
        .set(WALLET_CLIENT.ADDRESS, address)
        .set(WALLET_CLIENT.AUTHORIZE_AT, made.authorizeAt())
        .set(WALLET_CLIENT.TOKEN_AT, made.tokenAt())
        .set(WALLET_CLIENT.CLIENT_ID, made.clientId())
        .set(WALLET_CLIENT.CLIENT_SECRET, made.clientSecret())
        .set(WALLET_CLIENT.MADE_AT, clock.instant())
        .onConflict(WALLET_CLIENT.WALLET)
        .doUpdate()
        .set(WALLET_CLIENT.ADDRESS, address)
        .set(WALLET_CLIENT.AUTHORIZE_AT, made.authorizeAt())
        .set(WALLET_CLIENT.TOKEN_AT, made.tokenAt())
        .set(WALLET_CLIENT.CLIENT_ID, made.clientId())
        .set(WALLET_CLIENT.CLIENT_SECRET, made.clientSecret())
        .execute();
    return known(wallet, address).orElseThrow();
  }

  private Optional<WalletClientRecord> known(String wallet, String address) {
    return db.selectFrom(WALLET_CLIENT)
        .where(WALLET_CLIENT.WALLET.eq(wallet), WALLET_CLIENT.ADDRESS.eq(address))
        .fetchOptional();
  }

  /**
   * What came of it.
   *
   * @param fresh whether it was not there before
   */
  @Schema(name = "BadgeSent")
  record SentView(String wallet, Optional<UUID> award, boolean fresh) {}

  /**
   * Takes what the wallet answered, and sends what was to be sent.
   *
   * @throws Problem if somebody else was asked, it was too long ago, or the wallet does not take it
   */
  SentView allowed(PersonId person, String state, String code) {
    WalletAskRecord ask =
        Objects.requireNonNull(
                transaction.execute(_ ->
                    db.deleteFrom(WALLET_ASK)
                        .where(
                            WALLET_ASK.STATE.eq(state),
                            WALLET_ASK.PERSON_ID.eq(person),
                            WALLET_ASK.ASKED_AT.ge(clock.instant().minus(ASKED)))
                        .returning()
                        .fetchOptional()))
            .orElseThrow(() -> Problem.conflict("wallet-not-asked"));
    WalletClientRecord client = client(ask.getWallet());
    keep(person, ask.getWallet(), far.exchange(client, state, ask.getVerifier(), code));
    Optional<UUID> award = Optional.ofNullable(ask.getAwardId());
    return award
        .map(id -> send(person, ask.getWallet(), id))
        .orElseGet(() -> new SentView(ask.getWallet(), Optional.empty(), /* fresh= */ false));
  }

  private void keep(PersonId person, String wallet, OAuth2AccessTokenResponse tokens) {
    OAuth2AccessToken access = tokens.getAccessToken();
    Instant ends = Optional.ofNullable(access.getExpiresAt()).orElse(clock.instant());
    var refresh = Optional.ofNullable(tokens.getRefreshToken()).map(t -> t.getTokenValue());
    db.insertInto(WALLET_LINK)
        .set(WALLET_LINK.PERSON_ID, person)
        .set(WALLET_LINK.WALLET, wallet)
        .set(WALLET_LINK.ACCESS_TOKEN, access.getTokenValue())
        .set(WALLET_LINK.REFRESH_TOKEN, refresh.orElse(null))
        .set(WALLET_LINK.ENDS_AT, ends)
        .set(WALLET_LINK.LINKED_AT, clock.instant())
        .onConflict(WALLET_LINK.PERSON_ID, WALLET_LINK.WALLET)
        .doUpdate()
        .set(WALLET_LINK.ACCESS_TOKEN, access.getTokenValue())
        .set(WALLET_LINK.REFRESH_TOKEN, refresh.orElse(null))
        .set(WALLET_LINK.ENDS_AT, ends)
        .execute();
  }

  /**
   * Puts a badge into a wallet; one that is there already is changed, not doubled.
   *
   * @throws Problem if it is not the person's, or the wallet does not allow it any more
   */
  SentView send(PersonId person, String wallet, UUID award) {
    String credential = credentials.proved(person, award);
    String address = wallets.address(wallet);
    WalletLinkRecord link = link(person, wallet);
    Far.Came came = Far.Came.NOT_ALLOWED;
    if (link.getEndsAt().isAfter(clock.instant()))
      came = far.put(wallet, address, link.getAccessToken(), credential);
    if (came == Far.Came.NOT_ALLOWED) {
      renew(person, link);
      came = far.put(wallet, address, link(person, wallet).getAccessToken(), credential);
    }
    if (came == Far.Came.NOT_ALLOWED) throw ended(person, wallet);
    db.insertInto(SENT_BADGE)
        .set(SENT_BADGE.AWARD_ID, award)
        .set(SENT_BADGE.WALLET, wallet)
        .set(SENT_BADGE.SENT_AT, clock.instant())
        .onConflict(SENT_BADGE.AWARD_ID, SENT_BADGE.WALLET)
        .doUpdate()
        .set(SENT_BADGE.SENT_AT, clock.instant())
        .execute();
    return new SentView(wallet, Optional.of(award), came == Far.Came.FRESH);
  }

  private WalletLinkRecord link(PersonId person, String wallet) {
    return db.selectFrom(WALLET_LINK)
        .where(WALLET_LINK.PERSON_ID.eq(person), WALLET_LINK.WALLET.eq(wallet))
        .fetchOptional()
        .orElseThrow(() -> Problem.conflict("wallet-not-linked", "wallet", wallet));
  }

  private void renew(PersonId person, WalletLinkRecord link) {
    String wallet = link.getWallet();
    var ended =
        new OAuth2AccessToken(
            OAuth2AccessToken.TokenType.BEARER, link.getAccessToken(), null, link.getEndsAt());
    OAuth2AccessTokenResponse fresh =
        Optional.ofNullable(link.getRefreshToken())
            .flatMap(refresh -> far.renewed(client(wallet), ended, refresh))
            .orElseThrow(() -> ended(person, wallet));
    keep(person, wallet, fresh);
  }

  /** What the wallet does not allow any more is forgotten, so that it is asked for again. */
  private Problem ended(PersonId person, String wallet) {
    forget(person, wallet);
    return Problem.conflict("wallet-not-linked", "wallet", wallet);
  }

  void forget(PersonId person, String wallet) {
    db.deleteFrom(WALLET_LINK)
        .where(WALLET_LINK.PERSON_ID.eq(person), WALLET_LINK.WALLET.eq(wallet))
        .execute();
  }
}
