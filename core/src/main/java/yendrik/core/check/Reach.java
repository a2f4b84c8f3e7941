package yendrik.core.check;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.Validity;
import yendrik.core.kind.Kinds;
import yendrik.core.outcome.Composed;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.Rhythm;
import yendrik.core.rule.check.Rules;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.time.TimeLeaf;

/**
 * What an ideal learner of one profile can reach in a design, and from when on. Such a learner does
 * whatever is open, well or badly as it suits, and staff do at once what they are asked for. It is
 * a least fixed point: nothing is reached at first, and a place is once its rule can hold by what
 * is reached already, so that places which wait for each other never are.
 */
final class Reach {
  static final long DAY = 86_400_000L;
  private static final double HAIR = 1e-9;

  private final Scene scene;
  private final CourseIndex index;
  private final Places places;
  private final Possible possible;
  private final Contradictions contradictions;
  private final Around around;
  private final Profile profile;
  private final long start;
  private final Times[] reached;
  private final boolean[] mine;

  private Reach(Scene scene, Profile profile) {
    this.scene = scene;
    index = scene.index();
    places = scene.places();
    possible = scene.possible();
    contradictions = scene.contradictions();
    around = scene.around();
    this.profile = profile;
    start = profile.late() ? scene.late() : index.design().startsAt().toEpochMilli();
    reached = new Times[places.all()];
    Arrays.fill(reached, Times.NEVER);
    mine = new boolean[index.steps()];
    for (int s = 0; s < mine.length; s++) mine[s] = profile.has(index.step(s));
  }

  /** All that a design says, made ready for walking through it. */
  record Scene(
      CourseIndex index,
      Places places,
      Possible possible,
      Contradictions contradictions,
      Around around,
      long late,
      List<Condition> moduleRules,
      Condition completeRule) {
    /**
     * @param late a moment after every date of the rules, in epoch milliseconds
     */
    static Scene of(CourseIndex index, Around around, long late) {
      CourseDesign design = index.design();
      return new Scene(
          index,
          new Places(index),
          new Possible(index, around),
          new Contradictions(index),
          around,
          late,
          design.modules().stream()
              .map(m -> m.doneWhen().orElseGet(() -> Rules.usualModuleDone(m)))
              .toList(),
          design.completeWhen().orElseGet(() -> Rules.usualCourseComplete(design)));
    }
  }

  static Reach of(Scene scene, Profile profile) {
    var reach = new Reach(scene, profile);
    while (reach.sweep()) {}
    return reach;
  }

  private boolean sweep() {
    boolean grown = false;
    for (int m = 0; m < index.modules(); m++) {
      grown |= put(places.door(m), door(m));
      for (int s = index.firstStep(m); s < index.firstStep(m + 1); s++) {
        grown |= put(places.opens(s), opens(s));
        grown |= put(places.done(s), done(s));
      }
      grown |= put(places.module(m), module(m));
    }
    for (int b = 0; b < index.badges(); b++) grown |= put(places.badge(b), badge(b));
    return put(places.course(), course()) || grown;
  }

  private boolean put(int place, Times times) {
    if (reached[place].same(times)) return false;
    reached[place] = times;
    return true;
  }

  /** When the learner can be at a place; from there on where what is reached stays. */
  Times at(int place) {
    return reached[place];
  }

  boolean reaches(int place) {
    return !reached[place].isNever() || reached[place] == Times.WAIVED;
  }

  Profile profile() {
    return profile;
  }

  /** Whether there is such a place for this learner. */
  boolean exists(int place) {
    if (place < places.door(0)) return exists(place % index.steps(), mine);
    if (place < places.badge(0)) {
      int m = (place - places.door(0)) % index.modules();
      return index.module(m).published() && (place < places.module(0) || hasStep(m));
    }
    return place == places.course()
        || index.badge(place - places.badge(0)).earnedWhen().isPresent();
  }

  private boolean exists(int s, boolean[] whose) {
    return index.published(s) && whose[s];
  }

  private boolean hasStep(int m) {
    for (int s = index.firstStep(m); s < index.firstStep(m + 1); s++)
      if (exists(s, mine)) return true;
    return false;
  }

  private Times inCourse(Times times) {
    return times.and(Times.from(start));
  }

  private Times door(int m) {
    CourseModule module = index.module(m);
    if (!module.published()) return Times.NEVER;
    Times holds = inCourse(holds(module.opensWhen()));
    return module.gate().staysOpen() ? holds.onwards() : holds;
  }

  private Times opens(int s) {
    if (!exists(s, mine)) return Times.NEVER;
    Times granted = granted(s);
    Times open =
        index.step(s).gate().staysOpen()
            ? granted.onwards().and(reached[places.door(index.moduleOf(s))])
            : granted;
    return profile.late() ? open : open.and(Times.between(Times.BEGINNING, index.closesAt(s)));
  }

  /** When a step's rule, its module and its place in the order grant it, before it is over. */
  Times granted(int s) {
    int m = index.moduleOf(s);
    Times times = reached[places.door(m)].and(inCourse(holds(index.step(s).opensWhen())));
    if (!profile.late()) times = times.and(Times.from(index.opensAt(s)));
    for (int before : before(s)) times = times.and(reached[places.done(before)].onwards());
    return times;
  }

  /** The steps that a strict order puts before one. */
  List<Integer> before(int s) {
    List<Integer> all = new ArrayList<>();
    for (int b = index.orderFrom(s); b < s; b++) if (index.expected(b) && mine[b]) all.add(b);
    return all;
  }

  private Times done(int s) {
    Times open = reached[places.opens(s)];
    if (open.isNever()) return Times.NEVER;
    Times holds = holds(Optional.of(index.step(s).doneWhen()));
    return holds.and(open.onwards()).onwards();
  }

  private Times module(int m) {
    if (!index.module(m).published()) return Times.NEVER;
    if (!hasStep(m)) return Times.WAIVED;
    Times holds = possible(doneRule(m));
    return holds == Times.WAIVED ? holds : inCourse(holds).onwards();
  }

  Condition doneRule(int m) {
    return scene.moduleRules().get(m);
  }

  private Times badge(int b) {
    return index
        .badge(b)
        .earnedWhen()
        .map(rule -> inCourse(possible(rule)).onwards())
        .orElseGet(() -> Times.from(start))
        .and(valid(index.badge(b).validity()));
  }

  /** An ideal learner has it as late as anybody; only a fixed day ends it for all. */
  private Times valid(Validity validity) {
    return validity.lasting() instanceof Validity.Lasting.Until
        ? validity
            .end(Instant.EPOCH, index.design().zone())
            .map(end -> Times.between(Times.BEGINNING, end.toEpochMilli()))
            .orElse(Times.ALWAYS)
        : Times.ALWAYS;
  }

  private Times course() {
    return inCourse(possible(completeRule())).onwards();
  }

  Condition completeRule() {
    return scene.completeRule();
  }

  private Times holds(Optional<Condition> rule) {
    Times times = rule.map(this::possible).orElse(Times.ALWAYS);
    return times == Times.WAIVED ? Times.ALWAYS : times;
  }

  /** When a condition can hold for this learner, as far as is known by now. */
  Times possible(Condition condition) {
    return switch (condition) {
      case Condition.Ask ask -> leaf(ask.leaf());
      case Condition.All all -> all(all);
      case Condition.Any any -> joint(any, 1, Bound.POSSIBLE);
      case Condition.AtLeast some -> joint(some, some.n(), Bound.POSSIBLE);
      case Condition.After after -> since(possible(after.part()), after);
      case Condition.None none -> without(joint(none, 1, Bound.CERTAIN));
    };
  }

  /** Whether a condition concerns this learner and cannot hold while they are in the course. */
  boolean never(Condition condition) {
    Times times = possible(condition);
    return times != Times.WAIVED && inCourse(times).isNever();
  }

  /** When a condition holds whatever the learner does. */
  private Times certain(Condition condition) {
    return switch (condition) {
      case Condition.Ask ask -> certainLeaf(ask.leaf());
      case Condition.All all -> joint(all, all.parts().size(), Bound.CERTAIN);
      case Condition.Any any -> joint(any, 1, Bound.CERTAIN);
      case Condition.AtLeast some -> joint(some, some.n(), Bound.CERTAIN);
      case Condition.After after -> since(certain(after.part()), after);
      case Condition.None none -> without(joint(none, 1, Bound.POSSIBLE));
    };
  }

  private Times since(Times part, Condition.After after) {
    if (part == Times.WAIVED) return part;
    Times there = inCourse(part);
    return there.isNever() ? Times.NEVER : Times.from(there.first() + after.days() * DAY);
  }

  private enum Bound {
    POSSIBLE,
    CERTAIN
  }

  private static Times without(Times times) {
    return times == Times.WAIVED ? times : times.not();
  }

  private Times all(Condition.All all) {
    boolean contradictory =
        contradictions.in(all) && all.parts().stream().noneMatch(p -> possible(p) == Times.WAIVED);
    return contradictory ? Times.NEVER : joint(all, all.parts().size(), Bound.POSSIBLE);
  }

  private Times joint(Condition joint, int n, Bound bound) {
    List<Times> parts = new ArrayList<>(joint.parts().size());
    for (Condition part : joint.parts()) {
      Times times = bound == Bound.POSSIBLE ? possible(part) : certain(part);
      if (times != Times.WAIVED) parts.add(times);
    }
    if (parts.isEmpty()) return Times.WAIVED;
    return Times.atLeast(Math.min(n, parts.size()), parts);
  }

  private Times certainLeaf(Leaf leaf) {
    return switch (leaf) {
      case Leaf.InTime t -> inTime(t);
      case Leaf.EnrolledFor e -> Times.from(start + e.days() * DAY);
      case Leaf.InGroup g -> inGroup(g);
      default -> leaf(leaf) == Times.WAIVED ? Times.WAIVED : Times.NEVER;
    };
  }

  private static Times inTime(Leaf.InTime t) {
    return Times.between(
        t.from().map(m -> m.toEpochMilli()).orElse(Times.BEGINNING),
        t.until().map(m -> m.toEpochMilli()).orElse(Times.END));
  }

  private Times inGroup(Leaf.InGroup g) {
    return profile.groups().contains(g.group()) ? Times.ALWAYS : Times.NEVER;
  }

  private Times leaf(Leaf leaf) {
    if (leaf instanceof Leaf.OfStep of && !mine[index.number(of.step())]) return Times.WAIVED;
    if (possible.never(leaf).isPresent()) return Times.NEVER;
    return switch (leaf) {
      case Leaf.StepDone l -> reached[places.done(index.number(l.step()))];
      case Leaf.DaysSinceDone l ->
          later(reached[places.done(index.number(l.step()))], l.days() * DAY);
      case Leaf.OfStrand of -> ofStrand(index.number(of.step()), of);
      case Leaf.OfOutcome of -> ofOutcome(of);
      case Leaf.ModuleDone l -> reached[places.module(index.number(l.module()))];
      case Leaf.ModuleCount l -> some(index.number(l.module()), l.steps(), 0);
      case Leaf.ModuleShare l -> some(index.number(l.module()), 0, l.share());
      case Leaf.QuizzesScored l -> quizzes(l);
      case Leaf.CourseComplete l ->
          l.course().equals(index.design().id()) || around.waitForThis().contains(l.course())
              ? reached[places.course()]
              : Times.from(start);
      case Leaf.GradeAtLeast _ ->
          earliest(possible.scored().stream().filter(s -> mine[s]).map(this::acts).toList(), 1);
      case Leaf.HoldsBadge l -> reached[places.badge(index.number(l.badge()))];
      case Leaf.InGroup l -> inGroup(l);
      case Leaf.OneOf _ -> profile.named() ? Times.ALWAYS : Times.NEVER;
      case Leaf.EnrolledFor l -> Times.from(start + l.days() * DAY);
      case Leaf.InARow l -> Times.from(start + Math.max(0, l.times() - 2) * days(l.rhythm()) * DAY);
      case Leaf.InTime l -> inTime(l);
      case Leaf.AttendanceRate _,
          Leaf.SessionsAttended _,
          Leaf.SessionAttended _,
          Leaf.Approved _,
          Leaf.OwnWord _,
          Leaf.HasLeft _,
          Leaf.Signal _ ->
          Times.from(start);
    };
  }

  /** How many days lie between two in a row; of the first and the last no more than a moment. */
  private static long days(Rhythm rhythm) {
    return switch (rhythm) {
      case DAYS -> 1;
      case WEEKS -> 7;
    };
  }

  private static Times later(Times times, long by) {
    return times.isNever() ? times : Times.from(times.first() + by);
  }

  /** From when on the learner can do something at a step: it is open, and still takes it. */
  private Times acts(int s) {
    Times open = reached[places.opens(s)];
    boolean over = !profile.late() && open.first() >= index.takesUntil(s);
    return over ? Times.NEVER : open.onwards();
  }

  private Times ofStrand(int s, Leaf.OfStrand leaf) {
    if (profile.failing().contains(s) && needsPassing(s, leaf)) return Times.NEVER;
    long takes =
        switch (leaf) {
          case AttemptLeaf.OnDays l -> (l.days() - 1) * DAY;
          case TimeLeaf.TimeSpent l -> l.minutes() * 60_000L;
          default -> 0;
        };
    return later(acts(s), takes);
  }

  private boolean needsPassing(int s, Leaf.OfStrand leaf) {
    double passMark = index.step(s).scoring().passMark();
    return switch (leaf) {
      case MarkLeaf.Passed _ -> true;
      case MarkLeaf.Score l -> l.from() > 0 && l.from() >= passMark - HAIR;
      default -> false;
    };
  }

  private static Times earliest(List<Times> several, int n) {
    List<Times> some = several.stream().filter(t -> !t.isNever()).toList();
    return some.size() < n
        ? Times.NEVER
        : Times.atLeast(n, some.stream().map(Times::onwards).toList());
  }

  /** So many, or such a share, of the steps of a module that count. */
  private Times some(int m, int count, double share) {
    List<Times> done =
        stepsOf(m, s -> index.expected(s) && mine[s])
            .mapToObj(s -> reached[places.done(s)])
            .toList();
    if (done.isEmpty()) return Times.WAIVED;
    int needed =
        count > 0 ? Math.min(count, done.size()) : (int) Math.ceil(share * done.size() - HAIR);
    return earliest(done, needed);
  }

  private IntStream stepsOf(int m, IntPredicate which) {
    return IntStream.range(index.firstStep(m), index.firstStep(m + 1)).filter(which);
  }

  /** The quizzes that such a question is about. */
  List<Integer> quizzesOf(Leaf.QuizzesScored leaf) {
    int from = leaf.module().map(index::number).orElse(0);
    int to = leaf.module().map(m -> index.number(m) + 1).orElse(index.modules());
    return IntStream.range(index.firstStep(from), index.firstStep(to))
        .filter(s ->
            Kinds.tried(index.step(s))
                && index.expected(s)
                && index.step(s).scoring().points() > 0
                && mine[s])
        .boxed()
        .toList();
  }

  private Times quizzes(Leaf.QuizzesScored leaf) {
    List<Integer> quizzes = quizzesOf(leaf);
    if (quizzes.isEmpty()) return Times.WAIVED;
    for (int s : quizzes)
      if (profile.failing().contains(s) && leaf.share() >= index.step(s).scoring().passMark())
        return Times.NEVER;
    return earliest(quizzes.stream().map(this::acts).toList(), quizzes.size());
  }

  private Times ofOutcome(Leaf.OfOutcome leaf) {
    int o = index.number(leaf.outcome());
    Scale scale = index.outcome(o).scale();
    return switch (leaf) {
      case Leaf.LevelAtLeast l -> level(o, scale.at(l.level()));
      case Leaf.AtMastery _ -> level(o, scale.mastery());
      case Leaf.LevelBelow _ -> level(o, 0);
      case Leaf.EvidenceCount l -> evidence(o, scale.at(l.level()));
    };
  }

  private Times level(int o, int level) {
    Outcome outcome = index.outcome(o);
    if (outcome.madeOf().isEmpty()) return evidence(o, level);
    Composition made = outcome.madeOf().get();
    List<Times> parts = new ArrayList<>();
    for (int part : index.parts(o)) {
      Scale of = index.outcome(part).scale();
      int needed = 0;
      while (needed < of.top() && Composed.carry(needed, of, outcome.scale()) < level) needed++;
      boolean anyLevel =
          made.how() instanceof Composition.Mean || level < outcome.scale().mastery();
      parts.add(level(part, anyLevel ? 0 : needed));
    }
    int many =
        switch (made.how()) {
          case Composition.All _ -> level < outcome.scale().mastery() ? 1 : parts.size();
          case Composition.AtLeast some ->
              level < outcome.scale().mastery() ? 1 : Math.min(some.n(), parts.size());
          case Composition.Mean _, Composition.Lowest _ -> parts.size();
        };
    return earliest(parts, many);
  }

  /** From when on a step can show an outcome at a level. */
  private Times evidence(int o, int level) {
    int mastery = index.outcome(o).scale().mastery();
    return earliest(
        possible.ties(o).stream()
            .filter(s -> mine[s] && (level < mastery || !profile.failing().contains(s)))
            .map(this::acts)
            .toList(),
        1);
  }

  /** The steps that give evidence of an outcome and are for this learner. */
  List<Integer> ties(int o) {
    return possible.ties(o).stream().filter(s -> mine[s]).toList();
  }

  /** The steps that count in a module and are for this learner. */
  List<Integer> counted(int m) {
    return stepsOf(m, s -> index.expected(s) && mine[s]).boxed().toList();
  }

  boolean isMine(Step step) {
    return mine[index.number(step.id())];
  }
}
