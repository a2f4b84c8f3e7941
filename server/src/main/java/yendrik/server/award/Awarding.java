package yendrik.server.award;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.BadgeId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.record.Fact;
import yendrik.server.http.Problem;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** Gives badges by hand and takes them back. */
@Service
class Awarding {
  private final Learners learners;
  private final Walks walks;

  Awarding(Learners learners, Walks walks) {
    this.learners = learners;
    this.walks = walks;
  }

  /**
   * Gives a badge; one that is held and valid is not given again.
   *
   * @param evidence the address of what shows it
   */
  void give(
      Seat seat, EnrolmentId learner, BadgeId badge, String reason, Optional<String> evidence) {
    String name = learners.one(seat, learner).name();
    walks.act(
        learner,
        Optional.of(seat.person().id()),
        w -> {
          int b = number(w, badge);
          CourseIndex index = w.progress().course().index();
          if (w.progress().sight().holds(b))
            throw Problem.conflict(
                "holds-badge-already", "name", name, "badge", index.badge(b).name());
          Instant now = w.progress().asOf();
          Optional<Instant> end = index.badge(b).validity().end(now, index.design().zone());
          if (end.filter(e -> !e.isAfter(now)).isPresent())
            throw Problem.conflict("badge-is-over", "badge", index.badge(b).name());
          return List.of(new Fact.BadgeIssued(badge, reason.strip(), end, evidence));
        });
  }

  /** Takes a badge back, ended or not; its holder reads the reason. */
  void revoke(Seat seat, EnrolmentId learner, BadgeId badge, String reason) {
    String name = learners.one(seat, learner).name();
    walks.act(
        learner,
        Optional.of(seat.person().id()),
        w -> {
          int b = number(w, badge);
          if (!w.progress().record().holds(b))
            throw Problem.conflict(
                "holds-no-such-badge",
                "name",
                name,
                "badge",
                w.progress().course().index().badge(b).name());
          return List.of(new Fact.BadgeRevoked(badge, reason.strip()));
        });
  }

  private static int number(Walk walk, BadgeId badge) {
    int b = walk.progress().course().index().number(badge);
    if (b == CourseIndex.UNKNOWN) throw Problem.field("badge", "no-such-badge");
    return b;
  }
}
