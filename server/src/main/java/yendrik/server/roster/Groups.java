package yendrik.server.roster;

import static yendrik.schema.Tables.LEARNER_GROUP;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.SESSION;
import static yendrik.schema.Tables.STAFF;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.record.Fact;
import yendrik.core.rule.check.GroupUses;
import yendrik.core.rule.words.Faults;
import yendrik.core.words.Phrase;
import yendrik.schema.tables.records.LearnerGroupRecord;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Walks;

/**
 * The groups of a course: learners who get something together. Being in a group is a fact of the
 * learner; a group that is over keeps its name for those who were in it.
 */
@Service
@Transactional
class Groups {
  private final DSLContext db;
  private final Learners learners;
  private final Walks walks;
  private final Designs designs;
  private final Institutions institutions;
  private final Clock clock;
  private final TransactionTemplate transaction;

  Groups(
      DSLContext db,
      Learners learners,
      Walks walks,
      Designs designs,
      Institutions institutions,
      Clock clock,
      TransactionTemplate transaction) {
    this.db = db;
    this.learners = learners;
    this.walks = walks;
    this.designs = designs;
    this.institutions = institutions;
    this.clock = clock;
    this.transaction = transaction;
  }

  /**
   * A group.
   *
   * @param members how many of the learners that one sees are in it
   * @param uses what speaks of it, in sentences; while there is any, it cannot be ended
   */
  @Schema(name = "LearnerGroup")
  record View(GroupId id, String name, int members, List<String> uses) {}

  /** The groups that somebody sees, by name. */
  @Transactional(readOnly = true)
  List<View> all(Seat seat) {
    Map<GroupId, Long> members =
        learners.of(seat).stream()
            .flatMap(l -> l.summary().groups().stream())
            .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
    List<CourseDesign> spoken = seat.seesAll() ? designs(seat.course()) : List.of();
    return db
        .selectFrom(LEARNER_GROUP)
        .where(LEARNER_GROUP.COURSE_ID.eq(seat.course()), LEARNER_GROUP.OVER_AT.isNull())
        .orderBy(LEARNER_GROUP.NAME)
        .fetch()
        .stream()
        .filter(g -> seat.sees(List.of(g.getId())))
        .map(g ->
            new View(
                g.getId(),
                g.getName(),
                members.getOrDefault(g.getId(), 0L).intValue(),
                seat.seesAll() ? said(uses(g.getId(), spoken)) : List.of()))
        .toList();
  }

  private View view(Seat seat, GroupId id) {
    return all(seat).stream()
        .filter(g -> g.id().equals(id))
        .findFirst()
        .orElseThrow(() -> Problem.notFound("group"));
  }

  /** The draft, and what learners have or are to have. */
  private List<CourseDesign> designs(CourseId course) {
    List<CourseDesign> all = new ArrayList<>();
    all.add(designs.draft(course).design());
    designs.live(course).forEach(d -> all.add(d.design()));
    return all;
  }

  private Set<Phrase> uses(GroupId group, List<CourseDesign> designs) {
    Set<Phrase> uses = new LinkedHashSet<>();
    for (CourseDesign design : designs) {
      GroupUses found = GroupUses.of(design, group);
      found.steps().forEach(s -> uses.add(Phrase.of("group.use.step", "step", s.name())));
      found.allowing().forEach(s -> uses.add(Phrase.of("group.use.allowing", "step", s.name())));
      var words = new Faults(design);
      found.rules().forEach(at -> uses.add(Phrase.of("group.use.rule", "where", words.place(at))));
    }
    db.select(PERSON.NAME)
        .from(STAFF)
        .join(PERSON)
        .on(PERSON.ID.eq(STAFF.PERSON_ID))
        .where(STAFF.GROUP_ID.eq(group))
        .orderBy(PERSON.NAME)
        .forEach(r -> uses.add(Phrase.of("group.use.staff", "name", r.value1())));
    int sessions =
        db.fetchCount(SESSION, SESSION.GROUP_ID.eq(group), SESSION.STARTS_AT.gt(clock.instant()));
    if (sessions > 0) uses.add(Phrase.of("group.use.sessions", "n", sessions));
    return uses;
  }

  private List<String> said(Set<Phrase> uses) {
    return uses.stream().map(institutions::say).toList();
  }

  /** Makes a group, of these learners if there are any. */
  @Transactional(propagation = Propagation.SUPPORTS)
  View make(Seat seat, String name, List<EnrolmentId> members) {
    members.forEach(m -> learners.one(seat, m));
    checkName(seat.course(), name, Optional.empty());
    GroupId id =
        db.insertInto(LEARNER_GROUP)
            .set(LEARNER_GROUP.COURSE_ID, seat.course())
            .set(LEARNER_GROUP.NAME, name.strip())
            .returning(LEARNER_GROUP.ID)
            .fetchSingle(LEARNER_GROUP.ID);
    return put(seat, id, members, List.of());
  }

  private void checkName(CourseId course, String name, Optional<GroupId> but) {
    boolean taken =
        db.fetchExists(
            LEARNER_GROUP,
            LEARNER_GROUP.COURSE_ID.eq(course),
            LEARNER_GROUP.OVER_AT.isNull(),
            DSL.lower(LEARNER_GROUP.NAME).eq(DSL.lower(name.strip())),
            but.map(LEARNER_GROUP.ID::ne).orElseGet(DSL::noCondition));
    if (taken) throw Problem.field("name", "group-name-taken", "name", name.strip());
  }

  private LearnerGroupRecord locked(CourseId course, GroupId id) {
    return db.selectFrom(LEARNER_GROUP)
        .where(
            LEARNER_GROUP.ID.eq(id),
            LEARNER_GROUP.COURSE_ID.eq(course),
            LEARNER_GROUP.OVER_AT.isNull())
        .forUpdate()
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("group"));
  }

  View rename(Seat seat, GroupId id, String name) {
    LearnerGroupRecord group = locked(seat.course(), id);
    checkName(seat.course(), name, Optional.of(id));
    group.setName(name.strip());
    group.update();
    return view(seat, id);
  }

  /**
   * Puts learners into a group and takes others out, an act each; those who are as they are to be
   * are left alone.
   */
  @Transactional(propagation = Propagation.SUPPORTS)
  View put(Seat seat, GroupId id, List<EnrolmentId> in, List<EnrolmentId> out) {
    view(seat, id);
    in.forEach(e -> learners.one(seat, e));
    out.forEach(e -> learners.one(seat, e));
    for (EnrolmentId learner : in) move(seat, learner, id, /* in= */ true);
    for (EnrolmentId learner : out) move(seat, learner, id, /* in= */ false);
    return view(seat, id);
  }

  private void move(Seat seat, EnrolmentId learner, GroupId id, boolean in) {
    walks.act(
        learner,
        Optional.of(seat.person().id()),
        walk ->
            walk.progress().record().in(id) == in
                ? List.of()
                : List.of(in ? new Fact.JoinedGroup(id) : new Fact.LeftGroup(id)));
  }

  /** Ends a group that nothing speaks of; whoever is in it leaves it first. */
  @Transactional(propagation = Propagation.SUPPORTS)
  void end(Seat seat, GroupId id) {
    transaction.executeWithoutResult(_ -> close(seat, id));
    learners.of(seat).stream()
        .filter(l -> l.summary().groups().contains(id))
        .forEach(l -> move(seat, l.enrolment(), id, /* in= */ false));
  }

  private void close(Seat seat, GroupId id) {
    // A step that is given to it meanwhile waits for this row, and finds it over.
    LearnerGroupRecord group = locked(seat.course(), id);
    Set<Phrase> uses = uses(id, designs(seat.course()));
    if (!uses.isEmpty())
      throw Problem.faults(List.copyOf(uses), "group-used", "name", group.getName());
    group.setOverAt(clock.instant());
    group.update();
  }
}
