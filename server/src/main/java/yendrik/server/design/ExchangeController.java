package yendrik.server.design;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.http.LineWriter;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

@RestController
@RequestMapping("/api/courses/{course}/design/framework")
class ExchangeController {
  private static final int LARGEST = 20_000_000;
  private final Exchange exchange;

  ExchangeController(Exchange exchange) {
    this.exchange = exchange;
  }

  /** The course's outcomes as a CASE 1.1 package. */
  @GetMapping(path = "/case.json", produces = MediaType.APPLICATION_JSON_VALUE)
  @Needs(Right.PLAN)
  ResponseEntity<String> caseFile(@PathVariable long course) {
    return file(course, Exchange.Format.CASE, MediaType.APPLICATION_JSON, "outcomes.case.json");
  }

  /** The course's outcomes as CSV. */
  @GetMapping(path = "/outcomes.csv", produces = "text/csv")
  @Needs(Right.PLAN)
  ResponseEntity<String> csvFile(@PathVariable long course) {
    var csv = new MediaType("text", "csv", StandardCharsets.UTF_8);
    return file(course, Exchange.Format.CSV, csv, "outcomes.csv");
  }

  private ResponseEntity<String> file(
      long course, Exchange.Format format, MediaType type, String name) {
    return ResponseEntity.ok()
        .contentType(type)
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
        .body(exchange.write(new CourseId(course), format));
  }

  record FileEdit(
      @NotNull Exchange.Format format,
      @NotBlank @Size(max = LARGEST, message = "is larger than 20 million characters") String text,
      long scale) {}

  /** What a file would bring; nothing is changed. */
  @PostMapping("/comparison")
  @Needs(Right.PLAN)
  Exchange.Comparison compare(@PathVariable long course, @Valid @RequestBody FileEdit file) {
    return exchange.compare(new CourseId(course), file.format(), file.text());
  }

  /** A line while a file is taken: so many items of so many, and at the end what it brought. */
  record Line(int done, int of, Optional<Exchange.Comparison> taken) {}

  /**
   * Takes what is new and changed from a file. The answer is a line of JSON for each part that is
   * taken, as it is, and a last one when all of it stands.
   */
  @PostMapping(path = "/taking", produces = LineWriter.LINES)
  @Needs(Right.PLAN)
  void take(
      @PathVariable long course, @Valid @RequestBody FileEdit file, HttpServletResponse response) {
    var lines = new LineWriter(response);
    Exchange.Comparison taken =
        exchange.take(
            new CourseId(course),
            file.format(),
            file.text(),
            file.scale(),
            (done, of) -> lines.write(new Line(done, of, Optional.empty())));
    int all = taken.fresh().size() + taken.changed().size();
    lines.write(new Line(all, all, Optional.of(taken)));
  }
}
