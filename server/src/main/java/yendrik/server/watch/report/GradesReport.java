package yendrik.server.watch.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Grade;
import yendrik.core.course.Step;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Outcome;
import yendrik.core.words.Phrase;
import yendrik.formats.table.Cell;
import yendrik.server.design.Designs;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.watch.report.GradesView.GradeHead;
import yendrik.server.watch.report.GradesView.GradeRow;

/** The grades of learners: points for each of them at each step that has some. */
@Component
class GradesReport implements Report {
  private final Learners learners;
  private final Designs designs;
  private final Institutions institutions;

  GradesReport(Learners learners, Designs designs, Institutions institutions) {
    this.institutions = institutions;
    this.learners = learners;
    this.designs = designs;
  }

  @Override
  public String name() {
    return "grades";
  }

  @Override
  public GradesView view(Seat seat, Set<PersonId> people) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return new GradesView(0, List.of(), List.of(), List.of());
    List<GradeHead> heads = heads(ready.get().document().design());
    return new GradesView(
        ready.get().version(),
        heads,
        ReportView.groups(ready.get(), seat),
        learners.of(seat, people).stream().map(s -> row(s, heads)).toList());
  }

  private static List<GradeHead> heads(CourseDesign design) {
    List<GradeHead> heads = new ArrayList<>();
    for (CourseModule module : design.modules())
      for (Step step : module.steps())
        if (step.scoring().points() > 0 && step.published() && module.published())
          heads.add(
              new GradeHead(
                  step.id(), module.name(), step.name(), step.kind(), step.scoring().points()));
    return heads;
  }

  private static GradeRow row(Learners.Snapshot s, List<GradeHead> heads) {
    Map<StepId, Double> scores = s.summary().scores();
    List<Grade.Scored> scored =
        heads.stream()
            .flatMap(h ->
                Optional.ofNullable(scores.get(h.id())).stream()
                    .map(share -> new Grade.Scored(h.points(), share)))
            .toList();
    OptionalDouble total = Grade.soFar(scored);
    return new GradeRow(
        s.enrolment(),
        s.person(),
        s.name(),
        s.summary().groups(),
        !s.summary().flags().isEmpty(),
        scores,
        total.isPresent() ? Optional.of(total.getAsDouble()) : Optional.empty());
  }

  /**
   * Each learner's total in percent, points of the steps, and the points that the levels on
   * outcomes are worth; empty cells where there is nothing yet. Before them what is most.
   */
  @Override
  public Sheet sheet(Seat seat) {
    Optional<CourseDesign> design =
        designs.published(seat.course()).map(r -> r.document().design());
    List<GradeHead> steps = design.map(GradesReport::heads).orElse(List.of());
    List<Outcome> outcomes = design.map(CourseDesign::outcomes).orElse(List.of());
    List<String> heads = new ArrayList<>();
    for (String head : List.of("report.learner", "report.total"))
      heads.add(institutions.say(Phrase.of(head)));
    steps.forEach(s -> heads.add(s.name()));
    outcomes.forEach(o -> heads.add(o.code()));
    List<Cell> most =
        new ArrayList<>(List.of(Cell.of(institutions.say(Phrase.of("report.most"))), Cell.of(100)));
    steps.forEach(s -> most.add(Cell.of(s.points())));
    outcomes.forEach(o -> most.add(Cell.of(o.scale().value(o.scale().top()).points())));
    return new Sheet(
        heads,
        Stream.concat(
            Stream.of(most), learners.of(seat).stream().map(s -> cells(s, steps, outcomes))));
  }

  private static List<Cell> cells(
      Learners.Snapshot s, List<GradeHead> steps, List<Outcome> outcomes) {
    GradeRow row = row(s, steps);
    List<Cell> cells = new ArrayList<>();
    cells.add(Cell.of(row.name()));
    cells.add(Cell.of(row.total().map(t -> 100 * t)));
    for (GradeHead step : steps)
      cells.add(
          Cell.of(
              Optional.ofNullable(row.scores().get(step.id()))
                  .map(share -> share * step.points())));
    for (Outcome o : outcomes)
      cells.add(
          Cell.of(
              Optional.ofNullable(s.summary().levels().get(o.id()))
                  .map(level -> o.scale().value(level).points())));
    return cells;
  }
}
