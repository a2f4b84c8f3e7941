package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static yendrik.schema.Tables.AWARD;
import static yendrik.schema.Tables.CREDENTIAL;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.credential.Around;
import yendrik.formats.credential.Checked;
import yendrik.formats.credential.Checking;
import yendrik.formats.credential.Place;
import yendrik.server.credential.CredentialRounds;
import yendrik.server.demo.DemoClock;
import yendrik.server.http.FieldsEdit;

/** Badges that go outside: signed, taken along, shown, revoked and checked by anybody. */
@ServerTest
class CredentialsTest extends SchoolTest {
  @Autowired DemoClock clock;
  @Autowired yendrik.server.people.People people;
  @Autowired CredentialRounds rounds;
  @Autowired DSLContext db;

  @Value("${yendrik.address}")
  private String home;

  private NewCourse course;
  private long badge;
  private Caller ruben;
  private Caller sefa;
  private Caller nobody;

  @BeforeEach
  void aLearnerWithABadge() {
    sefa = as("Sefa Dunmore");
    ruben = as("Ruben Sato");
    nobody = new Caller(http, Optional.empty());
    course = new NewCourse(sefa, "Credentials " + System.nanoTime());
    long module = course.module("Tubes");
    long page = course.step(module, "PAGE", "How a patch holds");
    badge = course.badge("Patcher", Optional.of(course.ask("seen", page)));
    course.publish();
    course.enrol("ruben@hollowlane.example");
    ruben.post(course.walk(page) + "/visits", "");
    rounds.signDue();
  }

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  private JsonNode mine() {
    return ruben
        .get("/api/account/badges")
        .valueStream()
        .filter(a -> a.path("course").asString().equals(course.design().path("name").asString()))
        .findFirst()
        .orElseThrow();
  }

  private byte[] file(String form) {
    String at = "/api/account/badges/" + mine().path("id").asString() + "/" + form;
    var answer = ruben.call("GET", at, "");
    assertThat(answer.getStatus()).isEqualTo(200);
    assertThat(answer.getHeader("Content-Disposition")).startsWith("attachment");
    return answer.getContentAsByteArray();
  }

  private record ToCheck(String file, Optional<String> email) {}

  private JsonNode check(byte[] file, String email) {
    return nobody.post(
        "/api/public/check",
        new ToCheck(
            Base64.getEncoder().encodeToString(file),
            Optional.of(email).filter(e -> !e.isEmpty())));
  }

  private static String came(JsonNode checked, String point) {
    return checked
        .path("found")
        .valueStream()
        .filter(f -> f.path("point").asString().equals(point))
        .map(f -> f.path("came").asString())
        .findFirst()
        .orElse("");
  }

  private void revoke() {
    var answer =
        sefa.call(
            "POST",
            course.path
                + "/learners/"
                + course.enrolment("Ruben Sato")
                + "/badges/"
                + badge
                + "/revocation",
            new Sent.Reason("An error"));
    assertThat(answer.getStatus()).isEqualTo(204);
  }

  @Test
  void a_badge_is_taken_along_in_each_form_and_anybody_can_check_it() {
    assertThat(mine().path("ready").asBoolean()).isTrue();
    for (String form : List.of("PNG", "SVG", "JSON", "JWT")) {
      JsonNode checked = check(file(form), "");
      assertThat(checked.path("holds").asBoolean()).as(form + checked).isTrue();
      assertThat(checked.at("/shown/name").asString()).isEqualTo("Patcher");
      assertThat(came(checked, "ISSUER")).as("whose key is known").isEqualTo("HOLDS");
      assertThat(came(checked, "REVOKED")).isEqualTo("HOLDS");
    }
    assertThat(came(check(file("PNG"), "ruben@hollowlane.example"), "HOLDER")).isEqualTo("HOLDS");
    JsonNode others = check(file("PNG"), "edda@hollowlane.example");
    assertThat(came(others, "HOLDER")).isEqualTo("FAILS");
    assertThat(others.path("holds").asBoolean()).isFalse();
    assertThat(new String(file("JSON"), StandardCharsets.UTF_8))
        .as("the holder is not named")
        .doesNotContainIgnoringCase("ruben");
  }

  @Test
  void libraries_of_others_find_the_same(@TempDir Path folder) throws Exception {
    Path credential = folder.resolve("credential.json");
    Path token = folder.resolve("token.txt");
    Files.write(credential, file("JSON"));
    Files.write(token, file("JWT"));
    assertThat(verified(credential, token)).isEqualTo("{\"proved\":true,\"token\":true}");
    var changed = (ObjectNode) JsonMapper.shared().readTree(Files.readString(credential));
    changed.put("name", "Master Patcher");
    Files.writeString(credential, changed.toString());
    String jwt = Files.readString(token);
    int at = jwt.indexOf('.') + 20;
    Files.writeString(
        token, jwt.substring(0, at) + (jwt.charAt(at) == 'A' ? 'B' : 'A') + jwt.substring(at + 1));
    assertThat(verified(credential, token)).isEqualTo("{\"proved\":false,\"token\":false}");
  }

  private static String verified(Path credential, Path token) throws Exception {
    Path root = Path.of("..").toAbsolutePath().normalize();
    Process node =
        new ProcessBuilder(
                "node",
                root.resolve("web/checks/verify.mjs").toString(),
                credential.toString(),
                root.resolve("formats/src/main/resources/yendrik/formats/credential").toString(),
                token.toString())
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    String said = new String(node.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
    node.waitFor();
    return said;
  }

  @Test
  void what_is_revoked_is_so_everywhere() throws IOException {
    byte[] before = file("PNG");
    UUID id = UUID.fromString(mine().path("id").asString());
    ruben.call("PUT", "/api/account/badges/" + id + "/showing", new Shown(true));
    assertThat(nobody.get("/api/public/badges/" + id).at("/checked/holds").asBoolean()).isTrue();
    revoke();
    JsonNode checked = check(before, "");
    assertThat(checked.path("holds").asBoolean()).isFalse();
    assertThat(came(checked, "REVOKED")).isEqualTo("FAILS");
    assertThat(nobody.get("/api/public/badges/" + id).at("/checked/holds").asBoolean()).isFalse();
    assertThat(mine().path("state").asString()).isEqualTo("REVOKED");
    JsonNode status = JsonMapper.shared().readTree(file("JSON")).path("credentialStatus");
    String list = status.path("statusListCredential").asString();
    JsonNode published = nobody.get(list.substring(list.indexOf("/api/")));
    assertThat(published.at("/credentialSubject/statusPurpose").asString()).isEqualTo("revocation");
    byte[] bits =
        new java.util.zip.GZIPInputStream(
                new java.io.ByteArrayInputStream(
                    Base64.getUrlDecoder()
                        .decode(
                            published
                                .at("/credentialSubject/encodedList")
                                .asString()
                                .substring(1))))
            .readAllBytes();
    int place = Integer.parseInt(status.path("statusListIndex").asString());
    assertThat(bits[place / 8] & (0x80 >> place % 8)).isNotZero();
  }

  private record Shown(boolean shown) {}

  @Test
  void nobody_sees_a_badge_that_its_holder_does_not_show() {
    String id = mine().path("id").asString();
    String page = "/api/public/badges/" + id;
    assertThat(nobody.call("GET", page, "").getStatus()).isEqualTo(404);
    String showing = "/api/account/badges/" + id + "/showing";
    assertThat(as("Edda Marsh").call("PUT", showing, new Shown(true)).getStatus())
        .as("somebody else's")
        .isEqualTo(404);
    assertThat(as("Edda Marsh").call("GET", "/api/account/badges/" + id + "/PNG", "").getStatus())
        .isEqualTo(404);
    assertThat(sefa.call("GET", "/api/account/badges/" + id + "/PNG", "").getStatus())
        .as("not even an administrator")
        .isEqualTo(404);
    assertThat(ruben.call("PUT", showing, new Shown(true)).getStatus()).isEqualTo(204);
    assertThat(nobody.get(page).path("holder").asString()).isEqualTo("Ruben Sato");
    assertThat(mine().path("shown").asString()).endsWith("/badge/" + id);
    ruben.call("PUT", showing, new Shown(false));
    assertThat(nobody.call("GET", page, "").getStatus()).as("taken back").isEqualTo(404);
  }

  @Test
  void each_award_is_signed_once_by_two_servers() throws Exception {
    db.deleteFrom(CREDENTIAL).execute();
    List<Thread> servers =
        IntStream.range(0, 2).mapToObj(_ -> Thread.ofPlatform().start(rounds::signDue)).toList();
    for (Thread server : servers) server.join();
    int signed = db.fetchCount(CREDENTIAL);
    rounds.signDue();
    assertThat(db.fetchCount(CREDENTIAL)).isEqualTo(signed).isPositive();
    assertThat(db.fetchCount(CREDENTIAL, CREDENTIAL.PROVED.eq(""))).isZero();
  }

  @Test
  void one_that_cannot_be_signed_holds_up_no_other_and_is_tried_again() {
    UUID broken = UUID.fromString(mine().path("id").asString());
    db.deleteFrom(CREDENTIAL).execute();
    db.update(AWARD).set(AWARD.EVIDENCE, "no address").where(AWARD.ID.eq(broken)).execute();
    rounds.signDue();
    assertThat(mine().path("ready").asBoolean()).isFalse();
    assertThat(db.fetchCount(CREDENTIAL)).isEqualTo(db.fetchCount(AWARD) - 1);
    db.update(AWARD).setNull(AWARD.EVIDENCE).where(AWARD.ID.eq(broken)).execute();
    rounds.signDue();
    assertThat(mine().path("ready").asBoolean()).as("later").isFalse();
    clock.putTo(clock.instant().plus(Duration.ofMinutes(11)));
    rounds.signDue();
    assertThat(mine().path("ready").asBoolean()).isTrue();
  }

  @Test
  void keys_are_changed_and_old_badges_still_check() {
    byte[] old = file("PNG");
    byte[] oldToken = file("JWT");
    String before = nobody.get("/api/public/issuer").at("/keys/0/didKey").asString();
    assertThat(ruben.call("POST", "/api/institution/issuer-keys", "").getStatus()).isEqualTo(403);
    assertThat(sefa.call("POST", "/api/institution/issuer-keys", "").getStatus()).isEqualTo(204);
    JsonNode issuer = nobody.get("/api/public/issuer");
    assertThat(issuer.at("/keys/0/didKey").asString()).isNotEqualTo(before);
    assertThat(issuer.at("/keys/1/didKey").asString()).isEqualTo(before);
    assertThat(issuer.toString()).doesNotContain("secret");
    for (byte[] file : List.of(old, oldToken))
      assertThat(came(check(file, ""), "ISSUER")).isEqualTo("HOLDS");
  }

  /** Somewhere that knows nothing but what the school's addresses say. */
  private final Around elsewhere =
      new Around() {
        @Override
        public Place at(String address) {
          var answer = nobody.call("GET", address.substring(address.indexOf("/api/")), "");
          return answer.getStatus() == 200
              ? new Place.There(answer.getContentAsByteArray())
              : new Place.Away();
        }
      };

  private String revokedElsewhere(byte[] file) {
    return Checking.of(file, elsewhere, clock.instant()).found().stream()
        .filter(f -> f.point() == Checked.Point.REVOKED)
        .map(f -> f.came().name())
        .findFirst()
        .orElseThrow();
  }

  @Test
  void whether_it_is_revoked_is_told_elsewhere_too_in_each_form_and_after_a_change_of_keys() {
    List<byte[]> forms = List.of(file("PNG"), file("JWT"));
    for (byte[] form : forms) assertThat(revokedElsewhere(form)).isEqualTo("HOLDS");
    sefa.call("POST", "/api/institution/issuer-keys", "");
    for (byte[] form : forms) assertThat(revokedElsewhere(form)).isEqualTo("HOLDS");
    revoke();
    for (byte[] form : forms) assertThat(revokedElsewhere(form)).isEqualTo("FAILS");
    String unknown = "/api/public/revoked/0/of/999999";
    for (String at : List.of(unknown, unknown + "/token"))
      assertThat(nobody.call("GET", at, "").getStatus()).isEqualTo(404);
  }

  @Test
  void a_badge_that_ended_is_told_as_ended() {
    byte[] file = file("JSON");
    assertThat(came(check(file, ""), "TIME")).isEqualTo("HOLDS");
    clock.putTo(clock.instant().minus(Duration.ofDays(20)));
    assertThat(came(check(file, ""), "TIME")).as("clocks that differ").isEqualTo("FAILS");
  }

  @Test
  void what_is_no_badge_is_answered_with_a_sentence() {
    for (String given : List.of("", "%%%", "bm8=", "e30=")) {
      var answer = nobody.call("POST", "/api/public/check", new ToCheck(given, Optional.empty()));
      assertThat(answer.getStatus()).as(given).isEqualTo(422);
    }
    assertThat(nobody.call("GET", "/api/public/revoked/-1", "").getStatus()).isEqualTo(422);
  }

  @Test
  void a_badge_says_of_its_issuer_what_administrators_wrote() {
    var to =
        Map.of("issuerAddress", "hollowlane.example", "issuerEmail", "badges@hollowlane.example");
    var from = Map.of("issuerAddress", "", "issuerEmail", "");
    JsonNode own = sefa.get("/api/institution").path("own");
    assertThat(own.path("issuerAddress").asString()).isEmpty();
    var answer =
        sefa.call("PATCH", "/api/institution", new FieldsEdit(Map.copyOf(from), Map.copyOf(to)));
    assertThat(answer.getStatus()).isEqualTo(200);
    try {
      var other = new NewCourse(sefa, "Profile " + System.nanoTime());
      long page = other.step(other.module("Tubes"), "PAGE", "How a patch holds");
      other.badge("Told", Optional.of(other.ask("seen", page)));
      other.publish();
      other.enrol("ruben@hollowlane.example");
      ruben.post(other.walk(page) + "/visits", "");
      rounds.signDue();
      String id =
          ruben
              .get("/api/account/badges")
              .valueStream()
              .filter(a -> a.path("name").asString().equals("Told"))
              .findFirst()
              .orElseThrow()
              .path("id")
              .asString();
      JsonNode issuer =
          Caller.json(ruben.call("GET", "/api/account/badges/" + id + "/JSON", "")).path("issuer");
      assertThat(issuer.path("url").asString()).isEqualTo("https://hollowlane.example");
      assertThat(issuer.path("email").asString()).isEqualTo("badges@hollowlane.example");
    } finally {
      sefa.call(
          "PATCH",
          "/api/institution",
          new FieldsEdit(
              Map.of(
                  "issuerAddress",
                  "https://hollowlane.example",
                  "issuerEmail",
                  "badges@hollowlane.example"),
              Map.copyOf(from)));
    }
    for (var wrong :
        List.of(Map.of("issuerEmail", "nobody"), Map.of("issuerAddress", "javascript:alert(1)"))) {
      var seen = Map.of(wrong.keySet().iterator().next(), "");
      assertThat(
              sefa.call(
                      "PATCH",
                      "/api/institution",
                      new FieldsEdit(Map.copyOf(seen), Map.copyOf(wrong)))
                  .getStatus())
          .isEqualTo(422);
    }
  }

  private static final String RECORD = "/api/account/badges/record";
  private static final String EARLIER = "/api/public/open-badges-2/";

  private static byte[] baked(byte[] png) {
    String text = new String(png, StandardCharsets.ISO_8859_1);
    int at = text.indexOf("openbadges\0");
    int length = java.nio.ByteBuffer.wrap(png).getInt(at - 8) - "openbadges".length() - 5;
    return java.util.Arrays.copyOfRange(
        png, at + "openbadges".length() + 5, at + "openbadges".length() + 5 + length);
  }

  @Test
  void older_wallets_get_an_assertion_that_is_proved_by_the_key_it_names() throws Exception {
    byte[] picture = file("EARLIER");
    for (byte[] form : List.of(picture, file("EARLIER_SVG"))) {
      JsonNode checked = check(form, "ruben@hollowlane.example");
      assertThat(checked.path("holds").asBoolean()).as(checked.toString()).isTrue();
      assertThat(checked.at("/shown/name").asString()).isEqualTo("Patcher");
      for (String point : List.of("SIGNATURE", "ISSUER", "HOLDER", "TIME", "REVOKED"))
        assertThat(came(checked, point)).as(point).isEqualTo("HOLDS");
    }
    String[] parts = new String(baked(picture), StandardCharsets.US_ASCII).split("\\.");
    JsonNode assertion =
        yendrik.formats.json.CoreJson.mapper().readTree(Base64.getUrlDecoder().decode(parts[1]));
    String creator = assertion.at("/verification/creator").asString();
    JsonNode key = nobody.get(creator.substring(creator.indexOf("/api/")));
    String pem = key.path("publicKeyPem").asString().replaceAll("-----[A-Z ]+-----|\\s", "");
    var signature = java.security.Signature.getInstance("SHA256withRSA");
    signature.initVerify(
        java.security.KeyFactory.getInstance("RSA")
            .generatePublic(
                new java.security.spec.X509EncodedKeySpec(Base64.getDecoder().decode(pem))));
    signature.update((parts[0] + "." + parts[1]).getBytes(StandardCharsets.US_ASCII));
    assertThat(signature.verify(Base64.getUrlDecoder().decode(parts[2]))).isTrue();
    JsonNode issuer = nobody.get(EARLIER + "issuer");
    assertThat(issuer.path("publicKey").asString()).isEqualTo(creator);
    assertThat(assertion.at("/badge/issuer/id").asString()).isEqualTo(issuer.path("id").asString());
    revoke();
    assertThat(came(check(picture, ""), "REVOKED")).isEqualTo("FAILS");
    assertThat(nobody.get(EARLIER + "revoked").toString())
        .contains(assertion.path("id").asString());
  }

  @Test
  void an_assertion_is_hosted_as_long_as_its_holder_shows_it() {
    String id = mine().path("id").asString();
    String hosted = EARLIER + "assertions/" + id;
    String stands = EARLIER + "badges/" + id;
    assertThat(nobody.call("GET", hosted, "").getStatus()).isEqualTo(404);
    assertThat(nobody.call("GET", stands, "").getStatus()).isEqualTo(404);
    ruben.call("PUT", "/api/account/badges/" + id + "/showing", "{\"shown\":true}");
    JsonNode assertion = nobody.get(hosted);
    assertThat(assertion.path("id").asString()).endsWith(hosted);
    assertThat(assertion.path("badge").asString()).endsWith(stands);
    assertThat(assertion.toString()).doesNotContain("ruben@");
    assertThat(nobody.get(stands).path("name").asString()).isEqualTo("Patcher");
    revoke();
    var gone = nobody.call("GET", hosted, "");
    assertThat(gone.getStatus()).isEqualTo(410);
    assertThat(Caller.json(gone).path("revoked").asBoolean()).isTrue();
    assertThat(gone.getHeader("Content-Type")).isEqualTo("application/ld+json");
  }

  @Test
  void a_badge_is_checked_by_its_address_here_as_long_as_its_holder_shows_it() {
    String id = mine().path("id").asString();
    List<String> addresses = List.of("/badge/" + id, EARLIER + "assertions/" + id);
    for (String at : addresses)
      assertThat(checkedAt(home + at).getStatus()).as("not shown: " + at).isEqualTo(422);
    ruben.call("PUT", "/api/account/badges/" + id + "/showing", "{\"shown\":true}");
    for (String at : addresses) {
      JsonNode checked = Caller.json(checkedAt(home + at));
      assertThat(came(checked, "SIGNATURE")).as(checked.toString()).isEqualTo("HOLDS");
      assertThat(came(checked, "REVOKED")).isEqualTo("HOLDS");
      assertThat(checked.at("/shown/name").asString()).isEqualTo("Patcher");
      assertThat(checked.at("/shown/issuer").asString()).doesNotContain("http");
    }
    for (String at : List.of("/badge/x", "/", "/api/session", EARLIER + "assertions/x"))
      assertThat(checkedAt(home + at).getStatus()).as(at).isEqualTo(422);
  }

  private org.springframework.mock.web.MockHttpServletResponse checkedAt(String address) {
    byte[] text = address.getBytes(StandardCharsets.UTF_8);
    return nobody.call(
        "POST",
        "/api/public/check",
        new ToCheck(Base64.getEncoder().encodeToString(text), Optional.empty()));
  }

  private static String payload(byte[] token) {
    String coded = new String(token, StandardCharsets.US_ASCII).split("\\.")[1];
    return new String(Base64.getUrlDecoder().decode(coded), StandardCharsets.UTF_8);
  }

  @Test
  void all_badges_are_one_record_in_which_each_is_proved_by_itself() {
    String email = "ines" + System.nanoTime() + "@hollowlane.example";
    String name = "Ines Calder " + System.nanoTime();
    people.add(name, email, "hollow-lane", /* administrator= */ false);
    Caller ines = as(name);
    assertThat(ines.call("GET", RECORD, "").getStatus()).as("no badges").isEqualTo(409);
    course.enrol(email);
    long page = course.design().path("modules").path(0).path("steps").path(0).path("id").asLong();
    ines.post(course.walk(page) + "/visits", "");
    rounds.signDue();
    String id = ines.get("/api/account/badges").path(0).path("id").asString();
    byte[] all = ines.call("GET", RECORD, "").getContentAsByteArray();
    JsonNode checked = check(all, email);
    assertThat(checked.path("holds").asBoolean()).as(checked.toString()).isTrue();
    for (String point : List.of("SIGNATURE", "ISSUER", "CONTENT", "HOLDER"))
      assertThat(came(checked, point)).as(point).isEqualTo("HOLDS");
    assertThat(checked.at("/shown/results").toString()).contains("Patcher");
    assertThat(payload(all)).contains(id).doesNotContain(email);
    String learner = course.path + "/learners/" + course.enrolment(name);
    sefa.call("POST", learner + "/badges/" + badge + "/revocation", new Sent.Reason("An error"));
    JsonNode afterwards = check(all, "");
    assertThat(came(afterwards, "CONTENT")).isEqualTo("FAILS");
    assertThat(afterwards.toString()).contains("these do not hold: “Patcher”");
    assertThat(ines.call("GET", RECORD, "").getStatus()).as("nothing holds").isEqualTo(409);
  }

  @Test
  void nobody_has_the_machine_check_without_end() throws Exception {
    Map<Integer, Integer> came = new java.util.TreeMap<>();
    for (int n = 0; n < 200; n++) {
      var asked =
          MockMvcRequestBuilders.post("/api/public/check")
              .with(csrf())
              .with(request -> {
                request.setRemoteAddr("192.0.2.9");
                return request;
              })
              .contentType("application/json")
              .content("{\"file\":\"AAAA\"}");
      came.merge(http.perform(asked).andReturn().getResponse().getStatus(), 1, Integer::sum);
    }
    assertThat(came).containsOnlyKeys(422, 429);
    assertThat(came.get(429)).isEqualTo(200 - 120);
  }
}
