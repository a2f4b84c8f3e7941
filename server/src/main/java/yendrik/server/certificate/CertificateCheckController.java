package yendrik.server.certificate;

import jakarta.validation.constraints.Size;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

/** Certificates for whoever has the paper in their hands. */
@RestController
class CertificateCheckController {
  private final Registered registered;

  CertificateCheckController(Registered registered) {
    this.registered = registered;
  }

  /** What the register says of the code on a paper. */
  @GetMapping("/api/public/certificates/{code}")
  @Needs(Right.ANYBODY)
  Registered.CheckedView checkCertificate(@PathVariable @Size(max = 40) String code) {
    return registered.checked(code);
  }
}
