package yendrik.server.teach;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kinds;
import yendrik.core.outcome.Outcome;
import yendrik.core.progress.Bead;
import yendrik.core.progress.StepState;
import yendrik.server.design.Designs;
import yendrik.server.design.RubricForms;
import yendrik.server.design.TextFiles;
import yendrik.server.http.Problem;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;

/** Practicals as they are signed off at the bench: for many learners at once. */
@Service
@Transactional(readOnly = true)
class Practicals {
  private final Learners learners;
  private final Designs designs;

  Practicals(Learners learners, Designs designs) {
    this.learners = learners;
    this.designs = designs;
  }

  /**
   * @param open for how many learners it can be signed off now
   * @param done for how many it is
   */
  @Schema(name = "Practical")
  record LineView(StepId step, String name, String module, int open, int done) {}

  /** The practicals of a course, in its order. */
  List<LineView> all(Seat seat) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return List.of();
    CourseIndex index = ready.get().compiled().index();
    List<Learners.Snapshot> all = learners.of(seat);
    List<LineView> lines = new ArrayList<>();
    for (int s = 0; s < index.steps(); s++) {
      Step step = index.step(s);
      if (!Kinds.of(step.kind()).withStaff() || !step.published()) continue;
      int at = s;
      List<StepState> states = all.stream().map(l -> state(l, at)).toList();
      int open = (int) states.stream().filter(Practicals::isOpen).count();
      int done = (int) states.stream().filter(StepState.DONE::equals).count();
      lines.add(
          new LineView(step.id(), step.name(), index.module(index.moduleOf(s)).name(), open, done));
    }
    return lines;
  }

  private static StepState state(Learners.Snapshot learner, int s) {
    return s < learner.thread().length()
        ? Bead.of(learner.thread().charAt(s)).state()
        : StepState.CLOSED;
  }

  private static boolean isOpen(StepState state) {
    return switch (state) {
      case OPEN, BEGUN, AGAIN, WAITING, MISSED -> true;
      case NOT_FOR_THEM, UNPUBLISHED, CLOSED, DONE, EXCUSED -> false;
    };
  }

  /** One practical with all whom it is for. */
  @Schema(name = "PracticalSheet")
  record SheetView(
      StepId step,
      String name,
      String module,
      String task,
      double points,
      List<OutcomeView> outcomes,
      Optional<RubricForms.Sheet> rubric,
      List<LearnerView> learners) {}

  @Schema(name = "PracticalOutcome")
  record OutcomeView(OutcomeId id, String code, String name, List<Marking.LevelView> levels) {}

  /**
   * @param open whether it can be signed off now
   */
  @Schema(name = "PracticalLearner")
  record LearnerView(
      EnrolmentId enrolment, String name, StepState state, boolean open, List<GroupId> groups) {}

  SheetView one(Seat seat, StepId id) {
    Designs.Ready ready =
        designs.published(seat.course()).orElseThrow(() -> Problem.notFound("step"));
    CourseIndex index = ready.compiled().index();
    int s = index.number(id);
    if (s == CourseIndex.UNKNOWN || !Kinds.of(index.step(s).kind()).withStaff())
      throw Problem.notFound("step");
    Step step = index.step(s);
    return new SheetView(
        id,
        step.name(),
        index.module(index.moduleOf(s)).name(),
        TextFiles.at(
            "/api/courses/" + seat.course() + "/marking/tasks/" + id + "/files",
            ready.document().content(id).body()),
        step.scoring().points(),
        IntStream.range(0, step.evidenceFor().size())
            .mapToObj(t -> outcome(index, step.evidenceFor().get(t).outcome()))
            .toList(),
        ready.document().rubric(id).map(r -> RubricForms.sheet(r, index.design())),
        learners.of(seat).stream()
            .map(l -> learner(l, state(l, s)))
            .filter(l -> l.state() != StepState.NOT_FOR_THEM)
            .toList());
  }

  private static OutcomeView outcome(CourseIndex index, OutcomeId id) {
    Outcome outcome = index.outcome(index.number(id));
    return new OutcomeView(
        id,
        outcome.code(),
        outcome.name(),
        outcome.scale().levels().stream()
            .map(l -> new Marking.LevelView(l.name(), l.description()))
            .toList());
  }

  private static LearnerView learner(Learners.Snapshot learner, StepState state) {
    return new LearnerView(
        learner.enrolment(), learner.name(), state, isOpen(state), learner.summary().groups());
  }
}
