package yendrik.server.way;

import static org.jooq.impl.DSL.when;
import static yendrik.schema.Sequences.FACT_ID;
import static yendrik.schema.Tables.ATTEMPT;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.HANDED_IN;
import static yendrik.schema.Tables.WORK_DRAFT;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.SelectConditionStep;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.FactId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Latches;
import yendrik.core.progress.Progress;
import yendrik.core.progress.Replay;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.EnrolmentRecord;
import yendrik.server.design.Designs;
import yendrik.server.design.Json;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.live.Events;

/**
 * The way of every act: lock the enrolment, append facts, let core work out what follows, write the
 * snapshot and tell who watches, all in one transaction.
 *
 * <p>What follows from state (a badge to issue, other courses to tell) is found by comparing the
 * state with the facts after every act, correction, publication and passing of time alike; so it is
 * the same whatever brought the state about.
 */
@Service
@Transactional
public class Walks {
  private static final Field<Long> FIRST_IDS = FACT_ID.nextval().as("first_ids");
  private final DSLContext db;
  private final FactStore facts;
  private final Designs designs;
  private final Completions completions;
  private final Events events;
  private final WarmWays warm;
  private final Institutions institutions;
  private final PublicationNews news;
  private final Awards awards;
  private final Renewals renewals;
  private final Clock clock;

  Walks(
      DSLContext db,
      FactStore facts,
      Designs designs,
      Completions completions,
      Events events,
      WarmWays warm,
      Institutions institutions,
      PublicationNews news,
      Awards awards,
      Renewals renewals,
      Clock clock) {
    this.db = db;
    this.facts = facts;
    this.designs = designs;
    this.completions = completions;
    this.events = events;
    this.warm = warm;
    this.institutions = institutions;
    this.news = news;
    this.awards = awards;
    this.renewals = renewals;
    this.clock = clock;
  }

  /** What an act adds: decided from the way so far, so that checking and acting see the same. */
  public interface Act extends Function<Walk, List<Fact.What>> {}

  /** The same for an act that also corrects earlier facts. */
  public interface Change extends Function<Walk, List<Added>> {}

  /** Enrols somebody; if they are enrolled already, nothing happens. */
  public EnrolmentId enrol(CourseId course, PersonId person, Optional<PersonId> by) {
    Optional<EnrolmentId> known = enrolment(course, person);
    if (known.isPresent()) return known.get();
    Designs.Ready ready =
        designs.published(course).orElseThrow(() -> Problem.conflict("publish-before-enrolling"));
    Instant now = clock.instant();
    Optional<EnrolmentId> id = insert(course, person, /* practice= */ false, ready.version(), now);
    if (id.isEmpty()) return enrolment(course, person).orElseThrow();
    List<Added> first = new ArrayList<>();
    first.add(Added.now(new Fact.Enrolled()));
    first.add(Added.now(new Fact.CameUnder(ready.version())));
    for (CourseId other : completions.of(person, ready.compiled().otherCourses()))
      first.add(Added.now(new Fact.CompletedCourse(other)));
    change(id.get(), by, _ -> first, Optional.of(now));
    return id.get();
  }

  /** Empty when somebody else was quicker. */
  private Optional<EnrolmentId> insert(
      CourseId course, PersonId person, boolean practice, int version, Instant now) {
    return db.insertInto(ENROLMENT)
        .set(ENROLMENT.COURSE_ID, course)
        .set(ENROLMENT.PERSON_ID, person)
        .set(ENROLMENT.PRACTICE, practice)
        .set(ENROLMENT.ENROLLED_AT, now)
        .set(ENROLMENT.DESIGN_VERSION, version)
        .set(ENROLMENT.AS_OF, now)
        .set(ENROLMENT.LATCHES, Json.of(Latches.none(now.toEpochMilli())))
        .set(ENROLMENT.SUMMARY, Json.of(Summary.EMPTY))
        .set(ENROLMENT.FORM, Snapshot.FORM)
        .onConflictDoNothing()
        .returning(ENROLMENT.ID)
        .fetchOptional(ENROLMENT.ID);
  }

  @Transactional(readOnly = true)
  public Optional<EnrolmentId> enrolment(CourseId course, PersonId person) {
    return find(course, person, /* practice= */ false);
  }

  private Optional<EnrolmentId> find(CourseId course, PersonId person, boolean practice) {
    return db.select(ENROLMENT.ID)
        .from(ENROLMENT)
        .where(
            ENROLMENT.COURSE_ID.eq(course),
            ENROLMENT.PERSON_ID.eq(person),
            ENROLMENT.PRACTICE.eq(practice))
        .fetchOptional(ENROLMENT.ID);
  }

  /** The made-up learner of a member of staff, if they have one. */
  @Transactional(readOnly = true)
  public Optional<EnrolmentId> practiceBegun(CourseId course, PersonId staff) {
    return find(course, staff, /* practice= */ true);
  }

  /** The made-up learner of a member of staff, who walks the draft; made on first use. */
  public EnrolmentId practice(CourseId course, PersonId staff) {
    Optional<EnrolmentId> known = find(course, staff, true);
    if (known.isPresent()) return known.get();
    designs.readyDraft(course);
    Instant now = clock.instant();
    Optional<EnrolmentId> id = insert(course, staff, /* practice= */ true, 0, now);
    id.ifPresent(fresh ->
        change(
            fresh,
            Optional.of(staff),
            _ -> List.of(Added.now(new Fact.Enrolled())),
            Optional.of(now)));
    return id.orElseGet(() -> find(course, staff, true).orElseThrow());
  }

  /**
   * Winds the clock of a made-up learner forward.
   *
   * @param seconds ahead of the time that it is for everybody else
   * @throws Problem if it would go back: what was done would lie in the future
   */
  public void windForward(EnrolmentId practice, long seconds) {
    int wound =
        db.update(ENROLMENT)
            .set(ENROLMENT.AHEAD, seconds)
            .where(
                ENROLMENT.ID.eq(practice), ENROLMENT.PRACTICE.isTrue(), ENROLMENT.AHEAD.le(seconds))
            .execute();
    if (wound == 0) throw Problem.conflict("clock-goes-on-only");
  }

  /** How many seconds the clock of a made-up learner is ahead. */
  @Transactional(readOnly = true)
  public long ahead(EnrolmentId enrolment) {
    return db.select(ENROLMENT.AHEAD)
        .from(ENROLMENT)
        .where(ENROLMENT.ID.eq(enrolment))
        .fetchSingle()
        .value1();
  }

  /** Takes all made-up learners of a course away. */
  public void startAllOver(CourseId course) {
    db.select(ENROLMENT.PERSON_ID)
        .from(ENROLMENT)
        .where(ENROLMENT.COURSE_ID.eq(course), ENROLMENT.PRACTICE.isTrue())
        .fetch(ENROLMENT.PERSON_ID)
        .forEach(staff -> startOver(course, staff));
  }

  /** Takes a made-up learner away with all their facts, the only ones that are ever deleted. */
  public void startOver(CourseId course, PersonId staff) {
    find(course, staff, true)
        .ifPresent(id -> {
          db.selectFrom(ENROLMENT).where(ENROLMENT.ID.eq(id)).forUpdate().fetch();
          facts.deleteAll(id);
          db.deleteFrom(HANDED_IN).where(HANDED_IN.ENROLMENT_ID.eq(id)).execute();
          db.deleteFrom(WORK_DRAFT).where(WORK_DRAFT.ENROLMENT_ID.eq(id)).execute();
          db.deleteFrom(ATTEMPT).where(ATTEMPT.ENROLMENT_ID.eq(id)).execute();
          db.deleteFrom(ENROLMENT).where(ENROLMENT.ID.eq(id)).execute();
        });
  }

  /**
   * Adds facts and works out what follows.
   *
   * @return the learner's way, good until the transaction ends: then the next act goes on with it
   */
  public Walk act(EnrolmentId enrolment, Optional<PersonId> by, Act act) {
    return change(enrolment, by, walk -> act.apply(walk).stream().map(Added::now).toList());
  }

  /** Adds facts and corrects earlier ones; after a correction everything is worked out anew. */
  public Walk change(EnrolmentId enrolment, Optional<PersonId> by, Change change) {
    return change(enrolment, by, change, Optional.empty());
  }

  private Walk change(
      EnrolmentId id, Optional<PersonId> by, Change change, Optional<Instant> moment) {
    Locked locked = lock(id);
    Walk walk = upToDate(locked, moment.orElseGet(() -> now(locked.row)));
    Progress progress = walk.progress();
    Instant at = progress.asOf();
    List<Fact> added = new ArrayList<>();
    boolean anew = false;
    for (Added one : change.apply(walk)) {
      Instant when = one.at().map(given -> within(given, walk, at)).orElse(at);
      Fact fact = new Fact(locked.ids.next(), when, by, one.what(), one.replaces());
      anew |= one.replaces().isPresent() || when.isBefore(at);
      added.add(fact);
    }
    walk.known().add(added);
    if (anew) progress = fromFacts(locked.row, walk.facts(), at);
    else added.forEach(progress::take);
    Walk now = keep(locked, walk, progress, added, walk.ready());
    if (!now.practice()) warm.keep(id, locked.stamp, now.progress());
    return now;
  }

  /** No fact is older than the first and none is of the future. */
  private static Instant within(Instant given, Walk walk, Instant now) {
    Instant first = walk.facts().getFirst().at();
    Instant late = given.isAfter(now) ? now : given;
    return late.isBefore(first) ? first : late;
  }

  /**
   * An enrolment that nobody else changes until the transaction ends.
   *
   * @param stamp of whoever holds it now, and of nobody else ever
   */
  private record Locked(EnrolmentRecord row, int everyones, long stamp, FactIds ids) {}

  private Locked lock(EnrolmentId id) {
    return locked(query(id).forUpdate().of(ENROLMENT).fetchSingle());
  }

  /**
   * With the ids of new facts: a statement that had to wait for the lock is evaluated again after
   * it, so that ids are in the order of the acts. State that is at hand is not fetched.
   */
  private SelectConditionStep<? extends Record> query(EnrolmentId id) {
    var unknown = ENROLMENT.STAMP.ne(DSL.val(warm.stamp(id)));
    return db.select(
            Arrays.stream(ENROLMENT.fields())
                .map(f -> f.getType() == JSONB.class ? when(unknown, f).as(f) : f)
                .toList())
        .select(COURSE.EVERYONES_VERSION, FIRST_IDS)
        .from(ENROLMENT)
        .join(COURSE)
        .on(COURSE.ID.eq(ENROLMENT.COURSE_ID))
        .where(ENROLMENT.ID.eq(id));
  }

  private Locked locked(Record found) {
    long first = found.get(FIRST_IDS);
    return new Locked(
        found.into(ENROLMENT),
        found.get(COURSE.EVERYONES_VERSION),
        first,
        new FactIds(first, facts::nextBlock));
  }

  /**
   * A learner's way up to now, under the version that is published for everybody: whoever has not
   * been moved yet comes under it with their next act.
   */
  private Walk upToDate(Locked locked, Instant moment) {
    Walk walk = goOn(locked.row);
    walk.progress().advance(moment);
    Walk now =
        walk.practice() || locked.everyones <= walk.ready().version()
            ? walk
            : under(locked, walk, designs.version(walk.course(), locked.everyones));
    List<Fact.What> anew = renewals.anew(now);
    return anew.isEmpty() ? now : startingAnew(locked, now, anew);
  }

  /** Steps that are to be redone begin anew before anything else happens at them. */
  private Walk startingAnew(Locked locked, Walk walk, List<Fact.What> anew) {
    Instant at = walk.progress().asOf();
    List<Fact> fresh =
        anew.stream()
            .map(what -> new Fact(locked.ids.next(), at, Optional.empty(), what, Optional.empty()))
            .toList();
    walk.known().add(fresh);
    fresh.forEach(walk.progress()::take);
    return keep(locked, walk, walk.progress(), fresh, walk.ready());
  }

  private Walk under(Locked locked, Walk walk, Designs.Ready next) {
    Instant at = walk.progress().asOf();
    List<Fact.What> whats = new ArrayList<>();
    whats.add(new Fact.CameUnder(next.version()));
    for (CourseId other : completions.of(walk.person(), next.compiled().otherCourses()))
      if (!walk.progress().record().completed(other)) whats.add(new Fact.CompletedCourse(other));
    List<Fact> fresh =
        whats.stream()
            .map(what -> new Fact(locked.ids.next(), at, Optional.empty(), what, Optional.empty()))
            .toList();
    Supplier<List<Fact>> before =
        () -> {
          List<Fact> all = new ArrayList<>(walk.facts());
          all.add(fresh.getFirst());
          return Facts.standing(all);
        };
    Progress moved = walk.progress().under(next.compiled(), before, at);
    fresh.subList(1, fresh.size()).forEach(moved::take);
    news.tell(walk, moved, next.version());
    walk.known().add(fresh);
    return keep(locked, walk, moved, fresh, next);
  }

  /**
   * Writes what was added, which the walk knows already, and what follows from the state that it
   * led to.
   */
  private Walk keep(
      Locked locked, Walk walk, Progress progress, List<Fact> added, Designs.Ready ready) {
    List<Fact> fresh = new ArrayList<>(added);
    List<Fact> issued = toIssue(walk, progress, locked.ids);
    issued.forEach(progress::take);
    walk.known().add(issued);
    fresh.addAll(issued);
    facts.append(walk.course(), walk.enrolment(), fresh);
    if (!walk.practice()) awards.follow(walk, progress, fresh, ready);
    Walk now =
        new Walk(
            walk.way(),
            walk.course(),
            walk.person(),
            walk.practice(),
            progress,
            walk.known(),
            ready,
            walk.writing());
    EnrolmentRecord row = locked.row;
    boolean was = row.getCompletedAt() != null;
    Snapshot snapshot = Snapshot.of(progress, walk.practice() ? 0 : ready.version());
    snapshot.write(row);
    row.setStamp(locked.stamp);
    write(row, walk, snapshot.summary().groups());
    if (!walk.practice() && was != progress.completedAt().isPresent())
      completions.changed(walk.person(), walk.course(), clock.instant());
    return now;
  }

  /** The snapshot, and with it the word to whoever watches. */
  private void write(EnrolmentRecord row, Walk walk, List<GroupId> groups) {
    var update = db.update(ENROLMENT).set(row).where(ENROLMENT.ID.eq(row.getId()));
    if (walk.practice()) update.execute();
    else update.returningResult(events.change(walk.course(), walk.person(), groups)).fetch();
    row.touched(false);
  }

  /** Badges that are earned and that the facts do not know of, as of when they were earned. */
  private List<Fact> toIssue(Walk walk, Progress progress, FactIds ids) {
    List<Fact> issued = new ArrayList<>();
    List<Progress.ToIssue> all = new ArrayList<>(progress.toIssue());
    all.addAll(renewals.toIssue(progress, walk));
    for (Progress.ToIssue issue : all)
      issued.add(
          new Fact(ids.next(), issue.earnedAt(), Optional.empty(), issue.what(), Optional.empty()));
    return issued;
  }

  /** A learner's way, worked out up to now; nothing is written. */
  @Transactional(readOnly = true)
  public Walk see(EnrolmentId enrolment) {
    return see(Way.of(enrolment));
  }

  /** The same as somebody reads it. */
  @Transactional(readOnly = true)
  public Walk see(Way way) {
    var row = db.selectFrom(ENROLMENT).where(ENROLMENT.ID.eq(way.enrolment())).fetchSingle();
    Instant now = now(row);
    Instant at = way.at().filter(now::isBefore).orElse(now);
    Walk walk = load(row);
    walk.progress().advance(at);
    return new Walk(
        way,
        walk.course(),
        walk.person(),
        walk.practice(),
        walk.progress(),
        walk.known(),
        walk.ready(),
        institutions.writing(walk.index().design().zone(), at));
  }

  /** The time it is for a learner: staff wind the clock of a made-up one forward. */
  private Instant now(EnrolmentRecord row) {
    return clock.instant().plusSeconds(row.getAhead());
  }

  /**
   * The ways of several learners, worked out up to now; nothing is written. When the facts of one
   * are asked for, those of all are read.
   */
  @Transactional(readOnly = true)
  public List<Walk> seeAll(List<EnrolmentId> enrolments) {
    Supplier<Map<EnrolmentId, List<Fact>>> all = once(() -> facts.ofAll(enrolments));
    List<EnrolmentRecord> rows =
        db.selectFrom(ENROLMENT).where(ENROLMENT.ID.in(enrolments)).fetch();
    return severalAtATime(rows)
        .map(row ->
            asOfNow(
                load(row, new KnownFacts(() -> all.get().getOrDefault(row.getId(), List.of())))))
        .toList();
  }

  /** By several threads where none of them has to ask the database for anything. */
  private Stream<EnrolmentRecord> severalAtATime(List<EnrolmentRecord> rows) {
    boolean known =
        rows.stream().allMatch(row -> !row.getPractice() && row.getForm() == Snapshot.FORM);
    if (!known) return rows.stream();
    rows.stream()
        .filter(distinct(row -> row.getCourseId() + " " + row.getDesignVersion()))
        .forEach(row -> institutions.writing(ready(row).compiled().design().zone(), now(row)));
    return rows.parallelStream();
  }

  private static <T> Predicate<T> distinct(Function<T, Object> by) {
    Set<Object> seen = new HashSet<>();
    return one -> seen.add(by.apply(one));
  }

  /**
   * What would become of a learner if facts were added, earlier ones corrected with them; nothing
   * is written.
   *
   * @param walk as of now
   */
  @Transactional(readOnly = true)
  public Progress supposing(Walk walk, List<Added> added) {
    List<Fact> facts = new ArrayList<>(walk.facts());
    Instant at = walk.progress().asOf();
    long id = Long.MAX_VALUE - added.size();
    for (Added one : added)
      facts.add(
          new Fact(
              new FactId(id++), one.at().orElse(at), Optional.empty(), one.what(), one.replaces()));
    return Replay.run(v -> designs.version(walk.course(), v).compiled(), walk.person(), facts, at);
  }

  private static <T> Supplier<T> once(Supplier<T> made) {
    List<T> kept = new ArrayList<>();
    return () -> {
      if (kept.isEmpty()) kept.add(made.get());
      return kept.getFirst();
    };
  }

  private Walk load(EnrolmentRecord row) {
    return load(row, knownFacts(row));
  }

  private KnownFacts knownFacts(EnrolmentRecord row) {
    EnrolmentId id = row.getId();
    return new KnownFacts(() -> facts.of(id));
  }

  private Walk load(EnrolmentRecord row, KnownFacts known) {
    Designs.Ready ready = ready(row);
    return walk(row, progress(row, known, ready), known, ready);
  }

  /** The same for whoever holds the lock and is going to write. */
  private Walk goOn(EnrolmentRecord row) {
    Optional<Progress> last = warm.take(row);
    if (last.isPresent() && row.getForm() == Snapshot.FORM)
      return walk(row, last.get(), knownFacts(row), ready(row));
    // what was at hand when the lock was asked for may be gone when it is given
    boolean fetched = row.getLatches() != null;
    return load(
        fetched ? row : db.selectFrom(ENROLMENT).where(ENROLMENT.ID.eq(row.getId())).fetchSingle());
  }

  private Designs.Ready ready(EnrolmentRecord row) {
    var course = row.getCourseId();
    return row.getPractice()
        ? designs.readyDraft(course)
        : designs.version(course, row.getDesignVersion());
  }

  private Walk walk(EnrolmentRecord row, Progress progress, KnownFacts known, Designs.Ready ready) {
    return new Walk(
        Way.of(row.getId()),
        row.getCourseId(),
        row.getPersonId(),
        row.getPractice(),
        progress,
        known,
        ready,
        institutions.writing(progress.course().design().zone(), progress.asOf()));
  }

  /** From what is kept; a made-up learner's draft may be another one than it was then. */
  private Progress progress(EnrolmentRecord row, KnownFacts known, Designs.Ready ready) {
    if (row.getForm() != Snapshot.FORM) return fromFacts(row, known.all(), row.getAsOf());
    var person = row.getPersonId();
    Latches latches = Json.read(row.getLatches(), Latches.class);
    return row.getPractice()
        ? Progress.resume(ready.compiled(), person, Facts.standing(known.all()), latches)
        : Progress.resume(ready.compiled(), person, CoreJson.sums(row.getSums().data()), latches);
  }

  private Walk asOfNow(Walk walk) {
    walk.progress().advance(clock.instant());
    return walk;
  }

  /** Everything from the facts, with nothing taken from the snapshot. */
  private Progress fromFacts(EnrolmentRecord row, List<Fact> all, Instant until) {
    var course = row.getCourseId();
    var person = row.getPersonId();
    return row.getPractice()
        ? Replay.run(designs.readyDraft(course).compiled(), person, all, until)
        : Replay.run(v -> designs.version(course, v).compiled(), person, all, until);
  }

  /**
   * Works a learner's state out from the facts alone and compares it with all that is kept.
   *
   * @return what differs, in words; none when nothing does
   */
  @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
  public List<String> compare(EnrolmentId enrolment) {
    return compareAll(List.of(enrolment)).getOrDefault(enrolment, List.of());
  }

  /**
   * The same for several learners, as of one moment.
   *
   * @return what differs by enrolment; those with whom all agrees left out
   */
  @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
  public Map<EnrolmentId, List<String>> compareAll(List<EnrolmentId> enrolments) {
    Map<EnrolmentId, List<String>> differing = new LinkedHashMap<>();
    List<EnrolmentRecord> rows =
        db.selectFrom(ENROLMENT).where(ENROLMENT.ID.in(enrolments)).orderBy(ENROLMENT.ID).fetch();
    Map<EnrolmentId, List<Fact>> known = facts.ofAll(enrolments);
    for (EnrolmentRecord row : rows) {
      List<String> differences = compare(row, known.getOrDefault(row.getId(), List.of()));
      if (!differences.isEmpty()) differing.put(row.getId(), differences);
    }
    return differing;
  }

  private List<String> compare(EnrolmentRecord row, List<Fact> all) {
    try {
      Progress anew = fromFacts(row, all, row.getAsOf());
      List<String> differences =
          new ArrayList<>(Snapshot.of(anew, row.getDesignVersion()).differences(row));
      for (int b = 0; b < anew.course().index().badges(); b++)
        if (anew.earnedAt(b).isPresent() && !anew.record().holds(b) && !anew.record().revoked(b))
          differences.add("badge " + anew.course().index().badge(b).id() + ": earned, not issued");
      return differences;
    } catch (RuntimeException e) {
      return List.of("cannot be worked out: " + e);
    }
  }

  /** Puts what follows from the facts in the place of what is kept. */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void repair(EnrolmentId enrolment) {
    Locked locked = lock(enrolment);
    locked.row.setForm(0);
    Walk walk = load(locked.row);
    keep(locked, walk, walk.progress(), List.of(), walk.ready());
  }

  /**
   * Lives through what has come for a learner: moments of the clock, a publication, a new form of
   * what is kept. Passed over when another server has the learner in hand.
   *
   * @return whether the learner was free for it
   */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public boolean catchUp(EnrolmentId enrolment) {
    Instant now = clock.instant();
    Optional<? extends Record> found =
        query(enrolment).forUpdate().of(ENROLMENT).skipLocked().fetchOptional();
    if (found.isEmpty()) return false;
    Locked locked = locked(found.get());
    boolean old = locked.row.getForm() != Snapshot.FORM;
    Instant next = locked.row.getNextAt();
    Walk walk = upToDate(locked, now);
    boolean due = next != null && !next.isAfter(now);
    if (old || due) keep(locked, walk, walk.progress(), List.of(), walk.ready());
    return true;
  }

  /**
   * Learners whose moment has come, who are behind a publication, or whose state is kept in an
   * older form; those who are set aside after a failure left out.
   */
  @Transactional(readOnly = true)
  public List<EnrolmentId> toCatchUp(int most) {
    Instant now = clock.instant();
    return db.select(ENROLMENT.ID)
        .from(ENROLMENT)
        .join(COURSE)
        .on(COURSE.ID.eq(ENROLMENT.COURSE_ID))
        .where(
            ENROLMENT.PRACTICE.isFalse(),
            ENROLMENT
                .NEXT_AT
                .le(now)
                .or(ENROLMENT.DESIGN_VERSION.lt(COURSE.EVERYONES_VERSION))
                .or(ENROLMENT.FORM.ne(Snapshot.FORM)),
            ENROLMENT.FAILED_UNTIL.isNull().or(ENROLMENT.FAILED_UNTIL.le(now)))
        .orderBy(ENROLMENT.NEXT_AT.asc().nullsLast())
        .limit(most)
        .fetch(ENROLMENT.ID);
  }

  /** Learners of a course who are not yet under the version that is published for them. */
  @Transactional(readOnly = true)
  public List<EnrolmentId> behind(CourseId course) {
    return db.select(ENROLMENT.ID)
        .from(ENROLMENT)
        .join(COURSE)
        .on(COURSE.ID.eq(ENROLMENT.COURSE_ID))
        .where(
            ENROLMENT.COURSE_ID.eq(course),
            ENROLMENT.PRACTICE.isFalse(),
            ENROLMENT.DESIGN_VERSION.lt(COURSE.EVERYONES_VERSION))
        .orderBy(ENROLMENT.ID)
        .fetch(ENROLMENT.ID);
  }

  /** Sets a learner aside whose state could not be worked out; each time for twice as long. */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void setAside(EnrolmentId enrolment) {
    int failures =
        db.select(ENROLMENT.FAILURES)
            .from(ENROLMENT)
            .where(ENROLMENT.ID.eq(enrolment))
            .fetchSingle()
            .value1();
    long minutes = 1L << Math.min(failures, 9);
    db.update(ENROLMENT)
        .set(ENROLMENT.FAILURES, failures + 1)
        .set(ENROLMENT.FAILED_UNTIL, clock.instant().plusSeconds(60 * minutes))
        .where(ENROLMENT.ID.eq(enrolment))
        .execute();
  }

  /** How many learners are set aside. */
  @Transactional(readOnly = true)
  public int aside() {
    return db.fetchCount(ENROLMENT, ENROLMENT.FAILED_UNTIL.isNotNull());
  }

  /** The facts of all exceptions in a course, with what corrects them. */
  @Transactional(readOnly = true)
  public Map<EnrolmentId, List<Fact>> exceptions(CourseId course) {
    return facts.exceptions(course);
  }

  /** Enrolments of real learners in a course. */
  @Transactional(readOnly = true)
  public List<EnrolmentId> learners(CourseId course) {
    return db.select(ENROLMENT.ID)
        .from(ENROLMENT)
        .where(ENROLMENT.COURSE_ID.eq(course), ENROLMENT.PRACTICE.isFalse())
        .orderBy(ENROLMENT.ID)
        .fetch(ENROLMENT.ID);
  }

  /** Everybody's enrolments, except those of made-up learners, after one and in order. */
  @Transactional(readOnly = true)
  public List<EnrolmentId> learnersAfter(Optional<EnrolmentId> last, int most) {
    return db.select(ENROLMENT.ID)
        .from(ENROLMENT)
        .where(last.map(ENROLMENT.ID::gt).orElseGet(DSL::noCondition), ENROLMENT.PRACTICE.isFalse())
        .orderBy(ENROLMENT.ID)
        .limit(most)
        .fetch(ENROLMENT.ID);
  }

  /** Whether the course is there at all. */
  @Transactional(readOnly = true)
  public boolean exists(CourseId course) {
    return db.fetchExists(COURSE, COURSE.ID.eq(course));
  }

  /** Tells one of a person's enrolments what became of their completion of other courses. */
  void learn(EnrolmentId enrolment, CourseId course, Optional<Instant> completed) {
    change(
        enrolment,
        Optional.empty(),
        walk -> {
          List<Fact> told = told(walk, course);
          boolean asks = walk.ready().compiled().otherCourses().contains(course);
          if (completed.isPresent())
            return asks && told.isEmpty()
                ? List.of(new Added(new Fact.CompletedCourse(course), Optional.empty(), completed))
                : List.of();
          return told.stream()
              .filter(f -> f.by().isEmpty())
              .map(f -> Added.inPlaceOf(f, new Fact.TakenBack("it is not complete any more")))
              .toList();
        });
  }

  private static List<Fact> told(Walk walk, CourseId course) {
    return Facts.standing(walk.facts()).stream()
        .filter(f -> f.what() instanceof Fact.CompletedCourse c && c.course().equals(course))
        .toList();
  }

  /** The courses that a person has completed, of these. */
  Set<CourseId> completed(PersonId person, Set<CourseId> of) {
    return completions.of(person, of);
  }
}
