package yendrik.core.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;
import yendrik.core.Workshop;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Strands;
import yendrik.core.kind.Visits;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.Levels;
import yendrik.core.quiz.Quiz;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.confirm.ConfirmFact;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.film.FilmStrand;
import yendrik.core.strand.posts.PostFact;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.time.TimeFact;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;

/** What facts add up to. */
class LearnerRecordTest {
  private final CourseIndex index = new CourseIndex(design());
  private final LearnerRecord record = Strands.record(index, JUNO);
  private final Workshop learner = new Workshop();
  private final int pads = index.number(PADS);
  private final int card = index.number(JOB_CARD);
  private final int brake = index.number(BRAKE);

  private void take(Fact.What what) {
    record.take(learner.fact(what));
  }

  @Test
  void the_best_attempt_counts_and_attempts_run_out() {
    take(new AttemptFact.FinishedAttempt(PADS, 1, 6, 15));
    take(new AttemptFact.FinishedAttempt(PADS, 2, 12, 15));
    take(new AttemptFact.FinishedAttempt(PADS, 3, 3, 15));
    assertThat(record.score(pads)).isEqualTo(0.8);
    assertThat(AttemptsStrand.of(record).made(pads)).isEqualTo(3);
    assertThat(AttemptsStrand.of(record).left(pads)).isZero();
    take(new Fact.AttemptsAdded(PADS, 2));
    assertThat(AttemptsStrand.of(record).left(pads)).isEqualTo(2);
  }

  @Test
  void a_better_attempt_replaces_the_evidence_of_the_one_before_and_a_worse_does_not() {
    take(new AttemptFact.FinishedAttempt(PADS, 1, 6, 15));
    assertThat(record.level(brake)).hasValue(1);
    take(new AttemptFact.FinishedAttempt(PADS, 2, 12, 15));
    assertThat(record.evidence(brake)).hasSize(1);
    assertThat(record.level(brake)).hasValue(2);
    take(new AttemptFact.FinishedAttempt(PADS, 3, 0, 15));
    assertThat(record.evidence(brake)).hasSize(1);
    assertThat(record.level(brake)).hasValue(2);
  }

  @Test
  void a_second_rating_of_the_same_work_replaces_the_first() {
    take(new WorkFact.HandedIn(JOB_CARD, 1));
    take(new Fact.Rated(BRAKE, 1, Optional.of(JOB_CARD), 1));
    take(new Fact.Rated(BRAKE, 3, Optional.of(JOB_CARD), 1));
    assertThat(record.evidence(brake)).hasSize(1);
    take(new WorkFact.HandedIn(JOB_CARD, 2));
    take(new Fact.Rated(BRAKE, 2, Optional.of(JOB_CARD), 2));
    assertThat(record.evidence(brake)).hasSize(2);
    take(new Fact.Rated(BRAKE, 2, Optional.empty(), 0));
    take(new Fact.Rated(BRAKE, 2, Optional.empty(), 0));
    assertThat(record.evidence(brake)).as("notes outside any step all count").hasSize(4);
  }

  @Test
  void a_quiz_rates_an_outcome_by_the_questions_that_carry_it() {
    var part = new Quiz.Part(BRAKE, 1, 10);
    take(new AttemptFact.FinishedAttempt(PADS, 1, 14, 15, List.of(part)));
    assertThat(record.level(brake)).as("10 % of its questions, of a pass mark of 60 %").hasValue(0);
    take(new AttemptFact.FinishedAttempt(PADS, 2, 15, 15));
    assertThat(record.level(brake)).as("no question carries it: the whole counts").hasValue(2);
  }

  @Test
  void cut_points_of_the_step_say_which_level_a_share_stands_for() {
    assertThat(levelAt(0.29)).isEqualTo(0);
    assertThat(levelAt(0.3)).isEqualTo(1);
    assertThat(levelAt(0.69)).isEqualTo(1);
    assertThat(levelAt(0.7)).isEqualTo(2);
    assertThat(levelAt(1)).as("cut points may lead above mastery").isEqualTo(3);
    assertThat(levelAt(1, 0.3, 0.7)).as("the last level is for people").isEqualTo(2);
  }

  private static int levelAt(double share) {
    return levelAt(share, 0.3, 0.7, 1.0);
  }

  private static int levelAt(double share, Double... cuts) {
    List<Step> steps = new ArrayList<>(steps());
    steps.set(1, tied(steps.get(1), new Step.Tie(BRAKE, 1, Optional.of(List.of(cuts)))));
    var course = new CourseIndex(design(steps));
    var fresh = Strands.record(course, JUNO);
    fresh.take(new Workshop().fact(new AttemptFact.FinishedAttempt(PADS, 1, share * 100, 100)));
    return fresh.level(course.number(BRAKE)).orElseThrow();
  }

  @Property
  void a_better_share_never_stands_for_a_lower_level(
      @ForAll @IntRange(max = 100) int a, @ForAll @IntRange(max = 100) int b) {
    List<Double> cuts = List.of(0.25, 0.5, 0.75);
    int lower = Levels.ofScore(Math.min(a, b) / 100.0, cuts);
    int higher = Levels.ofScore(Math.max(a, b) / 100.0, cuts);
    assertThat(lower).isLessThanOrEqualTo(higher).isBetween(0, 3);
  }

  @Test
  void cut_points_rise_from_nothing_to_the_whole() {
    for (List<Double> wrong : List.of(List.of(0.6, 0.5), List.of(-0.1), List.of(1.1)))
      assertThatThrownBy(() -> new Step.Tie(BRAKE, 1, Optional.of(wrong)))
          .isInstanceOf(Refusal.class);
  }

  @Test
  void every_criterion_of_a_rubric_is_a_piece_of_its_own_and_replaces_only_itself() {
    take(new WorkFact.HandedIn(JOB_CARD, 1));
    for (int criterion = 1; criterion <= 3; criterion++)
      take(criterion(criterion, criterion == 2 ? 0 : 3));
    assertThat(record.evidence(brake)).hasSize(3);
    take(criterion(2, 3));
    assertThat(record.evidence(brake)).hasSize(3);
    assertThat(record.evidence(brake)).extracting(e -> e.level()).containsOnly(3);
    take(new Fact.Rated(BRAKE, 1, Optional.of(JOB_CARD), 1));
    assertThat(record.evidence(brake)).as("a rating beside the rubric").hasSize(4);
  }

  private static Fact.What criterion(int key, int level) {
    return new Fact.Rated(
        BRAKE, level, Optional.of(JOB_CARD), 1, Optional.empty(), Optional.of(key));
  }

  @Test
  void a_rating_at_a_level_or_on_an_outcome_that_is_gone_says_nothing() {
    take(new Fact.Rated(BRAKE, 77, Optional.empty(), 0));
    take(new Fact.Rated(new OutcomeId(77), 2, Optional.empty(), 0));
    assertThat(record.level(brake)).isEmpty();
    assertThat(record.evidence(brake)).isEmpty();
  }

  @Test
  void a_note_stays_with_the_piece_of_evidence() {
    take(new Fact.Rated(BRAKE, 2, Optional.empty(), 0, Optional.of("Seen on Saturday")));
    assertThat(record.evidence(brake).getFirst().note()).contains("Seen on Saturday");
    assertThat(record.evidence(brake).getFirst().by()).contains(TOMAS);
  }

  @Test
  void work_waits_from_handing_in_until_it_is_marked() {
    assertThat(record.waiting(card)).isFalse();
    take(new WorkFact.HandedIn(JOB_CARD, 1));
    assertThat(record.waiting(card)).isTrue();
    take(new WorkFact.Marked(JOB_CARD, 1, 5, 20, Judgement.AGAIN, ""));
    assertThat(record.waiting(card)).isFalse();
    take(new WorkFact.HandedIn(JOB_CARD, 2));
    assertThat(record.waiting(card)).isTrue();
  }

  @Test
  void played_parts_of_a_film_are_put_together() {
    int anatomy = index.number(ANATOMY);
    assertThat(FilmStrand.of(record).parts(anatomy)).isEmpty();
    take(new FilmFact.Watched(ANATOMY, 10, 20, 100));
    take(new FilmFact.Watched(ANATOMY, 40, 60, 100));
    take(new FilmFact.Watched(ANATOMY, 15, 31, 100));
    assertThat(FilmStrand.of(record).parts(anatomy)).containsExactly(10, 31, 40, 60);
    assertThat(FilmStrand.of(record).share(anatomy)).isEqualTo(0.41);
    assertThat(record.touchedAt(anatomy)).isNotEqualTo(LearnerRecord.NEVER);
  }

  @Property
  void the_share_of_a_film_never_falls_and_never_passes_the_whole(
      @ForAll @Size(min = 1, max = 20) List<@IntRange(max = 98) Integer> froms,
      @ForAll @IntRange(min = 1, max = 99) int longest) {
    var fresh = Strands.record(index, JUNO);
    int anatomy = index.number(ANATOMY);
    double before = 0;
    for (int from : froms) {
      int to = Math.min(100, from + longest);
      fresh.take(learner.fact(new FilmFact.Watched(ANATOMY, from, to, 100)));
      assertThat(FilmStrand.of(fresh).share(anatomy))
          .isBetween(Math.max(before, (to - from) / 100.0), 1.0);
      before = FilmStrand.of(fresh).share(anatomy);
    }
    List<Integer> parts = FilmStrand.of(fresh).parts(anatomy);
    assertThat(parts).isSorted().doesNotHaveDuplicates();
    int seconds = 0;
    for (int i = 0; i < parts.size(); i += 2) seconds += parts.get(i + 1) - parts.get(i);
    assertThat(seconds / 100.0).isEqualTo(before);
  }

  @Test
  void a_film_cannot_be_played_backwards_or_past_its_end() {
    assertThatThrownBy(() -> new FilmFact.Watched(ANATOMY, 5, 5, 10)).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> new FilmFact.Watched(ANATOMY, 5, 11, 10)).isInstanceOf(Refusal.class);
  }

  @Test
  void an_equal_attempt_changes_nothing_and_nothing_right_is_a_score() {
    take(new AttemptFact.FinishedAttempt(PADS, 1, 0, 15));
    long first = learner.now().toEpochMilli();
    assertThat(record.scored(pads)).isTrue();
    assertThat(record.scoredAt(pads)).isEqualTo(first);
    take(new AttemptFact.FinishedAttempt(PADS, 2, 0, 15));
    assertThat(record.scoredAt(pads)).isEqualTo(first);
    assertThat(AttemptsStrand.of(record).allowed(pads)).isEqualTo(3);
    take(new Fact.AttemptsAdded(PADS, 2));
    assertThat(AttemptsStrand.of(record).allowed(pads)).isEqualTo(5);
    assertThat(record.extraAttempts(pads)).isEqualTo(2);
    assertThat(AttemptsStrand.of(record).allowed(card)).as("no limit").isZero();
  }

  @Test
  void staffs_points_count_before_the_best_attempt_even_when_they_are_none() {
    take(new AttemptFact.FinishedAttempt(PADS, 1, 12, 15));
    take(new WorkFact.Marked(PADS, 0, 0, 15, Judgement.AGAIN, ""));
    long marked = learner.now().toEpochMilli();
    assertThat(record.score(pads)).isZero();
    assertThat(record.scoredAt(pads)).isEqualTo(marked);
    take(new WorkFact.HandedIn(JOB_CARD, 1));
    take(new WorkFact.Marked(JOB_CARD, 1, 0, 0, Judgement.PASSED, ""));
    assertThat(record.scored(card)).as("a judgement without points").isFalse();
    take(new WorkFact.HandedIn(JOB_CARD, 2));
    take(new WorkFact.Marked(JOB_CARD, 2, 0, 20, Judgement.AGAIN, ""));
    assertThat(record.scored(card)).isTrue();
  }

  @Test
  void whatever_a_learner_does_at_a_step_says_when_they_were_last_here() {
    for (Fact.What what :
        List.of(
            new SeenFact.Saw(PADS),
            new TimeFact.SpentTime(PADS, 30),
            new FilmFact.Watched(PADS, 0, 5, 9),
            new AttemptFact.StartedAttempt(PADS, 1),
            new AttemptFact.FinishedAttempt(PADS, 1, 3, 15),
            new WorkFact.HandedIn(PADS, 1),
            new PostFact.Posted(PADS, new PostId(1)),
            new PostFact.Replied(PADS, new PostId(2)),
            new ConfirmFact.Confirmed(PADS))) {
      var fresh = Strands.record(index, JUNO);
      fresh.take(learner.fact(new Fact.Enrolled()));
      fresh.take(learner.fact(what));
      long now = learner.now().toEpochMilli();
      assertThat(fresh.lastHere()).as(what.toString()).isEqualTo(now);
      assertThat(fresh.touchedAt(pads)).as(what.toString()).isEqualTo(now);
      fresh.take(learner.fact(new SignOffFact.SignedOff(PADS, "")));
      assertThat(fresh.lastHere()).as("that is what staff did").isEqualTo(now);
    }
  }

  @Test
  void time_and_film_are_counted_from_the_last_visit_or_report() {
    assertThat(Visits.timedFrom(record, pads)).isEqualTo(LearnerRecord.NEVER);
    assertThat(Visits.playedFrom(record, pads)).isEqualTo(LearnerRecord.NEVER);
    take(new SeenFact.Saw(PADS));
    long saw = learner.now().toEpochMilli();
    assertThat(Visits.timedFrom(record, pads)).isEqualTo(saw);
    assertThat(Visits.playedFrom(record, pads)).isEqualTo(saw);
    take(new TimeFact.SpentTime(PADS, 30));
    assertThat(Visits.timedFrom(record, pads)).isEqualTo(learner.now().toEpochMilli());
    assertThat(Visits.playedFrom(record, pads)).isEqualTo(saw);
    take(new FilmFact.Watched(PADS, 0, 5, 9));
    assertThat(Visits.playedFrom(record, pads)).isEqualTo(learner.now().toEpochMilli());
  }

  @Test
  void a_moved_due_date_holds_until_it_is_taken_back() {
    assertThat(record.dueMoved(card)).isFalse();
    take(new Fact.DueMoved(JOB_CARD, START));
    assertThat(record.dueMoved(card)).isTrue();
    assertThat(record.due(card)).isEqualTo(START.toEpochMilli());
    take(new Fact.ExceptionEnded(JOB_CARD, Fact.Grant.DUE_MOVED, ""));
    assertThat(record.dueMoved(card)).isFalse();
  }

  @Test
  void a_rating_weighs_as_much_as_its_own_outcome_does_in_the_step() {
    List<Step> steps = new ArrayList<>(steps());
    steps.set(3, tied(steps.get(3), new Step.Tie(SAFE, 5), new Step.Tie(BRAKE, 2)));
    var weighed = Strands.record(new CourseIndex(design(steps)), JUNO);
    weighed.take(learner.fact(new Fact.Rated(BRAKE, 3, Optional.of(JOB_CARD), 1)));
    assertThat(weighed.evidence(brake).getFirst().weight()).isEqualTo(2);
    weighed.take(learner.fact(new Fact.Rated(BRAKE, 3, Optional.of(ANATOMY), 1)));
    assertThat(weighed.evidence(brake).getLast().weight()).as("not tied there").isEqualTo(1);
  }

  @Test
  void a_part_of_a_quiz_counts_for_its_own_outcome_only() {
    var safe = new Quiz.Part(SAFE, 0, 10);
    var own = new Quiz.Part(BRAKE, 10, 10);
    take(new AttemptFact.FinishedAttempt(PADS, 1, 10, 20, List.of(safe, own)));
    assertThat(record.level(brake)).hasValue(2);
    assertThat(record.evidenceAt(brake)).isEqualTo(learner.now().toEpochMilli());
    assertThat(record.evidenceAt(index.number(SAFE))).isEqualTo(LearnerRecord.NEVER);
  }

  @Test
  void the_newest_evidence_of_an_outcome_made_of_others_is_that_of_its_parts() {
    var whole =
        new CourseIndex(withWhole(new Composition(List.of(BRAKE, SAFE), new Composition.All())));
    int w = whole.number(WHOLE);
    var made = Strands.record(whole, JUNO);
    assertThat(made.evidenceAt(w)).isEqualTo(LearnerRecord.NEVER);
    made.take(learner.fact(new Fact.Rated(SAFE, 1, Optional.empty(), 0)));
    long first = learner.now().toEpochMilli();
    assertThat(made.evidenceAt(w)).isEqualTo(first);
    made.take(learner.fact(new Fact.Rated(BRAKE, 1, Optional.empty(), 0)));
    assertThat(made.evidenceAt(w)).isEqualTo(learner.now().toEpochMilli());
    made.take(learner.fact(new Fact.Rated(SAFE, 2, Optional.empty(), 0)));
    assertThat(made.evidenceAt(w)).isEqualTo(learner.now().toEpochMilli());
  }

  @Test
  void facts_about_steps_that_are_gone_are_passed_over() {
    take(new SeenFact.Saw(new StepId(77)));
    take(new AttemptFact.FinishedAttempt(new StepId(77), 1, 5, 10));
    take(new WorkFact.HandedIn(new StepId(77), 1));
    assertThat(record.sawSomething()).isFalse();
  }

  private static final GroupId EVENING = new GroupId(2);

  /** With Saturday's and the evening's own ways at the quiz about pads. */
  private LearnerRecord withGroups(UnaryOperator<Step> dates, Step.Allowance... allowances) {
    List<Step> steps = new ArrayList<>(steps());
    steps.replaceAll(s -> s.id().equals(PADS) ? allowing(dates.apply(s), allowances) : s);
    return Strands.record(new CourseIndex(design(steps)), JUNO);
  }

  private static UnaryOperator<Step> dueAndOver(Instant due) {
    return s -> window(s, START, due, due);
  }

  @Test
  void a_group_has_more_as_long_as_one_is_in_it_and_of_several_groups_the_most() {
    LearnerRecord more =
        withGroups(
            UnaryOperator.identity(),
            new Step.Allowance(SATURDAY, 10, 2, Optional.empty()),
            new Step.Allowance(EVENING, 15, 1, Optional.empty()));
    assertThat(more.extraMinutes(pads)).isZero();
    int left = AttemptsStrand.of(more).left(pads);
    more.take(learner.fact(new Fact.JoinedGroup(SATURDAY)));
    more.take(learner.fact(new Fact.JoinedGroup(EVENING)));
    assertThat(more.extraMinutes(pads)).isEqualTo(15);
    assertThat(AttemptsStrand.of(more).left(pads)).isEqualTo(left + 2);
    more.take(learner.fact(new Fact.TimeAdded(PADS, 5)));
    assertThat(more.extraMinutes(pads)).as("beside what one person has").isEqualTo(20);
    more.take(learner.fact(new Fact.LeftGroup(SATURDAY)));
    assertThat(AttemptsStrand.of(more).left(pads)).isEqualTo(left + 1);
  }

  @Test
  void a_later_date_of_a_group_moves_the_end_along_and_one_persons_own_goes_before_it() {
    Instant due = START.plus(Duration.ofDays(7));
    Instant later = due.plus(Duration.ofDays(3));
    LearnerRecord more =
        withGroups(dueAndOver(due), new Step.Allowance(SATURDAY, 0, 0, Optional.of(later)));
    assertThat(more.due(pads)).isEqualTo(due.toEpochMilli());
    more.take(learner.fact(new Fact.JoinedGroup(SATURDAY)));
    assertThat(more.due(pads)).isEqualTo(later.toEpochMilli());
    assertThat(more.closesAt(pads)).isEqualTo(later.toEpochMilli());
    assertThat(more.takesUntil(pads)).isEqualTo(later.toEpochMilli());
    Instant own = due.plus(Duration.ofDays(1));
    more.take(learner.fact(new Fact.DueMoved(PADS, own)));
    assertThat(more.due(pads)).isEqualTo(own.toEpochMilli());
  }

  @Test
  void an_earlier_date_of_a_group_changes_nothing() {
    Instant due = START.plus(Duration.ofDays(7));
    LearnerRecord more =
        withGroups(dueAndOver(due), new Step.Allowance(SATURDAY, 0, 0, Optional.of(START)));
    more.take(learner.fact(new Fact.JoinedGroup(SATURDAY)));
    assertThat(more.due(pads)).isEqualTo(due.toEpochMilli());
    assertThat(more.dueMoved(pads)).isFalse();
  }

  @Test
  void a_group_has_one_allowance_at_a_step() {
    var twice = new Step.Allowance(SATURDAY, 5, 0, Optional.empty());
    assertThat(refused(() -> withGroups(UnaryOperator.identity(), twice, twice)))
        .isEqualTo("A group stands there twice. Put what it has in one line.");
  }
}
