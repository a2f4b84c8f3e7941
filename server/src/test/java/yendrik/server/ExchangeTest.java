package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import yendrik.formats.json.CoreJson;

/** Outcomes in and out of a course as files. */
@ServerTest
class ExchangeTest extends SchoolTest {
  private NewCourse course;
  private Caller sefa;
  private long scale;

  @BeforeEach
  void anEmptyCourse() {
    sefa = as("Sefa Dunmore");
    course = new NewCourse(sefa, "Exchange " + System.nanoTime());
    scale = course.design().path("scales").path(0).path("id").asLong();
  }

  private String file(String path) {
    var response = sefa.call("GET", path, "");
    assertThat(response.getHeader("Content-Disposition")).startsWith("attachment");
    return new String(response.getContentAsByteArray(), StandardCharsets.UTF_8);
  }

  private MockHttpServletResponse send(String format, String what, String text) {
    return sefa.upload(
        course.path + "/design/framework/" + format + "/" + what,
        text.getBytes(StandardCharsets.UTF_8));
  }

  private MockHttpServletResponse taking(String format, String text) {
    return send(format, "taking?scale=" + scale, text);
  }

  private JsonNode compare(String format, String text) {
    return Caller.json(send(format, "comparison", text));
  }

  private JsonNode take(String format, String text) {
    JsonNode ended = sefa.ended(course.path, taking(format, text));
    assertThat(ended.path("state").asString()).as(ended.toString()).isEqualTo("DONE");
    return ended.path("result");
  }

  private JsonNode outcome(String code) {
    return course
        .design()
        .path("outcomes")
        .valueStream()
        .filter(o -> o.path("code").asString().equals(code))
        .findFirst()
        .orElseThrow(() -> new AssertionError(code));
  }

  /** A course with two outcomes in a group, one made of both, and a rubric; as a package. */
  private String another() {
    NewCourse other = newCourse("Another");
    byte[] table =
        "code,name,group,parts,combine\nTUBE,Mend a tube,Wheels,,\nTRUE,True a wheel,Wheels,,\nBOTH,Both,,TUBE; TRUE,all\n"
            .getBytes(StandardCharsets.UTF_8);
    long into = other.design().path("scales").path(0).path("id").asLong();
    sefa.ended(
        other.path, sefa.upload(other.path + "/design/framework/csv/taking?scale=" + into, table));
    long tube = other.design().path("outcomes").path(0).path("id").asLong();
    JsonNode rubric =
        sefa.post(
            other.path + "/design/rubrics",
            """
            {"name":"A patch","criteria":[{"name":"Clean","description":"","counts":true,"outcome":%s,
            "levels":[{"name":"No","description":"","points":0},{"name":"Yes","description":"","points":2}]}]}
            """
                .formatted(tube));
    assertThat(rubric.path("id").asLong()).as(rubric.toString()).isPositive();
    return file(other.path + "/design/framework/case");
  }

  @Test
  void the_outcomes_of_one_course_are_taken_by_another_with_their_identifiers() {
    String file = another();
    JsonNode seen = compare("case", file);
    assertThat(seen.path("fresh").size()).isEqualTo(3);
    assertThat(seen.path("fresh").path(0).asString()).startsWith("TUBE Mend a tube");
    assertThat(course.design().path("outcomes").size()).as("only compared").isZero();
    take("case", file);
    assertThat(course.design().path("outcomes").size()).isEqualTo(3);
    String back = file(course.path + "/design/framework/case");
    assertThat(identifiers(back)).isEqualTo(identifiers(file));
    assertThat(compare("case", file).path("same").asInt()).isEqualTo(3);
  }

  private static java.util.List<String> identifiers(String file) {
    return CoreJson.mapper()
        .readTree(file)
        .path("CFItems")
        .valueStream()
        .filter(i -> i.path("CFItemType").asString().equals("Outcome"))
        .map(i -> i.path("identifier").asString())
        .toList();
  }

  @Test
  void what_is_new_changed_and_missing_is_said_before_it_is_taken_and_nothing_is_lost() {
    take("csv", "code,name,description\nA,One,\nB,Two,old\nC,Three,\n");
    long a = outcome("A").path("id").asLong();
    String next = "code,name,description\nA,One more,\nB,Two,new\nD,Four,\n";
    JsonNode seen = compare("csv", next);
    assertThat(seen.path("fresh").toString()).isEqualTo("[\"D Four\"]");
    assertThat(seen.path("changed").path(0).asString()).isEqualTo("A: name becomes “One more”");
    assertThat(seen.path("changed").path(1).asString()).isEqualTo("B: another description");
    assertThat(seen.path("missing").toString()).isEqualTo("[\"C Three\"]");
    take("csv", next);
    assertThat(outcome("A").path("id").asLong()).as("the same outcome").isEqualTo(a);
    assertThat(outcome("A").path("version").asInt()).isEqualTo(2);
    assertThat(outcome("C").path("name").asString()).isEqualTo("Three");
    assertThat(outcome("B").path("version").asInt()).isEqualTo(2);
  }

  @Test
  void a_package_says_when_the_outcomes_were_changed_and_not_when_it_was_written() {
    take("csv", "code,name\nA,One\n");
    String path = course.path + "/design/framework/case";
    String first = file(path);
    assertThat(file(path)).isEqualTo(first);
  }

  @Test
  void an_identifier_is_followed_when_the_code_changes() {
    UUID id = UUID.randomUUID();
    take("csv", "identifier,code,name\n" + id + ",OLD,Patch a tube\n");
    long before = outcome("OLD").path("id").asLong();
    take("csv", "identifier,code,name\n" + id + ",TUBE,Patch a tube\n");
    assertThat(outcome("TUBE").path("id").asLong()).isEqualTo(before);
  }

  @Test
  void a_file_with_faults_is_refused_with_all_of_them_and_changes_nothing() {
    var refused = taking("csv", "code,name\nA,One\nA,Two\n,Three\n");
    assertThat(refused.getStatus()).isEqualTo(422);
    assertThat(Caller.json(refused).path("findings").toString())
        .contains("Row 3: code “A” stands at Row 2 too.", "Row 4: code is empty.");
    assertThat(course.design().path("outcomes").size()).isZero();
  }

  @Test
  void two_outcomes_that_would_share_a_code_are_named() {
    take("csv", "identifier,code,name\n" + UUID.randomUUID() + ",A,One\n");
    String swapped =
        "identifier,code,name\n" + UUID.randomUUID() + ",B,Two\n" + UUID.randomUUID() + ",A,One\n";
    take("csv", swapped);
    assertThat(course.design().path("outcomes").size()).as("A by its code, B is new").isEqualTo(2);
  }

  @Test
  void groups_parts_and_rubrics_go_with_a_package_and_come_again_unchanged() {
    String file = another();
    assertThat(compare("case", file).path("rubrics").size()).isEqualTo(1);
    take("case", file);
    assertThat(outcome("TUBE").path("group").toString()).isEqualTo("[\"Wheels\"]");
    JsonNode bike = outcome("BOTH").path("madeOf");
    assertThat(bike.path("how").asString()).isEqualTo("ALL");
    assertThat(bike.path("parts").path(0).asLong()).isEqualTo(outcome("TUBE").path("id").asLong());
    JsonNode rubrics = sefa.get(course.path + "/design/rubrics");
    assertThat(rubrics.size()).isEqualTo(1);
    assertThat(rubrics.path(0).path("criteria").path(0).path("levels").size()).isGreaterThan(1);
    JsonNode again = compare("case", file);
    assertThat(again.path("same").asInt()).isEqualTo(3);
    assertThat(again.path("rubrics").isEmpty()).isTrue();
    assertThat(again.path("changed").isEmpty()).isTrue();
  }

  @Test
  void what_a_file_changes_becomes_another_version() {
    take("csv", "code,name\nA,One\n");
    int before = outcome("A").path("version").asInt();
    take("csv", "code,name\nA,Another\n");
    assertThat(outcome("A").path("version").asInt()).isEqualTo(before + 1);
  }

  @Test
  void a_table_moves_outcomes_between_groups_and_puts_them_together() {
    take("csv", "code,name,group\nA,One,Wheels\nB,Two,\n");
    String next = "code,name,group,parts,combine\nA,One,Wheels/Rims,,\nC,Both,,A; B,at least 1\n";
    JsonNode seen = compare("csv", next);
    assertThat(seen.path("changed").toString()).contains("A: stands in “Wheels / Rims”");
    take("csv", next);
    assertThat(outcome("A").path("group").toString()).isEqualTo("[\"Wheels\",\"Rims\"]");
    assertThat(outcome("C").path("madeOf").path("how").asString()).isEqualTo("AT_LEAST");
    assertThat(compare("csv", next).path("same").asInt()).isEqualTo(2);
    JsonNode mean = take("csv", "code,name,parts,combine\nC,Both,A;B,mean\n");
    assertThat(mean.path("changed").asInt()).isEqualTo(1);
    assertThat(outcome("C").path("madeOf").path("how").asString()).isEqualTo("MEAN");
  }

  @Test
  void a_part_that_is_nowhere_is_named_before_and_nothing_is_taken() {
    String file = "code,name,parts\nA,One,NOWHERE\n";
    assertThat(compare("csv", file).path("findings").path(0).asString())
        .startsWith("A: its part “NOWHERE” is neither");
    JsonNode refused = sefa.ended(course.path, taking("csv", file));
    assertThat(refused.path("state").asString()).isEqualTo("REFUSED");
    assertThat(refused.path("problem").path("findings").path(0).asString())
        .startsWith("A: its part “NOWHERE” is neither");
    assertThat(course.design().path("outcomes").isEmpty()).isTrue();
  }

  @Test
  void ten_thousand_outcomes_are_taken() {
    var text = new StringBuilder("code,name\n");
    for (int n = 0; n < 10_000; n++)
      text.append("K").append(n).append(",Outcome ").append(n).append('\n');
    assertThat(take("csv", text.toString()).path("fresh").asInt()).isEqualTo(10_000);
    assertThat(course.design().path("outcomes").size()).isEqualTo(10_000);
  }

  @Test
  void every_format_that_is_offered_is_written_and_read_back() {
    take("csv", "code,name\nA,One\nB,Two\n");
    for (JsonNode format : sefa.get(course.path + "/design/framework")) {
      String name = format.path("name").asString();
      String file = file(course.path + "/design/framework/" + name);
      assertThat(compare(name, file).path("same").asInt()).as(name).isEqualTo(2);
    }
  }

  @Test
  void an_empty_file_and_an_unknown_format_are_refused() {
    assertThat(compare("csv", "").path("fields").has("file")).isTrue();
    assertThat(send("stone", "comparison", "x").getStatus()).isEqualTo(404);
  }
}
