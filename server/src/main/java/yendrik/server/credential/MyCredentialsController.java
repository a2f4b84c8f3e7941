package yendrik.server.credential;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.server.http.Whole;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.SignedIn;

/** A person's own badges. */
@RestController
@RequestMapping("/api/account/badges")
class MyCredentialsController {
  private final MyCredentials credentials;

  MyCredentialsController(MyCredentials credentials) {
    this.credentials = credentials;
  }

  @GetMapping
  @Needs(Right.SIGNED_IN)
  List<MyCredentials.AwardView> myAwards(SignedIn me) {
    return credentials.of(me.id());
  }

  /** All badges as one record that can be checked anywhere. */
  @GetMapping(path = "/record", produces = "application/vc+jwt")
  @Needs(Right.SIGNED_IN)
  ResponseEntity<Resource> takeAllAlong(SignedIn me) {
    return sent(credentials.record(me.id()));
  }

  /** A badge as a file that can be checked anywhere. */
  @GetMapping(
      path = "/{award}/{form}",
      produces = {
        "image/png",
        "image/svg+xml",
        "application/vc",
        "application/vc+jwt",
        "application/pdf"
      })
  @Needs(Right.SIGNED_IN)
  ResponseEntity<Resource> takeAlong(
      SignedIn me, @PathVariable UUID award, @PathVariable MyCredentials.Form form) {
    return sent(credentials.file(me.id(), award, form));
  }

  private static ResponseEntity<Resource> sent(MyCredentials.Taken file) {
    return Whole.of(
        ResponseEntity.ok()
            .contentType(MediaType.parseMediaType(file.mediaType()))
            .header(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                    .filename(file.name(), StandardCharsets.UTF_8)
                    .build()
                    .toString()),
        file.content());
  }

  /**
   * @param shown whether everybody may see it
   */
  record Showing(boolean shown) {}

  @PutMapping("/{award}/showing")
  @Needs(Right.SIGNED_IN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void showBadge(SignedIn me, @PathVariable UUID award, @RequestBody Showing showing) {
    credentials.show(me.id(), award, showing.shown());
  }
}
