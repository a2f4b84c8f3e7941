package yendrik.core.record;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.Workshop;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Strands;
import yendrik.core.kind.Visits;
import yendrik.core.outcome.Composition;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.confirm.ConfirmFact;
import yendrik.core.strand.confirm.ConfirmStrand;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.film.FilmStrand;
import yendrik.core.strand.posts.PostFact;
import yendrik.core.strand.posts.PostsStrand;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenStrand;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.signoff.SignOffStrand;
import yendrik.core.strand.time.TimeFact;
import yendrik.core.strand.time.TimeStrand;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.strand.work.WorkStrand;

/** A record that goes on from its sums is the one that took all the facts. */
class SumsTest {
  private final CourseIndex index =
      new CourseIndex(withWhole(new Composition(List.of(BRAKE, SAFE), new Composition.All())));
  private final Workshop learner = new Workshop();
  private final LearnerRecord record = Strands.record(index, JUNO);

  private void take(Fact.What... whats) {
    for (Fact.What what : whats) record.take(learner.fact(what));
  }

  private LearnerRecord goneOn() {
    return LearnerRecord.of(index, JUNO, Strands.ALL, record.sums());
  }

  private void everything() {
    take(
        new Fact.Enrolled(),
        new Fact.JoinedGroup(SATURDAY),
        new Fact.WasHere(),
        new SeenFact.Saw(ANATOMY),
        new TimeFact.SpentTime(ANATOMY, 90),
        new FilmFact.Watched(ANATOMY, 5, 20, 100),
        new FilmFact.Watched(ANATOMY, 40, 50, 100),
        new ConfirmFact.Confirmed(ANATOMY),
        new PostFact.Posted(SECOND_LOOK, new PostId(1)),
        new PostFact.Replied(SECOND_LOOK, new PostId(2)),
        new PostFact.Replied(SECOND_LOOK, new PostId(3)),
        new AttemptFact.FinishedAttempt(PADS, 1, 6, 15),
        new Fact.AttemptsAdded(PADS, 2),
        new Fact.TimeAdded(PADS, 10),
        new AttemptFact.FinishedAttempt(PADS, 2, 12, 15),
        new SignOffFact.SignedOff(PRACTICAL, "well done"),
        new WorkFact.HandedIn(JOB_CARD, 1),
        new WorkFact.Marked(JOB_CARD, 1, 8, 20, Judgement.AGAIN, "again"),
        new WorkFact.HandedIn(JOB_CARD, 2),
        new Fact.DueMoved(JOB_CARD, START.plus(Duration.ofDays(30))),
        new Fact.Excused(SECOND_LOOK, "not needed"),
        new Fact.Opened(SECOND_LOOK),
        new Fact.Opened(PADS, Optional.empty(), Optional.of(START.plusSeconds(90))),
        new Fact.Rated(SAFE, SCALE.key(2), Optional.empty(), 0),
        new Fact.Attendance(FIRST_SATURDAY, Workshop.LATE),
        new Fact.Attendance(SECOND_SATURDAY, Workshop.ABSENT),
        new Fact.BadgeIssued(BRAKE_HAND, ""),
        new Fact.CompletedCourse(INDUCTION));
  }

  @Test
  void says_the_same_of_every_step() {
    everything();
    LearnerRecord again = goneOn();
    for (StepId step : List.of(ANATOMY, PADS, PRACTICAL, JOB_CARD, SECOND_LOOK)) {
      int s = index.number(step);
      assertThat(SeenStrand.of(again).at(s)).isEqualTo(SeenStrand.of(record).at(s));
      assertThat(again.touchedAt(s)).isEqualTo(record.touchedAt(s));
      assertThat(Visits.timedFrom(again, s)).isEqualTo(Visits.timedFrom(record, s));
      assertThat(Visits.playedFrom(again, s)).isEqualTo(Visits.playedFrom(record, s));
      assertThat(TimeStrand.of(again).seconds(s)).isEqualTo(TimeStrand.of(record).seconds(s));
      assertThat(FilmStrand.of(again).share(s)).isEqualTo(FilmStrand.of(record).share(s));
      assertThat(FilmStrand.of(again).parts(s)).isEqualTo(FilmStrand.of(record).parts(s));
      assertThat(ConfirmStrand.of(again).at(s)).isEqualTo(ConfirmStrand.of(record).at(s));
      assertThat(PostsStrand.of(again).posts(s)).isEqualTo(PostsStrand.of(record).posts(s));
      assertThat(PostsStrand.of(again).replies(s)).isEqualTo(PostsStrand.of(record).replies(s));
      assertThat(PostsStrand.of(again).lastAt(s)).isEqualTo(PostsStrand.of(record).lastAt(s));
      assertThat(SignOffStrand.of(again).at(s)).isEqualTo(SignOffStrand.of(record).at(s));
      assertThat(WorkStrand.of(again).version(s)).isEqualTo(WorkStrand.of(record).version(s));
      assertThat(again.waiting(s)).isEqualTo(record.waiting(s));
      assertThat(AttemptsStrand.of(again).made(s)).isEqualTo(AttemptsStrand.of(record).made(s));
      assertThat(AttemptsStrand.of(again).left(s)).isEqualTo(AttemptsStrand.of(record).left(s));
      assertThat(again.scored(s)).isEqualTo(record.scored(s));
      assertThat(again.score(s)).isEqualTo(record.score(s));
      assertThat(again.markedAt(s)).isEqualTo(record.markedAt(s));
      assertThat(again.standing(s)).isEqualTo(record.standing(s));
      assertThat(SignOffStrand.of(again).by(s)).isEqualTo(SignOffStrand.of(record).by(s));
      assertThat(WorkStrand.of(again).handedInAt(s)).isEqualTo(WorkStrand.of(record).handedInAt(s));
      assertThat(again.scoredAt(s)).isEqualTo(record.scoredAt(s));
      assertThat(again.passed(s)).isEqualTo(record.passed(s));
      assertThat(again.needsAnotherGo(s)).isEqualTo(record.needsAnotherGo(s));
      assertThat(again.due(s)).isEqualTo(record.due(s));
      assertThat(again.dueMoved(s)).isEqualTo(record.dueMoved(s));
      assertThat(again.extraAttempts(s)).isEqualTo(record.extraAttempts(s));
      assertThat(again.excused(s)).isEqualTo(record.excused(s));
      assertThat(again.openedUntil(s)).isEqualTo(record.openedUntil(s));
    }
    assertThat(FilmStrand.of(record).parts(index.number(ANATOMY))).containsExactly(5, 20, 40, 50);
    assertThat(record.waiting(index.number(JOB_CARD))).isTrue();
  }

  @Test
  void says_the_same_of_the_person_and_of_levels() {
    everything();
    LearnerRecord again = goneOn();
    assertThat(again.enrolledAt()).isEqualTo(record.enrolledAt());
    assertThat(again.lastHere()).isEqualTo(record.lastHere());
    assertThat(again.groups()).containsExactly(SATURDAY);
    assertThat(again.sessions()).isEqualTo(record.sessions()).hasSize(2);
    assertThat(again.completed(INDUCTION)).isTrue();
    assertThat(again.holds(0)).isTrue();
    assertThat(again.left()).isFalse();
    for (int o = 0; o < index.outcomes(); o++) {
      assertThat(again.level(o)).isEqualTo(record.level(o));
      assertThat(again.evidence(o)).isEqualTo(record.evidence(o));
    }
    assertThat(again.level(index.number(WHOLE))).as("made of others").isPresent();
  }

  @Test
  void goes_on_as_the_other_does() {
    everything();
    LearnerRecord again = goneOn();
    for (Fact.What what :
        List.of(
            new Fact.LeftGroup(SATURDAY),
            new FilmFact.Watched(ANATOMY, 15, 45, 100),
            new AttemptFact.FinishedAttempt(PADS, 3, 15, 15),
            new WorkFact.Marked(JOB_CARD, 2, 18, 20, Judgement.PASSED, ""),
            new Fact.BadgeRevoked(BRAKE_HAND, "by mistake"),
            new Fact.Rated(SAFE, SCALE.key(1), Optional.empty(), 0),
            new Fact.LeftCourse())) {
      Fact fact = learner.fact(what);
      record.take(fact);
      again.take(fact);
      assertThat(again.sums()).as("after " + what).isEqualTo(record.sums());
    }
    assertThat(FilmStrand.of(record).parts(index.number(ANATOMY))).containsExactly(5, 50);
    assertThat(again.left()).isTrue();
    assertThat(again.revoked(0)).isTrue();
  }

  @Test
  void of_nothing_are_nothing() {
    assertThat(record.sums().steps()).isEmpty();
    assertThat(record.sums().evidence()).isEmpty();
    assertThat(goneOn().sums()).isEqualTo(record.sums());
  }
}
