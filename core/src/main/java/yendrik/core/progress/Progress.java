package yendrik.core.progress;

import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.ToIntFunction;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FlagId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Sums;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.plan.Desk;
import yendrik.core.rule.plan.Explained;
import yendrik.core.rule.plan.PlannedRule;
import yendrik.core.rule.plan.Sight;

/**
 * One learner's way through one version of a course: takes facts and the passing of time, and keeps
 * what follows from them. What opened, was done or was earned stays, as the design says.
 *
 * <p>The clock is part of the input: before a fact is taken, every moment at which the clock alone
 * changes something is lived through in order, so that the result does not depend on when anybody
 * looked. At each moment the state is a least fixed point: what is not kept is worked out from
 * nothing upwards, so that it is the same whether one goes on or takes up what was stored. Not safe
 * for use by several threads.
 *
 * <p>Nothing new opens, is done, earned or completed for a learner who has left.
 */
public final class Progress {
  private static final long NEVER = Units.NEVER;
  private static final long NO_MOMENT = Units.NO_MOMENT;

  /** Shares on a circle may creep towards a limit; verdicts have long settled by then. */
  private static final int MOST_ROUNDS = 100;

  private final CompiledCourse course;
  private final CourseIndex index;
  private final LearnerRecord record;
  private final Desk desk;
  private final Derived derived = new Derived();
  private final BitSet dirty;
  private final Units units;
  private final Units.Seen before = new Units.Seen();

  private final long[] flaggedAt;
  private final Latches carried;
  private long now;
  private final List<Decision> decisions = new ArrayList<>();

  private Progress(CompiledCourse course, LearnerRecord record, Latches latches) {
    this.course = course;
    this.record = record;
    index = course.index();
    desk = course.desk();
    dirty = new BitSet(course.units());
    units = new Units(course.units());
    carried = latches;
    now = latches.asOf();
    for (int s = 0; s < index.steps(); s++) {
      var id = index.step(s).id();
      units.openedAt[s] = latches.stepOpened().getOrDefault(id, NEVER);
      units.grantedAt[s] = latches.stepGranted().getOrDefault(id, NEVER);
      units.keptAt[s] = latches.stepDone().getOrDefault(id, NEVER);
    }
    for (int m = 0; m < index.modules(); m++) {
      var id = index.module(m).id();
      units.grantedAt[course.moduleOpensUnit(m)] = latches.moduleGranted().getOrDefault(id, NEVER);
      units.keptAt[course.moduleUnit(m)] = latches.moduleDone().getOrDefault(id, NEVER);
    }
    for (int b = 0; b < index.badges(); b++)
      units.keptAt[course.badgeUnit(b)] = latches.earned().getOrDefault(index.badge(b).id(), NEVER);
    flaggedAt = new long[course.flags()];
    for (int f = 0; f < flaggedAt.length; f++)
      flaggedAt[f] = latches.flagged().getOrDefault(course.design().flags().get(f).id(), NEVER);
    units.keptAt[course.courseUnit()] = latches.completed().orElse(NEVER);
    evaluateAll();
  }

  /** Looks at every rule of the course again, as is done when a stored state is taken up. */
  public void evaluateAll() {
    dirty.set(0, course.units());
    settle();
  }

  /** A learner about whom nothing is known yet. */
  public static Progress begin(CompiledCourse course, PersonId person, Instant at) {
    return resume(course, person, List.of(), Latches.none(at.toEpochMilli()));
  }

  /**
   * Goes on from what was stored, possibly under another version of the design. What the rules of
   * that version bring about at once is reported with the next fact or passing of time.
   *
   * @param standing all facts up to the moment of the latches, as {@code Facts.standing} gives them
   */
  public static Progress resume(
      CompiledCourse course, PersonId person, List<Fact> standing, Latches latches) {
    var record = new LearnerRecord(course.index(), person);
    for (Fact fact : standing) record.take(fact);
    return new Progress(course, record, latches);
  }

  /** Goes on from what was stored under the same version of the design, without any facts. */
  public static Progress resume(
      CompiledCourse course, PersonId person, Sums sums, Latches latches) {
    return new Progress(course, LearnerRecord.of(course.index(), person, sums), latches);
  }

  /**
   * Goes on under another version of the design from a moment on.
   *
   * @param standing all facts up to that moment
   */
  public Progress under(CompiledCourse next, List<Fact> standing, Instant at) {
    advance(at);
    return resume(next, record.person(), standing, latches());
  }

  /**
   * Takes a fact, after living through the time before it. A fact from before the present moment is
   * taken at the present moment.
   *
   * @return what the rules brought about
   */
  public List<Decision> take(Fact fact) {
    liveUntil(fact.at().toEpochMilli());
    record.take(fact);
    markDirty(fact.what());
    settle();
    return taken();
  }

  /** Lets time pass. */
  public List<Decision> advance(Instant until) {
    liveUntil(until.toEpochMilli());
    return taken();
  }

  private List<Decision> taken() {
    List<Decision> taken = List.copyOf(decisions);
    decisions.clear();
    return taken;
  }

  private void liveUntil(long until) {
    for (long next = nextOfAll(); next <= until; next = nextOfAll()) {
      now = Math.max(now, next);
      for (int u = 0; u < units.next.length; u++)
        if (units.next[u] <= now) dirty.set(course.rank(u));
      settle();
    }
    now = Math.max(now, until);
  }

  private long nextOfAll() {
    long next = NO_MOMENT;
    for (long moment : units.next) next = Math.min(next, moment);
    return next;
  }

  /**
   * The next moment, in epoch milliseconds, at which the clock alone changes something; {@link
   * Long#MAX_VALUE} if it never does, and for who has left.
   */
  public long nextMoment() {
    return record.left() ? NO_MOMENT : nextOfAll();
  }

  private void markDirty(Fact.What what) {
    dirty.set(course.rank(course.flagsUnit()));
    switch (what) {
      case Fact.Enrolled _, Fact.LeftCourse _ -> dirty.set(0, course.units());
      case Fact.CompletedCourse _, Fact.Attendance _, Fact.JoinedGroup _, Fact.LeftGroup _ ->
          markReaders(course.personSubject());
      case Fact.WasHere _, Fact.CameUnder _, Fact.TakenBack _ -> {}
      case Fact.BadgeIssued issued -> markBadge(index.number(issued.badge()));
      case Fact.BadgeKept kept -> markBadge(index.number(kept.badge()));
      case Fact.BadgeRevoked revoked -> markBadge(index.number(revoked.badge()));
      case Fact.Rated rated -> markOutcome(index.number(rated.outcome()));
      case Fact.AtStep atStep -> {
        int s = index.number(atStep.step());
        if (s == CourseIndex.UNKNOWN) return;
        dirty.set(course.rank(s));
        markReaders(s);
        markReaders(course.factsSubject(s));
      }
    }
  }

  private void markBadge(int b) {
    if (b == CourseIndex.UNKNOWN) return;
    dirty.set(course.rank(course.badgeUnit(b)));
    markReaders(course.badgeUnit(b));
  }

  private void markOutcome(int o) {
    if (o != CourseIndex.UNKNOWN) markReaders(course.outcomeSubject(o));
  }

  private void markReaders(int subject) {
    for (int unit : course.dependents(subject)) dirty.set(course.rank(unit));
  }

  /**
   * Looks at what is dirty, each unit after those it reads: one sweep is enough, since readers only
   * ever stand later in the order. A circle is settled as a whole.
   */
  private void settle() {
    for (int r = dirty.nextSetBit(0); r >= 0; r = dirty.nextSetBit(r + 1)) {
      dirty.clear(r);
      int end = course.circleEnd(r);
      if (end >= 0) {
        r = settleCircle(r, end);
        continue;
      }
      int unit = course.order()[r];
      units.see(unit, before);
      units.toBottom(unit);
      look(unit);
      release(unit);
      if (units.differs(unit, before)) markReaders(unit);
    }
  }

  /**
   * From nothing upwards until nothing changes; then what holds is kept; and again from nothing
   * until there is nothing new to keep, so that the result is a function of what is kept and of
   * nothing else.
   *
   * @return the last place of the circle
   */
  private int settleCircle(int place, int end) {
    int first = place;
    while (first > 0 && course.circleEnd(first - 1) == end) first--;
    Units.Seen[] old = new Units.Seen[end - first + 1];
    for (int r = first; r <= end; r++) {
      old[r - first] = new Units.Seen();
      units.see(course.order()[r], old[r - first]);
    }
    int kept;
    do {
      kept = units.kept;
      for (int r = first; r <= end; r++) units.toBottom(course.order()[r]);
      units.keeping = false;
      int rounds = 0;
      while (grow(first, end) && ++rounds < MOST_ROUNDS) {}
      units.keeping = true;
      grow(first, end);
    } while (kept != units.kept);
    for (int r = first; r <= end; r++) release(course.order()[r]);
    for (int r = first; r <= end; r++)
      if (units.differs(course.order()[r], old[r - first])) markReaders(course.order()[r]);
    dirty.clear(first, end + 1);
    return end;
  }

  private boolean grow(int first, int end) {
    boolean grown = false;
    for (int r = first; r <= end; r++) {
      int unit = course.order()[r];
      units.see(unit, before);
      look(unit);
      grown |= units.differs(unit, before);
    }
    return grown;
  }

  private void look(int unit) {
    if (unit < index.steps()) lookAtStep(unit);
    else if (unit < course.moduleUnit(0)) lookAtDoor(unit - course.moduleOpensUnit(0));
    else if (unit < course.badgeUnit(0)) lookAtModule(unit - course.moduleUnit(0));
    else if (unit < course.courseUnit()) lookAtBadge(unit - course.badgeUnit(0));
    else if (unit == course.courseUnit()) lookAtCourse();
    else lookAtFlags();
  }

  /** What follows its rule does not keep what the rule no longer grants. */
  private void release(int unit) {
    if (unit < index.steps()) {
      if (!units.open[unit] && !index.step(unit).gate().staysOpen()) units.grantedAt[unit] = NEVER;
    } else if (unit < course.moduleUnit(0)) {
      CourseModule module = index.module(unit - course.moduleOpensUnit(0));
      if (!units.open[unit] && !module.gate().staysOpen()) units.grantedAt[unit] = NEVER;
    }
  }

  private Instant moment() {
    return Instant.ofEpochMilli(now);
  }

  private void lookAtStep(int s) {
    Step step = index.step(s);
    int m = index.moduleOf(s);
    int door = course.moduleOpensUnit(m);
    long from = index.opensAt(s);
    long until = record.closesAt(s);
    long next = NO_MOMENT;
    if (now < from) next = from;
    if (now < until) next = Math.min(next, until);
    boolean over = now >= until;
    boolean exists = exists(s);

    boolean ruleHolds = true;
    boolean grants = units.grantedAt[door] != NEVER;
    boolean hopeless = false;
    Turn opensTurn = Turn.NOBODY;
    Optional<PlannedRule> opens = course.stepOpens(s);
    if (opens.isPresent()) {
      opens.get().evaluate(derived, desk);
      ruleHolds = desk.holds();
      grants &= desk.verdict() == Verdict.MET;
      hopeless = desk.verdict() == Verdict.OUT_OF_REACH;
      opensTurn = desk.turn();
      next = Math.min(next, desk.next());
    }
    if (index.module(m).strictOrder()) {
      boolean any = false;
      boolean anyDone = false;
      for (int b = index.firstStep(m); b < s; b++) {
        if (!course.waitsFor(s, b)) continue;
        any = true;
        anyDone |= units.keptAt[b] != NEVER;
        if (outOfTheWay(b)) continue;
        ruleHolds = false;
        hopeless |= units.lost[b];
        if (units.turn[b].compareTo(opensTurn) < 0) opensTurn = units.turn[b];
      }
      grants &= anyDone || !any;
    }
    boolean stays = units.grantedAt[s] != NEVER && step.gate().staysOpen();
    boolean byRule = units.open[door] && ((ruleHolds && now >= from) || stays);
    boolean opened = record.openedByException(s);
    units.open[s] = exists && !record.left() && (opened || (byRule && !over));
    if (units.open[s]) {
      if (units.keep(units.openedAt, s, now))
        decisions.add(new Decision.Opened(step.id(), moment()));
      if (grants && ruleHolds && now >= from && units.open[door])
        units.keep(units.grantedAt, s, now);
    }
    boolean canOpen = (stays || !hopeless) && (units.open[door] || units.usable[door]);
    units.usable[s] = exists && (units.open[s] || opened || (!over && canOpen));

    course.stepDone(s).evaluate(derived, desk);
    next = Math.min(next, desk.next());
    boolean wasOpen = units.open[s] || units.openedAt[s] != NEVER;
    boolean acts = exists && !record.left() && wasOpen;
    if (acts && desk.verdict() == Verdict.MET && units.keep(units.keptAt, s, now))
      decisions.add(new Decision.Done(step.id(), moment()));
    boolean isDone = units.keptAt[s] != NEVER;
    units.byWaiver[s] = !isDone && exists && wasOpen && desk.verdict() == Verdict.WAIVED;
    boolean settled = isDone || units.byWaiver[s];
    units.fraction[s] = settled ? 1 : desk.fraction();
    units.lost[s] =
        !settled && (desk.verdict() == Verdict.OUT_OF_REACH || (!units.usable[s] && !wasOpen));
    if (settled) units.turn[s] = Turn.NOBODY;
    else if (units.open[s]) units.turn[s] = desk.turn();
    else if (!units.open[door] && units.turn[door] != Turn.NOBODY) units.turn[s] = units.turn[door];
    else if (opensTurn != Turn.NOBODY) units.turn[s] = opensTurn;
    else units.turn[s] = Turn.CLOCK;
    long due = record.due(s);
    if (!isDone && due != NEVER && now < due) next = Math.min(next, due);
    units.next[s] = next > now ? next : NO_MOMENT;
  }

  /** Whether the step is there for this learner. */
  private boolean exists(int s) {
    return index.published(s) && record.isFor(s);
  }

  /**
   * Whether a strict order does not wait for a step: it is done, or does not concern the learner.
   */
  private boolean outOfTheWay(int s) {
    return units.keptAt[s] != NEVER || units.byWaiver[s] || derived.waived(s);
  }

  /** Looks whether a module is open. */
  private void lookAtDoor(int m) {
    int unit = course.moduleOpensUnit(m);
    CourseModule module = index.module(m);
    long next = NO_MOMENT;
    boolean holds = true;
    boolean grants = true;
    boolean hopeless = false;
    Turn turn = Turn.NOBODY;
    Optional<PlannedRule> opens = course.moduleOpens(m);
    if (opens.isPresent()) {
      opens.get().evaluate(derived, desk);
      holds = desk.holds();
      grants = desk.verdict() == Verdict.MET;
      hopeless = desk.verdict() == Verdict.OUT_OF_REACH;
      turn = desk.turn();
      next = desk.next();
    }
    boolean there = module.published() && !record.left();
    boolean stays = units.grantedAt[unit] != NEVER && module.gate().staysOpen();
    units.open[unit] = there && (stays || holds);
    if (units.open[unit] && grants) units.keep(units.grantedAt, unit, now);
    units.usable[unit] = module.published() && (units.open[unit] || stays || !hopeless);
    units.turn[unit] = turn;
    units.next[unit] = next > now ? next : NO_MOMENT;
  }

  /** Looks whether a module is done. */
  private void lookAtModule(int m) {
    int unit = course.moduleUnit(m);
    boolean published = index.module(m).published();
    boolean any = published && hasStepFor(m);
    course.moduleDone(m).evaluate(derived, desk);
    Verdict verdict = desk.verdict();
    if (any && !record.left() && verdict == Verdict.MET && units.keep(units.keptAt, unit, now))
      decisions.add(new Decision.ModuleDone(index.module(m).id(), moment()));
    boolean isDone = units.keptAt[unit] != NEVER;
    units.byWaiver[unit] = !isDone && published && (!any || verdict == Verdict.WAIVED);
    units.fraction[unit] = isDone ? 1 : desk.fraction();
    units.lost[unit] =
        !isDone && !units.byWaiver[unit] && (!published || verdict == Verdict.OUT_OF_REACH);
    units.turn[unit] = isDone || units.byWaiver[unit] ? Turn.NOBODY : desk.turn();
    units.next[unit] = desk.next() > now ? desk.next() : NO_MOMENT;
  }

  private boolean hasStepFor(int m) {
    for (int s = index.firstStep(m); s < index.firstStep(m + 1); s++) if (exists(s)) return true;
    return false;
  }

  private void lookAtBadge(int b) {
    int unit = course.badgeUnit(b);
    Optional<PlannedRule> earned = course.badgeEarned(b);
    if (earned.isEmpty()) {
      units.lost[unit] = false;
      return;
    }
    earned.get().evaluate(derived, desk);
    if (desk.verdict() == Verdict.MET
        && !record.left()
        && !record.heldByHand(b)
        && !record.revoked(b)
        && units.keep(units.keptAt, unit, now))
      decisions.add(new Decision.BadgeEarned(index.badge(b).id(), moment()));
    units.fraction[unit] = desk.fraction();
    units.lost[unit] = !derived.holds(b) && desk.verdict() == Verdict.OUT_OF_REACH;
    units.turn[unit] = derived.holds(b) ? Turn.NOBODY : desk.turn();
    units.next[unit] = desk.next() > now ? desk.next() : NO_MOMENT;
  }

  private void lookAtCourse() {
    int unit = course.courseUnit();
    course.courseComplete().evaluate(derived, desk);
    if (desk.verdict() == Verdict.MET && !record.left() && units.keep(units.keptAt, unit, now))
      decisions.add(new Decision.CourseCompleted(moment()));
    units.lost[unit] = units.keptAt[unit] == NEVER && desk.verdict() == Verdict.OUT_OF_REACH;
    units.next[unit] = desk.next() > now ? desk.next() : NO_MOMENT;
  }

  /** Who has left or has completed the course needs nobody. */
  private void lookAtFlags() {
    long next = NO_MOMENT;
    boolean concerned = !record.left() && !derived.complete();
    for (int f = 0; f < flaggedAt.length; f++) {
      course.flag(f).evaluate(derived, desk);
      boolean up = concerned && desk.verdict() == Verdict.MET;
      FlagId flag = course.design().flags().get(f).id();
      if (up && flaggedAt[f] == NEVER) {
        flaggedAt[f] = now;
        decisions.add(new Decision.FlagRaised(flag, moment()));
      } else if (!up && flaggedAt[f] != NEVER) {
        flaggedAt[f] = NEVER;
        decisions.add(new Decision.FlagLowered(flag, moment()));
      }
      next = Math.min(next, desk.next());
    }
    units.next[course.flagsUnit()] = next > now ? next : NO_MOMENT;
  }

  private final class Derived implements Sight {
    @Override
    public LearnerRecord record() {
      return record;
    }

    @Override
    public long now() {
      return now;
    }

    @Override
    public boolean waived(int step) {
      return !record.isFor(step) || (record.excused(step) && units.keptAt[step] == NEVER);
    }

    @Override
    public long doneAt(int step) {
      return units.keptAt[step];
    }

    @Override
    public boolean doneByWaiver(int step) {
      return units.byWaiver[step];
    }

    @Override
    public boolean open(int step) {
      return units.open[step];
    }

    @Override
    public boolean usable(int step) {
      return units.usable[step];
    }

    @Override
    public boolean outOfReach(int step) {
      return units.lost[step];
    }

    @Override
    public double fraction(int step) {
      return units.fraction[step];
    }

    @Override
    public Turn turn(int step) {
      return units.turn[step];
    }

    @Override
    public long moduleDoneAt(int module) {
      return units.keptAt[course.moduleUnit(module)];
    }

    @Override
    public boolean nothingToDo(int module) {
      return units.byWaiver[course.moduleUnit(module)];
    }

    @Override
    public boolean moduleOutOfReach(int module) {
      return units.lost[course.moduleUnit(module)];
    }

    @Override
    public double moduleFraction(int module) {
      return units.fraction[course.moduleUnit(module)];
    }

    @Override
    public Turn moduleTurn(int module) {
      return units.turn[course.moduleUnit(module)];
    }

    @Override
    public boolean holds(int badge) {
      boolean earned = units.keptAt[course.badgeUnit(badge)] != NEVER;
      return record.holds(badge) || (earned && !record.revoked(badge));
    }

    @Override
    public boolean badgeOutOfReach(int badge) {
      return units.lost[course.badgeUnit(badge)];
    }

    @Override
    public boolean complete() {
      return units.keptAt[course.courseUnit()] != NEVER;
    }

    @Override
    public boolean completeOutOfReach() {
      return units.lost[course.courseUnit()];
    }
  }

  public CompiledCourse course() {
    return course;
  }

  /** The facts in sum. Reading it is safe, adding to it is {@link #take}'s. */
  public LearnerRecord record() {
    return record;
  }

  /** The moment up to which everything has been worked out. */
  public Instant asOf() {
    return Instant.ofEpochMilli(now);
  }

  public Sight sight() {
    return derived;
  }

  /** Whether the module is open; its steps may still have rules of their own. */
  public boolean moduleOpen(int module) {
    return units.open[course.moduleOpensUnit(module)];
  }

  public double badgeFraction(int badge) {
    return units.fraction[course.badgeUnit(badge)];
  }

  /** When the badge's rule was met, whether or not it has been issued. */
  public Optional<Instant> earnedAt(int badge) {
    return moment(units.keptAt[course.badgeUnit(badge)]);
  }

  /** Badges that are held because their rule was met once, and whose ground has fallen away. */
  public List<Integer> inDoubt() {
    List<Integer> doubtful = new ArrayList<>();
    for (int b = 0; b < index.badges(); b++)
      if (record.heldByRule(b) && units.keptAt[course.badgeUnit(b)] == NEVER) doubtful.add(b);
    return doubtful;
  }

  /** When the step was first open. */
  public Optional<Instant> openedAt(int step) {
    return moment(units.openedAt[step]);
  }

  public Optional<Instant> doneAt(int step) {
    return moment(units.keptAt[step]);
  }

  public Optional<Instant> completedAt() {
    return moment(units.keptAt[course.courseUnit()]);
  }

  /** When the flag went up, empty while it is down. */
  public Optional<Instant> flaggedAt(int flag) {
    return moment(flaggedAt[flag]);
  }

  private static Optional<Instant> moment(long at) {
    return at == NEVER ? Optional.empty() : Optional.of(Instant.ofEpochMilli(at));
  }

  /** The state of a step with its marks. */
  public Bead bead(int s) {
    StepState state = state(s);
    boolean unfinished =
        switch (state) {
          case CLOSED, OPEN, BEGUN, AGAIN, MISSED -> true;
          case NOT_FOR_THEM, UNPUBLISHED, WAITING, DONE, EXCUSED -> false;
        };
    boolean overdue = unfinished && record.due(s) != NEVER && now >= record.due(s);
    boolean lost = unfinished && index.step(s).required() && units.lost[s];
    return new Bead(state, overdue && index.step(s).required(), lost);
  }

  private StepState state(int s) {
    if (!index.published(s)) return StepState.UNPUBLISHED;
    if (!record.isFor(s)) return StepState.NOT_FOR_THEM;
    if (units.keptAt[s] != NEVER) return StepState.DONE;
    if (record.excused(s)) return StepState.EXCUSED;
    if (units.byWaiver[s]) return StepState.DONE;
    if (record.waiting(s)) return StepState.WAITING;
    boolean over = now >= record.closesAt(s);
    if (over && !units.open[s]) return StepState.MISSED;
    if (record.needsAnotherGo(s)) return StepState.AGAIN;
    if (!units.open[s]) return StepState.CLOSED;
    return record.touchedAt(s) == NEVER ? StepState.OPEN : StepState.BEGUN;
  }

  /** All beads in course order, one character each, see {@link Bead#letter}. */
  public String thread() {
    var thread = new StringBuilder(index.steps());
    for (int s = 0; s < index.steps(); s++) thread.append(bead(s).letter());
    return thread.toString();
  }

  /**
   * The share of required steps that are done, 0 to 1; those that do not concern the learner left
   * out.
   */
  public double share() {
    int all = 0;
    int done = 0;
    for (int s = 0; s < index.steps(); s++) {
      if (!counts(s)) continue;
      all++;
      if (units.keptAt[s] != NEVER) done++;
    }
    return all == 0 ? 0 : (double) done / all;
  }

  /** Whether the step is one of those that the learner is asked to do. */
  public boolean counts(int s) {
    return index.expected(s) && !derived.waived(s) && !units.byWaiver[s];
  }

  /** The rule at a place with what each part of it comes to now; empty where no rule stands. */
  public Optional<Explained> explain(RuleAt at) {
    return course
        .rule(at)
        .map(rule -> {
          rule.evaluate(derived, desk);
          return desk.explained();
        });
  }

  /** What stays, for storing; what this version of the design does not have is carried along. */
  public Latches latches() {
    Map<StepId, Long> opened = rest(carried.stepOpened(), index::number);
    Map<StepId, Long> granted = rest(carried.stepGranted(), index::number);
    Map<StepId, Long> done = rest(carried.stepDone(), index::number);
    for (int s = 0; s < index.steps(); s++) {
      put(opened, index.step(s).id(), units.openedAt[s]);
      put(granted, index.step(s).id(), units.grantedAt[s]);
      put(done, index.step(s).id(), units.keptAt[s]);
    }
    Map<ModuleId, Long> moduleGranted = rest(carried.moduleGranted(), index::number);
    Map<ModuleId, Long> moduleDone = rest(carried.moduleDone(), index::number);
    for (int m = 0; m < index.modules(); m++) {
      put(moduleGranted, index.module(m).id(), units.grantedAt[course.moduleOpensUnit(m)]);
      put(moduleDone, index.module(m).id(), units.keptAt[course.moduleUnit(m)]);
    }
    Map<BadgeId, Long> earned = rest(carried.earned(), index::number);
    for (int b = 0; b < index.badges(); b++)
      put(earned, index.badge(b).id(), units.keptAt[course.badgeUnit(b)]);
    Map<FlagId, Long> flagged = new TreeMap<>();
    for (int f = 0; f < flaggedAt.length; f++)
      put(flagged, course.design().flags().get(f).id(), flaggedAt[f]);
    return new Latches(
        now,
        opened,
        granted,
        done,
        moduleGranted,
        moduleDone,
        earned,
        flagged,
        completedAt().map(Instant::toEpochMilli));
  }

  private static <I> Map<I, Long> rest(Map<I, Long> all, ToIntFunction<I> number) {
    Map<I, Long> rest = new TreeMap<>();
    all.forEach((id, at) -> {
      if (number.applyAsInt(id) == CourseIndex.UNKNOWN) rest.put(id, at);
    });
    return rest;
  }

  private static <I> void put(Map<I, Long> map, I id, long at) {
    if (at != NEVER) map.put(id, at);
  }
}
