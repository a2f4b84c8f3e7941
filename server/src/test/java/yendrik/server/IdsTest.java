package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What names a thing is a whole number from 1 on, in addresses and in what is sent. */
class IdsTest extends BenchTest {
  @ParameterizedTest
  @ValueSource(strings = {"0", "-1", "99999999999999999999", "abc", "1.5", "1e3"})
  void in_an_address_a_number_that_names_nothing_is_not_found(String id) {
    var learner = as("Tomas Weir").call("GET", path() + "/learners/" + id, "");
    assertThat(learner.getStatus()).isEqualTo(404);
    assertThat(Caller.json(learner).path("code").asString()).isEqualTo("problem.not-found.page");
    var course = as("Tomas Weir").call("GET", "/api/courses/" + id + "/reports/progress", "");
    assertThat(course.getStatus()).isEqualTo(404);
  }

  @ParameterizedTest
  @ValueSource(strings = {"0", "-1", "99999999999999999999", "\"abc\"", "\"7\"", "1.5"})
  void in_what_is_sent_the_field_is_named(String id) {
    var rated =
        as("Tomas Weir")
            .call(
                "POST",
                path() + "/ratings",
                "{\"outcome\":" + id + ",\"level\":1,\"learners\":[1],\"note\":\"\"}");
    assertThat(rated.getStatus()).isEqualTo(422);
    assertThat(Caller.json(rated).path("fields").path("outcome").asString())
        .isEqualTo("it is not the number of anything");
  }

  @Test
  void a_part_of_a_draft_that_is_named_by_no_number_is_not_there() {
    var gone = as("Odalys Brandt").call("DELETE", path() + "/design/steps/0", "");
    assertThat(gone.getStatus()).isEqualTo(404);
  }

  @Test
  void in_a_parameter_it_is_named() {
    var trend = as("Tomas Weir").call("GET", path() + "/mastery/trend?group=0", "");
    assertThat(trend.getStatus()).isEqualTo(422);
    assertThat(Caller.json(trend).path("fields").has("group")).isTrue();
  }

  @Test
  void a_list_names_its_place() {
    var rated =
        as("Tomas Weir")
            .call(
                "POST",
                path() + "/ratings",
                "{\"outcome\":1,\"level\":1,\"learners\":[1,0],\"note\":\"\"}");
    assertThat(Caller.json(rated).path("fields").propertyNames()).containsExactly("learners.1");
  }
}
