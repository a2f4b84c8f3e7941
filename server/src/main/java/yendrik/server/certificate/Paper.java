package yendrik.server.certificate;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntConsumer;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.OutcomeId;
import yendrik.core.look.Look;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;
import yendrik.formats.badge.Art;
import yendrik.formats.certificate.Certificate;
import yendrik.formats.certificate.CertificatePdf;
import yendrik.formats.certificate.Sheet;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.AwardRecord;
import yendrik.schema.tables.records.CertificateRecord;
import yendrik.server.design.BadgeFace;
import yendrik.server.design.BadgePicture;
import yendrik.server.design.BadgePictures;
import yendrik.server.design.Designs;
import yendrik.server.institution.Institution;
import yendrik.server.institution.Institutions;

/** What stands on certificates, and badges on paper. */
@Component
public class Paper {
  /** Of a badge's picture, in pixels. */
  private static final int PICTURE = 640;

  /** A day that ends a time is its last one, not the midnight after it. */
  static final Duration MOMENT = Duration.ofSeconds(1);

  private static final int KEPT = 40;

  /** A picture never changes; many certificates have the same one. */
  private final Cache<BadgePicture, byte[]> drawn = Caffeine.newBuilder().maximumSize(KEPT).build();

  /** The institution's picture by its hash and what it shows. */
  private final Cache<String, Optional<Certificate.Picture>> marks =
      Caffeine.newBuilder().maximumSize(2).build();

  private final BadgePictures pictures;
  private final Institutions institutions;
  private final Scripts scripts;
  private final String address;

  Paper(
      BadgePictures pictures,
      Institutions institutions,
      Scripts scripts,
      @Value("${yendrik.address}") String address) {
    this.pictures = pictures;
    this.institutions = institutions;
    this.scripts = scripts;
    this.address = address;
  }

  /**
   * Of whom and since when.
   *
   * @param levels by the keys of their scale; of an outcome that is not there nothing was shown
   */
  record Held(
      String name,
      Instant awardedAt,
      Optional<Instant> endsAt,
      Map<OutcomeId, Integer> levels,
      Optional<String> number,
      Optional<Certificate.Code> code) {}

  /** Certificates of one badge as a file. */
  byte[] pdf(String title, List<Certificate> certificates, IntConsumer done) {
    return CertificatePdf.of(title, certificates, scripts.letters(), done);
  }

  /** A certificate as it stands in the register. */
  Certificate of(CertificateRecord certificate, AwardRecord award, Designs.Ready ready) {
    Badge badge = ready.document().design().badge(award.getBadgeId()).orElseThrow();
    return of(
        ready,
        badge,
        ready.document().face(badge.id()).sheet().orElse(Sheet.PLAIN),
        new Held(
            certificate.getName(),
            award.getAwardedAt(),
            Optional.ofNullable(award.getEndsAt()),
            levels(award),
            Optional.of(certificate.getNumber()),
            Optional.of(
                code(
                    address + "/certificate/" + certificate.getCode(),
                    address + "/certificate",
                    certificate.getCode()))));
  }

  /**
   * A badge that is no certificate, on paper.
   *
   * @param shown the address of the page that shows it
   */
  public byte[] plain(String name, AwardRecord award, Designs.Ready ready, Optional<String> shown) {
    Badge badge = ready.document().design().badge(award.getBadgeId()).orElseThrow();
    Certificate certificate =
        of(
            ready,
            badge,
            Sheet.PLAIN,
            new Held(
                name,
                award.getAwardedAt(),
                Optional.ofNullable(award.getEndsAt()),
                levels(award),
                Optional.empty(),
                shown.map(page -> code(page, page, ""))));
    return pdf(badge.name(), List.of(certificate), _ -> {});
  }

  private Certificate.Code code(String of, String where, String typed) {
    String plain = where.replaceFirst("^https?://", "");
    return new Certificate.Code(
        of, institutions.say(Phrase.of("certificate.check-at", "address", plain)), typed);
  }

  /** A certificate that nobody has, to be looked at while it is laid out. */
  Certificate sample(Designs.Ready draft, Badge badge, Sheet sheet, String name, Instant now) {
    CourseDesign design = draft.document().design();
    Map<OutcomeId, Integer> levels = new HashMap<>();
    for (Outcome outcome : design.outcomes()) {
      Scale scale = outcome.scale();
      levels.put(outcome.id(), scale.levels().get(scale.mastery()).key());
    }
    return of(
        draft,
        badge,
        sheet,
        new Held(
            name,
            now,
            badge.validity().end(now, design.zone()),
            levels,
            Optional.of(now.atZone(design.zone()).getYear() + "-00000"),
            Optional.of(
                code(address + "/certificate", address + "/certificate", "0000-0000-0000"))));
  }

  private Certificate of(Designs.Ready ready, Badge badge, Sheet sheet, Held held) {
    BadgeFace face = ready.document().face(badge.id());
    CourseDesign design = ready.document().design();
    Institution institution = institutions.now();
    boolean code = sheet.fields().contains(Sheet.Field.CODE) || held.number().isEmpty();
    return new Certificate(
        sheet,
        "en",
        colour(sheet, institution),
        held.name(),
        badge.name(),
        sheet.fields().contains(Sheet.Field.DESCRIPTION) ? badge.description() : "",
        new Certificate.Picture(
            "image/png",
            drawn.get(face.picture(), picture -> pictures.png(picture, PICTURE)),
            face.picture().alt().isEmpty() ? badge.name() : face.picture().alt()),
        institution.issuer(),
        institution.picture().flatMap(hash -> mark(hash, institution.name())),
        outcomes(design, face, sheet, held),
        sheet
            .hours()
            .map(hours -> institutions.say(Phrase.of("certificate.hours", "n", hours)))
            .orElse(""),
        lines(sheet, held, design.zone()),
        held.code().filter(_ -> code),
        sheet.signatures().stream().map(this::signed).toList());
  }

  private Optional<Certificate.Picture> mark(String hash, String name) {
    return marks.get(
        hash + " " + name,
        _ ->
            institutions
                .mark()
                .map(mark -> new Certificate.Picture(mark.mediaType(), mark.content(), name)));
  }

  private static String colour(Sheet sheet, Institution institution) {
    return sheet
        .colour()
        .map(Art.Colour::hex)
        .orElseGet(() ->
            institution.colours().getOrDefault(Look.Place.ACT, Look.Place.ACT.shipped().written()));
  }

  private static List<Certificate.Shown> outcomes(
      CourseDesign design, BadgeFace face, Sheet sheet, Held held) {
    if (!sheet.fields().contains(Sheet.Field.OUTCOMES)) return List.of();
    List<Certificate.Shown> shown = new ArrayList<>();
    for (OutcomeId id : face.outcomes())
      design
          .outcome(id)
          .ifPresent(outcome ->
              shown.add(
                  new Certificate.Shown(
                      outcome.name(),
                      Optional.ofNullable(held.levels().get(id))
                          .filter(_ -> sheet.fields().contains(Sheet.Field.LEVELS))
                          .flatMap(key -> level(outcome.scale(), key)))));
    return shown;
  }

  private static Optional<String> level(Scale scale, int key) {
    return scale.levels().stream()
        .filter(level -> level.key() == key)
        .map(Scale.Level::name)
        .findFirst();
  }

  private List<Certificate.Line> lines(Sheet sheet, Held held, ZoneId zone) {
    var writing = new Writing(institutions.catalogue(), zone, 0);
    boolean plain = held.number().isEmpty();
    List<Certificate.Line> lines = new ArrayList<>();
    if (sheet.fields().contains(Sheet.Field.NUMBER))
      held.number().ifPresent(number -> lines.add(line("certificate.number", number)));
    if (plain || sheet.fields().contains(Sheet.Field.DAY))
      lines.add(line("certificate.given-on", writing.date(held.awardedAt())));
    if (plain || sheet.fields().contains(Sheet.Field.END))
      held.endsAt()
          .ifPresent(
              end -> lines.add(line("certificate.valid-until", writing.date(end.minus(MOMENT)))));
    return lines;
  }

  private Certificate.Line line(String key, String value) {
    return new Certificate.Line(institutions.say(Phrase.of(key)), value);
  }

  private Certificate.Signed signed(Sheet.Signature signature) {
    return new Certificate.Signed(
        signature.name(),
        signature.office(),
        signature
            .picture()
            .map(hash ->
                new Certificate.Picture(
                    "image/png",
                    pictures.own(hash).content(),
                    institutions.say(
                        Phrase.of("certificate.signed-by", "name", signature.name())))));
  }

  private static Map<OutcomeId, Integer> levels(AwardRecord award) {
    Map<OutcomeId, Integer> levels = new HashMap<>();
    JsonNode kept = CoreJson.mapper().readTree(award.getLevels().data());
    kept.properties()
        .forEach(level ->
            levels.put(new OutcomeId(Long.parseLong(level.getKey())), level.getValue().asInt()));
    return levels;
  }
}
