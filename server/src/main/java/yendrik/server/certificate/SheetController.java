package yendrik.server.certificate;

import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.List;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.course.Badge;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.words.Phrase;
import yendrik.formats.certificate.CertificatePdf;
import yendrik.formats.certificate.Sheet;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.http.Whole;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

/** A certificate of the draft as it will print. */
@RestController
@RequestMapping("/api/courses/{course}/design/badges/{badge}/sheet")
class SheetController {
  private static final int WIDTH = 1400;
  private final Designs designs;
  private final Paper paper;
  private final Institutions institutions;
  private final Clock clock;

  SheetController(Designs designs, Paper paper, Institutions institutions, Clock clock) {
    this.designs = designs;
    this.paper = paper;
    this.institutions = institutions;
    this.clock = clock;
  }

  /** A page of it as a picture, for somebody of that name. */
  @GetMapping(path = "/png", produces = MediaType.IMAGE_PNG_VALUE)
  @Needs(Right.PLAN)
  ResponseEntity<Resource> sheetPicture(
      @PathVariable CourseId course,
      @PathVariable BadgeId badge,
      @RequestParam(defaultValue = "") @Size(max = 200) String name) {
    byte[] png = CertificatePdf.picture(pdf(course, badge, name), WIDTH);
    return Whole.of(ResponseEntity.ok().contentType(MediaType.IMAGE_PNG), png);
  }

  @GetMapping(path = "/pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  @Needs(Right.PLAN)
  ResponseEntity<Resource> sheetFile(
      @PathVariable CourseId course,
      @PathVariable BadgeId badge,
      @RequestParam(defaultValue = "") @Size(max = 200) String name) {
    return CertificatesController.sent(
        institutions.say(Phrase.of("certificate.sample")), pdf(course, badge, name));
  }

  private byte[] pdf(CourseId course, BadgeId id, String name) {
    Designs.Ready draft = designs.readyDraft(course);
    Badge badge = draft.document().design().badge(id).orElseThrow(() -> Problem.notFound("badge"));
    Sheet sheet =
        draft.document().face(id).sheet().orElseThrow(() -> Problem.notFound("certificate"));
    String of = name.isBlank() ? institutions.say(Phrase.of("certificate.sample-name")) : name;
    return paper.pdf(
        badge.name(),
        List.of(paper.sample(draft, badge, sheet, of.strip(), clock.instant())),
        _ -> {});
  }
}
