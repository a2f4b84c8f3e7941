package yendrik.server.wallet;

import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.WALLET_LINK;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriComponentsBuilder;
import yendrik.core.id.PersonId;
import yendrik.server.credential.CredentialRounds;
import yendrik.server.credential.MyCredentials;

/**
 * Somebody of the demo who has sent badges to a wallet, in the way in which a browser does it. A
 * wallet that does not answer is left alone.
 */
@Component
@Order
@ConditionalOnProperty("yendrik.demo")
class DemoWallet implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoWallet.class);
  private static final String WALLET = "keepsake";
  private static final String EMAIL = "tilda@hollowlane.example";
  private static final String PHRASE = "hollow-lane";
  private static final int SENT = 3;

  private final DSLContext db;
  private final Wallets wallets;
  private final ToWallets sending;
  private final MyCredentials credentials;
  private final CredentialRounds rounds;

  DemoWallet(
      DSLContext db,
      Wallets wallets,
      ToWallets sending,
      MyCredentials credentials,
      CredentialRounds rounds) {
    this.db = db;
    this.wallets = wallets;
    this.sending = sending;
    this.credentials = credentials;
    this.rounds = rounds;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    Optional<PersonId> tilda =
        db.select(PERSON.ID).from(PERSON).where(PERSON.EMAIL.eq(EMAIL)).fetchOptional(PERSON.ID);
    if (tilda.isEmpty() || !wallets.all().containsKey(WALLET) || db.fetchExists(WALLET_LINK))
      return;
    try {
      rounds.signDue();
      send(tilda.get());
    } catch (IOException | RuntimeException e) {
      LOG.warn("nothing of the demo is in {}: {}", WALLET, e.getMessage());
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }

  private void send(PersonId tilda) throws IOException, InterruptedException {
    List<UUID> awards = credentials.own(tilda);
    URI answer = allowed(URI.create(sending.ask(tilda, WALLET, Optional.empty())));
    Map<String, String> said =
        UriComponentsBuilder.fromUri(answer).build().getQueryParams().toSingleValueMap();
    sending.allowed(tilda, said.getOrDefault("state", ""), said.getOrDefault("code", ""));
    for (UUID award : awards.subList(0, Math.min(SENT, awards.size())))
      sending.send(tilda, WALLET, award);
  }

  /** Signs in at the wallet and allows it, as its pages want it; says where that leads back to. */
  private static URI allowed(URI at) throws IOException, InterruptedException {
    try (var browser = HttpClient.newBuilder().cookieHandler(new CookieManager()).build()) {
      URI page =
          next(at, browser.send(HttpRequest.newBuilder(at).build(), BodyHandlers.ofString()));
      HttpRequest form =
          HttpRequest.newBuilder(page)
              .header("Content-Type", "application/x-www-form-urlencoded")
              .POST(BodyPublishers.ofString("name=" + coded("Tilda Moreau") + "&phrase=" + PHRASE))
              .build();
      URI going = next(page, browser.send(form, BodyHandlers.ofString()));
      return next(
          going, browser.send(HttpRequest.newBuilder(going).build(), BodyHandlers.ofString()));
    }
  }

  private static String coded(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8);
  }

  private static URI next(URI from, HttpResponse<String> answer) throws IOException {
    return answer
        .headers()
        .firstValue("Location")
        .map(from::resolve)
        .orElseThrow(() -> new IOException("it leads nowhere: " + answer.statusCode()));
  }
}
