package yendrik.server.demo;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicReference;

/**
 * A clock that can be put to a moment while the demo's past is lived through, and then runs again.
 */
public final class DemoClock extends Clock {
  private final AtomicReference<Clock> hands = new AtomicReference<>(Clock.systemUTC());

  public void putTo(Instant moment) {
    hands.set(Clock.fixed(moment, ZoneOffset.UTC));
  }

  public void run() {
    hands.set(Clock.systemUTC());
  }

  @Override
  public ZoneId getZone() {
    return ZoneOffset.UTC;
  }

  @Override
  public Clock withZone(ZoneId zone) {
    return hands.get().withZone(zone);
  }

  @Override
  public Instant instant() {
    return hands.get().instant();
  }
}
