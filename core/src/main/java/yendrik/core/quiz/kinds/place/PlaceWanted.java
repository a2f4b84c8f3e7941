package yendrik.core.quiz.kinds.place;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.words.Phrase;

/**
 * A place on a picture. Whoever points into one of the areas, or on its edge, is right; how large
 * the picture is shown does not matter, since places are shares of its width and height.
 *
 * <p>An area from 0.2 across and 0.4 down, 0.1 wide and 0.2 high, takes (0.2, 0.4), (0.25, 0.5) and
 * (0.3, 0.6), and not (0.31, 0.5). If it is round, it takes (0.25, 0.5) and (0.2, 0.5), and its
 * corner (0.2, 0.4) no longer.
 *
 * @param picture the file, none while there is none
 * @param described what the picture shows, for those who do not see it
 * @param areas each of them right
 */
public record PlaceWanted(Optional<Long> picture, String described, List<Area> areas)
    implements Asked<Pointed> {
  /** Shares come from pixels; what is off by less than this was not meant. */
  private static final double EDGE = 1e-9;

  public PlaceWanted {
    areas = List.copyOf(areas);
  }

  /**
   * A right area, a rectangle or the ellipse that touches its sides. All lengths are shares of the
   * picture's width or height.
   *
   * @param id unique in the question
   * @param called what is there
   */
  public record Area(
      String id,
      String called,
      double left,
      double top,
      double width,
      double height,
      boolean round) {
    /** Whether a place is in it or on its edge. */
    public boolean has(double x, double y) {
      double across = Math.abs(x - middleX()) - EDGE;
      double down = Math.abs(y - middleY()) - EDGE;
      return round
          ? square(across / (width / 2)) + square(down / (height / 2)) <= 1
          : across <= width / 2 && down <= height / 2;
    }

    private static double square(double n) {
      return n * n;
    }

    /** The share of the width at which its middle is. */
    public double middleX() {
      return left + width / 2;
    }

    /** The share of the height at which its middle is. */
    public double middleY() {
      return top + height / 2;
    }

    private boolean fits() {
      return width > 0
          && height > 0
          && left >= 0
          && top >= 0
          && left + width <= 1 + EDGE
          && top + height <= 1 + EDGE;
    }
  }

  /** What a place on a picture may lack. */
  public enum Lacks implements Lack {
    PICTURE,
    DESCRIBED,
    AREA,
    CALLED,
    OUTSIDE;

    @Override
    public Phrase words() {
      return Phrase.of("lack.place." + name());
    }
  }

  @Override
  public QuestionKind kind() {
    return QuestionKind.PLACE;
  }

  @Override
  public Class<Pointed> answers() {
    return Pointed.class;
  }

  @Override
  public Mark mark(Pointed answer) {
    return at(answer).isPresent() ? Mark.WHOLE : Mark.NOTHING;
  }

  /** The first area that a place is in. */
  public Optional<Area> at(Pointed place) {
    return areas.stream().filter(a -> a.fits() && a.has(place.x(), place.y())).findFirst();
  }

  @Override
  public List<Lack> lacks() {
    List<Lack> all = new ArrayList<>();
    if (picture.isEmpty()) all.add(Lacks.PICTURE);
    else if (described.isBlank()) all.add(Lacks.DESCRIBED);
    if (areas.isEmpty()) all.add(Lacks.AREA);
    if (areas.stream().anyMatch(a -> a.called().isBlank())) all.add(Lacks.CALLED);
    if (!areas.stream().allMatch(Area::fits)) all.add(Lacks.OUTSIDE);
    return all;
  }
}
