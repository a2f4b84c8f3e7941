package yendrik.core.rehearse;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.PostId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kind;
import yendrik.core.kind.Kinds;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.Outcome;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.plan.Explained;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.confirm.ConfirmFact;
import yendrik.core.strand.confirm.ConfirmLeaf;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.film.FilmLeaf;
import yendrik.core.strand.film.FilmStrand;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostFact;
import yendrik.core.strand.posts.PostLeaf;
import yendrik.core.strand.posts.PostsStrand;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.signoff.SignOffLeaf;
import yendrik.core.strand.signoff.SignOffStrand;
import yendrik.core.strand.time.TimeFact;
import yendrik.core.strand.time.TimeLeaf;
import yendrik.core.strand.time.TimeStrand;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.strand.work.WorkLeaf;
import yendrik.core.strand.work.WorkStrand;

/**
 * Brings about that a question is answered with yes, by facts such as learners and staff make: what
 * is read is read, a score is scored, time passes. Nothing happens at a step that is closed.
 */
final class AsIf {
  /** What is rated again and again until a level is there. */
  private static final int MOST_RATINGS = 40;

  private static final int MOST_ROUNDS = 12;

  /** Beyond it nothing is played, so that no line takes for ever. */
  private static final int MOST_TIMES = Line.MOST_DAYS;

  /** Rules that are gone into before giving up. */
  private static final int MOST_RULES = 2_000;

  private static final Optional<Cannot> CAME = Optional.empty();

  private final Stage stage;
  private final Progress progress;
  private final CourseIndex index;
  private final boolean opening;

  /** Rules that are being met and steps that are being opened, so that none waits for itself. */
  private final Set<Object> underWay = new HashSet<>();

  private int begun;

  AsIf(Stage stage) {
    this(stage, /* opening= */ false);
  }

  /**
   * @param opening whether what a closed step waits for comes about first
   */
  AsIf(Stage stage, boolean opening) {
    this.stage = stage;
    this.opening = opening;
    progress = stage.progress();
    index = progress.course().index();
  }

  /** Why it cannot come about; empty where it did or was so already. */
  Optional<Cannot> come(Leaf leaf) {
    if (many(leaf) > MOST_TIMES) return cannot(Cannot.TOO_MUCH);
    return switch (leaf) {
      case Leaf.OfStep of -> ofStep(index.number(of.step()), of);
      case Leaf.OfOutcome of ->
          index.number(of.outcome()) == CourseIndex.UNKNOWN ? cannot(Cannot.GONE) : ofOutcome(of);
      case Leaf.ModuleDone l -> module(index.number(l.module()), OptionalInt.empty());
      case Leaf.ModuleCount l -> module(index.number(l.module()), OptionalInt.of(l.steps()));
      case Leaf.ModuleShare l -> {
        int m = index.number(l.module());
        if (m == CourseIndex.UNKNOWN) yield cannot(Cannot.GONE);
        yield module(m, OptionalInt.of((int) Math.ceil(l.share() * counted(m).size() - 1e-9)));
      }
      case Leaf.QuizzesScored l -> quizzes(l);
      case Leaf.CourseComplete l ->
          l.course().equals(index.design().id())
              ? complete()
              : so(new Fact.CompletedCourse(l.course()));
      case Leaf.AttendanceRate l ->
          attend(() -> {
            int counted = progress.record().sessionsCounted();
            return counted > 0
                && (double) progress.record().sessionsAttended() / counted >= l.share() - 1e-9;
          });
      case Leaf.SessionsAttended l ->
          attend(() -> progress.record().sessionsAttended() >= l.sessions());
      case Leaf.SessionAttended l -> attend(l.session());
      case Leaf.InARow l -> inARow(l);
      case Leaf.GradeAtLeast l -> grade(l);
      case Leaf.Approved l -> so(new Fact.Approved(l.by(), ""));
      case Leaf.OwnWord _ -> so(new Fact.OwnWord());
      case Leaf.HasLeft _ -> so(new Fact.LeftCourse());
      case Leaf.InGroup l ->
          index.design().groups().containsKey(l.group())
              ? so(new Fact.JoinedGroup(l.group()))
              : cannot(Cannot.GONE);
      case Leaf.HoldsBadge l ->
          index.number(l.badge()) == CourseIndex.UNKNOWN
              ? cannot(Cannot.GONE)
              : so(new Fact.BadgeIssued(l.badge(), ""));
      case Leaf.EnrolledFor l ->
          until(
              Instant.ofEpochMilli(progress.record().enrolledAt()).plus(Duration.ofDays(l.days())));
      case Leaf.InTime l -> {
        l.from().ifPresent(stage::until);
        yield l.until().filter(u -> !u.isAfter(progress.asOf())).isPresent()
            ? cannot(Cannot.TOO_LATE)
            : CAME;
      }
      case Leaf.QuietFor l -> until(progress.asOf().plus(Duration.ofDays(l.days())));
      case Leaf.OneOf _, Leaf.Signal _ -> cannot(Cannot.BY_NOTHING);
    };
  }

  /** Why a step cannot be brought to be open; empty where it is now. */
  Optional<Cannot> open(StepId id) {
    int s = index.number(id);
    if (s == CourseIndex.UNKNOWN) return cannot(Cannot.GONE);
    if (!index.published(s) || !progress.record().isFor(s)) return cannot(Cannot.NOT_THERE);
    int m = index.moduleOf(s);
    Optional<Cannot> why = rule(new RuleAt.ModuleOpens(index.module(m).id()));
    for (int b = index.orderFrom(s); b < s && why.isEmpty(); b++)
      if (progress.course().waitsFor(s, b) && !progress.sight().waived(b))
        why = come(new Leaf.StepDone(index.step(b).id()));
    if (why.isEmpty()) why = rule(new RuleAt.StepOpens(id));
    if (why.isEmpty()) index.step(s).window().from().ifPresent(stage::until);
    if (why.isEmpty() && !progress.sight().open(s)) why = cannot(Cannot.TOO_LATE);
    return why;
  }

  /** How often something would have to happen, or for how many days or hours. */
  private static int many(Leaf leaf) {
    return switch (leaf) {
      case AttemptLeaf.Attempted l -> l.times();
      case AttemptLeaf.OnDays l -> l.days();
      case PostLeaf.Posted l -> l.times();
      case PostLeaf.Replied l -> l.times();
      case TimeLeaf.TimeSpent l -> l.minutes() / 60;
      case Leaf.EvidenceCount l -> l.pieces();
      case Leaf.SessionsAttended l -> l.sessions();
      case Leaf.InARow l -> l.times();
      case Leaf.DaysSinceDone l -> l.days();
      case Leaf.EnrolledFor l -> l.days();
      case Leaf.QuietFor l -> l.days();
      default -> 0;
    };
  }

  private static Optional<Cannot> cannot(Cannot why) {
    return Optional.of(why);
  }

  private Optional<Cannot> so(Fact.What what) {
    stage.happens(what);
    return CAME;
  }

  private Optional<Cannot> until(Instant moment) {
    stage.until(moment);
    return CAME;
  }

  private Optional<Cannot> ofStep(int s, Leaf.OfStep leaf) {
    if (s == CourseIndex.UNKNOWN) return cannot(Cannot.GONE);
    if (!index.published(s) || !progress.record().isFor(s)) return cannot(Cannot.NOT_THERE);
    if (leaf instanceof Leaf.StepDone && progress.doneAt(s).isPresent()) return CAME;
    if (!progress.sight().open(s) && progress.doneAt(s).isEmpty()) {
      Optional<Cannot> closed = opening ? openFirst(of(s)) : cannot(Cannot.CLOSED);
      if (closed.isPresent()) return closed;
    }
    Step step = index.step(s);
    return switch (leaf) {
      case Leaf.StepDone _ -> rule(new RuleAt.StepDone(step.id()));
      case Leaf.DaysSinceDone l -> {
        Optional<Cannot> done = come(new Leaf.StepDone(l.step()));
        if (done.isEmpty())
          progress.doneAt(s).ifPresent(at -> stage.until(at.plus(Duration.ofDays(l.days()))));
        yield done;
      }
      case Leaf.OfStrand of -> ofStrand(s, step, of);
    };
  }

  /** Whether a rule or step may be gone into: it is not under way already. */
  private boolean begin(Object what) {
    return ++begun <= MOST_RULES && underWay.add(what);
  }

  private StepId of(int s) {
    return index.step(s).id();
  }

  private Optional<Cannot> openFirst(StepId id) {
    if (!begin(id)) return cannot(Cannot.CLOSED);
    try {
      return open(id);
    } finally {
      underWay.remove(id);
    }
  }

  private Optional<Cannot> ofStrand(int s, Step step, Leaf.OfStrand leaf) {
    StepId id = step.id();
    Kind kind = Kinds.of(step.kind());
    return switch (leaf) {
      case SeenLeaf.Seen _ -> so(new SeenFact.Saw(id));
      case TimeLeaf.TimeSpent l -> {
        int left = 60 * l.minutes() - TimeStrand.of(progress.record()).seconds(s);
        for (; left > 0; left -= 3600) so(new TimeFact.SpentTime(id, Math.min(left, 3600)));
        yield CAME;
      }
      case FilmLeaf.Watched l -> {
        if (!kind.strands().contains(FilmStrand.DOOR)) yield cannot(Cannot.NOT_OF_ITS_KIND);
        yield so(new FilmFact.Watched(id, 0, (int) Math.ceil(l.share() * 100 - 1e-9), 100));
      }
      case ConfirmLeaf.Confirmed _ -> so(new ConfirmFact.Confirmed(id));
      case SignOffLeaf.SignedOff _ ->
          kind.strands().contains(SignOffStrand.DOOR)
              ? so(new SignOffFact.SignedOff(id, ""))
              : cannot(Cannot.NOT_OF_ITS_KIND);
      case PostLeaf.Posted l -> {
        if (!kind.strands().contains(PostsStrand.DOOR)) yield cannot(Cannot.NOT_OF_ITS_KIND);
        while (PostsStrand.of(progress.record()).posts(s) < l.times())
          so(new PostFact.Posted(id, new PostId(stage.fresh())));
        yield CAME;
      }
      case PostLeaf.Replied l -> {
        if (!kind.strands().contains(PostsStrand.DOOR)) yield cannot(Cannot.NOT_OF_ITS_KIND);
        while (PostsStrand.of(progress.record()).replies(s) < l.times())
          so(new PostFact.Replied(id, new PostId(stage.fresh())));
        yield CAME;
      }
      case WorkLeaf.HandedIn _ -> kind.handedIn() ? handIn(s, id) : cannot(Cannot.NOT_OF_ITS_KIND);
      case WorkLeaf.Marked _ -> marked(s, step, kind, Math.max(step.scoring().passMark(), 0.6));
      case AttemptLeaf attempt -> attempts(s, step, kind, attempt);
      case MarkLeaf mark -> mark(s, step, kind, mark);
      default -> cannot(Cannot.BY_NOTHING);
    };
  }

  private Optional<Cannot> mark(int s, Step step, Kind kind, MarkLeaf leaf) {
    double passMark = step.scoring().passMark();
    double share =
        switch (leaf) {
          case MarkLeaf.Passed _ -> 1;
          case MarkLeaf.NotPassed _ -> Math.max(0, passMark - 0.2);
          case MarkLeaf.Score l -> l.from() > 0 ? l.from() : l.to();
        };
    if (leaf instanceof MarkLeaf.Passed && progress.record().passed(s)) return CAME;
    if (kind.strands().contains(AttemptsStrand.DOOR)) return attempt(s, step, share);
    if (!kind.assesses()) return cannot(Cannot.NOT_OF_ITS_KIND);
    return judged(s, step, kind, share, leaf);
  }

  private Optional<Cannot> judged(int s, Step step, Kind kind, double share, MarkLeaf leaf) {
    boolean passes =
        switch (leaf) {
          case MarkLeaf.Passed _ -> true;
          case MarkLeaf.NotPassed _ -> false;
          case MarkLeaf.Score _ -> share >= step.scoring().passMark() - 1e-9;
        };
    if (kind.handedIn()) handIn(s, step.id());
    int version = WorkStrand.of(progress.record()).version(s);
    double of = step.scoring().points();
    return so(
        new WorkFact.Marked(
            step.id(), version, share * of, of, passes ? Judgement.PASSED : Judgement.AGAIN, ""));
  }

  private Optional<Cannot> marked(int s, Step step, Kind kind, double share) {
    if (kind.strands().contains(AttemptsStrand.DOOR)) return attempt(s, step, share);
    if (!kind.assesses()) return cannot(Cannot.NOT_OF_ITS_KIND);
    return judged(s, step, kind, share, new MarkLeaf.Passed(step.id()));
  }

  private Optional<Cannot> handIn(int s, StepId id) {
    return so(new WorkFact.HandedIn(id, WorkStrand.of(progress.record()).nextVersion(s)));
  }

  private Optional<Cannot> attempts(int s, Step step, Kind kind, AttemptLeaf leaf) {
    if (!kind.strands().contains(AttemptsStrand.DOOR)) return cannot(Cannot.NOT_OF_ITS_KIND);
    AttemptsStrand made = AttemptsStrand.of(progress.record());
    double failing = Math.max(0, step.scoring().passMark() - 0.2);
    Optional<Cannot> cannot = CAME;
    switch (leaf) {
      case AttemptLeaf.Attempted l -> {
        while (cannot.isEmpty() && made.made(s) < l.times()) cannot = attempt(s, step, failing);
      }
      case AttemptLeaf.OnDays l -> {
        while (cannot.isEmpty() && made.days(s) < l.days()) {
          if (made.made(s) > 0) stage.pass(Duration.ofDays(1));
          cannot = attempt(s, step, failing);
        }
      }
      case AttemptLeaf.Improved l -> {
        if (made.made(s) == 0) cannot = attempt(s, step, 0);
        if (cannot.isEmpty()) cannot = attempt(s, step, Math.min(1, made.first(s) + l.by()));
      }
    }
    return cannot;
  }

  private Optional<Cannot> attempt(int s, Step step, double share) {
    AttemptsStrand made = AttemptsStrand.of(progress.record());
    if (!progress.sight().open(s)) return cannot(Cannot.CLOSED);
    if (made.left(s) < 1) return cannot(Cannot.NO_ATTEMPT);
    double of = step.scoring().points() > 0 ? step.scoring().points() : 1;
    return so(
        new AttemptFact.FinishedAttempt(step.id(), made.made(s) + 1, Math.min(of, share * of), of));
  }

  /** Meets a rule by the first way that works. */
  private Optional<Cannot> rule(RuleAt at) {
    if (!begin(at)) return cannot(Cannot.CLOSED);
    try {
      Optional<Cannot> last = CAME;
      for (int round = 0; round < MOST_ROUNDS; round++) {
        Optional<Explained> now = progress.explain(at);
        if (now.isEmpty() || holds(now.get())) return CAME;
        long before = progress.record().sums().hashCode();
        Instant then = progress.asOf();
        last = meet(now.get());
        boolean moved =
            progress.record().sums().hashCode() != before || !progress.asOf().equals(then);
        if (!moved) break;
      }
      Optional<Explained> now = progress.explain(at);
      if (now.isEmpty() || holds(now.get())) return CAME;
      return last.isPresent() ? last : cannot(Cannot.CLOSED);
    } finally {
      underWay.remove(at);
    }
  }

  private static boolean holds(Explained e) {
    return e.verdict() == Verdict.MET || e.verdict() == Verdict.WAIVED;
  }

  private Optional<Cannot> meet(Explained e) {
    if (holds(e)) return CAME;
    return switch (e.condition()) {
      case Condition.Ask ask -> come(ask.leaf());
      case Condition.All _ -> meet(e.parts(), e.parts().size());
      case Condition.Any _ -> meet(e.parts(), 1);
      case Condition.AtLeast some -> meet(e.parts(), some.n());
      case Condition.After after -> after(after, e);
      case Condition.None _ -> cannot(Cannot.BY_NOTHING);
    };
  }

  private Optional<Cannot> after(Condition.After after, Explained e) {
    if (after.days() > MOST_TIMES) return cannot(Cannot.TOO_MUCH);
    if (e.turn() == Turn.CLOCK && e.next() != Long.MAX_VALUE)
      return until(Instant.ofEpochMilli(e.next()));
    return meet(e.parts().getFirst());
  }

  /** Meets so many of several parts, in order; those that cannot be met are passed over. */
  private Optional<Cannot> meet(List<Explained> parts, int n) {
    int met = (int) parts.stream().filter(AsIf::holds).count();
    Optional<Cannot> why = CAME;
    for (Explained part : parts) {
      if (met >= n) return CAME;
      if (holds(part)) continue;
      Optional<Cannot> cannot = meet(part);
      if (cannot.isEmpty()) met++;
      else if (why.isEmpty()) why = cannot;
    }
    return met >= n ? CAME : why;
  }

  /** Nobody completes a course in which nothing is asked of them. */
  private Optional<Cannot> complete() {
    Optional<Cannot> cannot = rule(new RuleAt.CourseComplete());
    if (cannot.isPresent()) return cannot;
    return progress.completedAt().isPresent() ? CAME : cannot(Cannot.BY_NOTHING);
  }

  private List<Integer> counted(int m) {
    return IntStream.range(index.firstStep(m), index.firstStep(m + 1))
        .filter(s -> index.expected(s) && !progress.sight().waived(s))
        .boxed()
        .toList();
  }

  /** Goes through a module as a good learner does, as far as a count where there is one. */
  private Optional<Cannot> module(int m, OptionalInt count) {
    if (m == CourseIndex.UNKNOWN) return cannot(Cannot.GONE);
    if (!index.module(m).published()) return cannot(Cannot.NOT_THERE);
    if (count.isEmpty()) return rule(new RuleAt.ModuleDone(index.module(m).id()));
    Optional<Cannot> why = CAME;
    for (int s : counted(m)) {
      if (done(m) >= count.getAsInt()) return CAME;
      Optional<Cannot> cannot = come(new Leaf.StepDone(index.step(s).id()));
      if (why.isEmpty()) why = cannot;
    }
    return done(m) >= Math.min(count.getAsInt(), counted(m).size()) ? CAME : why;
  }

  private long done(int m) {
    return counted(m).stream().filter(s -> progress.doneAt(s).isPresent()).count();
  }

  private Optional<Cannot> quizzes(Leaf.QuizzesScored leaf) {
    List<Integer> all = new ArrayList<>();
    for (int m = 0; m < index.modules(); m++)
      if (leaf.module().isEmpty() || leaf.module().get().equals(index.module(m).id()))
        for (int s : counted(m)) if (Kinds.tried(index.step(s))) all.add(s);
    Optional<Cannot> why = CAME;
    for (int s : all) {
      if (progress.record().scored(s) && progress.record().score(s) >= leaf.share() - 1e-9)
        continue;
      Optional<Cannot> cannot = come(new MarkLeaf.Score(index.step(s).id(), leaf.share(), 1));
      if (why.isEmpty()) why = cannot;
    }
    return why;
  }

  private Optional<Cannot> grade(Leaf.GradeAtLeast leaf) {
    Optional<Cannot> why = cannot(Cannot.CLOSED);
    for (int s = 0; s < index.steps(); s++) {
      boolean scored = index.step(s).scoring().points() > 0 && !progress.record().scored(s);
      if (!scored || !progress.sight().open(s)) continue;
      why = come(new MarkLeaf.Score(index.step(s).id(), leaf.share(), 1));
    }
    return why;
  }

  private Optional<Cannot> attend(SessionId session) {
    if (!index.design().sessions().containsKey(session)) return cannot(Cannot.GONE);
    return index.design().statuses().stream()
        .filter(AttendanceStatus::there)
        .findFirst()
        .map(status -> so(new Fact.Attendance(session, status.id())))
        .orElseGet(() -> cannot(Cannot.BY_NOTHING));
  }

  private Optional<Cannot> inARow(Leaf.InARow leaf) {
    Duration one =
        switch (leaf.rhythm()) {
          case DAYS -> Duration.ofDays(1);
          case WEEKS -> Duration.ofDays(7);
        };
    so(new Fact.WasHere());
    while (progress.record().mostInARow(leaf.rhythm()) < leaf.times()) {
      stage.pass(one);
      so(new Fact.WasHere());
    }
    return CAME;
  }

  private Optional<Cannot> attend(BooleanSupplier enough) {
    Optional<AttendanceStatus> there =
        index.design().statuses().stream().filter(AttendanceStatus::there).findFirst();
    if (there.isEmpty()) return cannot(Cannot.BY_NOTHING);
    for (int n = 0; n < MOST_RATINGS && !enough.getAsBoolean(); n++)
      so(new Fact.Attendance(new SessionId(stage.fresh()), there.get().id()));
    return enough.getAsBoolean() ? CAME : cannot(Cannot.BY_NOTHING);
  }

  private Optional<Cannot> ofOutcome(Leaf.OfOutcome leaf) {
    int o = index.number(leaf.outcome());
    var scale = index.outcome(o).scale();
    return switch (leaf) {
      case Leaf.LevelAtLeast l -> rated(o, scale.at(l.level()), /* below= */ false);
      case Leaf.AtMastery _ -> rated(o, scale.mastery(), /* below= */ false);
      case Leaf.LevelBelow l -> rated(o, scale.at(l.level()) - 1, /* below= */ true);
      case Leaf.EvidenceCount l -> {
        for (int source : index.sources(o))
          for (int n = progress.record().pieces(o, scale.at(l.level())); n < l.pieces(); n++)
            rate(source, scale.at(l.level()));
        yield CAME;
      }
    };
  }

  private void rate(int o, int level) {
    var scale = index.outcome(o).scale();
    int bounded = Math.clamp(level, 0, scale.top());
    so(new Fact.Rated(index.outcome(o).id(), scale.key(bounded), Optional.empty(), 0));
  }

  private Optional<Cannot> rated(int o, int level, boolean below) {
    if (level < 0) return cannot(Cannot.BY_NOTHING);
    for (int n = 0; n < MOST_RATINGS && !reached(o, level, below); n++)
      for (int source : index.sources(o)) {
        Outcome outcome = index.outcome(source);
        int ask = source == o ? level : below ? 0 : outcome.scale().top();
        boolean slow = !(outcome.levelRule().method() instanceof LevelMethod.MostRecent);
        rate(source, n > 2 && slow ? (below ? 0 : outcome.scale().top()) : ask);
      }
    return reached(o, level, below) ? CAME : cannot(Cannot.BY_NOTHING);
  }

  private boolean reached(int o, int level, boolean below) {
    OptionalInt now = progress.record().level(o);
    return now.isPresent() && (below ? now.getAsInt() <= level : now.getAsInt() >= level);
  }
}
