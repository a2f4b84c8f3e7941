package yendrik.server.live;

import java.io.IOException;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
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
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.server.people.OpenSessions;
import yendrik.server.people.People;
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
  private static final int LOST_MILLIS = 1_000;

  /** How long changes of a course gather before they are told. */
  private static final int GATHER_MILLIS = 250;

  private static final int ROUNDS_TO_STILL = 20;
  private static final int ROUNDS_TO_LOOK = 40;
  private final DSLContext db;
  private final DataSource source;
  private final People people;
  private final OpenSessions sessions;
  private final Map<CourseId, Set<Listener>> listeners = new ConcurrentHashMap<>();
  private volatile boolean running;

  Events(DSLContext db, DataSource source, People people, OpenSessions sessions) {
    this.sessions = sessions;
    this.db = db;
    this.source = source;
    this.people = people;
  }

  /** Says, when the transaction is committed, that a learner's state has changed. */
  public void changed(CourseId course, PersonId person, List<GroupId> groups) {
    db.select(change(course, person, groups)).execute();
  }

  /** The same as part of another statement, which then says it without a way of its own. */
  public Field<Object> change(CourseId course, PersonId person, List<GroupId> groups) {
    var message = new StringBuilder(course.value() + " " + person);
    groups.forEach(g -> message.append(' ').append(g));
    return DSL.function("pg_notify", Object.class, DSL.val(CHANNEL), DSL.val(message.toString()));
  }

  SseEmitter listen(Seat seat, Optional<String> session) {
    var emitter = new SseEmitter(0L);
    var listener = new Listener(emitter, seat, session);
    Set<Listener> there =
        listeners.computeIfAbsent(seat.course(), _ -> ConcurrentHashMap.newKeySet());
    there.add(listener);
    emitter.onCompletion(() -> there.remove(listener));
    emitter.onError(_ -> there.remove(listener));
    try {
      emitter.send(SseEmitter.event().name("ready").data(""));
    } catch (IOException | IllegalStateException e) {
      LOG.debug("a listener is gone", e);
      there.remove(listener);
    }
    return emitter;
  }

  private void spread(String message) {
    String[] parts = message.split(" ");
    var person = new PersonId(Long.parseLong(parts[1]));
    List<GroupId> groups =
        Arrays.stream(parts).skip(2).map(g -> new GroupId(Long.parseLong(g))).toList();
    listeners
        .getOrDefault(new CourseId(Long.parseLong(parts[0])), Set.of())
        .forEach(listener -> listener.changed(person, groups));
  }

  private void everyone(Consumer<Listener> what) {
    listeners.values().forEach(there -> there.forEach(what));
  }

  /** Sends what has gathered, a few times a second, however much happens in a course. */
  private void tell() {
    int rounds = 0;
    while (running) {
      pause(GATHER_MILLIS);
      if (++rounds % ROUNDS_TO_STILL == 0) everyone(Listener::still);
      if (rounds % ROUNDS_TO_LOOK == 0) everyone(this::lookAgain);
      listeners.values().forEach(there -> there.removeIf(Events::dropped));
      everyone(Listener::flush);
    }
  }

  private static boolean dropped(Listener listener) {
    boolean slow = listener.tooSlow();
    if (slow) Thread.ofVirtual().start(listener::end);
    return slow;
  }

  /**
   * Rights change and sessions end while somebody listens: who has no place or session any more
   * hears nothing more.
   */
  private void lookAgain(Listener listener) {
    Seat seat = listener.seat();
    try {
      if (!listener.session().map(sessions::goesOn).orElse(true)) {
        listener.end();
        return;
      }
      people
          .person(seat.person().id())
          .map(person -> people.seat(seat.course(), person))
          .filter(now -> !(now instanceof Seat.Nobody))
          .ifPresentOrElse(listener::seat, listener::end);
    } catch (RuntimeException e) {
      LOG.warn("could not look at rights again: {}", e.getMessage());
    }
  }

  @Override
  public void start() {
    running = true;
    Thread.ofPlatform().daemon().name("events-heard").start(this::hear);
    Thread.ofPlatform().daemon().name("events-told").start(this::tell);
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
          if (heard != null) for (var one : heard) spread(one.getParameter());
        }
      } catch (SQLException | RuntimeException e) {
        if (running) lost(e);
      }
    }
  }

  private static void lost(Exception e) {
    LOG.warn("lost the database while listening for events; trying again: {}", e.getMessage());
    pause(LOST_MILLIS);
  }

  private static void pause(int millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }

  @Override
  public void stop() {
    running = false;
    everyone(Listener::end);
  }

  @Override
  public boolean isRunning() {
    return running;
  }
}
