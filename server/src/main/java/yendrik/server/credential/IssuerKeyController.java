package yendrik.server.credential;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

/** The keys that badges are signed with, in the hands of administrators. */
@RestController
class IssuerKeyController {
  private final IssuerKeyStore keys;

  IssuerKeyController(IssuerKeyStore keys) {
    this.keys = keys;
  }

  /** Makes new keys; what was signed with the old ones still checks. */
  @PostMapping("/api/institution/issuer-keys")
  @Needs(Right.ADMINISTER)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void changeKeys() {
    keys.change();
  }
}
