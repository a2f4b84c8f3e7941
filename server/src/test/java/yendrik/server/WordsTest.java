package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.server.design.DesignEdits;
import yendrik.server.institution.Institution;
import yendrik.server.institution.Institutions;

/** The institution's name and words, and problems as codes with arguments. */
@ServerTest
class WordsTest extends SchoolTest {
  @Autowired Institutions institutions;
  private Institution before;
  private NewCourse course;
  private Caller sefa;

  @BeforeEach
  void aCourse() {
    before = institutions.now();
    sefa = as("Sefa Dunmore");
    course = new NewCourse(sefa, "Words " + System.nanoTime());
  }

  @AfterEach
  void asItWas() {
    institutions.write(before);
  }

  private void word(String key, String message) {
    institutions.write(
        new Institution(
            before.name(),
            before.issuer(),
            before.issuerAddress(),
            before.issuerEmail(),
            before.colours(),
            Map.of(key, message),
            before.picture()));
  }

  @Test
  void the_institution_comes_with_whoever_asks_who_they_are() {
    word("common.save", "Keep");
    JsonNode own = sefa.get("/api/session").path("institution");
    assertThat(own.path("name").asString()).isEqualTo("Yendrik");
    assertThat(own.path("words").path("common.save").asString()).isEqualTo("Keep");
  }

  @Test
  void its_own_words_stand_in_rules_and_problems_at_once() {
    long module = course.module("Tubes");
    long step = course.step(module, "PAGE", "How a patch holds");
    String line = course.seen(step).path("doneWhen").path("line").asString();
    assertThat(line).isEqualTo("read");
    word("ask.seen.says", "gone through");
    assertThat(course.seen(step).path("doneWhen").path("line").asString())
        .isEqualTo("gone through");
    word("problem.not-found.part-of-this-course", "We know of no such step.");
    JsonNode problem =
        Caller.json(sefa.call("DELETE", course.path + "/design/steps/999999", "", "If-Match", "1"));
    assertThat(problem.path("detail").asString()).isEqualTo("We know of no such step.");
  }

  @Test
  void a_problem_is_a_code_with_arguments_a_sentence_and_its_field() {
    String scale =
        course.path + "/design/scales/" + course.design().path("scales").path(0).path("id");
    JsonNode problem =
        Caller.json(
            sefa.call(
                "PUT",
                scale,
                new DesignEdits.ScaleEdit(
                    "S",
                    List.of(
                        new DesignEdits.LevelEdit(Optional.empty(), "A", 1, ""),
                        new DesignEdits.LevelEdit(Optional.of(77), "B", 2, "")),
                    1),
                "If-Match",
                "1"));
    assertThat(problem.path("code").asString()).isEqualTo("problem.level-unknown");
    assertThat(problem.path("arguments").path("n").asInt()).isEqualTo(2);
    assertThat(problem.path("detail").asString())
        .isEqualTo("Level 2 stands twice or was never there.")
        .isEqualTo(problem.path("fields").path("levels").asString());
  }

  @Test
  void a_field_that_breaks_a_constraint_is_named_with_what_it_must_be() {
    JsonNode problem = sefa.post(course.path + "/design/modules", new Sent.Name(""));
    assertThat(problem.path("code").asString()).isEqualTo("problem.fields");
    assertThat(problem.path("fields").path("name").asString()).isEqualTo("must not be empty");
    assertThat(problem.path("detail").asString()).isEqualTo("name: must not be empty.");
    String longer = "x".repeat(300);
    JsonNode tooLong = sefa.post(course.path + "/design/modules", new Sent.Name(longer));
    assertThat(tooLong.path("fields").path("name").asString()).matches("must have at most \\d+");
  }

  @Test
  void what_comes_in_says_what_is_wrong_with_it() {
    long step = course.step(course.module("Tubes"), "PAGE", "How a patch holds");
    String body = "{\"from\":{},\"to\":{\"opensAt\":\"%s\"}}";
    JsonNode early = patched(step, body.formatted("0026-11-23T08:00:00Z"));
    assertThat(early.path("fields").path("opensAt").asString())
        .isEqualTo("the year must be between 1900 and 2400");
    assertThat(patched(step, body.formatted("soon")).path("detail").asString())
        .isEqualTo("opensAt: it is no date");
  }

  private JsonNode patched(long step, String body) {
    return Caller.json(sefa.call("PATCH", course.path + "/design/steps/" + step, body));
  }
}
