package yendrik.formats.credential;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.security.PublicKey;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.Refusal;
import yendrik.formats.badge.Art;
import yendrik.formats.badge.Drawing;
import yendrik.formats.badge.Png;
import yendrik.formats.badge.Signs;

/** Credentials that are signed, changed, baked into pictures and read back. */
class SignedCredentialsTest {
  private static final IssuerKeys KEYS = IssuerKeys.made();
  private static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");
  private static final UUID WHEEL = UUID.fromString("0b0f4a52-1c55-4d39-9f3c-0a5f2f9f3a11");

  static OpenBadge badge(String name) {
    return new OpenBadge(
        UUID.fromString("4a1a9d7e-64de-4f0c-8f0e-3c8d9a1b2c3d"),
        NOON,
        Optional.of(NOON.plusSeconds(86_400)),
        new OpenBadge.Issuer(
            "Hollow Lane Workshop School",
            Optional.of("https://hollowlane.example"),
            Optional.of("badges@hollowlane.example"),
            Optional.empty()),
        OpenBadge.Holder.of("Juno@hollowlane.example", "salt-1"),
        new OpenBadge.Achievement(
            "urn:uuid:6f6b3c1e-0a55-4bb4-9a39-111111111111",
            "Badge",
            name,
            "Trues a spoked wheel to within half a millimetre.",
            "True within half a millimetre signed off by staff",
            Optional.of("data:image/png;base64,AAAA"),
            "A wheel",
            List.of("bicycle", "repair"),
            List.of(
                new OpenBadge.Outcome(
                    WHEEL,
                    "https://hollowlane.example/outcomes/wheel",
                    "WHEEL",
                    "True a wheel within tolerance",
                    "Cycle Mechanic Foundations",
                    List.of("Watching", "With help", "On my own", "Can teach it"),
                    "On my own"))),
        List.of(new OpenBadge.Result(WHEEL, "On my own")),
        Optional.of(
            new OpenBadge.Evidence(
                "At the bench on Saturday", Optional.of("https://hollowlane.example/e/1"))),
        Optional.of(new OpenBadge.Status("https://hollowlane.example/status/1", 94)));
  }

  private static ObjectNode signed() {
    return DataIntegrity.signed(
        badge("True Wheel").json(KEYS.didKey()), KEYS.edwards().getPrivate(), KEYS.method(), NOON);
  }

  private static PublicKey key(String name) {
    return Did.key(name).orElseThrow();
  }

  private static boolean holds(ObjectNode signed) {
    return DataIntegrity.holds(
        signed, signed.path("proof"), key(signed.at("/proof/verificationMethod").asString()));
  }

  @Test
  void a_proof_holds_for_the_document_as_it_is_however_it_is_written() {
    ObjectNode signed = signed();
    assertThat(holds(signed)).isTrue();
    var otherOrder = (ObjectNode) JsonMapper.shared().readTree("{}");
    List<String> names = signed.propertyNames().stream().sorted().toList().reversed();
    for (String name : names) otherOrder.set(name, signed.path(name));
    assertThat(holds(otherOrder)).isTrue();
  }

  @Test
  void nothing_of_it_can_be_changed() {
    for (String at :
        List.of(
            "/name",
            "/validFrom",
            "/validUntil",
            "/issuer/name",
            "/issuer/url",
            "/credentialSubject/identifier/0/identityHash",
            "/credentialSubject/identifier/0/salt",
            "/credentialSubject/achievement/name",
            "/credentialSubject/achievement/criteria/narrative",
            "/credentialSubject/achievement/image/id",
            "/credentialSubject/achievement/alignment/0/targetCode",
            "/credentialSubject/achievement/resultDescription/0/requiredLevel",
            "/credentialSubject/result/0/value",
            "/evidence/0/narrative",
            "/credentialStatus/statusListIndex",
            "/proof/created")) {
      ObjectNode signed = signed();
      int last = at.lastIndexOf('/');
      var parent = (ObjectNode) signed.at(at.substring(0, last));
      String name = at.substring(last + 1);
      String was = parent.path(name).asString();
      assertThat(was).as(at).isNotEmpty();
      parent.put(name, was.contains("T12") ? was.replace("T12", "T13") : was + "x");
      assertThat(holds(signed)).as(at).isFalse();
    }
  }

  @Property(tries = 60)
  void whatever_it_is_called_is_signed_and_no_other_name_is(
      @ForAll @StringLength(max = 60) String name, @ForAll @IntRange(max = 59) int at) {
    OpenBadge badge = badge(yendrik.core.Plain.cleaned(name));
    ObjectNode signed =
        DataIntegrity.signed(
            badge.json(KEYS.didKey()), KEYS.edwards().getPrivate(), KEYS.method(), NOON);
    assertThat(holds(signed)).isTrue();
    signed.put("name", signed.path("name").asString() + (char) ('a' + at % 26));
    assertThat(holds(signed)).isFalse();
  }

  @Property(tries = 200)
  void any_bit_of_a_signature_that_is_changed_is_found(@ForAll @IntRange(max = 511) int bit) {
    ObjectNode signed = signed();
    var proof = (ObjectNode) signed.path("proof");
    byte[] value = Base58.read(proof.path("proofValue").asString().substring(1)).orElseThrow();
    value[bit / 8] ^= (byte) (1 << bit % 8);
    proof.put("proofValue", "z" + Base58.of(value));
    assertThat(holds(signed)).isFalse();
  }

  @Property(tries = 200)
  void any_letter_of_a_token_that_is_changed_is_found(@ForAll @IntRange(max = 5_000) int at) {
    String token = Token.of(badge("True Wheel").json(KEYS.didKey()), KEYS);
    PublicKey key = key(KEYS.didJwk());
    assertThat(Token.read(token).orElseThrow().holds(key)).isTrue();
    int place = at % token.length();
    char was = token.charAt(place);
    // the last letter of each part has bits that say nothing
    boolean says = was != '.' && place + 1 < token.length() && token.charAt(place + 1) != '.';
    String changed =
        token.substring(0, place) + (was == 'A' ? 'B' : 'A') + token.substring(place + 1);
    if (says) assertThat(Token.read(changed).map(t -> t.holds(key)).orElse(false)).isFalse();
  }

  @Test
  void a_token_of_no_algorithm_holds_for_nobody() {
    String none = "eyJhbGciOiJub25lIn0.e30.";
    assertThat(Token.read(none).map(t -> t.holds(key(KEYS.didJwk()))).orElse(false)).isFalse();
  }

  @Test
  void keys_are_kept_and_taken_up_again() {
    IssuerKeys again =
        IssuerKeys.of(IssuerKeys.Kept.of(KEYS.edwards()), IssuerKeys.Kept.of(KEYS.rsa()));
    assertThat(again.didKey()).isEqualTo(KEYS.didKey()).startsWith("did:key:z6Mk");
    assertThat(again.didJwk()).isEqualTo(KEYS.didJwk());
    assertThat(key(KEYS.didKey())).isEqualTo(KEYS.edwards().getPublic());
    assertThat(key(KEYS.didJwk())).isEqualTo(KEYS.rsa().getPublic());
    assertThat(Did.key("did:key:zQ3shokFTS3brHcDQrn82RUDfCZESWL1ZdCEJwekUDPQiYBme")).isEmpty();
    assertThat(Did.key("did:web:hollowlane.example")).isEmpty();
  }

  @Test
  void a_context_that_does_not_ship_is_not_fetched() {
    ObjectNode strange = badge("x").json(KEYS.didKey());
    strange.putArray("@context").add("https://elsewhere.example/context.json");
    assertThatThrownBy(() -> Canonical.of(strange)).isInstanceOf(Refusal.class);
  }

  @Test
  void a_holder_is_known_by_their_address_and_not_read_from_it() {
    var holder = OpenBadge.Holder.of(" Juno@HollowLane.example", "salt");
    assertThat(holder.is("juno@hollowlane.example")).isTrue();
    assertThat(holder.is("edda@hollowlane.example")).isFalse();
    assertThat(badge("x").json("did:x").toString()).doesNotContainIgnoringCase("juno");
  }

  @Property
  void base58_reads_back_what_it_wrote(@ForAll @Size(max = 70) byte[] bytes) {
    assertThat(Base58.read(Base58.of(bytes)))
        .hasValueSatisfying(b -> assertThat(b).isEqualTo(bytes));
  }

  @Property
  void what_is_on_the_list_is_revoked_and_nothing_else(
      @ForAll Set<@IntRange(max = StatusList.SIZE - 1) Integer> revoked,
      @ForAll @IntRange(max = StatusList.SIZE - 1) int other) {
    String packed = StatusList.packed(revoked);
    Set<Integer> asked = new HashSet<>(revoked);
    asked.add(other);
    for (int index : asked)
      assertThat(StatusList.revoked(packed, index)).contains(revoked.contains(index));
    assertThat(StatusList.revoked(packed, StatusList.SIZE)).isEmpty();
    assertThat(StatusList.revoked(packed, -1)).isEmpty();
  }

  @Test
  void a_broken_list_says_nothing() {
    assertThat(StatusList.revoked("uAAAA", 1)).isEmpty();
    assertThat(StatusList.revoked("", 1)).isEmpty();
  }

  @Property(tries = 60)
  void what_is_baked_into_a_picture_is_read_back(@ForAll @StringLength(max = 300) String text) {
    String svg = Drawing.svg(Art.PLAIN, Signs.NONE, "");
    byte[] png = Png.of(svg, 32);
    String json = "{\"a\":\"" + yendrik.core.Plain.cleaned(text) + "]]>\"}";
    for (Baking.Kind kind : Baking.Kind.values()) {
      byte[] baked = Baking.intoPng(Baking.intoPng(png, kind, "old"), kind, json);
      assertThat(Baking.inPng(baked)).containsExactly(new Baking.Baked(kind, json));
      String drawn = Baking.intoSvg(Baking.intoSvg(svg, kind, "old"), kind, json);
      assertThat(Baking.inSvg(drawn.getBytes(java.nio.charset.StandardCharsets.UTF_8)))
          .containsExactly(new Baking.Baked(kind, json));
    }
    assertThat(Baking.inPng(png)).isEmpty();
  }

  @Test
  void a_baked_picture_still_is_one_and_a_broken_one_is_refused() throws Exception {
    byte[] png = Png.of(Drawing.svg(Art.PLAIN, Signs.NONE, ""), 64);
    byte[] baked = Baking.intoPng(png, Baking.Kind.CREDENTIAL, signed().toString());
    var image = javax.imageio.ImageIO.read(new java.io.ByteArrayInputStream(baked));
    assertThat(image.getWidth()).isEqualTo(64);
    baked[60] ^= 1;
    assertThatThrownBy(() -> Baking.inPng(baked)).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> Baking.inPng(new byte[] {1, 2, 3})).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> Baking.inPng(java.util.Arrays.copyOf(png, png.length - 8)))
        .isInstanceOf(Refusal.class);
  }

  /** Awards of one badge and of others, with and without an end, results and evidence. */
  @Property(tries = 60)
  void many_are_proved_as_each_by_itself_is(
      @ForAll @Size(min = 1, max = 5) List<@StringLength(min = 1, max = 12) String> words,
      @ForAll @IntRange(min = 0, max = 3) int names,
      @ForAll boolean ends,
      @ForAll boolean evidence) {
    var proving = new Proving();
    for (int n = 0; n < words.size(); n++) {
      OpenBadge like = badge("Badge " + n % (names + 1));
      var one =
          new OpenBadge(
              new UUID(7, n),
              NOON.plusSeconds(n),
              ends ? Optional.of(NOON.plusSeconds(1_000 + n)) : Optional.empty(),
              like.issuer(),
              OpenBadge.Holder.of(words.get(n), words.get(words.size() - 1 - n)),
              like.achievement(),
              List.of(new OpenBadge.Result(WHEEL, words.get(n))),
              evidence
                  ? Optional.of(new OpenBadge.Evidence(words.get(n), Optional.empty()))
                  : Optional.empty(),
              Optional.of(new OpenBadge.Status("https://hollowlane.example/status/1", n)));
      assertThat(proving.signed(one, KEYS, NOON))
          .isEqualTo(
              DataIntegrity.signed(
                  one.json(KEYS.didKey()), KEYS.edwards().getPrivate(), KEYS.method(), NOON));
    }
  }

  @Property(tries = 40)
  void what_is_signed_is_what_the_JDK_signs(@ForAll byte[] data) throws Exception {
    var own = java.security.Signature.getInstance("Ed25519");
    own.initSign(KEYS.edwards().getPrivate());
    own.update(data);
    byte[] signed = Ed25519.sign(KEYS.edwards().getPrivate(), data);
    assertThat(signed).isEqualTo(own.sign());
    assertThat(Ed25519.holds(KEYS.edwards().getPublic(), data, signed)).isTrue();
  }
}
