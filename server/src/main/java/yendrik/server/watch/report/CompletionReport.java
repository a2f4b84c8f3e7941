package yendrik.server.watch.report;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Bead;
import yendrik.core.progress.StepState;
import yendrik.core.words.Phrase;
import yendrik.formats.table.Cell;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Seat;
import yendrik.server.watch.CompletionWords;
import yendrik.server.watch.Learners;
import yendrik.server.watch.report.CompletionView.CompletionCell;
import yendrik.server.watch.report.CompletionView.CompletionHead;
import yendrik.server.watch.report.CompletionView.CompletionRow;
import yendrik.server.watch.report.CompletionView.CompletionStep;

/** Who has completed what, when, and who is nearly there; nothing is graded for it. */
@Component
class CompletionReport implements Report {
  private final Learners learners;
  private final Designs designs;
  private final Institutions institutions;
  private final CompletionWords words;

  CompletionReport(
      Learners learners, Designs designs, Institutions institutions, CompletionWords words) {
    this.learners = learners;
    this.designs = designs;
    this.institutions = institutions;
    this.words = words;
  }

  @Override
  public String name() {
    return "completion";
  }

  @Override
  public CompletionView view(Seat seat, Set<PersonId> people) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return new CompletionView(0, "", List.of(), List.of(), List.of());
    CourseDesign design = ready.get().document().design();
    Map<EnrolmentId, Map<ModuleId, Instant>> done = learners.modulesDone(seat.course(), people);
    return new CompletionView(
        ready.get().version(),
        words.says(design),
        published(design).map(CompletionReport::head).toList(),
        ReportView.groups(ready.get(), seat),
        learners.of(seat, people).stream()
            .map(s -> row(s, design, done.getOrDefault(s.enrolment(), Map.of())))
            .toList());
  }

  private static Stream<CourseModule> published(CourseDesign design) {
    return design.modules().stream().filter(CourseModule::published);
  }

  private static CompletionHead head(CourseModule module) {
    return new CompletionHead(
        module.id(),
        module.name(),
        module.steps().stream()
            .map(s -> new CompletionStep(s.id(), s.name(), s.required()))
            .toList());
  }

  private static CompletionRow row(
      Learners.Snapshot s, CourseDesign design, Map<ModuleId, Instant> done) {
    return new CompletionRow(
        s.enrolment(),
        s.person(),
        s.name(),
        s.summary().groups(),
        !s.summary().flags().isEmpty(),
        s.share(),
        s.completedAt(),
        s.summary().missing(),
        s.summary().left(),
        cells(s, design, done));
  }

  private static Map<ModuleId, CompletionCell> cells(
      Learners.Snapshot s, CourseDesign design, Map<ModuleId, Instant> done) {
    Map<ModuleId, CompletionCell> cells = new LinkedHashMap<>();
    int from = 0;
    for (CourseModule module : design.modules()) {
      int to = from + module.steps().size();
      // a state that is not worked out under this version yet may have another length
      if (module.published() && to <= s.thread().length())
        cell(module, s.thread().substring(from, to), Optional.ofNullable(done.get(module.id())))
            .ifPresent(cell -> cells.put(module.id(), cell));
      from = to;
    }
    return cells;
  }

  private static Optional<CompletionCell> cell(
      CourseModule module, String thread, Optional<Instant> at) {
    int done = 0;
    int of = 0;
    for (int i = 0; i < thread.length(); i++) {
      Step step = module.steps().get(i);
      StepState state = Bead.of(thread.charAt(i)).state();
      if (!step.required() || !counts(state)) continue;
      of++;
      if (state == StepState.DONE) done++;
    }
    return of == 0 && at.isEmpty()
        ? Optional.empty()
        : Optional.of(new CompletionCell(done, of, at, thread));
  }

  private static boolean counts(StepState state) {
    return switch (state) {
      case NOT_FOR_THEM, UNPUBLISHED, EXCUSED -> false;
      case CLOSED, OPEN, BEGUN, WAITING, AGAIN, DONE, MISSED -> true;
    };
  }

  /** Learners by modules: the day on which each was done, or how much of it is. */
  @Override
  public Sheet sheet(Seat seat) {
    CourseDesign design =
        designs
            .published(seat.course())
            .orElseThrow(() -> Problem.conflict("nothing-published"))
            .document()
            .design();
    Map<EnrolmentId, Map<ModuleId, Instant>> done = learners.modulesDone(seat.course(), Set.of());
    List<ModuleId> modules = published(design).map(CourseModule::id).toList();
    Stream<String> heads =
        Stream.of("learner", "done", "complete", "missing")
            .map(head -> institutions.say(Phrase.of("report." + head)));
    return new Sheet(
        Stream.concat(heads, published(design).map(CourseModule::name)).toList(),
        learners.of(seat).stream()
            .map(s -> row(s, design, done.getOrDefault(s.enrolment(), Map.of())))
            .map(row -> cells(row, modules, design.zone())));
  }

  private List<Cell> cells(CompletionRow row, List<ModuleId> modules, ZoneId zone) {
    List<Cell> cells = new ArrayList<>();
    cells.add(Cell.of(row.name()));
    cells.add(Cell.of(Math.round(row.share() * 100)));
    cells.add(Cell.of(row.completedAt().map(at -> day(at, zone)).orElse("")));
    cells.add(Cell.of(row.missing()));
    for (ModuleId module : modules) {
      CompletionCell cell = row.modules().get(module);
      if (cell == null) cells.add(Cell.of(""));
      else if (cell.at().isPresent()) cells.add(Cell.of(day(cell.at().get(), zone)));
      else
        cells.add(
            Cell.of(
                institutions.say(Phrase.of("report.of", "done", cell.done(), "all", cell.of()))));
    }
    return cells;
  }

  private static String day(Instant at, ZoneId zone) {
    return LocalDate.ofInstant(at, zone).toString();
  }
}
