package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.CERTIFICATE;
import static yendrik.schema.Tables.PERSON;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import yendrik.core.people.StaffKind;
import yendrik.server.certificate.CertificateRounds;
import yendrik.server.credential.CredentialRounds;
import yendrik.server.http.FieldsEdit;

/** Certificates: laid out, numbered, printed, given anew and checked. */
@ServerTest
class CertificatesTest extends SchoolTest {
  @Autowired CertificateRounds rounds;
  @Autowired CredentialRounds signing;
  @Autowired DSLContext db;
  @Autowired yendrik.server.certificate.Scripts scripts;
  private NewCourse course;
  private long badge;
  private long page;
  private Caller sefa;
  private Caller ruben;
  private Caller nobody;

  @BeforeEach
  void aCourseWithABadge() {
    sefa = as("Sefa Dunmore");
    ruben = as("Ruben Sato");
    nobody = new Caller(http, Optional.empty());
    course = new NewCourse(sefa, "Certificates " + System.nanoTime());
    long module = course.module("Tubes");
    page = course.step(module, "PAGE", "How a patch holds");
    badge = course.badge("Patcher", Optional.of(course.ask("seen", page)));
    course.publish();
    course.enrol("ruben@hollowlane.example");
  }

  @AfterEach
  void hisNameIsHisAgain() {
    called("Ruben Sato");
  }

  private void called(String name) {
    db.update(PERSON)
        .set(PERSON.NAME, name)
        .where(PERSON.EMAIL.eq("ruben@hollowlane.example"))
        .execute();
  }

  private static Map<String, Object> sheet(Object... changes) {
    Map<String, Object> sheet = new HashMap<>();
    sheet.put("template", "THREAD");
    sheet.put("paper", "A4");
    sheet.put("upright", false);
    sheet.put("heading", "Certificate");
    sheet.put("opening", "This says that");
    sheet.put("closing", "mends tubes");
    sheet.put("hours", 12);
    sheet.put("fields", List.of("NUMBER", "DAY", "CODE", "BADGE"));
    sheet.put("signatures", List.of());
    for (int i = 0; i < changes.length; i += 2) sheet.put((String) changes[i], changes[i + 1]);
    return sheet;
  }

  private MockHttpServletResponse change(Map<String, Object> sheet) {
    Map<String, Object> from = new HashMap<>();
    JsonNode now = course.design().path("badges").path(0).path("sheet");
    if (!now.isMissingNode())
      from.put("sheet", yendrik.formats.json.CoreJson.mapper().treeToValue(now, Map.class));
    return sefa.call(
        "PATCH",
        course.path + "/design/badges/" + badge,
        new FieldsEdit(from, Map.of("sheet", sheet)));
  }

  private void laidOut() {
    assertThat(change(sheet()).getStatus()).isEqualTo(200);
    course.publish();
  }

  private void earned() {
    ruben.post(course.walk(page) + "/visits", "");
    rounds.numberDue();
    signing.signDue();
  }

  private JsonNode register() {
    return sefa.get(course.path + "/certificates");
  }

  private String code(int of) {
    return db.select(CERTIFICATE.CODE)
        .from(CERTIFICATE)
        .where(CERTIFICATE.ID.eq(register().path(of).path("id").asLong()))
        .fetchSingle(CERTIFICATE.CODE);
  }

  private JsonNode checked(String code) {
    return nobody.get("/api/public/certificates/" + code);
  }

  private static String text(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(document);
    }
  }

  private MockHttpServletResponse again(Caller who, int of) {
    String one = course.path + "/certificates/" + register().path(of).path("id").asLong();
    return who.call("POST", one + "/again", new Sent.Reason("Another name"));
  }

  @Test
  void what_is_laid_out_on_paper_gets_a_number_and_can_be_checked_by_who_has_it() throws Exception {
    laidOut();
    earned();
    JsonNode one = register().path(0);
    assertThat(register()).hasSize(1);
    assertThat(one.path("number").asString()).matches("20\\d\\d-\\d{5}");
    assertThat(one.path("state").asString()).isEqualTo("VALID");
    byte[] pdf =
        sefa.call("GET", course.path + "/certificates/" + one.path("id").asLong() + "/pdf", "")
            .getContentAsByteArray();
    assertThat(text(pdf))
        .contains("Ruben Sato", "Patcher", "mends tubes", "12 hours", one.path("number").asString())
        .contains(code(0));
    JsonNode checked = checked(code(0).toLowerCase(java.util.Locale.ROOT).replace("-", " "));
    assertThat(checked.path("name").asString()).isEqualTo("Ruben Sato");
    assertThat(checked.path("state").asString()).isEqualTo("VALID");
    assertThat(nobody.call("GET", "/api/public/certificates/0000-0000-0000", "").getStatus())
        .isEqualTo(404);
  }

  @Test
  void what_was_earned_before_it_was_laid_out_is_numbered_afterwards_and_once() throws Exception {
    earned();
    assertThat(register()).isEmpty();
    laidOut();
    Callable<Void> round =
        () -> {
          rounds.numberDue();
          return null;
        };
    try (var two = Executors.newFixedThreadPool(2)) {
      for (var done : two.invokeAll(List.of(round, round))) done.get();
    }
    assertThat(register()).hasSize(1);
    rounds.numberDue();
    assertThat(register()).hasSize(1);
  }

  @Test
  void numbers_have_no_gaps() {
    laidOut();
    course.enrol("edda@hollowlane.example");
    as("Edda Marsh").post(course.walk(page) + "/visits", "");
    earned();
    List<Integer> numbers = new ArrayList<>();
    register()
        .forEach(c -> numbers.add(Integer.parseInt(c.path("number").asString().substring(5))));
    numbers.sort(null);
    assertThat(numbers).hasSize(2);
    assertThat(numbers.getLast() - numbers.getFirst()).isEqualTo(1);
  }

  @Test
  void after_a_change_of_name_it_is_given_anew_and_the_earlier_one_is_valid_no_more()
      throws Exception {
    laidOut();
    earned();
    String earlier = code(0);
    called("Ruben Abara");
    assertThat(register().path(0).path("name").asString()).as("on paper").isEqualTo("Ruben Sato");
    assertThat(register().path(0).path("learner").asString()).isEqualTo("Ruben Abara");
    assertThat(again(ruben, 0).getStatus()).as("a learner").isEqualTo(403);
    assertThat(again(sefa, 0).getStatus()).isEqualTo(204);
    assertThat(register()).hasSize(2);
    assertThat(register().path(0).path("name").asString()).isEqualTo("Ruben Abara");
    assertThat(register().path(0).path("reason").asString()).isEqualTo("Another name");
    assertThat(register().path(0).path("by").asString()).isEqualTo("Sefa Dunmore");
    assertThat(checked(earlier).path("state").asString()).isEqualTo("REPLACED");
    assertThat(checked(code(0)).path("state").asString()).isEqualTo("VALID");
    assertThat(again(sefa, 1).getStatus()).as("the earlier one, twice").isEqualTo(409);
    assertThat(text(mine("PDF").getContentAsByteArray())).contains("Ruben Abara");
  }

  @Test
  void letters_without_a_font_are_told_in_the_register() {
    laidOut();
    called("Ruben \ud80c\udc00");
    earned();
    assertThat(register().path(0).path("unprinted").asBoolean()).isTrue();
    called("Ruben 王");
    again(sefa, 0);
    assertThat(register().path(0).path("unprinted").asBoolean()).isFalse();
  }

  private MockHttpServletResponse mine(String form) {
    JsonNode award =
        ruben
            .get("/api/account/badges")
            .valueStream()
            .filter(
                a -> a.path("course").asString().equals(course.design().path("name").asString()))
            .findFirst()
            .orElseThrow();
    return ruben.call("GET", "/api/account/badges/" + award.path("id").asString() + "/" + form, "");
  }

  @Test
  void what_was_revoked_is_told_as_that_and_not_printed() {
    laidOut();
    earned();
    String learner = course.path + "/learners/" + course.enrolment("Ruben Sato");
    sefa.call("POST", learner + "/badges/" + badge + "/revocation", new Sent.Reason("An error"));
    assertThat(checked(code(0)).path("state").asString()).isEqualTo("REVOKED");
    assertThat(checked(code(0)).toString())
        .as("the reason is for its holder")
        .doesNotContain("An error");
    assertThat(mine("PDF").getStatus()).isEqualTo(409);
    assertThat(again(sefa, 0).getStatus()).isEqualTo(409);
    long id = register().path(0).path("id").asLong();
    assertThat(sefa.call("GET", course.path + "/certificates/" + id + "/pdf", "").getStatus())
        .isEqualTo(409);
  }

  @Test
  void a_badge_without_a_certificate_can_be_had_on_paper_too() throws Exception {
    earned();
    assertThat(text(mine("PDF").getContentAsByteArray())).contains("Patcher", "Ruben Sato");
  }

  private record ToPrint(List<Long> certificates) {}

  @Test
  void many_are_printed_as_one_file_for_whoever_asked() throws Exception {
    laidOut();
    course.enrol("edda@hollowlane.example");
    as("Edda Marsh").post(course.walk(page) + "/visits", "");
    earned();
    List<Long> all = new ArrayList<>();
    register().forEach(c -> all.add(c.path("id").asLong()));
    JsonNode job =
        sefa.ended(
            course.path, sefa.call("POST", course.path + "/certificates/prints", new ToPrint(all)));
    assertThat(job.at("/result/certificates").asInt()).isEqualTo(2);
    String file = course.path + "/certificates/prints/" + job.at("/result/file").asString();
    byte[] pdf = sefa.call("GET", file, "").getContentAsByteArray();
    assertThat(text(pdf)).contains("Ruben Sato", "Edda Marsh");
    try (PDDocument document = Loader.loadPDF(pdf)) {
      assertThat(document.getNumberOfPages()).isEqualTo(2);
    }
    staff(course, "Tomas Weir", StaffKind.FACILITATOR);
    assertThat(as("Tomas Weir").call("GET", file, "").getStatus()).as("of another").isEqualTo(404);
    ToPrint foreign = new ToPrint(List.of(all.getFirst(), 999_999_999L));
    assertThat(sefa.call("POST", course.path + "/certificates/prints", foreign).getStatus())
        .isEqualTo(404);
  }

  @Test
  void the_register_is_a_file_in_each_format() {
    laidOut();
    earned();
    String csv =
        new String(
            sefa.call("GET", course.path + "/certificates/register/csv", "")
                .getContentAsByteArray(),
            UTF_8);
    assertThat(csv).contains("Number", register().path(0).path("number").asString(), "Ruben Sato");
    for (String format : List.of("xlsx", "pdf"))
      assertThat(sefa.call("GET", course.path + "/certificates/register/" + format, "").getStatus())
          .isEqualTo(200);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "王小明",
        "陳美玲",
        "山田さくら",
        "김민준",
        "अनन्या शर्मा",
        "สมชาย ใจดี",
        "தமிழரசி",
        "ስምኦን ተስፋዬ",
        "ဇော်ဇော်",
        "محمد عبد الله",
        "דוד לוי"
      })
  void names_are_printed_in_their_script(String name) throws Exception {
    assertThat(change(sheet()).getStatus()).isEqualTo(200);
    byte[] named = sheetFor(name).getContentAsByteArray();
    byte[] other = sheetFor("\ue000\ue001").getContentAsByteArray();
    assertThat(spoken(named)).contains(name);
    assertThat(named).as("not as letters that are missing").isNotEqualTo(other);
    assertThat(scripts.has(name)).isTrue();
  }

  private MockHttpServletResponse sheetFor(String name) {
    return sefa.call(
        "GET", course.path + "/design/badges/" + badge + "/sheet/pdf?name=" + name, "");
  }

  private static String spoken(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      var all = new StringBuilder();
      spoken(document.getDocumentCatalog().getStructureTreeRoot().getKids(), all);
      return all.toString();
    }
  }

  private static void spoken(List<Object> kids, StringBuilder all) {
    for (Object kid : kids)
      if (kid
          instanceof
          org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement e) {
        if (e.getAlternateDescription() != null) all.append(e.getAlternateDescription());
        spoken(e.getKids(), all);
      }
  }

  @Test
  void it_is_seen_as_it_will_print_while_it_is_laid_out() throws Exception {
    String at = course.path + "/design/badges/" + badge + "/sheet/png";
    assertThat(sefa.call("GET", at, "").getStatus()).as("not laid out").isEqualTo(404);
    change(sheet("upright", true));
    BufferedImage seen =
        ImageIO.read(new ByteArrayInputStream(sefa.call("GET", at, "").getContentAsByteArray()));
    assertThat(seen.getHeight()).isGreaterThan(seen.getWidth());
    assertThat(ruben.call("GET", at, "").getStatus()).as("a learner").isEqualTo(403);
  }

  @Test
  void what_cannot_be_printed_is_refused_by_name_of_the_field() {
    for (Object[] wrong :
        new Object[][] {
          {"hours", 0},
          {"heading", "x".repeat(81)},
          {"template", "WAVES"},
          {"fields", List.of("NUMBER", "SHOE")},
          {"signatures", List.of(signature("A"), signature("B"), signature("C"), signature("D"))},
          {"signatures", List.of(Map.of("name", "A", "office", "B", "picture", "0".repeat(64)))}
        }) {
      var answer = change(sheet(wrong));
      assertThat(answer.getStatus()).as(wrong[0] + " " + wrong[1]).isIn(400, 422);
      assertThat(Caller.json(answer).toString()).contains("sheet");
    }
  }

  private static Map<String, Object> signature(String name) {
    return Map.of("name", name, "office", "Workshop");
  }

  private record SentPicture(String upload) {}

  @Test
  void a_signature_is_a_picture_of_its_own_size() throws Exception {
    var out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(1800, 300, BufferedImage.TYPE_INT_ARGB), "png", out);
    String upload = sefa.sent("name.png", out.toByteArray());
    JsonNode kept =
        sefa.post(
            course.path + "/design/signatures",
            new SentPicture(upload.substring(upload.lastIndexOf('/') + 1)));
    String hash = kept.path("hash").asString();
    BufferedImage picture =
        ImageIO.read(
            new ByteArrayInputStream(
                sefa.call("GET", "/api/badges/pictures/" + hash, "").getContentAsByteArray()));
    assertThat(picture.getWidth()).isEqualTo(900);
    assertThat(picture.getHeight()).isEqualTo(150);
    Map<String, Object> signed =
        Map.of("name", "Tomas Weir", "office", "Workshop", "picture", hash);
    assertThat(change(sheet("signatures", List.of(signed))).getStatus()).isEqualTo(200);
    assertThat(sheetFor("Ilse Tran").getStatus()).isEqualTo(200);
  }

  @Test
  void support_sees_the_certificates_of_their_group_only() {
    laidOut();
    earned();
    staff(course, "Priya Nakamura", StaffKind.SUPPORT);
    JsonNode seen = as("Priya Nakamura").get(course.path + "/certificates");
    assertThat(seen).isEmpty();
    long id = register().path(0).path("id").asLong();
    assertThat(
            as("Priya Nakamura")
                .call("GET", course.path + "/certificates/" + id + "/pdf", "")
                .getStatus())
        .isEqualTo(404);
    assertThat(again(as("Priya Nakamura"), 0).getStatus()).isEqualTo(404);
    String csv = course.path + "/certificates/register/csv";
    assertThat(new String(as("Priya Nakamura").call("GET", csv, "").getContentAsByteArray(), UTF_8))
        .contains("Number")
        .doesNotContain("Ruben Sato");
  }
}
