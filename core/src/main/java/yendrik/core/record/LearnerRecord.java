package yendrik.core.record;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Composed;
import yendrik.core.outcome.Evidence;
import yendrik.core.outcome.Levels;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.quiz.Quiz;

/**
 * What the facts about one learner add up to, in flat arrays by the numbers of a {@link
 * CourseIndex}. Not safe for use by several threads.
 *
 * <p>Moments are epoch milliseconds; {@link #NEVER} stands for something that did not happen.
 */
public final class LearnerRecord {
  public static final long NEVER = Long.MIN_VALUE;
  private static final double UNSCORED = -1;

  /** How the facts say that a badge is held. */
  enum Held {
    NOT,
    BY_RULE,
    /** Given or kept by a person, who stands for it whatever the rule comes to. */
    BY_HAND,
    REVOKED
  }

  private final CourseIndex index;
  private final long[] seenAt;
  private final long[] touchedAt;
  private final long[] lastSawAt;
  private final long[] spentAt;
  private final long[] watchedAt;
  private final int[] seconds;
  private final Map<Integer, BitSet> watched = new LinkedHashMap<>(2);
  private final int[] filmSeconds;
  private final int[] version;
  private final long[] handedInAt;
  private final int[] attempts;
  private final double[] best;
  private final long[] bestAt;
  private final Fact.Judgement[] judgement;
  private final int[] judgedVersion;
  private final double[] markScore;
  private final long[] markedAt;
  private final PersonId[] markedBy;
  private final long[] confirmedAt;
  private final long[] signedOffAt;
  private final PersonId[] signedOffBy;
  private final boolean[] excused;
  private final boolean[] opened;
  private final int[] extraAttempts;
  private final long[] movedDue;
  private final List<List<Evidence>> evidence;
  private final int[] level;
  private final Set<GroupId> groups = new HashSet<>();
  private final Map<SessionId, Fact.Presence> sessions = new LinkedHashMap<>(2);
  private final Set<CourseId> completed = new HashSet<>();
  private final Held[] held;
  private long enrolledAt = NEVER;
  private long leftAt = NEVER;
  private long lastHere = NEVER;
  private boolean sawSomething;
  private final PersonId person;

  public LearnerRecord(CourseIndex index, PersonId person) {
    this.index = index;
    this.person = person;
    int n = index.steps();
    seenAt = never(n);
    touchedAt = never(n);
    lastSawAt = never(n);
    spentAt = never(n);
    watchedAt = never(n);
    seconds = new int[n];
    filmSeconds = new int[n];
    version = new int[n];
    handedInAt = never(n);
    attempts = new int[n];
    best = new double[n];
    Arrays.fill(best, UNSCORED);
    bestAt = never(n);
    judgement = new Fact.Judgement[n];
    judgedVersion = new int[n];
    markScore = new double[n];
    Arrays.fill(markScore, UNSCORED);
    markedAt = never(n);
    markedBy = new PersonId[n];
    confirmedAt = never(n);
    signedOffAt = never(n);
    signedOffBy = new PersonId[n];
    excused = new boolean[n];
    opened = new boolean[n];
    extraAttempts = new int[n];
    movedDue = never(n);
    evidence = new ArrayList<>();
    for (int o = 0; o < index.outcomes(); o++) evidence.add(new ArrayList<>());
    level = new int[index.outcomes()];
    Arrays.fill(level, -1);
    held = new Held[index.badges()];
    Arrays.fill(held, Held.NOT);
  }

  /** Takes up what {@link #sums} gave for a record under the same design. */
  public static LearnerRecord of(CourseIndex index, PersonId person, Sums sums) {
    var record = new LearnerRecord(index, person);
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
    sums.held()
        .forEach((id, how) -> {
          if (index.number(id) != CourseIndex.UNKNOWN) held[index.number(id)] = how;
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
    seenAt[s] = moment(of.seenAt());
    touchedAt[s] = moment(of.touchedAt());
    lastSawAt[s] = moment(of.lastSawAt());
    spentAt[s] = moment(of.spentAt());
    watchedAt[s] = moment(of.watchedAt());
    seconds[s] = of.seconds();
    filmSeconds[s] = of.filmSeconds();
    if (!of.watched().isEmpty()) {
      BitSet seen = new BitSet();
      for (int i = 0; i + 1 < of.watched().size(); i += 2)
        seen.set(of.watched().get(i), of.watched().get(i + 1));
      watched.put(s, seen);
    }
    version[s] = of.version();
    handedInAt[s] = moment(of.handedInAt());
    attempts[s] = of.attempts();
    best[s] = of.best().orElse(UNSCORED);
    bestAt[s] = moment(of.bestAt());
    judgement[s] = of.judgement().orElse(null);
    judgedVersion[s] = of.judgedVersion();
    markScore[s] = of.mark().orElse(UNSCORED);
    markedAt[s] = moment(of.markedAt());
    markedBy[s] = of.markedBy().orElse(null);
    confirmedAt[s] = moment(of.confirmedAt());
    signedOffAt[s] = moment(of.signedOffAt());
    signedOffBy[s] = of.signedOffBy().orElse(null);
    excused[s] = of.excused();
    opened[s] = of.opened();
    extraAttempts[s] = of.extraAttempts();
    movedDue[s] = moment(of.movedDue());
  }

  private static long moment(long stored) {
    return stored == 0 ? NEVER : stored;
  }

  private static Optional<Double> share(double score) {
    return score < 0 ? Optional.empty() : Optional.of(score);
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
        badges);
  }

  private Sums.OfStep ofStep(int s) {
    return new Sums.OfStep(
        stored(seenAt[s]),
        stored(touchedAt[s]),
        stored(lastSawAt[s]),
        stored(spentAt[s]),
        stored(watchedAt[s]),
        seconds[s],
        watchedParts(s),
        filmSeconds[s],
        version[s],
        stored(handedInAt[s]),
        attempts[s],
        share(best[s]),
        stored(bestAt[s]),
        Optional.ofNullable(judgement[s]),
        judgedVersion[s],
        share(markScore[s]),
        stored(markedAt[s]),
        Optional.ofNullable(markedBy[s]),
        stored(confirmedAt[s]),
        stored(signedOffAt[s]),
        Optional.ofNullable(signedOffBy[s]),
        excused[s],
        opened[s],
        extraAttempts[s],
        stored(movedDue[s]));
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
      case Fact.WasHere _ -> lastHere = at;
      case Fact.JoinedGroup joined -> groups.add(joined.group());
      case Fact.Attendance mark -> sessions.put(mark.session(), mark.presence());
      case Fact.LeftGroup left -> groups.remove(left.group());
      case Fact.CompletedCourse done -> completed.add(done.course());
      case Fact.BadgeIssued issued ->
          setBadge(index.number(issued.badge()), fact.by().isEmpty() ? Held.BY_RULE : Held.BY_HAND);
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
      case Fact.Saw _ -> {
        if (seenAt[s] == NEVER) seenAt[s] = at;
        lastSawAt[s] = at;
        here(s, at);
      }
      case Fact.SpentTime spent -> {
        spentAt[s] = at;
        seconds[s] = (int) Math.min(Integer.MAX_VALUE, (long) seconds[s] + spent.seconds());
        here(s, at);
      }
      case Fact.Watched part -> watch(s, at, part);
      case Fact.HandedIn in -> {
        version[s] = in.version();
        handedInAt[s] = at;
        here(s, at);
      }
      case Fact.StartedAttempt _ -> here(s, at);
      case Fact.FinishedAttempt done -> finish(s, at, done);
      case Fact.Marked marked -> mark(s, at, marked, by);
      case Fact.Assessed _ -> {}
      case Fact.Confirmed _ -> {
        confirmedAt[s] = at;
        here(s, at);
      }
      case Fact.SignedOff _ -> {
        signedOffAt[s] = at;
        signedOffBy[s] = by.orElse(null);
      }
      case Fact.Opened _ -> opened[s] = true;
      case Fact.Excused _ -> excused[s] = true;
      case Fact.DueMoved moved -> movedDue[s] = moved.due().toEpochMilli();
      case Fact.AttemptsAdded added -> extraAttempts[s] += added.attempts();
      case Fact.ExceptionEnded ended -> end(s, ended.grant());
    }
  }

  private void end(int s, Fact.Grant grant) {
    switch (grant) {
      case OPENED -> opened[s] = false;
      case EXCUSED -> excused[s] = false;
      case DUE_MOVED -> movedDue[s] = NEVER;
      case ATTEMPTS -> extraAttempts[s] = 0;
    }
  }

  /** Seconds of a film of another length are seconds of another film. */
  private void watch(int s, long at, Fact.Watched part) {
    BitSet seen = watched.computeIfAbsent(s, _ -> new BitSet());
    if (filmSeconds[s] != part.of()) seen.clear();
    filmSeconds[s] = part.of();
    seen.set(part.from(), part.to());
    watchedAt[s] = at;
    here(s, at);
  }

  private void here(int s, long at) {
    lastHere = at;
    sawSomething = true;
    if (touchedAt[s] == NEVER) touchedAt[s] = at;
  }

  private void finish(int s, long at, Fact.FinishedAttempt done) {
    here(s, at);
    attempts[s]++;
    double score = done.points() / done.of();
    if (score > best[s]) {
      best[s] = score;
      bestAt[s] = at;
      for (Step.Tie tie : index.step(s).evidenceFor()) {
        Outcome outcome = index.outcome(index.number(tie.outcome()));
        if (outcome.madeOf().isPresent()) continue;
        int reached = reached(s, tie, outcome, done);
        add(
            index.number(tie.outcome()),
            at,
            reached,
            tie.weight(),
            s,
            0,
            Optional.empty(),
            Optional.empty(),
            Optional.empty());
      }
    }
  }

  /** By the questions that carry the outcome, where there are any, and by the step's cut points. */
  private int reached(int s, Step.Tie tie, Outcome outcome, Fact.FinishedAttempt done) {
    double share =
        done.parts().stream()
            .filter(p -> p.outcome().equals(tie.outcome()))
            .map(Quiz.Part::share)
            .findFirst()
            .orElse(done.points() / done.of());
    return tie.cuts()
        .filter(cuts -> cuts.size() <= outcome.scale().top())
        .map(cuts -> Levels.ofScore(share, cuts))
        .orElseGet(() -> Levels.ofScore(outcome.scale(), share, passMark(s)));
  }

  private void mark(int s, long at, Fact.Marked marked, Optional<PersonId> by) {
    judgement[s] = marked.judgement();
    judgedVersion[s] = marked.version();
    markScore[s] = marked.of() > 0 ? marked.points() / marked.of() : UNSCORED;
    markedAt[s] = at;
    markedBy[s] = by.orElse(null);
  }

  private void rate(long at, Fact.Rated rated, Optional<PersonId> by) {
    int o = index.number(rated.outcome());
    if (o == CourseIndex.UNKNOWN || index.outcome(o).madeOf().isPresent()) return;
    int reached = index.outcome(o).scale().at(rated.level());
    if (reached < 0) return;
    int s = rated.step().map(index::number).orElse(CourseIndex.UNKNOWN);
    double weight =
        s == CourseIndex.UNKNOWN
            ? 1
            : index.step(s).evidenceFor().stream()
                .filter(t -> t.outcome().equals(rated.outcome()))
                .mapToDouble(Step.Tie::weight)
                .findFirst()
                .orElse(1);
    add(o, at, reached, weight, s, rated.version(), by, rated.note(), rated.criterion());
  }

  private void add(
      int o,
      long at,
      int reached,
      double weight,
      int s,
      int ofVersion,
      Optional<PersonId> by,
      Optional<String> note,
      Optional<Integer> criterion) {
    var step = s == CourseIndex.UNKNOWN ? Optional.<StepId>empty() : id(s);
    var piece = new Evidence(at, reached, weight, step, ofVersion, by, note, criterion);
    List<Evidence> pieces = evidence.get(o);
    pieces.removeIf(piece::sameThingAs);
    pieces.add(piece);
    level[o] = Levels.of(index.outcome(o).levelRule(), pieces).orElse(-1);
    for (int made : index.madeFrom(o)) level[made] = composed(made);
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

  private Optional<StepId> id(int s) {
    return Optional.of(index.step(s).id());
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
  public Map<SessionId, Fact.Presence> sessions() {
    return Map.copyOf(sessions);
  }

  /** At how many sessions the learner was. */
  public int sessionsAttended() {
    return (int) sessions.values().stream().filter(Fact.Presence::there).count();
  }

  /** How many sessions count: those with a mark that the learner was not excused from. */
  public int sessionsCounted() {
    return (int) sessions.values().stream().filter(p -> p != Fact.Presence.EXCUSED).count();
  }

  public boolean completed(CourseId course) {
    return completed.contains(course);
  }

  /** Whether the badge was issued, by hand or by rule, and not revoked since. */
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

  public boolean revoked(int badge) {
    return held[badge] == Held.REVOKED;
  }

  public long seenAt(int s) {
    return seenAt[s];
  }

  /** The first moment at which the learner did anything at the step. */
  public long touchedAt(int s) {
    return touchedAt[s];
  }

  public int seconds(int s) {
    return seconds[s];
  }

  /**
   * Since when time on the step has not been reported: the last visit or the last report, {@link
   * #NEVER} before any visit. More than has gone since then cannot have been spent.
   */
  public long timedFrom(int s) {
    return Math.max(lastSawAt[s], spentAt[s]);
  }

  /** The same of seconds of a film that were played. */
  public long playedFrom(int s) {
    return Math.max(lastSawAt[s], watchedAt[s]);
  }

  /** The share of the film's seconds that were played, 0 to 1. */
  public double watched(int s) {
    return filmSeconds[s] == 0 ? 0 : (double) watched.get(s).cardinality() / filmSeconds[s];
  }

  /**
   * The parts of the film that were played, as a list of seconds: from (included), to (excluded),
   * and so on, in ascending order.
   */
  public List<Integer> watchedParts(int s) {
    List<Integer> parts = new ArrayList<>();
    BitSet seen = watched.getOrDefault(s, new BitSet());
    for (int from = seen.nextSetBit(0); from >= 0; ) {
      int to = seen.nextClearBit(from);
      parts.add(from);
      parts.add(to);
      from = seen.nextSetBit(to);
    }
    return parts;
  }

  /** The newest version handed in, 0 when nothing was. */
  public int version(int s) {
    return version[s];
  }

  public long handedInAt(int s) {
    return handedInAt[s];
  }

  /** Attempts finished. */
  public int attempts(int s) {
    return attempts[s];
  }

  /** Attempts still allowed; {@link Integer#MAX_VALUE} where the step sets no limit. */
  public int attemptsLeft(int s) {
    int allowed = index.step(s).scoring().attempts();
    return allowed == 0 ? Integer.MAX_VALUE : Math.max(0, allowed + extraAttempts[s] - attempts[s]);
  }

  /** Attempts allowed in all, extra ones included; 0 for no limit. */
  public int attemptsAllowed(int s) {
    int allowed = index.step(s).scoring().attempts();
    return allowed == 0 ? 0 : allowed + extraAttempts[s];
  }

  /** Whether there is a score to ask about. */
  public boolean scored(int s) {
    return best[s] >= 0 || markScore[s] >= 0;
  }

  /** The score that counts, 0 to 1: the best attempt, or staff's points where there are any. */
  public double score(int s) {
    return markScore[s] >= 0 ? markScore[s] : Math.max(0, best[s]);
  }

  public long scoredAt(int s) {
    return markScore[s] >= 0 ? markedAt[s] : bestAt[s];
  }

  private double passMark(int s) {
    return index.step(s).scoring().passMark();
  }

  /** Whether a machine or a person has judged the work, and no newer version waits. */
  public boolean marked(int s) {
    return attempts[s] > 0 || (judgement[s] != null && judgedVersion[s] >= version[s]);
  }

  /** When the work was last judged, {@link #NEVER} if it was not. */
  public long markedAt(int s) {
    return Math.max(markedAt[s], bestAt[s]);
  }

  public Optional<PersonId> markedBy(int s) {
    return Optional.ofNullable(markedBy[s]);
  }

  public boolean passed(int s) {
    return judgement[s] == Fact.Judgement.PASSED
        || (attempts[s] > 0 && best[s] >= passMark(s) - 1e-9);
  }

  /** Judged as not passed, without another go. */
  public boolean failed(int s) {
    return judgement[s] == Fact.Judgement.FAILED;
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
    return version[s] > 0 && (judgement[s] == null || judgedVersion[s] < version[s]);
  }

  public long confirmedAt(int s) {
    return confirmedAt[s];
  }

  public long signedOffAt(int s) {
    return signedOffAt[s];
  }

  public Optional<PersonId> signedOffBy(int s) {
    return Optional.ofNullable(signedOffBy[s]);
  }

  public boolean excused(int s) {
    return excused[s];
  }

  /** Whether an exception opens the step. */
  public boolean openedByException(int s) {
    return opened[s];
  }

  /** When the step is due for this learner, {@link #NEVER} without a due date. */
  public long due(int s) {
    if (movedDue[s] != NEVER) return movedDue[s];
    return index.dueAt(s);
  }

  /** Whether an exception has moved the due date. */
  public boolean dueMoved(int s) {
    return movedDue[s] != NEVER;
  }

  /** Attempts given beyond those that the step allows. */
  public int extraAttempts(int s) {
    return extraAttempts[s];
  }

  /**
   * When the step's window ends for this learner, {@link CourseIndex#NEVER} without an end: never
   * before a due date that was moved for them.
   */
  public long closesAt(int s) {
    long closes = index.closesAt(s);
    return movedDue[s] == NEVER ? closes : Math.max(closes, movedDue[s]);
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
