package yendrik.server.way;

import static yendrik.schema.Sequences.FACT_ID;
import static yendrik.schema.Tables.FACT;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.CourseId;
import yendrik.core.id.FactId;
import yendrik.core.id.PersonId;
import yendrik.core.record.Fact;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.FactRecord;

/** The append-only list of facts. */
@Repository
class FactStore {
  private final DSLContext db;

  FactStore(DSLContext db) {
    this.db = db;
  }

  /** Another block of ids. */
  long nextBlock() {
    return db.nextval(FACT_ID);
  }

  void append(CourseId course, long enrolment, List<Fact> facts) {
    if (facts.isEmpty()) return;
    var insert =
        db.insertInto(
            FACT,
            FACT.ID,
            FACT.COURSE_ID,
            FACT.ENROLMENT_ID,
            FACT.AT,
            FACT.BY_ID,
            FACT.KIND,
            FACT.BODY,
            FACT.REPLACES);
    for (Fact fact : facts) {
      ObjectNode body = CoreJson.mapper().valueToTree(fact.what());
      String kind = body.remove("is").stringValue();
      insert =
          insert.values(
              fact.id().value(),
              course.value(),
              enrolment,
              fact.at(),
              fact.by().map(PersonId::value).orElse(null),
              kind,
              JSONB.valueOf(body.toString()),
              fact.replaces().map(FactId::value).orElse(null));
    }
    insert.execute();
  }

  /** All facts of an enrolment in the order in which they happened. */
  List<Fact> of(long enrolment) {
    return db.selectFrom(FACT)
        .where(FACT.ENROLMENT_ID.eq(enrolment))
        .orderBy(FACT.AT, FACT.ID)
        .fetch(FactStore::fact);
  }

  /** All facts of several enrolments, by enrolment. */
  Map<Long, List<Fact>> ofAll(List<Long> enrolments) {
    return db.selectFrom(FACT)
        .where(FACT.ENROLMENT_ID.in(enrolments))
        .orderBy(FACT.AT, FACT.ID)
        .fetchGroups(FACT.ENROLMENT_ID, r -> fact(r.into(FACT)));
  }

  private static Fact fact(FactRecord row) {
    var body = (ObjectNode) CoreJson.mapper().readTree(row.getBody().data());
    return new Fact(
        new FactId(row.getId()),
        row.getAt(),
        Optional.ofNullable(row.getById()).map(PersonId::new),
        CoreJson.fact(row.getKind(), body),
        Optional.ofNullable(row.getReplaces()).map(FactId::new));
  }

  void deleteAll(long enrolment) {
    db.deleteFrom(FACT).where(FACT.ENROLMENT_ID.eq(enrolment)).execute();
  }
}
