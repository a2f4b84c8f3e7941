package yendrik.core.progress;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.function.ToIntFunction;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Validity;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FactId;
import yendrik.core.id.FlagId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Strands;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Sums;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.plan.Explained;
import yendrik.core.rule.plan.UnitNumbers;

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
 * <p>Nothing new opens, is done, earned or completed for a learner who has left, but for a course
 * whose <em>Complete when</em> asks for leaving.
 */
public final class Progress {
  private static final long NEVER = Units.NEVER;
  private static final long NO_MOMENT = Units.NO_MOMENT;

  private final CompiledCourse course;
  private final CourseIndex index;
  private final UnitNumbers numbers;
  private final Evaluation evaluation;
  private final Units units;
  private final Beads beads;
  private final Latches carried;

  private Progress(CompiledCourse course, LearnerRecord record, Latches latches) {
    this.course = course;
    index = course.index();
    numbers = course.units();
    evaluation = new Evaluation(course, record, latches.asOf());
    units = evaluation.units;
    beads = new Beads(evaluation);
    carried = latches;
    for (int s = 0; s < index.steps(); s++) {
      var id = index.step(s).id();
      units.openedAt[s] = latches.stepOpened().getOrDefault(id, NEVER);
      units.grantedAt[s] = latches.stepGranted().getOrDefault(id, NEVER);
      units.keptAt[s] = latches.stepDone().getOrDefault(id, NEVER);
    }
    for (int m = 0; m < index.modules(); m++) {
      var id = index.module(m).id();
      units.grantedAt[numbers.door(m)] = latches.moduleGranted().getOrDefault(id, NEVER);
      units.keptAt[numbers.module(m)] = latches.moduleDone().getOrDefault(id, NEVER);
    }
    for (int b = 0; b < index.badges(); b++)
      units.keptAt[numbers.badge(b)] = latches.earned().getOrDefault(index.badge(b).id(), NEVER);
    for (int f = 0; f < course.flags(); f++)
      evaluation.flaggedAt[f] =
          latches.flagged().getOrDefault(course.design().flags().get(f).id(), NEVER);
    units.keptAt[numbers.course()] = latches.completed().orElse(NEVER);
    for (Latches.First first : latches.firstMet()) {
      int number = course.firsts().indexOf(first.where());
      if (number >= 0) units.firstMet[number] = first.at();
    }
    evaluation.lookAtAll();
  }

  /** Looks at every rule of the course again, as is done when a stored state is taken up. */
  public void evaluateAll() {
    evaluation.lookAtAll();
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
    var record = new LearnerRecord(course.index(), person, Strands.ALL);
    for (Fact fact : standing) record.take(fact);
    return new Progress(course, record, latches);
  }

  /** Goes on from what was stored under the same version of the design, without any facts. */
  public static Progress resume(
      CompiledCourse course, PersonId person, Sums sums, Latches latches) {
    return new Progress(
        course, LearnerRecord.of(course.index(), person, Strands.ALL, sums), latches);
  }

  /**
   * Goes on under another version of the design from a moment on.
   *
   * @param standing all facts up to that moment
   */
  public Progress under(CompiledCourse next, List<Fact> standing, Instant at) {
    advance(at);
    return resume(next, record().person(), standing, latches());
  }

  /**
   * The same, where the facts are read only if what they add up to is not the same under the other
   * version.
   *
   * @param standing gives all facts up to that moment
   */
  public Progress under(CompiledCourse next, Supplier<List<Fact>> standing, Instant at) {
    if (!next.index().sumsLike(index)) return under(next, standing.get(), at);
    advance(at);
    return resume(next, record().person(), record().sums(), latches());
  }

  /**
   * Takes a fact, after living through the time before it. A fact from before the present moment is
   * taken at the present moment.
   *
   * @return what the rules brought about
   */
  public List<Decision> take(Fact fact) {
    evaluation.liveUntil(fact.at().toEpochMilli());
    evaluation.take(fact);
    return evaluation.taken();
  }

  /** The same way, to go on with apart from this one. */
  public Progress copy() {
    return resume(course, record().person(), record().sums(), latches());
  }

  /** What would become of it if something happened now; it stays as it is itself. */
  public Progress supposing(Fact.What what) {
    Progress next = copy();
    next.take(
        new Fact(new FactId(Long.MAX_VALUE), asOf(), Optional.empty(), what, Optional.empty()));
    return next;
  }

  /** Lets time pass. */
  public List<Decision> advance(Instant until) {
    evaluation.liveUntil(until.toEpochMilli());
    return evaluation.taken();
  }

  /**
   * The next moment, in epoch milliseconds, at which the clock alone changes something; {@link
   * Long#MAX_VALUE} if it never does, and for who has left.
   */
  public long nextMoment() {
    return record().left() ? NO_MOMENT : evaluation.nextOfAll();
  }

  public CompiledCourse course() {
    return course;
  }

  /** The facts in sum. Reading it is safe, adding to it is {@link #take}'s. */
  public LearnerRecord record() {
    return evaluation.sight.record();
  }

  /** The moment up to which everything has been worked out. */
  public Instant asOf() {
    return Instant.ofEpochMilli(evaluation.now());
  }

  public Sight sight() {
    return evaluation.sight;
  }

  /** Whether the module is open; its steps may still have rules of their own. */
  public boolean moduleOpen(int module) {
    return units.open[numbers.door(module)];
  }

  /** When the badge's rule was met, whether or not it has been issued. */
  public Optional<Instant> earnedAt(int badge) {
    return moment(units.keptAt[numbers.badge(badge)]);
  }

  /** Badges that are held because their rule was met once, and whose ground has fallen away. */
  public List<Integer> inDoubt() {
    List<Integer> doubtful = new ArrayList<>();
    for (int b = 0; b < index.badges(); b++)
      if (record().heldByRule(b) && sight().holds(b) && units.keptAt[numbers.badge(b)] == NEVER)
        doubtful.add(b);
    return doubtful;
  }

  /** A badge that was earned and is not issued yet. */
  public record ToIssue(Instant earnedAt, Fact.BadgeIssued what) {}

  /** Badges to issue; one that would have ended already is not. */
  public List<ToIssue> toIssue() {
    List<ToIssue> all = new ArrayList<>();
    for (int b = 0; b < index.badges(); b++) {
      if (record().holds(b) || record().revoked(b)) continue;
      Optional<Instant> end = endsAt(b);
      var issued = new Fact.BadgeIssued(index.badge(b).id(), "", end);
      earnedAt(b)
          .filter(at -> end.filter(e -> !e.isAfter(at)).isEmpty())
          .ifPresent(at -> all.add(new ToIssue(at, issued)));
    }
    return all;
  }

  /**
   * When a badge that was earned, or is held, is not valid any more; empty if it has no end or was
   * never had.
   */
  public Optional<Instant> endsAt(int badge) {
    long end = evaluation.sight.endsAt(badge);
    return end == NO_MOMENT ? Optional.empty() : Optional.of(Instant.ofEpochMilli(end));
  }

  /** Badges that were issued, end soon or have ended, and can be renewed. */
  public List<Integer> toRenew() {
    List<Integer> due = new ArrayList<>();
    for (int b = 0; b < index.badges(); b++) {
      Validity validity = index.badge(b).validity();
      if (validity.renewal().isPresent()
          && record().holds(b)
          && !record().left()
          && endsAt(b).filter(end -> !asOf().isBefore(validity.soon(end))).isPresent()) due.add(b);
    }
    return due;
  }

  /** When the step was first open. */
  public Optional<Instant> openedAt(int step) {
    return moment(units.openedAt[step]);
  }

  public Optional<Instant> doneAt(int step) {
    return moment(units.keptAt[step]);
  }

  public Optional<Instant> completedAt() {
    return moment(units.keptAt[numbers.course()]);
  }

  /** When the flag went up, empty while it is down. */
  public Optional<Instant> flaggedAt(int flag) {
    return moment(evaluation.flaggedAt[flag]);
  }

  private static Optional<Instant> moment(long at) {
    return at == NEVER ? Optional.empty() : Optional.of(Instant.ofEpochMilli(at));
  }

  /** The state of a step with its marks. */
  public Bead bead(int s) {
    return beads.bead(s);
  }

  /** All beads in course order, one character each, see {@link Bead#letter}. */
  public String thread() {
    return beads.thread();
  }

  /**
   * The share of required steps that are done, 0 to 1; those that do not concern the learner left
   * out.
   */
  public double share() {
    return beads.share();
  }

  /** Whether the step is one of those that the learner is asked to do. */
  public boolean counts(int s) {
    return beads.counts(s);
  }

  /** The rule at a place with what each part of it comes to now; empty where no rule stands. */
  public Optional<Explained> explain(RuleAt at) {
    return course
        .rule(at)
        .map(rule -> {
          rule.evaluate(evaluation.sight, evaluation.desk());
          return evaluation.desk().explained();
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
      put(moduleGranted, index.module(m).id(), units.grantedAt[numbers.door(m)]);
      put(moduleDone, index.module(m).id(), units.keptAt[numbers.module(m)]);
    }
    Map<BadgeId, Long> earned = rest(carried.earned(), index::number);
    for (int b = 0; b < index.badges(); b++)
      put(earned, index.badge(b).id(), units.keptAt[numbers.badge(b)]);
    Map<FlagId, Long> flagged = new TreeMap<>();
    for (int f = 0; f < course.flags(); f++)
      put(flagged, course.design().flags().get(f).id(), evaluation.flaggedAt[f]);
    return new Latches(
        evaluation.now(),
        opened,
        granted,
        done,
        moduleGranted,
        moduleDone,
        earned,
        flagged,
        completedAt().map(Instant::toEpochMilli),
        firstMet());
  }

  private List<Latches.First> firstMet() {
    List<Latches.First> all = new ArrayList<>();
    for (int i = 0; i < course.firsts().size(); i++)
      if (units.firstMet[i] != NEVER)
        all.add(new Latches.First(course.firsts().get(i), units.firstMet[i]));
    for (Latches.First first : carried.firstMet())
      if (!course.firsts().contains(first.where())) all.add(first);
    return all;
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
