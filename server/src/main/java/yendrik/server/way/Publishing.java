package yendrik.server.way;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.COURSE_VERSION;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.PLANNED_PUBLICATION;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Progress;
import yendrik.core.record.Facts;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.words.Phrase;
import yendrik.schema.tables.records.CourseRecord;
import yendrik.schema.tables.records.PlannedPublicationRecord;
import yendrik.server.design.Designs;
import yendrik.server.design.DraftMark;
import yendrik.server.design.Json;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.People;

/**
 * Makes a draft what learners have, and says beforehand what that does to them.
 *
 * <p>The publication itself is a moment; learners come under it one by one, each in a transaction
 * of its own, or with their next act if that is sooner. What is left when a server stops is taken
 * up by {@link CatchUp}.
 */
@Service
@Transactional
public class Publishing {
  private static final int AT_ONCE = 100;
  private final DSLContext db;
  private final Designs designs;
  private final Walks walks;
  private final People people;
  private final Clock clock;
  private final Institutions institutions;

  Publishing(
      DSLContext db,
      Designs designs,
      Walks walks,
      People people,
      Institutions institutions,
      Clock clock) {
    this.institutions = institutions;
    this.db = db;
    this.designs = designs;
    this.walks = walks;
    this.people = people;
    this.clock = clock;
  }

  /**
   * For whom something is published.
   *
   * @param later for those only who enrol from then on; the others keep what they have
   * @param tells whether those are written to for whom it opens something; never of what is for
   *     later ones
   */
  public record ForWhom(boolean later, boolean tells) {
    public ForWhom {
      tells &= !later;
    }

    static final ForWhom EVERYONE = new ForWhom(false, false);
  }

  /**
   * What publishing now would do.
   *
   * @param draft marks the draft that was looked at, see {@link DraftMark}
   * @param changed names of what differs from what learners have; none when nothing does
   * @param learners how many learners would come under the new design
   * @param earlier how many of them have an earlier publication than those who enrol now
   * @param planned what is to be published at a moment to come
   */
  public record Impact(
      String draft,
      List<String> changed,
      int learners,
      int earlier,
      List<Impacts.Change> changes,
      Optional<Planned> planned) {}

  /**
   * What is to be published at a moment to come.
   *
   * @param later for those only who enrol from then on
   */
  @Schema(name = "PlannedPublication")
  public record Planned(Instant at, boolean later, String by) {}

  @Transactional(readOnly = true)
  public Impact impact(CourseId course) {
    Designs.Ready draft = designs.fitToPublish(course);
    List<EnrolmentId> enrolments = walks.learners(course);
    Impacts impacts = new Impacts();
    for (int from = 0; from < enrolments.size(); from += AT_ONCE) {
      List<Walk> some =
          walks.seeAll(enrolments.subList(from, Math.min(from + AT_ONCE, enrolments.size())));
      Map<PersonId, String> names = people.names(some.stream().map(Walk::person).toList());
      Map<PersonId, Effects> effects = effects(draft.compiled(), some);
      for (Walk walk : some)
        impacts.add(
            names.getOrDefault(walk.person(), ""), requireNonNull(effects.get(walk.person())));
    }
    return new Impact(
        designs.mark(draft.document()).text(),
        designs.changed(course, draft.document()),
        enrolments.size(),
        earlier(course),
        impacts.said(institutions),
        planned(course));
  }

  /** Of several learners at a time; what is read from the database is read before. */
  private Map<PersonId, Effects> effects(CompiledCourse draft, List<Walk> walks) {
    Instant now = clock.instant();
    for (Walk walk : walks) if (!draft.index().sumsLike(walk.index())) walk.facts();
    return walks.parallelStream()
        .collect(
            Collectors.toConcurrentMap(
                Walk::person,
                walk -> {
                  Progress before = walk.progress();
                  Progress after = before.under(draft, () -> Facts.standing(walk.facts()), now);
                  return Effects.of(before, after);
                }));
  }

  private int earlier(CourseId course) {
    return db.fetchCount(
        ENROLMENT
            .join(COURSE)
            .on(COURSE.ID.eq(ENROLMENT.COURSE_ID))
            .where(
                ENROLMENT.COURSE_ID.eq(course),
                ENROLMENT.PRACTICE.isFalse(),
                ENROLMENT.DESIGN_VERSION.lt(COURSE.PUBLISHED_VERSION)));
  }

  private Optional<Planned> planned(CourseId course) {
    return db.select(PLANNED_PUBLICATION.AT, PLANNED_PUBLICATION.LATER, PERSON.NAME)
        .from(PLANNED_PUBLICATION)
        .join(PERSON)
        .on(PERSON.ID.eq(PLANNED_PUBLICATION.BY_ID))
        .where(PLANNED_PUBLICATION.COURSE_ID.eq(course))
        .fetchOptional(r -> new Planned(r.value1(), r.value2(), r.value3()));
  }

  /**
   * Publishes the draft that somebody has looked at.
   *
   * @param seen the mark of it; when the draft is another one by now, nothing is published
   * @return the number of the publication
   */
  public int publish(CourseId course, PersonId by, ForWhom whom, DraftMark seen) {
    return publish(lock(course), by, whom, seen(course, seen));
  }

  private Designs.Ready seen(CourseId course, DraftMark seen) {
    Designs.Ready draft = designs.fitToPublish(course);
    List<String> since = designs.changedSince(seen, draft.document());
    if (!since.isEmpty()) throw Problem.changedSince(since);
    return draft;
  }

  /**
   * Keeps the draft that somebody has looked at, to be published at a moment to come whatever is
   * changed until then; it takes the place of what was planned before.
   *
   * @throws Problem if the moment is past, or there is nothing to publish
   */
  public void plan(CourseId course, PersonId by, ForWhom whom, Instant at, DraftMark seen) {
    Instant now = clock.instant();
    if (!at.isAfter(now)) throw Problem.field("at", "moment-past");
    CourseRecord locked = lock(course);
    Designs.Ready draft = seen(course, seen);
    mustBringSomething(locked, whom.later(), draft);
    PlannedPublicationRecord row = db.newRecord(PLANNED_PUBLICATION);
    row.setCourseId(course);
    row.setAt(at);
    row.setLater(whom.later());
    row.setTells(whom.tells());
    row.setDocument(Json.of(draft.kept()));
    row.setById(by);
    row.setPlannedAt(now);
    db.insertInto(PLANNED_PUBLICATION).set(row).onDuplicateKeyUpdate().set(row).execute();
  }

  /** Drops what is planned. */
  public void dropPlanned(CourseId course) {
    lock(course);
    dropped(course);
  }

  private void dropped(CourseId course) {
    db.deleteFrom(PLANNED_PUBLICATION).where(PLANNED_PUBLICATION.COURSE_ID.eq(course)).execute();
  }

  /** Courses of which a planned publication has come due. */
  @Transactional(readOnly = true)
  List<CourseId> due() {
    return db.select(PLANNED_PUBLICATION.COURSE_ID)
        .from(PLANNED_PUBLICATION)
        .where(PLANNED_PUBLICATION.AT.le(clock.instant()))
        .orderBy(PLANNED_PUBLICATION.AT)
        .fetch(PLANNED_PUBLICATION.COURSE_ID);
  }

  /** Publishes what was planned, unless another server was quicker or it was dropped meanwhile. */
  void publishPlanned(CourseId course) {
    CourseRecord locked = lock(course);
    db.selectFrom(PLANNED_PUBLICATION)
        .where(PLANNED_PUBLICATION.COURSE_ID.eq(course), PLANNED_PUBLICATION.AT.le(clock.instant()))
        .fetchOptional()
        .ifPresent(due ->
            insert(
                locked,
                due.getById(),
                new ForWhom(due.getLater(), due.getTells()),
                locked.getPublishedVersion() + 1,
                due.getDocument()));
  }

  /**
   * Publishes the draft as it is.
   *
   * @return the number of the publication
   */
  public int publish(CourseId course, PersonId by) {
    CourseRecord locked = lock(course);
    return publish(locked, by, ForWhom.EVERYONE, designs.fitToPublish(course));
  }

  private CourseRecord lock(CourseId course) {
    return db.selectFrom(COURSE).where(COURSE.ID.eq(course)).forUpdate().fetchSingle();
  }

  private int publish(CourseRecord course, PersonId by, ForWhom whom, Designs.Ready draft) {
    mustBringSomething(course, whom.later(), draft);
    return insert(course, by, whom, draft.version(), Json.of(draft.kept()));
  }

  /** The same again is published only for those who have something earlier. */
  private void mustBringSomething(CourseRecord course, boolean later, Designs.Ready draft) {
    if (draft.document().design().steps().findAny().isEmpty())
      throw Problem.conflict("nothing-to-publish");
    boolean behind = course.getEveryonesVersion() < course.getPublishedVersion();
    List<String> gone = later ? takenAway(course.getId(), draft.document().design()) : List.of();
    if (!gone.isEmpty())
      throw Problem.conflict(
          "later-takes-away",
          "what",
          new Phrase.Listed(gone.stream().map(Phrase::quoted).toList()));
    if ((later || !behind) && designs.changed(course.getId(), draft.document()).isEmpty())
      throw Problem.conflict("nothing-changed");
  }

  /** Steps that are published and would be no more; staff see what is published last. */
  private List<String> takenAway(CourseId course, CourseDesign draft) {
    return designs.published(course).stream()
        .flatMap(p -> steps(p.document().design()))
        .filter(s -> steps(draft).noneMatch(d -> d.id().equals(s.id())))
        .map(Step::name)
        .toList();
  }

  private static Stream<Step> steps(CourseDesign design) {
    return design.modules().stream()
        .filter(CourseModule::published)
        .flatMap(m -> m.steps().stream())
        .filter(Step::published);
  }

  /** What was planned is dropped with it: it was made for what stood before. */
  private int insert(CourseRecord course, PersonId by, ForWhom whom, int version, JSONB document) {
    db.insertInto(COURSE_VERSION)
        .set(COURSE_VERSION.COURSE_ID, course.getId())
        .set(COURSE_VERSION.NUMBER, version)
        .set(COURSE_VERSION.PUBLISHED_AT, clock.instant())
        .set(COURSE_VERSION.PUBLISHED_BY, by)
        .set(COURSE_VERSION.LATER, whom.later())
        .set(COURSE_VERSION.TELLS, whom.tells())
        .set(COURSE_VERSION.DOCUMENT, document)
        .execute();
    boolean first = course.getPublishedVersion() == 0;
    db.update(COURSE)
        .set(COURSE.PUBLISHED_VERSION, version)
        .set(
            COURSE.EVERYONES_VERSION,
            whom.later() && !first ? course.getEveryonesVersion() : Integer.valueOf(version))
        .where(COURSE.ID.eq(course.getId()))
        .execute();
    dropped(course.getId());
    return version;
  }

  /**
   * A publication in the course's history.
   *
   * @param later for those only who enrolled from then on
   */
  public record Published(int number, Instant at, String by, boolean later) {}

  @Transactional(readOnly = true)
  public List<Published> history(CourseId course) {
    return db.select(
            COURSE_VERSION.NUMBER, COURSE_VERSION.PUBLISHED_AT, PERSON.NAME, COURSE_VERSION.LATER)
        .from(COURSE_VERSION)
        .join(PERSON)
        .on(PERSON.ID.eq(COURSE_VERSION.PUBLISHED_BY))
        .where(COURSE_VERSION.COURSE_ID.eq(course))
        .orderBy(COURSE_VERSION.NUMBER.desc())
        .fetch(r -> new Published(r.value1(), r.value2(), r.value3(), r.value4()));
  }
}
