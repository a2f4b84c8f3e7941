package yendrik.server.watch.report;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.OUTCOME;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.words.Phrase;
import yendrik.formats.table.Cell;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.server.design.Designs;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.watch.report.MasteryView.MasteryRow;
import yendrik.server.watch.report.MasteryView.OutcomeHead;

/** How far learners are with the outcomes: a level for each of them on each outcome. */
@Component
class MasteryReport implements Report {
  private final DSLContext db;
  private final Learners learners;
  private final Designs designs;
  private final Institutions institutions;

  MasteryReport(DSLContext db, Learners learners, Designs designs, Institutions institutions) {
    this.institutions = institutions;
    this.db = db;
    this.learners = learners;
    this.designs = designs;
  }

  @Override
  public String name() {
    return "mastery";
  }

  @Override
  public MasteryView view(Seat seat, Set<PersonId> people) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return new MasteryView(0, List.of(), List.of(), List.of());
    Map<OutcomeId, OutcomeRecord> rows =
        db.selectFrom(OUTCOME).where(OUTCOME.COURSE_ID.eq(seat.course())).fetchMap(OUTCOME.ID);
    List<OutcomeHead> heads =
        ready.get().document().design().outcomes().stream()
            .map(o -> head(o, requireNonNull(rows.get(o.id()))))
            .toList();
    List<MasteryRow> learnerRows =
        learners.of(seat, people).stream()
            .map(s ->
                new MasteryRow(
                    s.enrolment(),
                    s.person(),
                    s.name(),
                    s.summary().groups(),
                    !s.summary().flags().isEmpty(),
                    s.summary().levels()))
            .toList();
    return new MasteryView(
        ready.get().version(), heads, ReportView.groups(ready.get(), seat), learnerRows);
  }

  private static OutcomeHead head(Outcome outcome, OutcomeRecord row) {
    return new OutcomeHead(
        outcome.id(),
        outcome.code(),
        outcome.name(),
        outcome.scale().levels().stream().map(Scale.Level::name).toList(),
        outcome.scale().mastery(),
        outcome.madeOf().isPresent(),
        row.getGroupPath(),
        row.getRetired());
  }

  /** A learner a row, an outcome a column, levels by name. */
  @Override
  public Sheet sheet(Seat seat) {
    MasteryView view = view(seat, Set.of());
    return new Sheet(
        Stream.concat(
                Stream.of(institutions.say(Phrase.of("report.learner"))),
                view.outcomes().stream().map(OutcomeHead::code))
            .toList(),
        view.learners().stream().map(row -> cells(row, view.outcomes())));
  }

  private static List<Cell> cells(MasteryRow row, List<OutcomeHead> outcomes) {
    List<Cell> cells = new ArrayList<>();
    cells.add(Cell.of(row.name()));
    for (OutcomeHead outcome : outcomes) {
      int level = row.levels().getOrDefault(outcome.id(), -1);
      cells.add(level < 0 ? Cell.NOTHING : Cell.of(outcome.levels().get(level)));
    }
    return cells;
  }
}
