package yendrik.server.way;

import static yendrik.schema.Tables.SESSION;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.stereotype.Repository;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.SessionId;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;
import yendrik.schema.tables.records.SessionRecord;

/** The sessions of a course. What was marked in their registers are facts of the learners. */
@Repository
public class Sessions {
  private final DSLContext db;

  Sessions(DSLContext db) {
    this.db = db;
  }

  /**
   * One meeting.
   *
   * @param group whose session it is; empty for everybody's
   */
  public record Session(
      SessionId id,
      int version,
      String name,
      Optional<GroupId> group,
      Instant startsAt,
      int minutes) {
    public Instant endsAt() {
      return startsAt.plusSeconds(60L * minutes);
    }

    /** Whether it concerns a learner who is in these groups. */
    public boolean concerns(List<GroupId> groups) {
      return group.map(groups::contains).orElse(true);
    }
  }

  /** All sessions that were not taken away, in order of time. */
  public List<Session> of(CourseId course) {
    return db.selectFrom(SESSION)
        .where(SESSION.COURSE_ID.eq(course), SESSION.DELETED_AT.isNull())
        .orderBy(SESSION.STARTS_AT, SESSION.ID)
        .fetch(Sessions::session);
  }

  public Optional<Session> one(CourseId course, SessionId id) {
    return db.selectFrom(SESSION)
        .where(SESSION.ID.eq(id), SESSION.COURSE_ID.eq(course), SESSION.DELETED_AT.isNull())
        .fetchOptional(Sessions::session);
  }

  /** What sessions are called, also those that were taken away: "Bench evening, Tue 24 Nov". */
  public Map<SessionId, String> names(CourseId course, Writing writing) {
    Map<SessionId, String> names = new HashMap<>();
    db.selectFrom(SESSION)
        .where(SESSION.COURSE_ID.eq(course))
        .forEach(s ->
            names.put(
                s.getId(),
                writing.say(
                    Phrase.of(
                        "session", "name", s.getName(), "day", new Phrase.Day(s.getStartsAt())))));
    return names;
  }

  private static Session session(Record row) {
    SessionRecord s = row.into(SESSION);
    return new Session(
        s.getId(),
        s.getVersion(),
        s.getName(),
        Optional.ofNullable(s.getGroupId()),
        s.getStartsAt(),
        s.getMinutes());
  }
}
