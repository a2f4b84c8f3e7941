package yendrik.server.teach;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.Refusal;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kind;
import yendrik.core.kind.Kinds;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.progress.Bead;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rubric.Rubric;
import yendrik.core.strand.posts.PostsStrand;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.strand.work.WorkStrand;
import yendrik.server.design.Designs;
import yendrik.server.design.RubricForms;
import yendrik.server.design.TextFiles;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.people.People;
import yendrik.server.people.Seat;
import yendrik.server.texts.Comments;
import yendrik.server.watch.Learners;
import yendrik.server.way.Added;
import yendrik.server.way.Assessments;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.work.AlsoWaits;
import yendrik.server.work.Versions;

/** What waits for staff, and what they say to it. */
@Service
@Transactional
public class Marking {
  private final Versions work;
  private final Learners learners;
  private final Designs designs;
  private final Walks walks;
  private final People people;

  /** For how long a sign-off may wait for a connection. */
  private static final Duration WAITS_AT_MOST = Duration.ofDays(7);

  private final Assessments assessments;
  private final List<AlsoWaits> others;

  Marking(
      Versions work,
      Learners learners,
      Designs designs,
      Walks walks,
      People people,
      Assessments assessments,
      ObjectProvider<AlsoWaits> others) {
    this.work = work;
    this.learners = learners;
    this.designs = designs;
    this.walks = walks;
    this.people = people;
    this.assessments = assessments;
    this.others = others.stream().toList();
  }

  /** Work to mark, longest waiting first, and practicals that can be signed off. */
  record QueueView(List<WaitingView> handedIn, List<WaitingView> toSignOff) {}

  /**
   * @param late whether it was handed in after it was due
   * @param heldBack whether the step is not published or not given to the learner any more
   */
  record WaitingView(
      EnrolmentId enrolment,
      String learner,
      StepId step,
      String name,
      String module,
      int version,
      Optional<Instant> since,
      boolean late,
      boolean heldBack) {}

  @Transactional(readOnly = true)
  QueueView queue(Seat seat) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return new QueueView(List.of(), List.of());
    CourseIndex index = ready.get().compiled().index();
    List<WaitingView> handedIn = new ArrayList<>();
    List<WaitingView> toSignOff = new ArrayList<>();
    List<Learners.Snapshot> all = learners.of(seat);
    List<EnrolmentId> waiting =
        all.stream()
            .filter(l -> l.waiting() > 0 || !l.summary().heldBack().isEmpty())
            .map(Learners.Snapshot::enrolment)
            .toList();
    Map<Versions.Place, Versions.Newest> latest = work.newest(waiting);
    Map<Versions.Place, Instant> since = new HashMap<>();
    List<EnrolmentId> everybody = all.stream().map(Learners.Snapshot::enrolment).toList();
    others.forEach(other -> since.putAll(other.since(everybody)));
    for (Learners.Snapshot learner : all)
      for (int s = 0; s < Math.min(index.steps(), learner.thread().length()); s++) {
        StepState state = Bead.of(learner.thread().charAt(s)).state();
        boolean practical = Kinds.of(index.step(s).kind()).withStaff();
        boolean open =
            state == StepState.OPEN || state == StepState.BEGUN || state == StepState.AGAIN;
        boolean heldBack = learner.summary().heldBack().contains(index.step(s).id());
        boolean also =
            since.containsKey(new Versions.Place(learner.enrolment(), index.step(s).id()));
        if (state == StepState.WAITING || heldBack || also)
          handedIn.add(waiting(learner, index, s, latest, since));
        else if (practical && open) toSignOff.add(waiting(learner, index, s, latest, Map.of()));
      }
    handedIn.sort(Comparator.comparing(w -> w.since().orElse(Instant.MAX)));
    return new QueueView(handedIn, toSignOff);
  }

  private static WaitingView waiting(
      Learners.Snapshot learner,
      CourseIndex index,
      int s,
      Map<Versions.Place, Versions.Newest> latest,
      Map<Versions.Place, Instant> since) {
    Step step = index.step(s);
    var place = new Versions.Place(learner.enrolment(), step.id());
    var found = Optional.ofNullable(latest.get(place));
    return new WaitingView(
        learner.enrolment(),
        learner.name(),
        step.id(),
        step.name(),
        index.module(index.moduleOf(s)).name(),
        found.map(Versions.Newest::version).orElse(0),
        found.map(Versions.Newest::at).or(() -> Optional.ofNullable(since.get(place))),
        learner.summary().late().contains(step.id()),
        learner.summary().heldBack().contains(step.id()));
  }

  /**
   * @param mark of all of it as it stands, where there are no versions
   */
  record WorkView(
      EnrolmentId enrolment,
      String learner,
      StepId step,
      String name,
      String module,
      StepKind kind,
      StepState state,
      String task,
      double points,
      List<VersionView> versions,
      List<OutcomeView> outcomes,
      Optional<RubricForms.Sheet> rubric,
      Optional<MarkView> mark,
      Optional<RubricForms.Filled> assessed) {}

  @Schema(name = "WorkVersion")
  record VersionView(
      int version,
      Instant at,
      boolean late,
      String text,
      String link,
      List<Files.Kept> files,
      Optional<MarkView> mark,
      Optional<RubricForms.Filled> assessed) {}

  @Schema(name = "EarlierMark")
  record MarkView(
      Judgement judgement, double points, double of, String comment, Instant at, String by) {}

  @Schema(name = "MarkingOutcome")
  record OutcomeView(
      OutcomeId id, String code, String name, List<LevelView> levels, int mastery, int now) {}

  @Schema(name = "MarkingLevel")
  record LevelView(String name, String description) {}

  @Transactional(readOnly = true)
  WorkView work(Seat seat, EnrolmentId enrolment, StepId step) {
    Learners.Snapshot learner = learners.one(seat, enrolment);
    Walk walk = walks.see(enrolment);
    int s = number(walk, step);
    CourseIndex index = walk.progress().course().index();
    Step design = index.step(s);
    List<VersionView> versions =
        work.of(enrolment, design.id()).reversed().stream()
            .map(v ->
                new VersionView(
                    v.version(),
                    v.at(),
                    walk.progress().record().late(s, v.at().toEpochMilli()),
                    v.text(),
                    v.work().link(),
                    v.work().besides(),
                    mark(walk, design.id(), v.version()),
                    assessments.of(walk, design.id(), v.version())))
            .toList();
    return new WorkView(
        enrolment,
        learner.name(),
        step,
        design.name(),
        index.module(index.moduleOf(s)).name(),
        design.kind(),
        walk.progress().bead(s).state(),
        TextFiles.at(
            "/api/courses/" + walk.course() + "/marking/tasks/" + design.id() + "/files",
            walk.ready().document().content(design.id()).body()),
        design.scoring().points(),
        versions,
        design.evidenceFor().stream().map(t -> outcome(walk.progress(), t.outcome())).toList(),
        walk.ready().document().rubric(design.id()).map(r -> RubricForms.sheet(r, index.design())),
        mark(walk, design.id(), 0),
        assessments.of(walk, design.id(), 0));
  }

  /** A file of a learner's work. */
  @Transactional(readOnly = true)
  Files.Kept file(Seat seat, EnrolmentId enrolment, StepId step, long file) {
    learners.one(seat, enrolment);
    return work.file(enrolment, step, file, /* drafts= */ false)
        .orElseThrow(() -> Problem.notFound("file"));
  }

  private static OutcomeView outcome(Progress progress, OutcomeId id) {
    int o = progress.course().index().number(id);
    Outcome outcome = progress.course().index().outcome(o);
    Scale scale = outcome.scale();
    return new OutcomeView(
        id,
        outcome.code(),
        outcome.name(),
        scale.levels().stream().map(l -> new LevelView(l.name(), l.description())).toList(),
        scale.mastery(),
        progress.record().level(o).orElse(-1));
  }

  private Optional<MarkView> mark(Walk walk, StepId step, int version) {
    return Facts.standing(walk.facts()).stream()
        .filter(f ->
            f.what() instanceof WorkFact.Marked m
                && m.step().equals(step)
                && m.version() == version)
        .reduce((_, last) -> last)
        .map(f -> {
          var m = (WorkFact.Marked) f.what();
          return new MarkView(
              m.judgement(),
              m.points(),
              m.of(),
              Comments.shown(m),
              f.at(),
              f.by().map(by -> people.names(List.of(by)).get(by)).orElse(""));
        });
  }

  private static int number(Walk walk, StepId step) {
    int s = walk.progress().course().index().number(step);
    if (s == CourseIndex.UNKNOWN) throw Problem.notFound("step");
    return s;
  }

  /**
   * Judges a piece of work and rates the outcomes that it gives evidence of.
   *
   * @param version which handing-in was read; if a newer one has come, nothing is written
   * @param comment formatted
   */
  public void mark(
      Seat seat,
      EnrolmentId enrolment,
      StepId step,
      int version,
      double points,
      Judgement judgement,
      String comment,
      Map<OutcomeId, Integer> levels,
      List<Rubric.Met> met) {
    learners.one(seat, enrolment);
    walks.change(
        enrolment,
        Optional.of(seat.person().id()),
        walk -> {
          int s = number(walk, step);
          Step design = walk.progress().course().index().step(s);
          if (markable(walk, s) != version) throw Problem.conflict("newer-version");
          double of = design.scoring().points();
          if (!(points >= 0 && points <= of))
            throw Problem.field("points", "points-outside", "of", of);
          List<Fact.What> whats = new ArrayList<>();
          whats.add(Comments.marked(design.id(), version, points, of, judgement, comment));
          whats.addAll(rated(walk, design, version, levels));
          whats.addAll(assessed(walk, design, version, met));
          var by = Optional.of(seat.person().id());
          return inPlaceOfEarlier(walk, by, design.id(), version, whats);
        });
  }

  /** The version that can be marked now, 0 where all is marked as it stands; or a Problem. */
  private static int markable(Walk walk, int s) {
    Kind kind = Kinds.of(walk.step(s).kind());
    LearnerRecord record = walk.progress().record();
    if (kind.markedAsItStands()) {
      if (PostsStrand.of(record).lastAt(s) == LearnerRecord.NEVER)
        throw Problem.conflict("nothing-written-yet");
      return 0;
    }
    if (!kind.handedIn()) throw Problem.conflict("step-not-handed-in");
    int newest = WorkStrand.of(record).version(s);
    if (newest == 0) throw Problem.conflict("nothing-handed-in");
    return newest;
  }

  /**
   * What is marked anew is corrected: each part of the new marking takes the place of the same part
   * of the one before, and what the new one says nothing of is taken back. The same marking sent
   * twice changes nothing.
   */
  private static List<Added> inPlaceOfEarlier(
      Walk walk, Optional<PersonId> by, StepId step, int version, List<Fact.What> whats) {
    Map<Object, Fact> earlier = new LinkedHashMap<>();
    for (Fact fact : Facts.standing(walk.facts()))
      part(fact.what(), step, version).ifPresent(part -> earlier.put(part, fact));
    List<Added> added = new ArrayList<>();
    for (Fact.What what : whats) {
      Optional<Fact> before = part(what, step, version).map(earlier::remove);
      boolean same = before.filter(f -> f.what().equals(what) && f.by().equals(by)).isPresent();
      if (!same) added.add(Added.inPlaceOf(before, what));
    }
    earlier.values().forEach(f -> added.add(Added.inPlaceOf(f, new Fact.TakenBack("marked anew"))));
    return added;
  }

  private record RatedPart(OutcomeId outcome, Optional<Integer> criterion) {}

  /** Which part of marking a version of the work a fact is, if it is one. */
  private static Optional<Object> part(Fact.What what, StepId step, int version) {
    return switch (what) {
      case WorkFact.Marked m when m.step().equals(step) && m.version() == version ->
          Optional.of("mark");
      case WorkFact.Assessed a when a.step().equals(step) && a.version() == version ->
          Optional.of("rubric");
      case Fact.Rated r when r.step().equals(Optional.of(step)) && r.version() == version ->
          Optional.of(new RatedPart(r.outcome(), r.criterion()));
      default -> Optional.empty();
    };
  }

  /** Signs a practical off: the learner did it, and staff saw it. */
  public void signOff(
      Seat seat,
      EnrolmentId enrolment,
      StepId step,
      String comment,
      Map<OutcomeId, Integer> levels,
      List<Rubric.Met> met) {
    signOff(seat, enrolment, step, comment, levels, met, Optional.empty());
  }

  /**
   * The same.
   *
   * @param seen when staff saw it, if not now
   */
  void signOff(
      Seat seat,
      EnrolmentId enrolment,
      StepId step,
      String comment,
      Map<OutcomeId, Integer> levels,
      List<Rubric.Met> met,
      Optional<Instant> seen) {
    learners.one(seat, enrolment);
    walks.change(
        enrolment,
        Optional.of(seat.person().id()),
        walk -> {
          int s = number(walk, step);
          Step design = walk.progress().course().index().step(s);
          if (!Kinds.of(design.kind()).withStaff())
            throw Problem.conflict("only-practicals-signed-off");
          if (walk.progress().bead(s).state() == StepState.DONE) {
            if (signedOff(walk, design.id(), seat, comment)) return List.of();
            throw Problem.conflict("signed-off-already");
          }
          Instant oldest = walk.progress().asOf().minus(WAITS_AT_MOST);
          if (seen.filter(oldest::isAfter).isPresent())
            throw Problem.field("seen", "seen-too-long-ago", "days", WAITS_AT_MOST.toDays());
          List<Fact.What> whats = new ArrayList<>();
          whats.add(new SignOffFact.SignedOff(design.id(), comment));
          double of = design.scoring().points();
          whats.add(new WorkFact.Marked(design.id(), 0, of, of, Judgement.PASSED, comment));
          whats.addAll(rated(walk, design, 0, levels));
          whats.addAll(assessed(walk, design, 0, met));
          return whats.stream().map(what -> new Added(what, Optional.empty(), seen)).toList();
        });
  }

  /** Takes a sign-off back, with the levels and the rubric that came along with it. */
  void takeBackSignOff(Seat seat, EnrolmentId enrolment, StepId step) {
    learners.one(seat, enrolment);
    walks.change(
        enrolment,
        Optional.of(seat.person().id()),
        walk -> {
          number(walk, step);
          List<Fact> standing = Facts.standing(walk.facts());
          if (standing.stream().noneMatch(f -> isSignOff(f, step))) return List.of();
          return standing.stream()
              .filter(f -> isSignOff(f, step) || part(f.what(), step, 0).isPresent())
              .map(f -> Added.inPlaceOf(f, new Fact.TakenBack("sign-off taken back")))
              .toList();
        });
  }

  private static boolean isSignOff(Fact fact, StepId step) {
    return fact.what() instanceof SignOffFact.SignedOff s && s.step().equals(step);
  }

  /** Whether this person signed it off with these words already: it was sent twice. */
  private static boolean signedOff(Walk walk, StepId step, Seat seat, String comment) {
    return Facts.standing(walk.facts()).stream()
        .anyMatch(f ->
            f.what().equals(new SignOffFact.SignedOff(step, comment))
                && f.by().equals(Optional.of(seat.person().id())));
  }

  /** The rubric gone through, and a rating for each criterion that gives evidence. */
  private static List<Fact.What> assessed(Walk walk, Step step, int version, List<Rubric.Met> met) {
    if (met.isEmpty()) return List.of();
    Rubric rubric =
        walk.ready()
            .document()
            .rubric(step.id())
            .orElseThrow(() -> Problem.field("rubric", "no-rubric"));
    List<Fact.What> whats = new ArrayList<>();
    int design = walk.practice() ? 0 : walk.ready().version();
    whats.add(new WorkFact.Assessed(step.id(), version, rubric.id(), design, met));
    try {
      for (Rubric.Shown shown : rubric.evidence(met))
        whats.add(
            new Fact.Rated(
                shown.outcome(),
                shown.level(),
                Optional.of(step.id()),
                version,
                Optional.of(shown.comment()).filter(c -> !c.isEmpty()),
                Optional.of(shown.criterion())));
    } catch (Refusal e) {
      throw Problem.field("rubric", "rubric-changed-meanwhile", "why", e.reason());
    }
    return whats;
  }

  private static List<Fact.What> rated(
      Walk walk, Step step, int version, Map<OutcomeId, Integer> levels) {
    CourseIndex index = walk.progress().course().index();
    List<Fact.What> rated = new ArrayList<>();
    levels.forEach((id, level) -> {
      boolean tied = step.evidenceFor().stream().anyMatch(t -> t.outcome().equals(id));
      if (!tied) throw Problem.field("levels", "no-evidence-of-outcome");
      Outcome outcome = index.outcome(index.number(id));
      if (level < 0 || level > outcome.scale().top())
        throw Problem.field("levels", "no-such-level", "outcome", outcome.code());
      int key = outcome.scale().key(level);
      rated.add(new Fact.Rated(outcome.id(), key, Optional.of(step.id()), version));
    });
    return rated;
  }
}
