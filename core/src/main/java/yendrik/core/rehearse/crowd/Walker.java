package yendrik.core.rehearse.crowd;

import java.time.Instant;
import java.util.Comparator;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.CourseId;
import yendrik.core.id.FactId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kind;
import yendrik.core.kind.Kinds;
import yendrik.core.outcome.Levels;
import yendrik.core.outcome.Outcome;
import yendrik.core.people.StaffKind;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.confirm.ConfirmFact;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.film.FilmStrand;
import yendrik.core.strand.posts.PostFact;
import yendrik.core.strand.posts.PostsStrand;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.time.TimeFact;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.strand.work.WorkStrand;

/**
 * One random learner on their way. Every so often they do the next thing that is open to them, in
 * course order; what waits for staff is looked at some days later. A score lies around the
 * learner's ability, a little higher with every try.
 */
final class Walker {
  private static final PersonId MADE_UP = new PersonId(Long.MAX_VALUE);
  private static final long DAY = 86_400_000L;

  /** How far single scores of one learner lie apart: the standard deviation. */
  private static final double SCATTER = 0.12;

  /** What a learner gains from one try to the next. */
  private static final double LEARNT = 0.06;

  /** Who looks at what is not asked for. */
  private static final double WILLING = 0.5;

  /** Below it, work where nothing else is said has to be done again. */
  private static final double USUAL_PASS = 0.5;

  /** So often is something tried that is done already, for the sake of a better score. */
  private static final int PATIENCE = 5;

  /** Of several that are alike the one that is offered first, which has the least number. */
  private static final Comparator<AttendanceStatus> FIRST =
      Comparator.comparing((AttendanceStatus s) -> s.id().value()).reversed();

  private static final int SECONDS_AT_ONCE = 3600;

  private final CompiledCourse course;
  private final CourseIndex index;
  private final Asks asks;
  private final Crowd crowd;
  private final Luck luck;
  private final Folk.Nature nature;
  private final Progress progress;
  private final int[] tries;
  private final boolean[] visited;
  private final boolean[] willing;
  private final boolean[] pending;
  private final PriorityQueue<Due> agenda =
      new PriorityQueue<>(Comparator.comparingLong(Due::at).thenComparingLong(Due::order));
  private final long end;
  private final long stopsAt;
  private long ids;
  private boolean askedApproval;

  /** What others do, at a moment. */
  private record Due(long at, long order, Runnable doing) {}

  Walker(CompiledCourse course, Asks asks, Crowd crowd, int learner) {
    this.course = course;
    this.asks = asks;
    this.crowd = crowd;
    index = course.index();
    luck = new Luck(crowd.seed(), learner);
    nature = crowd.folk().one(luck);
    Instant start = course.design().startsAt();
    progress = Progress.begin(course, MADE_UP, start);
    tries = new int[index.steps()];
    visited = new boolean[index.steps()];
    pending = new boolean[index.steps()];
    willing = new boolean[index.steps()];
    for (int s = 0; s < index.steps(); s++)
      willing[s] = luck.share(Luck.Of.WILL, id(s), 0) < WILLING;
    long begin = start.toEpochMilli();
    end = begin + crowd.weeks() * 7 * DAY;
    stopsAt =
        crowd.stopping() == 0
            ? Long.MAX_VALUE
            : begin + (long) (luck.wait(Luck.Of.STOP, 0, 0, 7.0 * DAY / hazard()));
    takes(new Fact.Enrolled());
    Set<GroupId> groups =
        crowd.memberships().isEmpty()
            ? Set.of()
            : crowd.memberships().get(luck.oneOf(Luck.Of.GROUPS, crowd.memberships().size()));
    groups.stream()
        .sorted(Comparator.comparingLong(GroupId::value))
        .forEach(g -> takes(new Fact.JoinedGroup(g)));
    for (CourseId other : course.otherCourses()) takes(new Fact.CompletedCourse(other));
    for (Crowd.Meeting meeting : crowd.meetings()) attends(meeting, groups);
  }

  /** Those who stop in a week, as a rate at every moment. */
  private double hazard() {
    return -Math.log1p(-crowd.stopping());
  }

  private void attends(Crowd.Meeting meeting, Set<GroupId> groups) {
    if (meeting.group().filter(g -> !groups.contains(g)).isPresent()) return;
    boolean there = luck.share(Luck.Of.SESSION, meeting.session().value(), 0) < crowd.attendance();
    Optional<AttendanceStatus> status =
        course.design().statuses().stream()
            .filter(s -> s.there() == there)
            .max(Comparator.comparing(AttendanceStatus::counts).thenComparing(FIRST));
    if (status.isEmpty() || meeting.at().toEpochMilli() < progress.asOf().toEpochMilli()) return;
    var mark = new Fact.Attendance(meeting.session(), status.get().id());
    agenda.add(
        new Due(
            meeting.at().toEpochMilli(),
            ++ids,
            () -> {
              if (stopsAt > now()) takes(mark);
            }));
  }

  /**
   * Walks until nothing is left to do, they stop, or time is over; who has completed the course
   * goes on as long as something is open, and does not wait for the clock.
   */
  Trace walk() {
    long next = now() + pause(0);
    int acts = 0;
    while (true) {
      if (agenda.isEmpty() ? next >= stopsAt : Math.min(next, agenda.peek().at) >= stopsAt)
        return trace(Trace.Fate.STOPPED);
      if (!agenda.isEmpty() && agenda.peek().at <= next) {
        Due due = agenda.remove();
        if (due.at >= end) return over();
        passes(due.at);
        due.doing.run();
        continue;
      }
      if (next >= end) return over();
      passes(next);
      acts++;
      if (act()) next = now() + pause(acts);
      else {
        long change = complete() ? Long.MAX_VALUE : progress.nextMoment();
        if (!agenda.isEmpty()) change = Math.min(change, agenda.peek().at);
        if (change == Long.MAX_VALUE) return trace(Trace.Fate.NO_WAY_ON);
        next = Math.max(change, now() + 1);
      }
    }
  }

  private Trace over() {
    passes(end);
    return trace(Trace.Fate.UNDER_WAY);
  }

  private Trace trace(Trace.Fate fate) {
    return Trace.of(progress, complete() ? Trace.Fate.FINISHED : fate);
  }

  private boolean complete() {
    return progress.completedAt().isPresent();
  }

  private long pause(int acts) {
    return (long) luck.wait(Luck.Of.PAUSE, 0, acts, 7 * DAY / nature.perWeek());
  }

  private long now() {
    return progress.asOf().toEpochMilli();
  }

  private void passes(long moment) {
    if (moment > now()) progress.advance(Instant.ofEpochMilli(moment));
  }

  private void takes(Fact.What what) {
    progress.take(
        new Fact(new FactId(++ids), progress.asOf(), Optional.empty(), what, Optional.empty()));
  }

  /** Does the next thing; false where there is none now. */
  private boolean act() {
    int s = next();
    if (s >= 0) {
      visit(s);
      return true;
    }
    if (complete()) return false;
    if (asks.ownWord() && progress.record().ownWordAt() == LearnerRecord.NEVER) {
      takes(new Fact.OwnWord());
      return true;
    }
    if (!asks.approvals().isEmpty() && !askedApproval) {
      askedApproval = true;
      for (StaffKind kind : asks.approvals())
        staff(kind.ordinal() + 1, Integer.MAX_VALUE, () -> takes(new Fact.Approved(kind, "")));
      return true;
    }
    return false;
  }

  /**
   * What they turn to: the first thing that is asked for or that they are willing to look at; then
   * what they would leave out; then what they could do better. -1 for nothing.
   */
  private int next() {
    int later = -1;
    int better = -1;
    for (int s = 0; s < index.steps(); s++) {
      if (!progress.sight().open(s) || pending[s] || !canDo(s)) continue;
      if (progress.sight().doneAt(s) != LearnerRecord.NEVER) {
        if (better < 0 && wantsMore(s)) better = s;
      } else if (progress.counts(s) || willing[s]) return s;
      else if (later < 0) later = s;
    }
    return later >= 0 ? later : better;
  }

  private long id(int s) {
    return index.step(s).id().value();
  }

  private boolean canDo(int s) {
    if (Kinds.tried(index.step(s))) return AttemptsStrand.of(progress.record()).left(s) > 0;
    return !visited[s] || (tries[s] > 0 && !progress.record().passed(s));
  }

  /** Whether a rule asks for more than being done, and another try may bring it. */
  private boolean wantsMore(int s) {
    if (!Kinds.tried(index.step(s))) return false;
    if (AttemptsStrand.of(progress.record()).made(s) < asks.at(s).tries()) return true;
    double score = asks.at(s).score();
    return tries[s] < PATIENCE
        && progress.record().scored(s)
        && (progress.record().score(s) < score - 1e-9
            || (asks.at(s).judged() && !progress.record().passed(s)));
  }

  private void visit(int s) {
    Step step = index.step(s);
    StepId id = step.id();
    Kind kind = Kinds.of(step.kind());
    Asks.AtStep asked = asks.at(s);
    if (!visited[s]) {
      visited[s] = true;
      takes(new SeenFact.Saw(id));
      for (int left = 60 * asked.minutes(); left > 0; left -= SECONDS_AT_ONCE)
        takes(new TimeFact.SpentTime(id, Math.min(left, SECONDS_AT_ONCE)));
      if (asked.film() > 0 && kind.strands().contains(FilmStrand.DOOR))
        takes(new FilmFact.Watched(id, 0, (int) Math.ceil(asked.film() * 100 - 1e-9), 100));
      if (asked.confirmed()) takes(new ConfirmFact.Confirmed(id));
      if (kind.strands().contains(PostsStrand.DOOR)) {
        for (int n = 0; n < Math.max(1, asked.posts()); n++)
          takes(new PostFact.Posted(id, new PostId(++ids)));
        for (int n = 0; n < asked.replies(); n++)
          takes(new PostFact.Replied(id, new PostId(++ids)));
      }
    }
    if (Kinds.tried(step)) attempt(s, step);
    else if (kind.handedIn()) {
      takes(new WorkFact.HandedIn(id, WorkStrand.of(progress.record()).nextVersion(s)));
      judge(s, step);
    } else if (kind.withStaff() || (kind.markedAsItStands() && asked.judged())) judge(s, step);
  }

  private void attempt(int s, Step step) {
    double of = step.scoring().points() > 0 ? step.scoring().points() : 1;
    double share = score(s);
    int made = AttemptsStrand.of(progress.record()).made(s);
    takes(new AttemptFact.FinishedAttempt(step.id(), made + 1, share * of, of));
  }

  /** A share of the points, in whole percents. */
  private double score(int s) {
    double around =
        nature.ability()
            + LEARNT * tries[s]
            + SCATTER * luck.normal(Luck.Of.SCORE, id(s), tries[s]);
    tries[s]++;
    return Math.round(100 * Math.clamp(around, 0, 1)) / 100.0;
  }

  private void judge(int s, Step step) {
    pending[s] = true;
    double share = score(s);
    staff(
        id(s),
        tries[s],
        () -> {
          pending[s] = false;
          judged(s, step, share);
        });
  }

  private void judged(int s, Step step, double share) {
    double needed = step.scoring().passMark() > 0 ? step.scoring().passMark() : USUAL_PASS;
    boolean passes = share >= needed - 1e-9;
    Kind kind = Kinds.of(step.kind());
    int version = WorkStrand.of(progress.record()).version(s);
    rate(step, share, needed, version);
    double of = step.scoring().points();
    if (!kind.withStaff() || asks.at(s).judged())
      takes(
          new WorkFact.Marked(
              step.id(), version, share * of, of, passes ? Judgement.PASSED : Judgement.AGAIN, ""));
    if (passes && asks.at(s).signedOff()) takes(new SignOffFact.SignedOff(step.id(), ""));
  }

  /** What staff see of the outcomes that a step gives evidence of. */
  private void rate(Step step, double share, double pass, int version) {
    for (Step.Tie tie : step.evidenceFor()) {
      Outcome outcome = index.outcome(index.number(tie.outcome()));
      if (outcome.madeOf().isPresent()) continue;
      int level =
          tie.cuts()
              .filter(cuts -> cuts.size() <= outcome.scale().top())
              .map(cuts -> Levels.ofScore(share, cuts))
              .orElseGet(() -> Levels.ofScore(outcome.scale(), share, pass));
      takes(
          new Fact.Rated(
              tie.outcome(), outcome.scale().key(level), Optional.of(step.id()), version));
    }
  }

  /** Staff get round to something. */
  private void staff(long what, int time, Runnable doing) {
    long at = now() + (long) luck.wait(Luck.Of.STAFF, what, time, crowd.staffDays() * DAY);
    agenda.add(new Due(at, ++ids, doing));
  }
}
