package yendrik.server.watch;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.LETTER;
import static yendrik.schema.Tables.PERSON;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Evidence;
import yendrik.core.outcome.Levels;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.progress.Bead;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.LevelHistory;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Turn;
import yendrik.core.rule.words.LevelWords;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.time.TimeFact;
import yendrik.core.watch.Reason;
import yendrik.core.watch.Reasons;
import yendrik.core.watch.Remedy;
import yendrik.core.words.Phrase;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.people.People;
import yendrik.server.people.Seat;
import yendrik.server.watch.WatchViews.AttendanceView;
import yendrik.server.watch.WatchViews.BeadView;
import yendrik.server.watch.WatchViews.CellView;
import yendrik.server.watch.WatchViews.FlagView;
import yendrik.server.watch.WatchViews.FollowView;
import yendrik.server.watch.WatchViews.Happened;
import yendrik.server.watch.WatchViews.HeldView;
import yendrik.server.watch.WatchViews.LearnerView;
import yendrik.server.watch.WatchViews.LetterView;
import yendrik.server.watch.WatchViews.LevelView;
import yendrik.server.watch.WatchViews.MoveView;
import yendrik.server.watch.WatchViews.PieceView;
import yendrik.server.watch.WatchViews.ReasonView;
import yendrik.server.watch.WatchViews.RemedyView;
import yendrik.server.way.Explaining;
import yendrik.server.way.Sessions;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** Where learners stand, and why. */
@Service
@Transactional(readOnly = true)
class Watching {
  private static final int DAYS_SHOWN = 42;
  private static final int HAPPENINGS = 40;
  private final DSLContext db;
  private final Learners learners;
  private final Designs designs;
  private final Walks walks;
  private final People people;
  private final Sessions sessions;
  private final Clock clock;

  Watching(
      DSLContext db,
      Learners learners,
      Designs designs,
      Walks walks,
      People people,
      Sessions sessions,
      Clock clock) {
    this.db = db;
    this.learners = learners;
    this.designs = designs;
    this.walks = walks;
    this.people = people;
    this.sessions = sessions;
    this.clock = clock;
  }

  LearnerView learner(Seat seat, EnrolmentId enrolment) {
    Learners.Snapshot snapshot = learners.one(seat, enrolment);
    Walk walk = walks.see(enrolment);
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    int all = 0;
    int done = 0;
    for (int s = 0; s < index.steps(); s++)
      if (progress.counts(s)) {
        all++;
        if (progress.doneAt(s).isPresent()) done++;
      }
    List<Happened> happened = happened(walk, _ -> true);
    return new LearnerView(
        enrolment,
        walk.person(),
        snapshot.name(),
        snapshot.summary().groups().stream()
            .map(g -> index.design().groups().getOrDefault(g, ""))
            .filter(g -> !g.isEmpty())
            .toList(),
        Instant.ofEpochMilli(progress.record().enrolledAt()),
        Explaining.moment(progress.record().lastHere()),
        progress.share(),
        done,
        all,
        flags(walk),
        levels(walk),
        badges(walk),
        days(walk),
        attendance(progress.record()),
        happened.subList(0, Math.min(HAPPENINGS, happened.size())),
        letters(seat, walk.person()),
        designs
            .published(seat.course())
            .filter(p -> p.version() != walk.ready().version())
            .map(_ -> walk.ready().version()));
  }

  private static Optional<AttendanceView> attendance(LearnerRecord record) {
    return record.sessions().isEmpty()
        ? Optional.empty()
        : Optional.of(new AttendanceView(record.sessionsAttended(), record.sessionsCounted()));
  }

  private static List<FlagView> flags(Walk walk) {
    Progress progress = walk.progress();
    List<FlagView> flags = new ArrayList<>();
    Set<Remedy> named = new HashSet<>();
    for (int f = 0; f < progress.course().flags(); f++) {
      int flag = f;
      progress
          .flaggedAt(f)
          .ifPresent(since ->
              flags.add(
                  new FlagView(
                      progress.course().design().flags().get(flag).name(),
                      since,
                      new Reasons(progress, walk.writing())
                          .of(flag).stream().map(r -> reason(progress, r, named)).toList())));
    }
    return flags;
  }

  /** What helps against several reasons stands with the first of them. */
  private static ReasonView reason(Progress progress, Reason reason, Set<Remedy> named) {
    CourseIndex index = progress.course().index();
    return new ReasonView(
        reason.says(),
        reason
            .remedy()
            .filter(named::add)
            .map(
                r -> new RemedyView(r.way(), r.step(), index.step(index.number(r.step())).name())));
  }

  private static LevelView level(Walk walk, int o) {
    LearnerRecord record = walk.progress().record();
    Outcome outcome = record.index().outcome(o);
    int level = record.level(o).orElse(-1);
    return new LevelView(
        outcome.id(),
        outcome.code(),
        outcome.name(),
        level,
        level < 0
            ? walk.writing().say(Phrase.of("evidence.none"))
            : outcome.scale().levels().get(level).name(),
        outcome.scale().levels().size(),
        outcome.scale().mastery());
  }

  private static List<LevelView> levels(Walk walk) {
    CourseIndex index = walk.index();
    List<LevelView> views = new ArrayList<>();
    for (int o = 0; o < index.outcomes(); o++) views.add(level(walk, o));
    return views;
  }

  private static List<HeldView> badges(Walk walk) {
    CourseIndex index = walk.progress().course().index();
    List<HeldView> held = new ArrayList<>();
    for (int b = 0; b < index.badges(); b++) {
      var badge = index.badge(b);
      if (!walk.progress().sight().holds(b)) continue;
      Optional<Instant> at =
          walk.facts().stream()
              .filter(f -> f.what() instanceof Fact.BadgeIssued i && i.badge().equals(badge.id()))
              .map(Fact::at)
              .findFirst();
      held.add(new HeldView(badge.id(), badge.name(), at));
    }
    return held;
  }

  /** Minutes in the course on each of the last days, today last. */
  private List<Integer> days(Walk walk) {
    int[] seconds = new int[DAYS_SHOWN];
    var zone = walk.progress().course().design().zone();
    var today = clock.instant().atZone(zone).toLocalDate();
    for (Fact fact : walk.facts())
      if (fact.what() instanceof TimeFact.SpentTime spent) {
        long ago = ChronoUnit.DAYS.between(fact.at().atZone(zone).toLocalDate(), today);
        if (ago >= 0 && ago < DAYS_SHOWN) seconds[DAYS_SHOWN - 1 - (int) ago] += spent.seconds();
      }
    List<Integer> minutes = new ArrayList<>();
    for (int s : seconds) minutes.add((s + 59) / 60);
    return minutes;
  }

  private List<Happened> happened(Walk walk, java.util.function.Predicate<Fact> which) {
    Set<PersonId> authors = new HashSet<>();
    List<Fact> standing = Facts.standing(walk.facts());
    for (Fact fact : standing) fact.by().ifPresent(authors::add);
    Map<PersonId, String> names = people.names(authors);
    CourseDesign design = walk.progress().course().design();
    var words =
        new FactWords(
            design,
            designs.groupNames(walk.course()),
            sessions.names(walk.course(), walk.writing()),
            walk.writing());
    List<Happened> all = new ArrayList<>();
    for (Fact fact : standing.reversed()) {
      if (!which.test(fact)) continue;
      String by =
          fact.by()
              .filter(p -> !p.equals(walk.person()))
              .map(p -> names.getOrDefault(p, ""))
              .orElse("");
      words.of(fact.what()).ifPresent(what -> all.add(new Happened(fact.at(), what, by)));
    }
    return all;
  }

  /** Whoever sees one group only reads nothing of what others write to its learners. */
  private List<LetterView> letters(Seat seat, PersonId person) {
    PersonId me = seat.person().id();
    Condition own =
        seat instanceof Seat.Support
            ? LETTER.SENDER_ID.eq(me).or(LETTER.RECIPIENT_ID.eq(me))
            : DSL.noCondition();
    return db.select(
            LETTER.CREATED_AT, LETTER.SUBJECT, PERSON.NAME, LETTER.SENT_AT, LETTER.SENDER_ID)
        .from(LETTER)
        .leftJoin(PERSON)
        .on(PERSON.ID.eq(LETTER.SENDER_ID))
        .where(
            LETTER.RECIPIENT_ID.eq(person).or(LETTER.SENDER_ID.eq(person)),
            LETTER.COURSE_ID.eq(seat.course()),
            own)
        .orderBy(LETTER.CREATED_AT.desc())
        .limit(20)
        .fetch(r ->
            new LetterView(
                r.value1(),
                r.value2(),
                Optional.ofNullable(r.value3()).orElse(""),
                r.value4() != null,
                person.equals(r.value5())));
  }

  BeadView bead(Seat seat, EnrolmentId enrolment, StepId step) {
    Learners.Snapshot snapshot = learners.one(seat, enrolment);
    Walk walk = walks.see(enrolment);
    Progress progress = walk.progress();
    int s = progress.course().index().number(step);
    if (s == CourseIndex.UNKNOWN) throw notTheirs(seat, snapshot, step);
    Step design = progress.course().index().step(s);
    Bead bead = progress.bead(s);
    Set<PersonId> staff = new HashSet<>();
    walk.facts().forEach(f -> f.by().ifPresent(staff::add));
    var explaining = Explaining.toStaff(walk, people.names(staff));
    int left = AttemptsStrand.of(progress.record()).left(s);
    return new BeadView(
        enrolment,
        walk.person(),
        snapshot.name(),
        step,
        design.name(),
        design.kind(),
        bead.state(),
        bead.overdue(),
        bead.outOfReach(),
        walk.writing().say(turn(progress, s, bead, snapshot.name())),
        Explaining.moment(progress.record().due(s)),
        left == Integer.MAX_VALUE ? -1 : left,
        explaining.whatIsMissing(s),
        explaining.rule(new RuleAt.StepDone(design.id())),
        settled(bead) ? List.of() : explaining.whatWouldChange(s),
        happened(walk, f -> f.what() instanceof Fact.AtStep at && at.step().equals(design.id())));
  }

  /** The step is none of the course, or none of the earlier publication that the learner has. */
  private Problem notTheirs(Seat seat, Learners.Snapshot learner, StepId step) {
    return designs
        .published(seat.course())
        .flatMap(p -> p.document().design().step(step))
        .map(s -> Problem.conflict("earlier-publication", "step", s.name(), "name", learner.name()))
        .orElseGet(() -> Problem.notFound("step"));
  }

  /** Nothing is left to come for a step that is done, excused, or not there for the learner. */
  private static boolean settled(Bead bead) {
    return switch (bead.state()) {
      case DONE, EXCUSED, NOT_FOR_THEM, UNPUBLISHED -> true;
      case CLOSED, OPEN, BEGUN, WAITING, AGAIN, MISSED -> false;
    };
  }

  private static Phrase turn(Progress progress, int s, Bead bead, String name) {
    if (bead.state() == StepState.DONE || bead.state() == StepState.EXCUSED)
      return Phrase.of("turn.nothing-left");
    if (bead.state() == StepState.NOT_FOR_THEM) return Phrase.of("turn.not-for", "name", name);
    if (bead.outOfReach()) return Phrase.of("turn.out-of-reach");
    Turn turn = bead.state() == StepState.WAITING ? Turn.STAFF : progress.sight().turn(s);
    return Phrase.of("turn." + turn.name(), "name", name);
  }

  private static List<String> names(Scale scale) {
    return scale.levels().stream().map(Scale.Level::name).toList();
  }

  CellView cell(Seat seat, EnrolmentId enrolment, OutcomeId outcomeId) {
    Learners.Snapshot snapshot = learners.one(seat, enrolment);
    Walk walk = walks.see(enrolment);
    CourseIndex index = walk.progress().course().index();
    int o = index.number(outcomeId);
    if (o == CourseIndex.UNKNOWN) throw Problem.notFound("outcome");
    Outcome outcome = index.outcome(o);
    var evidence = walk.progress().record().evidence(o);
    Set<PersonId> staff = new HashSet<>();
    evidence.forEach(e -> e.by().ifPresent(staff::add));
    Map<PersonId, String> names = people.names(staff);
    Levels.Reckoning reckoning = Levels.reckon(outcome.levelRule(), evidence);
    List<PieceView> pieces =
        reckoning.pieces().reversed().stream()
            .map(c -> piece(c, outcome.scale(), walk, names))
            .toList();
    LearnerRecord record = walk.progress().record();
    var words = new LevelWords(walk.writing());
    return new CellView(
        walk.person(),
        snapshot.name(),
        outcome.code(),
        outcome.name(),
        words.method(outcome, index),
        outcome.madeOf().isPresent()
            ? Optional.empty()
            : words.sum(outcome.levelRule(), outcome.scale(), evidence),
        words.change(record, o),
        record.level(o).orElse(-1),
        names(outcome.scale()),
        outcome.scale().mastery(),
        pieces,
        Arrays.stream(index.parts(o)).mapToObj(part -> level(walk, part)).toList(),
        Instant.ofEpochMilli(record.enrolledAt()),
        LevelHistory.of(record, o).stream()
            .map(m -> new MoveView(Instant.ofEpochMilli(m.at()), m.level()))
            .toList());
  }

  private static PieceView piece(
      Levels.Counted counted, Scale scale, Walk walk, Map<PersonId, String> names) {
    Evidence e = counted.piece();
    return new PieceView(
        Instant.ofEpochMilli(e.at()),
        e.level(),
        scale.levels().get(e.level()).name(),
        e.step()
            .flatMap(id -> walk.index().design().step(id))
            .map(Step::name)
            .orElseGet(() -> walk.writing().say(Phrase.of("evidence.outside"))),
        e.by()
            .map(p -> names.getOrDefault(p, ""))
            .orElseGet(() -> walk.writing().say(Phrase.of("evidence.quiz"))),
        e.weight(),
        counted.use(),
        counted.share(),
        e.note());
  }

  /** Flagged learners with the reasons, those flagged longest first. */
  List<FollowView> followUp(Seat seat) {
    List<Learners.Snapshot> flagged =
        learners.of(seat).stream().filter(s -> !s.summary().flags().isEmpty()).toList();
    Map<EnrolmentId, Learners.Snapshot> byId =
        flagged.stream()
            .collect(java.util.stream.Collectors.toMap(Learners.Snapshot::enrolment, s -> s));
    return walks.seeAll(List.copyOf(byId.keySet())).stream()
        .map(w -> {
          var s = requireNonNull(byId.get(w.enrolment()));
          return new FollowView(
              w.enrolment(),
              s.name(),
              Explaining.moment(w.progress().record().lastHere()),
              w.progress().share(),
              flags(w),
              letters(seat, w.person()));
        })
        .filter(f -> !f.flags().isEmpty())
        .sorted(
            java.util.Comparator.comparing(f ->
                f.flags().stream()
                    .map(FlagView::since)
                    .min(java.util.Comparator.naturalOrder())
                    .orElseThrow()))
        .toList();
  }
}
