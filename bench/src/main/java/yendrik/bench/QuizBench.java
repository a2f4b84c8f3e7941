package yendrik.bench;

import static yendrik.bench.ServerBench.say;
import static yendrik.bench.ServerBench.times;

import java.net.URI;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * A quiz of 30 questions at the server's door: 300 learners save answers and hand in, and its
 * figures are asked for once there are 10,000 attempts.
 */
public final class QuizBench {
  private static final JsonMapper JSON = new JsonMapper();
  private static final String DATABASE = "yendrik_bench";
  private static final int LEARNERS = 300;
  private static final int QUESTIONS = 30;
  private static final int ATTEMPTS = 10_000;

  /** Each learner answers a question every ten seconds. */
  private static final int SAVES_A_SECOND = 30;

  private static final int SAVES = 1_800;

  /** Until most of the machine code is made. */
  private static final int WARMING_UP = 1_800;

  private static final int HANDED_IN_A_SECOND = 10;

  private QuizBench() {}

  public static void main(String[] arguments) throws Exception {
    var server = new DemoServer(arguments);
    server.with(DATABASE, LEARNERS, address -> run(address, server.database(DATABASE)));
  }

  private static void run(URI address, String database) throws Exception {
    var designer = new Visitor(address, "sefa@hollowlane.example");
    String course = "/api/courses/" + course(designer);
    long quiz = quiz(designer, course);
    List<Visitor> learners = new ArrayList<>();
    for (int n = 1; n <= LEARNERS; n++) learners.add(new Visitor(address, email(n)));
    String attempts = course + "/walks/mine/steps/" + quiz + "/attempts";
    List<String> ids = new ArrayList<>();
    for (Visitor learner : learners) {
      JsonNode attempt = learner.post(attempts, "");
      if (ids.isEmpty()) attempt.path("questions").forEach(q -> ids.add(q.path("id").asString()));
    }
    steady(learners, SAVES_A_SECOND, WARMING_UP, (l, n) -> l.put(attempts + "/1", answers(ids, n)));
    say(
        LEARNERS + " learners in one quiz, " + SAVES_A_SECOND + " answers saved a second",
        steady(learners, SAVES_A_SECOND, SAVES, (l, n) -> l.put(attempts + "/1", answers(ids, n))));
    say(
        "Handing in " + QUESTIONS + " questions, " + HANDED_IN_A_SECOND + " a second",
        steady(
            learners,
            HANDED_IN_A_SECOND,
            LEARNERS,
            (l, _) -> l.tell(attempts + "/1/result", answers(ids, QUESTIONS))));
    copies(database, quiz);
    String figures = course + "/quizzes/" + quiz + "/figures?first=false";
    designer.get(figures);
    say("Figures over " + ATTEMPTS + " attempts", times(20, () -> designer.get(figures)));
  }

  private static String email(int n) {
    return "crowd" + n + "@hollowlane.example";
  }

  private static long course(Visitor designer) {
    String body =
        """
        {"name":"A large quiz","cohort":"","starts":"2026-11-02","weeks":10,"zone":"Europe/Berlin"}\
        """;
    return designer.post("/api/courses", body).path("id").asLong();
  }

  private static long quiz(Visitor designer, String course) {
    long module =
        designer.post(course + "/design/modules", "{\"name\":\"All of it\"}").path("id").asLong();
    String step = "{\"module\":%d,\"kind\":\"QUIZ\",\"name\":\"The quiz\"}".formatted(module);
    long quiz = designer.post(course + "/design/steps", step).path("id").asLong();
    JsonNode seen = designer.get(course + "/design").at("/modules/0/steps/0/part");
    ObjectNode now = (ObjectNode) seen.deepCopy();
    for (int n = 0; n < QUESTIONS; n++) now.withArray("questions").add(question(n));
    ObjectNode change = JSON.createObjectNode();
    change.putObject("from").set("part", seen);
    change.putObject("to").set("part", now);
    designer.change(course + "/design/steps/" + quiz, change.toString());
    String draft = designer.get(course + "/publications/next").path("draft").asString();
    designer.finish(course, "/publications", "{\"draft\":\"" + draft + "\"}");
    List<String> emails =
        IntStream.rangeClosed(1, LEARNERS).mapToObj(n -> "\"" + email(n) + "\"").toList();
    designer.post(course + "/roster", "{\"emails\":[" + String.join(",", emails) + "]}");
    return quiz;
  }

  private static ObjectNode question(int n) {
    ObjectNode question = JSON.createObjectNode();
    question.put("id", "q" + n).put("text", "Question " + n + "?").put("points", 1);
    question.put("feedback", "");
    ObjectNode part = question.putObject("part").put("is", "choice").put("right", "b");
    for (String id : List.of("a", "b", "c", "d"))
      part.withArray("choices").addObject().put("id", id).put("text", "Choice " + id);
    return question;
  }

  private static String answers(List<String> ids, int many) {
    ObjectNode sent = JSON.createObjectNode();
    ObjectNode answers = sent.putObject("answers");
    for (int n = 0; n < many; n++)
      answers
          .putObject(ids.get(n % ids.size()))
          .put("is", "choice")
          .put("choice", "" + (1 + n % 4));
    return sent.toString();
  }

  /** What a learner does for the nth time. */
  private interface Does {
    void act(Visitor learner, int time);
  }

  /** Acts at a fixed rate; a late answer counts from when its act was due. */
  private static List<Double> steady(List<Visitor> learners, int aSecond, int acts, Does does)
      throws Exception {
    List<Future<Double>> all = new ArrayList<>();
    try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
      long begin = System.nanoTime();
      for (int n = 0; n < acts; n++) {
        int now = n;
        long due = begin + n * 1_000_000_000L / aSecond;
        TimeUnit.NANOSECONDS.sleep(due - System.nanoTime());
        all.add(
            threads.submit(() -> {
              does.act(learners.get(now % learners.size()), now / learners.size() + 1);
              return (System.nanoTime() - due) / 1e6;
            }));
      }
      List<Double> millis = new ArrayList<>();
      for (Future<Double> act : all) millis.add(act.get());
      return millis;
    }
  }

  /** More attempts, so that there are as many as the figures are asked of. */
  private static void copies(String database, long quiz) throws SQLException {
    try (Connection connection = DriverManager.getConnection(database, "yendrik_owner", "yendrik");
        var copy =
            connection.prepareStatement(
                """
                insert into attempt
                select (jsonb_populate_record(a, jsonb_build_object('number', n))).*
                from attempt a, generate_series(2, ?) n where a.step_id = ?
                """)) {
      copy.setInt(1, (ATTEMPTS + LEARNERS - 1) / LEARNERS);
      copy.setLong(2, quiz);
      copy.executeUpdate();
    }
  }
}
