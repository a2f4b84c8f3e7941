package yendrik.formats.certificate;

import java.util.List;
import yendrik.core.Refusal;
import yendrik.formats.certificate.Letters.Face;

/**
 * How large the words of a certificate are, so that all of them have room: as large as its template
 * wants them, or all smaller by the same share.
 *
 * @param share of the usual sizes
 * @param name of the holder's name, in points
 * @param columns in which outcomes stand
 */
record Fitting(double share, double name, int columns) {
  /** Points in a millimetre. */
  static final double POINTS = 72 / 25.4;

  static final double HEADING = 27;
  static final double LITTLE = 12;
  static final double NAME = 38;
  static final double TITLE = 19;
  static final double TEXT = 10.5;

  /** Of a line, in sizes of its letters. */
  static final double LEADING = 1.28;

  /** Below one block, in points at the usual size. */
  static final double GAP = 7;

  static final int MANY = 7;
  private static final double MOST = 1.18;
  private static final double LEAST = 0.55;
  private static final double STEP = 0.03;
  private static final double LEAST_NAME = 18;

  /** Lines of another writer may break earlier. */
  private static final double SPARE = 0.96;

  /**
   * @throws Refusal if there is more than the paper has room for
   */
  static Fitting of(Certificate of, Layout layout, Letters letters) {
    double width = layout.main().width() * POINTS * SPARE;
    double height = layout.main().height() * POINTS;
    int columns = of.outcomes().size() >= MANY ? 2 : 1;
    for (double share = MOST; share >= LEAST; share -= STEP) {
      double name = name(of.name(), width, share, letters);
      var tried = new Fitting(share, name, columns);
      if (tried.height(of, width, letters) <= height) return tried;
    }
    throw new Refusal("certificate-too-full");
  }

  private static double name(String name, double width, double share, Letters letters) {
    double most = NAME * Math.clamp(share, 0.7, 1);
    double wide = letters.width(name, Face.TITLE, most);
    return wide <= width ? most : Math.max(LEAST_NAME, most * width / wide);
  }

  private double height(Certificate of, double width, Letters letters) {
    Sheet sheet = of.sheet();
    double all =
        sheet.template() == Sheet.Template.BAND
            ? 0
            : block(sheet.heading(), Face.TITLE, HEADING, width, letters);
    all += block(sheet.opening(), Face.TEXT, LITTLE, width, letters);
    all += letters.lines(of.name(), Face.TITLE, name, width).size() * name * LEADING + GAP * share;
    all += block(sheet.closing(), Face.TEXT, LITTLE, width, letters);
    all += block(of.title(), Face.TITLE, TITLE, width, letters);
    all += block(of.description(), Face.TEXT, TEXT, width, letters);
    all += outcomes(of.outcomes(), width, letters);
    all += block(of.hours(), Face.TEXT, TEXT, width, letters);
    return all;
  }

  private double block(String text, Face face, double size, double width, Letters letters) {
    int lines = letters.lines(text, face, size * share, width).size();
    return lines == 0 ? 0 : (lines * size * LEADING + GAP) * share;
  }

  private double outcomes(List<Certificate.Shown> outcomes, double width, Letters letters) {
    if (outcomes.isEmpty()) return 0;
    double column = width / columns - MARK * share;
    double all = 0;
    for (int from = 0; from < outcomes.size(); from += columns) {
      int lines = 1;
      for (int i = from; i < Math.min(outcomes.size(), from + columns); i++)
        lines = Math.max(lines, lines(outcomes.get(i), column, letters));
      all += lines * TEXT * LEADING * share + OUTCOME * share;
    }
    return all + GAP * share;
  }

  /** What an outcome's knot and the space between columns take, in points. */
  static final double MARK = 26;

  /** Between one outcome and the next, in points. */
  static final double OUTCOME = 3;

  private int lines(Certificate.Shown outcome, double width, Letters letters) {
    String all = outcome.name() + outcome.level().map(level -> " – " + level).orElse("");
    return letters.lines(all, Face.BOLD, TEXT * share, width).size();
  }

  /** A size in points. */
  double of(double usual) {
    return usual * share;
  }
}
