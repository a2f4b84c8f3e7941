package yendrik.server.design.copying;

import static yendrik.schema.Tables.BADGE;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.MODULE;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.SHELF_ITEM;
import static yendrik.schema.Tables.STEP;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.schema.tables.records.CourseRecord;
import yendrik.server.design.BadgeFace;
import yendrik.server.design.BadgePicture;
import yendrik.server.design.Json;
import yendrik.server.http.Problem;
import yendrik.server.people.SignedIn;

/**
 * The institution's shelf of steps, modules and badges to copy into courses. Each thing on it is a
 * small course of its own, so that it has all that it needs and nothing of what others need.
 */
@Service
@Transactional
class Shelf {
  private static final int SHOWN = 200;
  private static final int MOST_NAMES = 12;
  private final DSLContext db;
  private final Copying copying;
  private final Clock clock;

  Shelf(DSLContext db, Copying copying, Clock clock) {
    this.db = db;
    this.copying = copying;
    this.clock = clock;
  }

  enum Thing {
    MODULE,
    STEP,
    BADGE;

    String stored() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** What is put on the shelf. */
  sealed interface One {
    record OfModule(ModuleId module) implements One {}

    record OfStep(StepId step) implements One {}

    record OfBadge(BadgeId badge) implements One {}
  }

  /**
   * @param kind of a single step
   * @param picture of a single badge
   * @param steps names of the steps in it, the first of them
   * @param mayRemove whether whoever looks may take it from the shelf
   */
  @Schema(name = "ShelfThing")
  record Item(
      CourseId id,
      Thing what,
      String name,
      String summary,
      Optional<StepKind> kind,
      Optional<BadgePicture> picture,
      int count,
      List<String> steps,
      String by,
      Instant at,
      boolean mayRemove) {}

  /** What is on the shelf, found by words of its name, its summary or the names of its steps. */
  @Transactional(readOnly = true)
  List<Item> find(String text, SignedIn person) {
    List<String> words =
        List.of(text.toLowerCase(Locale.ROOT).strip().split("\\s+", -1)).stream()
            .filter(w -> !w.isEmpty())
            .toList();
    var steps =
        DSL.multiset(
                DSL.select(STEP.NAME, STEP.KIND)
                    .from(STEP)
                    .where(STEP.COURSE_ID.eq(COURSE.ID), STEP.DELETED_AT.isNull())
                    .orderBy(STEP.POSITION, STEP.ID))
            .convertFrom(rows -> rows.map(r -> new InIt(r.value1(), r.value2())));
    var badges =
        DSL.multiset(
                DSL.select(BADGE.FACE)
                    .from(BADGE)
                    .where(BADGE.COURSE_ID.eq(COURSE.ID), BADGE.DELETED_AT.isNull())
                    .orderBy(BADGE.POSITION, BADGE.ID))
            .convertFrom(rows -> rows.map(r -> Json.read(r.value1(), BadgeFace.class).picture()));
    return db
        .select(COURSE.fields())
        .select(SHELF_ITEM.fields())
        .select(PERSON.NAME)
        .select(steps, badges)
        .from(SHELF_ITEM)
        .join(COURSE)
        .on(COURSE.ID.eq(SHELF_ITEM.COURSE_ID))
        .join(PERSON)
        .on(PERSON.ID.eq(SHELF_ITEM.SHELVED_BY))
        .orderBy(COURSE.NAME, COURSE.ID)
        .fetch(
            row -> found(item(row, row.get(steps), row.get(badges), person), row.get(steps), words))
        .stream()
        .flatMap(Optional::stream)
        .limit(SHOWN)
        .toList();
  }

  private static Optional<Item> found(Item item, List<InIt> steps, List<String> words) {
    String names = String.join(" ", steps.stream().map(InIt::name).toList());
    String said = (item.name() + " " + item.summary() + " " + names).toLowerCase(Locale.ROOT);
    return Optional.of(item).filter(_ -> words.stream().allMatch(said::contains));
  }

  /** A step of something on the shelf. */
  private record InIt(String name, StepKind kind) {}

  private static Item item(Record r, List<InIt> steps, List<BadgePicture> badges, SignedIn person) {
    CourseRecord course = r.into(COURSE);
    var item = r.into(SHELF_ITEM);
    Thing what = Thing.valueOf(item.getWhat().toUpperCase(Locale.ROOT));
    return new Item(
        course.getId(),
        what,
        course.getName(),
        item.getSummary(),
        what == Thing.STEP ? steps.stream().map(InIt::kind).findFirst() : Optional.empty(),
        what == Thing.BADGE ? badges.stream().findFirst() : Optional.empty(),
        steps.size(),
        steps.stream().map(InIt::name).limit(MOST_NAMES).toList(),
        r.get(PERSON.NAME),
        item.getShelvedAt(),
        person.administrator() || person.id().equals(item.getShelvedBy()));
  }

  /** Puts a copy on the shelf. */
  Copying.Report put(CourseId course, One one, String name, String summary, SignedIn by) {
    CourseRecord of = db.selectFrom(COURSE).where(COURSE.ID.eq(course)).fetchSingle();
    CourseRecord row = db.newRecord(COURSE);
    row.setName(name.strip());
    row.setZone(of.getZone());
    row.setStartsAt(of.getStartsAt());
    row.setWeeks(of.getWeeks());
    row.setShelf(true);
    row.insert();
    Copying.Report report =
        copying.copy(
            course,
            row.getId(),
            switch (one) {
              case One.OfModule(var module) -> only(Set.of(module), Set.of(), Set.of());
              case One.OfStep(var step) -> only(Set.of(), Set.of(step), Set.of());
              case One.OfBadge(var badge) -> only(Set.of(), Set.of(), Set.of(badge));
            },
            Copying.Dates.AS_THEY_ARE);
    db.insertInto(SHELF_ITEM)
        .set(SHELF_ITEM.COURSE_ID, row.getId())
        .set(
            SHELF_ITEM.WHAT,
            switch (one) {
              case One.OfModule _ -> Thing.MODULE.stored();
              case One.OfStep _ -> Thing.STEP.stored();
              case One.OfBadge _ -> Thing.BADGE.stored();
            })
        .set(SHELF_ITEM.SUMMARY, summary.strip())
        .set(SHELF_ITEM.SHELVED_BY, by.id())
        .set(SHELF_ITEM.SHELVED_AT, clock.instant())
        .execute();
    return report;
  }

  private static Copying.Selection only(
      Set<ModuleId> modules, Set<StepId> steps, Set<BadgeId> badges) {
    return new Copying.Selection(modules, steps, badges, Optional.empty(), /* everything= */ false);
  }

  /**
   * Copies something from the shelf into a course.
   *
   * @param into the module that a single step goes to; without it the step gets one of its own
   */
  Copying.Report take(CourseId item, CourseId to, Optional<ModuleId> into, Copying.Dates dates) {
    Copying.Selection all =
        switch (what(item)) {
          case STEP ->
              only(
                  Set.of(),
                  db.select(STEP.ID)
                      .from(STEP)
                      .where(STEP.COURSE_ID.eq(item), STEP.DELETED_AT.isNull())
                      .fetchSet(STEP.ID),
                  Set.of());
          case MODULE ->
              only(
                  db.select(MODULE.ID)
                      .from(MODULE)
                      .where(MODULE.COURSE_ID.eq(item), MODULE.DELETED_AT.isNull())
                      .fetchSet(MODULE.ID),
                  Set.of(),
                  Set.of());
          case BADGE ->
              only(
                  Set.of(),
                  Set.of(),
                  db.select(BADGE.ID)
                      .from(BADGE)
                      .where(BADGE.COURSE_ID.eq(item), BADGE.DELETED_AT.isNull())
                      .fetchSet(BADGE.ID));
        };
    return copying.copy(
        item,
        to,
        new Copying.Selection(
            all.modules(), all.steps(), all.badges(), into, /* everything= */ false),
        dates);
  }

  private Thing what(CourseId item) {
    return db.select(SHELF_ITEM.WHAT)
        .from(SHELF_ITEM)
        .where(SHELF_ITEM.COURSE_ID.eq(item))
        .fetchOptional(SHELF_ITEM.WHAT)
        .map(w -> Thing.valueOf(w.toUpperCase(Locale.ROOT)))
        .orElseThrow(() -> Problem.notFound("thing on the shelf"));
  }

  /** Takes something from the shelf; courses that copied it keep their copies. */
  void remove(CourseId item, SignedIn person) {
    what(item);
    boolean own =
        db.fetchExists(
            SHELF_ITEM, SHELF_ITEM.COURSE_ID.eq(item), SHELF_ITEM.SHELVED_BY.eq(person.id()));
    if (!own && !person.administrator()) throw Problem.forbidden("not-yours-on-shelf");
    db.deleteFrom(SHELF_ITEM).where(SHELF_ITEM.COURSE_ID.eq(item)).execute();
    // Its steps go like others that were taken away, so that their files do after a while.
    db.update(STEP)
        .set(STEP.DELETED_AT, clock.instant())
        .where(STEP.COURSE_ID.eq(item), STEP.DELETED_AT.isNull())
        .execute();
  }
}
