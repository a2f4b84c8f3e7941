package yendrik.formats.certificate;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.openhtmltopdf.extend.FSObjectDrawer;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.outputdevice.helper.ExternalResourceControlPriority;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder.PdfAConformance;
import com.openhtmltopdf.render.DefaultObjectDrawerFactory;
import com.openhtmltopdf.util.XRLog;
import java.awt.Color;
import java.awt.Shape;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntConsumer;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.jsoup.helper.W3CDom;
import yendrik.core.Refusal;
import yendrik.formats.certificate.Letters.Face;

/**
 * Certificates as PDF (ISO 32000): tagged (PDF/UA-1, ISO 14289) and to be kept (PDF/A-3a, ISO
 * 19005), with one certificate on each page. Nothing is fetched.
 */
public final class CertificatePdf {
  private static final byte[] COLOURS = ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData();
  private static final double INCH = 72;

  /** So many are laid out at once. */
  private static final int TOGETHER = 20;

  static {
    XRLog.setLoggingEnabled(false);
  }

  /** What is drawn in a place, by the name under which the page asks for it. */
  private final Map<String, Drawn> drawn = new HashMap<>();

  private final Letters letters;

  private CertificatePdf(Letters letters) {
    this.letters = letters;
  }

  /** A shape in a colour, in a box of its own. */
  private record Drawn(Shape shape, Color colour, double width, double height) {}

  /**
   * Writes certificates, at least one; whatever they are laid out on, they are one file.
   *
   * @param title of the file
   * @param done is told again and again how many are written
   * @throws Refusal if there is more on one than the paper has room for
   */
  public static byte[] of(
      String title, List<Certificate> certificates, Letters letters, IntConsumer done) {
    List<byte[]> parts = new ArrayList<>();
    List<Certificate> together = new ArrayList<>();
    int written = 0;
    for (Certificate certificate : certificates) {
      boolean full = together.size() == TOGETHER;
      if (full || !together.isEmpty() && !samePaper(together.getFirst(), certificate)) {
        parts.add(new CertificatePdf(letters).written(title, together));
        done.accept(written += together.size());
        together.clear();
      }
      together.add(certificate);
    }
    parts.add(new CertificatePdf(letters).written(title, together));
    done.accept(written + together.size());
    return parts.size() == 1 ? parts.getFirst() : joined(parts);
  }

  private static boolean samePaper(Certificate one, Certificate other) {
    return one.sheet().paper() == other.sheet().paper()
        && one.sheet().upright() == other.sheet().upright();
  }

  private static byte[] joined(List<byte[]> parts) {
    var out = new ByteArrayOutputStream();
    var joining = new PDFMergerUtility();
    joining.setDestinationStream(out);
    for (byte[] part : parts) joining.addSource(new RandomAccessReadBuffer(part));
    try {
      joining.mergeDocuments(null);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private byte[] written(String title, List<Certificate> certificates) {
    var page = new Pages(title, certificates, letters, this::draw);
    var out = new ByteArrayOutputStream();
    var builder = new PdfRendererBuilder();
    builder.useFastMode();
    builder.usePdfUaAccessibility(true);
    builder.usePdfAConformance(PdfAConformance.PDFA_3_A);
    builder.useColorProfile(COLOURS);
    builder.withW3cDocument(new W3CDom().fromJsoup(page.document()), "");
    builder.useExternalResourceAccessControl(
        (uri, _) -> uri.startsWith("data:"),
        ExternalResourceControlPriority.RUN_BEFORE_RESOLVING_URI);
    builder.useExternalResourceAccessControl(
        (uri, _) -> uri.startsWith("data:"),
        ExternalResourceControlPriority.RUN_AFTER_RESOLVING_URI);
    for (Face face : Face.values())
      builder.useFont(
          () -> Letters.file(face.file()).get(),
          face.family(),
          face == Face.BOLD ? 700 : 400,
          FontStyle.NORMAL,
          /* subset= */ true);
    for (int weight : new int[] {400, 700})
      builder.useFont(
          () -> Letters.file("more.ttf").get(),
          "More",
          weight,
          FontStyle.NORMAL,
          /* subset= */ true);
    var drawers = new DefaultObjectDrawerFactory();
    drawers.registerDrawer(Pages.DRAWN, drawer());
    builder.useObjectDrawerFactory(drawers);
    builder.toStream(out);
    try {
      builder.run();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private FSObjectDrawer drawer() {
    return (element, x, y, width, height, device, _, dotsPerPixel) -> {
      Drawn what = drawn.get(element.getAttribute("data"));
      if (what != null)
        device.drawWithGraphics(
            (float) x,
            (float) y,
            (float) (width / dotsPerPixel),
            (float) (height / dotsPerPixel),
            on -> {
              on.scale(width / dotsPerPixel / what.width(), height / dotsPerPixel / what.height());
              on.setColor(what.colour());
              on.fill(what.shape());
            });
      return null;
    };
  }

  private String draw(Shape shape, String colour, double width, double height) {
    String name = "d" + drawn.size();
    drawn.put(name, new Drawn(shape, Color.decode(colour), width, height));
    return name;
  }

  /**
   * A text as a QR code (ISO/IEC 18004) in a box of 1.
   *
   * @throws Refusal if it is too long
   */
  static Shape code(String text) {
    try {
      BitMatrix dots =
          new QRCodeWriter()
              .encode(
                  text,
                  BarcodeFormat.QR_CODE,
                  0,
                  0,
                  Map.of(
                      EncodeHintType.MARGIN,
                      0,
                      EncodeHintType.ERROR_CORRECTION,
                      ErrorCorrectionLevel.M));
      var all = new Path2D.Double();
      for (int y = 0; y < dots.getHeight(); y++)
        for (int x = 0; x < dots.getWidth(); x++)
          if (dots.get(x, y)) all.append(new Rectangle2D.Double(x, y, 1, 1), /* connect= */ false);
      double side = 1.0 / dots.getWidth();
      return AffineTransform.getScaleInstance(side, side).createTransformedShape(all);
    } catch (WriterException _) {
      throw new Refusal("text-too-long-for-code");
    }
  }

  /**
   * A page as it will print, as PNG.
   *
   * @param width in pixels, 100 to 3000
   */
  public static byte[] picture(byte[] pdf, int width) {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      double points = document.getPage(0).getMediaBox().getWidth();
      BufferedImage image =
          new PDFRenderer(document)
              .renderImageWithDPI(0, (float) (width / points * INCH), ImageType.RGB);
      var out = new ByteArrayOutputStream();
      ImageIO.write(image, "png", out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
