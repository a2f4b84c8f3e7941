package yendrik.server.way;

import static yendrik.schema.Sequences.FACT_ID;
import static yendrik.schema.Tables.FACT;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.FactId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.formats.json.CoreJson;
import yendrik.formats.json.StoredVisit;
import yendrik.schema.tables.records.FactRecord;

/** The append-only list of facts. */
@Repository
class FactStore {
  /** A visit that has more parts than these goes on in another row. */
  private static final int MOST_PARTS = 240;

  /** Behind the last part, however many there are. */
  private static final Field<String[]> AT_THE_END =
      DSL.array(DSL.inline(StoredVisit.PARTS), DSL.inline(Integer.toString(MOST_PARTS)));

  private static final List<String> EXCEPTIONS =
      Stream.of(
              Fact.Opened.class,
              Fact.Excused.class,
              Fact.DueMoved.class,
              Fact.AttemptsAdded.class,
              Fact.TimeAdded.class,
              Fact.StartedAnew.class,
              Fact.ExceptionEnded.class)
          .map(CoreJson::name)
          .toList();

  private final DSLContext db;

  FactStore(DSLContext db) {
    this.db = db;
  }

  /** Another block of ids. */
  long nextBlock() {
    return db.nextval(FACT_ID);
  }

  /** Adds facts; reports of time and film go into the row of the visit that they belong to. */
  void append(CourseId course, EnrolmentId enrolment, List<Fact> facts) {
    List<Row> rows = new ArrayList<>();
    for (Fact fact : facts) {
      Optional<StepId> visited = StoredVisit.step(fact);
      if (visited.isEmpty()) rows.add(Row.of(fact));
      else if (rows.isEmpty()) {
        if (!goOn(enrolment, visited.get(), fact)) rows.add(Row.begin(fact));
      } else if (!rows.getLast().goOn(fact)) rows.add(Row.begin(fact));
    }
    insert(course, enrolment, rows);
  }

  /** Puts a fact into the newest row, if that is a visit of the same person to the same step. */
  private boolean goOn(EnrolmentId enrolment, StepId step, Fact fact) {
    Field<JSONB> parts = DSL.jsonbGetAttribute(FACT.BODY, DSL.inline(StoredVisit.PARTS));
    var newest =
        DSL.select(FACT.ID, FACT.AT)
            .from(FACT)
            .where(FACT.ENROLMENT_ID.eq(enrolment))
            .orderBy(FACT.AT.desc(), FACT.ID.desc())
            .limit(1);
    JSONB part = JSONB.valueOf(StoredVisit.part(fact).toString());
    return db.update(FACT)
            .set(
                FACT.BODY,
                DSL.function("jsonb_set", JSONB.class, FACT.BODY, AT_THE_END, DSL.val(part)))
            .where(
                DSL.row(FACT.ID, FACT.AT).eq(newest),
                FACT.KIND.eq(StoredVisit.NAME),
                FACT.BY_ID.isNotDistinctFrom(fact.by().orElse(null)),
                DSL.jsonbGetAttributeAsText(FACT.BODY, DSL.inline(StoredVisit.STEP))
                    .eq(Long.toString(step.value())),
                DSL.jsonbArrayLength(parts).lt(MOST_PARTS))
            .execute()
        == 1;
  }

  private void insert(CourseId course, EnrolmentId enrolment, List<Row> rows) {
    if (rows.isEmpty()) return;
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
    for (Row row : rows)
      insert =
          insert.values(
              row.first.id(),
              course,
              enrolment,
              row.first.at(),
              row.first.by().orElse(null),
              row.kind,
              JSONB.valueOf(row.body.toString()),
              row.first.replaces().orElse(null));
    insert.execute();
  }

  /** A row that is about to be written. */
  private record Row(Fact first, String kind, ObjectNode body) {
    static Row of(Fact fact) {
      ObjectNode body = CoreJson.mapper().valueToTree(fact.what());
      return new Row(fact, body.remove("is").stringValue(), body);
    }

    static Row begin(Fact first) {
      return new Row(first, StoredVisit.NAME, StoredVisit.begin(first));
    }

    /** Takes in a fact that belongs to the same visit; false for any other. */
    boolean goOn(Fact fact) {
      ArrayNode parts = body.withArray(StoredVisit.PARTS);
      boolean same =
          kind.equals(StoredVisit.NAME)
              && StoredVisit.step(first).equals(StoredVisit.step(fact))
              && first.by().equals(fact.by())
              && parts.size() < MOST_PARTS;
      if (same) parts.add(StoredVisit.part(fact));
      return same;
    }
  }

  /** All facts of an enrolment in the order in which they happened. */
  List<Fact> of(EnrolmentId enrolment) {
    return db
        .selectFrom(FACT)
        .where(FACT.ENROLMENT_ID.eq(enrolment))
        .orderBy(FACT.AT, FACT.ID)
        .fetch()
        .stream()
        .flatMap(FactStore::facts)
        .sorted(Facts.HAPPENED)
        .toList();
  }

  /** All facts of several enrolments, by enrolment. */
  Map<EnrolmentId, List<Fact>> ofAll(List<EnrolmentId> enrolments) {
    Map<EnrolmentId, List<Fact>> all = new HashMap<>();
    db.selectFrom(FACT)
        .where(FACT.ENROLMENT_ID.in(enrolments))
        .orderBy(FACT.AT, FACT.ID)
        .forEach(row ->
            facts(row)
                .forEach(all.computeIfAbsent(row.getEnrolmentId(), _ -> new ArrayList<>())::add));
    all.values().forEach(facts -> facts.sort(Facts.HAPPENED));
    return all;
  }

  /** What staff allowed the learners of a course, with what corrects it, by enrolment. */
  Map<EnrolmentId, List<Fact>> exceptions(CourseId course) {
    var given =
        db.selectDistinct(FACT.ENROLMENT_ID)
            .from(FACT)
            .where(FACT.COURSE_ID.eq(course), FACT.KIND.in(EXCEPTIONS));
    Map<EnrolmentId, List<Fact>> all = new HashMap<>();
    db.selectFrom(FACT)
        .where(
            FACT.ENROLMENT_ID.in(given),
            FACT.KIND.in(EXCEPTIONS).or(FACT.KIND.eq(CoreJson.name(Fact.TakenBack.class))))
        .orderBy(FACT.AT, FACT.ID)
        .forEach(row ->
            facts(row)
                .forEach(all.computeIfAbsent(row.getEnrolmentId(), _ -> new ArrayList<>())::add));
    all.values()
        .forEach(facts -> {
          Set<FactId> ids = facts.stream().map(Fact::id).collect(Collectors.toSet());
          facts.removeIf(f -> f.replaces().filter(r -> !ids.contains(r)).isPresent());
          facts.sort(Facts.HAPPENED);
        });
    return all;
  }

  private static Stream<Fact> facts(FactRecord row) {
    var body = (ObjectNode) CoreJson.mapper().readTree(row.getBody().data());
    Optional<PersonId> by = Optional.ofNullable(row.getById());
    if (row.getKind().equals(StoredVisit.NAME)) return StoredVisit.facts(body, by).stream();
    return Stream.of(
        new Fact(
            row.getId(),
            row.getAt(),
            by,
            CoreJson.fact(row.getKind(), body),
            Optional.ofNullable(row.getReplaces())));
  }

  void deleteAll(EnrolmentId enrolment) {
    db.deleteFrom(FACT).where(FACT.ENROLMENT_ID.eq(enrolment)).execute();
  }
}
