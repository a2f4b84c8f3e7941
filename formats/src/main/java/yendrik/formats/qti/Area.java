package yendrik.formats.qti;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import yendrik.core.quiz.kinds.place.PlaceWanted;

/** An area of a picture, in pixels from its top left corner; what is beside the picture is gone. */
record Area(double left, double top, double right, double bottom, boolean round, Size size) {
  /** The area that an element says; none when it says none. */
  static Optional<Area> of(Tag tag, Size size) {
    List<Double> at =
        Arrays.stream(tag.attr("coords").orElse("").split("[,\\s]+", -1))
            .flatMap(n -> Tag.toNumber(n).stream())
            .toList();
    String shape = tag.attr("shape").orElse("default");
    if (shape.equals("poly") && at.size() >= 6) return poly(at, size);
    return switch (shape + at.size()) {
      case "default0" -> Optional.of(new Area(0, 0, size.width(), size.height(), false, size));
      case "rect4" ->
          Optional.of(new Area(at.get(0), at.get(1), at.get(2), at.get(3), false, size));
      case "circle3" -> around(at.get(0), at.get(1), at.get(2), at.get(2), size);
      case "ellipse4" -> around(at.get(0), at.get(1), at.get(2), at.get(3), size);
      default -> Optional.empty();
    };
  }

  private static Optional<Area> around(double x, double y, double across, double down, Size size) {
    return Optional.of(new Area(x - across, y - down, x + across, y + down, true, size));
  }

  /** The rectangle around a shape of any corners. */
  private static Optional<Area> poly(List<Double> at, Size size) {
    List<Double> xs = every(at, 0);
    List<Double> ys = every(at, 1);
    return Optional.of(new Area(least(xs), least(ys), most(xs), most(ys), false, size));
  }

  private static List<Double> every(List<Double> at, int from) {
    return IntStream.range(0, at.size() / 2).mapToObj(n -> at.get(2 * n + from)).toList();
  }

  private static double least(List<Double> all) {
    return all.stream().mapToDouble(d -> d).min().orElse(0);
  }

  private static double most(List<Double> all) {
    return all.stream().mapToDouble(d -> d).max().orElse(0);
  }

  PlaceWanted.Area called(String id, String name) {
    double x = Math.clamp(left / size.width(), 0, 1);
    double y = Math.clamp(top / size.height(), 0, 1);
    return new PlaceWanted.Area(
        id,
        name,
        x,
        y,
        Math.clamp(right / size.width(), 0, 1) - x,
        Math.clamp(bottom / size.height(), 0, 1) - y,
        round);
  }
}
