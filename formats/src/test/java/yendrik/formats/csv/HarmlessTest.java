package yendrik.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class HarmlessTest {
  @ParameterizedTest
  @ValueSource(
      strings = {
        "=1+1",
        "+1",
        "-1",
        "@x",
        "\n=1+1",
        " =1+1",
        "\u00A0=1",
        "\uFEFF=1",
        "\t\r=1",
        "\uFF1D1+1",
        "\u200B+1",
        "|x"
      })
  void what_looks_like_a_formula_is_written_as_a_text(String text) {
    assertThat(Harmless.written(text)).isEqualTo("'" + text);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "fine", "a=b", "'tis", "5 - 3", "\n"})
  void what_does_not_is_written_as_it_is(String text) {
    assertThat(Harmless.written(text)).isEqualTo(text);
  }

  @Property
  void what_was_written_is_read_again(@ForAll("cells") String text) {
    assertThat(Harmless.read(Harmless.written(text))).isEqualTo(text);
  }

  @Provide
  Arbitrary<String> cells() {
    return Arbitraries.strings().withChars("'=+ \n\uFF1Da-").ofMaxLength(5);
  }
}
