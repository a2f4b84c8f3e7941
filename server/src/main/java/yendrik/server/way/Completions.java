package yendrik.server.way;

import static yendrik.schema.Tables.COMPLETION_NEWS;
import static yendrik.schema.Tables.ENROLMENT;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;

/**
 * Which courses people have completed, and the news of it that their other courses do not know yet.
 * News is a row of the act's own transaction and is told afterwards in transactions of its own, one
 * for each other course, so that no act ever locks two enrolments.
 */
@Repository
class Completions {
  private final DSLContext db;

  Completions(DSLContext db) {
    this.db = db;
  }

  /** A completion that came or went, to be told. */
  record News(long id, PersonId person, CourseId course) {}

  void changed(PersonId person, CourseId course, Instant now) {
    db.insertInto(COMPLETION_NEWS)
        .set(COMPLETION_NEWS.PERSON_ID, person)
        .set(COMPLETION_NEWS.COURSE_ID, course)
        .set(COMPLETION_NEWS.TRY_FROM, now)
        .execute();
  }

  /** The courses that a person has completed, of these. */
  Set<CourseId> of(PersonId person, Set<CourseId> courses) {
    if (courses.isEmpty()) return Set.of();
    return new HashSet<>(
        db.select(ENROLMENT.COURSE_ID)
            .from(ENROLMENT)
            .where(
                ENROLMENT.PERSON_ID.eq(person),
                ENROLMENT.COURSE_ID.in(courses),
                ENROLMENT.COMPLETED_AT.isNotNull(),
                ENROLMENT.PRACTICE.isFalse())
            .fetch(r -> r.value1()));
  }

  /** The same of several people at once; who has completed none of them is left out. */
  Map<PersonId, Set<CourseId>> ofAll(Set<PersonId> people, Set<CourseId> courses) {
    if (courses.isEmpty() || people.isEmpty()) return Map.of();
    return db
        .select(ENROLMENT.PERSON_ID, ENROLMENT.COURSE_ID)
        .from(ENROLMENT)
        .where(
            ENROLMENT.PERSON_ID.in(people),
            ENROLMENT.COURSE_ID.in(courses),
            ENROLMENT.COMPLETED_AT.isNotNull(),
            ENROLMENT.PRACTICE.isFalse())
        .fetch()
        .stream()
        .collect(
            Collectors.groupingBy(
                r -> r.value1(), Collectors.mapping(r -> r.value2(), Collectors.toSet())));
  }

  List<News> due(Instant now, int most) {
    return db.selectFrom(COMPLETION_NEWS)
        .where(COMPLETION_NEWS.TRY_FROM.le(now))
        .orderBy(COMPLETION_NEWS.ID)
        .limit(most)
        .fetch(r -> new News(r.getId(), r.getPersonId(), r.getCourseId()));
  }

  /** When the person completed the course, as it stands now. */
  Optional<Instant> completedAt(News news) {
    return db.select(ENROLMENT.COMPLETED_AT)
        .from(ENROLMENT)
        .where(
            ENROLMENT.PERSON_ID.eq(news.person()),
            ENROLMENT.COURSE_ID.eq(news.course()),
            ENROLMENT.PRACTICE.isFalse())
        .fetchOptional(ENROLMENT.COMPLETED_AT);
  }

  List<EnrolmentId> others(News news) {
    return db.select(ENROLMENT.ID)
        .from(ENROLMENT)
        .where(
            ENROLMENT.PERSON_ID.eq(news.person()),
            ENROLMENT.COURSE_ID.ne(news.course()),
            ENROLMENT.PRACTICE.isFalse())
        .orderBy(ENROLMENT.ID)
        .fetch(ENROLMENT.ID);
  }

  void told(News news) {
    db.deleteFrom(COMPLETION_NEWS).where(COMPLETION_NEWS.ID.eq(news.id())).execute();
  }

  /** To be told again later; each time after twice as long, a day at most. */
  void later(News news, Instant now) {
    int tries =
        db.select(COMPLETION_NEWS.TRIES)
            .from(COMPLETION_NEWS)
            .where(COMPLETION_NEWS.ID.eq(news.id()))
            .fetchOptional(COMPLETION_NEWS.TRIES)
            .orElse(0);
    db.update(COMPLETION_NEWS)
        .set(COMPLETION_NEWS.TRIES, tries + 1)
        .set(COMPLETION_NEWS.TRY_FROM, now.plusSeconds(Math.min(86_400, 5L << Math.min(tries, 20))))
        .where(COMPLETION_NEWS.ID.eq(news.id()))
        .execute();
  }
}
