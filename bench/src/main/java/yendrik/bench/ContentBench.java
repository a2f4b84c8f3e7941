package yendrik.bench;

import static yendrik.bench.ServerBench.say;
import static yendrik.bench.ServerBench.times;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import tools.jackson.databind.JsonNode;

/**
 * Content at the server's door: a large file up and down, steps opened while a hundred learners are
 * at work, a route of 300 steps and a discussion of 2,000 posts.
 */
public final class ContentBench {
  private static final int LEARNERS = 100;
  private static final int STEPS = 300;
  private static final int POSTS = 2_000;
  private static final int WRITERS = 20;
  private static final int READS = 100;
  private static final int MEGABYTES = 200;
  private static final int PIECE = 8 << 20;
  private static final int OPENED_EACH = 20;
  private static final int THINKS_MILLIS = 2_000;

  /** What the server may take of the heap, so that it shows if it holds a file. */
  private static final String HEAP = "-Xmx320m";

  private ContentBench() {}

  public static void main(String[] arguments) throws Exception {
    var server = new DemoServer(arguments);
    server.with(
        "yendrik_bench",
        LEARNERS,
        List.of(HEAP),
        (address, process) -> {
          var designer = new Visitor(address, "sefa@hollowlane.example");
          file(designer, process);
          working(address, designer);
          route(address, designer);
          discussion(address, designer);
        });
  }

  private static String course(Visitor designer, String name) {
    String body =
        """
        {"name":"%s","cohort":"","starts":"2026-11-02","weeks":10,"zone":"Europe/Berlin"}\
        """
            .formatted(name);
    return "/api/courses/" + designer.post("/api/courses", body).path("id").asLong();
  }

  private static long module(Visitor designer, String course, String name) {
    return designer
        .post(course + "/design/modules", "{\"name\":\"%s\"}".formatted(name))
        .path("id")
        .asLong();
  }

  private static long step(Visitor designer, String course, long module, String kind, String name) {
    String body = "{\"module\":%d,\"kind\":\"%s\",\"name\":\"%s\"}".formatted(module, kind, name);
    return designer.post(course + "/design/steps", body).path("id").asLong();
  }

  private static void begin(Visitor designer, String course, int learners) {
    String seen = designer.get(course + "/publications/next").path("draft").asString();
    designer.finish(course, "/publications", "{\"draft\":\"" + seen + "\"}");
    List<String> emails =
        IntStream.rangeClosed(1, learners).mapToObj(n -> "\"" + email(n) + "\"").toList();
    designer.post(course + "/roster", "{\"emails\":[" + String.join(",", emails) + "]}");
  }

  private static String email(int n) {
    return "crowd" + n + "@hollowlane.example";
  }

  private static void file(Visitor designer, Process server) throws IOException {
    String course = course(designer, "Large files");
    byte[] piece = new byte[PIECE];
    for (int round = 1; round <= 3; round++) {
      new Random(round).nextBytes(piece);
      long before = resident(server);
      long from = System.nanoTime();
      String upload = designer.upload("large-" + round + ".bin", MEGABYTES, piece);
      JsonNode kept =
          designer.post(
              course + "/design/files",
              "{\"upload\":\"%s\",\"use\":\"DOCUMENT\"}".formatted(upload));
      double up = (System.nanoTime() - from) / 1e9;
      from = System.nanoTime();
      long bytes = designer.drain(course + "/design/files/" + kept.path("id").asLong());
      double down = (System.nanoTime() - from) / 1e9;
      if (bytes != (long) MEGABYTES << 20) throw new IllegalStateException("came back " + bytes);
      System.out.printf(
          "A file of %d MB, round %d: up and kept %.1f s, down %.1f s; the server (%s) holds %d MB,"
              + " %d MB before%n",
          MEGABYTES, round, up, down, HEAP, resident(server), before);
    }
  }

  /** Megabytes of memory that a process holds. */
  private static long resident(Process process) throws IOException {
    return Files.readAllLines(Path.of("/proc/" + process.pid() + "/status")).stream()
        .filter(line -> line.startsWith("VmRSS:"))
        .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")) >> 10)
        .findFirst()
        .orElseThrow();
  }

  private static void working(URI server, Visitor designer)
      throws InterruptedException, ExecutionException {
    String course = course(designer, "A hundred at work");
    long module = module(designer, course, "Pages");
    List<Long> steps = new ArrayList<>();
    for (int n = 0; n < OPENED_EACH; n++)
      steps.add(step(designer, course, module, "PAGE", "Page " + n));
    begin(designer, course, LEARNERS);
    List<Double> opened = new ArrayList<>();
    try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
      List<Future<List<Double>>> all = new ArrayList<>();
      for (int n = 1; n <= LEARNERS; n++) {
        var learner = new Visitor(server, email(n));
        var thinks = new Random(n);
        all.add(threads.submit(() -> open(learner, course, steps, thinks)));
      }
      for (Future<List<Double>> one : all) opened.addAll(one.get());
    }
    say("Opening a step, %d learners at work".formatted(LEARNERS), opened);
  }

  private static List<Double> open(Visitor learner, String course, List<Long> steps, Random thinks)
      throws InterruptedException {
    List<Double> millis = new ArrayList<>();
    for (long step : steps) {
      Thread.sleep(thinks.nextInt(2 * THINKS_MILLIS));
      String at = course + "/walks/mine/steps/" + step;
      millis.addAll(times(1, () -> learner.post(at + "/visits", "")));
    }
    return millis;
  }

  private static void route(URI server, Visitor designer) {
    String course = course(designer, "Three hundred steps");
    for (int m = 0; m < STEPS / 20; m++) {
      long module = module(designer, course, "Module " + m);
      for (int n = 0; n < 20; n++)
        step(designer, course, module, n % 5 == 4 ? "ASSIGNMENT" : "PAGE", m + "." + n);
    }
    begin(designer, course, 1);
    var learner = new Visitor(server, email(1));
    String route = course + "/walks/mine/route";
    int there = learner.get(route).path("steps").asInt();
    if (there != STEPS) throw new IllegalStateException("the route has " + there + " steps");
    for (int n = 0; n < 20; n++) learner.get(route);
    say("My route of " + STEPS + " steps", times(READS, () -> learner.get(route)));
  }

  private static void discussion(URI server, Visitor designer)
      throws InterruptedException, ExecutionException {
    String course = course(designer, "Two thousand posts");
    long step = step(designer, course, module(designer, course, "Talk"), "DISCUSSION", "Talk");
    begin(designer, course, WRITERS);
    String posts = course + "/walks/mine/steps/" + step + "/posts";
    try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
      List<Future<?>> all = new ArrayList<>();
      for (int n = 1; n <= WRITERS; n++) {
        var learner = new Visitor(server, email(n));
        all.add(threads.submit(() -> write(learner, posts)));
      }
      for (Future<?> one : all) one.get();
    }
    var reader = new Visitor(server, email(1));
    for (int n = 0; n < 20; n++) reader.get(posts);
    say("A discussion of " + POSTS + " posts, opened", times(READS, () -> reader.get(posts)));
  }

  /** A thread of one's own now and then, replies to it in between. */
  private static void write(Visitor learner, String posts) {
    long thread = 0;
    for (int n = 0; n < POSTS / WRITERS; n++) {
      String to = n % 4 == 0 ? "" : ",\"inReplyTo\":" + thread;
      learner.tell(
          posts,
          "{\"post\":{\"text\":\"<p>It squeals, post %d.</p>\",\"files\":[]}%s}".formatted(n, to));
      if (n % 4 == 0)
        thread = learner.get(posts).path("threads").path(0).path("post").path("id").asLong();
    }
  }
}
