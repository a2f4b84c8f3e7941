package yendrik.server.design;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.formats.badge.Art;
import yendrik.formats.badge.Drawing;
import yendrik.formats.badge.OwnPicture;
import yendrik.server.http.Whole;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Drawing badges, and showing what is drawn. */
@RestController
class BadgeStudioController {
  /** A drawing is asked for by all that it shows, so that it never changes. */
  private static final Duration KEPT = Duration.ofDays(30);

  private final BadgePictures pictures;
  private final BadgeSigns signs;

  BadgeStudioController(BadgePictures pictures, BadgeSigns signs) {
    this.pictures = pictures;
    this.signs = signs;
  }

  /**
   * What there is to choose among.
   *
   * @param outlines by shape, as path data in a box of 256
   * @param colours by name, as sRGB in six digits
   * @param signs the address of a file with all signs and their tags
   */
  record BadgeStudio(
      Map<Art.Shape, String> outlines, Map<Art.Colour, String> colours, String signs) {}

  @GetMapping("/api/badges/studio")
  @Needs(Right.SIGNED_IN)
  BadgeStudio badgeStudio() {
    Map<Art.Shape, String> outlines = new TreeMap<>();
    for (Art.Shape shape : Art.Shape.values()) outlines.put(shape, Drawing.outline(shape));
    Map<Art.Colour, String> colours = new TreeMap<>();
    for (Art.Colour colour : Art.Colour.values()) colours.put(colour, colour.hex());
    return new BadgeStudio(outlines, colours, signs.address());
  }

  /** A badge as it is drawn from its parts. */
  @GetMapping(path = "/api/badges/drawing", produces = "image/svg+xml")
  @Needs(Right.SIGNED_IN)
  ResponseEntity<Resource> drawing(
      @RequestParam Art.Shape shape,
      @RequestParam(defaultValue = "NONE") Art.Edge edge,
      @RequestParam(defaultValue = "NONE") Art.Pattern pattern,
      @RequestParam(defaultValue = "") @Pattern(regexp = "[a-z0-9-]{0,60}") String sign,
      @RequestParam(defaultValue = "FILL") Art.SignStyle signStyle,
      @RequestParam Art.Colour colour,
      @RequestParam(defaultValue = "PAPER") Art.Colour signColour,
      @RequestParam(defaultValue = "PAPER") Art.Colour trimColour,
      @RequestParam(defaultValue = "PAPER") Art.Colour wordsColour,
      @RequestParam(defaultValue = "") @Size(max = 100) String words,
      @RequestParam(defaultValue = "NOWHERE") Art.WordsAt wordsAt,
      HttpServletResponse response) {
    var art =
        new Art(
            shape,
            edge,
            pattern,
            sign,
            signStyle,
            colour,
            signColour,
            trimColour,
            wordsColour,
            words,
            wordsAt);
    byte[] svg = Drawing.svg(art, signs.get(), "").getBytes(StandardCharsets.UTF_8);
    return sent(new OwnPicture(OwnPicture.SVG, svg), response);
  }

  /** A picture of one's own. */
  @GetMapping(
      path = "/api/badges/pictures/{hash}",
      produces = {"image/svg+xml", "image/png"})
  @Needs(Right.SIGNED_IN)
  ResponseEntity<Resource> badgePicture(
      @PathVariable @Pattern(regexp = "[0-9a-f]{64}") String hash, HttpServletResponse response) {
    return sent(pictures.own(hash), response);
  }

  static ResponseEntity<Resource> sent(OwnPicture picture, HttpServletResponse response) {
    // In the place of what stands there already for all answers of the API.
    response.setHeader(
        HttpHeaders.CACHE_CONTROL,
        CacheControl.maxAge(KEPT).cachePrivate().immutable().getHeaderValue());
    // Whoever opens the picture by itself runs nothing that might have been overlooked.
    response.setHeader(
        "Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'; sandbox");
    return Whole.of(
        ResponseEntity.ok().contentType(MediaType.parseMediaType(picture.mediaType())),
        picture.content());
  }

  /**
   * @param upload by the last part of its address
   */
  record SentBadgePicture(@NotBlank @Size(max = 100) String upload) {}

  /**
   * @param hash by which it is asked for
   */
  record KeptBadgePicture(String hash) {}

  /** Keeps a picture that was sent before, made harmless and square. */
  @PostMapping("/api/courses/{course}/design/badge-pictures")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  KeptBadgePicture keepBadgePicture(
      @PathVariable CourseId course, Seat seat, @Valid @RequestBody SentBadgePicture sent) {
    return new KeptBadgePicture(pictures.keep(seat.person().id(), sent.upload()));
  }

  /** Keeps a picture of a written name that was sent before. */
  @PostMapping("/api/courses/{course}/design/signatures")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  KeptBadgePicture keepSignature(
      @PathVariable CourseId course, Seat seat, @Valid @RequestBody SentBadgePicture sent) {
    return new KeptBadgePicture(pictures.keepSignature(seat.person().id(), sent.upload()));
  }
}
