package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.json.CoreJson;

/** Questions of a course go out as packages and come in from them. */
@ServerTest
class PackagesTest extends SchoolTest {
  private static final String ITEM =
      """
      <assessmentItem xmlns="http://www.imsglobal.org/xsd/imsqti_v2p2" identifier="i" title="Rim"
          adaptive="false" timeDependent="false">
        <responseDeclaration identifier="RESPONSE" cardinality="single" baseType="identifier">
          <correctResponse><value>A</value></correctResponse>
        </responseDeclaration>
        <itemBody>%s<choiceInteraction responseIdentifier="RESPONSE" maxChoices="1">
          <prompt>Which?<script>alert(1)</script></prompt>
          <simpleChoice identifier="A">This</simpleChoice>
          <simpleChoice identifier="B">That</simpleChoice>
        </choiceInteraction></itemBody>
      </assessmentItem>
      """;
  private NewCourse course;
  private Caller sefa;

  @BeforeEach
  void aCourse() {
    sefa = as("Sefa Dunmore");
    course = newCourse("Packages");
  }

  private String questions() {
    return course.path + "/design/questions";
  }

  private static byte[] zipped(Map<String, byte[]> files) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var zip = new ZipOutputStream(out)) {
      for (var file : files.entrySet()) {
        zip.putNextEntry(new ZipEntry(file.getKey()));
        zip.write(file.getValue());
      }
    }
    return out.toByteArray();
  }

  private static Set<String> paths(byte[] zipped) throws IOException {
    Set<String> paths = new TreeSet<>();
    try (var zip = new ZipInputStream(new ByteArrayInputStream(zipped))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry())
        paths.add(e.getName());
    }
    return paths;
  }

  private void add(String text, String formatted, String tag) {
    ObjectNode edit = CoreJson.mapper().createObjectNode();
    ObjectNode question = edit.putObject("question");
    question.put("id", "q1").put("text", text).put("formatted", formatted);
    question.put("points", 2).put("feedback", "So it is.");
    question.set("part", CoreJson.mapper().readTree("{\"is\": \"true-false\", \"isTrue\": true}"));
    edit.putArray("tags").add(tag);
    assertThat(sefa.post(questions(), edit.toString()).path("id").asLong()).isPositive();
  }

  private MockHttpServletResponse sent(byte[] whole) {
    return sefa.send("POST", questions() + "/package", MediaType.APPLICATION_OCTET_STREAM, whole);
  }

  private JsonNode send(String path, byte[] whole) {
    return Caller.json(
        sefa.send("POST", questions() + path, MediaType.APPLICATION_OCTET_STREAM, whole));
  }

  @Test
  void all_questions_go_out_with_their_pictures_and_come_into_another_course() throws IOException {
    long picture = course.picture();
    add(
        "",
        "<p>Is it <em>true</em>? <img data-file=\"%d\" alt=\"Rim\"></p>".formatted(picture),
        "rims");
    byte[] whole = sefa.call("GET", questions() + "/package", "").getContentAsByteArray();
    assertThat(paths(whole))
        .containsExactly(
            "imsmanifest.xml", "items/item-1.xml", "items/pictures/" + picture + "-dot.png");
    assertThat(sefa.get(questions() + "/package/leaves")).isEmpty();
    course = newCourse("Another");
    JsonNode read = send("/package/reading", whole);
    assertThat(read.path("questions")).hasSize(1);
    assertThat(read.path("notes")).isEmpty();
    assertThat(sefa.get(questions())).as("only looked at").isEmpty();
    assertThat(send("/package", whole)).hasSize(1);
    JsonNode taken = sefa.get(questions()).path(0);
    assertThat(taken.at("/tags/0").asString()).isEqualTo("rims");
    assertThat(taken.at("/question/feedback").asString()).isEqualTo("So it is.");
    String html = taken.at("/question/formatted").asString();
    assertThat(html).contains("<em>true</em>").doesNotContain("\"" + picture + "\"");
    String file = html.replaceAll("(?s).*data-file=\"(\\d+)\".*", "$1");
    assertThat(sefa.call("GET", course.path + "/design/files/" + file, "").getStatus())
        .isEqualTo(200);
  }

  @Test
  void a_package_that_comes_twice_with_one_key_is_taken_once() {
    byte[] item = ITEM.formatted("").getBytes(UTF_8);
    String key = UUID.randomUUID().toString();
    for (int n = 0; n < 2; n++)
      assertThat(
              sefa.send(
                      "POST",
                      questions() + "/package",
                      MediaType.APPLICATION_OCTET_STREAM,
                      item,
                      "Act-Key",
                      key)
                  .getStatus())
          .isEqualTo(201);
    assertThat(sefa.get(questions())).hasSize(1);
  }

  @Test
  void what_is_no_picture_and_what_would_do_something_is_left_out_and_said() throws IOException {
    byte[] whole =
        zipped(
            Map.of(
                "imsmanifest.xml",
                """
                <manifest><resources>
                  <resource type="imsqti_item_xmlv2p2" href="a/i.xml"/>
                  <resource type="imsqti_item_xmlv2p2" href="a/none.xml"/>
                </resources></manifest>
                """
                    .getBytes(UTF_8),
                "a/i.xml",
                ITEM.formatted("<p>Look: <img src=\"p.png\" alt=\"a rim\"/></p>").getBytes(UTF_8),
                "a/p.png",
                "<svg onload='alert(1)'/>".getBytes(UTF_8)));
    JsonNode read = send("/package/reading", whole);
    assertThat(read.path("questions")).hasSize(1);
    assertThat(read.path("notes")).hasSize(2);
    assertThat(read.path("notes").toString()).contains("a/none.xml", "cannot be shown here");
    assertThat(send("/package", whole)).hasSize(1);
    assertThat(sefa.get(questions()).toString()).doesNotContain("<script").doesNotContain("<svg");
  }

  @Test
  void what_is_broken_is_refused_whole_with_its_reason() throws IOException {
    MockHttpServletResponse refused = sent("hello".getBytes(UTF_8));
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(refused.getContentAsString()).contains("broken XML");
    byte[] climbing = zipped(Map.of("../imsmanifest.xml", new byte[1]));
    assertThat(sent(climbing).getContentAsString()).contains("leads out of it");
    assertThat(sefa.get(questions())).isEmpty();
    assertThat(as("Edda Marsh").call("GET", questions() + "/package", "").getStatus())
        .isIn(403, 404);
  }
}
