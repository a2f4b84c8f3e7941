package yendrik.formats.badge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yendrik.core.Refusal;

/** Pictures that somebody sends to be a badge. */
class OwnPictureTest {
  private static final String HEAD = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 8 8'";

  private static String clean(String svg) {
    return new String(
        OwnPicture.of(OwnPicture.SVG, svg.getBytes(StandardCharsets.UTF_8)).content(),
        StandardCharsets.UTF_8);
  }

  private static void refused(String reason, ThrowingCallable act) {
    assertThatThrownBy(act)
        .isInstanceOfSatisfying(
            Refusal.class, r -> assertThat(r.reason().key()).isEqualTo("refused." + reason));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "><script>alert(1)</script><path d='M0 0h8v8z'/></svg>",
        " onload='alert(1)'><path d='M0 0h8v8z' onclick='alert(1)'/></svg>",
        "><image href='http://elsewhere.example/a.png'/><path d='M0 0h8v8z'/></svg>",
        " xmlns:xlink='http://www.w3.org/1999/xlink'><a xlink:href='javascript:alert(1)'>"
            + "<path d='M0 0h8v8z'/></a><path d='M0 0h8v8z'/></svg>",
        "><foreignObject><p xmlns='http://www.w3.org/1999/xhtml'>x</p></foreignObject>"
            + "<path d='M0 0h8v8z'/></svg>",
        "><style>@import url(http://elsewhere.example/a.css)</style><path d='M0 0h8v8z'/></svg>",
        "><path d='M0 0h8v8z' fill='url(http://elsewhere.example/#a)'/></svg>",
        "><path d='M0 0h8v8z' style='fill:url(&quot;//elsewhere.example/a&quot;);stroke:red'/></svg>",
        "><path d='M0 0h8v8z' style='fill:\\75rl(http://elsewhere.example)'/></svg>",
        "><g id='a'><path d='M0 0h8v8z'/></g><use href='#a'/><use href='#a'/></svg>",
        "><animate attributeName='href' to='javascript:alert(1)'/><path d='M0 0h8v8z'/></svg>",
      })
  void of_an_svg_only_what_draws_is_left(String rest) {
    String clean = clean(HEAD + rest);
    assertThat(clean).contains("<path d=\"M0 0h8v8z\"");
    assertThat(clean.replace("http://www.w3.org/2000/svg", ""))
        .doesNotContainIgnoringCase("script")
        .doesNotContain("alert")
        .doesNotContain("http")
        .doesNotContain("elsewhere")
        .doesNotContain("href")
        .doesNotContain("<use")
        .doesNotContain("style");
  }

  @Test
  void a_gradient_of_its_own_stays() {
    String clean =
        clean(
            HEAD
                + "><defs><linearGradient id='g'><stop offset='0' stop-color='red'/></linearGradient>"
                + "</defs><path d='M0 0h8v8z' fill='url(#g)'/></svg>");
    assertThat(clean).contains("fill=\"url(#g)\"").contains("stop-color=\"red\"");
  }

  @Test
  void an_oblong_svg_is_shown_whole_in_a_square() {
    assertThat(clean("<svg xmlns='http://www.w3.org/2000/svg' width='40px' height='20px'/>"))
        .contains("viewBox=\"0.000 -10.000 40.000 40.000\"");
  }

  @Test
  void bombs_and_what_is_no_picture_are_refused_with_a_sentence() {
    refused(
        "svg-with-document-type",
        () ->
            clean(
                "<!DOCTYPE svg [<!ENTITY a 'aaaa'><!ENTITY b '&a;&a;'>]>"
                    + HEAD
                    + "><title>&b;</title></svg>"));
    refused("svg-too-large", () -> clean(HEAD + ">" + "<g/>".repeat(5_001) + "</svg>"));
    refused(
        "svg-too-large", () -> clean(HEAD + ">" + "<g>".repeat(70) + "</g>".repeat(70) + "</svg>"));
    refused("svg-too-large", () -> clean(HEAD + "><desc>" + "x".repeat(210_000) + "</desc></svg>"));
    refused("svg-unreadable", () -> clean(HEAD + "><path></svg>"));
    refused("svg-unreadable", () -> clean("<html><body/></html>"));
    refused("svg-unreadable", () -> clean(""));
    refused("svg-without-size", () -> clean("<svg xmlns='http://www.w3.org/2000/svg'/>"));
    refused(
        "svg-without-size",
        () -> clean("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 1e300 1'/>"));
    refused(
        "picture-unreadable",
        () -> OwnPicture.of(OwnPicture.PNG, "no picture".getBytes(StandardCharsets.UTF_8)));
  }

  @Property(tries = 30)
  void the_middle_of_a_picture_is_taken_as_a_square(
      @ForAll @IntRange(min = 1, max = 700) int wide,
      @ForAll @IntRange(min = 1, max = 700) int high)
      throws IOException {
    var image = new BufferedImage(wide, high, BufferedImage.TYPE_INT_RGB);
    image.setRGB(wide / 2, high / 2, Color.RED.getRGB());
    OwnPicture own = OwnPicture.of(OwnPicture.PNG, Png.written(image));
    BufferedImage kept = ImageIO.read(new ByteArrayInputStream(own.content()));
    assertThat(kept.getWidth()).isEqualTo(512).isEqualTo(kept.getHeight());
    BufferedImage small = ImageIO.read(new ByteArrayInputStream(own.png(64)));
    assertThat(small.getWidth()).isEqualTo(64);
  }
}
