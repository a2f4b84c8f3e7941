package yendrik.bench;

import java.net.URI;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Function;

/**
 * What an act costs: by the facts behind a learner, at a steady rate with thirty learners, and as
 * many as the server takes. Says the same of any version of the server, so that two can be compared
 * in one run.
 */
public final class ActBench {
  private static final int LEARNERS = 300;
  private static final int AT_WORK = 30;
  private static final int ACTS_A_SECOND = 55;
  private static final int SECONDS = 20;

  /** Until the machine code of the common ways is made. */
  private static final int WARM_SECONDS = 60;

  private static final int VISITS = 150;
  private static final int HAND_INS = 60;
  private static final int[] FACTS = {100, 1_000, 10_000};
  private static final int A_TERM = 1_000;

  private ActBench() {}

  public static void main(String[] arguments) throws Exception {
    var server = new DemoServer(arguments);
    server.with(
        "yendrik_acts", LEARNERS, address -> measure(address, server.database("yendrik_acts")));
  }

  private static void measure(URI server, String database) throws Exception {
    var designer = new Visitor(server, "odalys@hollowlane.example");
    long course = designer.course("Cycle Mechanic Foundations");
    List<Visitor> learners = learners(server, AT_WORK + FACTS.length);
    String visit = visit(learners.getFirst(), course);
    for (int n = 0; n < 300; n++) learners.get(n % learners.size()).tell(visit, "");
    flatOut(learners.subList(0, AT_WORK), visit, WARM_SECONDS);
    byFacts(learners.subList(AT_WORK, learners.size()), visit, database, course);
    steady(learners.subList(0, AT_WORK), visit, designer, course);
    saturated(learners.subList(0, AT_WORK), visit, "");
    try (Connection connection = DriverManager.getConnection(database, "yendrik", "yendrik")) {
      for (int n = 1; n <= AT_WORK; n++) addFacts(connection, course, n, A_TERM);
    }
    saturated(learners.subList(0, AT_WORK), visit, ", " + A_TERM + " facts more behind each");
  }

  static List<Visitor> learners(URI server, int many) throws Exception {
    List<Visitor> learners = new ArrayList<>();
    for (int n = 1; n <= many; n++)
      learners.add(new Visitor(server, "crowd" + n + "@hollowlane.example"));
    return learners;
  }

  /** Where a visit to a step is told. */
  static String visit(Visitor learner, long course) {
    long step = learner.step(course, "Your bench and the stand");
    return "/api/courses/" + course + "/walks/mine/steps/" + step + "/visits";
  }

  /** Each learner's acts in turn, so that the machine's moods meet all of them alike. */
  private static void byFacts(List<Visitor> learners, String visit, String database, long course)
      throws SQLException {
    try (Connection connection = DriverManager.getConnection(database, "yendrik", "yendrik")) {
      for (int n = 0; n < FACTS.length; n++)
        addFacts(connection, course, AT_WORK + n + 1, FACTS[n]);
    }
    inTurn(
        "Visit", learners, VISITS, learner -> ServerBench.times(1, () -> learner.tell(visit, "")));
    long quiz = learners.getFirst().step(course, "Name that tool");
    inTurn("Hand-in", learners, HAND_INS, learner -> learner.handIn(course, quiz, 1));
  }

  private static void inTurn(
      String what, List<Visitor> learners, int rounds, Function<Visitor, List<Double>> act) {
    List<List<Double>> millis = new ArrayList<>();
    for (int n = 0; n < FACTS.length; n++) millis.add(new ArrayList<>());
    for (int round = 0; round < rounds; round++)
      for (int n = 0; n < FACTS.length; n++) millis.get(n).addAll(act.apply(learners.get(n)));
    for (int n = 0; n < FACTS.length; n++)
      ServerBench.say(what + " with " + FACTS[n] + " facts more behind the learner", millis.get(n));
  }

  private static void addFacts(Connection connection, long course, int crowd, int many)
      throws SQLException {
    try (var insert =
        connection.prepareStatement(
            """
            insert into fact (course_id, enrolment_id, at, kind, body)
            select e.course_id, e.id, e.enrolled_at + n * interval '1 second', 'was-here', '{}'
            from enrolment e join person p on p.id = e.person_id, generate_series(1, ?) n
            where e.course_id = ? and p.email = ? and not e.practice
            """)) {
      insert.setInt(1, many);
      insert.setLong(2, course);
      insert.setString(3, "crowd" + crowd + "@hollowlane.example");
      insert.executeUpdate();
    }
  }

  /** Acts at a fixed rate; a late answer counts from when its act was due. */
  private static void steady(List<Visitor> learners, String visit, Visitor designer, long course)
      throws Exception {
    List<Future<Double>> acts = new ArrayList<>();
    var busy = new AtomicBoolean(true);
    try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
      Future<List<Double>> reading =
          threads.submit(() -> {
            List<Double> all = new ArrayList<>();
            while (busy.get()) {
              all.addAll(
                  ServerBench.times(
                      1, () -> designer.get("/api/courses/" + course + "/reports/progress")));
              TimeUnit.MILLISECONDS.sleep(500);
            }
            return all;
          });
      long begin = System.nanoTime();
      for (int n = 0; n < ACTS_A_SECOND * SECONDS; n++) {
        long due = begin + n * 1_000_000_000L / ACTS_A_SECOND;
        TimeUnit.NANOSECONDS.sleep(due - System.nanoTime());
        Visitor learner = learners.get(n % learners.size());
        acts.add(
            threads.submit(() -> {
              learner.tell(visit, "");
              return (System.nanoTime() - due) / 1e6;
            }));
      }
      List<Double> millis = new ArrayList<>();
      for (Future<Double> act : acts) millis.add(act.get());
      busy.set(false);
      ServerBench.say(
          "%d learners at work, %d acts a second".formatted(learners.size(), ACTS_A_SECOND),
          millis);
      ServerBench.say("Progress of the course, meanwhile", reading.get());
    }
  }

  private static void saturated(List<Visitor> learners, String visit, String what)
      throws Exception {
    List<Double> millis = flatOut(learners, visit, SECONDS);
    ServerBench.say(
        "%d learners as fast as they can%s, %.0f acts a second"
            .formatted(learners.size(), what, millis.size() / (double) SECONDS),
        millis);
  }

  /** As many acts as the server takes; how long each took, in milliseconds. */
  static List<Double> flatOut(List<Visitor> learners, String visit, int seconds) throws Exception {
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(seconds);
    List<Double> millis = new ArrayList<>();
    try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
      List<Future<List<Double>>> all = new ArrayList<>();
      for (Visitor learner : learners)
        all.add(
            threads.submit(() -> {
              List<Double> own = new ArrayList<>();
              while (System.nanoTime() < end)
                own.addAll(ServerBench.times(1, () -> learner.tell(visit, "")));
              return own;
            }));
      for (Future<List<Double>> own : all) millis.addAll(own.get());
    }
    return millis;
  }
}
