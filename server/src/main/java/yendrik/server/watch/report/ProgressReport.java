package yendrik.server.watch.report;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.progress.Bead;
import yendrik.formats.table.Cell;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.watch.report.ProgressView.LearnerRow;
import yendrik.server.watch.report.ProgressView.ModuleHead;
import yendrik.server.watch.report.ProgressView.StepHead;
import yendrik.server.way.Summary;

/** Where learners are: a bead for each of them at each step. */
@Component
class ProgressReport implements Report {
  private final Learners learners;
  private final Designs designs;
  private final Clock clock;

  ProgressReport(Learners learners, Designs designs, Clock clock) {
    this.learners = learners;
    this.designs = designs;
    this.clock = clock;
  }

  @Override
  public String name() {
    return "progress";
  }

  @Override
  public ProgressView view(Seat seat, Set<Long> people) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty())
      return new ProgressView(
          0, clock.instant(), "UTC", List.of(), List.of(), List.of(), List.of());
    CourseDesign design = ready.get().document().design();
    List<StepHead> steps = new ArrayList<>();
    for (CourseModule module : design.modules())
      for (Step s : module.steps())
        steps.add(
            new StepHead(
                s.id().value(),
                module.id().value(),
                s.name(),
                s.kind(),
                s.published() && module.published(),
                s.required()));
    return new ProgressView(
        design.version(),
        clock.instant(),
        design.zone().getId(),
        design.modules().stream().map(m -> new ModuleHead(m.id().value(), m.name())).toList(),
        steps,
        ReportView.groups(ready.get(), seat),
        learners.of(seat, people).stream().map(ProgressReport::row).toList());
  }

  private static LearnerRow row(Learners.Snapshot s) {
    int overdue = (int) s.thread().chars().filter(c -> Bead.of((char) c).overdue()).count();
    return new LearnerRow(
        s.enrolment(),
        s.person(),
        s.name(),
        s.lastHere(),
        s.share(),
        s.thread(),
        overdue,
        s.summary().flags(),
        s.summary().groups());
  }

  /** A learner a row, a step a column. */
  @Override
  public Sheet sheet(Seat seat) {
    CourseDesign design =
        designs
            .published(seat.course())
            .orElseThrow(() -> Problem.conflict("Nothing is published yet."))
            .document()
            .design();
    return new Sheet(
        Stream.concat(
                Stream.of("Learner", "Done %", "Last here", "Flags"),
                design.steps().map(Step::name))
            .toList(),
        learners.of(seat).stream().map(ProgressReport::cells));
  }

  private static List<Cell> cells(Learners.Snapshot s) {
    List<Cell> cells = new ArrayList<>();
    cells.add(Cell.of(s.name()));
    cells.add(Cell.of(Math.round(s.share() * 100)));
    cells.add(Cell.of(s.lastHere().map(Instant::toString).orElse("never")));
    cells.add(
        Cell.of(
            s.summary().flags().stream()
                .map(Summary.Raised::name)
                .collect(Collectors.joining(", "))));
    s.thread().chars().forEach(c -> cells.add(Cell.of(words(Bead.of((char) c)))));
    return cells;
  }

  private static String words(Bead bead) {
    String state = bead.state().name().toLowerCase(Locale.ROOT).replace('_', ' ');
    return state
        + (bead.overdue() ? ", overdue" : "")
        + (bead.outOfReach() ? ", out of reach" : "");
  }
}
