package yendrik.server.watch;

import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.course.Step;
import yendrik.core.progress.Bead;
import yendrik.formats.csv.CsvTable;
import yendrik.formats.table.Table;
import yendrik.formats.xlsx.XlsxTable;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.watch.WatchViews.BeadView;
import yendrik.server.watch.WatchViews.CellView;
import yendrik.server.watch.WatchViews.FollowView;
import yendrik.server.watch.WatchViews.GradesView;
import yendrik.server.watch.WatchViews.LearnerView;
import yendrik.server.watch.WatchViews.MasteryView;
import yendrik.server.watch.WatchViews.ProgressView;
import yendrik.server.watch.WatchViews.TrendView;
import yendrik.server.way.Walks;

@RestController
@RequestMapping("/api/courses/{course}")
class WatchController {
  private static final String XLSX =
      "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

  /** How many people can be named in an address. */
  private static final int MOST_ROWS = 200;

  private final Watching watching;
  private final Standings standings;
  private final Learners learners;
  private final Walks walks;

  WatchController(Watching watching, Standings standings, Learners learners, Walks walks) {
    this.watching = watching;
    this.standings = standings;
    this.learners = learners;
    this.walks = walks;
  }

  /** All learners, or only some people among them: those about whom something has changed. */
  @GetMapping("/progress")
  @Needs(Right.TEACH)
  ProgressView progress(
      @PathVariable long course,
      @RequestParam(defaultValue = "") @Size(max = MOST_ROWS) Set<Long> people,
      Seat seat) {
    return watching.progress(seat, people);
  }

  /** The same as a CSV file: a learner a row, a step a column. */
  @GetMapping(path = "/progress.csv", produces = "text/csv")
  @Needs(Right.TEACH)
  ResponseEntity<String> export(@PathVariable long course, Seat seat) {
    var design = watching.course(seat).document().design();
    var table = new CsvTable();
    List<Step> steps = design.steps().toList();
    table.row("Learner", "Done %", "Last here", "Flags");
    steps.forEach(s -> table.cell(s.name()));
    for (Learners.Snapshot s : learners.of(seat)) {
      String flags = String.join(", ", s.summary().flags().stream().map(f -> f.name()).toList());
      table.row(
          s.name(),
          Long.toString(Math.round(s.share() * 100)),
          s.lastHere().map(Instant::toString).orElse("never"),
          flags);
      s.thread().chars().forEach(c -> table.cell(words(Bead.of((char) c))));
    }
    return csv("progress.csv", table);
  }

  private static String words(Bead bead) {
    String state = bead.state().name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
    return state
        + (bead.overdue() ? ", overdue" : "")
        + (bead.outOfReach() ? ", out of reach" : "");
  }

  @GetMapping("/learners/{enrolment}")
  @Needs(Right.TEACH)
  LearnerView learner(@PathVariable long course, @PathVariable long enrolment, Seat seat) {
    return watching.learner(seat, enrolment);
  }

  @GetMapping("/learners/{enrolment}/steps/{step}")
  @Needs(Right.TEACH)
  BeadView bead(
      @PathVariable long course, @PathVariable long enrolment, @PathVariable long step, Seat seat) {
    return watching.bead(seat, enrolment, step);
  }

  /** All learners, or only some people among them. */
  @GetMapping("/mastery")
  @Needs(Right.TEACH)
  MasteryView mastery(
      @PathVariable long course,
      @RequestParam(defaultValue = "") @Size(max = MOST_ROWS) Set<Long> people,
      Seat seat) {
    return watching.mastery(seat, people);
  }

  /** Share at mastery by outcome at the end of each week; of one group, or of all. */
  @GetMapping("/mastery/trend")
  @Needs(Right.TEACH)
  TrendView trend(@PathVariable long course, @RequestParam Optional<Long> group, Seat seat) {
    return standings.trend(seat, group.map(OptionalLong::of).orElse(OptionalLong.empty()));
  }

  /** The same as a CSV file: a learner a row, an outcome a column, levels by name. */
  @GetMapping(path = "/mastery.csv", produces = "text/csv")
  @Needs(Right.TEACH)
  ResponseEntity<String> exportMastery(@PathVariable long course, Seat seat) {
    var table = new CsvTable();
    writeMastery(seat, table);
    return csv("mastery.csv", table);
  }

  /** The same as a workbook, levels by name. */
  @GetMapping(path = "/mastery.xlsx", produces = XLSX)
  @Needs(Right.TEACH)
  ResponseEntity<byte[]> exportWorkbook(@PathVariable long course, Seat seat) {
    var table = new XlsxTable("Mastery");
    writeMastery(seat, table);
    return xlsx("mastery.xlsx", table);
  }

  private void writeMastery(Seat seat, Table table) {
    MasteryView grid = watching.mastery(seat, Set.of());
    table.row("Learner");
    grid.outcomes().forEach(o -> table.cell(o.code()));
    for (WatchViews.MasteryRow row : grid.learners()) {
      table.row(row.name());
      grid.outcomes().forEach(o -> table.cell(level(row, o)));
    }
  }

  private static String level(WatchViews.MasteryRow row, WatchViews.OutcomeHead outcome) {
    int level = row.levels().getOrDefault(outcome.id(), -1);
    return level < 0 ? "" : outcome.levels().get(level);
  }

  /** All learners, or only some people among them. */
  @GetMapping("/grades")
  @Needs(Right.TEACH)
  GradesView grades(
      @PathVariable long course,
      @RequestParam(defaultValue = "") @Size(max = MOST_ROWS) Set<Long> people,
      Seat seat) {
    return standings.grades(seat, people);
  }

  /** The same as a CSV file, with the points of the outcomes' levels after those of the steps. */
  @GetMapping(path = "/grades.csv", produces = "text/csv")
  @Needs(Right.TEACH)
  ResponseEntity<String> exportGrades(@PathVariable long course, Seat seat) {
    var table = new CsvTable();
    standings.writeGrades(seat, table);
    return csv("grades.csv", table);
  }

  /** The same as a workbook. */
  @GetMapping(path = "/grades.xlsx", produces = XLSX)
  @Needs(Right.TEACH)
  ResponseEntity<byte[]> exportGradeBook(@PathVariable long course, Seat seat) {
    var table = new XlsxTable("Grades");
    standings.writeGrades(seat, table);
    return xlsx("grades.xlsx", table);
  }

  private static ResponseEntity<byte[]> xlsx(String name, XlsxTable table) {
    return ResponseEntity.ok()
        .contentType(MediaType.valueOf(XLSX))
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
        .body(table.bytes());
  }

  private static ResponseEntity<String> csv(String name, CsvTable table) {
    return ResponseEntity.ok()
        .contentType(new MediaType("text", "csv", java.nio.charset.StandardCharsets.UTF_8))
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
        .body(table.text());
  }

  @GetMapping("/learners/{enrolment}/outcomes/{outcome}")
  @Needs(Right.TEACH)
  CellView cell(
      @PathVariable long course,
      @PathVariable long enrolment,
      @PathVariable long outcome,
      Seat seat) {
    return watching.cell(seat, enrolment, outcome);
  }

  @GetMapping("/follow-up")
  @Needs(Right.TEACH)
  List<FollowView> followUp(@PathVariable long course, Seat seat) {
    return watching.followUp(seat);
  }
}
