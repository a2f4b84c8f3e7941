package yendrik.server.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class SchemaNamesTest {
  private interface Here {
    record ThingView() {}
  }

  private interface There {
    record ThingForm() {}
  }

  @Test
  void a_type_is_called_by_its_own_name_without_its_layer() {
    var names = new SchemaNames();
    assertThat(names.of(Here.ThingView.class)).isEqualTo("Thing");
    assertThat(names.type("Thing")).contains(Here.ThingView.class);
    names.check();
  }

  @Test
  void two_types_of_the_same_name_are_refused_with_what_to_do() {
    var names = new SchemaNames();
    names.of(Here.ThingView.class);
    names.of(There.ThingForm.class);
    assertThatThrownBy(names::check)
        .hasMessageContaining("would both be called Thing; give one a @Schema(name)");
  }
}
