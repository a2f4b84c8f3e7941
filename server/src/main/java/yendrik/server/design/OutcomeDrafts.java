package yendrik.server.design;

import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.SCALE;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.outcome.Composition;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.server.design.DesignViews.OutcomeView;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.Problem;

/** Changes to the outcomes of a draft. */
@Service
@Transactional
public class OutcomeDrafts {
  private final DSLContext db;
  private final DraftStore drafts;
  private final DraftTables tables;
  private final FieldChanges changes;
  private final Adoption adoption;
  private final Scales scales;
  private final Clock clock;

  OutcomeDrafts(
      DSLContext db,
      DraftStore drafts,
      DraftTables tables,
      FieldChanges changes,
      Adoption adoption,
      Scales scales,
      Clock clock) {
    this.changes = changes;
    this.db = db;
    this.drafts = drafts;
    this.tables = tables;
    this.adoption = adoption;
    this.scales = scales;
    this.clock = clock;
  }

  public OutcomeView add(CourseId course, DesignEdits.OutcomeEdit edit) {
    check(course, edit, Optional.empty());
    OutcomeId id =
        tables.outcomes.add(course, columns(edit), OUTCOME.POSITION, OUTCOME.COURSE_ID.eq(course));
    return view(course, id);
  }

  /** Changes some fields; a 409 carries what it is now. */
  OutcomeView change(CourseId course, OutcomeId id, FieldsEdit fields) {
    OutcomeRecord row = tables.outcomes.locked(course, id);
    var edit = changes.apply(edit(row), fields, () -> view(course, id));
    return change(course, id, row.getVersion(), edit);
  }

  private static DesignEdits.OutcomeEdit edit(OutcomeRecord row) {
    OutcomeView now = DesignViews.outcome(row, Map.of());
    return new DesignEdits.OutcomeEdit(
        now.code(),
        now.name(),
        now.description(),
        now.scale(),
        now.levelRule(),
        now.madeOf(),
        Optional.of(now.group()),
        Optional.of(now.retired()));
  }

  public OutcomeView change(
      CourseId course, OutcomeId id, int version, DesignEdits.OutcomeEdit edit) {
    check(course, edit, Optional.of(id));
    OutcomeRecord row = tables.outcomes.one(course, id);
    checkWords(row, edit);
    scales.checkMove(course, row, edit.scale());
    OutcomeRecord columns = columns(edit);
    columns.setChangedAt(clock.instant());
    boolean done = tables.outcomes.change(course, id, version, columns);
    OutcomeView now = view(course, id);
    if (!done) throw Problem.changed(now);
    return now;
  }

  private OutcomeRecord columns(DesignEdits.OutcomeEdit edit) {
    OutcomeRecord row = tables.outcomes.fresh();
    row.setScaleId(edit.scale());
    row.setCode(edit.code().strip());
    row.setName(edit.name().strip());
    row.setDescription(edit.description());
    row.setLevelRule(edit.levelRule().rule());
    row.setMadeOf(madeOf(edit));
    row.setGroupPath(group(edit));
    row.setRetired(edit.retired().orElse(false));
    return row;
  }

  private void check(CourseId course, DesignEdits.OutcomeEdit edit, Optional<OutcomeId> self) {
    boolean scale =
        db.fetchExists(
            SCALE,
            SCALE
                .ID
                .eq(edit.scale())
                .and(SCALE.COURSE_ID.eq(course))
                .and(SCALE.DELETED_AT.isNull()));
    if (!scale) throw Problem.field("scale", "scale-of-course");
    boolean taken =
        db.fetchExists(
            OUTCOME,
            OUTCOME
                .COURSE_ID
                .eq(course)
                .and(OUTCOME.CODE.eq(edit.code().strip()))
                .and(self.map(OUTCOME.ID::ne).orElseGet(DSL::noCondition))
                .and(OUTCOME.DELETED_AT.isNull()));
    if (taken) throw Problem.field("code", "code-taken", "code", edit.code());
  }

  private static void checkWords(OutcomeRecord row, DesignEdits.OutcomeEdit edit) {
    boolean same =
        row.getCode().equals(edit.code().strip())
            && row.getName().equals(edit.name().strip())
            && row.getDescription().equals(edit.description());
    if (row.getAdoptedFrom() != null && !same)
      throw Problem.field("name", "words-of-framework", "outcome", row.getCode());
  }

  private static @Nullable Composition madeOf(DesignEdits.OutcomeEdit edit) {
    return edit.madeOf().map(m -> m.composition()).orElse(null);
  }

  private static List<String> group(DesignEdits.OutcomeEdit edit) {
    return edit.group().stream().flatMap(List::stream).map(String::strip).toList();
  }

  /** Outcomes that are gone from choices. */
  @Transactional(readOnly = true)
  Set<OutcomeId> retired(CourseId course) {
    return drafts.outcomes(course).stream()
        .filter(OutcomeRecord::getRetired)
        .map(o -> o.getId())
        .collect(Collectors.toSet());
  }

  private OutcomeView view(CourseId course, OutcomeId id) {
    OutcomeRecord row = tables.outcomes.one(course, id);
    return DesignViews.outcome(row, adoption.of(List.of(row)));
  }
}
