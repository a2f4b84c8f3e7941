package yendrik.server.learn;

import static yendrik.schema.Tables.COURSE;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.kind.Kinds;
import yendrik.core.outcome.Evidence;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.progress.Bead;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Rules;
import yendrik.core.rule.words.Dates;
import yendrik.core.rule.words.LevelWords;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.film.FilmStrand;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.words.Numbers;
import yendrik.server.learn.RouteViews.AttendanceView;
import yendrik.server.learn.RouteViews.BadgeView;
import yendrik.server.learn.RouteViews.ComingView;
import yendrik.server.learn.RouteViews.EvidenceView;
import yendrik.server.learn.RouteViews.ModuleView;
import yendrik.server.learn.RouteViews.NextLevel;
import yendrik.server.learn.RouteViews.NextView;
import yendrik.server.learn.RouteViews.OutcomeView;
import yendrik.server.learn.RouteViews.RouteView;
import yendrik.server.learn.RouteViews.ShownIn;
import yendrik.server.learn.RouteViews.StepLine;
import yendrik.server.way.Explaining;
import yendrik.server.way.Sessions;
import yendrik.server.way.Walk;

/** Lays a learner's way out as they see it. */
@Service
@Transactional(readOnly = true)
class Routes {
  private static final int COMING = 4;
  private static final int SHOWN_IN = 3;
  private final DSLContext db;
  private final Sessions sessions;
  private final StepLearners rooms;

  Routes(DSLContext db, Sessions sessions, StepLearners rooms) {
    this.db = db;
    this.sessions = sessions;
    this.rooms = rooms;
  }

  RouteView route(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    var course = db.selectFrom(COURSE).where(COURSE.ID.eq(walk.course().value())).fetchSingle();
    int all = 0;
    int done = 0;
    for (int s = 0; s < index.steps(); s++) {
      if (!progress.counts(s)) continue;
      all++;
      if (progress.doneAt(s).isPresent()) done++;
    }
    long days = ChronoUnit.DAYS.between(course.getStartsAt(), progress.asOf());
    return new RouteView(
        course.getName(),
        course.getCohort(),
        (int) Math.clamp(days / 7 + 1, 1, course.getWeeks()),
        course.getWeeks(),
        course.getZone(),
        done,
        all,
        progress.completedAt().isPresent(),
        behind(progress),
        next(walk),
        modules(walk),
        outcomes(walk),
        badges(walk),
        attendance(progress.record()),
        coming(walk));
  }

  private static int behind(Progress progress) {
    return IntStream.range(0, progress.course().index().steps())
        .filter(s -> progress.bead(s).overdue())
        .mapToObj(s -> Instant.ofEpochMilli(progress.record().due(s)))
        .min(Comparator.naturalOrder())
        .map(due -> (int) Duration.between(due, progress.asOf()).toDays())
        .orElse(0);
  }

  /** The first required step that the learner can do something about, else the first other one. */
  private Optional<NextView> next(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    return IntStream.range(0, index.steps())
        .filter(s -> actionable(progress, s))
        .boxed()
        .min(
            Comparator.<Integer, Boolean>comparing(s -> !index.step(s).required())
                .thenComparing(s -> s))
        .map(s -> nextView(walk, s));
  }

  private static boolean actionable(Progress progress, int s) {
    Bead bead = progress.bead(s);
    if (bead.outOfReach() || AttemptsStrand.of(progress.record()).left(s) == 0) return false;
    boolean withStaff = Kinds.of(progress.course().index().step(s).kind()).withStaff();
    if (withStaff && bead.state() == StepState.BEGUN) return false;
    return switch (bead.state()) {
      case OPEN, BEGUN, AGAIN -> progress.sight().open(s);
      default -> false;
    };
  }

  private NextView nextView(Walk walk, int s) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    Step step = index.step(s);
    List<String> opens =
        Rules.of(index.design()).entrySet().stream()
            .filter(e ->
                e.getKey() instanceof RuleAt.StepOpens || e.getKey() instanceof RuleAt.ModuleOpens)
            .filter(e -> asksAbout(e.getValue(), step))
            .map(e -> name(progress, e.getKey()))
            .flatMap(Optional::stream)
            .toList();
    List<String> why = new ArrayList<>();
    why.add(
        rooms.of(step.kind()).word()
            + ", about "
            + Numbers.count(
                walk.ready().document().minutes().getOrDefault(step.id(), 10), "minute"));
    int left = AttemptsStrand.of(progress.record()).left(s);
    if (left != Integer.MAX_VALUE) why.add(Numbers.count(left, "attempt") + " left");
    Explaining.moment(progress.record().due(s))
        .ifPresent(due -> why.add("due " + Explaining.dates(progress).day(due.minusSeconds(1))));
    return new NextView(
        step.id().value(),
        step.name(),
        step.kind(),
        index.module(index.moduleOf(s)).name(),
        String.join(", ", why),
        opens);
  }

  private static boolean asksAbout(Condition rule, Step step) {
    return rule.nodes()
        .anyMatch(n ->
            n instanceof Condition.Ask ask
                && ask.leaf() instanceof Leaf.OfStep of
                && !(of instanceof MarkLeaf.NotPassed)
                && of.step().equals(step.id()));
  }

  private static Optional<String> name(Progress progress, RuleAt at) {
    CourseIndex index = progress.course().index();
    var known = new Known(progress);
    return switch (at) {
      case RuleAt.StepOpens r ->
          known.step(r.step()) ? index.design().step(r.step()).map(Step::name) : Optional.empty();
      case RuleAt.ModuleOpens r ->
          known.module(r.module())
              ? index.design().module(r.module()).map(CourseModule::name)
              : Optional.empty();
      default -> Optional.empty();
    };
  }

  private List<ModuleView> modules(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    var explaining = Explaining.toLearner(progress);
    var known = new Known(progress);
    List<ModuleView> views = new ArrayList<>();
    for (int m = 0; m < index.modules(); m++) {
      CourseModule module = index.module(m);
      if (!known.module(m)) continue;
      boolean open = progress.moduleOpen(m);
      List<StepLine> lines = new ArrayList<>();
      int all = 0;
      int done = 0;
      for (int s = index.firstStep(m); s < index.firstStep(m + 1); s++) {
        if (progress.counts(s)) {
          all++;
          if (progress.doneAt(s).isPresent()) done++;
        }
        if (visible(progress, s) && !needless(progress, s)) lines.add(line(walk, s, explaining));
      }
      List<Explaining.Part> missing =
          open ? List.of() : explaining.rule(new RuleAt.ModuleOpens(module.id())).stream().toList();
      boolean finished = progress.sight().moduleDoneAt(m) != LearnerRecord.NEVER;
      views.add(
          new ModuleView(
              module.id().value(), module.name(), open, done, all, finished, missing, lines));
    }
    return views;
  }

  /** Whether the learner may know that there is such a step. */
  static boolean visible(Progress progress, int s) {
    return new Known(progress).step(s);
  }

  /** Help or enrichment that this learner will not come to: no step to worry about. */
  private static boolean needless(Progress progress, int s) {
    return progress.bead(s).state() == StepState.CLOSED
        && !progress.course().index().step(s).required()
        && progress.sight().outOfReach(s);
  }

  private StepLine line(Walk walk, int s, Explaining explaining) {
    Progress progress = walk.progress();
    Step step = progress.course().index().step(s);
    Bead bead = progress.bead(s);
    return new StepLine(
        step.id().value(),
        step.name(),
        step.kind(),
        bead.state(),
        bead.overdue(),
        bead.outOfReach(),
        step.required(),
        walk.ready().document().minutes().getOrDefault(step.id(), 10),
        note(progress, s),
        bead.state() == StepState.CLOSED ? explaining.whatIsMissing(s) : List.of());
  }

  private String note(Progress progress, int s) {
    LearnerRecord record = progress.record();
    Step step = progress.course().index().step(s);
    Dates dates = Explaining.dates(progress);
    return switch (progress.bead(s).state()) {
      case DONE -> {
        String day = progress.doneAt(s).map(d -> dates.day(d)).orElse("");
        yield rooms.of(step.kind()).done(record, s, day);
      }
      case WAITING ->
          "handed in "
              + dates.day(Instant.ofEpochMilli(record.waitingSince(s)))
              + ", staff mark it next";
      case AGAIN -> again(record, s);
      case MISSED -> "closed " + step.window().until().map(u -> dates.day(u)).orElse("");
      case EXCUSED -> "you are excused";
      case OPEN, BEGUN -> {
        String due =
            Explaining.moment(record.due(s))
                .map(d -> "due " + dates.day(d.minusSeconds(1)))
                .orElse("");
        if (FilmStrand.of(record).share(s) == 0) yield due;
        yield Numbers.percent(FilmStrand.of(record).share(s))
            + " watched"
            + (due.isEmpty() ? "" : ", " + due);
      }
      case CLOSED, NOT_FOR_THEM, UNPUBLISHED -> "";
    };
  }

  private static String again(LearnerRecord record, int s) {
    if (AttemptsStrand.of(record).made(s) == 0) return "needs another go";
    String best = "best " + Numbers.percent(record.score(s));
    int left = AttemptsStrand.of(record).left(s);
    if (left == Integer.MAX_VALUE) return best + ", try again";
    return left == 0
        ? best + ", no attempts left; ask your facilitator"
        : best + ", " + Numbers.count(left, "attempt") + " left";
  }

  static List<OutcomeView> outcomes(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    List<OutcomeView> views = new ArrayList<>();
    for (int o = 0; o < index.outcomes(); o++) {
      Outcome outcome = index.outcome(o);
      int level = progress.record().level(o).orElse(-1);
      var levels = outcome.scale().levels();
      views.add(
          new OutcomeView(
              outcome.id().value(),
              outcome.code(),
              outcome.name(),
              outcome.description(),
              level,
              level < 0 ? "" : levels.get(level).name(),
              level < 0 ? "" : levels.get(level).description(),
              levels.size(),
              outcome.scale().mastery(),
              progress.record().evidence(o).reversed().stream()
                  .map(e ->
                      new EvidenceView(
                          Instant.ofEpochMilli(e.at()),
                          levels.get(e.level()).name(),
                          from(progress, e),
                          words(walk, e)))
                  .toList(),
              next(outcome.scale(), level),
              level >= outcome.scale().mastery()
                  ? List.of()
                  : LevelWords.change(progress.record(), o),
              shownIn(progress, o),
              waitingFor(progress, outcome)));
    }
    return views;
  }

  /** The level above; mastery for those who have no level yet, since nobody aims at the weakest. */
  private static Optional<NextLevel> next(Scale scale, int level) {
    if (level == scale.top()) return Optional.empty();
    Scale.Level next = scale.levels().get(level < 0 ? scale.mastery() : level + 1);
    return Optional.of(new NextLevel(next.name(), next.description()));
  }

  /** The next steps, in course order, in which a learner can show an outcome or a part of it. */
  private static List<ShownIn> shownIn(Progress progress, int o) {
    CourseIndex index = progress.course().index();
    Set<OutcomeId> sources = new HashSet<>();
    sources.add(index.outcome(o).id());
    for (int part : index.parts(o)) sources.add(index.outcome(part).id());
    return IntStream.range(0, index.steps())
        .filter(s -> Kinds.of(index.step(s).kind()).assesses())
        .filter(
            s -> index.step(s).evidenceFor().stream().anyMatch(t -> sources.contains(t.outcome())))
        .filter(s -> visible(progress, s) && !progress.bead(s).outOfReach())
        .filter(s ->
            switch (progress.bead(s).state()) {
              case OPEN, BEGUN, AGAIN, CLOSED -> true;
              default -> false;
            })
        .limit(SHOWN_IN)
        .mapToObj(s ->
            new ShownIn(index.step(s).id().value(), index.step(s).name(), progress.sight().open(s)))
        .toList();
  }

  /** The note on a rating, else the comment on the work that it judges. */
  private static Optional<String> words(Walk walk, Evidence piece) {
    if (piece.note().isPresent() || piece.step().isEmpty()) return piece.note();
    return Facts.standing(walk.facts()).stream()
        .filter(f ->
            f.what() instanceof WorkFact.Marked m
                && m.step().equals(piece.step().get())
                && m.version() == piece.version())
        .map(f -> ((WorkFact.Marked) f.what()).comment())
        .filter(c -> !c.isBlank())
        .reduce((_, last) -> last);
  }

  /** The names of closed steps and modules whose opening rule asks about an outcome. */
  private static List<String> waitingFor(Progress progress, Outcome outcome) {
    CourseIndex index = progress.course().index();
    var known = new Known(progress);
    List<String> names = new ArrayList<>();
    for (int m = 0; m < index.modules(); m++) {
      CourseModule module = index.module(m);
      if (known.module(m)
          && !progress.moduleOpen(m)
          && module.opensWhen().filter(r -> asksAbout(r, outcome)).isPresent())
        names.add(module.name());
    }
    for (int s = 0; s < index.steps(); s++)
      if (visible(progress, s)
          && !progress.sight().open(s)
          && progress.doneAt(s).isEmpty()
          && index.step(s).opensWhen().filter(r -> asksAbout(r, outcome)).isPresent())
        names.add(index.step(s).name());
    return names;
  }

  private static boolean asksAbout(Condition rule, Outcome outcome) {
    return rule.nodes()
        .anyMatch(n ->
            n instanceof Condition.Ask ask
                && ask.leaf() instanceof Leaf.OfOutcome of
                && of.outcome().equals(outcome.id()));
  }

  /** A step that was taken away or hidden since is not named. */
  private static String from(Progress progress, Evidence piece) {
    if (piece.step().isEmpty()) return "a note from staff";
    return piece
        .step()
        .filter(new Known(progress)::step)
        .flatMap(id -> progress.course().design().step(id))
        .map(Step::name)
        .orElse("an earlier step");
  }

  static List<BadgeView> badges(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    var explaining = Explaining.toLearner(progress);
    var known = new Known(progress);
    List<BadgeView> views = new ArrayList<>();
    for (int b = 0; b < index.badges(); b++) {
      Badge badge = index.badge(b);
      boolean held = progress.sight().holds(b);
      if (!known.badge(b)) continue;
      Optional<Instant> at =
          walk.facts().stream()
              .filter(f -> f.what() instanceof Fact.BadgeIssued i && i.badge().equals(badge.id()))
              .map(Fact::at)
              .reduce((_, last) -> last);
      views.add(
          new BadgeView(
              badge.id().value(),
              badge.name(),
              badge.description(),
              walk.ready()
                  .document()
                  .pictures()
                  .getOrDefault(badge.id(), yendrik.server.design.BadgePicture.PLAIN),
              held,
              held ? at : Optional.empty(),
              held ? Optional.empty() : explaining.rule(new RuleAt.BadgeEarned(badge.id()))));
    }
    return views;
  }

  private static Optional<AttendanceView> attendance(LearnerRecord record) {
    return record.sessions().isEmpty()
        ? Optional.empty()
        : Optional.of(new AttendanceView(record.sessionsAttended(), record.sessionsCounted()));
  }

  private List<ComingView> coming(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    List<ComingView> all = new ArrayList<>();
    for (int s = 0; s < index.steps(); s++) {
      if (!visible(progress, s)) continue;
      Step step = index.step(s);
      boolean open = progress.sight().open(s) && progress.doneAt(s).isEmpty();
      if (open)
        Explaining.moment(progress.record().due(s))
            .filter(d -> d.isAfter(progress.asOf()))
            .ifPresent(d -> all.add(new ComingView(d.minusSeconds(1), step.name() + " due")));
      step.window()
          .from()
          .filter(f -> f.isAfter(progress.asOf()))
          .ifPresent(f -> all.add(new ComingView(f, step.name() + " opens")));
    }
    List<Long> groups = progress.record().groups().stream().map(GroupId::value).toList();
    for (Sessions.Session session : sessions.of(walk.course()))
      if (session.endsAt().isAfter(progress.asOf()) && session.concerns(groups))
        all.add(new ComingView(session.startsAt(), session.name()));
    all.sort(Comparator.comparing(ComingView::at));
    return all.subList(0, Math.min(COMING, all.size()));
  }
}
