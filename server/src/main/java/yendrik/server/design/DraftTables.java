package yendrik.server.design;

import static yendrik.schema.Tables.BADGE;
import static yendrik.schema.Tables.MODULE;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.RUBRIC;
import static yendrik.schema.Tables.STEP;

import java.time.Clock;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;
import yendrik.core.id.BadgeId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.RubricId;
import yendrik.core.id.StepId;
import yendrik.schema.tables.records.BadgeRecord;
import yendrik.schema.tables.records.ModuleRecord;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.schema.tables.records.RubricRecord;
import yendrik.schema.tables.records.StepRecord;

/** What drafts are made of. */
@Component
class DraftTables {
  final DraftRows<OutcomeRecord, OutcomeId> outcomes;
  final DraftRows<ModuleRecord, ModuleId> modules;
  final DraftRows<StepRecord, StepId> steps;
  final DraftRows<BadgeRecord, BadgeId> badges;
  final DraftRows<RubricRecord, RubricId> rubrics;
  private final Map<String, DraftRows<?, ?>> byName;

  DraftTables(DSLContext db, Clock clock) {
    outcomes =
        new DraftRows<>(
            db,
            clock,
            "outcome",
            OUTCOME.ID,
            OUTCOME.COURSE_ID,
            OUTCOME.VERSION,
            OUTCOME.DELETED_AT);
    modules =
        new DraftRows<>(
            db, clock, "module", MODULE.ID, MODULE.COURSE_ID, MODULE.VERSION, MODULE.DELETED_AT);
    steps =
        new DraftRows<>(db, clock, "step", STEP.ID, STEP.COURSE_ID, STEP.VERSION, STEP.DELETED_AT);
    badges =
        new DraftRows<>(
            db, clock, "badge", BADGE.ID, BADGE.COURSE_ID, BADGE.VERSION, BADGE.DELETED_AT);
    rubrics =
        new DraftRows<>(
            db, clock, "rubric", RUBRIC.ID, RUBRIC.COURSE_ID, RUBRIC.VERSION, RUBRIC.DELETED_AT);
    byName =
        Map.of(
            "outcomes", outcomes,
            "modules", modules,
            "steps", steps,
            "badges", badges,
            "rubrics", rubrics);
  }

  /** The rows that an address names. */
  Optional<DraftRows<?, ?>> of(String name) {
    return Optional.ofNullable(byName.get(name));
  }
}
