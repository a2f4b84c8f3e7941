package yendrik.server.credential;

import jakarta.validation.constraints.Min;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ObjectNode;
import yendrik.server.http.Whole;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

/** Badges for whoever reads Open Badges 2.0, as linked data. */
@RestController
@RequestMapping(path = "/api/public/open-badges-2", produces = HostedController.LINKED)
class HostedController {
  static final String LINKED = "application/ld+json";

  private final Hosted hosted;

  HostedController(Hosted hosted) {
    this.hosted = hosted;
  }

  private static ResponseEntity<Resource> said(HttpStatus status, ObjectNode what) {
    return Whole.of(
        ResponseEntity.status(status).contentType(MediaType.parseMediaType(LINKED)),
        what.toString().getBytes(StandardCharsets.UTF_8));
  }

  /** The assertion of an award that its holder shows; 410 for one that was revoked. */
  @GetMapping("/assertions/{award}")
  @Needs(Right.ANYBODY)
  ResponseEntity<Resource> assertion(@PathVariable UUID award) {
    Hosted.Found found = hosted.assertion(award);
    return said(found.gone() ? HttpStatus.GONE : HttpStatus.OK, found.said());
  }

  /** What an award that its holder shows stands for. */
  @GetMapping("/badges/{award}")
  @Needs(Right.ANYBODY)
  ResponseEntity<Resource> badgeClass(@PathVariable UUID award) {
    return said(HttpStatus.OK, hosted.badge(award));
  }

  @GetMapping("/issuer")
  @Needs(Right.ANYBODY)
  ResponseEntity<Resource> issuerProfile() {
    return said(HttpStatus.OK, hosted.issuer());
  }

  @GetMapping("/keys/{key}")
  @Needs(Right.ANYBODY)
  ResponseEntity<Resource> issuerKey(@PathVariable @Min(1) long key) {
    return said(HttpStatus.OK, hosted.key(key));
  }

  /** What was revoked of what was signed. */
  @GetMapping("/revoked")
  @Needs(Right.ANYBODY)
  ResponseEntity<Resource> revocations() {
    return said(HttpStatus.OK, hosted.revoked());
  }
}
