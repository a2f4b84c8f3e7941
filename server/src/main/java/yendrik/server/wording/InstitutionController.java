package yendrik.server.wording;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.server.files.FileUse;
import yendrik.server.files.Files;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.Whole;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.SignedIn;

/** What the institution is called, how it looks and what it says to learners. */
@RestController
@RequestMapping("/api/institution")
class InstitutionController {
  /** A picture is asked for by its hash, so that it never changes. */
  private static final Duration KEPT = Duration.ofDays(365);

  private final Looks looks;
  private final Files files;
  private final Institutions institutions;

  InstitutionController(Looks looks, Files files, Institutions institutions) {
    this.looks = looks;
    this.files = files;
    this.institutions = institutions;
  }

  @GetMapping
  @Needs(Right.ADMINISTER)
  Looks.View institution() {
    return looks.view();
  }

  @PatchMapping
  @Needs(Right.ADMINISTER)
  Looks.View changeInstitution(@Valid @RequestBody FieldsEdit edit) {
    looks.change(edit);
    return changed();
  }

  private Looks.View changed() {
    institutions.changed();
    return looks.view();
  }

  record InstitutionPicture(@NotBlank @Size(max = 100) String upload) {}

  /** Puts a picture that was sent before beside the name. */
  @PutMapping("/picture")
  @Needs(Right.ADMINISTER)
  Looks.View takePicture(SignedIn by, @Valid @RequestBody InstitutionPicture sent) {
    looks.picture(files.picture(by.id(), sent.upload(), FileUse.MARK));
    return changed();
  }

  @DeleteMapping("/picture")
  @Needs(Right.ADMINISTER)
  @ResponseStatus(HttpStatus.OK)
  Looks.View removePicture() {
    looks.noPicture();
    return changed();
  }

  /** The picture, also for those who are about to sign in. */
  @GetMapping("/picture/{hash}")
  @Needs(Right.ANYBODY)
  ResponseEntity<Resource> picture(
      @PathVariable @Size(max = 100) String hash, HttpServletResponse response) {
    Files.Picture picture = looks.picture(hash);
    // In the place of what stands there already for all answers of the API.
    response.setHeader(
        HttpHeaders.CACHE_CONTROL,
        CacheControl.maxAge(KEPT).cachePublic().immutable().getHeaderValue());
    return Whole.of(
        ResponseEntity.ok().contentType(MediaType.parseMediaType(picture.mediaType())),
        picture.content());
  }
}
