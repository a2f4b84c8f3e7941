package yendrik.server.learn;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kind;
import yendrik.core.kind.Kinds;
import yendrik.core.kind.Visits;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.strand.confirm.ConfirmFact;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.time.TimeFact;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.strand.work.WorkStrand;
import yendrik.server.http.Problem;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.way.Walks;
import yendrik.server.way.Way;

/** What learners do at a step of any kind. A closed step's content never leaves here. */
@Service
@Transactional
public class Steps {
  private final Walks walks;
  private final StepPages pages;

  Steps(Walks walks, StepPages pages) {
    this.walks = walks;
    this.pages = pages;
  }

  /** Opens a step: leaves the facts that it was seen, and shows it. */
  public StepPage open(EnrolmentId enrolment, PersonId person, StepId step) {
    return pages.after(
        enrolment,
        person,
        step,
        w -> {
          int s = StepDoor.open(w, step);
          boolean use = w.progress().sight().open(s);
          return List.of(use ? new SeenFact.Saw(step) : new Fact.WasHere());
        });
  }

  /** Shows a step that is open to somebody who only looks. */
  @Transactional(readOnly = true)
  StepPage look(Way way, StepId step) {
    return pages.page(walks.see(way), step, List.of());
  }

  /** Takes down time on a step: no more of it than has gone since the last report. */
  public void spend(EnrolmentId enrolment, PersonId person, StepId step, int seconds) {
    walks.act(
        enrolment,
        Optional.of(person),
        w -> {
          int s = StepDoor.open(w, step);
          int believed =
              Math.min(seconds, StepDoor.gone(w, Visits.timedFrom(w.progress().record(), s), 1));
          return believed < 1 ? List.of() : List.of(new TimeFact.SpentTime(step, believed));
        });
  }

  /** Takes the learner's own word. */
  public StepPage confirm(EnrolmentId enrolment, PersonId person, StepId step) {
    return pages.after(
        enrolment,
        person,
        step,
        w -> {
          StepDoor.usable(w, step);
          return List.of(new ConfirmFact.Confirmed(step));
        });
  }

  /** In practice only: opens a step, whatever its rules say. */
  StepPage openInPractice(EnrolmentId enrolment, PersonId person, StepId step) {
    return pages.after(
        enrolment,
        person,
        step,
        w -> {
          if (!w.practice()) throw Problem.forbidden("only-made-up-learners");
          int s = w.index().number(step);
          if (s == CourseIndex.UNKNOWN) throw Problem.notFound("step");
          if (!w.index().published(s))
            throw Problem.conflict("step-not-published", "step", "“" + w.step(s).name() + "”");
          if (!w.progress().record().isFor(s)) throw Problem.conflict("step-for-others");
          return List.of(new Fact.Opened(step), new SeenFact.Saw(step));
        });
  }

  /** In practice only: staff's word on the made-up learner's work. */
  public StepPage judgeInPractice(
      EnrolmentId enrolment, PersonId person, StepId step, Judgement judgement) {
    return pages.after(
        enrolment,
        person,
        step,
        w -> {
          if (!w.practice()) throw Problem.forbidden("only-made-up-learners");
          int s = StepDoor.open(w, step);
          Kind kind = Kinds.of(w.step(s).kind());
          if (!kind.handedIn() && !kind.withStaff()) throw Problem.conflict("not-at-this-kind");
          return judged(w.progress(), s, judgement);
        });
  }

  private static List<Fact.What> judged(Progress progress, int s, Judgement judgement) {
    Step step = progress.course().index().step(s);
    double of = step.scoring().points();
    double points = judgement == Judgement.PASSED ? of : 0;
    List<Fact.What> whats = new ArrayList<>();
    if (Kinds.of(step.kind()).withStaff() && judgement == Judgement.PASSED)
      whats.add(new SignOffFact.SignedOff(step.id(), ""));
    whats.add(
        new WorkFact.Marked(
            step.id(), WorkStrand.of(progress.record()).version(s), points, of, judgement, ""));
    if (judgement == Judgement.PASSED)
      for (Step.Tie tie : step.evidenceFor()) {
        var outcome =
            progress.course().index().outcome(progress.course().index().number(tie.outcome()));
        whats.add(
            new Fact.Rated(
                tie.outcome(),
                outcome.scale().key(outcome.scale().mastery()),
                Optional.of(step.id()),
                WorkStrand.of(progress.record()).version(s)));
      }
    return whats;
  }
}
