package yendrik.server.teach;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.FactId;
import yendrik.core.id.OutcomeId;
import yendrik.core.outcome.Outcome;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.server.http.Problem;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Added;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** Ratings outside any step: what a member of staff saw, of one learner or of many at once. */
@Service
@Transactional
public class Ratings {
  private final Walks walks;
  private final Learners learners;

  Ratings(Walks walks, Learners learners) {
    this.walks = walks;
    this.learners = learners;
  }

  /** A rating that stands in a learner's record. */
  public record Given(EnrolmentId enrolment, FactId fact) {}

  /**
   * Rates learners on an outcome, all of them or none.
   *
   * @param level index of a level of the outcome's scale, weakest first
   */
  List<Given> rate(
      Seat seat,
      OutcomeId outcomeId,
      int level,
      List<EnrolmentId> enrolments,
      Optional<String> note) {
    List<Given> given = new ArrayList<>();
    for (EnrolmentId enrolment : enrolments.stream().distinct().sorted().toList()) {
      learners.one(seat, enrolment);
      Walk walk =
          walks.act(
              enrolment,
              Optional.of(seat.person().id()),
              w -> List.of(rated(w.progress().course().index(), outcomeId, level, note)));
      given.add(new Given(enrolment, newest(walk)));
    }
    return given;
  }

  private static Fact.Rated rated(
      CourseIndex index, OutcomeId outcomeId, int level, Optional<String> note) {
    int o = index.number(outcomeId);
    if (o == CourseIndex.UNKNOWN) throw Problem.field("outcome", "no-such-outcome");
    Outcome outcome = index.outcome(o);
    if (outcome.madeOf().isPresent())
      throw Problem.field("outcome", "rate-the-parts", "outcome", outcome.code());
    if (level < 0 || level > outcome.scale().top())
      throw Problem.field("level", "no-such-level", "outcome", outcome.code());
    return new Fact.Rated(
        outcome.id(),
        outcome.scale().key(level),
        Optional.empty(),
        0,
        note.map(String::strip).filter(n -> !n.isEmpty()));
  }

  private static FactId newest(Walk walk) {
    return walk.facts().stream()
        .filter(f -> f.what() instanceof Fact.Rated)
        .map(Fact::id)
        .max(Comparator.naturalOrder())
        .orElseThrow();
  }

  private static Fact own(Walk walk, Given rating, Seat seat) {
    return Facts.standing(walk.facts()).stream()
        .filter(f ->
            f.id().equals(rating.fact())
                && f.what() instanceof Fact.Rated
                && f.by().filter(seat.person().id()::equals).isPresent())
        .findFirst()
        .orElseThrow(() -> Problem.conflict("not-your-rating"));
  }

  /** Takes ratings back that this person gave; their history stays. */
  void takeBack(Seat seat, List<Given> ratings, String reason) {
    for (Given rating : ratings) {
      learners.one(seat, rating.enrolment());
      walks.change(
          rating.enrolment(),
          Optional.of(seat.person().id()),
          w -> List.of(Added.inPlaceOf(own(w, rating, seat), new Fact.TakenBack(reason))));
    }
  }
}
