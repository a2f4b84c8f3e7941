package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.Workshop;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.words.Grounds;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.confirm.ConfirmFact;
import yendrik.core.strand.confirm.ConfirmLeaf;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.film.FilmLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostFact;
import yendrik.core.strand.posts.PostLeaf;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.signoff.SignOffLeaf;
import yendrik.core.strand.time.TimeFact;
import yendrik.core.strand.time.TimeLeaf;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.strand.work.WorkLeaf;
import yendrik.core.words.Ground;

/** The fact that an answer rests on is told in words, with when it was and whose word it is. */
class GroundTest {
  private final Workshop learner = new Workshop();
  private final Progress progress = Progress.begin(CompiledCourse.of(design(open())), JUNO, START);

  GroundTest() {
    take(new Fact.Enrolled());
  }

  /** Everything open from the start, with a film. */
  private static List<Step> open() {
    Step practical =
        step(PRACTICAL, "Practical", StepKind.PRACTICAL, ask(new SignOffLeaf.SignedOff(PRACTICAL)));
    Step jobCard =
        step(JOB_CARD, "Job card", StepKind.ASSIGNMENT, ask(new MarkLeaf.Passed(JOB_CARD)));
    return List.of(
        steps().get(0),
        steps().get(1),
        practical,
        scored(jobCard, 20, 0.5, 0, SAFE),
        step(FILM, "Cutting cable", StepKind.VIDEO, ask(new FilmLeaf.Watched(FILM, 0.9))));
  }

  private Fact take(Fact.What what) {
    Fact fact = learner.fact(what);
    progress.take(fact);
    return fact;
  }

  private void rests(Leaf leaf, String what, Fact on) {
    rests(leaf, what, on, Optional.empty());
  }

  private void rests(Leaf leaf, String what, Fact on, Optional<PersonId> by) {
    Ground ground = Grounds.of(leaf, progress.sight()).orElseThrow();
    assertThat(ENGLISH.say(ground.what())).isEqualTo(what);
    assertThat(ground).isEqualTo(new Ground(ground.what(), on.at(), by));
  }

  private void restsOnTheWordOfTomas(Leaf leaf, String what, Fact on) {
    rests(leaf, what, on, Optional.of(TOMAS));
  }

  private void restsOnNothing(Leaf leaf) {
    assertThat(Grounds.of(leaf, progress.sight())).isEmpty();
  }

  @Test
  void what_has_not_happened_is_no_ground() {
    restsOnNothing(new SeenLeaf.Seen(ANATOMY));
    restsOnNothing(new MarkLeaf.Score(PADS, 0.6, 1));
    restsOnNothing(new Leaf.AtMastery(BRAKE));
    restsOnNothing(new Leaf.AtMastery(new OutcomeId(77)));
    restsOnNothing(new SeenLeaf.Seen(new StepId(77)));
    restsOnNothing(new Leaf.InGroup(SATURDAY));
    restsOnNothing(new Leaf.ModuleDone(BRAKES));
  }

  @Test
  void a_page_rests_on_when_it_was_read_and_what_is_done_on_when_it_was() {
    Fact saw = take(new SeenFact.Saw(ANATOMY));
    rests(new SeenLeaf.Seen(ANATOMY), "read", saw);
    rests(new Leaf.StepDone(ANATOMY), "done", saw);
    rests(new Leaf.DaysSinceDone(ANATOMY, 2), "done", saw);
    rests(new Leaf.QuietFor(3), "last here", saw);
  }

  @Test
  void time_and_a_film_rest_on_how_far_they_are() {
    Fact saw = take(new SeenFact.Saw(ANATOMY));
    take(new TimeFact.SpentTime(ANATOMY, 150));
    rests(new TimeLeaf.TimeSpent(ANATOMY, 5), "so far 2 min", saw);
    Fact watched = take(new FilmFact.Watched(FILM, 0, 30, 100));
    rests(new FilmLeaf.Watched(FILM, 0.9), "so far 30 % watched", watched);
  }

  @Test
  void a_discussion_rests_on_what_was_written_there() {
    take(new PostFact.Posted(ANATOMY, new PostId(1)));
    Fact last = take(new PostFact.Replied(ANATOMY, new PostId(2)));
    rests(new PostLeaf.Posted(ANATOMY, 2), "1 post", last);
    rests(new PostLeaf.Replied(ANATOMY, 1), "1 reply", last);
  }

  @Test
  void a_quiz_rests_on_its_best_attempt_and_says_how_many_are_allowed() {
    Fact best = take(new AttemptFact.FinishedAttempt(PADS, 1, 8, 15));
    take(new AttemptFact.FinishedAttempt(PADS, 2, 6, 15));
    rests(new MarkLeaf.Score(PADS, 0.6, 1), "best 53 % in 2 of 3 attempts", best);
    rests(new AttemptLeaf.Attempted(PADS, 2), "best 53 % in 2 of 3 attempts", best);
    rests(new Leaf.LevelAtLeast(BRAKE, 2), "now “With help”, 1 piece of evidence", best);
  }

  @Test
  void an_assignment_rests_on_what_was_handed_in_and_then_on_the_word_of_who_marked_it() {
    Fact first = take(new WorkFact.HandedIn(JOB_CARD, 1));
    rests(new WorkLeaf.HandedIn(JOB_CARD), "version 1 handed in", first);
    rests(new MarkLeaf.Passed(JOB_CARD), "handed in, waits for marking", first);
    Fact again = take(new WorkFact.Marked(JOB_CARD, 1, 0, 0, Judgement.AGAIN, "Pads wear."));
    restsOnTheWordOfTomas(new MarkLeaf.Passed(JOB_CARD), "needs another go", again);
    take(new WorkFact.HandedIn(JOB_CARD, 2));
    Fact passed = take(new WorkFact.Marked(JOB_CARD, 2, 15, 20, Judgement.PASSED, ""));
    restsOnTheWordOfTomas(new WorkLeaf.Marked(JOB_CARD), "passed, 75 %", passed);
  }

  @Test
  void what_was_failed_is_not_said_to_need_another_go() {
    take(new WorkFact.HandedIn(JOB_CARD, 1));
    Fact failed = take(new WorkFact.Marked(JOB_CARD, 1, 5, 20, Judgement.FAILED, ""));
    restsOnTheWordOfTomas(new MarkLeaf.Passed(JOB_CARD), "not passed, 25 %", failed);
  }

  @Test
  void a_practical_rests_on_the_word_of_who_signed_it_off() {
    Fact signed = take(new SignOffFact.SignedOff(PRACTICAL, "Even lever pull."));
    restsOnTheWordOfTomas(new SignOffLeaf.SignedOff(PRACTICAL), "signed off", signed);
    Fact confirmed = take(new ConfirmFact.Confirmed(ANATOMY));
    rests(new ConfirmLeaf.Confirmed(ANATOMY), "confirmed", confirmed);
  }

  @Test
  void days_since_enrolment_rest_on_the_enrolment() {
    rests(new Leaf.EnrolledFor(4), "enrolled", learner.all.getFirst());
  }
}
