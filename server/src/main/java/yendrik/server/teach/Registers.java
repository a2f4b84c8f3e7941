package yendrik.server.teach;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.LEARNER_GROUP;
import static yendrik.schema.Tables.SESSION;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.schema.tables.records.SessionRecord;
import yendrik.server.design.Designs;
import yendrik.server.design.VersionedRows;
import yendrik.server.http.Problem;
import yendrik.server.people.People;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Added;
import yendrik.server.way.Sessions;
import yendrik.server.way.Sessions.Session;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** Sessions and their registers: who was there, as facts by whoever took it. */
@Service
@Transactional
public class Registers {
  private static final int MOST_SESSIONS = 200;
  private static final Duration EARLY = Duration.ofMinutes(30);
  private final DSLContext db;
  private final Sessions sessions;
  private final Learners learners;
  private final Walks walks;
  private final Designs designs;
  private final People people;
  private final Clock clock;
  private final VersionedRows<SessionRecord, SessionId> rows;

  Registers(
      DSLContext db,
      Sessions sessions,
      Learners learners,
      Walks walks,
      Designs designs,
      People people,
      Clock clock) {
    this.db = db;
    this.sessions = sessions;
    this.learners = learners;
    this.walks = walks;
    this.designs = designs;
    this.people = people;
    this.clock = clock;
    rows =
        new VersionedRows<>(
            db,
            clock,
            "session",
            SESSION.ID,
            SESSION.COURSE_ID,
            SESSION.VERSION,
            SESSION.DELETED_AT);
  }

  /**
   * The calendar of a course.
   *
   * @param statuses what its registers can say, in the order in which it is offered
   */
  public record CalendarView(
      String zone,
      Instant now,
      List<Group> groups,
      List<StatusView> statuses,
      List<SessionView> sessions,
      boolean mayEdit) {}

  /**
   * @param there whether the learner came
   * @param counts whether the session counts for the learner
   */
  @Schema(name = "AttendanceStatus")
  public record StatusView(StatusId id, String name, boolean there, boolean counts) {}

  @Schema(name = "RegisterGroup")
  public record Group(GroupId id, String name) {}

  /**
   * @param learners how many are expected, of those that one may see
   * @param marked how many of them have a mark
   * @param there how many of them came
   * @param counts how many of them have which status
   */
  public record SessionView(
      SessionId id,
      int version,
      String name,
      Optional<GroupId> group,
      Instant startsAt,
      int minutes,
      int learners,
      int marked,
      int there,
      Map<StatusId, Integer> counts) {}

  public record RegisterView(SessionView session, List<Line> lines) {}

  /**
   * @param expected whether the learner was enrolled before the session was over, or has a mark
   * @param attended at how many sessions the learner was
   * @param counted how many sessions count for the learner
   */
  @Schema(name = "RegisterLine")
  public record Line(
      EnrolmentId enrolment,
      String name,
      Optional<StatusId> status,
      boolean expected,
      int attended,
      int counted,
      Optional<Instant> at,
      Optional<String> by) {}

  /** Several sessions from one form. */
  public record Series(
      String name,
      Optional<GroupId> group,
      Set<DayOfWeek> days,
      LocalTime time,
      int minutes,
      int everyWeeks,
      LocalDate from,
      LocalDate until) {}

  @Transactional(readOnly = true)
  public CalendarView calendar(Seat seat) {
    List<Learners.Snapshot> all = learners.of(seat);
    List<Group> groups =
        db
            .selectFrom(LEARNER_GROUP)
            .where(LEARNER_GROUP.COURSE_ID.eq(seat.course()), LEARNER_GROUP.OVER_AT.isNull())
            .orderBy(LEARNER_GROUP.NAME)
            .fetch(g -> new Group(g.getId(), g.getName()))
            .stream()
            .filter(g -> seat.sees(List.of(g.id())))
            .toList();
    List<AttendanceStatus> statuses = statuses(seat);
    List<SessionView> views =
        sessions.of(seat.course()).stream()
            .map(s -> view(s, all, statuses))
            .filter(v -> seat.seesAll() || v.learners() > 0)
            .toList();
    return new CalendarView(
        zone(seat).getId(),
        clock.instant(),
        groups,
        statuses.stream()
            .map(s -> new StatusView(s.id(), s.name(), s.there(), s.counts()))
            .toList(),
        views,
        seat.has(Right.SCHEDULE));
  }

  private List<AttendanceStatus> statuses(Seat seat) {
    return designs.statuses(seat.course());
  }

  private static boolean is(
      Predicate<AttendanceStatus> which, List<AttendanceStatus> statuses, StatusId id) {
    return statuses.stream().anyMatch(s -> s.id().equals(id) && which.test(s));
  }

  private static int count(
      Predicate<AttendanceStatus> which,
      List<AttendanceStatus> statuses,
      Collection<StatusId> marks) {
    return (int) marks.stream().filter(mark -> is(which, statuses, mark)).count();
  }

  private ZoneId zone(Seat seat) {
    return designs.draft(seat.course()).design().zone();
  }

  private static SessionView view(
      Session session, List<Learners.Snapshot> all, List<AttendanceStatus> statuses) {
    List<Learners.Snapshot> of = concerned(session, all);
    List<StatusId> marks =
        of.stream()
            .flatMap(l -> Optional.ofNullable(l.summary().marks().get(session.id())).stream())
            .toList();
    Map<StatusId, Integer> counts = new HashMap<>();
    for (StatusId mark : marks) counts.merge(mark, 1, Integer::sum);
    return new SessionView(
        session.id(),
        session.version(),
        session.name(),
        session.group(),
        session.startsAt(),
        session.minutes(),
        (int) of.stream().filter(l -> expected(session, l)).count(),
        marks.size(),
        count(AttendanceStatus::there, statuses, marks),
        counts);
  }

  private static List<Learners.Snapshot> concerned(Session session, List<Learners.Snapshot> all) {
    return all.stream().filter(l -> session.concerns(l.summary().groups())).toList();
  }

  /** Whoever was enrolled only after it was over is not missed, but may have been there. */
  private static boolean expected(Session session, Learners.Snapshot learner) {
    return learner.enrolledAt().isBefore(session.endsAt())
        || learner.summary().marks().containsKey(session.id());
  }

  @Transactional(readOnly = true)
  public RegisterView register(Seat seat, SessionId id) {
    Session session = one(seat, id);
    List<Learners.Snapshot> all = learners.of(seat);
    List<Learners.Snapshot> of = concerned(session, all);
    Map<EnrolmentId, Fact> marks = new HashMap<>();
    for (Walk walk : walks.seeAll(of.stream().map(Learners.Snapshot::enrolment).toList()))
      mark(walk, id).ifPresent(fact -> marks.put(walk.enrolment(), fact));
    Set<PersonId> staff = new HashSet<>();
    marks.values().forEach(f -> f.by().ifPresent(staff::add));
    Map<PersonId, String> names = people.names(staff);
    List<AttendanceStatus> statuses = statuses(seat);
    return new RegisterView(
        view(session, all, statuses),
        of.stream()
            .map(l ->
                line(l, session, Optional.ofNullable(marks.get(l.enrolment())), names, statuses))
            .toList());
  }

  private static Line line(
      Learners.Snapshot learner,
      Session session,
      Optional<Fact> mark,
      Map<PersonId, String> names,
      List<AttendanceStatus> statuses) {
    var own = learner.summary().marks();
    return new Line(
        learner.enrolment(),
        learner.name(),
        Optional.ofNullable(own.get(session.id())),
        expected(session, learner),
        count(AttendanceStatus::there, statuses, own.values()),
        count(AttendanceStatus::counts, statuses, own.values()),
        mark.map(Fact::at),
        mark.flatMap(Fact::by).map(p -> names.getOrDefault(p, "")));
  }

  /** The mark that stands, if there is one. */
  private static Optional<Fact> mark(Walk walk, SessionId session) {
    return Facts.standing(walk.facts()).stream()
        .filter(f -> f.what() instanceof Fact.Attendance a && a.session().equals(session))
        .reduce((_, last) -> last);
  }

  private Session one(Seat seat, SessionId id) {
    return sessions.one(seat.course(), id).orElseThrow(() -> Problem.notFound("session"));
  }

  /**
   * Marks learners in a register, all of them or none. A mark that differs from the one before is a
   * correction of it; an empty one takes it back.
   *
   * @param marks by enrolment
   */
  public void take(Seat seat, SessionId id, Map<EnrolmentId, Optional<StatusId>> marks) {
    Session session = one(seat, id);
    List<AttendanceStatus> statuses = statuses(seat);
    for (Optional<StatusId> mark : marks.values())
      if (mark.isPresent() && !is(_ -> true, statuses, mark.get()))
        throw Problem.field("marks", "no-such-status");
    for (EnrolmentId enrolment : marks.keySet().stream().sorted().toList()) {
      Learners.Snapshot learner = learners.one(seat, enrolment);
      if (!session.concerns(learner.summary().groups()))
        throw Problem.field("marks", "not-in-group-of-session", "learner", learner.name());
      mark(seat, session, learner, requireNonNull(marks.get(enrolment)), statuses);
    }
  }

  private void mark(
      Seat seat,
      Session session,
      Learners.Snapshot learner,
      Optional<StatusId> status,
      List<AttendanceStatus> statuses) {
    boolean early = clock.instant().isBefore(session.startsAt().minus(EARLY));
    if (early && status.filter(s -> is(AttendanceStatus::counts, statuses, s)).isPresent())
      throw Problem.conflict("session-not-begun");
    Optional<PersonId> by = Optional.of(seat.person().id());
    if (Optional.ofNullable(learner.summary().marks().get(session.id())).equals(status)) return;
    walks.change(
        learner.enrolment(),
        by,
        w -> {
          Optional<Fact> before = mark(w, session.id());
          Optional<StatusId> stands = before.map(f -> ((Fact.Attendance) f.what()).status());
          if (stands.equals(status)) return List.of();
          Fact.What what =
              status
                  .<Fact.What>map(s -> new Fact.Attendance(session.id(), s))
                  .orElse(new Fact.TakenBack("mark taken back"));
          return List.of(Added.inPlaceOf(before, what));
        });
  }

  /** Adds sessions on weekdays, every so many weeks, until a date that is included. */
  public List<SessionView> add(Seat seat, Series series) {
    checkGroup(seat, series.group());
    if (series.until().isBefore(series.from())) throw Problem.field("until", "series-ends-before");
    ZoneId zone = zone(seat);
    List<Instant> starts = starts(series, zone);
    if (starts.isEmpty()) throw Problem.field("days", "no-such-weekday-between");
    if (starts.size() > MOST_SESSIONS)
      throw Problem.field("until", "too-many-sessions", "most", MOST_SESSIONS);
    List<SessionId> ids = new ArrayList<>();
    for (Instant start : starts) {
      SessionRecord row = rows.fresh();
      row.setGroupId(series.group().orElse(null));
      row.setName(series.name().strip());
      row.setStartsAt(start);
      row.setMinutes(series.minutes());
      ids.add(rows.add(seat.course(), row));
    }
    List<Learners.Snapshot> all = learners.of(seat);
    List<AttendanceStatus> statuses = statuses(seat);
    return sessions.of(seat.course()).stream()
        .filter(s -> ids.contains(s.id()))
        .map(s -> view(s, all, statuses))
        .toList();
  }

  /** Weeks are counted from the Monday of the first day's week; times are local ones. */
  static List<Instant> starts(Series series, ZoneId zone) {
    LocalDate monday = series.from().with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
    List<Instant> starts = new ArrayList<>();
    for (LocalDate day = series.from();
        !day.isAfter(series.until()) && starts.size() <= MOST_SESSIONS;
        day = day.plusDays(1)) {
      boolean week = ChronoUnit.WEEKS.between(monday, day) % series.everyWeeks() == 0;
      if (week && series.days().contains(day.getDayOfWeek()))
        starts.add(day.atTime(series.time()).atZone(zone).toInstant());
    }
    return starts;
  }

  /** Changes one session; what was marked in its register stays. */
  public SessionView change(
      Seat seat,
      SessionId id,
      int version,
      String name,
      Optional<GroupId> group,
      Instant startsAt,
      int minutes) {
    checkGroup(seat, group);
    Session before = one(seat, id);
    boolean marked = view(before, learners.of(seat), statuses(seat)).marked() > 0;
    if (marked && !before.group().equals(group)) throw Problem.field("group", "register-has-marks");
    SessionRecord columns = rows.fresh();
    columns.setName(name.strip());
    columns.setGroupId(group.orElse(null));
    columns.setStartsAt(startsAt);
    columns.setMinutes(minutes);
    boolean done = rows.change(seat.course(), id, version, columns);
    SessionView now = view(one(seat, id), learners.of(seat), statuses(seat));
    if (!done) throw Problem.changed(now);
    return now;
  }

  /** Takes a session away that nobody was marked in. */
  public void remove(Seat seat, SessionId id) {
    int marked = view(one(seat, id), learners.of(seat), statuses(seat)).marked();
    if (marked > 0) throw Problem.conflict("marks-to-take-back", "marked", marked);
    rows.remove(seat.course(), id);
  }

  /** Brings back a session that was taken away. */
  public SessionView restore(Seat seat, SessionId id) {
    rows.restore(seat.course(), id);
    return view(one(seat, id), learners.of(seat), statuses(seat));
  }

  private void checkGroup(Seat seat, Optional<GroupId> group) {
    group.ifPresent(id -> {
      boolean there =
          db.fetchExists(
              LEARNER_GROUP,
              LEARNER_GROUP.ID.eq(id),
              LEARNER_GROUP.COURSE_ID.eq(seat.course()),
              LEARNER_GROUP.OVER_AT.isNull());
      if (!there) throw Problem.field("group", "no-such-group");
    });
  }
}
