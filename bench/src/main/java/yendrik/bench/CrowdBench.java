package yendrik.bench;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.URI;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/**
 * What many learners cost others: the grid of one course while another is published to 2,000, a
 * grid that is kept up to date while 1,000 learners are at work, what a changed rule would do to
 * 10,000, and the check of 10,000.
 */
public final class CrowdBench {
  private static final int PUBLISHED_TO = 2_000;
  private static final int AT_WORK = 1_000;
  private static final int SECONDS_BETWEEN_ACTS = 15;
  private static final int SECONDS = 60;
  private static final int CHECKED = 10_000;

  /** As the client gathers what it hears, and until how many learners it fetches their rows. */
  private static final long CALM_MILLIS = 400;

  private static final long LONGEST_MILLIS = 1_500;
  private static final int MOST_ROWS = 100;

  private CrowdBench() {}

  public static void main(String[] arguments) throws Exception {
    var server = new DemoServer(arguments);
    server.with("yendrik_crowd", PUBLISHED_TO, CrowdBench::publishAndWork);
    server.with("yendrik_checked", CHECKED, CrowdBench::effect);
    ServerBench.say(
        "The check of " + CHECKED + " learners, with its start",
        ServerBench.times(1, () -> check(server)));
  }

  /** The draft of the demo has a rule that waits to be published. */
  static void effect(URI server) throws Exception {
    var designer = new Visitor(server, "odalys@hollowlane.example");
    String next =
        "/api/courses/" + designer.course("Cycle Mechanic Foundations") + "/publications/next";
    ServerBench.say(
        "What a changed rule would do to " + CHECKED + " learners, for the first time",
        ServerBench.times(1, () -> designer.get(next)));
    ServerBench.say(
        "What it would do, asked again", ServerBench.times(10, () -> designer.get(next)));
  }

  private static int check(DemoServer server) throws Exception {
    return server
        .start(
            "yendrik_checked",
            "--yendrik.check=true",
            "--server.port=0",
            "--logging.level.root=error")
        .waitFor();
  }

  private static void publishAndWork(URI server) throws Exception {
    var designer = new Visitor(server, "odalys@hollowlane.example");
    long course = designer.course("Cycle Mechanic Foundations");
    long other = designer.course("Workshop Safety Induction");
    publish(designer, course, other);
    work(server, designer, course);
  }

  private static void publish(Visitor designer, long course, long other) throws Exception {
    String grid = "/api/courses/" + other + "/reports/progress";
    for (int n = 0; n < 30; n++) designer.get(grid);
    ServerBench.say(
        "Progress of another course, alone", ServerBench.times(100, () -> designer.get(grid)));
    String path = "/api/courses/" + course;
    JsonNode design = designer.get(path + "/design");
    JsonNode module = design.path("modules").path(0);
    designer.tell(
        path + "/design/steps",
        "{\"module\":" + module.path("id") + ",\"kind\":\"PAGE\",\"name\":\"One more page\"}");
    String seen = designer.get(path + "/publications/next").path("draft").asString();
    var busy = new AtomicBoolean(true);
    try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
      Future<List<Double>> reading =
          threads.submit(() -> {
            List<Double> all = new ArrayList<>();
            while (busy.get()) all.addAll(ServerBench.times(1, () -> designer.get(grid)));
            return all;
          });
      List<Double> publishing =
          ServerBench.times(
              1, () -> designer.finish(path, "/publications", "{\"draft\":\"" + seen + "\"}"));
      busy.set(false);
      ServerBench.say(
          "Publishing to " + PUBLISHED_TO + " learners, with all of them moved", publishing);
      ServerBench.say("Progress of another course, meanwhile", reading.get());
    }
  }

  private static void work(URI server, Visitor designer, long course) throws Exception {
    List<Visitor> learners = new ArrayList<>();
    for (int n = 1; n <= AT_WORK; n++)
      learners.add(new Visitor(server, "crowd" + n + "@hollowlane.example"));
    String visit = "/api/courses/" + course + "/walks/mine/visits";
    var busy = new AtomicBoolean(true);
    try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
      Future<List<Double>> drawn = threads.submit(keptUpToDate(designer, course, busy));
      List<Future<Double>> acts = new ArrayList<>();
      long begin = System.nanoTime();
      int many = AT_WORK * SECONDS / SECONDS_BETWEEN_ACTS;
      for (int n = 0; n < many; n++) {
        long due = begin + n * SECONDS * 1_000_000_000L / many;
        TimeUnit.NANOSECONDS.sleep(due - System.nanoTime());
        Visitor learner = learners.get(n % AT_WORK);
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
          "%d learners at work, %d acts a second".formatted(AT_WORK, many / SECONDS), millis);
      ServerBench.say("From one drawing of Progress to the next, meanwhile", drawn.get());
    }
  }

  /** Listens as the client does, and fetches what it would fetch. */
  private static Callable<List<Double>> keptUpToDate(
      Visitor designer, long course, AtomicBoolean busy) {
    return () -> {
      String grid = "/api/courses/" + course + "/reports/progress";
      List<Double> between = new ArrayList<>();
      Set<String> people = new HashSet<>();
      try (var events =
          new BufferedReader(
              new InputStreamReader(designer.stream("/api/courses/" + course + "/events")))) {
        long drawn = System.nanoTime();
        long first = 0;
        long last = 0;
        String name = "";
        while (busy.get()) {
          String line = events.readLine();
          if (line.startsWith("event:")) name = line.substring(6).strip();
          else if (line.startsWith("data:") && name.equals("changed")) {
            people.addAll(List.of(line.substring(5).strip().split(" ")));
            last = System.nanoTime();
            if (first == 0) first = last;
          }
          long now = System.nanoTime();
          boolean calm = now - last > CALM_MILLIS * 1_000_000;
          boolean longEnough = now - first > LONGEST_MILLIS * 1_000_000;
          if (people.isEmpty() || !(calm || longEnough)) continue;
          if (people.size() > MOST_ROWS) designer.get(grid);
          else
            designer.get(
                grid
                    + people.stream()
                        .map(p -> "people=" + p)
                        .collect(Collectors.joining("&", "?", "")));
          between.add((System.nanoTime() - drawn) / 1e6);
          drawn = System.nanoTime();
          people.clear();
          first = 0;
        }
      }
      return between;
    };
  }
}
