package yendrik.core.record;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import yendrik.core.Refusal;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Composed;
import yendrik.core.outcome.Evidence;
import yendrik.core.outcome.Levels;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.people.StaffKind;
import yendrik.core.rule.Rhythm;
import yendrik.core.words.Ground;

/**
 * What the facts about one learner add up to, in flat arrays by the numbers of a {@link
 * CourseIndex}. Not safe for use by several threads.
 *
 * <p>Moments are epoch milliseconds; {@link #NEVER} stands for something that did not happen.
 */
public final class LearnerRecord {
  public static final long NEVER = Long.MIN_VALUE;

  /** How the facts say that a badge is held. */
  enum Held {
    NOT,
    BY_RULE,
    /** Given or kept by a person, who stands for it whatever the rule comes to. */
    BY_HAND,
    REVOKED
  }

  private final CourseIndex index;
  private final Strand.Door<?>[] doors;
  private final Strand<?, ?>[] strands;
  private final Strand<?, ?>[] marking;
  private final Judged judged;
  private final long[] touchedAt;
  private final boolean[] excused;
  private final long[] openedUntil;
  private final int[] extraAttempts;
  private final int[] extraMinutes;
  private final long[] movedDue;
  private final List<List<Evidence>> evidence;
  private final int[] level;
  private final Set<GroupId> groups = new HashSet<>();
  private final Map<SessionId, StatusId> sessions = new LinkedHashMap<>(2);
  private final Set<CourseId> completed = new HashSet<>();
  private final Map<StaffKind, Sums.Approval> approvals = new EnumMap<>(StaffKind.class);
  private final Held[] held;
  private final long[] endsAt;
  private long enrolledAt = NEVER;
  private long leftAt = NEVER;
  private long lastHere = NEVER;
  private final Rows rows;
  private long ownWordAt = NEVER;
  private boolean sawSomething;
  private final PersonId person;

  /**
   * @param doors the strands that the record has; where several mark the same work, what a later
   *     one says counts
   */
  public LearnerRecord(CourseIndex index, PersonId person, List<Strand.Door<?>> doors) {
    this.index = index;
    this.person = person;
    this.doors = doors.toArray(Strand.Door<?>[]::new);
    int n = index.steps();
    touchedAt = never(n);
    excused = new boolean[n];
    openedUntil = never(n);
    extraAttempts = new int[n];
    extraMinutes = new int[n];
    movedDue = never(n);
    evidence = new ArrayList<>();
    for (int o = 0; o < index.outcomes(); o++) evidence.add(new ArrayList<>());
    level = new int[index.outcomes()];
    Arrays.fill(level, -1);
    rows = new Rows(index.design().zone());
    held = new Held[index.badges()];
    Arrays.fill(held, Held.NOT);
    endsAt = never(index.badges());
    strands = new Strand<?, ?>[doors.size()];
    for (int i = 0; i < strands.length; i++) strands[i] = doors.get(i).begin().apply(this);
    marking = Arrays.stream(strands).filter(Strand::marks).toArray(Strand<?, ?>[]::new);
    judged = new Judged(n, marking);
  }

  /** Takes up what {@link #sums} gave for a record under the same design. */
  public static LearnerRecord of(
      CourseIndex index, PersonId person, List<Strand.Door<?>> doors, Sums sums) {
    var record = new LearnerRecord(index, person, doors);
    record.restore(sums);
    return record;
  }

  private void restore(Sums sums) {
    enrolledAt = moment(sums.enrolledAt());
    leftAt = moment(sums.leftAt());
    lastHere = moment(sums.lastHere());
    sawSomething = sums.sawSomething();
    groups.addAll(sums.groups());
    sessions.putAll(sums.sessions());
    completed.addAll(sums.completed());
    approvals.putAll(sums.approvals());
    ownWordAt = moment(sums.ownWordAt());
    rows.restore(sums.days(), sums.weeks());
    sums.held()
        .forEach((id, how) -> {
          if (index.number(id) != CourseIndex.UNKNOWN) held[index.number(id)] = how;
        });
    sums.ends()
        .forEach((id, at) -> {
          if (index.number(id) != CourseIndex.UNKNOWN) endsAt[index.number(id)] = at;
        });
    sums.steps()
        .forEach((id, of) -> {
          if (index.number(id) != CourseIndex.UNKNOWN) restore(index.number(id), of);
        });
    sums.evidence()
        .forEach((id, pieces) -> {
          int o = index.number(id);
          if (o == CourseIndex.UNKNOWN) return;
          evidence.get(o).addAll(pieces);
          level[o] = Levels.of(index.outcome(o).levelRule(), pieces).orElse(-1);
        });
    for (int o = 0; o < index.outcomes(); o++)
      if (!evidence.get(o).isEmpty())
        for (int made : index.madeFrom(o)) level[made] = composed(made);
  }

  private void restore(int s, Sums.OfStep of) {
    touchedAt[s] = moment(of.touchedAt());
    for (Strand<?, ?> strand : strands) strand.restoreIfOwn(s, of.kept());
    judged.sum(s);
    excused[s] = of.excused();
    openedUntil[s] = of.opened() ? end(of.openedUntil()) : NEVER;
    extraAttempts[s] = of.extraAttempts();
    extraMinutes[s] = of.extraMinutes();
    movedDue[s] = moment(of.movedDue());
  }

  /** Of an exception that stands until somebody ends it. */
  private static final long NO_END = Long.MAX_VALUE;

  private static long end(long stored) {
    return stored == 0 ? NO_END : stored;
  }

  private static long moment(long stored) {
    return stored == 0 ? NEVER : stored;
  }

  private static long stored(long moment) {
    return moment == NEVER ? 0 : moment;
  }

  /** All that has been taken so far, by name, for going on without the facts. */
  public Sums sums() {
    Map<StepId, Sums.OfStep> steps = new HashMap<>();
    for (int s = 0; s < index.steps(); s++) {
      Sums.OfStep of = ofStep(s);
      if (!of.equals(Sums.OfStep.NOTHING)) steps.put(index.step(s).id(), of);
    }
    Map<OutcomeId, List<Evidence>> pieces = new HashMap<>();
    for (int o = 0; o < index.outcomes(); o++)
      if (!evidence.get(o).isEmpty()) pieces.put(index.outcome(o).id(), evidence(o));
    Map<BadgeId, Held> badges = new HashMap<>();
    for (int b = 0; b < index.badges(); b++)
      if (held[b] != Held.NOT) badges.put(index.badge(b).id(), held[b]);
    Map<BadgeId, Long> ends = new HashMap<>();
    for (int b = 0; b < index.badges(); b++)
      if (endsAt[b] != NEVER) ends.put(index.badge(b).id(), endsAt[b]);
    return new Sums(
        stored(enrolledAt),
        stored(leftAt),
        stored(lastHere),
        sawSomething,
        steps,
        pieces,
        groups,
        sessions,
        completed,
        approvals,
        stored(ownWordAt),
        badges,
        ends,
        rows.days(),
        rows.weeks());
  }

  private Sums.OfStep ofStep(int s) {
    List<Strand.Kept> kept = new ArrayList<>();
    for (Strand<?, ?> strand : strands) strand.keep(s).ifPresent(kept::add);
    return new Sums.OfStep(
        stored(touchedAt[s]),
        excused[s],
        openedUntil[s] != NEVER,
        openedUntil[s] == NEVER || openedUntil[s] == NO_END ? 0 : openedUntil[s],
        extraAttempts[s],
        extraMinutes[s],
        stored(movedDue[s]),
        kept);
  }

  private static long[] never(int n) {
    long[] all = new long[n];
    Arrays.fill(all, NEVER);
    return all;
  }

  /**
   * Adds a fact. Facts come in the order in which they happened; one about something that the
   * design no longer has is passed over, since nothing in this version can ask about it.
   */
  public void take(Fact fact) {
    long at = fact.at().toEpochMilli();
    switch (fact.what()) {
      case Fact.Enrolled _ -> {
        enrolledAt = at;
        leftAt = NEVER;
      }
      case Fact.LeftCourse _ -> leftAt = at;
      case Fact.WasHere _ -> wasHere(at);
      case Fact.JoinedGroup joined -> groups.add(joined.group());
      case Fact.Attendance mark -> sessions.put(mark.session(), mark.status());
      case Fact.LeftGroup left -> groups.remove(left.group());
      case Fact.Approved approved ->
          approvals.put(approved.kind(), new Sums.Approval(at, fact.by()));
      case Fact.OwnWord _ -> {
        ownWordAt = at;
        wasHere(at);
      }
      case Fact.CompletedCourse done -> completed.add(done.course());
      case Fact.BadgeIssued issued -> {
        int b = index.number(issued.badge());
        setBadge(b, fact.by().isEmpty() ? Held.BY_RULE : Held.BY_HAND);
        if (b != CourseIndex.UNKNOWN)
          endsAt[b] = issued.until().map(Instant::toEpochMilli).orElse(NEVER);
      }
      case Fact.BadgeKept kept -> setBadge(index.number(kept.badge()), Held.BY_HAND);
      case Fact.BadgeRevoked gone -> setBadge(index.number(gone.badge()), Held.REVOKED);
      case Fact.Rated rated -> rate(at, rated, fact.by());
      case Fact.CameUnder _, Fact.TakenBack _ -> {}
      case Fact.AtStep atStep -> {
        int s = index.number(atStep.step());
        if (s != CourseIndex.UNKNOWN) takeAt(s, at, atStep, fact.by());
      }
    }
  }

  /** What a person stands for is not weakened by a rule that comes to the same. */
  private void setBadge(int b, Held how) {
    if (b == CourseIndex.UNKNOWN || (how == Held.BY_RULE && held[b] == Held.BY_HAND)) return;
    held[b] = how;
  }

  private void takeAt(int s, long at, Fact.AtStep what, Optional<PersonId> by) {
    switch (what) {
      case Fact.OfStrand of -> {
        strand(of.strand()).takeAny(s, at, of, by);
        judged.sum(s);
        if (of.here()) here(s, at);
      }
      case Fact.Opened o -> openedUntil[s] = o.until().map(Instant::toEpochMilli).orElse(NO_END);
      case Fact.Excused _ -> excused[s] = true;
      case Fact.DueMoved moved -> movedDue[s] = moved.due().toEpochMilli();
      case Fact.AttemptsAdded added -> extraAttempts[s] += added.attempts();
      case Fact.TimeAdded added -> extraMinutes[s] += added.minutes();
      case Fact.StartedAnew _ -> forget(s);
      case Fact.ExceptionEnded ended -> end(s, ended.grant());
    }
  }

  private void forget(int s) {
    for (Strand<?, ?> strand : strands) strand.forget(s);
    judged.sum(s);
    touchedAt[s] = NEVER;
    Optional<StepId> step = Optional.of(index.step(s).id());
    for (int o = 0; o < evidence.size(); o++)
      if (evidence.get(o).removeIf(piece -> piece.step().equals(step))) level(o, evidence.get(o));
  }

  private void level(int outcome, List<Evidence> pieces) {
    level[outcome] = Levels.of(index.outcome(outcome).levelRule(), pieces).orElse(-1);
    for (int made : index.madeFrom(outcome)) level[made] = composed(made);
  }

  private void end(int s, Fact.Grant grant) {
    switch (grant) {
      case OPENED -> openedUntil[s] = NEVER;
      case EXCUSED -> excused[s] = false;
      case DUE_MOVED -> movedDue[s] = NEVER;
      case ATTEMPTS -> extraAttempts[s] = 0;
      case TIME -> extraMinutes[s] = 0;
      case ANEW -> {}
    }
  }

  private void wasHere(long at) {
    lastHere = at;
    rows.here(at);
  }

  private void here(int s, long at) {
    wasHere(at);
    sawSomething = true;
    if (touchedAt[s] == NEVER) touchedAt[s] = at;
  }

  private void rate(long at, Fact.Rated rated, Optional<PersonId> by) {
    int o = index.number(rated.outcome());
    if (o == CourseIndex.UNKNOWN || index.outcome(o).madeOf().isPresent()) return;
    int reached = index.outcome(o).scale().at(rated.level());
    if (reached < 0) return;
    int s = rated.step().map(index::number).orElse(CourseIndex.UNKNOWN);
    var step = s == CourseIndex.UNKNOWN ? Optional.<StepId>empty() : rated.step();
    double weight =
        s == CourseIndex.UNKNOWN
            ? 1
            : index.step(s).evidenceFor().stream()
                .filter(t -> t.outcome().equals(rated.outcome()))
                .mapToDouble(Step.Tie::weight)
                .findFirst()
                .orElse(1);
    show(
        o,
        new Evidence(
            at, reached, weight, step, rated.version(), by, rated.note(), rated.criterion()));
  }

  /**
   * Takes up a piece of evidence that a strand makes of a fact which it is taking. It stands in the
   * place of an earlier one of the same thing.
   */
  public void show(int outcome, Evidence piece) {
    List<Evidence> pieces = evidence.get(outcome);
    pieces.removeIf(piece::sameThingAs);
    pieces.add(piece);
    level(outcome, pieces);
  }

  /**
   * What a strand holds.
   *
   * @throws Refusal if the record has no such strand
   */
  @SuppressWarnings("ReferenceEquality") // each strand has one door, and this is asked very often
  public <S extends Strand<?, ?>> S strand(Strand.Door<S> door) {
    for (int i = 0; i < strands.length; i++)
      if (doors[i] == door) return door.strand().cast(strands[i]);
    throw new Refusal("no-strand", "name", door.name());
  }

  private int composed(int o) {
    Outcome outcome = index.outcome(o);
    return Composed.of(outcome.madeOf().orElseThrow().how(), parts(o), outcome.scale()).orElse(-1);
  }

  /** The parts of an outcome that is made of others, with the levels they have. */
  public List<Composed.Part> parts(int outcome) {
    List<Composed.Part> parts = new ArrayList<>();
    for (int part : index.parts(outcome))
      parts.add(new Composed.Part(index.outcome(part).scale(), level(part)));
    return parts;
  }

  public CourseIndex index() {
    return index;
  }

  public PersonId person() {
    return person;
  }

  public long enrolledAt() {
    return enrolledAt;
  }

  public boolean left() {
    return leftAt != NEVER;
  }

  /** The last moment in the course, {@link #NEVER} if there was none. */
  public long lastHere() {
    return lastHere;
  }

  /** Whether the learner did anything at any step. */
  public boolean sawSomething() {
    return sawSomething;
  }

  public boolean in(GroupId group) {
    return groups.contains(group);
  }

  public Set<GroupId> groups() {
    return Set.copyOf(groups);
  }

  /** What the registers say, by session. */
  public Map<SessionId, StatusId> sessions() {
    return Map.copyOf(sessions);
  }

  /** On how many days, or in how many weeks, in a row the learner ever was in the course. */
  public int mostInARow(Rhythm rhythm) {
    return rows.most(rhythm);
  }

  /** How often the days and weeks in a row have moved on here; for telling whether they did. */
  public int rowsMoved() {
    return rows.moved();
  }

  /** The same up to the last time there. */
  public int lastInARow(Rhythm rhythm) {
    return rows.now(rhythm);
  }

  /** Whether the learner was at a session. */
  public boolean attended(SessionId session) {
    return Optional.ofNullable(sessions.get(session))
        .flatMap(index.design()::status)
        .filter(AttendanceStatus::there)
        .isPresent();
  }

  /** At how many sessions the learner was. */
  public int sessionsAttended() {
    return sessionsWhere(AttendanceStatus::there);
  }

  /** How many sessions count: those with a mark whose status does. */
  public int sessionsCounted() {
    return sessionsWhere(AttendanceStatus::counts);
  }

  private int sessionsWhere(Predicate<AttendanceStatus> which) {
    int n = 0;
    for (StatusId status : sessions.values())
      if (index.design().status(status).filter(which).isPresent()) n++;
    return n;
  }

  /** When staff of a kind approved last, {@link #NEVER} if they did not. */
  public long approvedAt(StaffKind kind) {
    Sums.Approval approval = approvals.get(kind);
    return approval == null ? NEVER : approval.at();
  }

  /** Who of a kind of staff approved last. */
  public Optional<PersonId> approvedBy(StaffKind kind) {
    return Optional.ofNullable(approvals.get(kind)).flatMap(Sums.Approval::by);
  }

  /** When the learner said that they have completed the course, {@link #NEVER} if they did not. */
  public long ownWordAt() {
    return ownWordAt;
  }

  public boolean completed(CourseId course) {
    return completed.contains(course);
  }

  /** When the award of the badge that stands is not valid any more; {@link #NEVER} without end. */
  public long endsAt(int badge) {
    return endsAt[badge];
  }

  /** Whether the badge was issued, by hand or by rule, and not revoked since, ended or not. */
  public boolean holds(int badge) {
    return held[badge] == Held.BY_RULE || held[badge] == Held.BY_HAND;
  }

  /** Whether a person gave the badge, or kept it when its ground fell away. */
  public boolean heldByHand(int badge) {
    return held[badge] == Held.BY_HAND;
  }

  /** Whether the badge was issued because its rule was met, and nobody has decided on it since. */
  public boolean heldByRule(int badge) {
    return held[badge] == Held.BY_RULE;
  }

  /** Whether there was an award of the badge, whatever became of it. */
  public boolean had(int badge) {
    return held[badge] != Held.NOT;
  }

  public boolean revoked(int badge) {
    return held[badge] == Held.REVOKED;
  }

  /** The first moment at which the learner did anything at the step. */
  public long touchedAt(int s) {
    return touchedAt[s];
  }

  /** Whether there is a score to ask about. */
  public boolean scored(int s) {
    return judged.score(s) >= 0;
  }

  /** The score that counts, 0 to 1; 0 without one. */
  public double score(int s) {
    return Math.max(0, judged.score(s));
  }

  /** When the score that counts came about, {@link #NEVER} without one. */
  public long scoredAt(int s) {
    long at = NEVER;
    for (Strand<?, ?> strand : marking) if (strand.score(s) >= 0) at = strand.markedAt(s);
    return at;
  }

  /** Whether a machine or a person has judged the work, and no newer version waits. */
  public boolean marked(int s) {
    return judged.marked(s);
  }

  /** When the work was last judged, {@link #NEVER} if it was not. */
  public long markedAt(int s) {
    long at = NEVER;
    for (Strand<?, ?> strand : marking) at = Math.max(at, strand.markedAt(s));
    return at;
  }

  public boolean passed(int s) {
    return judged.passed(s);
  }

  /** Marked, and not passed. */
  public boolean notPassed(int s) {
    return marked(s) && !passed(s);
  }

  /** Staff said <em>needs another go</em>, or an attempt fell short, and nothing newer waits. */
  public boolean needsAnotherGo(int s) {
    return notPassed(s);
  }

  /** Handed in and not judged yet. */
  public boolean waiting(int s) {
    return waitingSince(s) != NEVER;
  }

  /** Since when something that was handed in waits for staff; {@link #NEVER} where nothing does. */
  public long waitingSince(int s) {
    return judged.waitingSince(s);
  }

  /** Whether something was tried and no further try is left. */
  public boolean spent(int s) {
    for (Strand<?, ?> strand : marking) if (strand.spent(s)) return true;
    return false;
  }

  /** Where the work stands, in words, empty when there is nothing to tell. */
  public Optional<Ground> standing(int s) {
    for (Strand<?, ?> strand : marking) {
      Optional<Ground> standing = strand.standing(s);
      if (standing.isPresent()) return standing;
    }
    return Optional.empty();
  }

  public boolean excused(int s) {
    return excused[s];
  }

  /** Whether an exception opens the step at a moment. */
  public boolean openedByException(int s, long now) {
    return now < openedUntil[s];
  }

  /** When the exception that opens the step ends by itself, {@link Long#MAX_VALUE} for never. */
  public long openedUntil(int s) {
    return openedUntil[s] == NEVER ? NO_END : openedUntil[s];
  }

  /** When the step is due for this learner, {@link #NEVER} without a due date. */
  public long due(int s) {
    long moved = movedDue(s);
    return moved == NEVER ? index.dueAt(s) : moved;
  }

  /** Whether an exception, of theirs or of a group of theirs, has moved the due date. */
  public boolean dueMoved(int s) {
    return movedDue(s) != NEVER;
  }

  /** To when the due date was moved: what is said of one person goes before what a group has. */
  private long movedDue(int s) {
    if (movedDue[s] != NEVER) return movedDue[s];
    if (!index.allows(s)) return NEVER;
    long latest =
        allowed(s)
            .flatMap(a -> a.due().stream())
            .mapToLong(Instant::toEpochMilli)
            .max()
            .orElse(NEVER);
    return latest != NEVER && latest > index.dueAt(s) ? latest : NEVER;
  }

  private Stream<Step.Allowance> allowed(int s) {
    return index.step(s).allowances().stream().filter(a -> groups.contains(a.group()));
  }

  /** Attempts given beyond those that the step allows everybody. */
  public int extraAttempts(int s) {
    if (!index.allows(s)) return extraAttempts[s];
    return extraAttempts[s] + allowed(s).mapToInt(Step.Allowance::attempts).max().orElse(0);
  }

  /** Minutes given for each attempt beyond those that the step gives everybody. */
  public int extraMinutes(int s) {
    if (!index.allows(s)) return extraMinutes[s];
    return extraMinutes[s] + allowed(s).mapToInt(Step.Allowance::minutes).max().orElse(0);
  }

  /**
   * When the step's window ends for this learner, {@link CourseIndex#NEVER} without an end: never
   * before a due date that was moved for them.
   */
  public long closesAt(int s) {
    long closes = index.closesAt(s);
    long moved = movedDue(s);
    return moved == NEVER ? closes : Math.max(closes, moved);
  }

  /**
   * Until when something may be done at the step by this learner, {@link CourseIndex#NEVER} without
   * an end: never before a due date that was moved for them, nor after the window's end.
   */
  public long takesUntil(int s) {
    long takes = index.takesUntil(s);
    long moved = movedDue(s);
    return Math.min(moved == NEVER ? takes : Math.max(takes, moved), closesAt(s));
  }

  /** Whether what happens at this moment comes after the step was due for this learner. */
  public boolean late(int s, long at) {
    return due(s) != NEVER && at >= due(s);
  }

  /** Whether the step exists for this learner. */
  public boolean isFor(int s) {
    if (index.everyones(s)) return true;
    Step.Audience audience = index.step(s).audience();
    if (audience.people().contains(person)) return true;
    for (GroupId group : audience.groups()) if (groups.contains(group)) return true;
    return false;
  }

  public List<Evidence> evidence(int outcome) {
    return List.copyOf(evidence.get(outcome));
  }

  /**
   * How many pieces of evidence stand at a level or above it, in the parts where made of others.
   */
  public int pieces(int outcome, int atLeast) {
    int n = 0;
    Scale scale = index.outcome(outcome).scale();
    for (int source : index.sources(outcome))
      for (Evidence piece : evidence.get(source))
        if (Composed.carry(piece.level(), index.outcome(source).scale(), scale) >= atLeast) n++;
    return n;
  }

  /** When the newest evidence came in, {@link #NEVER} without any. */
  public long evidenceAt(int outcome) {
    long newest = NEVER;
    for (int source : index.sources(outcome)) {
      List<Evidence> pieces = evidence.get(source);
      if (!pieces.isEmpty() && (newest == NEVER || pieces.getLast().at() > newest))
        newest = pieces.getLast().at();
    }
    return newest;
  }

  public OptionalInt level(int outcome) {
    return level[outcome] < 0 ? OptionalInt.empty() : OptionalInt.of(level[outcome]);
  }
}
