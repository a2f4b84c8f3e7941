package yendrik.server.watch.report;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.formats.Formats;
import yendrik.formats.table.TableFormat;
import yendrik.server.design.Designs;
import yendrik.server.http.FileFormat;
import yendrik.server.http.Problem;
import yendrik.server.people.Accounts;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.people.Whence;

/** All reports, looked at and as files. */
@RestController
@RequestMapping("/api/courses/{course}/reports")
class ReportController {
  /** How many people can be named in an address. */
  private static final int MOST_ROWS = 200;

  private final Map<String, Report> reports;
  private final Accounts accounts;
  private final Designs designs;
  private final Clock clock;

  ReportController(List<Report> reports, Accounts accounts, Designs designs, Clock clock) {
    this.accounts = accounts;
    this.designs = designs;
    this.clock = clock;
    this.reports = reports.stream().collect(Collectors.toMap(Report::name, Function.identity()));
  }

  /** The formats in which every report can be had as a file. */
  @GetMapping
  @Needs(Right.TEACH)
  List<FileFormat> formats(@PathVariable CourseId course) {
    return Formats.TABLES.stream().map(f -> new FileFormat(f.name(), f.title())).toList();
  }

  /** A report about all learners, or only some: those about whom something has changed. */
  @GetMapping("/{report}")
  @Needs(Right.TEACH)
  @Transactional(readOnly = true)
  ReportView report(
      @PathVariable CourseId course,
      @PathVariable String report,
      @RequestParam(defaultValue = "") @Size(max = MOST_ROWS) Set<PersonId> people,
      Seat seat) {
    return one(report).view(seat, people);
  }

  /** The same as a file, written while its rows are made. */
  @GetMapping("/{report}/{format}")
  @Needs(Right.TEACH)
  void file(
      @PathVariable CourseId course,
      @PathVariable String report,
      @PathVariable String format,
      Seat seat,
      Whence whence,
      HttpServletResponse response)
      throws IOException {
    TableFormat written = SheetFile.format(format);
    Report.Sheet sheet = one(report).sheet(seat);
    accounts.note(Accounts.What.EXPORTED, seat.person(), whence, report + " of course " + course);
    SheetFile.write(response, written, report, title(course, report), sheet);
  }

  /** What a report is about, and on which day. */
  private String title(CourseId course, String report) {
    String name = report.substring(0, 1).toUpperCase(Locale.ROOT) + report.substring(1);
    return designs
        .published(course)
        .map(ready -> ready.document().design())
        .map(d -> name + " · " + d.name() + " · " + LocalDate.ofInstant(clock.instant(), d.zone()))
        .orElse(name);
  }

  private Report one(String name) {
    Report report = reports.get(name);
    if (report == null) throw Problem.notFound("report");
    return report;
  }
}
