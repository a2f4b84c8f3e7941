package yendrik.server.credential;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.server.http.Problem;
import yendrik.server.http.Whole;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

/** Badges for anybody, signed in or not. */
@RestController
@RequestMapping("/api/public")
class PublicBadgesController {
  private static final int MOST = 900_000;
  private static final MediaType CREDENTIAL = MediaType.parseMediaType("application/vc");
  private final PublicBadges badges;

  PublicBadgesController(PublicBadges badges) {
    this.badges = badges;
  }

  /**
   * Something to check.
   *
   * @param file a credential or a picture with one in it, in base64
   * @param email whose it is said to be
   */
  record ToCheck(
      @NotBlank @Size(max = MOST, message = "file-to-check-too-large") String file,
      @NotNull Optional<@Size(max = 200) String> email) {}

  /** Says what holds of a badge, of any issuer. */
  @PostMapping("/check")
  @Needs(Right.ANYBODY)
  PublicBadges.CheckedView checkBadge(@Valid @RequestBody ToCheck given) {
    try {
      return badges.check(Base64.getDecoder().decode(given.file()), given.email());
    } catch (IllegalArgumentException _) {
      throw Problem.field("file", "no-file-to-check");
    }
  }

  /** A badge that its holder shows. */
  @GetMapping("/badges/{award}")
  @Needs(Right.ANYBODY)
  PublicBadges.ShownView shownBadge(@PathVariable UUID award) {
    return badges.shown(award);
  }

  /** What was revoked, as others read it. */
  @GetMapping(path = "/revoked/{list}", produces = "application/vc")
  @Needs(Right.ANYBODY)
  ResponseEntity<Resource> revoked(@PathVariable @Min(0) @Max(100_000) long list) {
    byte[] signed = badges.revoked(list).getBytes(StandardCharsets.UTF_8);
    return Whole.of(ResponseEntity.ok().contentType(CREDENTIAL), signed);
  }

  /** Who issues badges here, and by which keys they are known. */
  @GetMapping("/issuer")
  @Needs(Right.ANYBODY)
  PublicBadges.IssuerView badgeIssuer() {
    return badges.issuer();
  }
}
