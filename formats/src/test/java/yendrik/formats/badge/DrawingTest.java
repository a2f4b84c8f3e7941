package yendrik.formats.badge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import javax.imageio.ImageIO;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.parser.Parser;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;
import yendrik.formats.badge.Art.Colour;
import yendrik.formats.badge.Art.Edge;
import yendrik.formats.badge.Art.Pattern;
import yendrik.formats.badge.Art.Shape;
import yendrik.formats.badge.Art.SignStyle;
import yendrik.formats.badge.Art.WordsAt;

class DrawingTest {
  private static final Signs SIGNS =
      new Signs(
          Map.of(
              "tire",
              new Signs.Sign(
                  Optional.of("M64 64H192V192H64Z"),
                  Optional.of("M64 64H192V72H64Z"),
                  Optional.empty()),
              "own-disc",
              new Signs.Sign(
                  Optional.empty(), Optional.empty(), Optional.of("M26 48h48M26 42h48"))));

  @Provide
  Arbitrary<Art> arts() {
    Arbitrary<Colour> colour = Arbitraries.of(Colour.class);
    Arbitrary<String> words =
        Arbitraries.strings().withCharRange(' ', 'ż').ofMaxLength(Art.MOST_WORDS);
    return Combinators.combine(
            Combinators.combine(
                    Arbitraries.of(Shape.class),
                    Arbitraries.of(Edge.class),
                    Arbitraries.of(Pattern.class),
                    Arbitraries.of("", "tire", "own-disc", "gone"))
                .as((shape, edge, pattern, sign) ->
                    new Art(
                        shape,
                        edge,
                        pattern,
                        sign,
                        SignStyle.FILL,
                        Colour.INDIGO,
                        Colour.PAPER,
                        Colour.STRAW,
                        Colour.INK,
                        "",
                        WordsAt.NOWHERE)),
            Arbitraries.of(SignStyle.class),
            colour,
            colour,
            words,
            Arbitraries.of(WordsAt.class))
        .as((a, style, ground, other, text, at) ->
            new Art(
                a.shape(),
                a.edge(),
                a.pattern(),
                a.sign(),
                style,
                ground,
                other,
                ground,
                other,
                text,
                at));
  }

  @Property(tries = 300)
  void whatever_is_chosen_is_a_whole_picture_that_refers_to_nothing_outside(
      @ForAll("arts") Art art, @ForAll String alt) throws IOException {
    String svg = Drawing.svg(art, SIGNS, alt);
    Document read = Jsoup.parse(svg, "", Parser.xmlParser());
    assertThat(read.select("[href], [xlink:href], script, text, image, use, style")).isEmpty();
    assertThat(svg.replace("url(#in)", "")).doesNotContain("url(").doesNotContain("NaN");
    BufferedImage drawn = image(svg, 64);
    assertThat(drawn.getWidth()).isEqualTo(64);
    // the middle of every outline is filled
    assertThat(drawn.getRGB(32, 40) >>> 24).isEqualTo(255);
    assertThat(drawn.getRGB(0, 0) >>> 24).as("the corner is empty").isZero();
  }

  @Property(tries = 100)
  void what_is_drawn_stands_our_own_making_harmless(@ForAll("arts") Art art) throws IOException {
    String svg = Drawing.svg(art, SIGNS, "A badge");
    String clean = SafeSvg.of(svg.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    assertThat(same(image(clean, 48), image(svg, 48))).isTrue();
  }

  private static boolean same(BufferedImage a, BufferedImage b) {
    for (int x = 0; x < a.getWidth(); x++)
      for (int y = 0; y < a.getHeight(); y++)
        for (int shift = 0; shift < 32; shift += 8)
          if (Math.abs((a.getRGB(x, y) >> shift & 255) - (b.getRGB(x, y) >> shift & 255)) > 3)
            return false;
    return true;
  }

  private static BufferedImage image(String svg, int size) throws IOException {
    return ImageIO.read(new ByteArrayInputStream(Png.of(svg, size)));
  }

  @Test
  void words_change_the_picture_and_stand_within_it() throws IOException {
    Art bare = Art.plain(Shape.ROUND, "", Colour.LAGOON);
    Art worded = with(bare, "Half a millimetre", WordsAt.RIBBON);
    BufferedImage drawn = image(Drawing.svg(worded, SIGNS, ""), 256);
    assertThat(same(image(Drawing.svg(bare, SIGNS, ""), 256), drawn)).isFalse();
    assertThat(drawn.getRGB(128, 181) & 0xffffff).as("ribbon").isEqualTo(0xffffff);
    int ink = 0;
    for (int x = 26; x < 230; x++)
      for (int y = 178; y < 224; y++) if ((drawn.getRGB(x, y) & 0xff) < 120) ink++;
    assertThat(ink).as("letters").isGreaterThan(400);
  }

  @Test
  void words_of_other_scripts_are_drawn_too() {
    Art greek = with(Art.PLAIN, "ΗΜΙΧΙΛΙΟΣΤΟ", WordsAt.RIM);
    Art none = with(Art.PLAIN, "", WordsAt.RIM);
    assertThat(Drawing.svg(greek, SIGNS, "").length())
        .isGreaterThan(Drawing.svg(none, SIGNS, "").length() + 500);
  }

  private static Art with(Art a, String words, WordsAt at) {
    return new Art(
        a.shape(),
        a.edge(),
        a.pattern(),
        a.sign(),
        a.signStyle(),
        a.colour(),
        a.signColour(),
        Colour.PAPER,
        Colour.INK,
        words,
        at);
  }

  @Test
  void an_alternative_text_cannot_break_out_of_the_picture() {
    String svg = Drawing.svg(Art.PLAIN, SIGNS, "</title><script>alert(1)</script>");
    assertThat(Jsoup.parse(svg, "", Parser.xmlParser()).select("script")).isEmpty();
  }

  @Test
  void words_that_are_too_long_are_refused() {
    assertThatThrownBy(() -> with(Art.PLAIN, "x".repeat(33), WordsAt.RIM))
        .isInstanceOf(Refusal.class);
  }

  @Test
  void contrast_is_that_of_the_guidelines() {
    assertThat(Colour.PAPER.contrast(Colour.PAPER)).isEqualTo(1);
    // published figures for these two greys and colours on white
    assertThat(Colour.LAGOON.contrast(Colour.PAPER)).isCloseTo(6.06, within(0.1));
    for (Colour one : Colour.values())
      for (Colour other : Colour.values())
        assertThat(one.contrast(other)).isEqualTo(other.contrast(one)).isBetween(1.0, 21.0);
  }
}
