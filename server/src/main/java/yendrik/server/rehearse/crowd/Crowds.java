package yendrik.server.rehearse.crowd;

import static yendrik.schema.Tables.CROWD;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.SESSION;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.rehearse.crowd.Crowd;
import yendrik.core.rehearse.crowd.CrowdResult;
import yendrik.core.rehearse.crowd.CrowdWalk;
import yendrik.core.rehearse.crowd.Folk;
import yendrik.core.rehearse.crowd.Natures;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.schema.tables.records.CrowdRecord;
import yendrik.server.design.Designs;
import yendrik.server.design.DraftMark;
import yendrik.server.http.Problem;
import yendrik.server.jobs.Meter;
import yendrik.server.people.Seat;
import yendrik.server.rehearse.crowd.CrowdViews.Came;
import yendrik.server.rehearse.crowd.CrowdViews.CrowdEdit;
import yendrik.server.rehearse.crowd.CrowdViews.CrowdView;
import yendrik.server.rehearse.crowd.CrowdViews.CrowdsView;
import yendrik.server.rehearse.crowd.CrowdViews.Walked;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** Lets crowds walk through drafts, beside what learners have now, and keeps the last of each. */
@Service
@Transactional
public class Crowds {
  /** So many learners tell how learners are; those who came last. */
  private static final int ASKED = 300;

  /** Of what is kept; what was kept in another form is not shown any more. */
  private static final int FORM = 1;

  private static final CrowdEdit USUAL =
      new CrowdEdit(200, 26, 1, false, 0.7, 0.15, 5, 1.5, 0.02, 3, 0.85);

  private final DSLContext db;
  private final Designs designs;
  private final Walks walks;
  private final JsonMapper json;
  private final Clock clock;

  Crowds(DSLContext db, Designs designs, Walks walks, JsonMapper json, Clock clock) {
    this.db = db;
    this.designs = designs;
    this.walks = walks;
    this.json = json;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  CrowdsView last(CourseId course) {
    Natures natures = natures(learners(course));
    List<Folk.Nature> seen = natures.seen();
    CrowdEdit usual =
        new CrowdEdit(
            USUAL.learners(),
            USUAL.weeks(),
            USUAL.seed(),
            !seen.isEmpty(),
            mean(seen).orElse(USUAL.ability()),
            USUAL.spread(),
            middlePace(seen).orElse(USUAL.perWeek()),
            USUAL.paceSpread(),
            rounded(natures.stopping().orElse(USUAL.stopping())),
            USUAL.staffDays(),
            rounded(natures.attendance().orElse(USUAL.attendance())));
    return new CrowdsView(kept(course), usual, seen.size());
  }

  private static Optional<Double> mean(List<Folk.Nature> seen) {
    var mean = seen.stream().mapToDouble(Folk.Nature::ability).average();
    return mean.isPresent() ? Optional.of(rounded(mean.getAsDouble())) : Optional.empty();
  }

  private static Optional<Double> middlePace(List<Folk.Nature> seen) {
    if (seen.isEmpty()) return Optional.empty();
    double[] paces = seen.stream().mapToDouble(Folk.Nature::perWeek).sorted().toArray();
    return Optional.of(Math.max(0.1, Math.round(10 * paces[paces.length / 2]) / 10.0));
  }

  private static double rounded(double share) {
    return Math.round(100 * share) / 100.0;
  }

  private Optional<CrowdView> kept(CourseId course) {
    return db.select(CROWD, PERSON.NAME)
        .from(CROWD)
        .join(PERSON)
        .on(PERSON.ID.eq(CROWD.PERSON_ID))
        .where(CROWD.COURSE_ID.eq(course), CROWD.FORM.eq(FORM))
        .fetchOptional(r -> view(course, r.value1(), r.value2()));
  }

  private CrowdView view(CourseId course, CrowdRecord row, String by) {
    return new CrowdView(
        row.getWalkedAt(),
        by,
        !designs.changedSince(DraftMark.read(row.getDraft()), designs.draft(course)).isEmpty(),
        json.readValue(row.getAsked().data(), CrowdEdit.class),
        json.readValue(row.getCame().data(), Came.class));
  }

  /**
   * Says at once what keeps a crowd from walking.
   *
   * @throws Problem if the draft has faults, or nobody has done anything whom a crowd could be like
   */
  @Transactional(readOnly = true)
  void check(CourseId course, CrowdEdit asked) {
    designs.readyDraft(course);
    if (asked.asBefore() && natures(learners(course)).seen().isEmpty())
      throw Problem.field("asBefore", "crowd-like-nobody");
  }

  /** Walks, through the draft and through what learners have, and keeps what became of it. */
  Walked walk(Seat seat, CrowdEdit asked, Meter meter) {
    CourseId course = seat.course();
    Designs.Ready draft = designs.readyDraft(course);
    Optional<CompiledCourse> today =
        designs.changed(course, draft.document()).isEmpty()
            ? Optional.empty()
            : designs.published(course).map(Designs.Ready::compiled);
    Crowd crowd = crowd(course, asked, draft.compiled());
    int all = asked.learners() * (today.isPresent() ? 2 : 1);
    CrowdResult changed = CrowdWalk.through(draft.compiled(), crowd, n -> meter.done(n, all));
    Optional<CrowdResult> before =
        today.map(t -> CrowdWalk.through(t, crowd, n -> meter.done(asked.learners() + n, all)));
    keep(seat, asked, draft, new Merged(draft.compiled(), changed, today, before).came());
    return new Walked(changed.finished());
  }

  /** Lets a crowd walk of which nobody has said anything. */
  public void walkAsUsual(Seat seat) {
    walk(seat, last(seat.course()).usual(), (_, _) -> {});
  }

  private void keep(Seat seat, CrowdEdit asked, Designs.Ready draft, Came came) {
    CrowdRecord row = db.newRecord(CROWD);
    row.setCourseId(seat.course());
    row.setPersonId(seat.person().id());
    row.setWalkedAt(clock.instant());
    row.setDraft(designs.mark(draft.document()).text());
    row.setForm(FORM);
    row.setAsked(JSONB.valueOf(json.writeValueAsString(asked)));
    row.setCame(JSONB.valueOf(json.writeValueAsString(came)));
    db.insertInto(CROWD).set(row).onConflict(CROWD.COURSE_ID).doUpdate().set(row).execute();
  }

  private Crowd crowd(CourseId course, CrowdEdit asked, CompiledCourse draft) {
    List<Walk> learners = learners(course);
    return new Crowd(
        asked.learners(),
        asked.seed(),
        asked.weeks(),
        asked.asBefore() ? new Folk.Like(natures(learners).seen()) : asked.around(),
        asked.stopping(),
        asked.staffDays(),
        asked.attendance(),
        memberships(learners, draft),
        meetings(course));
  }

  private List<Walk> learners(CourseId course) {
    List<EnrolmentId> all = walks.learners(course);
    return walks.seeAll(all.subList(Math.max(0, all.size() - ASKED), all.size()));
  }

  private static Natures natures(List<Walk> learners) {
    var natures = new Natures();
    learners.forEach(walk -> natures.see(walk.progress()));
    return natures;
  }

  /** As those are in groups who learn here; before anybody does, one group each. */
  private static List<Set<GroupId>> memberships(List<Walk> learners, CompiledCourse draft) {
    Set<GroupId> known = draft.design().groups().keySet();
    List<Set<GroupId>> theirs =
        learners.stream()
            .map(walk ->
                walk.progress().record().groups().stream()
                    .filter(known::contains)
                    .collect(Collectors.toUnmodifiableSet()))
            .toList();
    return theirs.isEmpty() ? known.stream().sorted().map(Set::of).toList() : theirs;
  }

  private List<Crowd.Meeting> meetings(CourseId course) {
    return db.selectFrom(SESSION)
        .where(SESSION.COURSE_ID.eq(course), SESSION.DELETED_AT.isNull())
        .orderBy(SESSION.STARTS_AT, SESSION.ID)
        .fetch(s ->
            new Crowd.Meeting(s.getId(), s.getStartsAt(), Optional.ofNullable(s.getGroupId())));
  }
}
