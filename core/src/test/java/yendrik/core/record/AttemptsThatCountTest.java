package yendrik.core.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yendrik.core.Workshop.BRAKE;
import static yendrik.core.Workshop.JUNO;
import static yendrik.core.Workshop.PADS;
import static yendrik.core.Workshop.design;
import static yendrik.core.Workshop.steps;

import java.util.List;
import java.util.OptionalInt;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import yendrik.core.StepBuilder;
import yendrik.core.Workshop;
import yendrik.core.course.Counts;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.kind.Strands;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptsStrand;

/** Which of several attempts counts. */
class AttemptsThatCountTest {
  /** Points of 15 that give 40 %, 80 % and 20 %. */
  private static final List<Integer> UP_AND_DOWN = List.of(6, 12, 3);

  private final Workshop learner = new Workshop();

  private static CourseDesign scored(Step.Scoring scoring) {
    return design(
        steps().stream()
            .map(s -> s.id().equals(PADS) ? StepBuilder.builder(s).scoring(scoring).build() : s)
            .toList());
  }

  private LearnerRecord after(Step.Scoring scoring, List<Integer> points) {
    LearnerRecord record = Strands.record(new CourseIndex(scored(scoring)), JUNO);
    for (int n = 0; n < points.size(); n++)
      record.take(learner.fact(new AttemptFact.FinishedAttempt(PADS, n + 1, points.get(n), 15)));
    return record;
  }

  private LearnerRecord after(Counts counts, List<Integer> points) {
    return after(Step.Scoring.counting(15, 0.6, 0, counts), points);
  }

  private static int pads(LearnerRecord record) {
    return record.index().number(PADS);
  }

  private static double score(LearnerRecord record) {
    return record.score(pads(record));
  }

  private static OptionalInt level(LearnerRecord record) {
    return record.level(record.index().number(BRAKE));
  }

  @Test
  void the_best_the_latest_the_first_or_the_mean_counts() {
    assertThat(score(after(Counts.BEST, UP_AND_DOWN))).isEqualTo(0.8);
    assertThat(score(after(Counts.LATEST, UP_AND_DOWN))).isEqualTo(0.2);
    assertThat(score(after(Counts.FIRST, UP_AND_DOWN))).isEqualTo(0.4);
    assertThat(score(after(Counts.MEAN, UP_AND_DOWN))).isCloseTo(7 / 15.0, within(1e-9));
  }

  @Test
  void the_evidence_for_an_outcome_is_that_of_what_counts() {
    assertThat(level(after(Counts.BEST, UP_AND_DOWN))).hasValue(2);
    assertThat(level(after(Counts.LATEST, UP_AND_DOWN))).hasValue(0);
    assertThat(level(after(Counts.FIRST, UP_AND_DOWN))).hasValue(1);
    LearnerRecord latest = after(Counts.LATEST, UP_AND_DOWN);
    assertThat(latest.evidence(latest.index().number(BRAKE))).hasSize(1);
  }

  @Test
  void it_is_marked_when_what_counts_was_finished() {
    LearnerRecord first = after(Counts.FIRST, List.of(6));
    long then = AttemptsStrand.of(first).markedAt(pads(first));
    first.take(learner.fact(new AttemptFact.FinishedAttempt(PADS, 2, 15, 15)));
    assertThat(AttemptsStrand.of(first).markedAt(pads(first))).isEqualTo(then);
    assertThat(AttemptsStrand.of(first).latestAt(pads(first))).isGreaterThan(then);
  }

  @Test
  void a_check_of_ones_own_is_tried_and_never_scored() {
    LearnerRecord record = after(new Step.Scoring(0, 0.6, 0), List.of(15));
    assertThat(AttemptsStrand.of(record).made(pads(record))).isEqualTo(1);
    assertThat(record.scored(pads(record))).isFalse();
    assertThat(AttemptsStrand.of(record).passed(pads(record))).isFalse();
    assertThat(level(record)).isEmpty();
  }

  @Test
  void what_staff_have_still_to_mark_waits_while_the_rest_counts() {
    LearnerRecord record = after(new Step.Scoring(15, 0.6, 1), List.of());
    record.take(learner.fact(new AttemptFact.FinishedAttempt(PADS, 1, 10, 15, List.of(), 1)));
    AttemptsStrand strand = AttemptsStrand.of(record);
    assertThat(score(record)).isCloseTo(10 / 15.0, within(1e-9));
    assertThat(record.waiting(pads(record))).isTrue();
    assertThat(strand.marked(pads(record))).isFalse();
    assertThat(strand.spent(pads(record))).as("until it is marked").isFalse();
    assertThat(strand.passed(pads(record))).isTrue();
  }

  @Property
  void what_counts_lies_between_the_worst_and_the_best(
      @ForAll @Size(min = 1, max = 6) List<@IntRange(max = 15) Integer> points,
      @ForAll Counts counts) {
    double score = score(after(counts, points));
    double worst = points.stream().mapToInt(p -> p).min().orElse(0) / 15.0;
    double best = points.stream().mapToInt(p -> p).max().orElse(0) / 15.0;
    assertThat(score).isBetween(worst - 1e-9, best + 1e-9);
  }

  @Property
  void a_record_that_is_taken_up_again_counts_the_same(
      @ForAll @Size(min = 1, max = 4) List<@IntRange(max = 15) Integer> points,
      @ForAll @IntRange(max = 15) int next,
      @ForAll Counts counts) {
    LearnerRecord whole = after(counts, points);
    LearnerRecord again = LearnerRecord.of(whole.index(), JUNO, Strands.ALL, whole.sums());
    var fact = learner.fact(new AttemptFact.FinishedAttempt(PADS, points.size() + 1, next, 15));
    whole.take(fact);
    again.take(fact);
    assertThat(score(again)).isEqualTo(score(whole));
    assertThat(again.sums()).isEqualTo(whole.sums());
    assertThat(level(again)).isEqualTo(level(whole));
  }
}
