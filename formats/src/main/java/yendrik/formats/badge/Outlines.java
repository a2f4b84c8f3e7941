package yendrik.formats.badge;

import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.RoundRectangle2D;
import yendrik.formats.badge.Art.Shape;

/** The outlines of badges in a box of 256, and shapes as SVG path data. */
final class Outlines {
  static final double MIDDLE = 128;
  private static final double RADIUS = 116;

  private Outlines() {}

  static java.awt.Shape of(Shape shape) {
    return switch (shape) {
      case ROUND -> new Ellipse2D.Double(MIDDLE - RADIUS, MIDDLE - RADIUS, 2 * RADIUS, 2 * RADIUS);
      case HEXAGON -> polygon(6, 0);
      case BARREL -> polygon(6, 30);
      case OCTAGON -> polygon(8, 22.5);
      case PENTAGON -> moved(polygon(5, 0), 8);
      case DIAMOND -> polygon(4, 0);
      case SQUARE -> new RoundRectangle2D.Double(26, 26, 204, 204, 20, 20);
      case PEBBLE -> pebble();
      case COG -> teeth(14, 0.86);
      case SCALLOP -> lobes(16);
      case SHIELD -> shield();
      case BANNER -> banner();
    };
  }

  private static Path2D polygon(int corners, double turn) {
    var path = new Path2D.Double();
    for (int i = 0; i < corners; i++) at(path, turn + i * 360.0 / corners, RADIUS);
    path.closePath();
    return path;
  }

  private static java.awt.Shape moved(Path2D path, double down) {
    return path.createTransformedShape(AffineTransform.getTranslateInstance(0, down));
  }

  private static void at(Path2D path, double degrees, double radius) {
    double angle = Math.toRadians(degrees - 90);
    double x = MIDDLE + radius * Math.cos(angle);
    double y = MIDDLE + radius * Math.sin(angle);
    if (path.getCurrentPoint() == null) path.moveTo(x, y);
    else path.lineTo(x, y);
  }

  private static Path2D teeth(int n, double deep) {
    var path = new Path2D.Double();
    double step = 360.0 / n;
    for (int i = 0; i < n; i++) {
      at(path, i * step - step * 0.28, RADIUS);
      at(path, i * step + step * 0.28, RADIUS);
      at(path, i * step + step * 0.42, RADIUS * deep);
      at(path, i * step + step * 0.58, RADIUS * deep);
    }
    path.closePath();
    return path;
  }

  private static Path2D lobes(int n) {
    var path = new Path2D.Double();
    double step = 2 * Math.PI / n;
    double in = RADIUS * 0.93;
    double out = RADIUS * 1.07;
    for (int i = 0; i < n; i++) {
      double from = i * step - Math.PI / 2;
      if (i == 0) path.moveTo(MIDDLE + in * Math.cos(from), MIDDLE + in * Math.sin(from));
      path.quadTo(
          MIDDLE + out * Math.cos(from + step / 2),
          MIDDLE + out * Math.sin(from + step / 2),
          MIDDLE + in * Math.cos(from + step),
          MIDDLE + in * Math.sin(from + step));
    }
    path.closePath();
    return path;
  }

  private static Path2D pebble() {
    var path = new Path2D.Double();
    path.moveTo(128, 14);
    path.curveTo(222, 14, 242, 34, 242, 128);
    path.curveTo(242, 222, 222, 242, 128, 242);
    path.curveTo(34, 242, 14, 222, 14, 128);
    path.curveTo(14, 34, 34, 14, 128, 14);
    path.closePath();
    return path;
  }

  private static Path2D shield() {
    var path = new Path2D.Double();
    path.moveTo(128, 10);
    path.curveTo(158, 28, 192, 38, 230, 38);
    path.lineTo(230, 124);
    path.curveTo(230, 188, 182, 226, 128, 246);
    path.curveTo(74, 226, 26, 188, 26, 124);
    path.lineTo(26, 38);
    path.curveTo(64, 38, 98, 28, 128, 10);
    path.closePath();
    return path;
  }

  private static Path2D banner() {
    var path = new Path2D.Double();
    path.moveTo(34, 14);
    path.lineTo(222, 14);
    path.lineTo(222, 242);
    path.lineTo(128, 196);
    path.lineTo(34, 242);
    path.closePath();
    return path;
  }

  /** A shape as the data of an SVG path, to a tenth. */
  static String data(java.awt.Shape shape) {
    var out = new StringBuilder();
    double[] at = new double[6];
    for (PathIterator i = shape.getPathIterator(null); !i.isDone(); i.next()) {
      int points =
          switch (i.currentSegment(at)) {
            case PathIterator.SEG_MOVETO -> segment(out, 'M', 1);
            case PathIterator.SEG_LINETO -> segment(out, 'L', 1);
            case PathIterator.SEG_QUADTO -> segment(out, 'Q', 2);
            case PathIterator.SEG_CUBICTO -> segment(out, 'C', 3);
            default -> segment(out, 'Z', 0);
          };
      for (int p = 0; p < 2 * points; p++) {
        if (p > 0) out.append(' ');
        number(out, at[p]);
      }
    }
    return out.toString();
  }

  private static int segment(StringBuilder out, char letter, int points) {
    out.append(letter);
    return points;
  }

  static StringBuilder number(StringBuilder out, double value) {
    long tenths = Math.round(value * 10);
    if (tenths % 10 == 0) return out.append(tenths / 10);
    if (tenths < 0) out.append('-');
    long all = Math.abs(tenths);
    return out.append(all / 10).append('.').append(all % 10);
  }
}
