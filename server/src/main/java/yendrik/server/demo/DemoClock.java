package yendrik.server.demo;

import static java.util.Objects.requireNonNull;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicReference;

/**
 * A clock that can be put to a moment while the demo's past is lived through, and then runs again:
 * with the machine's clock, or from a moment that was set for it, so that a demo looks the same on
 * every day.
 */
public final class DemoClock extends Clock {
  private final Clock running;
  private final AtomicReference<Clock> hands;

  private DemoClock(Clock running) {
    this.running = running;
    hands = new AtomicReference<>(running);
  }

  /** Runs with the machine's clock. */
  static DemoClock ofToday() {
    return new DemoClock(Clock.systemUTC());
  }

  /** Runs as if it had been this moment when the clock was made. */
  static DemoClock from(Instant today) {
    Clock machine = Clock.systemUTC();
    return new DemoClock(Clock.offset(machine, Duration.between(machine.instant(), today)));
  }

  /**
   * @param today a moment as ISO 8601 writes it, empty for the machine's clock
   */
  public static DemoClock of(String today) {
    return today.isEmpty() ? ofToday() : from(Instant.parse(today));
  }

  public void putTo(Instant moment) {
    hands.set(Clock.fixed(moment, ZoneOffset.UTC));
  }

  public void run() {
    hands.set(running);
  }

  @Override
  public ZoneId getZone() {
    return ZoneOffset.UTC;
  }

  @Override
  public Clock withZone(ZoneId zone) {
    return requireNonNull(hands.get()).withZone(zone);
  }

  @Override
  public Instant instant() {
    return requireNonNull(hands.get()).instant();
  }
}
