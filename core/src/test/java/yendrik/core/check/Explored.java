package yendrik.core.check;

import static yendrik.core.Workshop.START;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.FactId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Latches;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenStrand;

/**
 * All that a learner can come to in a small design, found by trying: from each state every act at
 * every open step, and waiting for the next day, until nothing new comes. It uses the engine that
 * learners go by, and nothing of what is being checked.
 */
final class Explored {
  /** Dates and days since enrolment lie within these; days after something come on top. */
  private static final int DAYS = 2;

  private static final int MOST_STATES = 5_000;
  private static final Pattern MOMENT = Pattern.compile("\\d{10,}");

  private final CompiledCourse course;
  private final CourseIndex index;
  private final Places places;
  private final BitSet reached = new BitSet();
  private final Set<String> seen = new HashSet<>();
  private final int lastDay;
  private final boolean whole;

  private record State(Progress progress, int day, int acts) {}

  private Explored(CourseDesign design, Set<GroupId> groups) {
    course = CompiledCourse.of(design);
    lastDay = DAYS + course.firsts().size();
    index = course.index();
    places = new Places(index);
    List<Fact> first = new ArrayList<>();
    first.add(fact(0, START, new Fact.Enrolled()));
    for (GroupId group : groups) first.add(fact(0, START, new Fact.JoinedGroup(group)));
    Progress begin =
        Progress.resume(course, new PersonId(5), first, Latches.none(START.toEpochMilli()));
    Deque<State> open = new ArrayDeque<>();
    add(open, new State(begin, 0, 1));
    while (!open.isEmpty() && seen.size() < MOST_STATES) {
      State state = open.pop();
      for (State next : after(state)) add(open, next);
    }
    whole = open.isEmpty();
  }

  static Explored of(CourseDesign design, Set<GroupId> groups) {
    return new Explored(design, groups);
  }

  /** Whether everything was tried. */
  boolean whole() {
    return whole;
  }

  boolean reaches(int place) {
    return reached.get(place);
  }

  private void add(Deque<State> open, State state) {
    note(state.progress());
    String key =
        state.day()
            + state.progress().record().sums().toString()
            + state.progress().latches().toString();
    List<Long> since =
        state.progress().latches().firstMet().stream()
            .map(first -> Duration.between(START, Instant.ofEpochMilli(first.at())).toDays())
            .toList();
    if (seen.add(MOMENT.matcher(key).replaceAll("") + since)) open.push(state);
  }

  private List<State> after(State state) {
    List<State> all = new ArrayList<>();
    Progress now = state.progress();
    for (int s = 0; s < index.steps(); s++) {
      if (!now.sight().open(s)) continue;
      StepId id = index.step(s).id();
      if (SeenStrand.of(now.record()).at(s) == LearnerRecord.NEVER)
        act(state, new SeenFact.Saw(id), all);
      int tried = AttemptsStrand.of(now.record()).made(s);
      if (tried < 2 && !now.record().passed(s))
        act(state, new AttemptFact.FinishedAttempt(id, tried + 1, 2, 10), all);
      if (tried < 3 && (tried < 2 || !now.record().passed(s)))
        act(state, new AttemptFact.FinishedAttempt(id, tried + 1, 10, 10), all);
    }
    if (state.day() < lastDay) {
      Progress later = copy(now);
      later.advance(START.plus(Duration.ofDays(state.day() + 1L)));
      all.add(new State(later, state.day() + 1, state.acts()));
    }
    return all;
  }

  private void act(State state, Fact.What what, List<State> all) {
    Progress next = copy(state.progress());
    Instant at = START.plus(Duration.ofDays(state.day()));
    next.take(fact(state.acts(), at, what));
    all.add(new State(next, state.day(), state.acts() + 1));
  }

  private Progress copy(Progress progress) {
    return Progress.resume(
        course, progress.record().person(), progress.record().sums(), progress.latches());
  }

  private static Fact fact(int n, Instant at, Fact.What what) {
    return new Fact(new FactId(n + 1L), at, Optional.empty(), what, Optional.empty());
  }

  private void note(Progress progress) {
    for (int s = 0; s < index.steps(); s++) {
      if (progress.openedAt(s).isPresent()) reached.set(places.opens(s));
      if (progress.doneAt(s).isPresent() || progress.sight().doneByWaiver(s))
        reached.set(places.done(s));
    }
    for (int m = 0; m < index.modules(); m++) {
      if (progress.moduleOpen(m)) reached.set(places.door(m));
      if (progress.sight().moduleDoneAt(m) != LearnerRecord.NEVER
          || progress.sight().nothingToDo(m)) reached.set(places.module(m));
    }
    for (int b = 0; b < index.badges(); b++)
      if (progress.sight().holds(b)) reached.set(places.badge(b));
    if (progress.completedAt().isPresent()) reached.set(places.course());
  }
}
