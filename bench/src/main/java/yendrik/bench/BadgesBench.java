package yendrik.bench;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.util.Base64;
import java.util.List;

/**
 * The whole server with 10,000 awards that nobody has signed yet, and then asked for what is made
 * of them.
 */
public final class BadgesBench {
  private static final String DATABASE = "yendrik_badges";
  private static final int LEARNERS = 2_000;
  private static final int AWARDS = 10_000;
  private static final int TIMES = 100;

  private BadgesBench() {}

  public static void main(String[] arguments) throws Exception {
    var server = new DemoServer(arguments);
    server.withTimers(
        DATABASE,
        LEARNERS,
        (address, process) -> {
          try (var db =
              DriverManager.getConnection(server.database(DATABASE), "yendrik", "yendrik")) {
            sign(db, process);
          }
          ask(address);
        });
  }

  /** The same badge once more for everybody, several times: as many as could come at once. */
  private static void sign(Connection db, Process process) throws Exception {
    waitUntilSigned(db);
    give(db, 500);
    waitUntilSigned(db);
    Duration cpu = process.info().totalCpuDuration().orElse(Duration.ZERO);
    long from = System.nanoTime();
    give(db, AWARDS);
    waitUntilSigned(db);
    double seconds = (System.nanoTime() - from) / 1e9;
    double busy =
        process.info().totalCpuDuration().orElse(Duration.ZERO).minus(cpu).toMillis() / 1e3;
    System.out.printf(
        "%,d awards signed after %.1f s; the server computed for %.1f s%n", AWARDS, seconds, busy);
  }

  private static void give(Connection db, int many) throws SQLException {
    try (var insert =
        db.prepareStatement(
            "insert into award (id, course_id, enrolment_id, person_id, badge_id, fact_id,"
                + " design_version, awarded_at, ends_at, reason, levels)"
                + " select gen_random_uuid(), a.course_id, e.id, e.person_id, a.badge_id,"
                + " (select max(fact_id) from award) + 1000000 + row_number() over (),"
                + " a.design_version, now(), now() + interval '3 years', '', a.levels"
                + " from (select * from award order by"
                + " (select count(*) from jsonb_object_keys(levels)) desc, awarded_at limit 1) a"
                + " join enrolment e on e.course_id = a.course_id"
                + " cross join generate_series(1, ?) limit ?")) {
      insert.setInt(1, many);
      insert.setInt(2, many);
      if (insert.executeUpdate() != many) throw new IllegalStateException("too few awards");
    }
  }

  private static void waitUntilSigned(Connection db) throws Exception {
    String left =
        "select count(*) from award a where not exists"
            + " (select 1 from credential c where c.award_id = a.id)";
    try (var asked = db.prepareStatement(left)) {
      while (true) {
        try (var answer = asked.executeQuery()) {
          answer.next();
          if (answer.getLong(1) == 0) return;
        }
        Thread.sleep(200);
      }
    }
  }

  private static void ask(URI address) throws Exception {
    var learner = new Visitor(address, "ilse@hollowlane.example");
    String award = learner.get("/api/account/badges").path(0).path("id").asString();
    String credential = learner.get("/api/account/badges/" + award + "/JSON").toString();
    String file = Base64.getEncoder().encodeToString(credential.getBytes(StandardCharsets.UTF_8));
    String body = "{\"file\":\"" + file + "\",\"email\":null}";
    String check = "/api/public/check";
    ServerBench.times(20, () -> learner.post(check, body));
    ServerBench.say("A check", ServerBench.times(TIMES, () -> learner.post(check, body)));
    for (String form : List.of("PDF", "PNG")) {
      String path = "/api/account/badges/" + award + "/" + form;
      ServerBench.times(10, () -> learner.drain(path));
      ServerBench.say("A badge as " + form, ServerBench.times(TIMES, () -> learner.drain(path)));
    }
    var designer = new Visitor(address, "odalys@hollowlane.example");
    String register =
        "/api/courses/" + designer.course("Cycle Mechanic Foundations") + "/certificates";
    String paper = register + "/" + designer.get(register).path(0).path("id") + "/pdf";
    ServerBench.times(10, () -> designer.drain(paper));
    ServerBench.say("A certificate", ServerBench.times(TIMES, () -> designer.drain(paper)));
  }
}
