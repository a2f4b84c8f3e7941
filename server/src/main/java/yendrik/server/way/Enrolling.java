package yendrik.server.way;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.HELD_ENROLMENT;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import yendrik.core.course.Prerequisites;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.core.words.Phrase;
import yendrik.schema.tables.records.HeldEnrolmentRecord;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.People;
import yendrik.server.post.Letter;
import yendrik.server.post.Outbox;

/**
 * Enrols people as far as the prerequisites of a course allow: at once, or once they are met, or
 * not at all.
 */
@Service
public class Enrolling {
  private static final Logger LOG = LoggerFactory.getLogger(Enrolling.class);
  private final DSLContext db;
  private final Walks walks;
  private final Completions completions;
  private final Designs designs;
  private final People people;
  private final Outbox outbox;
  private final Institutions institutions;
  private final TransactionTemplate transaction;
  private final Clock clock;

  Enrolling(
      DSLContext db,
      Walks walks,
      Completions completions,
      Designs designs,
      People people,
      Outbox outbox,
      Institutions institutions,
      TransactionTemplate transaction,
      Clock clock) {
    this.db = db;
    this.walks = walks;
    this.completions = completions;
    this.designs = designs;
    this.people = people;
    this.outbox = outbox;
    this.institutions = institutions;
    this.transaction = transaction;
    this.clock = clock;
  }

  /** What has come of an enrolment. */
  public enum Came {
    ENROLLED,
    /** They wait until the prerequisites are met. */
    HELD,
    REFUSED
  }

  /**
   * Enrols somebody who is not enrolled yet.
   *
   * @param anyway whatever they have not completed
   */
  @Transactional
  public Came enrol(CourseId course, PersonId person, PersonId by, boolean anyway) {
    Prerequisites asks = prerequisites(course);
    boolean met = asks.missing(completions.of(person, asks.courses())).isEmpty();
    if (met || anyway) {
      walks.enrol(course, person, Optional.of(by));
      drop(course, person);
      return Came.ENROLLED;
    }
    if (!asks.hold()) return Came.REFUSED;
    if (designs.published(course).isEmpty()) throw Problem.conflict("publish-before-enrolling");
    db.insertInto(HELD_ENROLMENT)
        .set(HELD_ENROLMENT.COURSE_ID, course)
        .set(HELD_ENROLMENT.PERSON_ID, person)
        .set(HELD_ENROLMENT.ASKED_BY, by)
        .set(HELD_ENROLMENT.ASKED_AT, clock.instant())
        .onConflictDoNothing()
        .execute();
    return Came.HELD;
  }

  /**
   * Somebody who waits.
   *
   * @param missing names of the courses that keep them out, as the prerequisites are now
   */
  public record Held(PersonId person, Instant since, List<String> missing) {}

  /** Who waits for a course, the longest first. */
  @Transactional(readOnly = true)
  public List<Held> held(CourseId course) {
    List<HeldEnrolmentRecord> rows =
        db.selectFrom(HELD_ENROLMENT)
            .where(HELD_ENROLMENT.COURSE_ID.eq(course))
            .orderBy(HELD_ENROLMENT.ASKED_AT, HELD_ENROLMENT.PERSON_ID)
            .fetch();
    Map<PersonId, Set<CourseId>> missing =
        missing(course, rows.stream().map(HeldEnrolmentRecord::getPersonId).toList());
    return rows.stream()
        .map(r ->
            new Held(
                r.getPersonId(),
                r.getAskedAt(),
                names(requireNonNull(missing.get(r.getPersonId())))))
        .toList();
  }

  /** The names of the courses that keep somebody out. */
  @Transactional(readOnly = true)
  public List<String> keepOut(CourseId course, PersonId person) {
    return names(requireNonNull(missing(course, List.of(person)).get(person)));
  }

  private Prerequisites prerequisites(CourseId course) {
    return db.select(COURSE.PREREQUISITES)
        .from(COURSE)
        .where(COURSE.ID.eq(course))
        .fetchSingle()
        .value1();
  }

  /** What keeps each of these people out; nothing where nothing does. */
  private Map<PersonId, Set<CourseId>> missing(CourseId course, Collection<PersonId> people) {
    Prerequisites asks = prerequisites(course);
    Set<PersonId> all = Set.copyOf(people);
    Map<PersonId, Set<CourseId>> completed = completions.ofAll(all, asks.courses());
    return all.stream()
        .collect(
            Collectors.toMap(
                Function.identity(), p -> asks.missing(completed.getOrDefault(p, Set.of()))));
  }

  private List<String> names(Set<CourseId> courses) {
    return db.select(COURSE.NAME)
        .from(COURSE)
        .where(COURSE.ID.in(courses))
        .orderBy(COURSE.NAME)
        .fetch(COURSE.NAME);
  }

  /** They do not wait any more. */
  @Transactional
  public void drop(CourseId course, PersonId person) {
    db.deleteFrom(HELD_ENROLMENT)
        .where(HELD_ENROLMENT.COURSE_ID.eq(course), HELD_ENROLMENT.PERSON_ID.eq(person))
        .execute();
  }

  /**
   * Enrols everybody who waits and whose prerequisites are met by now, each in a transaction of its
   * own, and writes to them. What two servers do at once is done once.
   */
  public void letIn() {
    Map<CourseId, List<PersonId>> waiting =
        db
            .select(HELD_ENROLMENT.COURSE_ID, HELD_ENROLMENT.PERSON_ID)
            .from(HELD_ENROLMENT)
            .orderBy(HELD_ENROLMENT.ASKED_AT)
            .fetch()
            .stream()
            .collect(
                Collectors.groupingBy(
                    r -> r.value1(), Collectors.mapping(r -> r.value2(), Collectors.toList())));
    waiting.forEach((course, all) -> {
      Map<PersonId, Set<CourseId>> missing = missing(course, all);
      for (PersonId person : all)
        if (requireNonNull(missing.get(person)).isEmpty())
          try {
            transaction.executeWithoutResult(_ -> letIn(course, person));
          } catch (RuntimeException e) {
            LOG.error("person {} could not be let into course {}", person, course, e);
          }
    });
  }

  private void letIn(CourseId course, PersonId person) {
    Optional<PersonId> by =
        db.deleteFrom(HELD_ENROLMENT)
            .where(HELD_ENROLMENT.COURSE_ID.eq(course), HELD_ENROLMENT.PERSON_ID.eq(person))
            .returning(HELD_ENROLMENT.ASKED_BY)
            .fetchOptional(HELD_ENROLMENT.ASKED_BY);
    if (by.isEmpty() || walks.enrolment(course, person).isPresent()) return;
    walks.enrol(course, person, by);
    String name = designs.published(course).orElseThrow().document().design().name();
    Map<PersonId, String> names = people.names(List.of(person, by.get()));
    Phrase body =
        Phrase.of("letter.let-in.body", "name", first(names.getOrDefault(person, "")))
            .and("course", name)
            .and("from", names.getOrDefault(by.get(), ""));
    outbox.put(
        List.of(
            Letter.of(
                course,
                by.get(),
                person,
                institutions.say(Phrase.of("letter.let-in.subject", "course", name)),
                institutions.say(body))));
  }

  private static String first(String name) {
    return name.split(" ")[0];
  }
}
