package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Rules as text: read, carried to other steps, and all in one file. */
@ServerTest
class RuleTextsTest extends SchoolTest {
  private record RuleText(String place, long id, String text) {}

  private record ForSteps(boolean done, long from, Map<String, Object> rule, List<Long> steps) {}

  private Caller sefa;
  private NewCourse course;
  private long first;
  private long second;

  @BeforeEach
  void twoSteps() {
    sefa = as("Sefa Dunmore");
    course = newCourse("Written");
    long module = course.module("Tubes");
    first = course.step(module, "PAGE", "Before");
    second = course.step(module, "PAGE", "After");
  }

  private JsonNode read(String text) {
    return sefa.post(course.path + "/design/rules/read", new RuleText("step-opens", second, text));
  }

  @Test
  void a_text_is_read_as_a_rule_and_the_rule_says_its_text() {
    JsonNode rule = read("ALL OF (\"Before\" read; own word)").path("rule");
    assertThat(rule.path("text").asString()).isEqualTo("all of (\"Before\" read; own word)");
    assertThat(rule.at("/root/parts/0/leaf/step").asLong()).isEqualTo(first);
    assertThat(rule.at("/root/parts")).hasSize(2);
  }

  @Test
  void a_text_that_is_no_rule_is_told_where_and_why_and_changes_nothing() {
    int version = course.design().at("/modules/0/steps/1/version").asInt();
    JsonNode fault = read("all of (\n  \"Befor\" read)").path("fault");
    assertThat(fault.path("line").asInt()).isEqualTo(2);
    assertThat(fault.path("column").asInt()).isEqualTo(4);
    assertThat(fault.path("says").asString()).contains("no step “Befor”");
    assertThat(course.design().at("/modules/0/steps/1/version").asInt()).isEqualTo(version);
  }

  @Test
  void a_rule_of_one_step_asks_another_about_itself_and_has_ids_of_its_own() {
    JsonNode rules =
        sefa.post(
            course.path + "/design/rules/for-steps",
            new ForSteps(
                true,
                first,
                Map.of("is", "ask", "id", "x", "leaf", Map.of("is", "confirmed", "step", first)),
                List.of(first, second)));
    assertThat(rules.at("/0/rule/root/leaf/step").asLong()).isEqualTo(first);
    assertThat(rules.at("/1/rule/root/leaf/step").asLong()).isEqualTo(second);
    assertThat(rules.at("/1/rule/text").asString()).isEqualTo("this step confirmed");
    assertThat(rules.at("/0/rule/root/id")).isNotEqualTo(rules.at("/1/rule/root/id"));
  }

  @Test
  void all_rules_are_one_file() throws Exception {
    var file = sefa.call("GET", course.path + "/design/rules/text", "");
    assertThat(file.getHeader("Content-Disposition")).contains("rules.txt");
    assertThat(file.getContentAsString()).contains("“Before”:\nthis step");
  }
}
