package yendrik.server.live;

import java.io.IOException;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.postgresql.PGConnection;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import yendrik.core.id.CourseId;
import yendrik.server.people.Seat;

/**
 * Tells who watches that something about a learner has changed. Through PostgreSQL's notifications,
 * so that it works over any number of servers and only after the act is committed. What changed is
 * fetched again by whoever may see it; a notification carries nothing but ids.
 */
@Component
public class Events implements SmartLifecycle {
  private static final Logger LOG = LoggerFactory.getLogger(Events.class);
  private static final String CHANNEL = "yendrik";
  private static final int WAIT_MILLIS = 5_000;
  private final DSLContext db;
  private final DataSource source;
  private final Map<SseEmitter, Listener> listeners = new ConcurrentHashMap<>();
  private volatile boolean running;

  private record Listener(long course, Seat seat) {
    boolean hears(long person, List<Long> groups) {
      return seat.person().id() == person || (seat.role().isPresent() && seat.sees(groups));
    }
  }

  Events(DSLContext db, DataSource source) {
    this.db = db;
    this.source = source;
  }

  /** Says, when the transaction is committed, that a learner's state has changed. */
  public void changed(CourseId course, long person, List<Long> groups) {
    db.select(change(course, person, groups)).execute();
  }

  /** The same as part of another statement, which then says it without a way of its own. */
  public Field<Object> change(CourseId course, long person, List<Long> groups) {
    var message = new StringBuilder(course.value() + " " + person);
    groups.forEach(g -> message.append(' ').append(g));
    return DSL.function("pg_notify", Object.class, DSL.val(CHANNEL), DSL.val(message.toString()));
  }

  SseEmitter listen(Seat seat) {
    var emitter = new SseEmitter(0L);
    listeners.put(emitter, new Listener(seat.course().value(), seat));
    emitter.onCompletion(() -> listeners.remove(emitter));
    emitter.onError(_ -> listeners.remove(emitter));
    send(emitter, "ready", "");
    return emitter;
  }

  private void spread(String message) {
    String[] parts = message.split(" ");
    long course = Long.parseLong(parts[0]);
    long person = Long.parseLong(parts[1]);
    List<Long> groups = Arrays.stream(parts).skip(2).map(Long::valueOf).toList();
    listeners.forEach((emitter, listener) -> {
      if (listener.course == course && listener.hears(person, groups))
        send(emitter, "changed", Long.toString(person));
    });
  }

  private void send(SseEmitter emitter, String name, String data) {
    try {
      emitter.send(SseEmitter.event().name(name).data(data));
    } catch (IOException | IllegalStateException e) {
      LOG.debug("a listener is gone", e);
      listeners.remove(emitter);
    }
  }

  @Override
  public void start() {
    running = true;
    Thread.ofPlatform().daemon().name("events").start(this::hear);
  }

  private void hear() {
    while (running) {
      // LISTEN has no counterpart in jOOQ, being a matter of the connection.
      try (var connection = source.getConnection();
          var statement = connection.createStatement()) {
        statement.execute("LISTEN " + CHANNEL);
        var notifications = connection.unwrap(PGConnection.class);
        while (running) {
          var heard = notifications.getNotifications(WAIT_MILLIS);
          if (heard == null || heard.length == 0)
            listeners.keySet().forEach(l -> send(l, "still", ""));
          else for (var one : heard) spread(one.getParameter());
        }
      } catch (SQLException | RuntimeException e) {
        if (running) pause(e);
      }
    }
  }

  private static void pause(Exception e) {
    LOG.warn("lost the database while listening for events; trying again: {}", e.getMessage());
    try {
      Thread.sleep(1_000);
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }

  @Override
  public void stop() {
    running = false;
    listeners.keySet().forEach(SseEmitter::complete);
  }

  @Override
  public boolean isRunning() {
    return running;
  }
}
