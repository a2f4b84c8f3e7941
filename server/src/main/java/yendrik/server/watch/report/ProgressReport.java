package yendrik.server.watch.report;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Bead;
import yendrik.core.words.Phrase;
import yendrik.formats.table.Cell;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
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
  private final Institutions institutions;

  ProgressReport(Learners learners, Designs designs, Institutions institutions, Clock clock) {
    this.institutions = institutions;
    this.learners = learners;
    this.designs = designs;
    this.clock = clock;
  }

  @Override
  public String name() {
    return "progress";
  }

  @Override
  public ProgressView view(Seat seat, Set<PersonId> people) {
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
                s.id(),
                module.id(),
                s.name(),
                s.kind(),
                s.published() && module.published(),
                s.required()));
    return new ProgressView(
        design.version(),
        clock.instant(),
        design.zone().getId(),
        design.modules().stream().map(m -> new ModuleHead(m.id(), m.name())).toList(),
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
            .orElseThrow(() -> Problem.conflict("nothing-published"))
            .document()
            .design();
    return new Sheet(
        Stream.concat(
                Stream.of("learner", "done", "last-here", "flags")
                    .map(head -> institutions.say(Phrase.of("report." + head))),
                design.steps().map(Step::name))
            .toList(),
        learners.of(seat).stream().map(this::cells));
  }

  private List<Cell> cells(Learners.Snapshot s) {
    List<Cell> cells = new ArrayList<>();
    cells.add(Cell.of(s.name()));
    cells.add(Cell.of(Math.round(s.share() * 100)));
    cells.add(
        Cell.of(
            s.lastHere()
                .map(Instant::toString)
                .orElseGet(() -> institutions.say(Phrase.of("report.never")))));
    cells.add(
        Cell.of(
            s.summary().flags().stream()
                .map(Summary.Raised::name)
                .collect(Collectors.joining(", "))));
    s.thread().chars().forEach(c -> cells.add(Cell.of(words(Bead.of((char) c)))));
    return cells;
  }

  private String words(Bead bead) {
    List<Phrase> words = new ArrayList<>();
    words.add(Phrase.of("state." + bead.state().name()));
    if (bead.overdue()) words.add(Phrase.of("state.overdue"));
    if (bead.outOfReach()) words.add(Phrase.of("state.out-of-reach"));
    return institutions.say(Phrase.of("text", "text", new Phrase.Listed(words)));
  }
}
