package yendrik.server.design;

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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.ScaleId;
import yendrik.formats.Formats;
import yendrik.formats.framework.Framework;
import yendrik.formats.framework.FrameworkFormat;
import yendrik.formats.refused.Unreadable;
import yendrik.server.files.Upload;
import yendrik.server.http.FileFormat;
import yendrik.server.http.Problem;
import yendrik.server.jobs.JobView;
import yendrik.server.jobs.Jobs;
import yendrik.server.jobs.Work;
import yendrik.server.people.Accounts;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.people.SignedIn;
import yendrik.server.people.Whence;

/** Outcomes out of a course and into it, as files. */
@RestController
@RequestMapping("/api/courses/{course}/design/framework")
class ExchangeController {
  private static final int LARGEST = 20 << 20;
  private final Exchange exchange;
  private final Jobs jobs;
  private final Accounts accounts;

  ExchangeController(Exchange exchange, Jobs jobs, Accounts accounts) {
    this.accounts = accounts;
    this.exchange = exchange;
    this.jobs = jobs;
  }

  /** The formats in which outcomes can be had and taken. */
  @GetMapping
  @Needs(Right.PLAN)
  List<FileFormat> formats(@PathVariable CourseId course) {
    return Formats.FRAMEWORKS.stream().map(f -> new FileFormat(f.name(), f.title())).toList();
  }

  /** The course's outcomes as a file. */
  @GetMapping("/{format}")
  @Needs(Right.PLAN)
  void file(
      @PathVariable CourseId course,
      @PathVariable String format,
      SignedIn person,
      Whence whence,
      HttpServletResponse response)
      throws IOException {
    FrameworkFormat as = format(format);
    accounts.note(Accounts.What.EXPORTED, person, whence, "outcomes of course " + course);
    Exchange.Written written = exchange.written(course);
    response.setContentType(as.mediaType());
    response.setHeader(
        HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"outcomes." + as.ending() + "\"");
    as.writer().write(written.framework(), written.origin(), response.getOutputStream());
  }

  private static FrameworkFormat format(String name) {
    return Formats.framework(name).orElseThrow(() -> Problem.notFound("format"));
  }

  private static Framework read(String format, InputStream body) throws IOException {
    FrameworkFormat as = format(format);
    try (Upload upload = Upload.of(body, as.title(), LARGEST);
        InputStream file = upload.content()) {
      return as.reader().read(file);
    } catch (Unreadable e) {
      throw Problem.faults(e.faults(), "file-has-faults");
    }
  }

  /** What the file that is the body would bring; nothing is changed. */
  @PostMapping(path = "/{format}/comparison")
  @Needs(Right.PLAN)
  Exchange.Comparison compare(
      @PathVariable CourseId course, @PathVariable String format, HttpServletRequest request)
      throws IOException {
    return exchange.compare(course, read(format, request.getInputStream()));
  }

  /** Takes what is new and changed from a file, all of it or nothing. */
  @PostMapping(path = "/{format}/taking")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.ACCEPTED)
  JobView take(
      @PathVariable CourseId course,
      @PathVariable String format,
      @RequestParam ScaleId scale,
      Seat seat,
      HttpServletRequest request)
      throws IOException {
    Framework file = read(format, request.getInputStream());
    return jobs.begin(
        seat,
        new Work(
            "taking",
            /* whole= */ true,
            meter -> {
              Exchange.Comparison taken = exchange.take(seat.course(), file, scale, meter);
              return new Taken(taken.fresh().size(), taken.changed().size());
            }));
  }
}
