package yendrik.core.look;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import yendrik.core.Refusal;

/**
 * An institution's own colours. States keep theirs: they mean the same everywhere.
 *
 * @param colours by what they are for; what is not there is as it ships
 */
public record Look(Map<Place, Colour> colours) {
  /** The least contrast of text (W3C, Web Content Accessibility Guidelines 2.2, level AA). */
  public static final double LEAST = 4.5;

  public static final Look SHIPPED = new Look(Map.of());

  /** How much of white stands in what is raised from the band. */
  private static final double RAISED = 0.08;

  private static final int STEPS = 100;

  /** What has a colour. */
  public enum Place {
    /** The band at the top. */
    BAND(Scheme.LIGHT),
    BAND_DARK(Scheme.DARK),
    /** Buttons and links: where one can act. */
    ACT(Scheme.LIGHT),
    ACT_DARK(Scheme.DARK);

    private final Scheme scheme;

    Place(Scheme scheme) {
      this.scheme = scheme;
    }

    /** The colour that ships. */
    public Colour shipped() {
      return Tones.of(scheme, band() ? "band" : "madder");
    }

    private boolean band() {
      return this == BAND || this == BAND_DARK;
    }
  }

  public Look {
    colours = Map.copyOf(new HashMap<>(colours));
  }

  /**
   * The same, if all that is written in these colours and on them can be read.
   *
   * @throws Refusal naming a colour that cannot, its contrast, and one like it that can be read
   */
  public Look checked() {
    colours.forEach((place, colour) -> {
      double least = least(place, colour);
      if (least < LEAST)
        throw new Refusal(
            "too-little-contrast",
            "place",
            place.name(),
            "ratio",
            Math.floor(least * 10) / 10,
            "least",
            LEAST,
            "like",
            like(place, colour).written());
    });
    return this;
  }

  /** The least contrast of what is written in a colour or on it. */
  static double least(Place place, Colour colour) {
    Scheme scheme = place.scheme;
    if (place.band())
      return Math.min(
          colour.contrast(Tones.of(scheme, "bandInk")),
          colour.lighter(RAISED).contrast(Tones.of(scheme, "bandSoft")));
    double on =
        List.of("panel", "ground").stream()
            .mapToDouble(ground -> colour.contrast(Tones.of(scheme, ground)))
            .min()
            .orElseThrow();
    return Math.min(on, colour.contrast(ink(colour)));
  }

  /** What is written on a colour: the ink of the scheme in which it can be read better. */
  public static Colour ink(Colour colour) {
    Colour dark = Tones.of(Scheme.LIGHT, "ink");
    Colour light = Tones.of(Scheme.LIGHT, "panel");
    return colour.contrast(dark) > colour.contrast(light) ? dark : light;
  }

  /** The colour next to one, lighter or darker, that can be read. */
  private static Colour like(Place place, Colour colour) {
    Predicate<Colour> readable = c -> least(place, c) >= LEAST;
    for (int step = 1; step <= STEPS; step++) {
      double share = step / (double) STEPS;
      Optional<Colour> found =
          List.of(colour.darker(share), colour.lighter(share)).stream()
              .filter(readable)
              .findFirst();
      if (found.isPresent()) return found.get();
    }
    return place.shipped();
  }
}
