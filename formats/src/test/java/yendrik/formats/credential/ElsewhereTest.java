package yendrik.formats.credential;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.JWSObject;
import com.nimbusds.jose.Payload;
import com.nimbusds.jose.crypto.RSASSASigner;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.Refusal;
import yendrik.formats.credential.Checked.Point;

/** What is told of credentials whose keys, lists and hosted parts stand elsewhere. */
class ElsewhereTest {
  private static final IssuerKeys KEYS = IssuerKeys.made();
  private static final IssuerKeys OTHERS = IssuerKeys.made();
  private static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");
  private static final String LIST = "https://hollowlane.example/status/1";
  private static final String THERE = "https://badges.hollowlane.example/";

  private final Map<String, Place> places = new HashMap<>();
  private final List<String> asked = new ArrayList<>();

  private final Around around =
      new Around() {
        @Override
        public Place at(String address) {
          asked.add(address);
          return places.getOrDefault(address, new Place.NotAsked());
        }
      };

  private void stands(String address, Object what) {
    places.put(address, new Place.There(what.toString().getBytes(StandardCharsets.UTF_8)));
  }

  private String told(String text, Point point) {
    return Checking.of(text.getBytes(StandardCharsets.UTF_8), around, NOON.plusSeconds(60))
        .found()
        .stream()
        .filter(f -> f.point() == point)
        .map(f -> f.came() + " " + f.says().key())
        .findFirst()
        .orElse("nothing");
  }

  private static ObjectNode badge() {
    return proved(SignedCredentialsTest.badge("True Wheel").json(KEYS.didKey()), KEYS);
  }

  private static ObjectNode proved(ObjectNode document, IssuerKeys keys) {
    return DataIntegrity.signed(document, keys.edwards().getPrivate(), keys.method(), NOON);
  }

  private static ObjectNode list(IssuerKeys keys, List<Integer> revoked) {
    return proved(StatusList.json(LIST, keys.didKey(), revoked, NOON), keys);
  }

  private static ObjectNode json(String text) {
    return (ObjectNode) JsonMapper.shared().readTree(text.replace('\'', '"'));
  }

  @Test
  void a_badge_is_found_at_its_address_in_each_form() {
    stands(THERE + "one.json", badge());
    stands(THERE + "one.jwt", Token.of(badge(), KEYS));
    for (String form : List.of("json", "jwt"))
      assertThat(told(" " + THERE + "one." + form + "\n", Point.SIGNATURE))
          .isEqualTo("HOLDS checked.signed");
  }

  @Test
  void what_is_not_asked_away_or_gone_is_said_and_an_address_leads_to_no_other() {
    places.put(THERE + "gone", new Place.Gone());
    places.put(THERE + "away", new Place.Away());
    stands(THERE + "on", THERE + "further");
    stands(THERE + "page", "<html><body>A badge</body></html>");
    Map<String, String> refused =
        Map.of(
            "elsewhere", "address-not-asked",
            "gone", "badge-gone",
            "away", "badge-away",
            "on", "no-credential",
            "page", "picture-without-credential");
    refused.forEach((at, why) ->
        assertThatThrownBy(() -> told(THERE + at, Point.SIGNATURE))
            .isInstanceOfSatisfying(Refusal.class, r -> assertThat(r.getMessage()).contains(why)));
    assertThat(asked).doesNotContain(THERE + "further");
  }

  @Test
  void a_list_of_its_own_issuer_says_whether_it_was_revoked() {
    String badge = badge().toString();
    assertThat(told(badge, Point.REVOKED)).isEqualTo("UNTOLD checked.revocation-elsewhere");
    stands(LIST, list(KEYS, List.of(93)));
    assertThat(told(badge, Point.REVOKED)).isEqualTo("HOLDS checked.not-revoked");
    stands(LIST, list(KEYS, List.of(94)));
    assertThat(told(badge, Point.REVOKED)).isEqualTo("FAILS checked.revoked");
  }

  @Test
  void a_list_that_somebody_else_signed_or_changed_says_nothing() {
    String badge = badge().toString();
    List<ObjectNode> bad = new ArrayList<>();
    bad.add(list(OTHERS, List.of()));
    bad.add(proved(StatusList.json(LIST, KEYS.didKey(), List.of(), NOON), OTHERS));
    bad.add(StatusList.json(LIST, KEYS.didKey(), List.of(), NOON));
    ObjectNode changed = list(KEYS, List.of(94));
    ((ObjectNode) changed.path("credentialSubject"))
        .put("encodedList", StatusList.packed(List.of()));
    bad.add(changed);
    ObjectNode other = StatusList.json(LIST, KEYS.didKey(), List.of(), NOON);
    ((ObjectNode) other.path("credentialSubject")).put("statusPurpose", "suspension");
    bad.add(proved(other, KEYS));
    bad.add(
        proved(
            StatusList.json(LIST, KEYS.didKey(), List.of(), NOON)
                .put("validUntil", "2026-11-24T12:00:30Z"),
            KEYS));
    bad.add(json("{}"));
    for (ObjectNode list : bad) {
      stands(LIST, list);
      assertThat(told(badge, Point.REVOKED)).isEqualTo("UNTOLD checked.revocation-elsewhere");
    }
  }

  /** A credential of an issuer that is an address or the name of a host. */
  private static String by(String issuer, String method) {
    ObjectNode document = SignedCredentialsTest.badge("True Wheel").json(issuer);
    return DataIntegrity.signed(document, KEYS.edwards().getPrivate(), method, NOON).toString();
  }

  private static String multikey() {
    return KEYS.didKey().substring("did:key:".length());
  }

  @Test
  void a_key_is_found_in_the_document_of_its_issuer() {
    for (Map.Entry<String, String> issuer :
        Map.of(
                "did:web:badges.hollowlane.example",
                THERE + ".well-known/did.json",
                "did:web:badges.hollowlane.example:school",
                THERE + "school/did.json",
                THERE + "issuer",
                THERE + "issuer")
            .entrySet()) {
      String id = issuer.getKey();
      String badge = by(id, id + "#key-1");
      assertThat(told(badge, Point.SIGNATURE)).isEqualTo("UNTOLD checked.key-elsewhere");
      String document =
          "{'id': '%1$s', 'verificationMethod': [{'id': '%2$s', 'publicKeyMultibase': '%3$s'}],"
              + " 'assertionMethod': ['%2$s']}";
      stands(issuer.getValue(), json(document.formatted(id, id + "#key-1", multikey())));
      assertThat(told(badge, Point.SIGNATURE)).as(id).isEqualTo("HOLDS checked.signed");
      stands(issuer.getValue(), json(document.formatted(id, "#key-1", multikey())));
      assertThat(told(badge, Point.SIGNATURE)).as(id).isEqualTo("HOLDS checked.signed");
      stands(issuer.getValue(), json(document.formatted(id + "x", id + "#key-1", multikey())));
      assertThat(told(badge, Point.SIGNATURE))
          .as("the document of another")
          .isEqualTo("UNTOLD checked.key-elsewhere");
      ObjectNode signingIn = json(document.formatted(id, id + "#key-1", multikey()));
      signingIn.set("authentication", signingIn.remove("assertionMethod"));
      stands(issuer.getValue(), signingIn);
      assertThat(told(badge, Point.SIGNATURE))
          .as("a key for something else")
          .isEqualTo("UNTOLD checked.key-elsewhere");
      ObjectNode within = json("{'id': '%s', 'assertionMethod': []}".formatted(id));
      within
          .withArray("assertionMethod")
          .add(json("{'id': '%s#key-1', 'publicKeyMultibase': '%s'}".formatted(id, multikey())));
      stands(issuer.getValue(), within);
      assertThat(told(badge, Point.SIGNATURE)).isEqualTo("HOLDS checked.signed");
      String others = OTHERS.didKey().substring("did:key:".length());
      stands(issuer.getValue(), json(document.formatted(id, id + "#key-1", others)));
      assertThat(told(badge, Point.SIGNATURE)).isEqualTo("FAILS checked.changed");
    }
  }

  @Test
  void a_key_that_only_stands_beside_its_issuer_is_none() {
    String key = THERE + "uploads/key.json";
    String badge = by(THERE + "issuer", key);
    stands(key, json("{'publicKeyMultibase': '%s'}".formatted(multikey())));
    stands(THERE + "issuer", json("{'id': '%sissuer'}".formatted(THERE)));
    assertThat(told(badge, Point.SIGNATURE)).isEqualTo("UNTOLD checked.key-elsewhere");
    stands(THERE + "issuer", json("{'id': '%sissuer', 'publicKey': ['%s']}".formatted(THERE, key)));
    assertThat(told(badge, Point.SIGNATURE)).isEqualTo("HOLDS checked.signed");
    stands(
        key,
        json("{'owner': '%sanother', 'publicKeyMultibase': '%s'}".formatted(THERE, multikey())));
    assertThat(told(badge, Point.SIGNATURE)).isEqualTo("UNTOLD checked.key-elsewhere");
  }

  private static final String ASSERTION =
      """
      {'@context': 'https://w3id.org/openbadges/v2', 'type': 'Assertion', 'id': '%1$sa/1',
       'recipient': {'type': 'email', 'hashed': true, 'identity': 'sha256$00', 'salt': 's'},
       'badge': '%1$sb/1', 'issuedOn': '2026-11-24T12:00:00Z',
       'verification': {'type': 'HostedBadge'}}\
      """
          .formatted(THERE);

  private void hosted(String issuer) {
    stands(
        THERE + "b/1",
        json("{'type': 'BadgeClass', 'name': 'Wheels', 'issuer': '" + issuer + "'}"));
    stands(issuer, json("{'type': 'Issuer', 'id': '%s', 'name': 'Hollow Lane'}".formatted(issuer)));
  }

  @Test
  void what_is_hosted_holds_where_the_same_stands_at_its_issuers() {
    String assertion = json(ASSERTION).toString();
    assertThat(told(assertion, Point.SIGNATURE)).isEqualTo("UNTOLD checked.hosted");
    hosted(THERE + "i");
    stands(THERE + "a/1", assertion);
    assertThat(told(assertion, Point.SIGNATURE)).isEqualTo("HOLDS checked.hosted-there");
    assertThat(told(THERE + "a/1", Point.SIGNATURE)).isEqualTo("HOLDS checked.hosted-there");
    assertThat(told(assertion, Point.REVOKED)).isEqualTo("HOLDS checked.not-revoked");
    Checked.Shown shown =
        Checking.of(assertion.getBytes(StandardCharsets.UTF_8), around, NOON).shown().orElseThrow();
    assertThat(shown.name()).isEqualTo("Wheels");
    assertThat(shown.issuer()).isEqualTo("Hollow Lane");
    stands(THERE + "a/1", json(ASSERTION).put("issuedOn", "2026-11-23T12:00:00Z"));
    assertThat(told(assertion, Point.SIGNATURE)).isEqualTo("FAILS checked.hosted-other");
    stands(THERE + "a/1", assertion);
    hosted("https://elsewhere.example/i");
    assertThat(told(assertion, Point.SIGNATURE))
        .as("in the name of an issuer elsewhere")
        .isEqualTo("FAILS checked.other-key");
    places.put(THERE + "a/1", new Place.Gone());
    assertThat(told(assertion, Point.REVOKED)).isEqualTo("FAILS checked.revoked");
  }

  @Test
  void a_signed_assertion_is_looked_up_in_the_list_that_its_issuer_names() throws Exception {
    ObjectNode assertion = json(ASSERTION);
    assertion.set(
        "badge",
        json(
            "{'name': 'Wheels', 'issuer': {'id': '%1$si', 'name': 'Hollow Lane', 'revocationList': '%1$sr'}}"
                .formatted(THERE)));
    assertion.set(
        "verification", json("{'type': 'SignedBadge', 'creator': '%sk'}".formatted(THERE)));
    var jws =
        new JWSObject(
            new JWSHeader.Builder(JWSAlgorithm.RS256).build(), new Payload(assertion.toString()));
    jws.sign(new RSASSASigner(KEYS.rsa().getPrivate()));
    String signed = jws.serialize();
    assertThat(told(signed, Point.SIGNATURE)).isEqualTo("UNTOLD checked.key-elsewhere");
    stands(THERE + "i", json("{'id': '%1$si', 'publicKey': '%1$sk'}".formatted(THERE)));
    stands(
        THERE + "k",
        OpenBadge2.key(
            KEYS.rsa().getPublic(), new OpenBadge2.Places(THERE + "i", THERE + "k", THERE + "r")));
    assertThat(told(signed, Point.SIGNATURE)).isEqualTo("HOLDS checked.signed");
    stands(THERE + "r", json("{'revokedAssertions': []}"));
    assertThat(told(signed, Point.REVOKED)).isEqualTo("HOLDS checked.not-revoked");
    stands(THERE + "r", json("{'revokedAssertions': [{'id': '%sa/1'}]}".formatted(THERE)));
    assertThat(told(signed, Point.REVOKED)).isEqualTo("FAILS checked.revoked");
  }

  @Test
  void a_file_has_a_few_places_asked_and_each_once() {
    ObjectNode badge = SignedCredentialsTest.badge("True Wheel").json(KEYS.didKey());
    var all = badge.putArray("credentialStatus");
    for (int n = 0; n < 40; n++)
      all.addObject()
          .put("type", "BitstringStatusListEntry")
          .put("statusPurpose", "revocation")
          .put("statusListIndex", "" + n)
          .put("statusListCredential", THERE + n / 2);
    told(proved(badge, KEYS).toString(), Point.REVOKED);
    assertThat(asked).doesNotHaveDuplicates().hasSizeBetween(1, 8);
  }

  @Test
  void a_place_of_more_than_one_bit_is_not_taken_for_one() {
    ObjectNode wide = SignedCredentialsTest.badge("True Wheel").json(KEYS.didKey());
    ((ObjectNode) wide.path("credentialStatus")).put("statusSize", 2);
    stands(LIST, list(KEYS, List.of()));
    assertThat(told(proved(wide, KEYS).toString(), Point.REVOKED))
        .isEqualTo("UNTOLD checked.revocation-elsewhere");
  }
}
