package yendrik.server.learn;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Progress;
import yendrik.core.rehearse.BroughtAbout;
import yendrik.core.rule.Leaf;
import yendrik.server.http.Problem;
import yendrik.server.way.Walks;

/** Lets happen to a made-up learner what would have to be so for something else to be. */
@Service
@Transactional
class AsIfSo {
  private final Walks walks;
  private final Clock clock;

  AsIfSo(Walks walks, Clock clock) {
    this.walks = walks;
    this.clock = clock;
  }

  /** What can be said to be so of a step. */
  enum So {
    OPEN,
    DONE
  }

  /**
   * All of it happens, or nothing does.
   *
   * @throws Problem saying why it cannot come about
   */
  void comes(EnrolmentId practice, PersonId by, StepId step, So so) {
    // Alone with the made-up learner: what is worked out must be of what there is when it happens.
    walks.act(practice, Optional.of(by), _ -> List.of());
    Progress now = walks.see(practice).progress();
    BroughtAbout brought =
        switch (so) {
          case OPEN -> BroughtAbout.open(now, step);
          case DONE -> BroughtAbout.so(now, new Leaf.StepDone(step));
        };
    brought
        .cannot()
        .ifPresent(why -> {
          throw Problem.conflict("cannot-be-so", "why", why.name());
        });
    for (BroughtAbout.Event event : brought.events())
      switch (event) {
        case BroughtAbout.Event.Happens h ->
            walks.act(practice, Optional.of(by), _ -> List.of(h.what()));
        case BroughtAbout.Event.Until u -> wind(practice, u.moment());
      }
  }

  private void wind(EnrolmentId practice, Instant moment) {
    Duration ahead = Duration.between(clock.instant(), moment);
    long seconds = ahead.getSeconds() + (ahead.getNano() > 0 ? 1 : 0);
    walks.windForward(practice, Math.max(seconds, walks.ahead(practice)));
  }
}
