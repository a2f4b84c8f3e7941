package yendrik.server.kinds.quiz.bank;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.formats.qti.QtiPackage;
import yendrik.formats.refused.Unreadable;
import yendrik.server.files.Upload;
import yendrik.server.http.Problem;
import yendrik.server.kinds.quiz.bank.BankForms.BankView;
import yendrik.server.kinds.quiz.bank.BankForms.NoteView;
import yendrik.server.kinds.quiz.bank.BankForms.PackageView;
import yendrik.server.people.Accounts;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.people.Whence;

/** Questions of a course as packages of QTI. */
@RestController
@RequestMapping("/api/courses/{course}/design/questions/package")
class PackageController {
  private static final int LARGEST = 64 << 20;
  private final Packages packages;
  private final Accounts accounts;

  PackageController(Packages packages, Accounts accounts) {
    this.packages = packages;
    this.accounts = accounts;
  }

  /** All questions of the course as a package of QTI 3.0. */
  @GetMapping
  @Needs(Right.PLAN)
  void file(@PathVariable CourseId course, Seat seat, Whence whence, HttpServletResponse response)
      throws IOException {
    accounts.note(Accounts.What.EXPORTED, seat.person(), whence, "questions of course " + course);
    response.setContentType("application/zip");
    response.setHeader(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"questions.zip\"");
    packages.write(course, response.getOutputStream());
  }

  /** What that package will not say of them. */
  @GetMapping("/leaves")
  @Needs(Right.PLAN)
  List<NoteView> leaves(@PathVariable CourseId course) {
    return packages.leaves(course);
  }

  private static QtiPackage.Reading read(HttpServletRequest request) throws IOException {
    try (Upload upload = Upload.of(request.getInputStream(), "QTI", LARGEST);
        InputStream file = upload.content()) {
      return QtiPackage.read(file);
    } catch (Unreadable e) {
      throw Problem.faults(e.faults(), "file-has-faults");
    }
  }

  /** What the package that is the body would bring; nothing is changed. */
  @PostMapping("/reading")
  @Needs(Right.PLAN)
  PackageView reading(@PathVariable CourseId course, HttpServletRequest request)
      throws IOException {
    return packages.reading(read(request));
  }

  /** Takes the questions of the package that is the body. */
  @PostMapping
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  List<BankView> take(@PathVariable CourseId course, Seat seat, HttpServletRequest request)
      throws IOException {
    return packages.take(seat, read(request));
  }
}
