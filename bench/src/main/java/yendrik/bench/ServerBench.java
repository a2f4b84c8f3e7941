package yendrik.bench;

import java.net.URI;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * The whole server with 2,000 learners in one course, asked by this process over loopback: reading
 * <em>Progress</em>, first alone and then while learners hand in quizzes.
 */
public final class ServerBench {
  private static final int LEARNERS = 2_000;
  private static final int OUTCOMES = 100;
  private static final int READS = 100;
  private static final int AT_A_QUIZ = 24;
  private static final int HANDED_IN_EACH = 10;

  private ServerBench() {}

  public static void main(String[] arguments) throws Exception {
    var server = new DemoServer(arguments);
    server.with(
        "yendrik_bench",
        LEARNERS,
        address -> {
          measure(address);
          measureHundredOutcomes(address, server.database("yendrik_bench"));
        });
  }

  private static void measure(URI server) throws InterruptedException, ExecutionException {
    var designer = new Visitor(server, "odalys@hollowlane.example");
    long course = designer.course("Cycle Mechanic Foundations");
    String progress = "/api/courses/" + course + "/reports/progress";
    String mastery = "/api/courses/" + course + "/reports/mastery";
    for (int n = 0; n < 20; n++) designer.get(progress);
    say("Progress of " + LEARNERS + " learners, alone", times(READS, () -> designer.get(progress)));
    say("Mastery of " + LEARNERS + " learners, alone", times(READS, () -> designer.get(mastery)));

    List<Visitor> learners = new ArrayList<>();
    for (int n = 1; n <= AT_A_QUIZ; n++)
      learners.add(new Visitor(server, "crowd" + n + "@hollowlane.example"));
    long quiz = learners.getFirst().step(course, "Name that tool");
    var busy = new AtomicBoolean(true);
    try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
      Future<List<Double>> reading =
          threads.submit(() -> {
            List<Double> all = new ArrayList<>();
            while (busy.get()) all.addAll(times(1, () -> designer.get(progress)));
            return all;
          });
      long from = System.nanoTime();
      List<Future<List<Double>>> handing =
          learners.stream()
              .map(l -> threads.submit(() -> l.handIn(course, quiz, HANDED_IN_EACH)))
              .toList();
      List<Double> handed = new ArrayList<>();
      for (Future<List<Double>> f : handing) handed.addAll(f.get());
      double seconds = (System.nanoTime() - from) / 1e9;
      busy.set(false);
      say(
          "Handing in a quiz, %d learners at once (%.0f a second) while Progress is read on and on"
              .formatted(AT_A_QUIZ, handed.size() / seconds),
          handed);
      say("Progress, meanwhile", reading.get());
    }
  }

  /**
   * The grid with a hundred outcomes. They are taken from a file and published; then every
   * learner's snapshot gets a level, and three moves of it, on each of them, since the lists read
   * snapshots.
   */
  private static void measureHundredOutcomes(URI server, String database) throws SQLException {
    var designer = new Visitor(server, "odalys@hollowlane.example");
    long course = designer.course("Cycle Mechanic Foundations");
    String path = "/api/courses/" + course;
    long scale = designer.get(path + "/design").path("scales").path(0).path("id").asLong();
    int there = designer.get(path + "/reports/mastery").path("outcomes").size();
    var file = new StringBuilder("code,name\n");
    for (int n = there; n < OUTCOMES; n++)
      file.append("B").append(n).append(",Outcome ").append(n).append("\n");
    designer.finish(path, "/design/framework/csv/taking?scale=" + scale, file.toString());
    String seen = designer.get(path + "/publications/next").path("draft").asString();
    designer.finish(path, "/publications", "{\"draft\":\"" + seen + "\"}");
    fillSnapshots(database, course);
    for (int n = 0; n < 20; n++) designer.get(path + "/reports/mastery");
    String of = " of " + LEARNERS + " learners, " + OUTCOMES + " outcomes, alone";
    say("Mastery" + of, times(READS, () -> designer.get(path + "/reports/mastery")));
    say("Trend" + of, times(READS / 2, () -> designer.get(path + "/mastery/trend")));
    say("Grades" + of, times(READS / 2, () -> designer.get(path + "/reports/grades")));
  }

  private static void fillSnapshots(String database, long course) throws SQLException {
    String each =
        "(select jsonb_object_agg(o.id::text, %s) from outcome o where o.course_id = e.course_id)";
    String level = "abs(hashtext(o.id || '-' || e.id)) % 4";
    String moves =
        "jsonb_build_array(%1$s, 0, %1$s + 604800, 1, %1$s + 1209600, 2)"
            .formatted("extract(epoch from e.enrolled_at)::bigint");
    try (var connection = DriverManager.getConnection(database, "yendrik", "yendrik");
        var fill =
            connection.prepareStatement(
                "update enrolment e set summary = jsonb_set(summary, '{levels}', "
                    + each.formatted(level)
                    + "), trend = jsonb_build_object('moves', "
                    + each.formatted(moves)
                    + ") where course_id = ?")) {
      fill.setLong(1, course);
      fill.executeUpdate();
    }
  }

  static List<Double> times(int many, Callable<?> what) {
    List<Double> millis = new ArrayList<>();
    for (int n = 0; n < many; n++) {
      long from = System.nanoTime();
      try {
        what.call();
      } catch (Exception e) {
        throw new IllegalStateException(e);
      }
      millis.add((System.nanoTime() - from) / 1e6);
    }
    return millis;
  }

  static void say(String what, List<Double> millis) {
    Collections.sort(millis);
    double[] all = millis.stream().mapToDouble(d -> d).toArray();
    System.out.printf(
        "%s: p50 %.0f ms, p99 %.0f ms, mean %.0f ms, of %d%n",
        what,
        all[all.length / 2],
        all[(int) Math.min(all.length - 1, Math.ceil(all.length * 0.99) - 1)],
        Arrays.stream(all).average().orElse(0),
        all.length);
  }
}
