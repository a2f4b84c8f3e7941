package yendrik.server.discuss;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.field;
import static org.jooq.impl.DSL.greatest;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.rowNumber;
import static org.jooq.impl.DSL.select;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.POST;
import static yendrik.schema.Tables.THREAD_READ;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;
import yendrik.server.design.Json;
import yendrik.server.design.TextFiles;
import yendrik.server.design.UsesFiles;
import yendrik.server.files.Files;

/** Posts and replies, and who has read how far. */
@Repository
class Posts implements UsesFiles {
  private static final Field<PostId> THREAD = coalesce(POST.IN_REPLY_TO, POST.ID);
  private static final Field<String> REMOVER =
      field(
          select(PERSON.as("remover").NAME)
              .from(PERSON.as("remover"))
              .where(PERSON.as("remover").ID.eq(POST.REMOVED_BY)));
  private static final Field<Integer> POSTS = count().filterWhere(POST.IN_REPLY_TO.isNull());
  private static final Field<Integer> REPLIES = count().filterWhere(POST.IN_REPLY_TO.isNotNull());
  private final DSLContext db;
  private final Clock clock;

  Posts(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
  }

  /**
   * What somebody writes.
   *
   * @param text safe HTML
   * @param files all of them, those in the text too
   */
  record Words(String text, List<Files.Kept> files) {
    /** Those that stand under the text. */
    List<Files.Kept> under() {
      return TextFiles.besides(text, files);
    }
  }

  /**
   * Who writes.
   *
   * @param walk on which they learn; none of staff
   */
  record Writer(PersonId person, Optional<EnrolmentId> walk, boolean practice) {}

  /** A post as it is kept. */
  record Kept(
      PostId id,
      Optional<GroupId> group,
      Optional<EnrolmentId> journal,
      PersonId by,
      String name,
      Optional<EnrolmentId> walk,
      Optional<PostId> thread,
      Words words,
      Instant at,
      Optional<Instant> changed,
      Optional<String> remover,
      boolean seen,
      boolean unread) {}

  /** A thread in few words. */
  record Head(PostId thread, PostId newest, int replies, int unread) {}

  /** What was written somewhere, in few words. */
  record Sum(int posts, int replies, int unread, Optional<Instant> newest) {
    static final Sum NONE = new Sum(0, 0, 0, Optional.empty());
  }

  /** A post among others, whom it does not tell apart. */
  private static Condition unread(Reader reader) {
    return POST.BY_ID
        .ne(reader.person())
        .and(POST.REMOVED_AT.isNull())
        .and(THREAD_READ.UPTO.isNull().or(POST.ID.gt(THREAD_READ.UPTO)));
  }

  private static Condition readBy(Reader reader) {
    return THREAD_READ.POST_ID.eq(THREAD).and(THREAD_READ.PERSON_ID.eq(reader.person()));
  }

  /** The threads of a place, those with the newest post first. */
  List<Head> heads(Place place, Reader reader, Optional<PostId> before, int most) {
    return heads(
        Reader.in(place).and(reader.sees()),
        reader,
        before.map(max(POST.ID)::lt).orElseGet(DSL::noCondition),
        most);
  }

  /** One thread of a place. */
  Optional<Head> head(Place place, Reader reader, PostId thread) {
    Condition which = Reader.in(place).and(reader.sees()).and(THREAD.eq(thread));
    return heads(which, reader, DSL.noCondition(), 1).stream().findFirst();
  }

  private List<Head> heads(Condition which, Reader reader, Condition threads, int most) {
    Field<PostId> newest = max(POST.ID);
    return db.select(
            THREAD,
            newest,
            count().filterWhere(POST.IN_REPLY_TO.isNotNull().and(POST.REMOVED_AT.isNull())),
            count().filterWhere(unread(reader)))
        .from(POST)
        .leftJoin(THREAD_READ)
        .on(readBy(reader))
        .where(which)
        .groupBy(THREAD)
        .having(threads)
        .orderBy(newest.desc())
        .limit(most)
        .fetch(r -> new Head(r.value1(), r.value2(), r.value3(), r.value4()));
  }

  /** The posts that begin these threads, and the newest replies of each, oldest first. */
  List<Kept> of(Collection<PostId> threads, Reader reader, int replies) {
    Field<PostId> id = POST.ID.as("reply");
    Field<Integer> n =
        rowNumber().over().partitionBy(POST.IN_REPLY_TO).orderBy(POST.ID.desc()).as("n");
    var newest =
        select(id, n).from(POST).where(POST.IN_REPLY_TO.in(threads), reader.sees()).asTable();
    return kept(
        reader,
        POST.ID
            .in(threads)
            .or(
                POST.ID.in(
                    select(newest.field(id)).from(newest).where(newest.field(n).le(replies)))));
  }

  /** What a learner wrote at a step, oldest first. */
  List<Kept> by(EnrolmentId walk, StepId step, Reader reader) {
    return kept(reader, POST.ENROLMENT_ID.eq(walk).and(POST.STEP_ID.eq(step)).and(reader.sees()));
  }

  /** One post of a step, if there is something that this reader may know of. */
  Optional<Kept> one(CourseId course, StepId step, PostId id, Reader reader) {
    return kept(reader, POST.ID.eq(id).and(POST.COURSE_ID.eq(course)).and(POST.STEP_ID.eq(step)))
        .stream()
        .filter(Kept::seen)
        .findFirst();
  }

  private List<Kept> kept(Reader reader, Condition which) {
    Field<Boolean> seen = field(reader.sees());
    Field<Boolean> unread = field(unread(reader));
    return db.select(POST.fields())
        .select(PERSON.NAME, REMOVER, seen, unread)
        .from(POST)
        .join(PERSON)
        .on(PERSON.ID.eq(POST.BY_ID))
        .leftJoin(THREAD_READ)
        .on(readBy(reader))
        .where(which)
        .orderBy(POST.ID)
        .fetch(r -> kept(r, r.get(seen), r.get(unread)));
  }

  private static Kept kept(Record row, boolean seen, boolean unread) {
    var post = row.into(POST);
    return new Kept(
        post.getId(),
        Optional.ofNullable(post.getGroupId()),
        Optional.ofNullable(post.getJournalOf()),
        post.getById(),
        row.get(PERSON.NAME),
        Optional.ofNullable(post.getEnrolmentId()),
        Optional.ofNullable(post.getInReplyTo()),
        new Words(post.getBody(), Json.list(post.getFiles(), Files.Kept.class)),
        post.getAt(),
        Optional.ofNullable(post.getChangedAt()),
        Optional.ofNullable(row.get(REMOVER)),
        seen,
        unread);
  }

  /** Whether somebody else than this person wrote in a thread. */
  boolean othersWrote(PostId thread, Reader reader) {
    return db.fetchExists(POST, THREAD.eq(thread), POST.BY_ID.ne(reader.person()), reader.sees());
  }

  /** Whether a learner has written something at a place that stands. */
  boolean hasWritten(Place place, EnrolmentId walk) {
    return db.fetchExists(
        POST, Reader.in(place), POST.ENROLMENT_ID.eq(walk), POST.REMOVED_AT.isNull());
  }

  /** How many posts of a step wait to be read, by group. */
  Map<Optional<GroupId>, Integer> unreadByGroup(CourseId course, StepId step, Reader reader) {
    Map<Optional<GroupId>, Integer> all = new HashMap<>();
    db.select(POST.GROUP_ID, count().filterWhere(unread(reader)))
        .from(POST)
        .leftJoin(THREAD_READ)
        .on(readBy(reader))
        .where(POST.COURSE_ID.eq(course), POST.STEP_ID.eq(step), reader.sees())
        .groupBy(POST.GROUP_ID)
        .forEach(r -> all.put(Optional.ofNullable(r.value1()), r.value2()));
    return all;
  }

  /** What a learner has not read of a group at a step, and how much they wrote there. */
  record News(StepId step, Optional<GroupId> group, int unread, int own) {}

  /** What there is for a learner at each of these steps, their own journals among them. */
  List<News> news(Collection<StepId> steps, Reader.Learner reader) {
    return db.select(
            POST.STEP_ID,
            POST.GROUP_ID,
            count().filterWhere(unread(reader)),
            count().filterWhere(POST.ENROLMENT_ID.eq(reader.walk())))
        .from(POST)
        .leftJoin(THREAD_READ)
        .on(readBy(reader))
        .where(
            POST.STEP_ID.in(steps),
            POST.JOURNAL_OF.isNull().or(POST.JOURNAL_OF.eq(reader.walk())),
            reader.sees())
        .groupBy(POST.STEP_ID, POST.GROUP_ID)
        .fetch(r -> new News(r.value1(), Optional.ofNullable(r.value2()), r.value3(), r.value4()));
  }

  /** What there is at each step of a course. */
  Map<StepId, Sum> sums(CourseId course, Reader reader) {
    return db.select(
            POST.STEP_ID, POSTS, REPLIES, count().filterWhere(unread(reader)), max(POST.AT))
        .from(POST)
        .leftJoin(THREAD_READ)
        .on(readBy(reader))
        .where(POST.COURSE_ID.eq(course), POST.REMOVED_AT.isNull(), reader.sees())
        .groupBy(POST.STEP_ID)
        .fetchMap(r -> r.value1(), r -> sum(r.value2(), r.value3(), r.value4(), r.value5()));
  }

  /** What there is of each learner at a step, in journals also what was replied to them. */
  Map<EnrolmentId, Sum> writers(CourseId course, StepId step, Reader reader) {
    Field<EnrolmentId> whose = coalesce(POST.JOURNAL_OF, POST.ENROLMENT_ID);
    return db.select(whose, POSTS, REPLIES, count().filterWhere(unread(reader)), max(POST.AT))
        .from(POST)
        .leftJoin(THREAD_READ)
        .on(readBy(reader))
        .where(
            POST.COURSE_ID.eq(course),
            POST.STEP_ID.eq(step),
            POST.REMOVED_AT.isNull(),
            whose.isNotNull(),
            reader.sees())
        .groupBy(whose)
        .fetchMap(r -> r.value1(), r -> sum(r.value2(), r.value3(), r.value4(), r.value5()));
  }

  private static Sum sum(int posts, int replies, int unread, Instant newest) {
    return new Sum(posts, replies, unread, Optional.of(newest));
  }

  PostId add(Place place, Writer writer, Optional<PostId> thread, Words words) {
    return db.insertInto(POST)
        .set(POST.COURSE_ID, place.course())
        .set(POST.STEP_ID, place.step())
        .set(POST.GROUP_ID, place.group().orElse(null))
        .set(POST.JOURNAL_OF, place.journal().orElse(null))
        .set(POST.ENROLMENT_ID, writer.walk().orElse(null))
        .set(POST.PRACTICE, writer.practice())
        .set(POST.BY_ID, writer.person())
        .set(POST.IN_REPLY_TO, thread.orElse(null))
        .set(POST.BODY, words.text())
        .set(POST.FILES, Json.of(words.files()))
        .set(POST.AT, clock.instant())
        .returning(POST.ID)
        .fetchSingle(POST.ID);
  }

  /** Says whether it still stood. */
  boolean change(PostId post, Words words) {
    return db.update(POST)
            .set(POST.BODY, words.text())
            .set(POST.FILES, Json.of(words.files()))
            .set(POST.CHANGED_AT, clock.instant())
            .where(POST.ID.eq(post), POST.REMOVED_AT.isNull())
            .execute()
        == 1;
  }

  /** Says whether it still stood. */
  boolean remove(PostId post, PersonId by) {
    return db.update(POST)
            .set(POST.REMOVED_AT, clock.instant())
            .set(POST.REMOVED_BY, by)
            .where(POST.ID.eq(post), POST.REMOVED_AT.isNull())
            .execute()
        == 1;
  }

  /** Says whether it was removed before. */
  boolean restore(PostId post) {
    return db.update(POST)
            .setNull(POST.REMOVED_AT)
            .setNull(POST.REMOVED_BY)
            .where(POST.ID.eq(post), POST.REMOVED_AT.isNotNull())
            .execute()
        == 1;
  }

  /** Somebody has read threads of a step up to a post; what was read before stays read. */
  void read(CourseId course, StepId step, PersonId person, Map<PostId, PostId> upto) {
    List<PostId> there =
        db.select(POST.ID)
            .from(POST)
            .where(
                POST.ID.in(upto.keySet()),
                POST.IN_REPLY_TO.isNull(),
                POST.COURSE_ID.eq(course),
                POST.STEP_ID.eq(step))
            .orderBy(POST.ID)
            .fetch(POST.ID);
    for (PostId thread : there) {
      PostId last = upto.getOrDefault(thread, thread);
      db.insertInto(THREAD_READ)
          .set(THREAD_READ.POST_ID, thread)
          .set(THREAD_READ.PERSON_ID, person)
          .set(THREAD_READ.UPTO, last)
          .onConflict(THREAD_READ.POST_ID, THREAD_READ.PERSON_ID)
          .doUpdate()
          .set(THREAD_READ.UPTO, greatest(THREAD_READ.UPTO, DSL.val(last, THREAD_READ.UPTO)))
          .execute();
    }
  }

  @Override
  public Set<Long> files(CourseId course) {
    Set<Long> all = new HashSet<>();
    db.select(POST.FILES)
        .from(POST)
        .where(POST.COURSE_ID.eq(course))
        .forEach(r -> Json.list(r.value1(), Files.Kept.class).forEach(f -> all.add(f.id())));
    return all;
  }
}
