package yendrik.server.certificate;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
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
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.words.Phrase;
import yendrik.formats.table.TableFormat;
import yendrik.server.http.Whole;
import yendrik.server.institution.Institutions;
import yendrik.server.jobs.JobView;
import yendrik.server.jobs.Jobs;
import yendrik.server.jobs.Work;
import yendrik.server.people.Accounts;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.people.Whence;
import yendrik.server.watch.report.SheetFile;

/** The certificates of a course. */
@RestController
@RequestMapping("/api/courses/{course}/certificates")
class CertificatesController {
  private static final int MOST = 5_000;
  private final Registered registered;
  private final CertificateRegister register;
  private final Prints prints;
  private final Jobs jobs;
  private final Accounts accounts;
  private final Institutions institutions;

  CertificatesController(
      Registered registered,
      CertificateRegister register,
      Prints prints,
      Jobs jobs,
      Accounts accounts,
      Institutions institutions) {
    this.registered = registered;
    this.register = register;
    this.prints = prints;
    this.jobs = jobs;
    this.accounts = accounts;
    this.institutions = institutions;
  }

  @GetMapping
  @Needs(Right.TEACH)
  List<Registered.CertificateView> certificates(@PathVariable CourseId course, Seat seat) {
    return registered.of(seat);
  }

  /** The register as a file. */
  @GetMapping("/register/{format}")
  @Needs(Right.TEACH)
  void register(
      @PathVariable CourseId course,
      @PathVariable String format,
      Seat seat,
      Whence whence,
      HttpServletResponse response)
      throws IOException {
    TableFormat written = SheetFile.format(format);
    accounts.note(
        Accounts.What.EXPORTED, seat.person(), whence, "certificates of course " + course);
    String title = institutions.say(Phrase.of("certificate.register"));
    SheetFile.write(response, written, "certificates", title, registered.sheet(seat));
  }

  /** One as it is printed. */
  @GetMapping(path = "/{certificate}/pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  @Needs(Right.TEACH)
  ResponseEntity<Resource> certificate(
      @PathVariable CourseId course, @PathVariable long certificate, Seat seat) {
    Prints.File file = prints.one(registered.one(seat, certificate));
    return sent(file.name(), file.content());
  }

  static ResponseEntity<Resource> sent(String name, byte[] pdf) {
    return Whole.of(
        ResponseEntity.ok()
            .contentType(MediaType.APPLICATION_PDF)
            .header(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                    .filename(name + ".pdf", StandardCharsets.UTF_8)
                    .build()
                    .toString()),
        pdf);
  }

  /**
   * @param reason what the register says: "another name"
   */
  @Schema(name = "CertificateAgain")
  record Again(
      @NotNull @Size(min = 3, max = 500, message = "no-reason-for-certificate") String reason) {}

  /** Gives one anew, in the name that its holder has now; the earlier one is valid no more. */
  @PostMapping("/{certificate}/again")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void again(
      @PathVariable CourseId course,
      @PathVariable long certificate,
      Seat seat,
      @Valid @RequestBody Again again) {
    registered.one(seat, certificate);
    register.again(certificate, seat.person().id(), again.reason());
  }

  @Schema(name = "CertificatesToPrint")
  record ToPrint(@NotNull @Size(min = 1, max = MOST) List<@NotNull Long> certificates) {}

  /** Prints many as one file; it is there when the work is done. */
  @PostMapping("/prints")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.ACCEPTED)
  JobView print(@PathVariable CourseId course, Seat seat, @Valid @RequestBody ToPrint asked) {
    registered.seesAll(seat, asked.certificates());
    return jobs.begin(
        seat,
        new Work(
            "certificates",
            /* whole= */ true,
            meter -> prints.print(seat, asked.certificates(), meter)));
  }

  @GetMapping(path = "/prints/{file}", produces = MediaType.APPLICATION_PDF_VALUE)
  @Needs(Right.TEACH)
  ResponseEntity<Resource> printed(
      @PathVariable CourseId course, @PathVariable UUID file, Seat seat) {
    return sent("certificates", prints.printed(seat, file));
  }
}
