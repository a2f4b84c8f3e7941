package yendrik.formats.credential;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.Refusal;
import yendrik.formats.badge.Art;
import yendrik.formats.badge.Drawing;
import yendrik.formats.badge.Png;
import yendrik.formats.badge.Signs;
import yendrik.formats.credential.Checked.Point;

/** What is told of credentials: good ones, changed ones, foreign ones and what is none. */
class CheckingTest {
  private static final IssuerKeys KEYS = IssuerKeys.made();
  private static final IssuerKeys OTHERS = IssuerKeys.made();
  private static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");
  private final Set<Long> revoked = new HashSet<>();

  private final Around here =
      new Around() {
        @Override
        public Optional<String> issuer(String id) {
          return id.equals(KEYS.didKey()) || id.equals(KEYS.didJwk())
              ? Optional.of("Hollow Lane Workshop School")
              : Optional.empty();
        }

        @Override
        public Optional<Boolean> revoked(String list, long index) {
          return list.startsWith("https://hollowlane.example/")
              ? Optional.of(revoked.contains(index))
              : Optional.empty();
        }
      };

  private static ObjectNode signed(IssuerKeys keys) {
    return DataIntegrity.signed(
        SignedCredentialsTest.badge("True Wheel").json(keys.didKey()),
        keys.edwards().getPrivate(),
        keys.method(),
        NOON);
  }

  private Checked check(String text) {
    return check(text.getBytes(StandardCharsets.UTF_8), NOON.plusSeconds(60));
  }

  private Checked check(byte[] file, Instant now) {
    return Checking.of(file, here, now);
  }

  private static String told(Checked checked, Point point) {
    return checked.found().stream()
        .filter(f -> f.point() == point)
        .map(f -> f.came() + " " + f.says().key())
        .findFirst()
        .orElse("nothing");
  }

  @Test
  void of_a_good_one_everything_is_told_in_each_form() {
    byte[] png = Png.of(Drawing.svg(Art.PLAIN, Signs.NONE, ""), 32);
    String svg = Drawing.svg(Art.PLAIN, Signs.NONE, "");
    String proved = signed(KEYS).toString();
    String token = Token.of(signed(KEYS), KEYS);
    for (String form : new String[] {proved, token})
      for (byte[] file :
          new byte[][] {
            form.getBytes(StandardCharsets.UTF_8),
            ("\ufeff " + form + "\n").getBytes(StandardCharsets.UTF_8),
            Baking.intoPng(png, Baking.Kind.CREDENTIAL, form),
            Baking.intoSvg(svg, Baking.Kind.CREDENTIAL, form).getBytes(StandardCharsets.UTF_8)
          }) {
        Checked checked = check(file, NOON.plusSeconds(60));
        assertThat(checked.holds()).isTrue();
        assertThat(told(checked, Point.SIGNATURE)).isEqualTo("HOLDS checked.signed");
        assertThat(told(checked, Point.ISSUER)).isEqualTo("HOLDS checked.issuer-known");
        assertThat(told(checked, Point.TIME)).isEqualTo("HOLDS checked.valid-until");
        assertThat(told(checked, Point.REVOKED)).isEqualTo("HOLDS checked.not-revoked");
        assertThat(checked.holder().orElseThrow().is("juno@hollowlane.example")).isTrue();
        Checked.Shown shown = checked.shown().orElseThrow();
        assertThat(shown.name()).isEqualTo("True Wheel");
        assertThat(shown.results()).containsExactly("True a wheel within tolerance: On my own");
        assertThat(shown.evidence())
            .containsExactly("At the bench on Saturday", "https://hollowlane.example/e/1");
      }
  }

  @Test
  void one_that_was_revoked_ended_or_has_not_begun_does_not_hold() {
    String good = signed(KEYS).toString();
    byte[] file = good.getBytes(StandardCharsets.UTF_8);
    assertThat(told(check(file, NOON.plus(Duration.ofDays(2))), Point.TIME))
        .isEqualTo("FAILS checked.ended");
    assertThat(told(check(file, NOON.minusSeconds(1)), Point.TIME))
        .as("clocks that differ")
        .isEqualTo("FAILS checked.not-yet");
    revoked.add(94L);
    Checked checked = check(good);
    assertThat(told(checked, Point.REVOKED)).isEqualTo("FAILS checked.revoked");
    assertThat(checked.holds()).isFalse();
  }

  @Test
  void one_of_somebody_else_is_theirs_only() {
    Checked checked = check(signed(OTHERS).toString());
    assertThat(told(checked, Point.SIGNATURE)).isEqualTo("HOLDS checked.signed");
    assertThat(told(checked, Point.ISSUER)).isEqualTo("UNTOLD checked.issuer-unknown");
    // signed by somebody else in the name of the school
    ObjectNode forged =
        DataIntegrity.signed(
            SignedCredentialsTest.badge("True Wheel").json(KEYS.didKey()),
            OTHERS.edwards().getPrivate(),
            OTHERS.method(),
            NOON);
    assertThat(told(check(forged.toString()), Point.SIGNATURE))
        .isEqualTo("FAILS checked.other-key");
    assertThat(told(check(forged.toString()), Point.ISSUER))
        .isEqualTo("UNTOLD checked.issuer-unproved");
    ObjectNode byMethod =
        DataIntegrity.signed(
            SignedCredentialsTest.badge("True Wheel").json(KEYS.didKey()),
            OTHERS.edwards().getPrivate(),
            KEYS.method(),
            NOON);
    assertThat(told(check(byMethod.toString()), Point.SIGNATURE))
        .isEqualTo("FAILS checked.changed");
    ObjectNode claims = SignedCredentialsTest.badge("True Wheel").json(KEYS.didJwk());
    claims.put("iss", OTHERS.didJwk());
    assertThat(told(check(Token.signed(claims, OTHERS, OTHERS.didJwk())), Point.SIGNATURE))
        .isEqualTo("FAILS checked.two-issuers");
  }

  @Test
  void what_cannot_be_told_is_said_and_nothing_is_fetched() {
    ObjectNode unsigned = SignedCredentialsTest.badge("True Wheel").json(KEYS.didKey());
    assertThat(told(check(unsigned.toString()), Point.SIGNATURE))
        .isEqualTo("FAILS checked.not-signed");
    ObjectNode elsewhere = signed(KEYS);
    ((ObjectNode) elsewhere.path("proof"))
        .put("verificationMethod", "https://elsewhere.example/key");
    assertThat(told(check(elsewhere.toString()), Point.SIGNATURE))
        .isEqualTo("UNTOLD checked.key-elsewhere");
    ObjectNode otherWay = signed(KEYS);
    ((ObjectNode) otherWay.path("proof")).put("cryptosuite", "ecdsa-sd-2023");
    assertThat(told(check(otherWay.toString()), Point.SIGNATURE))
        .isEqualTo("UNTOLD checked.unknown-way");
    ObjectNode strange = signed(KEYS);
    strange.putArray("@context").add("https://elsewhere.example/context.json");
    assertThat(told(check(strange.toString()), Point.SIGNATURE))
        .isEqualTo("UNTOLD checked.unknown-vocabulary");
    ObjectNode list = signed(OTHERS);
    ((ObjectNode) list.path("credentialStatus"))
        .put("statusListCredential", "https://elsewhere.example/list");
    assertThat(told(check(list.toString()), Point.REVOKED))
        .isEqualTo("UNTOLD checked.revocation-elsewhere");
  }

  /** Linked data passes such things over, so that they would be seen and be in no signature. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        "/evidence|{\"id\": \"mine\", \"type\": [\"Evidence\"], \"narrative\": \"Won a race\"}",
        "/evidence|{\"id\": \"urn:a b\", \"type\": [\"Evidence\"], \"narrative\": \"Won\"}",
        "/evidence|{\"type\": [\"Evidence\", \"Unheard\"], \"id\": \"x\", \"name\": \"Won\"}",
        "/credentialSubject/result|{\"id\": \"r\", \"type\": [\"Result\"], \"value\": \"Can teach it\"}",
        "/credentialSubject/identifier|{\"id\": \"i\", \"type\": \"IdentityObject\", \"hashed\": true, \"identityHash\": \"sha256$00\"}",
      })
  void nothing_can_be_added_that_the_signature_would_not_see(String at, String added) {
    ObjectNode signed = signed(KEYS);
    ((tools.jackson.databind.node.ArrayNode) signed.at(at))
        .insert(0, JsonMapper.shared().readTree(added));
    assertThat(check(signed.toString()).holds()).isFalse();
  }

  @Test
  void no_other_status_and_no_other_vocabulary_can_be_put_before_its_own() {
    revoked.add(94L);
    ObjectNode signed = signed(KEYS);
    var own = signed.path("credentialStatus");
    signed
        .putArray("credentialStatus")
        .add(
            JsonMapper.shared()
                .readTree(
                    """
                    {"id": "s", "type": "BitstringStatusListEntry", "statusPurpose": "revocation",
                     "statusListIndex": "1",
                     "statusListCredential": "https://hollowlane.example/status/1"}\
                    """))
        .add(own);
    Checked checked = check(signed.toString());
    assertThat(checked.holds()).isFalse();
    assertThat(told(checked, Point.REVOKED)).isEqualTo("FAILS checked.revoked");
    revoked.clear();
    ObjectNode renamed = signed(KEYS);
    ((ObjectNode) renamed.at("/credentialSubject/achievement"))
        .putObject("@context")
        .put("title", "https://schema.org/name");
    assertThat(check(renamed.toString()).holds()).isFalse();
    ObjectNode brought = signed(KEYS);
    ((tools.jackson.databind.node.ArrayNode) brought.path("@context"))
        .addObject()
        .put("title", "https://schema.org/name");
    assertThat(check(brought.toString()).holds()).isFalse();
    ObjectNode unheard = signed(KEYS);
    ((ObjectNode) unheard.at("/credentialSubject/achievement")).put("grade", "best of all");
    assertThat(check(unheard.toString()).holds()).isFalse();
  }

  @Test
  void an_assertion_of_version_2_is_read_too() {
    String hosted =
        """
        {"@context": "https://w3id.org/openbadges/v2", "type": "Assertion",
         "id": "https://elsewhere.example/1", "issuedOn": "2026-11-01T10:00:00+01:00",
         "recipient": {"type": "email", "hashed": true, "salt": "s",
           "identity": "sha256$00"},
         "badge": {"type": "BadgeClass", "name": "Hub Hand", "description": "Sets up hubs.",
           "criteria": {"narrative": "Seen"}, "issuer": {"type": "Issuer", "name": "Elsewhere"}},
         "verification": {"type": "hosted"}}\
        """;
    Checked checked = check(hosted);
    assertThat(told(checked, Point.SIGNATURE)).isEqualTo("UNTOLD checked.hosted");
    assertThat(told(checked, Point.ISSUER)).isEqualTo("UNTOLD checked.issuer-unproved");
    assertThat(checked.shown().orElseThrow().name()).isEqualTo("Hub Hand");
    assertThat(checked.holds()).isFalse();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        "nothing at all|no-credential",
        "{}|no-credential",
        "[1]|no-credential",
        "{\"type\": \"VerifiableCredential\"|no-credential",
        "{\"type\": \"VerifiableCredential\", \"type\": \"x\"}|no-credential",
        "a.b.c|no-credential",
        "<svg xmlns='http://www.w3.org/2000/svg'/>|picture-without-credential",
        "<svg|picture-broken",
        "<!DOCTYPE svg><svg xmlns='http://www.w3.org/2000/svg'/>|svg-with-document-type",
        "{\"type\": [\"VerifiableCredential\"], \"validFrom\": \"soon\"}|credential-with-bad-date",
        "{\"type\": \"VerifiablePresentation\", \"verifiableCredential\": []}|record-of-several",
      })
  void what_is_no_credential_is_refused_with_a_sentence(String text, String reason) {
    assertThatThrownBy(() -> check(text))
        .isInstanceOfSatisfying(
            Refusal.class, r -> assertThat(r.reason().key()).isEqualTo("refused." + reason));
  }

  @Test
  void a_bomb_is_refused() {
    String deep = "{\"a\":".repeat(3_000) + "1" + "}".repeat(3_000);
    assertThatThrownBy(() -> check(deep)).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> check(new byte[Checking.MOST + 1], NOON)).isInstanceOf(Refusal.class);
  }

  @Test
  void a_picture_with_several_is_refused() {
    byte[] png = Png.of(Drawing.svg(Art.PLAIN, Signs.NONE, ""), 16);
    byte[] once = Baking.intoPng(png, Baking.Kind.ASSERTION, "{}");
    // the chunk right after the head, once more
    int from = 33;
    int length = 12 + java.nio.ByteBuffer.wrap(once, from, 4).getInt();
    byte[] twice = new byte[once.length + length];
    System.arraycopy(once, 0, twice, 0, from + length);
    System.arraycopy(once, from, twice, from + length, once.length - from);
    assertThatThrownBy(() -> check(twice, NOON))
        .isInstanceOfSatisfying(
            Refusal.class,
            r -> assertThat(r.reason().key()).isEqualTo("refused.picture-with-several"));
  }

  @Property(tries = 100)
  void whatever_is_sent_is_answered(@ForAll byte[] file, @ForAll String text) {
    for (byte[] sent : new byte[][] {file, text.getBytes(StandardCharsets.UTF_8)})
      try {
        check(sent, NOON);
      } catch (Refusal _) {
        // which is a sentence
      }
  }

  @Property(tries = 150)
  void whatever_of_it_is_taken_away_never_makes_it_better(@ForAll int place) {
    ObjectNode signed = signed(KEYS);
    var names = signed.propertyNames().stream().sorted().toList();
    String name = names.get(Math.floorMod(place, names.size()));
    signed.remove(name);
    try {
      assertThat(check(signed.toString()).holds()).as(name).isFalse();
    } catch (Refusal _) {
      // which is a sentence
    }
    assertThat(JsonMapper.shared().readTree(signed.toString())).isNotNull();
  }
}
