package yendrik.server.live;

import java.io.IOException;
import java.time.Duration;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.server.people.Seat;

/**
 * Somebody who listens to a course. What there is to say is gathered and sent on a thread of its
 * own, so that one who reads slowly holds up nobody else.
 */
final class Listener {
  private static final long SLOWEST_NANOS = Duration.ofSeconds(10).toNanos();
  private final SseEmitter emitter;
  private final Optional<String> session;
  private Seat seat;
  private final Set<PersonId> changed = new LinkedHashSet<>();
  private boolean still;
  private boolean sending;
  private long since;

  /**
   * @param session in which the person listens, if it is known
   */
  Listener(SseEmitter emitter, Seat seat, Optional<String> session) {
    this.emitter = emitter;
    this.seat = seat;
    this.session = session;
  }

  Optional<String> session() {
    return session;
  }

  synchronized Seat seat() {
    return seat;
  }

  /** What the person may see by now. */
  synchronized void seat(Seat now) {
    seat = now;
  }

  private boolean hears(PersonId person, List<GroupId> groups) {
    return seat.person().id().equals(person) || seat.sees(groups);
  }

  synchronized void changed(PersonId person, List<GroupId> groups) {
    if (hears(person, groups)) changed.add(person);
  }

  /** A sign of life is due. */
  synchronized void still() {
    still = true;
  }

  /** Begins to send what has gathered, unless the last of it is still on its way. */
  void flush() {
    Optional<SseEmitter.SseEventBuilder> next = next();
    next.ifPresent(event -> Thread.ofVirtual().name("event").start(() -> send(event)));
  }

  private synchronized Optional<SseEmitter.SseEventBuilder> next() {
    if (sending || (changed.isEmpty() && !still)) return Optional.empty();
    SseEmitter.SseEventBuilder event = SseEmitter.event().name("still").data("");
    if (!changed.isEmpty()) {
      String ids = changed.stream().map(String::valueOf).collect(Collectors.joining(" "));
      event = SseEmitter.event().name("changed").data(ids);
    }
    changed.clear();
    still = false;
    sending = true;
    since = System.nanoTime();
    return Optional.of(event);
  }

  private void send(SseEmitter.SseEventBuilder event) {
    try {
      emitter.send(event);
    } catch (IOException | IllegalStateException e) {
      emitter.completeWithError(e);
    } finally {
      sent();
    }
  }

  private synchronized void sent() {
    sending = false;
  }

  /** Whether the reader has taken nothing for too long. */
  synchronized boolean tooSlow() {
    return sending && System.nanoTime() - since > SLOWEST_NANOS;
  }

  void end() {
    emitter.complete();
  }
}
