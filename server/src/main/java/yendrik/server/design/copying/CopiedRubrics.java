package yendrik.server.design.copying;

import static yendrik.schema.Tables.RUBRIC;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jooq.DSLContext;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.RubricId;
import yendrik.core.outcome.Outcome;
import yendrik.schema.tables.records.RubricRecord;

/** Rubrics in the course that something is copied to: there already, or brought along. */
final class CopiedRubrics {
  private final DSLContext db;
  private final CourseId to;
  private final Map<RubricId, RubricRecord> needed = new LinkedHashMap<>();
  private final Map<RubricId, RubricId> ids = new HashMap<>();
  private int came;

  /**
   * @param wanted all of the course where there is no choice
   */
  CopiedRubrics(DSLContext db, CourseId from, CourseId to, Optional<Set<RubricId>> wanted) {
    this.db = db;
    this.to = to;
    for (RubricRecord row :
        db.selectFrom(RUBRIC)
            .where(RUBRIC.COURSE_ID.eq(from), RUBRIC.DELETED_AT.isNull())
            .orderBy(RUBRIC.ID)
            .fetch())
      if (wanted.map(w -> w.contains(row.getId())).orElse(true)) needed.put(row.getId(), row);
  }

  /** The outcomes that their criteria give evidence of. */
  List<OutcomeId> outcomes() {
    return needed.values().stream()
        .flatMap(r -> r.getCriteria().stream())
        .flatMap(c -> c.outcome().stream())
        .toList();
  }

  /** Sees to it that they are there, with outcomes as they are there. */
  void bring(Function<OutcomeId, Optional<Outcome>> outcomes) {
    needed.forEach((id, their) -> ids.put(id, same(their).orElseGet(() -> add(their, outcomes))));
  }

  private Optional<RubricId> same(RubricRecord their) {
    return db.select(RUBRIC.ID)
        .from(RUBRIC)
        .where(
            RUBRIC.COURSE_ID.eq(to),
            RUBRIC.DELETED_AT.isNull(),
            RUBRIC.IDENTIFIER.eq(their.getIdentifier()))
        .fetchOptional(RUBRIC.ID);
  }

  private RubricId add(RubricRecord their, Function<OutcomeId, Optional<Outcome>> outcomes) {
    RubricRecord row = their.copy();
    row.attach(db.configuration());
    row.setCourseId(to);
    row.setCriteria(
        their.getCriteria().stream()
            .map(c -> c.evidenceOf(c.outcome().flatMap(outcomes)))
            .toList());
    row.setVersion(1);
    row.insert();
    came++;
    return row.getId();
  }

  /** What one has become. */
  Optional<RubricId> of(RubricId rubric) {
    return Optional.ofNullable(ids.get(rubric));
  }

  /** How many came along. */
  int came() {
    return came;
  }
}
