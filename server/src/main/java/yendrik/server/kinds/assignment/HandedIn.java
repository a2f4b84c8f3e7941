package yendrik.server.kinds.assignment;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.progress.StepState;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.record.LearnerRecord;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.strand.work.WorkStrand;
import yendrik.core.words.Phrase;
import yendrik.server.design.RubricForms;
import yendrik.server.http.Problem;
import yendrik.server.kinds.assignment.AssignmentShown.MarkView;
import yendrik.server.kinds.assignment.AssignmentShown.VersionView;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.learn.StepDoor;
import yendrik.server.learn.StepPages;
import yendrik.server.way.Assessments;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.work.Versions;

/** Work that learners hand in. */
@Service
@Transactional
public class HandedIn {
  private final Versions work;
  private final Walks walks;
  private final StepPages pages;
  private final Assessments assessments;

  HandedIn(Versions work, Walks walks, StepPages pages, Assessments assessments) {
    this.work = work;
    this.walks = walks;
    this.pages = pages;
    this.assessments = assessments;
  }

  /** What learners see. */
  AssignmentShown shown(Walk walk, int s) {
    Step step = walk.step(s);
    StepState state = walk.progress().bead(s).state();
    boolean can =
        walk.progress().sight().open(s)
            && walk.progress().sight().usable(s)
            && state != StepState.DONE
            && state != StepState.WAITING;
    List<VersionView> versions =
        work.of(walk.enrolment(), step.id()).reversed().stream()
            .map(h ->
                new VersionView(
                    h.version(),
                    h.at(),
                    walk.progress().record().late(s, h.at().toEpochMilli()),
                    h.text(),
                    mark(walk, step, h.version())))
            .toList();
    return new AssignmentShown(can, versions, walk.rubric(s));
  }

  private Optional<MarkView> mark(Walk walk, Step step, int version) {
    CourseIndex index = walk.progress().course().index();
    if (walk.progress().record().markedAt(index.number(step.id())) == LearnerRecord.NEVER)
      return Optional.empty();
    List<Fact> standing = Facts.standing(walk.facts());
    Optional<RubricForms.Filled> filled = assessments.of(walk, step.id(), version);
    List<String> levels =
        standing.stream()
            .map(Fact::what)
            .filter(w ->
                w instanceof Fact.Rated r
                    && r.criterion().isEmpty()
                    && r.step().equals(Optional.of(step.id()))
                    && r.version() == version)
            .map(w -> (Fact.Rated) w)
            .filter(r -> index.number(r.outcome()) != CourseIndex.UNKNOWN)
            .map(r -> {
              var outcome = index.outcome(index.number(r.outcome()));
              int level = outcome.scale().at(r.level());
              Phrase at =
                  level < 0
                      ? Phrase.of("gone.level")
                      : Phrase.text(outcome.scale().levels().get(level).name());
              return walk.writing()
                  .say(Phrase.of("mark.level", "outcome", outcome.name(), "level", at));
            })
            .toList();
    return standing.stream()
        .filter(f ->
            f.what() instanceof WorkFact.Marked m
                && m.step().equals(step.id())
                && m.version() == version)
        .reduce((_, last) -> last)
        .map(f -> {
          var m = (WorkFact.Marked) f.what();
          return new MarkView(
              m.judgement(), m.points(), m.of(), m.comment(), f.at(), levels, filled);
        });
  }

  public StepPage handIn(EnrolmentId enrolment, PersonId person, StepId step, String text) {
    int[] version = new int[1];
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              int s = StepDoor.usable(w, step, StepKind.ASSIGNMENT);
              StepState state = w.progress().bead(s).state();
              if (state == StepState.DONE) throw Problem.conflict("passed-already");
              if (state == StepState.WAITING) {
                if (isNewest(w, step, text)) return List.of();
                throw Problem.conflict("waits-for-marking");
              }
              version[0] = WorkStrand.of(w.progress().record()).version(s) + 1;
              return List.of(new WorkFact.HandedIn(step, version[0]));
            });
    if (version[0] == 0) return pages.page(walk, step, List.of());
    work.add(enrolment, step, version[0], text);
    return pages.page(walk, step, List.of());
  }

  /** Whether the newest version is just this text: it was sent twice. */
  private boolean isNewest(Walk walk, StepId step, String text) {
    List<Versions.Version> versions = work.of(walk.enrolment(), step);
    return !versions.isEmpty() && versions.getLast().text().equals(text);
  }
}
