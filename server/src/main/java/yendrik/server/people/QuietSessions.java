package yendrik.server.people;

import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;

/**
 * Writes the last access of a session at most once a minute: every request would write it
 * otherwise, and wait for the disk. A session ends a minute earlier at most.
 */
final class QuietSessions implements SessionRepository<QuietSessions.Quiet> {
  static final Duration PAUSE = Duration.ofMinutes(1);
  private final SessionRepository<Session> sessions;

  QuietSessions(SessionRepository<Session> sessions) {
    this.sessions = sessions;
  }

  @Override
  public Quiet createSession() {
    return new Quiet(sessions.createSession());
  }

  @Override
  public void save(Quiet session) {
    sessions.save(session.session);
  }

  @Override
  public @Nullable Quiet findById(String id) {
    Session found = sessions.findById(id);
    return found == null ? null : new Quiet(found);
  }

  @Override
  public void deleteById(String id) {
    sessions.deleteById(id);
  }

  /** A session that takes note of an access only when the last one is long enough ago. */
  static final class Quiet implements Session {
    private final Session session;

    private Quiet(Session session) {
      this.session = session;
    }

    @Override
    public void setLastAccessedTime(Instant now) {
      if (Duration.between(session.getLastAccessedTime(), now).compareTo(PAUSE) >= 0)
        session.setLastAccessedTime(now);
    }

    @Override
    public String getId() {
      return session.getId();
    }

    @Override
    public String changeSessionId() {
      return session.changeSessionId();
    }

    @Override
    public <T> @Nullable T getAttribute(String name) {
      return session.getAttribute(name);
    }

    @Override
    public Set<String> getAttributeNames() {
      return session.getAttributeNames();
    }

    @Override
    public void setAttribute(String name, @Nullable Object value) {
      session.setAttribute(name, value);
    }

    @Override
    public void removeAttribute(String name) {
      session.removeAttribute(name);
    }

    @Override
    public Instant getCreationTime() {
      return session.getCreationTime();
    }

    @Override
    public Instant getLastAccessedTime() {
      return session.getLastAccessedTime();
    }

    @Override
    public void setMaxInactiveInterval(Duration interval) {
      session.setMaxInactiveInterval(interval);
    }

    @Override
    public Duration getMaxInactiveInterval() {
      return session.getMaxInactiveInterval();
    }

    @Override
    public boolean isExpired() {
      return session.isExpired();
    }
  }
}
