package yendrik.server.learn;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.server.http.Problem;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.way.Way;

/**
 * Says whose way an address means: {@code mine} for a learner, {@code practice} for staff who walk
 * the draft as a made-up learner, {@code as-12} for staff who look through the eyes of enrolment
 * 12, and {@code as-12-at-1796083200} with the clock wound forward to that second of the epoch.
 */
@Component
public class Wayfarer {
  static final String MINE = "mine";
  static final String PRACTICE = "practice";

  /** The farthest that a clock is wound forward. */
  static final Duration FARTHEST = Duration.ofDays(731);

  private static final Pattern WATCHED = Pattern.compile("as-([1-9]\\d{0,17})(?:-at-(\\d{1,11}))?");
  private final Walks walks;
  private final Learners learners;
  private final Clock clock;

  Wayfarer(Walks walks, Learners learners, Clock clock) {
    this.clock = clock;
    this.walks = walks;
    this.learners = learners;
  }

  /** How an address names a way. */
  static String name(Walk walk) {
    if (!walk.watched()) return walk.practice() ? PRACTICE : MINE;
    String who = "as-" + walk.enrolment();
    return walk.way().at().map(at -> who + "-at-" + at.getEpochSecond()).orElse(who);
  }

  static boolean watched(String walk) {
    return WATCHED.matcher(walk).matches();
  }

  /** The enrolment of a way that was begun, on which something is to be done. */
  public EnrolmentId enrolment(Seat seat, String walk) {
    return of(seat, walk, walks::practiceBegun);
  }

  /** A way that was begun, to be read. */
  public Way way(Seat seat, String walk) {
    Matcher watched = WATCHED.matcher(walk);
    return watched.matches() ? watched(seat, watched) : Way.of(enrolment(seat, walk));
  }

  private Way watched(Seat seat, Matcher named) {
    if (!seat.has(Right.TEACH)) throw Problem.forbidden("only-staff-walk");
    EnrolmentId who = new EnrolmentId(Long.parseLong(named.group(1)));
    if (!learners.sees(seat, who)) throw Problem.notFound("learner");
    Optional<Instant> at = Optional.ofNullable(named.group(2)).map(this::moment);
    return Way.watched(who, at);
  }

  private Instant moment(String seconds) {
    try {
      Instant at = Instant.ofEpochSecond(Long.parseLong(seconds));
      if (at.isAfter(clock.instant().plus(FARTHEST))) throw Problem.conflict("no-such-moment");
      return at;
    } catch (DateTimeException e) {
      throw Problem.conflict("no-such-moment");
    }
  }

  /** Whether somebody on the staff is about to walk as a made-up learner for the first time. */
  boolean begins(Seat seat, String walk) {
    return walk.equals(PRACTICE)
        && seat.has(Right.TEACH)
        && walks.practiceBegun(seat.course(), seat.person().id()).isEmpty();
  }

  /** Does something on a way; with the first thing that is not refused a made-up learner begins. */
  @Transactional
  public <T> T going(Seat seat, String walk, Function<EnrolmentId, T> what) {
    return what.apply(
        of(seat, walk, (course, staff) -> Optional.of(walks.practice(course, staff))));
  }

  /** Takes a made-up learner away with every trace and begins with another, or does neither. */
  @Transactional
  <T> T goingAnew(Seat seat, Function<EnrolmentId, T> what) {
    walks.startOver(seat.course(), seat.person().id());
    return going(seat, PRACTICE, what);
  }

  private static EnrolmentId of(
      Seat seat, String walk, BiFunction<CourseId, PersonId, Optional<EnrolmentId>> practice) {
    if (watched(walk)) throw Problem.forbidden("only-looking");
    return switch (walk) {
      case MINE -> seat.enrolment().orElseThrow(() -> Problem.forbidden("not-enrolled"));
      case PRACTICE -> {
        if (!seat.has(Right.TEACH)) throw Problem.forbidden("only-staff-walk");
        yield practice
            .apply(seat.course(), seat.person().id())
            .orElseThrow(() -> Problem.notFound("walk"));
      }
      default -> throw Problem.notFound("walk");
    };
  }
}
