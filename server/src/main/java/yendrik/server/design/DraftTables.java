package yendrik.server.design;

import static yendrik.schema.Tables.BADGE;
import static yendrik.schema.Tables.FLAG;
import static yendrik.schema.Tables.MODULE;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.QUESTION;
import static yendrik.schema.Tables.REHEARSAL;
import static yendrik.schema.Tables.RUBRIC;
import static yendrik.schema.Tables.SCALE;
import static yendrik.schema.Tables.STEP;

import java.time.Clock;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FlagId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.QuestionId;
import yendrik.core.id.RehearsalId;
import yendrik.core.id.RubricId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.StepId;
import yendrik.schema.tables.records.BadgeRecord;
import yendrik.schema.tables.records.FlagRecord;
import yendrik.schema.tables.records.ModuleRecord;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.schema.tables.records.QuestionRecord;
import yendrik.schema.tables.records.RehearsalRecord;
import yendrik.schema.tables.records.RubricRecord;
import yendrik.schema.tables.records.ScaleRecord;
import yendrik.schema.tables.records.StepRecord;

/** What drafts are made of. */
@Component
public class DraftTables {
  final VersionedRows<OutcomeRecord, OutcomeId> outcomes;
  final VersionedRows<ModuleRecord, ModuleId> modules;
  final VersionedRows<StepRecord, StepId> steps;
  final VersionedRows<BadgeRecord, BadgeId> badges;
  final VersionedRows<FlagRecord, FlagId> flags;
  final VersionedRows<RubricRecord, RubricId> rubrics;
  final VersionedRows<ScaleRecord, ScaleId> scales;
  private final VersionedRows<QuestionRecord, QuestionId> questions;
  private final VersionedRows<RehearsalRecord, RehearsalId> rehearsals;
  private final Map<String, VersionedRows<?, ?>> byName;

  DraftTables(DSLContext db, Clock clock) {
    outcomes =
        new VersionedRows<>(
            db,
            clock,
            "outcome",
            OUTCOME.ID,
            OUTCOME.COURSE_ID,
            OUTCOME.VERSION,
            OUTCOME.DELETED_AT);
    modules =
        new VersionedRows<>(
            db, clock, "module", MODULE.ID, MODULE.COURSE_ID, MODULE.VERSION, MODULE.DELETED_AT);
    steps =
        new VersionedRows<>(
            db, clock, "step", STEP.ID, STEP.COURSE_ID, STEP.VERSION, STEP.DELETED_AT);
    badges =
        new VersionedRows<>(
            db, clock, "badge", BADGE.ID, BADGE.COURSE_ID, BADGE.VERSION, BADGE.DELETED_AT);
    flags =
        new VersionedRows<>(
            db, clock, "flag", FLAG.ID, FLAG.COURSE_ID, FLAG.VERSION, FLAG.DELETED_AT);
    rubrics =
        new VersionedRows<>(
            db, clock, "rubric", RUBRIC.ID, RUBRIC.COURSE_ID, RUBRIC.VERSION, RUBRIC.DELETED_AT);
    scales =
        new VersionedRows<>(
            db, clock, "scale", SCALE.ID, SCALE.COURSE_ID, SCALE.VERSION, SCALE.DELETED_AT);
    questions =
        new VersionedRows<>(
            db,
            clock,
            "question",
            QUESTION.ID,
            QUESTION.COURSE_ID,
            QUESTION.VERSION,
            QUESTION.DELETED_AT);
    rehearsals =
        new VersionedRows<>(
            db,
            clock,
            "rehearsal",
            REHEARSAL.ID,
            REHEARSAL.COURSE_ID,
            REHEARSAL.VERSION,
            REHEARSAL.DELETED_AT);
    byName =
        Map.of(
            "outcomes", outcomes,
            "modules", modules,
            "steps", steps,
            "badges", badges,
            "flags", flags,
            "rubrics", rubrics,
            "questions", questions,
            "rehearsals", rehearsals);
  }

  /** Questions that any quiz of a course can ask. */
  public VersionedRows<QuestionRecord, QuestionId> questions() {
    return questions;
  }

  /** What is rehearsed with the draft. */
  public VersionedRows<RehearsalRecord, RehearsalId> rehearsals() {
    return rehearsals;
  }

  /** The rows that an address names. */
  Optional<VersionedRows<?, ?>> of(String name) {
    return Optional.ofNullable(byName.get(name));
  }
}
