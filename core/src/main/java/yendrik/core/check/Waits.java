package yendrik.core.check;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToIntFunction;
import java.util.stream.IntStream;
import yendrik.core.course.CourseIndex;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.plan.Order;

/**
 * Why places are not reached: which of them wait for which others, which wait for each other in a
 * circle, and which for something that is wrong where they stand.
 */
final class Waits {
  private final CourseIndex index;
  private final Places places;
  private final Possible possible;
  private final Reach reach;
  private final BitSet unreached;
  private final List<List<Wait>> waits = new ArrayList<>();
  private final int[] circle;

  /** No place: what is waited for is wrong by itself. */
  static final int HERE = -1;

  /**
   * One thing that a place waits for.
   *
   * @param place that is waited for and not reached, {@link #HERE} where the condition itself never
   *     holds
   * @param condition the part of the rule, empty where no rule says so
   */
  record Wait(int place, Finding.By by, Optional<Condition> condition) {}

  /**
   * @param unreached the places to be explained, of those that the reach does not have
   */
  Waits(Reach.Scene scene, Reach reach, BitSet unreached) {
    index = scene.index();
    places = scene.places();
    possible = scene.possible();
    this.reach = reach;
    this.unreached = unreached;
    for (int p = 0; p < places.all(); p++)
      waits.add(unreached.get(p) ? distinct(waitsOf(p)) : List.of());
    circle = circles();
  }

  private static List<Wait> distinct(List<Wait> all) {
    return all.stream().distinct().toList();
  }

  /** What a place waits for; several things where several are missing or several would do. */
  List<Wait> of(int place) {
    return waits.get(place);
  }

  /** Whether a place is one of a circle. */
  boolean circular(int place) {
    return circle[place] >= 0;
  }

  /** The circles, each as its places. */
  List<List<Integer>> allCircles() {
    Map<Integer, List<Integer>> all = new LinkedHashMap<>();
    for (int p = 0; p < circle.length; p++)
      if (circle[p] >= 0) all.computeIfAbsent(circle[p], _ -> new ArrayList<>()).add(p);
    return List.copyOf(all.values());
  }

  private int[] circles() {
    int n = places.all();
    List<List<Integer>> readers = new ArrayList<>();
    for (int p = 0; p < n; p++) readers.add(new ArrayList<>());
    boolean[] itself = new boolean[n];
    for (int p = 0; p < n; p++)
      for (Wait wait : waits.get(p)) {
        if (wait.place() == p) itself[p] = true;
        else if (wait.place() != HERE) readers.get(wait.place()).add(p);
      }
    int[][] dependents =
        readers.stream()
            .map(r -> r.stream().distinct().mapToInt(Integer::intValue).toArray())
            .toArray(int[][]::new);
    Order order = Order.of(n, dependents, itself);
    int[] of = new int[n];
    Arrays.fill(of, -1);
    for (int r = 0; r < n; r++) of[order.units()[r]] = order.circleEnds()[r];
    return of;
  }

  private List<Wait> waitsOf(int p) {
    int steps = index.steps();
    List<Wait> all = new ArrayList<>();
    if (p < steps) opening(p, all);
    else if (p < places.door(0)) {
      int s = p - steps;
      if (isMissing(places.opens(s)))
        all.add(new Wait(places.opens(s), Finding.By.OPENING, Optional.empty()));
      else blockers(index.step(s).doneWhen(), all);
    } else if (p < places.module(0))
      index.module(p - places.door(0)).opensWhen().ifPresent(r -> blockers(r, all));
    else if (p < places.badge(0)) blockers(reach.doneRule(p - places.module(0)), all);
    else if (p < places.course())
      index.badge(p - places.badge(0)).earnedWhen().ifPresent(r -> blockers(r, all));
    else blockers(reach.completeRule(), all);
    if (all.isEmpty()) all.add(new Wait(HERE, Finding.By.DATES, Optional.empty()));
    return all;
  }

  private void opening(int s, List<Wait> all) {
    int door = places.door(index.moduleOf(s));
    if (isMissing(door)) all.add(new Wait(door, Finding.By.MODULE, Optional.empty()));
    index.step(s).opensWhen().ifPresent(r -> blockers(r, all));
    for (int before : reach.before(s))
      if (isMissing(places.done(before)))
        all.add(new Wait(places.done(before), Finding.By.ORDER, Optional.empty()));
  }

  private boolean isMissing(int place) {
    return unreached.get(place);
  }

  private boolean never(Condition condition) {
    return reach.never(condition);
  }

  private void blockers(Condition condition, List<Wait> all) {
    if (!never(condition)) return;
    switch (condition) {
      case Condition.Ask ask -> leaf(ask, all);
      case Condition.All _, Condition.Any _, Condition.AtLeast _, Condition.After _ -> {
        int before = all.size();
        condition.parts().forEach(p -> blockers(p, all));
        if (all.size() == before) all.add(here(condition));
      }
      case Condition.None _ -> all.add(here(condition));
    }
  }

  private static Wait here(Condition condition) {
    return new Wait(HERE, Finding.By.RULE, Optional.of(condition));
  }

  private void leaf(Condition.Ask ask, List<Wait> all) {
    List<Wait> found = new ArrayList<>();
    if (possible.never(ask.leaf()).isEmpty())
      for (int target : targets(ask.leaf()))
        if (isMissing(target)) found.add(new Wait(target, Finding.By.RULE, Optional.of(ask)));
    if (found.isEmpty()) all.add(here(ask));
    else all.addAll(found);
  }

  private List<Integer> targets(Leaf leaf) {
    ToIntFunction<Integer> opens = places::opens;
    return switch (leaf) {
      case Leaf.StepDone l -> List.of(places.done(index.number(l.step())));
      case Leaf.DaysSinceDone l -> List.of(places.done(index.number(l.step())));
      case Leaf.OfStrand l -> List.of(places.opens(index.number(l.step())));
      case Leaf.OfOutcome l -> several(reach.ties(index.number(l.outcome())), opens);
      case Leaf.ModuleDone l -> List.of(places.module(index.number(l.module())));
      case Leaf.ModuleCount l -> several(reach.counted(index.number(l.module())), places::done);
      case Leaf.ModuleShare l -> several(reach.counted(index.number(l.module())), places::done);
      case Leaf.QuizzesScored l -> several(reach.quizzesOf(l), opens);
      case Leaf.GradeAtLeast _ -> several(possible.scored(), opens);
      case Leaf.HoldsBadge l -> List.of(places.badge(index.number(l.badge())));
      case Leaf.CourseComplete _ -> List.of(places.course());
      case Leaf.AttendanceRate _,
          Leaf.SessionsAttended _,
          Leaf.SessionAttended _,
          Leaf.InARow _,
          Leaf.Approved _,
          Leaf.OwnWord _,
          Leaf.HasLeft _,
          Leaf.InGroup _,
          Leaf.OneOf _,
          Leaf.EnrolledFor _,
          Leaf.InTime _,
          Leaf.Signal _ ->
          List.of();
    };
  }

  private static List<Integer> several(List<Integer> numbers, ToIntFunction<Integer> place) {
    return numbers.stream().map(n -> place.applyAsInt(n)).toList();
  }

  /**
   * The shortest way round a circle from its first place in course order, back to where it began.
   */
  List<Finding.Link> around(List<Integer> members) {
    int first = members.stream().min(Comparator.comparingInt(places::turn)).orElseThrow();
    return told(path(first, Optional.of(first), members::contains));
  }

  /** The shortest way from a place to something that is wrong by itself or goes in a circle. */
  List<Finding.Link> chain(int from) {
    return told(path(from, Optional.empty(), _ -> true));
  }

  /** That one is done only by who can open it goes without saying. */
  private static List<Finding.Link> told(List<Finding.Link> links) {
    List<Finding.Link> told =
        links.stream().filter(link -> link.by() != Finding.By.OPENING).toList();
    return told.isEmpty() ? links : told;
  }

  private List<Finding.Link> path(int from, Optional<Integer> to, Predicate<Integer> within) {
    record Way(int place, List<Finding.Link> links) {}
    Deque<Way> ways = new ArrayDeque<>(List.of(new Way(from, List.of())));
    BitSet seen = new BitSet();
    seen.set(from);
    while (!ways.isEmpty()) {
      Way way = ways.poll();
      if (to.isEmpty() && circular(way.place()) && !way.links().isEmpty()) return way.links();
      for (Wait wait : of(way.place())) {
        List<Finding.Link> links = new ArrayList<>(way.links());
        links.add(new Finding.Link(places.at(way.place()), wait.by(), wait.condition()));
        if (wait.place() == HERE) {
          if (to.isEmpty()) return links;
        } else if (to.isPresent() && wait.place() == to.get()) return links;
        else if (within.test(wait.place()) && !seen.get(wait.place())) {
          seen.set(wait.place());
          ways.add(new Way(wait.place(), links));
        }
      }
    }
    return List.of();
  }

  /** All places that are not reached because some are not, those left out, in course order. */
  List<Integer> heldUpBy(List<Integer> some) {
    BitSet held = new BitSet();
    some.forEach(held::set);
    boolean grown = true;
    while (grown) {
      grown = false;
      for (int p = unreached.nextSetBit(0); p >= 0; p = unreached.nextSetBit(p + 1))
        if (!held.get(p)
            && of(p).stream().anyMatch(w -> w.place() != HERE && held.get(w.place()))) {
          held.set(p);
          grown = true;
        }
    }
    some.forEach(held::clear);
    return held.stream().boxed().sorted(Comparator.comparingInt(places::turn)).toList();
  }

  /** The places that wait for something wrong at themselves, in course order. */
  List<Integer> wrongHere() {
    return IntStream.range(0, places.all())
        .filter(p -> of(p).stream().anyMatch(w -> w.place() == HERE))
        .boxed()
        .sorted(Comparator.comparingInt(places::turn))
        .toList();
  }
}
