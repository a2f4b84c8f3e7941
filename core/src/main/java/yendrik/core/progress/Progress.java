package yendrik.core.progress;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.FlagId;
import yendrik.core.id.PersonId;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;
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
 * looked. Not safe for use by several threads.
 */
public final class Progress {
  private static final long NEVER = LearnerRecord.NEVER;
  private static final long NO_MOMENT = Long.MAX_VALUE;

  private final CompiledCourse course;
  private final CourseIndex index;
  private final LearnerRecord record;
  private final Desk desk;
  private final Derived derived = new Derived();
  private final BitSet dirty;
  private final long[] nextOfUnit;
  private final long[] openedAt;
  private final boolean[] open;
  private final boolean[] usable;
  private final long[] doneAt;
  private final boolean[] outOfReach;
  private final double[] fraction;
  private final Turn[] turn;
  private final long[] moduleOpenedAt;
  private final boolean[] moduleOpen;
  private final boolean[] moduleUsable;
  private final Turn[] moduleOpensTurn;
  private final long[] moduleDoneAt;
  private final boolean[] moduleOutOfReach;
  private final double[] moduleFraction;
  private final Turn[] moduleTurn;
  private final long[] earnedAt;
  private final boolean[] badgeOutOfReach;
  private final double[] badgeFraction;
  private final long[] flaggedAt;
  private long completedAt = NEVER;
  private long now;
  private final List<Decision> decisions = new ArrayList<>();

  private Progress(CompiledCourse course, LearnerRecord record, Latches latches) {
    this.course = course;
    this.record = record;
    index = course.index();
    desk = course.desk();
    dirty = new BitSet(course.units());
    nextOfUnit = new long[course.units()];
    Arrays.fill(nextOfUnit, NO_MOMENT);
    now = latches.asOf();
    int n = index.steps();
    openedAt = latched(n, s -> latches.stepOpened().get(index.step(s).id()));
    open = new boolean[n];
    usable = new boolean[n];
    Arrays.fill(usable, true);
    doneAt = latched(n, s -> latches.stepDone().get(index.step(s).id()));
    outOfReach = new boolean[n];
    fraction = new double[n];
    turn = new Turn[n];
    Arrays.fill(turn, Turn.LEARNER);
    int m = index.modules();
    moduleOpenedAt = latched(m, i -> latches.moduleOpened().get(index.module(i).id()));
    moduleOpen = new boolean[m];
    moduleUsable = new boolean[m];
    Arrays.fill(moduleUsable, true);
    moduleOpensTurn = new Turn[m];
    Arrays.fill(moduleOpensTurn, Turn.NOBODY);
    moduleDoneAt = latched(m, i -> latches.moduleDone().get(index.module(i).id()));
    moduleOutOfReach = new boolean[m];
    moduleFraction = new double[m];
    moduleTurn = new Turn[m];
    Arrays.fill(moduleTurn, Turn.LEARNER);
    int b = index.badges();
    earnedAt = latched(b, i -> latches.earned().get(index.badge(i).id()));
    badgeOutOfReach = new boolean[b];
    badgeFraction = new double[b];
    flaggedAt =
        latched(course.flags(), f -> latches.flagged().get(course.design().flags().get(f).id()));
    completedAt = latches.completed().orElse(NEVER);
    evaluateAll();
  }

  /** Looks at every rule of the course again, as is done when a stored state is taken up. */
  public void evaluateAll() {
    dirty.set(0, course.units());
    settle();
  }

  private interface Latched {
    Long at(int number);
  }

  private static long[] latched(int n, Latched latched) {
    long[] all = new long[n];
    for (int i = 0; i < n; i++) {
      Long at = latched.at(i);
      all[i] = at == null ? NEVER : at;
    }
    return all;
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
    for (long next = nextMoment(); next <= until; next = nextMoment()) {
      now = Math.max(now, next);
      for (int u = 0; u < nextOfUnit.length; u++)
        if (nextOfUnit[u] <= now) dirty.set(course.rank(u));
      settle();
    }
    now = Math.max(now, until);
  }

  /**
   * The next moment, in epoch milliseconds, at which the clock alone changes something; {@link
   * Long#MAX_VALUE} if it never does.
   */
  public long nextMoment() {
    long next = NO_MOMENT;
    for (long moment : nextOfUnit) next = Math.min(next, moment);
    return next;
  }

  private void markDirty(Fact.What what) {
    dirty.set(course.rank(course.flagsUnit()));
    switch (what) {
      case Fact.Enrolled _,
          Fact.LeftCourse _,
          Fact.CompletedCourse _,
          Fact.Attendance _,
          Fact.JoinedGroup _,
          Fact.LeftGroup _ ->
          markReaders(course.personSubject());
      case Fact.WasHere _, Fact.TakenBack _ -> {}
      case Fact.BadgeIssued issued -> markBadge(index.number(issued.badge()));
      case Fact.BadgeRevoked revoked -> markBadge(index.number(revoked.badge()));
      case Fact.Rated rated -> markOutcome(index.number(rated.outcome()));
      case Fact.AtStep atStep -> {
        int s = index.number(atStep.step());
        if (s == CourseIndex.UNKNOWN) return;
        dirty.set(course.rank(s));
        markReaders(s);
        if (what instanceof Fact.FinishedAttempt)
          for (Step.Tie tie : index.step(s).evidenceFor()) markOutcome(index.number(tie.outcome()));
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
   * Looks at what is dirty, in order, until nothing changes. On circles a unit may be looked at
   * several times; since almost everything only ever goes one way this ends, and a bound stops
   * rules that contradict each other.
   */
  private void settle() {
    int looks = 16 * course.units() + 64;
    for (int r = dirty.nextSetBit(0); r >= 0 && looks-- > 0; r = dirty.nextSetBit(0)) {
      dirty.clear(r);
      int unit = course.order()[r];
      if (look(unit)) markReaders(unit);
    }
    dirty.clear();
  }

  private boolean look(int unit) {
    if (unit < index.steps()) return lookAtStep(unit);
    if (unit < course.badgeUnit(0)) return lookAtModule(unit - index.steps());
    if (unit < course.courseUnit()) return lookAtBadge(unit - course.badgeUnit(0));
    if (unit == course.courseUnit()) return lookAtCourse();
    lookAtFlags();
    return false;
  }

  private boolean lookAtStep(int s) {
    Step step = index.step(s);
    int m = index.moduleOf(s);
    long next = NO_MOMENT;
    boolean wasOpen = open[s];
    boolean wasUsable = usable[s];
    boolean wasOutOfReach = outOfReach[s];
    long wasDone = doneAt[s];
    double wasFraction = fraction[s];
    Turn wasTurn = turn[s];

    boolean exists = index.published(s) && record.isFor(s);
    long from = index.opensAt(s);
    long until = index.closesAt(s);
    if (now < from) next = from;
    if (now < until) next = Math.min(next, until);
    boolean over = now >= until;

    boolean ruleHolds = true;
    boolean ruleHopeless = false;
    Turn opensTurn = Turn.NOBODY;
    Optional<PlannedRule> opens = course.stepOpens(s);
    if (opens.isPresent()) {
      opens.get().evaluate(derived, desk);
      ruleHolds = desk.holds();
      ruleHopeless = desk.verdict() == Verdict.OUT_OF_REACH;
      opensTurn = desk.turn();
      next = Math.min(next, desk.next());
    }
    boolean inTurn = true;
    if (index.module(m).strictOrder())
      for (int before = index.firstStep(m); before < s; before++) {
        if (!course.waitsFor(s, before) || record.waived(before) || doneAt[before] != NEVER)
          continue;
        inTurn = false;
        ruleHopeless |= outOfReach[before];
        if (turn[before].compareTo(opensTurn) < 0) opensTurn = turn[before];
      }
    boolean opensNow = moduleOpen[m] && ruleHolds && inTurn && now >= from;
    boolean kept = openedAt[s] != NEVER && step.gate().staysOpen();
    boolean allowed = exists && (record.openedByException(s) || kept || opensNow);
    open[s] = allowed && (!over || record.openedByException(s));
    if (open[s] && openedAt[s] == NEVER) {
      openedAt[s] = now;
      decisions.add(new Decision.Opened(step.id(), Instant.ofEpochMilli(now)));
    }
    usable[s] =
        exists && (open[s] || (!over && !(ruleHopeless || !(moduleOpen[m] || moduleUsable[m]))));

    PlannedRule done = course.stepDone(s);
    done.evaluate(derived, desk);
    next = Math.min(next, desk.next());
    if (doneAt[s] == NEVER && exists && !record.excused(s) && desk.holds()) {
      doneAt[s] = now;
      decisions.add(new Decision.Done(step.id(), Instant.ofEpochMilli(now)));
    }
    boolean isDone = doneAt[s] != NEVER;
    fraction[s] = isDone ? 1 : desk.fraction();
    outOfReach[s] = !isDone && (!usable[s] || desk.verdict() == Verdict.OUT_OF_REACH);
    if (isDone) turn[s] = Turn.NOBODY;
    else if (open[s]) turn[s] = desk.turn();
    else if (!moduleOpen[m] && moduleOpensTurn[m] != Turn.NOBODY) turn[s] = moduleOpensTurn[m];
    else if (opensTurn != Turn.NOBODY) turn[s] = opensTurn;
    else turn[s] = Turn.CLOCK;
    long due = record.due(s);
    if (!isDone && due != NEVER && now < due) next = Math.min(next, due);
    nextOfUnit[s] = next > now ? next : NO_MOMENT;
    return wasOpen != open[s]
        || wasUsable != usable[s]
        || wasOutOfReach != outOfReach[s]
        || wasDone != doneAt[s]
        || wasFraction != fraction[s]
        || wasTurn != turn[s];
  }

  private boolean lookAtModule(int m) {
    int unit = course.moduleUnit(m);
    boolean wasOpen = moduleOpen[m];
    boolean wasUsable = moduleUsable[m];
    Turn wasOpensTurn = moduleOpensTurn[m];
    long wasDone = moduleDoneAt[m];
    boolean wasOutOfReach = moduleOutOfReach[m];
    double wasFraction = moduleFraction[m];
    Turn wasTurn = moduleTurn[m];
    long next = NO_MOMENT;
    boolean holds = true;
    boolean hopeless = false;
    moduleOpensTurn[m] = Turn.NOBODY;
    Optional<PlannedRule> opens = course.moduleOpens(m);
    if (opens.isPresent()) {
      opens.get().evaluate(derived, desk);
      holds = desk.holds();
      hopeless = desk.verdict() == Verdict.OUT_OF_REACH;
      moduleOpensTurn[m] = desk.turn();
      next = desk.next();
    }
    boolean kept = moduleOpenedAt[m] != NEVER && index.module(m).gate().staysOpen();
    moduleOpen[m] = index.module(m).published() && (kept || holds);
    if (moduleOpen[m] && moduleOpenedAt[m] == NEVER) moduleOpenedAt[m] = now;
    moduleUsable[m] = index.module(m).published() && (moduleOpen[m] || !hopeless);
    course.moduleDone(m).evaluate(derived, desk);
    next = Math.min(next, desk.next());
    if (moduleDoneAt[m] == NEVER && index.module(m).published() && desk.holds()) {
      moduleDoneAt[m] = now;
      var at = Instant.ofEpochMilli(now);
      decisions.add(new Decision.ModuleDone(index.module(m).id(), at));
    }
    boolean isDone = moduleDoneAt[m] != NEVER;
    moduleFraction[m] = isDone ? 1 : desk.fraction();
    moduleOutOfReach[m] = !isDone && desk.verdict() == Verdict.OUT_OF_REACH;
    moduleTurn[m] = isDone ? Turn.NOBODY : desk.turn();
    nextOfUnit[unit] = next > now ? next : NO_MOMENT;
    return wasOpen != moduleOpen[m]
        || wasUsable != moduleUsable[m]
        || wasOpensTurn != moduleOpensTurn[m]
        || wasDone != moduleDoneAt[m]
        || wasOutOfReach != moduleOutOfReach[m]
        || wasFraction != moduleFraction[m]
        || wasTurn != moduleTurn[m];
  }

  private boolean lookAtBadge(int b) {
    Optional<PlannedRule> earned = course.badgeEarned(b);
    if (earned.isEmpty()) return false;
    long was = earnedAt[b];
    boolean wasOutOfReach = badgeOutOfReach[b];
    earned.get().evaluate(derived, desk);
    boolean held = derived.holds(b);
    if (earnedAt[b] == NEVER && !held && !record.revoked(b) && desk.verdict() == Verdict.MET) {
      earnedAt[b] = now;
      decisions.add(new Decision.BadgeEarned(index.badge(b).id(), Instant.ofEpochMilli(now)));
    }
    badgeFraction[b] = desk.fraction();
    badgeOutOfReach[b] = !derived.holds(b) && desk.verdict() == Verdict.OUT_OF_REACH;
    nextOfUnit[course.badgeUnit(b)] = desk.next() > now ? desk.next() : NO_MOMENT;
    return was != earnedAt[b] || wasOutOfReach != badgeOutOfReach[b];
  }

  private boolean lookAtCourse() {
    long was = completedAt;
    course.courseComplete().evaluate(derived, desk);
    boolean something = index.modules() > 0;
    if (completedAt == NEVER && something && desk.verdict() == Verdict.MET) {
      completedAt = now;
      decisions.add(new Decision.CourseCompleted(Instant.ofEpochMilli(now)));
    }
    nextOfUnit[course.courseUnit()] = desk.next() > now ? desk.next() : NO_MOMENT;
    return was != completedAt;
  }

  private void lookAtFlags() {
    long next = NO_MOMENT;
    for (int f = 0; f < flaggedAt.length; f++) {
      course.flag(f).evaluate(derived, desk);
      boolean up = desk.verdict() == Verdict.MET;
      FlagId flag = course.design().flags().get(f).id();
      if (up && flaggedAt[f] == NEVER) {
        flaggedAt[f] = now;
        decisions.add(new Decision.FlagRaised(flag, Instant.ofEpochMilli(now)));
      } else if (!up && flaggedAt[f] != NEVER) {
        flaggedAt[f] = NEVER;
        decisions.add(new Decision.FlagLowered(flag, Instant.ofEpochMilli(now)));
      }
      next = Math.min(next, desk.next());
    }
    nextOfUnit[course.flagsUnit()] = next > now ? next : NO_MOMENT;
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
    public long doneAt(int step) {
      return doneAt[step];
    }

    @Override
    public boolean open(int step) {
      return open[step];
    }

    @Override
    public boolean usable(int step) {
      return usable[step];
    }

    @Override
    public boolean outOfReach(int step) {
      return outOfReach[step];
    }

    @Override
    public double fraction(int step) {
      return fraction[step];
    }

    @Override
    public Turn turn(int step) {
      return turn[step];
    }

    @Override
    public long moduleDoneAt(int module) {
      return moduleDoneAt[module];
    }

    @Override
    public boolean moduleOutOfReach(int module) {
      return moduleOutOfReach[module];
    }

    @Override
    public double moduleFraction(int module) {
      return moduleFraction[module];
    }

    @Override
    public Turn moduleTurn(int module) {
      return moduleTurn[module];
    }

    @Override
    public boolean holds(int badge) {
      return record.holds(badge) || (earnedAt[badge] != NEVER && !record.revoked(badge));
    }

    @Override
    public boolean badgeOutOfReach(int badge) {
      return badgeOutOfReach[badge];
    }

    @Override
    public boolean complete() {
      return completedAt != NEVER;
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
    return moduleOpen[module];
  }

  public double badgeFraction(int badge) {
    return badgeFraction[badge];
  }

  public Optional<Instant> openedAt(int step) {
    return moment(openedAt[step]);
  }

  public Optional<Instant> doneAt(int step) {
    return moment(doneAt[step]);
  }

  public Optional<Instant> completedAt() {
    return moment(completedAt);
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
    boolean lost = unfinished && index.step(s).required() && outOfReach[s];
    return new Bead(state, overdue && index.step(s).required(), lost);
  }

  private StepState state(int s) {
    Step step = index.step(s);
    if (!step.published() || !index.module(index.moduleOf(s)).published())
      return StepState.UNPUBLISHED;
    if (!record.isFor(s)) return StepState.NOT_FOR_THEM;
    if (record.excused(s)) return StepState.EXCUSED;
    if (doneAt[s] != NEVER) return StepState.DONE;
    if (record.waiting(s)) return StepState.WAITING;
    boolean over = now >= index.closesAt(s);
    if (over && !open[s]) return StepState.MISSED;
    if (record.needsAnotherGo(s)) return StepState.AGAIN;
    if (!open[s]) return StepState.CLOSED;
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
      if (doneAt[s] != NEVER) done++;
    }
    return all == 0 ? 0 : (double) done / all;
  }

  /** Whether the step is one of those that the learner is asked to do. */
  public boolean counts(int s) {
    return index.expected(s) && !record.waived(s);
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

  /** What stays, for storing. */
  public Latches latches() {
    return new Latches(
        now,
        byId(openedAt, s -> index.step(s).id()),
        byId(doneAt, s -> index.step(s).id()),
        byId(moduleOpenedAt, m -> index.module(m).id()),
        byId(moduleDoneAt, m -> index.module(m).id()),
        byId(earnedAt, b -> index.badge(b).id()),
        byId(flaggedAt, f -> course.design().flags().get(f).id()),
        completedAt == NEVER ? Optional.empty() : Optional.of(completedAt));
  }

  private interface Ids<I> {
    I of(int number);
  }

  private static <I> Map<I, Long> byId(long[] moments, Ids<I> ids) {
    Map<I, Long> all = new HashMap<>();
    for (int i = 0; i < moments.length; i++)
      if (moments[i] != NEVER) all.put(ids.of(i), moments[i]);
    return all;
  }
}
