package yendrik.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;
import yendrik.core.Workshop;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.course.Validity;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;

/** Badges that are valid for a while, and how they are earned again. */
class EndingBadgesTest {
  private static final StepId NEXT = new StepId(20);
  private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");
  private final Workshop learner = new Workshop();
  private Progress progress;

  private static CourseDesign course(Validity validity) {
    Badge badge =
        new Badge(
            BRAKE_HAND,
            "Brake Hand",
            "",
            Optional.empty(),
            Optional.of(ask(new SeenLeaf.Seen(ANATOMY))),
            false,
            validity);
    Step follows = followsItsRule(opens(page(NEXT), ask(new Leaf.HoldsBadge(BRAKE_HAND))));
    return design(
        List.of(
            new CourseModule(
                BRAKES,
                "Brakes",
                true,
                false,
                Optional.empty(),
                Optional.empty(),
                Step.Gate.USUAL,
                List.of(page(ANATOMY), follows))),
        List.of(badge));
  }

  private static Step page(StepId id) {
    return step(id, "Page " + id, StepKind.PAGE, ask(new SeenLeaf.Seen(id)));
  }

  private static Validity months(int n, Optional<Condition> renewed, StepId... anew) {
    return new Validity(
        new Validity.Lasting.Months(n),
        30,
        Optional.of(new Validity.Renewal(List.of(anew), renewed)));
  }

  private void begin(Validity validity) {
    progress = Progress.begin(CompiledCourse.of(course(validity)), JUNO, START);
    take(new Fact.Enrolled());
  }

  private void take(Fact.What what) {
    progress.take(learner.fact(what));
    for (Progress.ToIssue issue : progress.toIssue()) progress.take(learner.fact(issue.what()));
  }

  private StepState next() {
    return progress.bead(progress.course().index().number(NEXT)).state();
  }

  @Test
  void what_is_valid_for_some_months_ends_by_the_clock_and_what_follows_it_closes() {
    begin(new Validity(new Validity.Lasting.Months(2), 10, Optional.empty()));
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.sight().holds(0)).isTrue();
    assertThat(next()).isEqualTo(StepState.OPEN);
    Instant end = progress.endsAt(0).orElseThrow();
    assertThat(end)
        .isEqualTo(
            progress
                .earnedAt(0)
                .orElseThrow()
                .atZone(course(Validity.FOREVER).zone())
                .plusMonths(2)
                .toInstant());
    assertThat(Instant.ofEpochMilli(progress.nextMoment()))
        .as("it is looked at again when it ends soon, if not before")
        .isBeforeOrEqualTo(end.minus(Duration.ofDays(10)));
    progress.advance(end.minusMillis(1));
    assertThat(progress.sight().holds(0)).isTrue();
    progress.advance(end);
    assertThat(progress.sight().holds(0)).isFalse();
    assertThat(next()).isEqualTo(StepState.CLOSED);
    assertThat(progress.toIssue()).as("at most once").isEmpty();
    assertThat(progress.inDoubt()).isEmpty();
    assertThat(progress.sight().badgeOutOfReach(0)).isTrue();
  }

  @Test
  void what_is_valid_until_a_day_is_not_awarded_after_it() {
    LocalDate day = START.atZone(course(Validity.FOREVER).zone()).toLocalDate();
    begin(new Validity(new Validity.Lasting.Until(day), 10, Optional.empty()));
    learner.later(Duration.ofDays(2));
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.sight().holds(0)).isFalse();
    assertThat(progress.record().holds(0)).as("issued").isFalse();
    assertThat(progress.earnedAt(0)).isEmpty();
    assertThat(progress.sight().badgeOutOfReach(0)).isTrue();
  }

  @Test
  void what_is_valid_until_a_day_is_out_of_reach_when_the_day_is_over() {
    ZoneId zone = course(Validity.FOREVER).zone();
    LocalDate day = START.atZone(zone).toLocalDate().plusDays(5);
    Instant end = day.plusDays(1).atStartOfDay(zone).toInstant();
    begin(new Validity(new Validity.Lasting.Until(day), 10, months(2, Optional.empty()).renewal()));
    progress.advance(end.minusMillis(1));
    assertThat(progress.sight().badgeOutOfReach(0)).isFalse();
    assertThat(Instant.ofEpochMilli(progress.nextMoment())).isEqualTo(end);
    progress.advance(end);
    assertThat(progress.sight().badgeOutOfReach(0)).isTrue();
  }

  @Test
  void what_came_too_late_for_its_day_is_awarded_when_a_publication_gives_it_another() {
    LocalDate day = START.atZone(course(Validity.FOREVER).zone()).toLocalDate();
    begin(new Validity(new Validity.Lasting.Until(day), 10, Optional.empty()));
    learner.later(Duration.ofDays(2));
    take(new SeenFact.Saw(ANATOMY));
    learner.later(Duration.ofDays(2));
    Instant published = learner.now();
    progress = progress.under(CompiledCourse.of(course(Validity.FOREVER)), learner.all, published);
    progress.advance(published);
    assertThat(progress.toIssue())
        .extracting(Progress.ToIssue::earnedAt)
        .as("not before it could be had, or what followed from it then would be other than it was")
        .containsExactly(published);
  }

  @Test
  void the_end_of_an_award_stays_whatever_is_published_later() {
    begin(new Validity(new Validity.Lasting.Months(2), 10, Optional.empty()));
    take(new SeenFact.Saw(ANATOMY));
    Instant end = progress.endsAt(0).orElseThrow();
    progress =
        progress.under(CompiledCourse.of(course(Validity.FOREVER)), learner.all, learner.now());
    assertThat(progress.endsAt(0)).contains(end);
  }

  @Test
  void renewing_asks_for_what_happened_since_the_last_award() {
    begin(months(2, Optional.empty(), ANATOMY));
    take(new SeenFact.Saw(ANATOMY));
    Instant award = learner.now();
    Instant end = progress.endsAt(0).orElseThrow();
    assertThat(progress.toRenew()).as("not yet").isEmpty();
    progress.advance(end.minus(Duration.ofDays(28)));
    assertThat(progress.toRenew()).containsExactly(0);
    var beside = CompiledCourse.of(Renewing.beside(progress.course().design(), BRAKE_HAND));
    Progress since =
        Renewing.since(beside, JUNO, Facts.standing(learner.all), award, progress.asOf());
    assertThat(since.earnedAt(0)).isEmpty();
    learner.later(Duration.between(learner.now(), end).minusDays(3));
    take(new Fact.StartedAnew(ANATOMY, Optional.empty()));
    take(new SeenFact.Saw(ANATOMY));
    since = Renewing.since(beside, JUNO, Facts.standing(learner.all), award, learner.now());
    assertThat(since.earnedAt(0)).contains(learner.now());
    Validity validity = progress.course().index().badge(0).validity();
    Optional<Instant> until = validity.renewed(learner.now(), end, OSLO);
    assertThat(until).contains(end.atZone(OSLO).plusMonths(2).toInstant());
    take(new Fact.BadgeIssued(BRAKE_HAND, "", until));
    assertThat(progress.endsAt(0)).isEqualTo(until);
    assertThat(progress.toRenew()).isEmpty();
  }

  @Test
  void who_was_revoked_renews_nothing() {
    begin(months(1, Optional.empty()));
    take(new SeenFact.Saw(ANATOMY));
    take(new Fact.BadgeRevoked(BRAKE_HAND, "an error"));
    progress.advance(START.plus(Duration.ofDays(90)));
    assertThat(progress.toRenew()).isEmpty();
  }

  @Property
  void the_last_day_is_whole_and_months_keep_the_time_of_day(
      @ForAll @IntRange(min = 0, max = 4000) int hours,
      @ForAll @IntRange(min = 1, max = Validity.MOST_MONTHS) int months) {
    Instant at = START.plus(Duration.ofHours(hours));
    var some = new Validity(new Validity.Lasting.Months(months), 30, Optional.empty());
    var end = some.end(at, OSLO).orElseThrow().atZone(OSLO);
    assertThat(end.toLocalDate()).isEqualTo(at.atZone(OSLO).toLocalDate().plusMonths(months));
    assertThat(some.soon(end.toInstant())).as("not at once").isAfter(at);
    LocalDate day = at.atZone(OSLO).toLocalDate();
    var until = new Validity(new Validity.Lasting.Until(day), 30, Optional.empty());
    Instant over = until.end(at, OSLO).orElseThrow();
    assertThat(over).isAfter(at);
    assertThat(over.minusMillis(1).atZone(OSLO).toLocalDate()).isEqualTo(day);
  }

  @Test
  void absurd_figures_are_refused() {
    assertThatThrownBy(() -> new Validity.Lasting.Months(0)).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> new Validity.Lasting.Months(121)).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> new Validity(new Validity.Lasting.Always(), 0, Optional.empty()))
        .isInstanceOf(Refusal.class);
  }
}
