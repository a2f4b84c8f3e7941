package yendrik.server.credential;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
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
import yendrik.server.people.Whence;

/** Badges for anybody, signed in or not. */
@RestController
@RequestMapping("/api/public")
class PublicBadgesController {
  private static final int MOST = 900_000;
  private static final MediaType CREDENTIAL = MediaType.parseMediaType("application/vc");
  private static final MediaType TOKEN = MediaType.parseMediaType("application/vc+jwt");

  /** Checking takes the machine's time: from one place it is asked for as often as people can. */
  private static final int MOST_A_MINUTE = 120;

  private static final Duration MINUTE = Duration.ofMinutes(1);
  private static final int PLACES = 10_000;

  private final Cache<String, AtomicInteger> asked =
      Caffeine.newBuilder().expireAfterWrite(MINUTE).maximumSize(PLACES).build();

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
  PublicBadges.CheckedView checkBadge(Whence whence, @Valid @RequestBody ToCheck given) {
    if (asked.get(whence.address(), _ -> new AtomicInteger()).incrementAndGet() > MOST_A_MINUTE)
      throw Problem.tooMany(Optional.of(MINUTE.toSeconds()), "too-many-checks");
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
    return list(CREDENTIAL, badges.revoked(list, Optional.empty(), /* token= */ false));
  }

  /**
   * The same, signed with the keys that signed the credential: they may have been changed since.
   */
  @GetMapping(path = "/revoked/{list}/of/{key}", produces = "application/vc")
  @Needs(Right.ANYBODY)
  ResponseEntity<Resource> revokedOfKey(
      @PathVariable @Min(0) @Max(100_000) long list, @PathVariable @Min(1) long key) {
    return list(CREDENTIAL, badges.revoked(list, Optional.of(key), /* token= */ false));
  }

  /** The same as a token, for credentials that are one. */
  @GetMapping(path = "/revoked/{list}/of/{key}/token", produces = "application/vc+jwt")
  @Needs(Right.ANYBODY)
  ResponseEntity<Resource> revokedToken(
      @PathVariable @Min(0) @Max(100_000) long list, @PathVariable @Min(1) long key) {
    return list(TOKEN, badges.revoked(list, Optional.of(key), /* token= */ true));
  }

  private static ResponseEntity<Resource> list(MediaType as, String signed) {
    return Whole.of(ResponseEntity.ok().contentType(as), signed.getBytes(StandardCharsets.UTF_8));
  }

  /** Who issues badges here, and by which keys they are known. */
  @GetMapping("/issuer")
  @Needs(Right.ANYBODY)
  PublicBadges.IssuerView badgeIssuer() {
    return badges.issuer();
  }
}
