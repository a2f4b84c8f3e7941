package yendrik.server.way;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.COURSE_VERSION;
import static yendrik.schema.Tables.PERSON;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Progress;
import yendrik.core.record.Facts;
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
   * What publishing now would do.
   *
   * @param draft marks the draft that was looked at, see {@link DraftMark}
   * @param changed names of what differs from what learners have; none when nothing does
   * @param learners how many learners would come under the new design
   */
  public record Impact(
      String draft, List<String> changed, int learners, List<Impacts.Change> changes) {}

  @Transactional(readOnly = true)
  public Impact impact(CourseId course) {
    Designs.Ready draft = designs.fitToPublish(course);
    List<EnrolmentId> enrolments = walks.learners(course);
    Impacts impacts = new Impacts();
    for (int from = 0; from < enrolments.size(); from += AT_ONCE) {
      List<Walk> some =
          walks.seeAll(enrolments.subList(from, Math.min(from + AT_ONCE, enrolments.size())));
      Map<PersonId, String> names = people.names(some.stream().map(Walk::person).toList());
      for (Walk walk : some) {
        Progress before = walk.progress();
        Progress after =
            before.under(draft.compiled(), Facts.standing(walk.facts()), clock.instant());
        impacts.add(names.getOrDefault(walk.person(), ""), before, after);
      }
    }
    return new Impact(
        designs.mark(draft.document()).text(),
        designs.changed(course, draft.document()),
        enrolments.size(),
        impacts.said(institutions));
  }

  /**
   * Publishes the draft that somebody has looked at.
   *
   * @param seen the mark of it; when the draft is another one by now, nothing is published
   * @return the number of the publication
   */
  public int publish(CourseId course, PersonId by, DraftMark seen) {
    lock(course);
    Designs.Ready draft = designs.fitToPublish(course);
    List<String> since = designs.changedSince(seen, draft.document());
    if (!since.isEmpty()) throw Problem.changedSince(since);
    return publish(course, by, draft);
  }

  /**
   * Publishes the draft as it is.
   *
   * @return the number of the publication
   */
  public int publish(CourseId course, PersonId by) {
    lock(course);
    return publish(course, by, designs.fitToPublish(course));
  }

  private void lock(CourseId course) {
    db.selectFrom(COURSE).where(COURSE.ID.eq(course)).forUpdate().fetchSingle();
  }

  private int publish(CourseId course, PersonId by, Designs.Ready draft) {
    if (draft.document().design().steps().findAny().isEmpty())
      throw Problem.conflict("nothing-to-publish");
    if (designs.changed(course, draft.document()).isEmpty())
      throw Problem.conflict("nothing-changed");
    Instant now = clock.instant();
    int version = draft.version();
    db.insertInto(COURSE_VERSION)
        .set(COURSE_VERSION.COURSE_ID, course)
        .set(COURSE_VERSION.NUMBER, version)
        .set(COURSE_VERSION.PUBLISHED_AT, now)
        .set(COURSE_VERSION.PUBLISHED_BY, by)
        .set(COURSE_VERSION.DOCUMENT, Json.of(draft.kept()))
        .execute();
    db.update(COURSE).set(COURSE.PUBLISHED_VERSION, version).where(COURSE.ID.eq(course)).execute();
    return version;
  }

  /** A publication in the course's history. */
  public record Published(int number, Instant at, String by) {}

  @Transactional(readOnly = true)
  public List<Published> history(CourseId course) {
    return db.select(COURSE_VERSION.NUMBER, COURSE_VERSION.PUBLISHED_AT, PERSON.NAME)
        .from(COURSE_VERSION)
        .join(PERSON)
        .on(PERSON.ID.eq(COURSE_VERSION.PUBLISHED_BY))
        .where(COURSE_VERSION.COURSE_ID.eq(course))
        .orderBy(COURSE_VERSION.NUMBER.desc())
        .fetch(r -> new Published(r.value1(), r.value2(), r.value3()));
  }
}
