package yendrik.core;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlainTest {
  @ParameterizedTest
  @ValueSource(
      strings = {
        "a\u0000",
        "\u200B",
        "a\u202Eb",
        "\u2028",
        "a\nb",
        "\t",
        "\uFEFFname",
        "\uD800",
        "\uE000",
        "\u200D",
        "\u00ADsoft"
      })
  void what_cannot_be_seen_is_not_plain(String text) {
    assertThat(Plain.is(text)).isFalse();
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "Höhe 5 µm", "نام\u200Cها", "👩\u200D🔧", "数", "é\u0301", "a b"})
  void what_people_write_is_plain(String text) {
    assertThat(Plain.is(text)).isTrue();
  }

  @Property
  void letters_and_digits_are_always_plain(@ForAll("written") String text) {
    assertThat(Plain.is(text)).isTrue();
  }

  @Provide
  Arbitrary<String> written() {
    return Arbitraries.strings()
        .all()
        .map(s ->
            s.codePoints()
                .filter(Character::isLetterOrDigit)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString());
  }

  @Property
  void what_was_cleaned_is_plain_and_what_was_plain_stays(@ForAll String text) {
    assertThat(Plain.is(Plain.cleaned(text))).isTrue();
    if (Plain.is(text)) assertThat(Plain.cleaned(text)).isEqualTo(text);
  }

  @Test
  void a_longer_text_is_kept_unless_it_has_no_meaning_at_all() {
    assertThat(Plain.canBeKept("two\nlines\u202E 👩‍🔧")).isTrue();
    assertThat(Plain.canBeKept("a\u0000b")).isFalse();
    assertThat(Plain.canBeKept("\uD83D")).isFalse();
  }

  @Test
  void one_character_spoils_a_text() {
    assertThat(Plain.is("Patch\u0007 Hand")).isFalse();
  }
}
