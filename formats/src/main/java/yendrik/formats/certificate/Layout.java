package yendrik.formats.certificate;

/**
 * Where the parts of a certificate are, in millimetres from the upper left corner of the paper.
 *
 * @param main where the words are; they end where its height does
 * @param badge the badge's picture
 * @param foot signatures and lines, upwards from its lower end
 * @param code by which it is checked
 * @param middle whether all is set about the middle
 */
record Layout(Area main, Area badge, Area foot, Area code, Area issuer, boolean middle) {
  private static final double EDGE = 22;
  static final double CODE = 24;
  private static final double SIGNATURES = 27;
  private static final double LINES = 9;

  /** A part of the paper. */
  record Area(double left, double top, double width, double height) {
    double bottom() {
      return top + height;
    }
  }

  static Layout of(Sheet sheet) {
    double w = sheet.paper().width(sheet.upright());
    double h = sheet.paper().height(sheet.upright());
    double foot = LINES + (sheet.signatures().isEmpty() ? 0 : SIGNATURES);
    return switch (sheet.template()) {
      case THREAD -> thread(w, h, foot);
      case BAND -> band(w, h, foot);
      case FRAME -> frame(w, h, foot);
      case PLAIN -> plain(w, h, foot);
    };
  }

  /** Where the thread runs, from the left. */
  static double thread(double width) {
    return width > 240 ? 44 : 34;
  }

  /** How high the band is. */
  static double band(double width) {
    return width > 240 ? 54 : 50;
  }

  private static Layout thread(double w, double h, double foot) {
    double at = thread(w);
    double size = w > 240 ? 54 : 42;
    double left = at * 2 + 2;
    double width = w - left - EDGE;
    return new Layout(
        new Area(left, 46, width, h - 46 - 20 - foot),
        new Area(at - size / 2, 34, size, size),
        new Area(left, h - 16 - foot, width, foot),
        new Area(at - CODE / 2, h - 16 - CODE - 8, CODE, CODE),
        new Area(left, 18, width, 14),
        /* middle= */ false);
  }

  private static Layout band(double w, double h, double foot) {
    double band = band(w);
    double size = w > 240 ? 58 : 44;
    double width = w - 2 * EDGE;
    double beside = w > 240 ? width - size - 8 : width;
    double top = w > 240 ? band + 12 : band + 28;
    return new Layout(
        new Area(EDGE, top, beside, h - top - 20 - foot),
        new Area(w - EDGE - size, band - size * 0.45, size, size),
        new Area(EDGE, h - 16 - foot, width - CODE - 8, foot),
        new Area(w - EDGE - CODE, h - 16 - CODE - 8, CODE, CODE),
        new Area(EDGE, 12, w - 2 * EDGE - size - 8, 12),
        /* middle= */ false);
  }

  private static Layout frame(double w, double h, double foot) {
    double size = w > 240 ? 34 : 40;
    double side = w > 240 ? 40 : 28;
    return new Layout(
        new Area(side, 24 + size + 5, w - 2 * side, h - (24 + size + 5) - 23 - foot),
        new Area((w - size) / 2, 24, size, size),
        new Area(side, h - 20 - foot, w - 2 * side, foot),
        new Area(w - 27 - CODE, h - 59.5, CODE, CODE),
        new Area(22, 20, w / 2 - size / 2 - 30, 14),
        /* middle= */ true);
  }

  private static Layout plain(double w, double h, double foot) {
    double size = w > 240 ? 50 : 40;
    double width = w - 2 * EDGE;
    double beside = w > 240 ? width - size - 10 : width;
    double top = w > 240 ? 44 : 74;
    return new Layout(
        new Area(EDGE, top, beside, h - top - 20 - foot),
        new Area(w - EDGE - size, 18, size, size),
        new Area(EDGE, h - 16 - foot, width - CODE - 8, foot),
        new Area(w - EDGE - CODE, h - 16 - CODE - 8, CODE, CODE),
        new Area(EDGE, 18, width - size - 10, 14),
        /* middle= */ false);
  }
}
