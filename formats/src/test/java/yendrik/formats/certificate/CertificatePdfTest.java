package yendrik.formats.certificate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.client.j2se.BufferedImageLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.PDFAValidator;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.TestAssertion;
import yendrik.core.Refusal;
import yendrik.formats.badge.Art;
import yendrik.formats.badge.Drawing;
import yendrik.formats.badge.Png;
import yendrik.formats.badge.Signs;
import yendrik.formats.certificate.Sheet.Field;
import yendrik.formats.certificate.Sheet.Paper;
import yendrik.formats.certificate.Sheet.Template;

class CertificatePdfTest {
  private static final Letters LETTERS = new Letters(List.of());
  private static final String ADDRESS = "http://127.0.0.1:8480/certificate/7KQM-2XDA-9RTH";
  private static final Certificate.Picture BADGE =
      new Certificate.Picture(
          "image/png", Png.of(Drawing.svg(Art.PLAIN, Signs.NONE, ""), 256), "A medal");

  static {
    VeraGreenfieldFoundryProvider.initialise();
  }

  private static Sheet sheet(Template template, boolean upright) {
    return new Sheet(
        template,
        Paper.A4,
        upright,
        Optional.empty(),
        "Certificate",
        "This is to say that",
        "has shown all that belongs to",
        Optional.of(120),
        EnumSet.allOf(Field.class),
        List.of(new Sheet.Signature("Tomas Weir", "Workshop", Optional.empty())));
  }

  private static Certificate certificate(Sheet sheet, String name, int outcomes) {
    return new Certificate(
        sheet,
        "en",
        "#0b6f6e",
        name,
        "Foundations certificate",
        "Services a bicycle from end to end, safely and by the book.",
        BADGE,
        "Hollow Lane Workshop School",
        Optional.of(BADGE),
        IntStream.range(0, outcomes)
            .mapToObj(i ->
                new Certificate.Shown(
                    "Trues a wheel to half a millimetre, sideways and up and down",
                    Optional.of("Secure")))
            .toList(),
        "120 hours",
        List.of(
            new Certificate.Line("Number", "2026-00017"),
            new Certificate.Line("Given on", "29 November 2026"),
            new Certificate.Line("Valid until", "28 November 2029")),
        Optional.of(
            new Certificate.Code(
                ADDRESS, "Check it at 127.0.0.1:8480/certificate", "7KQM-2XDA-9RTH")),
        List.of(new Certificate.Signed("Tomas Weir", "Workshop", Optional.empty())));
  }

  private static byte[] pdf(Certificate... certificates) {
    return CertificatePdf.of(
        "Foundations certificate", Arrays.asList(certificates), LETTERS, _ -> {});
  }

  private static List<String> faults(byte[] pdf, PDFAFlavour flavour) throws Exception {
    try (PDFAParser parser =
            Foundries.defaultInstance().createParser(new ByteArrayInputStream(pdf), flavour);
        PDFAValidator validator = Foundries.defaultInstance().createValidator(flavour, false)) {
      return validator.validate(parser).getTestAssertions().stream()
          .filter(a -> a.getStatus() == TestAssertion.Status.FAILED)
          .map(a -> a.getRuleId().getClause() + " " + a.getMessage())
          .distinct()
          .toList();
    }
  }

  @ParameterizedTest
  @EnumSource(Template.class)
  void everyTemplateIsTaggedAndToBeKept(Template template) throws Exception {
    for (boolean upright : new boolean[] {false, true}) {
      byte[] pdf = pdf(certificate(sheet(template, upright), "Bashir Colm", 5));
      assertThat(faults(pdf, PDFAFlavour.PDFA_3_A)).isEmpty();
      assertThat(faults(pdf, PDFAFlavour.PDFUA_1)).isEmpty();
    }
  }

  @Test
  void allThatStandsOnItCanBeRead() throws IOException {
    String text = text(pdf(certificate(sheet(Template.THREAD, false), "Bashir Colm", 3)));
    assertThat(text)
        .contains(
            "Certificate",
            "This is to say that",
            "Bashir Colm",
            "Foundations certificate",
            "Trues a wheel",
            "Secure",
            "120 hours",
            "2026-00017",
            "28 November 2029",
            "Tomas Weir");
  }

  private static String text(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(document);
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Ngọc Ánh Nguyễn",
        "Ольга Іваненко",
        "Ελένη Παπαδοπούλου",
        "بشير حداد",
        "שרה לוי",
        "Zoe\u0308 Vo\u0302"
      })
  void namesOfManyScriptsArePrintedAndSaid(String name) throws Exception {
    byte[] pdf = pdf(certificate(sheet(Template.PLAIN, false), name, 3));
    assertThat(faults(pdf, PDFAFlavour.PDFA_3_A)).isEmpty();
    assertThat(faults(pdf, PDFAFlavour.PDFUA_1)).isEmpty();
    String composed = Letters.composed(name);
    String said =
        LETTERS.plain(composed, Letters.Face.TITLE)
            ? text(pdf)
            : String.join(" ", alternatives(pdf));
    assertThat(said).contains(composed);
  }

  private static List<String> alternatives(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      var all = new java.util.ArrayList<String>();
      walk(document.getDocumentCatalog().getStructureTreeRoot().getKids(), all);
      return all;
    }
  }

  private static void walk(List<Object> kids, List<String> all) {
    for (Object kid : kids)
      if (kid
          instanceof
          org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement
              element) {
        if (element.getAlternateDescription() != null) all.add(element.getAlternateDescription());
        walk(element.getKids(), all);
      }
  }

  @Test
  void lettersThatJoinAreShaped() {
    // the letters of the word by themselves are wider than joined
    double joined = LETTERS.width("ههه", Letters.Face.TEXT, 20);
    double alone = 3 * LETTERS.width("ه", Letters.Face.TEXT, 20);
    assertThat(joined).isNotCloseTo(alone, org.assertj.core.data.Offset.offset(0.5));
    assertThat(LETTERS.plain("ههه", Letters.Face.TEXT)).isFalse();
    assertThat(LETTERS.plain("Ngọc Ánh", Letters.Face.TEXT)).isTrue();
  }

  @ParameterizedTest
  @EnumSource(Template.class)
  void aLongNameAndManyOutcomesStayOnOnePage(Template template) throws IOException {
    String name = "Maria Bernardina Wilhelmina Constantijn van der Hoogstraten-Oldenbarnevelt";
    for (boolean upright : new boolean[] {false, true})
      try (PDDocument document =
          Loader.loadPDF(pdf(certificate(sheet(template, upright), name, 12)))) {
        assertThat(document.getNumberOfPages()).isEqualTo(1);
      }
  }

  @Test
  void moreThanThereIsRoomForIsSaid() {
    assertThatThrownBy(() -> pdf(certificate(sheet(Template.FRAME, false), "Ilse Tran", 80)))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining("certificate-too-full");
  }

  @Test
  void hundredsAreOneFileWithAPageEach() throws Exception {
    Certificate[] all =
        IntStream.range(0, 60)
            .mapToObj(i -> certificate(sheet(Template.BAND, i % 30 == 7), "Learner " + i, 4))
            .toArray(Certificate[]::new);
    List<Integer> told = new ArrayList<>();
    byte[] pdf = CertificatePdf.of("All", Arrays.asList(all), LETTERS, told::add);
    assertThat(told).isSorted().endsWith(60).hasSizeGreaterThan(2);
    assertThat(faults(pdf, PDFAFlavour.PDFA_3_A)).isEmpty();
    assertThat(faults(pdf, PDFAFlavour.PDFUA_1)).isEmpty();
    try (PDDocument document = Loader.loadPDF(pdf)) {
      assertThat(document.getNumberOfPages()).isEqualTo(60);
    }
    assertThat(pdf.length).isLessThan(30 * pdf(all[0]).length);
  }

  @Test
  void theCodeLeadsToItsAddress() throws Exception {
    byte[] pdf = pdf(certificate(sheet(Template.PLAIN, false), "Ilse Tran", 2));
    var image = ImageIO.read(new ByteArrayInputStream(CertificatePdf.picture(pdf, 1800)));
    int w = image.getWidth();
    int h = image.getHeight();
    var corner = image.getSubimage(w * 3 / 4, h * 3 / 5, w / 4, h * 2 / 5);
    String read =
        new QRCodeReader()
            .decode(new BinaryBitmap(new HybridBinarizer(new BufferedImageLuminanceSource(corner))))
            .getText();
    assertThat(read).isEqualTo(ADDRESS);
  }

  @Test
  void nothingThatIsWrittenIsTakenForMarkup() throws IOException {
    String name = "<b>Ilse</b> & 'Co' <img src='http://127.0.0.1/x.png'>";
    assertThat(text(pdf(certificate(sheet(Template.PLAIN, false), name, 1))))
        .contains("<b>Ilse</b>");
  }

  /** Where a text begins on the first page, in points from the left. */
  private static float begins(byte[] pdf, String text) throws IOException {
    List<Float> found = new ArrayList<>();
    var reader =
        new PDFTextStripper() {
          @Override
          protected void writeString(String line, List<TextPosition> letters) {
            if (line.startsWith(text)) found.add(letters.getFirst().getXDirAdj());
          }
        };
    try (PDDocument document = Loader.loadPDF(pdf)) {
      reader.getText(document);
    }
    return found.getFirst();
  }

  @ParameterizedTest
  @EnumSource(Template.class)
  void theIssuersNameStandsBesideItsPictureWhateverItsShape(Template template) throws Exception {
    float alone = 0;
    for (int wide : new int[] {40, 100, 400}) {
      var out = new ByteArrayOutputStream();
      ImageIO.write(new BufferedImage(wide, 100, BufferedImage.TYPE_INT_RGB), "png", out);
      var mark = new Certificate.Picture("image/png", out.toByteArray(), "A mark");
      Certificate like = certificate(sheet(template, false), "Ilse Tran", 2);
      var certificate =
          new Certificate(
              like.sheet(),
              like.language(),
              like.colour(),
              like.name(),
              like.title(),
              like.description(),
              like.badge(),
              like.issuer(),
              Optional.of(mark),
              like.outcomes(),
              like.hours(),
              like.lines(),
              like.code(),
              like.signed());
      float at = begins(pdf(certificate), "Hollow");
      assertThat(at).isGreaterThan(alone);
      alone = at;
    }
    // 46 mm is the widest, and stands before the name
    assertThat(alone).isGreaterThan(46 * 72 / 25.4f);
  }
}
