package yendrik.core.progress;

import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.FlagId;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.plan.Desk;
import yendrik.core.rule.plan.PlannedRule;
import yendrik.core.rule.plan.UnitNumbers;

/**
 * Works out the units of a course for one learner at one moment: looks at what may have changed,
 * each unit after those it reads, and puts down what is kept.
 */
final class Evaluation {
  private static final long NEVER = Units.NEVER;
  private static final long NO_MOMENT = Units.NO_MOMENT;

  /** Shares on a circle may creep towards a limit; verdicts have long settled by then. */
  private static final int MOST_ROUNDS = 100;

  private final CompiledCourse course;
  private final CourseIndex index;
  private final UnitNumbers numbers;
  private final LearnerRecord record;
  private final Desk desk;
  private final BitSet dirty;
  private final Units.Seen before = new Units.Seen();
  private final List<Decision> decisions = new ArrayList<>();
  private long now;

  final Units units;
  final Derived sight;
  final long[] flaggedAt;

  Evaluation(CompiledCourse course, LearnerRecord record, long now) {
    this.course = course;
    this.record = record;
    this.now = now;
    index = course.index();
    numbers = course.units();
    desk = course.desk();
    dirty = new BitSet(numbers.all());
    units = new Units(numbers.all(), course.firsts().size());
    flaggedAt = new long[course.flags()];
    sight = new Derived(index, record, numbers, units, this::now);
  }

  long now() {
    return now;
  }

  Desk desk() {
    return desk;
  }

  /** What the rules brought about since this was last asked. */
  List<Decision> taken() {
    List<Decision> taken = List.copyOf(decisions);
    decisions.clear();
    return taken;
  }

  /** Looks at every rule of the course again, as is done when a stored state is taken up. */
  void lookAtAll() {
    dirty.set(0, numbers.all());
    for (int r = 0; r < numbers.all(); r++) {
      int end = course.circleEnd(r);
      if (end >= 0) r = settleCircle(r, end);
      // whoever reads it is still to be looked at, so nobody has to be told of a change
      else lookAnew(course.order()[r]);
    }
    dirty.clear();
  }

  /** Takes a fact at the present moment. */
  void take(Fact fact) {
    int rows = record.rowsMoved();
    record.take(fact);
    if (record.rowsMoved() != rows) markReaders(numbers.person());
    if (fact.what() instanceof Fact.StartedAnew anew) startAnew(index.number(anew.step()));
    markDirty(fact.what());
    settle();
  }

  /** What was kept of a step is given up; its evidence may have been for any outcome. */
  private void startAnew(int s) {
    if (s == CourseIndex.UNKNOWN) return;
    units.keptAt[s] = NEVER;
    for (int o = 0; o < index.outcomes(); o++) markOutcome(o);
  }

  /** Lives through every moment at which the clock alone changes something. */
  void liveUntil(long until) {
    for (long next = nextOfAll(); next <= until; next = nextOfAll()) {
      now = Math.max(now, next);
      for (int u = 0; u < units.next.length; u++)
        if (units.next[u] <= now) dirty.set(course.rank(u));
      settle();
    }
    now = Math.max(now, until);
  }

  long nextOfAll() {
    long next = NO_MOMENT;
    for (long moment : units.next) next = Math.min(next, moment);
    return next;
  }

  private void markDirty(Fact.What what) {
    dirty.set(course.rank(numbers.flags()));
    switch (what) {
      case Fact.Enrolled _, Fact.LeftCourse _ -> dirty.set(0, numbers.all());
      case Fact.CompletedCourse _,
          Fact.Attendance _,
          Fact.JoinedGroup _,
          Fact.LeftGroup _,
          Fact.Approved _,
          Fact.OwnWord _ ->
          markReaders(numbers.person());
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
        markReaders(numbers.factsOf(s));
      }
    }
  }

  private void markBadge(int b) {
    if (b == CourseIndex.UNKNOWN) return;
    dirty.set(course.rank(numbers.badge(b)));
    markReaders(numbers.badge(b));
  }

  private void markOutcome(int o) {
    if (o != CourseIndex.UNKNOWN) markReaders(numbers.outcome(o));
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
      lookAnew(unit);
      if (units.differs(unit, before)) markReaders(unit);
    }
  }

  private void lookAnew(int unit) {
    units.toBottom(unit);
    look(unit);
    release(unit);
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
    int about = numbers.about(unit);
    switch (numbers.kind(unit)) {
      case STEP -> lookAtStep(about);
      case DOOR -> lookAtDoor(unit, index.module(about));
      case MODULE -> lookAtModule(unit, about);
      case BADGE -> lookAtBadge(unit, about);
      case COURSE -> lookAtCourse(unit);
      case FLAGS -> lookAtFlags(unit);
    }
  }

  /** What follows its rule does not keep what the rule no longer grants. */
  private void release(int unit) {
    boolean stays =
        switch (numbers.kind(unit)) {
          case STEP -> index.step(unit).gate().staysOpen();
          case DOOR -> index.module(numbers.about(unit)).gate().staysOpen();
          case MODULE, BADGE, COURSE, FLAGS -> true;
        };
    if (!stays && !units.open[unit]) units.grantedAt[unit] = NEVER;
  }

  private Instant moment() {
    return Instant.ofEpochMilli(now);
  }

  private long later(long moment) {
    return moment > now ? moment : NO_MOMENT;
  }

  private void lookAtStep(int s) {
    Step step = index.step(s);
    int m = index.moduleOf(s);
    int door = numbers.door(m);
    long from = index.opensAt(s);
    long until = record.closesAt(s);
    long takes = record.takesUntil(s);
    long next = NO_MOMENT;
    if (now < from) next = from;
    if (now < takes) next = Math.min(next, takes);
    else if (now < until) next = Math.min(next, until);
    boolean over = now >= until;
    boolean ended = now >= takes;
    boolean opened = record.openedByException(s, now);
    if (opened) next = Math.min(next, record.openedUntil(s));
    long byWindow = next;
    boolean exists = exists(s);

    boolean atRest = atRest(s);
    boolean ruleHolds = true;
    boolean grants = units.grantedAt[door] != NEVER;
    boolean hopeless = false;
    Turn opensTurn = Turn.NOBODY;
    Optional<PlannedRule> opens = course.opens(s);
    if (opens.isPresent() && !atRest) {
      opens.get().evaluate(sight, desk);
      ruleHolds = desk.holds();
      grants &= desk.verdict() == Verdict.MET;
      hopeless = desk.verdict() == Verdict.OUT_OF_REACH;
      opensTurn = desk.turn();
      next = Math.min(next, desk.next());
    }
    int orderFrom = index.orderFrom(s);
    if (orderFrom < s && !atRest) {
      boolean any = false;
      boolean anyDone = false;
      for (int b = s - 1; b >= orderFrom; b--) {
        if (!course.waitsFor(s, b)) continue;
        any = true;
        anyDone |= units.keptAt[b] != NEVER;
        if (outOfTheWay(b)) continue;
        ruleHolds = false;
        hopeless |= units.lost[b];
        if (units.turn(b).compareTo(opensTurn) < 0) opensTurn = units.turn(b);
        // what never was open waits itself for all that is before it, unless an exception opens it
        boolean never = !units.open[b] && units.openedAt[b] == NEVER;
        if (never && !record.openedByException(b, now)) break;
      }
      grants &= anyDone || !any;
    }
    boolean stays = units.grantedAt[s] != NEVER && step.gate().staysOpen();
    boolean byRule = units.open[door] && ((ruleHolds && now >= from) || stays);
    units.open[s] = exists && !record.left() && (opened || (byRule && !over));
    if (units.open[s]) {
      if (units.keep(units.openedAt, s, now))
        decisions.add(new Decision.Opened(step.id(), moment()));
      if (grants && ruleHolds && now >= from && units.open[door])
        units.keep(units.grantedAt, s, now);
    }
    boolean canOpen = (stays || !hopeless) && (units.open[door] || units.usable[door]);
    units.usable[s] = exists && (opened || (!ended && (units.open[s] || canOpen)));

    if (atRest) {
      putSettled(s);
      units.next[s] = later(byWindow);
      return;
    }
    course.holds(s).orElseThrow().evaluate(sight, desk);
    next = Math.min(next, desk.next());
    boolean wasOpen = units.open[s] || units.openedAt[s] != NEVER;
    boolean acts = exists && !record.left() && wasOpen;
    if (acts && desk.verdict() == Verdict.MET && units.keep(units.keptAt, s, now)) {
      decisions.add(new Decision.Done(step.id(), moment()));
      // days that are counted after something of its own module begin with its being done
      if (!course.holds(s).orElseThrow().onlyLooks()) {
        course.holds(s).orElseThrow().evaluate(sight, desk);
        next = Math.min(next, desk.next());
      }
    }
    boolean isDone = units.keptAt[s] != NEVER;
    units.byWaiver[s] = !isDone && exists && wasOpen && desk.verdict() == Verdict.WAIVED;
    boolean settled = isDone || units.byWaiver[s];
    units.fraction[s] = settled ? 1 : desk.fraction();
    units.lost[s] =
        !settled && (desk.verdict() == Verdict.OUT_OF_REACH || (!units.usable[s] && !wasOpen));
    if (settled) units.turn(s, Turn.NOBODY);
    else if (units.open[s]) units.turn(s, desk.turn());
    else if (!units.open[door] && units.turn(door) != Turn.NOBODY) units.turn(s, units.turn(door));
    else if (opensTurn != Turn.NOBODY) units.turn(s, opensTurn);
    else units.turn(s, Turn.CLOCK);
    long due = record.due(s);
    if (!isDone && due != NEVER && now < due) next = Math.min(next, due);
    units.next[s] = later(atRest(s) ? byWindow : next);
  }

  /** Whether a step is done and stays open, so that its rules have nothing more to say. */
  private boolean atRest(int s) {
    return settled(s)
        && units.grantedAt[s] != NEVER
        && index.step(s).gate().staysOpen()
        && course.opens(s).map(PlannedRule::onlyLooks).orElse(true);
  }

  /**
   * Whether a unit has been done, earned or completed, so that its rule has nothing more to say.
   */
  private boolean settled(int unit) {
    return units.keptAt[unit] != NEVER && course.holds(unit).orElseThrow().onlyLooks();
  }

  private void putSettled(int unit) {
    units.byWaiver[unit] = false;
    units.fraction[unit] = 1;
    units.lost[unit] = false;
    units.turn(unit, Turn.NOBODY);
    units.next[unit] = NO_MOMENT;
  }

  /** Whether the step is there for this learner. */
  private boolean exists(int s) {
    return index.published(s) && record.isFor(s);
  }

  /**
   * Whether a strict order does not wait for a step: it is done, or does not concern the learner.
   */
  private boolean outOfTheWay(int s) {
    return units.keptAt[s] != NEVER || units.byWaiver[s] || sight.waived(s);
  }

  /** Looks whether a module is open. */
  private void lookAtDoor(int unit, CourseModule module) {
    long next = NO_MOMENT;
    boolean holds = true;
    boolean grants = true;
    boolean hopeless = false;
    Turn turn = Turn.NOBODY;
    boolean there = module.published() && !record.left();
    Optional<PlannedRule> opens = course.opens(unit);
    if (opens.isPresent() && !(there && doorAtRest(unit, module))) {
      opens.get().evaluate(sight, desk);
      holds = desk.holds();
      grants = desk.verdict() == Verdict.MET;
      hopeless = desk.verdict() == Verdict.OUT_OF_REACH;
      turn = desk.turn();
      next = desk.next();
    }
    boolean stays = units.grantedAt[unit] != NEVER && module.gate().staysOpen();
    units.open[unit] = there && (stays || holds);
    if (units.open[unit] && grants) units.keep(units.grantedAt, unit, now);
    units.usable[unit] = module.published() && (units.open[unit] || stays || !hopeless);
    boolean atRest = there && doorAtRest(unit, module);
    units.turn(unit, atRest ? Turn.NOBODY : turn);
    units.next[unit] = atRest ? NO_MOMENT : later(next);
  }

  /** Whether a module stays open, so that its rule has nothing more to say. */
  private boolean doorAtRest(int unit, CourseModule module) {
    return units.grantedAt[unit] != NEVER
        && module.gate().staysOpen()
        && course.opens(unit).map(PlannedRule::onlyLooks).orElse(true);
  }

  /**
   * Evaluates the rule by which a unit is done, earned or complete, and keeps the moment at which
   * it is met.
   *
   * @param may whether it can be kept for this learner now
   * @return whether it is new
   */
  private boolean keepIfMet(int unit, boolean may) {
    course.holds(unit).orElseThrow().evaluate(sight, desk);
    return may && desk.verdict() == Verdict.MET && units.keep(units.keptAt, unit, now);
  }

  /**
   * What is left of a unit after its rule was evaluated.
   *
   * @param settled whether nothing is left to do
   * @param gone whether it cannot be brought about any more, whatever its rule says
   */
  private void rest(int unit, boolean settled, boolean gone) {
    if (settled && settled(unit)) {
      putSettled(unit);
      return;
    }
    units.fraction[unit] = settled ? 1 : desk.fraction();
    units.lost[unit] = !settled && (gone || desk.verdict() == Verdict.OUT_OF_REACH);
    units.turn(unit, settled ? Turn.NOBODY : desk.turn());
    units.next[unit] = later(desk.next());
  }

  /** Looks whether a module is done. */
  private void lookAtModule(int unit, int m) {
    if (settled(unit)) {
      putSettled(unit);
      return;
    }
    boolean published = index.module(m).published();
    boolean any = published && hasStepFor(m);
    if (keepIfMet(unit, any && !record.left()))
      decisions.add(new Decision.ModuleDone(index.module(m).id(), moment()));
    boolean isDone = units.keptAt[unit] != NEVER;
    units.byWaiver[unit] = !isDone && published && (!any || desk.verdict() == Verdict.WAIVED);
    rest(unit, isDone || units.byWaiver[unit], !published);
  }

  private boolean hasStepFor(int m) {
    for (int s = index.firstStep(m); s < index.firstStep(m + 1); s++) if (exists(s)) return true;
    return false;
  }

  private void lookAtBadge(int unit, int b) {
    if (course.holds(unit).isEmpty()) {
      units.lost[unit] = false;
      units.next[unit] = NO_MOMENT;
      ending(unit, b);
      return;
    }
    if (settled(unit) && sight.holds(b)) {
      putSettled(unit);
      ending(unit, b);
      return;
    }
    boolean had = record.holds(b) || units.keptAt[unit] != NEVER;
    long last = had ? NO_MOMENT : sight.awardedUntil(b);
    boolean tooLate = last <= now;
    boolean person = record.heldByHand(b) || record.revoked(b);
    if (keepIfMet(unit, !record.left() && !person && !tooLate))
      decisions.add(new Decision.BadgeEarned(index.badge(b).id(), moment()));
    boolean over = ended(b) && index.badge(b).validity().renewal().isEmpty();
    rest(unit, sight.holds(b), tooLate || over);
    units.next[unit] = Math.min(units.next[unit], later(last));
    ending(unit, b);
  }

  private boolean ended(int b) {
    return sight.endsAt(b) <= now;
  }

  /** That it is held, which ends by the clock, and the moment from which on it can be renewed. */
  private void ending(int unit, int b) {
    units.open[unit] = sight.holds(b);
    long end = sight.endsAt(b);
    if (end == NO_MOMENT) return;
    long soon = index.badge(b).validity().soon(Instant.ofEpochMilli(end)).toEpochMilli();
    units.next[unit] = Math.min(units.next[unit], Math.min(later(soon), later(end)));
  }

  private void lookAtCourse(int unit) {
    if (settled(unit)) {
      putSettled(unit);
      return;
    }
    if (keepIfMet(unit, !record.left() || course.completionAsks(Leaf.HasLeft.class)))
      decisions.add(new Decision.CourseCompleted(moment()));
    rest(unit, units.keptAt[unit] != NEVER, /* gone= */ false);
  }

  /** Who has left or has completed the course needs nobody. */
  private void lookAtFlags(int unit) {
    long next = NO_MOMENT;
    boolean concerned = !record.left() && !sight.complete();
    for (int f = 0; f < flaggedAt.length; f++) {
      PlannedRule rule = course.flag(f);
      boolean asked = concerned || !rule.onlyLooks();
      if (asked) rule.evaluate(sight, desk);
      boolean up = concerned && desk.verdict() == Verdict.MET;
      FlagId flag = course.design().flags().get(f).id();
      if (up && flaggedAt[f] == NEVER) {
        flaggedAt[f] = now;
        decisions.add(new Decision.FlagRaised(flag, moment()));
      } else if (!up && flaggedAt[f] != NEVER) {
        flaggedAt[f] = NEVER;
        decisions.add(new Decision.FlagLowered(flag, moment()));
      }
      if (asked) next = Math.min(next, desk.next());
    }
    units.next[unit] = later(next);
  }
}
